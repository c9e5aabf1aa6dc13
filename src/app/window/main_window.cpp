#include "app/window/main_window.h"

#include <QFileInfo>
#include <QApplication>
#include <QComboBox>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenuBar>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/ledger/ledger.h"
#include "app/stages/brief/brief_panel.h"
#include "app/stages/floor/sheet_edge.h"
#include "app/stages/floor/piece_bar.h"
#include "app/stages/floor/tray.h"
#include "app/stages/handover/hand_over_panel.h"
#include "app/stages/handover/hand_over_row.h"
#include "app/stages/measure/site_panel.h"
#include "app/stages/measure/trace_view.h"
#include "app/stages/walls/wall_picker.h"
#include "app/view/display_view.h"
#include "app/view/fold_view.h"
#include "app/view/house_view.h"
#include "app/view/plan_view.h"
#include "app/view/light_view.h"
#include "app/view/wall_view.h"
#include "app/widgets/layouts.h"
#include "app/widgets/notice_bar.h"
#include "app/window/actions.h"
#include "app/window/causes.h"
#include "app/window/sheet_desk.h"
#include "app/window/stage_tape.h"
#include "app/window/welcome.h"

namespace mezzet {
namespace {

constexpr int kLedgerWidth = 300, kPanelWidth = 332, kDeskMargin = 7;
constexpr int kNarrowForPieceBar = 1024;  // windows narrower than this have no room for all of the bar

}  // namespace

MainWindow::MainWindow(FileSystem& files, const Rulebook& book)
    : files_(files),
      document_(std::make_unique<Document>(files)),
      workspace_(std::make_unique<Workspace>(*document_, book)) {
  setObjectName(QStringLiteral("mainWindow"));
  resize(1280, 800);
  setMinimumSize(800, 560);
  build();
  wire();
  showStage();
  showState();
  qApp->installEventFilter(this);
}

MainWindow::~MainWindow() {
  // Parts of the window listen to the document; they go first, and it goes without a word.
  disconnect(qApp, nullptr, this, nullptr);
  document_->disconnect();
  document_->undoStack().disconnect();
  workspace_->disconnect();
  delete centralWidget();  // taken out first, all of it would be styled once more
}

SheetView& MainWindow::sheet() {
  switch (rowOf(workspace_->stage()).content(*workspace_)) {
    case Content::Ceiling: return *light_;
    case Content::Wall: return *wall_;
    case Content::House: return *house_;
    case Content::Fold: return *fold_;
    case Content::Display: return *display_;
    case Content::Plan:
    case Content::Picture: break;  // behind the picture the plan is at hand
  }
  return *plan_;
}
bool MainWindow::tracing() const { return rowOf(workspace_->stage()).content(*workspace_) == Content::Picture; }

QWidget* MainWindow::makeHeader(QWidget* desk) {
  auto* header = new QWidget(desk);
  header->setObjectName(QStringLiteral("header"));
  header->setAttribute(Qt::WA_StyledBackground);
  header->setFixedHeight(44);
  auto* row = new QHBoxLayout(header);
  row->setContentsMargins(10, 0, 14, 0);
  row->setSpacing(10);
  auto* menus = new QMenuBar(header);
  menus->setSizePolicy(QSizePolicy::Fixed, QSizePolicy::Preferred);
  actions_ = std::make_unique<Actions>(this, menus);
  row->addWidget(menus, 0, Qt::AlignVCenter);
  jobName_ = new QLabel;
  jobName_->setObjectName(QStringLiteral("jobName"));
  row->addWidget(jobName_);
  room_ = new QComboBox;
  room_->setObjectName(QStringLiteral("roomChoice"));
  room_->setAccessibleName(tr("Room"));
  row->addWidget(room_);
  scheme_ = new QComboBox;
  scheme_->setObjectName(QStringLiteral("schemeChoice"));
  scheme_->setAccessibleName(tr("Scheme"));
  scheme_->setMinimumWidth(190);
  scheme_->setMaximumWidth(320);
  scheme_->setSizeAdjustPolicy(QComboBox::AdjustToContents);
  row->addWidget(scheme_);
  row->addStretch(1);
  undoNote_ = new QLabel;
  undoNote_->setObjectName(QStringLiteral("quiet"));
  row->addWidget(undoNote_);
  units_ = new QToolButton;
  units_->setObjectName(QStringLiteral("unitsButton"));
  units_->setDefaultAction((*actions_)["units"]);
  row->addWidget(units_);
  return header;
}

QLayout* MainWindow::makeSheets(QWidget* below) {
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  sheets_ = new SheetDesk(below);
  plan_ = new PlanView(*workspace_, sheets_);
  plan_->setObjectName(QStringLiteral("planView"));
  plan_->setAccessibleName(tr("Floor plan"));
  wall_ = new WallView(*workspace_, sheets_);
  wall_->setObjectName(QStringLiteral("wallView"));
  wall_->setAccessibleName(tr("Wall"));
  light_ = new LightView(*workspace_, sheets_);
  light_->setObjectName(QStringLiteral("lightView"));
  light_->setAccessibleName(tr("Ceiling and section"));
  sheets_->addWidget(plan_);
  sheets_->addWidget(light_);
  sheets_->addWidget(wall_);
  trace_ = new TraceView(*workspace_, sheets_);
  sheets_->addWidget(trace_);
  house_ = new HouseView(*workspace_, sheets_);
  house_->setObjectName(QStringLiteral("houseView"));
  house_->setAccessibleName(tr("The house"));
  sheets_->addWidget(house_);
  fold_ = new FoldView(*workspace_, sheets_);
  fold_->setObjectName(QStringLiteral("foldView"));
  fold_->setAccessibleName(tr("The room opened like a box"));
  sheets_->addWidget(fold_);
  display_ = new DisplayView(*workspace_, sheets_);
  display_->setObjectName(QStringLiteral("displayView"));
  display_->setAccessibleName(tr("What stands on it, and its section"));
  sheets_->addWidget(display_);
  edge_ = new SheetEdge(*workspace_, sheets_);
  sheets_->setEdge(edge_);
  sheets_->setCorner(new WallPicker(*workspace_));
  connect(edge_, &SheetEdge::resized, sheets_, &SheetDesk::placeEdge, Qt::QueuedConnection);
  left->addWidget(sheets_, 1);
  // One bar: the selected piece, or the typed line with the tray.
  foot_ = new QStackedWidget(below);
  foot_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  bar_ = new PieceBar(*workspace_);
  foot_->addWidget(scrollingAcross(bar_, kNarrowForPieceBar));
  tray_ = new Tray(*workspace_, foot_);
  foot_->addWidget(tray_);
  hand_ = new HandOverRow(*workspace_, foot_);
  foot_->addWidget(hand_);
  left->addWidget(foot_);
  return left;
}

// Each part is made within the one that holds it: what is put into a window when it is whole already is styled anew,
// with all that is in it.
void MainWindow::build() {
  auto* desk = new QWidget;
  desk->setObjectName(QStringLiteral("desk"));
  desk->setAttribute(Qt::WA_StyledBackground);
  setCentralWidget(desk);
  auto* column = new QVBoxLayout(desk);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);

