// In the bar under the sheet: the selected piece with its readings as fields, reachable without the mouse.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

class QHBoxLayout;
class QLabel;
class QPushButton;

namespace mezzet {

class ArrangeWords;
class NailRow;
class LengthField;

/// Of the bar under the sheet, whatever it shows, px.
inline constexpr int kFootHeight = 62;

class PieceBar : public QWidget {
  Q_OBJECT

 public:
  explicit PieceBar(Workspace& workspace, QWidget* parent = nullptr);
  void goToTurn();
  /// A digit typed while several hang: the gap between them. False where there is none to type.
  bool typeGap(const QString& first);

 signals:
  /// One of the window's actions, by its id; "more" for the list of all that can be done with it.
  void actionWanted(const char* id, QPoint at);

 private:
  void rebuild();
  void showStage();
  void showHung(const Placement& lead);
  void showSeveral(const Placement& lead);
  void actGroup(const Placement& lead);  ///< group or part what is selected
  void showOne(const Placement&);
  void showNails(const Placement&);
  void showNailLine();
  void showLeaning(const Placement&);
  void showLight(const Placement&, const std::function<void(const QString&, const ItemId&)>& tape);
  void showThing(const std::function<void(const QString&, const ItemId&)>& tape);
  void showCase(const Placement&);
  [[nodiscard]] QString thingWords() const;
  [[nodiscard]] QString lightWords(const Placement&) const;
  [[nodiscard]] QString toldWords(const Placement&) const;
  [[nodiscard]] QString groupWords(const Placement&) const;
  QPushButton* button(const QString& words, const char* name);
  void label(const QString& words, const char* name);
  void showLinks(const Placement&);
  LengthField* field(const QString& words, const QString& name, int width,
                     std::function<LengthReading(const QString&)> take);
  void refresh();
  void hint(const QString& words);
  void complain(const LengthReading& reading);

  Workspace& workspace_;
  QHBoxLayout* row_;
  QHBoxLayout* links_;  // the usual actions, beside the hint
  QLabel* complaint_;
  std::vector<std::pair<ItemId, LengthField*>> fields_;                 // by tape
  std::vector<std::pair<double LeaningPlace::*, LengthField*>> leans_;  // of what leans
  LengthField* turn_ = nullptr;                                         // of what stands on the floor
  ArrangeWords* words_ = nullptr;                                       // where several hang on one wall
  NailRow* nails_ = nullptr;                                            // where nails are asked for
  PlacementId shown_;
  std::size_t shownCount_ = 0, shownCircuits_ = 0;
  bool shownLocked_ = false;
  Stage shownStage_ = Stage::Floor;
};

}  // namespace mezzet
