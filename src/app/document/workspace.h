// What is being looked at: room, scheme, wall, selection, and the findings of the scheme shown. Views observe it.
#pragma once

#include <QObject>

#include "app/document/document.h"
#include "app/judgement/judgement.h"
#include "app/judgement/light_estimator.h"
#include "app/stages/stages.h"
#include "core/hang/nails.h"
#include "core/space/arrange.h"
#include "core/space/tapes.h"
#include "core/decide/adding.h"
#include "core/display/display.h"
#include "core/entry/came_line.h"
#include "core/drawing/plan/floor_layers.h"
#include "core/drawing/plan/order_marks.h"
#include "core/decide/bands.h"
#include "core/survey/room_survey.h"
#include "render/painter.h"

namespace mezzet {

/// The setting that says who reads the tape here.
inline constexpr const char* kReaderKey = "reader";

class Workspace : public QObject {
  Q_OBJECT

 public:
  Workspace(Document& document, const Rulebook& book, QObject* parent = nullptr);

  [[nodiscard]] Document& document() { return document_; }
  [[nodiscard]] const Job& job() const { return document_.job(); }
  [[nodiscard]] const Rulebook& book() const { return book_; }
  [[nodiscard]] const Room* room() const { return findRoom(job(), room_); }
  [[nodiscard]] const Scheme* scheme() const { return findScheme(job(), scheme_); }
  [[nodiscard]] const SchemeId& schemeId() const { return scheme_; }
  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] const CornerId& wall() const { return wall_; }
  [[nodiscard]] const PlacementId& selected() const { return selected_; }
  [[nodiscard]] const Placement* selectedPlacement() const;
  /// All that is selected, the one with the tapes first: what was marked, and what is grouped with any of it.
  [[nodiscard]] PlacementIds selection() const;
  [[nodiscard]] PlacementIds placementsHere() const;  ///< those that the stage shows
  /// The hand moves in whole steps, so that readings stay round: a quarter inch or 5 mm.
  [[nodiscard]] double handStep() const { return job().units == Unit::Inch ? kInch / 4 : 5.0; }
  [[nodiscard]] LengthFormat format() const { return format_; }
  [[nodiscard]] const ImageStore& images() const { return images_; }

  [[nodiscard]] Judgement& judgement() { return judgement_; }
  [[nodiscard]] const std::vector<Finding>& findings() const { return judgement_.findings(); }
  [[nodiscard]] const std::vector<Decision>& decisions() const { return judgement_.decisions(); }
  /// Broken findings of weight that are marked on the sheet: those of what is selected, then the worst, as many as can
  /// be told apart.
  [[nodiscard]] std::vector<Finding> marked() const;
  [[nodiscard]] const std::vector<std::string>& cured() const { return judgement_.cured(); }
  /// What edits turned though it was not touched, until it is cured or ticked.
  [[nodiscard]] const std::vector<Turned>& turned() const { return judgement_.turned(); }
  void tickTurned(const std::string& finding) { judgement_.tick(finding); }
  /// How many findings of weight break on the floor, the ceiling or the walls.
  [[nodiscard]] int brokenIn(Accepts where) const;
  /// Ways out of a decision, worked out now; the ledger shows them as `judgement` finds them.
  [[nodiscard]] std::vector<WayOut> waysOutOf(const Decision& d) const { return judgement_.waysNow(d); }
  [[nodiscard]] const std::vector<WayOut>* waysShown(const Decision& d) { return judgement_.waysShown(d); }
  [[nodiscard]] std::vector<std::string> refusedShown(const Decision& d) const { return judgement_.refusedShown(d); }
  [[nodiscard]] bool judging() const { return judgement_.judging(); }

  // ---- ways and use
  [[nodiscard]] UseState useState() const { return useState_; }
  void showState(UseState);
  [[nodiscard]] bool shows(FloorLayer layer) const { return layers_.contains(layer); }
  [[nodiscard]] bool anyLayer() const { return !layers_.empty(); }
  void showLayer(FloorLayer, bool on);
  /// What is held on, and what the selected thing's findings ask for.
  [[nodiscard]] FloorLayers layers() const;
  [[nodiscard]] double reachWidth() const { return reachWidth_; }
  void setReachWidth(double);
  /// Drawn routes of the scheme shown; those of the last state while newer ones are worked out.
  [[nodiscard]] const RouteFacts* routes() const { return judgement_.routes(); }
  /// Their lines, which seams of carpet keep out of.
  [[nodiscard]] std::vector<std::vector<Vec2>> routeLines() const;
  /// How wide the way is between the two things selected, in a sentence; nothing unless it is two.
  [[nodiscard]] QString wayBetween() const;
  [[nodiscard]] bool routesPending() const { return judgement_.pending(); }