  column->addWidget(makeHeader(desk));

  tape_ = new StageTape(*workspace_, desk);
  column->addWidget(tape_);
  notice_ = new NoticeBar(desk);
  column->addWidget(notice_);

  auto* below = new QWidget(desk);
  auto* work = new QHBoxLayout(below);
  work->setContentsMargins(kDeskMargin, kDeskMargin, kDeskMargin, kDeskMargin);
  work->setSpacing(kDeskMargin);
  work->addLayout(makeSheets(below), 1);
  panels_ = new QStackedWidget(below);
  ledger_ = new Ledger(*workspace_, panels_);
  site_ = new SitePanel(*workspace_, *trace_, panels_);
  measure_ = &site_->walls();
  panels_->addWidget(ledger_);  // in the order of Panel
  panels_->addWidget(site_);
  panels_->addWidget(new BriefPanel(*workspace_, panels_));
  handPanel_ = new HandOverPanel(*workspace_, panels_);
  panels_->addWidget(handPanel_);
  work->addWidget(panels_);
  column->addWidget(below, 1);
  welcome_ = new Welcome(below);
}

void MainWindow::showStage() {
  sheets_->setCurrentWidget(tracing() ? static_cast<QWidget*>(trace_) : &sheet());
  const Panel panel = rowOf(workspace_->stage()).panel;
  panels_->setFixedWidth(panel == Panel::Ledger ? kLedgerWidth : kPanelWidth);
  panels_->setCurrentIndex(static_cast<int>(panel));
  wall_->setAccessibleName(tr("Wall %1").arg(QString::fromStdString(workspace_->wall().value)));
  showState();
}

