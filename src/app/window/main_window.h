// The window: header, tape of stages, sheet, ledger, bar. It puts parts together and owns no trade.
#pragma once

#include <QMainWindow>

#include "app/document/document.h"
#include "app/document/workspace.h"

class QComboBox;
class QLabel;
class QStackedWidget;
class QToolButton;

namespace mezzet {

class Actions;
class Ledger;
class FoldView;
class HouseView;
class MeasurePanel;
class SitePanel;
class TraceView;
class Welcome;
class NoticeBar;
class PieceBar;
class PlanView;
class SheetDesk;
class HandOverPanel;
class HandOverRow;
class SheetEdge;
class SheetView;
class StageTape;
class Tray;
class DisplayView;
class LightView;
class WallView;

class MainWindow : public QMainWindow {
  Q_OBJECT

 public:
  MainWindow(FileSystem& files, const Rulebook& book);
  ~MainWindow() override;

  void openPath(const QString& path);
  /// An empty job to measure a room in; `first`: nothing was open before, and the first page is shown.
  void newJob(bool first = false);
  /// What a file holds as a job of its own.
  void openCopy(const QString& path);
  /// Offers what crashed windows left behind; called once at start.
  void offerAbandoned();
  /// Brings a journal's edits back as one edit, or as a copy if the saved file has changed since.
  void bringBack(const QString& journal);
  /// Offers a journal that was left behind.
  void offer(const QString& journal);

  [[nodiscard]] Document& document() { return *document_; }
  [[nodiscard]] Workspace& workspace() { return *workspace_; }
  [[nodiscard]] SheetView& sheet();
  [[nodiscard]] TraceView& traceView() { return *trace_; }
  [[nodiscard]] SitePanel& site() { return *site_; }
  /// The room shown, in millimetres.
  void exportDxf(const QString& path);
  [[nodiscard]] NoticeBar& notices() { return *notice_; }
  /// Saves to the document's path or asks for one; false if it was not saved.
  bool save(bool elsewhere);
  /// Saves there, and asks before anything is replaced that `agreed` does not cover.
  bool saveTo(const QString& path, bool agreed);

 protected:
  void closeEvent(QCloseEvent*) override;
  void resizeEvent(QResizeEvent*) override;
  /// Undo in a field that has nothing to take back is the job's undo, and some keys are never a field's.
  bool eventFilter(QObject*, QEvent*) override;

 private:
  void build();
  [[nodiscard]] QWidget* makeHeader(QWidget* desk);
  [[nodiscard]] QLayout* makeSheets(QWidget* below);
  void wire();
  void wireJob();
  void wirePieces();
  void wireArrange();
  void wireLook();
  void wireRooms();
  void wireHanging();
  void wireDisplays();
  void wireChoosing();
  void wireHandOver();
  void readNailsOut();
  void wireDocument();
  void wireParts();
  void wireWelcome();
  void on(const char* action, std::function<void()>);
  /// False, with a notice, where the job is read only.
  bool mayChange();
  void showState();
  void showStage();
  void showFoot();
  void fillSchemes();
  void fillRecent();
  void fillHouseRules();
  /// Says what a newer rulebook brings to a job that was last looked at with an older one.
  void tellNews();
  void remember(const QString& path);
  bool mayLeave();
  void addPiece(bool sizes);
  void settleOffers();
  void showMenu(QPoint at);  ///< what can be done with the selection
  [[nodiscard]] bool tracing() const;

  FileSystem& files_;
  std::unique_ptr<Document> document_;
  std::unique_ptr<Workspace> workspace_;
  std::unique_ptr<Actions> actions_;
  QLabel *jobName_, *undoNote_;
  QComboBox *room_, *scheme_;
  QToolButton* units_;
  StageTape* tape_;
  Tray* tray_ = nullptr;
  NoticeBar* notice_;
  SheetDesk* sheets_;
  QStackedWidget *panels_, *foot_;
  SheetEdge* edge_;
  std::vector<std::pair<QString, QString>> offers_;  // cause of its notice, file of the job
  PlanView* plan_;
  LightView* light_;
  DisplayView* display_;
  WallView* wall_;
  Ledger* ledger_;
  SitePanel* site_;
  TraceView* trace_;
  HouseView* house_;
  FoldView* fold_;
  MeasurePanel* measure_;
  PieceBar* bar_;
  HandOverRow* hand_;
  HandOverPanel* handPanel_;
  Welcome* welcome_ = nullptr;
};

}  // namespace mezzet