  // ---- light
  /// What is estimated of the light in the scheme shown; null while it is not shown, or not worked out yet.
  [[nodiscard]] const LightEstimate* lightEstimate() const { return estimator_.estimate(); }
  [[nodiscard]] bool showsEstimate() const { return estimator_.shown(); }
  void showEstimate(bool);
  [[nodiscard]] const Photometries& photometries() const { return *webs_; }

  // ---- displays
  /// What is looked at in Displays: a placement, a fixed thing or a window that carries things; "" where nothing does.
  [[nodiscard]] std::string carrier() const;
  void showCarrier(const std::string&);
  [[nodiscard]] std::vector<std::string> carriersHere() const;
  /// It with what stands on it, in the job as it is or as it would be.
  [[nodiscard]] std::optional<Display> displayIn(const Job&) const;
  std::optional<Display> displayIn(const Job&&) const = delete;  // it points into the job
  [[nodiscard]] std::optional<Display> display() const { return displayIn(job()); }
  [[nodiscard]] bool evening() const { return evening_; }
  void showEvening(bool);
  /// Tapes of what is selected, in the view of this stage.
  [[nodiscard]] std::vector<Tape> tapesHere() const { return tapesHere(selected_); }
  [[nodiscard]] std::vector<Tape> tapesHere(const PlacementId&) const;
  /// What a placement covers in the view of this stage.
  [[nodiscard]] Box extentHere(const PlacementId&) const;
  /// A piece of the job put down where this stage puts it: on the carrier that is shown, else as withPlaced does.
  [[nodiscard]] Result<Added> putDown(const Job&, const PieceId&, IdSource&, std::optional<Vec2> at = {}) const;

  // ---- the readings of the room shown; worked out when first asked for after a change
  [[nodiscard]] const SurveyNetwork& surveyNetwork() const;
  /// What is said of them; the reason when nothing can be.
  [[nodiscard]] const Result<SurveyReport>& survey() const;
  [[nodiscard]] const ReadingId& shownReading() const { return shownReading_; }
  [[nodiscard]] bool ellipses() const { return ellipses_; }
  void showReading(const ReadingId&);
  void showEllipses(bool);

  // ---- the site
  [[nodiscard]] Topic topic() const { return topic_; }
  void showTopic(Topic);
  /// The place that was pointed at for what is recorded next: in the plan, or u and v on the wall shown.
  [[nodiscard]] const std::optional<Vec2>& spot() const { return spot_; }
  void showSpot(std::optional<Vec2>);
  [[nodiscard]] const PhotographId& shownPhotograph() const { return shownPhotograph_; }
  void showPhotograph(const PhotographId&);

  // ---- looking
  void showRoom(const RoomId&);
  /// Looks at no room, so that another can be measured; showing any room ends that.
  void beginRoom();
  [[nodiscard]] bool beginningRoom() const { return beginning_; }
  void showScheme(const SchemeId&);
  void showStage(Stage);
  void showWall(const CornerId&);
  /// In Walls: the room opened like a box, or one wall.
  [[nodiscard]] bool foldedOut() const { return foldedOut_; }
  void foldOut(bool);
  /// In Hand over: one wall, or the floor.
  [[nodiscard]] bool handsWall() const { return handsWall_; }
  void showHandsWall(bool);
  /// What is set down or hung there, in order.
  [[nodiscard]] PlacementIds handOrder() const;
  /// Its numbers, for the drawing.
  [[nodiscard]] std::vector<OrderMark> handMarks() const;
  /// What is understood of "sofa came 84 1/2 x 37".
  [[nodiscard]] CameReading readCame(const QString& line) const;
  /// Takes it, as one edit; false where it says nothing of that, or was not understood.
  bool takeCame(const CameReading&);
  /// Nails of the wall that is seen, where they are asked for.
  [[nodiscard]] bool showsNails() const { return nails_; }
  void showNails(bool);
  [[nodiscard]] std::optional<NailPlan> nailsHere() const;
  /// The same, whether they are asked for or not; there must be a room and a scheme.
  [[nodiscard]] NailPlan nailPlanHere() const;
  /// From which end, and above which line, nails of the wall that is seen are told; kept while the job is open.
  [[nodiscard]] NailAsk nailAsk() const;
  void measureNails(WallEnd, double levelLine);
  void stepWall(int by);
  void select(const PlacementId&);
  void selectThese(const PlacementIds&);
  /// Selects one more, or lets go of it when it was selected; what was selected stays so.
  void selectAlso(const PlacementId&);
  void selectAll();
  /// The selected one stays selected while another is looked for.
  void mark();
  void setFormat(LengthFormat);
  /// A preview of `before` with the selected placement at `place`.
  [[nodiscard]] Job preview(const Job& before, const Place& place) const;
  /// Selects the next or previous thing of this stage; false past the last one.
  bool selectNext(bool forward);
  void showGhost(std::optional<Job>);
  [[nodiscard]] const std::optional<Job>& ghost() const { return ghost_; }