void MainWindow::showFoot() {
  const bool accepts = rowOf(workspace_->stage()).accepts != Accepts::Nothing;
  // Whoever types into the line goes on there until they leave it.
  const QWidget* focus = QApplication::focusWidget();
  const bool typing = focus != nullptr && tray_->isAncestorOf(focus);
  // As high as the higher of the two, so that the sheet never moves under the hand.
  foot_->setFixedHeight(std::max(tray_->minimumHeight(), foot_->widget(0)->minimumHeight()));
  if (workspace_->stage() == Stage::HandOver) return foot_->setCurrentWidget(hand_);
  // Nails of a wall have their own row.
  const bool nails = workspace_->stage() == Stage::Walls && workspace_->showsNails() && !workspace_->foldedOut();
  foot_->setCurrentIndex(accepts && ((workspace_->selectedPlacement() == nullptr && !nails) || typing) ? 1 : 0);
}

void MainWindow::showState() {
  const QUndoStack& undo = document_->undoStack();
  (*actions_)["undo"]->setEnabled(undo.canUndo());
  (*actions_)["redo"]->setEnabled(undo.canRedo());
  (*actions_)["undo"]->setText(undo.canUndo() ? tr("Undo: %1").arg(undo.undoText()) : tr("Undo"));
  (*actions_)["redo"]->setText(undo.canRedo() ? tr("Redo: %1").arg(undo.redoText()) : tr("Redo"));
  actions_->follow(*workspace_);
  QString undoText = undo.canUndo() ? tr("undo: %1").arg(undo.undoText()) : QString();
  undoNote_->setText(undoNote_->fontMetrics().elidedText(undoText, Qt::ElideRight, 260));
  (*actions_)["units"]->setText(workspace_->job().units == Unit::Inch ? tr("inches") : tr("metric"));
  const bool unsaved = document_->unsaved() || document_->draft().has_value();
  const QString mark = unsaved ? tr(" \u2022 unsaved") : QString();
  // Beside the menus there is little room; the notice and the title say it whole.
  jobName_->setText(document_->title() + (document_->readOnly() ? tr(", read only")
                                          : document_->unkept() ? tr(" \u2022 not kept")
                                                                : mark));
  const QString file = document_->path().isEmpty() ? QString() : QFileInfo(document_->path()).fileName();
  setWindowTitle(document_->title() + (file.isEmpty() ? file : tr(" (%1)").arg(file)) +
                 (document_->unkept() ? tr(" \u2022 unsaved, a crash would lose it") : mark) + tr(" - Mezzet"));
}

void MainWindow::fillSchemes() {
  const QSignalBlocker quietRoom(room_), quietScheme(scheme_);
  room_->clear();
  scheme_->clear();
  const Room* shown = workspace_->room();
  for (const auto& room : workspace_->job().rooms) {
    room_->addItem(QString::fromStdString(room->name), QString::fromStdString(room->id.value));
    if (room.get() == shown) room_->setCurrentIndex(room_->count() - 1);
  }
  if (shown == nullptr) room_->setCurrentIndex(-1);
  room_->setPlaceholderText(tr("A room to measure"));
  for (const auto& scheme : workspace_->job().schemes) {
    if (shown == nullptr || scheme->room != shown->id) continue;
    scheme_->addItem(tr("Scheme %1").arg(QString::fromStdString(scheme->name)),
                     QString::fromStdString(scheme->id.value));
    if (scheme->id == workspace_->schemeId()) scheme_->setCurrentIndex(scheme_->count() - 1);
  }
  room_->setVisible(room_->count() > 0);
  scheme_->setVisible(scheme_->count() > 0);
}

void MainWindow::resizeEvent(QResizeEvent* event) {
  QMainWindow::resizeEvent(event);
  showFoot();
}

bool MainWindow::eventFilter(QObject* object, QEvent* event) {
  if (event->type() == QEvent::ShortcutOverride)
    if (const auto* field = qobject_cast<QLineEdit*>(object); field != nullptr && field->window() == this) {
      const auto* key = static_cast<QKeyEvent*>(event);
      // Ctrl with U, E and D edit a line on some desktops; here they are the window's, wherever the keyboard is.
      const bool ours = key->modifiers() == Qt::ControlModifier &&
                        (key->key() == Qt::Key_U || key->key() == Qt::Key_E || key->key() == Qt::Key_D);
      if (ours || (key->matches(QKeySequence::Undo) && !field->isUndoAvailable()) ||
          (key->matches(QKeySequence::Redo) && !field->isRedoAvailable())) {
        event->ignore();
        return true;
      }
    }
  return QMainWindow::eventFilter(object, event);
}

}  // namespace mezzet