  // ---- editing
  /// Puts the selected piece somewhere, and what is selected with it along; one step of undo.
  void place(const QString& verb, const Place&);
  /// Types a reading into a tape of the selected piece. The complaint, or nothing.
  [[nodiscard]] LengthReading typeTape(const ItemId& tape, const QString& text);
  /// Types a reading into a finding's own gap: the selected piece, or the one to decide on, moves along it.
  [[nodiscard]] LengthReading typeFinding(const std::string& id, const QString& text);
  [[nodiscard]] LengthReading typeTurn(const QString& text);
  void turnBy(double degrees);
  /// Moves the selected piece on the screen's axes: plan x, y or wall u, v.
  void nudge(Vec2 by);
  void take(const WayOut&);
  void removeSelected();
  void toggleLock();
  /// What of the selection hangs is never grouped with its neighbours of itself, or is as it hangs.
  void toggleApart();
  void align(Line line);
  void spreadOut(bool across);
  void group();
  void ungroup();
  /// Chairs round the selected dining table, set anew, or one more of them. The complaint, or nothing.
  [[nodiscard]] std::optional<Error> setChairs(bool oneMore);
  void toggleInUse();
  void toggleTaped();
  void toggleOptional();
  /// The selected lights on the next circuit by letter, at last on none.
  void nextCircuit();
  void putOnCircuit(const CircuitId&);
  void freshCircuit();
  /// The selected piece is drawn up to where it stands now when there is company; again forgets it.
  void toggleUsedHere();
  void copySelected();
  /// Adds a reading, which supersedes one of the same place. The complaint, or nothing.
  [[nodiscard]] std::optional<Error> read(Reading, const ReadingId& again = {});
  void takeReadingOut(const ReadingId&);
  void takeAsSquare(const CornerId&, bool square);
  void newScheme(bool copy);
  void switchUnits();
  /// Reads a length in the job's unit.
  [[nodiscard]] LengthReading read(const QString& text) const;
  [[nodiscard]] QString write(double length) const { return QString::fromStdString(writeLength(length, format_)); }
  [[nodiscard]] QString nameOf(const Placement&) const;

 signals:
  void jobChanged(const JobChange&);  ///< findings are up to date
  void viewChanged();                 ///< room, scheme, stage, wall or format
  void selectionChanged();
  void ghostChanged();
  void waysArrived();      ///< ways out that were looked for beside the interface
  void judged();           ///< findings changed though the job did not: routes arrived. Fields being typed into stay.
  void layersChanged();    ///< use, layers or routes
  void estimateChanged();  ///< of light: shown, hidden or worked out
  void readingShown();     ///< another reading is drawn stronger, or ellipses come and go

 private:
  void refresh();
  void show(const JobChange&);
  void keepValid();
  void askRoutes();
  /// The selected placement put somewhere, and what is selected with it moved along.
  [[nodiscard]] Job placedTogether(const Job& before, const Placement& p, const Place& place) const;
  [[nodiscard]] QString nameOfSelection() const;

  Document& document_;
  const Rulebook& book_;
  ImageStore images_;
  RoomId room_;
  SchemeId scheme_;
  CornerId wall_;
  PlacementId selected_;
  PlacementIds marked_;
  Stage stage_ = Stage::Floor;
  LengthFormat format_;
  std::optional<Job> ghost_;
  Unit knownUnits_ = Unit::Inch;
  Job known_;  ///< what was told last
  bool beginning_ = false;
  struct SurveyMemo {
    Shared<Room> room;
    LengthFormat format;  ///< of the lengths in its sentences
    SurveyNetwork network;
    Result<SurveyReport> report = Error{};
  };
  [[nodiscard]] const SurveyMemo& surveyMemo() const;
  mutable SurveyMemo surveyMemo_;
  ReadingId shownReading_;
  Topic topic_ = Topic::Walls;
  std::optional<Vec2> spot_;
  PhotographId shownPhotograph_;
  bool ellipses_ = false, foldedOut_ = false, nails_ = false, handsWall_ = false;
  WallEnd nailEnd_ = WallEnd::Left;
  double levelLine_ = kLevelLine;
  std::string carrier_;
  bool evening_ = false;
  UseState useState_ = UseState::Everyday;
  std::set<FloorLayer> layers_;
  double reachWidth_ = 24 * kInch;
  LightEstimator estimator_;
  std::shared_ptr<const Photometries> webs_ = std::make_shared<const Photometries>();
  Images webFiles_;  ///< what they were read from
  void readWebs();
  Judgement judgement_;
};

}  // namespace mezzet
