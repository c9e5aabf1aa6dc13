#include "app/window/main_window.h"

#include <QApplication>
#include <QCloseEvent>
#include <QComboBox>
#include <QFileDialog>
#include <QFileInfo>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QMenu>
#include <QMenuBar>
#include <QMessageBox>
#include <QPushButton>
#include <QSettings>
#include <QStackedWidget>
#include <QToolButton>
#include <QVBoxLayout>

#include "app/window/actions.h"
#include "app/window/application.h"
#include "app/stages/brief/brief_panel.h"
#include "app/view/compare_view.h"
#include "app/widgets/layouts.h"
#include "app/ledger/ledger.h"
#include "app/dialogs/dxf_dialog.h"
#include "app/view/house_view.h"
#include "app/stages/measure/measure_panel.h"
#include "app/dialogs/names_dialog.h"
#include "app/widgets/notice_bar.h"
#include "app/stages/floor/piece_bar.h"
#include "app/dialogs/piece_dialog.h"
#include "app/dialogs/piece_list.h"
#include "app/dialogs/piece_rules.h"
#include "app/stages/floor/floor_bar.h"
#include "app/view/plan_view.h"
#include "app/dialogs/print_dialog.h"
#include "app/stages/measure/read_out.h"
#include "app/document/saving.h"
#include "app/stages/measure/photographs_page.h"
#include "app/dialogs/set_out_dialog.h"
#include "app/stages/measure/site_panel.h"
#include "app/dialogs/shortcut_sheet.h"
#include "app/window/stage_tape.h"
#include "app/widgets/style.h"
#include "app/stages/measure/trace_page.h"
#include "app/stages/measure/trace_view.h"
#include "app/stages/floor/tray.h"
#include "app/view/wall_view.h"
#include "core/model/kinds.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "io/tables/dxf.h"

namespace mezzet {
namespace {

constexpr int kPanelWidth = 318, kMostRecent = 8;
// Windows narrower than these have no room for all of a bar beside the panel.
constexpr int kNarrowForFloorBar = 980, kNarrowForPieceBar = 1024;
constexpr const char* kRecentKey = "recent";
const QLatin1String kEnding(".mezzet");
// Causes of notices, which go with them.
const QLatin1String kRefused("refused"), kUnkept("unkept"), kNotSaved("not saved"), kNotOpened("not opened");

QString sentenceOf(const Error& fault) { return QString::fromStdString(fault.text()) + QStringLiteral("."); }

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
  document_->disconnect();
  document_->undoStack().disconnect();
  workspace_->disconnect();
  delete takeCentralWidget();
}

SheetView& MainWindow::sheet() {
  switch (rowOf(workspace_->stage()).content(*workspace_)) {
    case Content::Wall: return *wall_;
    case Content::House: return *house_;
    case Content::Plan:
    case Content::Picture: break;  // behind the picture the plan is at hand
  }
  return *plan_;
}
bool MainWindow::tracing() const { return rowOf(workspace_->stage()).content(*workspace_) == Content::Picture; }

void MainWindow::build() {
  auto* desk = new QWidget;
  desk->setObjectName(QStringLiteral("desk"));
  desk->setAttribute(Qt::WA_StyledBackground);
  setCentralWidget(desk);
  auto* column = new QVBoxLayout(desk);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(0);

  auto* header = new QWidget;
  header->setObjectName(QStringLiteral("header"));
  header->setAttribute(Qt::WA_StyledBackground);
  header->setFixedHeight(44);
  auto* row = new QHBoxLayout(header);
  row->setContentsMargins(10, 0, 14, 0);
  row->setSpacing(10);
  auto* menus = new QMenuBar;
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
  column->addWidget(header);

  tape_ = new StageTape(*workspace_);
  column->addWidget(tape_);
  notice_ = new NoticeBar;
  column->addWidget(notice_);

  auto* work = new QHBoxLayout;
  work->setContentsMargins(14, 14, 14, 14);
  work->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->setSpacing(6);
  left->addWidget(scrollingAcross(new FloorBar(*workspace_), kNarrowForFloorBar));
  sheets_ = new QStackedWidget;
  plan_ = new PlanView(*workspace_);
  plan_->setObjectName(QStringLiteral("planView"));
  plan_->setAccessibleName(tr("Floor plan"));
  wall_ = new WallView(*workspace_);
  wall_->setObjectName(QStringLiteral("wallView"));
  wall_->setAccessibleName(tr("Wall"));
  sheets_->addWidget(plan_);
  sheets_->addWidget(wall_);
  trace_ = new TraceView(*workspace_);
  sheets_->addWidget(trace_);
  house_ = new HouseView(*workspace_);
  house_->setObjectName(QStringLiteral("houseView"));
  house_->setAccessibleName(tr("The house"));
  sheets_->addWidget(house_);
  left->addWidget(sheets_, 1);
  bar_ = new PieceBar(*workspace_);
  left->addWidget(scrollingAcross(bar_, kNarrowForPieceBar));
  tray_ = new Tray(*workspace_);
  left->addWidget(tray_);
  work->addLayout(left, 1);
  panels_ = new QStackedWidget;
  panels_->setFixedWidth(kPanelWidth);
  ledger_ = new Ledger(*workspace_);
  site_ = new SitePanel(*workspace_, *trace_);
  measure_ = &site_->walls();
  panels_->addWidget(ledger_);  // in the order of Panel
  panels_->addWidget(site_);
  panels_->addWidget(new BriefPanel(*workspace_));
  work->addWidget(panels_);
  column->addLayout(work, 1);
}

void MainWindow::wire() {
  const auto on = [this](const char* id, auto slot) { connect((*actions_)[id], &QAction::triggered, this, slot); };
  on("new", [this] {
    if (mayLeave()) newJob();
  });
  on("open", [this] {
    const QString path = QFileDialog::getOpenFileName(this, tr("Open a job"), {}, tr("Mezzet jobs (*.mezzet *.json)"));
    if (!path.isEmpty() && mayLeave()) openPath(path);
  });
  on("save", [this] { save(false); });
  on("save-as", [this] { save(true); });
  on("print-plan", [this] { PrintDialog(*workspace_, files_, this).exec(); });
  on("close", [this] { close(); });
  on("turn-left", [this] { workspace_->turnBy(90); });
  on("turn-right", [this] { workspace_->turnBy(-90); });
  on("turn-typed", [this] { bar_->goToTurn(); });
  on("type-piece", [this] {
    if (workspace_->room() == nullptr)
      return notice_->say(tr("Measure the room first; then there is a floor to place things on."), {}, kRefused);
    if (!tray_->isVisible()) workspace_->showStage(Stage::Floor);
    tray_->goToLine();
  });
  on("piece-rules", [this] {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    PieceRules(*workspace_, this).exec();
  });
  on("set-out", [this] {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    SetOutDialog(*workspace_, this).exec();
  });
  on("copy-piece", [this] { workspace_->copySelected(); });
  const auto chairs = [this](bool more) {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    if (const auto fault = workspace_->setChairs(more)) notice_->say(sentenceOf(*fault), {}, kRefused);
  };
  on("chairs", [chairs] { chairs(false); });
  on("chair-more", [chairs] { chairs(true); });
  on("in-use", [this] { workspace_->toggleInUse(); });
  on("used-here", [this] { workspace_->toggleUsedHere(); });
  on("use-state",
     [this] { workspace_->showState(static_cast<UseState>((static_cast<int>(workspace_->useState()) + 1) % 3)); });
  const std::pair<const char*, FloorLayer> layers[] = {{"layer-ways", FloorLayer::Ways},
                                                       {"layer-reached", FloorLayer::Reached},
                                                       {"layer-talk", FloorLayer::Talk},
                                                       {"layer-sight", FloorLayer::Sight}};
  for (const auto& [id, layer] : layers)
    on(id, [this, layer = layer] {
      if (workspace_->stage() != Stage::Floor) workspace_->showStage(Stage::Floor);
      workspace_->showLayer(layer, !workspace_->shows(layer));
    });
  on("way-between", [this] { notice_->say(workspace_->wayBetween()); });
  on("select-all", [this] { workspace_->selectAll(); });
  on("mark", [this] { workspace_->mark(); });
  on("group", [this] { workspace_->group(); });
  on("ungroup", [this] { workspace_->ungroup(); });
  const std::pair<const char*, Line> lines[] = {{"align-left", Line::Left},     {"align-right", Line::Right},
                                                {"align-top", Line::Top},       {"align-bottom", Line::Bottom},
                                                {"align-centre", Line::Centre}, {"align-middle", Line::Middle}};
  for (const auto& [id, line] : lines) on(id, [this, line = line] { workspace_->align(line); });
  on("spread-across", [this] { workspace_->spreadOut(true); });
  on("spread-up", [this] { workspace_->spreadOut(false); });
  on("lock", [this] { workspace_->toggleLock(); });
  on("scheme-new", [this] { workspace_->newScheme(false); });
  on("scheme-copy", [this] { workspace_->newScheme(true); });
  on("scheme-remove",
     [this] { document_->edit(tr("take the scheme out"), withoutScheme(workspace_->job(), workspace_->schemeId())); });
  on("compare", [this] { CompareView(*workspace_, this).exec(); });
  on("desk", [this] {
    QSettings settings;
    const style::Desk now = style::deskNamed(settings.value(QStringLiteral("desk")).toString());
    const style::Desk next = now == style::Desk::Slate   ? style::Desk::Light
                             : now == style::Desk::Light ? style::Desk::Dark
                                                         : style::Desk::Slate;
    settings.setValue(QStringLiteral("desk"), style::nameOf(next));
    style::apply(*qApp, next);
  });
  on("keys", [this] { ShortcutSheet(this).exec(); });
  on("remove", [this] { workspace_->removeSelected(); });
  on("add", [this] { addPiece(false); });
  on("piece-list", [this] {
    auto* list = new PieceList(*workspace_, files_, this);
    list->setAttribute(Qt::WA_DeleteOnClose);
    list->show();
  });
  on("sizes", [this] { addPiece(true); });
  on("units", [this] { workspace_->switchUnits(); });
  on("feet", [this] {
    LengthFormat format = workspace_->format();
    if (workspace_->job().units != Unit::Inch) return;
    format.style = format.style == LengthStyle::FeetInches ? LengthStyle::Inches : LengthStyle::FeetInches;
    workspace_->setFormat(format);
  });
  for (const StageRow& row : stageRows()) on(row.action, [this, id = row.id] { workspace_->showStage(id); });
  on("wall-next", [this] { workspace_->stepWall(1); });
  on("wall-previous", [this] { workspace_->stepWall(-1); });
  on("room-new", [this] {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    workspace_->showTopic(Topic::Walls);
    workspace_->beginRoom();
    measure_->goToWall(cornerName(0));
  });
  on("room-next", [this] {
    const auto& rooms = workspace_->job().rooms;
    if (!rooms.empty())
      workspace_->showRoom(rooms[static_cast<std::size_t>(room_->currentIndex() + 1) % rooms.size()]->id);
  });
  on("scheme-next", [this] {
    if (scheme_->count() > 1) scheme_->setCurrentIndex((scheme_->currentIndex() + 1) % scheme_->count());
  });
  on("zoom-in", [this] { tracing() ? trace_->zoom(1.25) : sheet().zoom(1.25); });
  on("zoom-out", [this] { tracing() ? trace_->zoom(0.8) : sheet().zoom(0.8); });
  on("zoom-fit", [this] { tracing() ? trace_->fit() : sheet().fit(); });
  on("sheet",
     [this] { tracing() ? trace_->setFocus(Qt::ShortcutFocusReason) : sheet().setFocus(Qt::ShortcutFocusReason); });
  const std::pair<const char*, Topic> topics[] = {
      {"site-room", Topic::Walls},         {"site-openings", Topic::Openings}, {"site-heights", Topic::Heights},
      {"site-fixed", Topic::Fixed},        {"site-walls", Topic::InWall},      {"site-trace", Topic::Picture},
      {"site-photos", Topic::Photographs}, {"site-house", Topic::House}};
  for (const auto& [id, topic] : topics)
    on(id, [this, topic = topic] {
      workspace_->showTopic(topic);
      if (!tracing()) sheet().fit();
    });
  on("meter", [this] {
    workspace_->showStage(Stage::Measure);
    site_->switchMeter();
  });
  on("meter-take", [this] { site_->meter().press(); });
  on("dxf-in", [this] {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    const QString path = QFileDialog::getOpenFileName(this, tr("Outline from a drawing"), {}, tr("Drawings (*.dxf)"));
    if (!path.isEmpty()) DxfDialog(*workspace_, path, this).exec();
  });
  on("dxf-out", [this] {
    const Room* room = workspace_->room();
    if (room == nullptr) return;
    QString path = QFileDialog::getSaveFileName(this, tr("Room as a drawing"),
                                                QString::fromStdString(room->name) + QStringLiteral(".dxf"),
                                                tr("Drawings (*.dxf)"));
    path = withEnding(path, QStringLiteral(".dxf"), this);
    if (!path.isEmpty()) exportDxf(path);
  });
  on("ledger", [this] {
    for (QPushButton* b : panels_->currentWidget()->findChildren<QPushButton*>())
      if (b->isVisible() && b->isEnabled()) return b->setFocus(Qt::ShortcutFocusReason);
  });
  QUndoStack& undo = document_->undoStack();
  on("undo", [this] { sheet().dragging() ? sheet().cancelDrag() : document_->undoStack().undo(); });
  on("redo", [this] { document_->undoStack().redo(); });
  connect(&undo, &QUndoStack::indexChanged, this, &MainWindow::showState);
  connect(document_.get(), &Document::stateChanged, this, &MainWindow::showState);
  connect(document_.get(), &Document::trouble, this,
          [this](const QString& sentence) { notice_->say(sentence, {}, kRefused); });
  connect(document_.get(), &Document::jobChanged, this, [this] { notice_->settle(kRefused); });
  connect(document_.get(), &Document::journalTrouble, this, [this](const QString& sentence) {
    if (sentence.isEmpty()) return notice_->settle(kUnkept);
    notice_->say(sentence, {{tr("Save now"), [this] { save(false); }}}, kUnkept);
  });
  if (auto* app = qobject_cast<Application*>(qApp))
    connect(app, &Application::outOfMemory, this, [this] {
      notice_->say(tr("There was too little memory for this. Nothing was changed; close other programs, or save and "
                      "start again."),
                   {}, kRefused);
    });
  connect(document_.get(), &Document::leftBehind, this, &MainWindow::offer);
  connect(document_.get(), &Document::unreadable, this, [this](const QString& journal) {
    notice_->say(tr("A journal of unsaved edits cannot be read. It is kept: %1").arg(journal),
                 {{tr("Throw it away"), [this, journal] {
                     if (const auto fault = document_->throwAway(journal))
                       notice_->say(sentenceOf(*fault), {}, kRefused);
                   }}});
  });
  connect(workspace_.get(), &Workspace::viewChanged, this, &MainWindow::showStage);
  connect(workspace_.get(), &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.schemes) fillSchemes();
  });
  connect(workspace_.get(), &Workspace::jobChanged, this, &MainWindow::showState);
  connect(workspace_.get(), &Workspace::selectionChanged, this, &MainWindow::showState);
  connect(room_, &QComboBox::activated, this,
          [this](int i) { workspace_->showRoom(RoomId(room_->itemData(i).toString().toStdString())); });
  connect(scheme_, &QComboBox::currentIndexChanged, this, [this](int i) {
    if (i >= 0) workspace_->showScheme(SchemeId(scheme_->itemData(i).toString().toStdString()));
  });
  connect(bar_, &PieceBar::addWanted, this, [this] { addPiece(false); });
  connect(bar_, &PieceBar::sizesWanted, this, [this] { addPiece(true); });
  connect(bar_, &PieceBar::previousWall, this, [this] { workspace_->stepWall(-1); });
  connect(bar_, &PieceBar::nextWall, this, [this] { workspace_->stepWall(1); });
  connect(measure_, &MeasurePanel::draftChanged, plan_, &PlanView::showDraft);
  const auto readOut = [this] {
    if (workspace_->room() == nullptr || !workspace_->room()->survey)
      return notice_->say(tr("This room has no readings. In Measure, keep its walls as readings first."));
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    ReadOut(*workspace_, this).exec();
  };
  connect(measure_, &MeasurePanel::readOutWanted, this, readOut);
  on("read-out", readOut);
  connect(plan_, &PlanView::wallChosen, this, [this](const CornerId& wall) {
    if (workspace_->stage() == Stage::Measure) return measure_->goToWall(wall);
    workspace_->showWall(wall);
    workspace_->showStage(Stage::Walls);
  });
  (*actions_)["recent"]->setMenu(new QMenu(this));
  connect((*actions_)["recent"]->menu(), &QMenu::aboutToShow, this, &MainWindow::fillRecent);
  fillRecent();
  (*actions_)["house-rules"]->setMenu(new QMenu(this));
  connect((*actions_)["house-rules"]->menu(), &QMenu::aboutToShow, this, &MainWindow::fillHouseRules);
  on("names", [this] {
    if (document_->readOnly())
      return notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, kRefused);
    NamesDialog(*workspace_, this).exec();
  });
  fillHouseRules();
  fillSchemes();
}

void MainWindow::fillHouseRules() {
  QMenu* menu = (*actions_)["house-rules"]->menu();
  menu->clear();
  for (const Rule& rule : workspace_->book().rules) {
    if (rule.schools.size() < 2) continue;
    QMenu* schools = menu->addMenu(QString::fromStdString(rule.name));
    schools->setToolTipsVisible(true);
    const Asked now = askedOf(rule, workspace_->job());
    for (const School& school : rule.schools) {
      const Asked asked = askedBySchool(school, workspace_->job());
      const QString words = asked.missing.empty()
                                ? QString::fromStdString(rangeWords(asked.tolerated, workspace_->format()))
                                : tr("eye height, once the viewers are known");
      QAction* action = schools->addAction(tr("School %1, %2").arg(QString::fromStdString(school.id).toUpper(), words));
      action->setToolTip(QString::fromStdString(school.why));
      action->setCheckable(true);
      action->setChecked(now.school == school.id);
      connect(action, &QAction::triggered, this, [this, id = rule.id, chosen = school.id] {
        document_->edit(tr("house rule"), withSchool(workspace_->job(), id, chosen));
      });
    }
  }
}

void MainWindow::addPiece(bool sizes) {
  if (workspace_->room() == nullptr) {
    notice_->say(tr("Measure the room first; then there is a floor to place things on."), {}, kRefused);
    return;
  }
  if (document_->readOnly()) {
    notice_->say(tr("This job is open in another window, so nothing can be changed here."));
    return;
  }
  if (rowOf(workspace_->stage()).accepts == Accepts::Nothing) workspace_->showStage(Stage::Floor);
  const Placement* p = workspace_->selectedPlacement();
  if (sizes && p == nullptr) return;
  PieceDialog(*workspace_, sizes ? &pieceOf(workspace_->job(), *p) : nullptr, this).exec();
  sheet().setFocus();
}

void MainWindow::showStage() {
  sheets_->setCurrentWidget(tracing() ? static_cast<QWidget*>(trace_) : &sheet());
  panels_->setCurrentIndex(static_cast<int>(rowOf(workspace_->stage()).panel));
  wall_->setAccessibleName(tr("Wall %1").arg(QString::fromStdString(workspace_->wall().value)));
  showState();
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
  setWindowTitle(document_->title() + (document_->unkept() ? tr(" \u2022 unsaved, a crash would lose it") : mark) +
                 tr(" - Mezzet"));
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

// ---- files

void MainWindow::openPath(const QString& path) {
  if (const auto fault = document_->open(path)) {
    notice_->say(sentenceOf(*fault), {}, kNotOpened);
    return;
  }
  notice_->settle(kNotOpened);
  remember(path);
  workspace_->select({});
  workspace_->showStage(workspace_->room() != nullptr ? Stage::Floor : Stage::Measure);
  sheet().fit();
  tellNews();
}

void MainWindow::tellNews() {
  const std::string news = rulebookNews(workspace_->job(), workspace_->book(), workspace_->findings());
  if (news.empty() || document_->readOnly()) return;
  notice_->say(onScreen(news), {{tr("I have seen it"), [this] {
                                   document_->edit(tr("rulebook %1").arg(workspace_->book().version),
                                                   withRulebook(workspace_->job(), workspace_->book().version));
                                 }}});
}

void MainWindow::newJob() {
  JobFile file;
  file.job.name = "New job";
  file.job.houseRules = newHouseRules(workspace_->book(), file.job.brief);
  document_->start(std::move(file), false);
  workspace_->select({});
  workspace_->showTopic(Topic::Walls);
  sheet().fit();
  measure_->goToWall(cornerName(0));
}

void MainWindow::exportDxf(const QString& path) {
  const Room& room = *workspace_->room();
  const Bytes bytes = writeDxf(workspace_->job(), room, workspace_->scheme(), workspace_->format());
  if (const auto fault = saveAtomically(files_, path.toStdString(), bytes))
    return notice_->say(sentenceOf(*fault), {}, kRefused);
  notice_->say(tr("%1 was written in millimetres, on the layers WALLS, OPENINGS, FEATURES, DIMENSIONS and FURNITURE.")
                   .arg(QFileInfo(path).fileName()));
}

bool MainWindow::save(bool elsewhere) {
  QString path = document_->path();
  bool agreed = false;
  if (elsewhere || path.isEmpty()) {
    path = QFileDialog::getSaveFileName(this, tr("Save the job"), path.isEmpty() ? tr("job.mezzet") : path,
                                        tr("Mezzet jobs (*.mezzet)"));
    if (path.isEmpty()) return false;
    agreed = true;  // the dialog asks by itself
  }
  // With its ending it is another name, which nobody was asked about.
  if (!path.endsWith(kEnding)) {
    path += kEnding;
    agreed = false;
  }
  return saveTo(path, agreed);
}

bool MainWindow::saveTo(const QString& path, bool agreed) {
  const OpenJob::SaveAnswer answer = document_->save(path, agreed);
  if (answer.ok()) {
    notice_->settle(kNotSaved);
    remember(path);
    return true;
  }
  const bool changed = answer.saved == OpenJob::Saved::FileChanged;
  if (!changed && answer.saved != OpenJob::Saved::WouldReplace) {
    notice_->say(sentenceOf(*answer.fault), {}, kNotSaved);
    return false;
  }
  const QFileInfo file(path);
  QString beside;
  for (int n = 2; beside.isEmpty() || QFileInfo::exists(beside); ++n)
    beside =
        QStringLiteral("%1/%2 %3%4").arg(file.path(), file.completeBaseName(), QString::number(n), QString(kEnding));
  QMessageBox box(
      QMessageBox::Question, tr("Not saved yet"),
      changed
          ? tr("%1 has been changed by another program since it was opened here. Saving would lose what that wrote.")
                .arg(file.fileName())
          : tr("%1 is there already. Saving would replace it.").arg(file.fileName()),
      QMessageBox::NoButton, this);
  box.setObjectName(QStringLiteral("replaceQuestion"));
  QPushButton* other =
      box.addButton(tr("Save beside it as %1").arg(QFileInfo(beside).fileName()), QMessageBox::AcceptRole);
  QPushButton* replace = box.addButton(tr("Replace it"), QMessageBox::DestructiveRole);
  box.addButton(tr("Do not save"), QMessageBox::RejectRole);
  box.setDefaultButton(other);
  box.exec();
  if (box.clickedButton() == other) return saveTo(beside, false);
  return box.clickedButton() == replace && saveTo(path, true);
}

void MainWindow::remember(const QString& path) {
  QSettings settings;
  QStringList recent = settings.value(QString::fromUtf8(kRecentKey)).toStringList();
  const QString absolute = QFileInfo(path).absoluteFilePath();
  recent.removeAll(absolute);
  recent.prepend(absolute);
  while (recent.size() > kMostRecent) recent.removeLast();
  settings.setValue(QString::fromUtf8(kRecentKey), recent);
  fillRecent();
}

void MainWindow::fillRecent() {
  QMenu* menu = (*actions_)["recent"]->menu();
  menu->clear();
  for (const QString& path : QSettings().value(QString::fromUtf8(kRecentKey)).toStringList()) {
    QAction* action = menu->addAction(QFileInfo(path).fileName() + QStringLiteral("   ") + QFileInfo(path).path());
    action->setEnabled(QFileInfo::exists(path));
    connect(action, &QAction::triggered, this, [this, path] {
      if (mayLeave()) openPath(path);
    });
  }
  (*actions_)["recent"]->setEnabled(!menu->isEmpty());
}

bool MainWindow::mayLeave() {
  if (document_->readOnly()) return true;
  if (document_->draft()) {
    QMessageBox box(QMessageBox::Question, tr("Walls not used"),
                    tr("The walls that were typed in Measure are no outline yet, and no file holds them."),
                    QMessageBox::NoButton, this);
    box.setObjectName(QStringLiteral("draftQuestion"));
    QPushButton* stay = box.addButton(tr("Stay"), QMessageBox::RejectRole);
    QPushButton* drop = box.addButton(tr("Leave without them"), QMessageBox::DestructiveRole);
    box.setDefaultButton(stay);
    box.exec();
    if (box.clickedButton() != drop) return false;
  }
  if (!document_->unsaved()) return true;
  QMessageBox box(QMessageBox::Question, tr("Not saved"),
                  tr("%1 has edits that are not saved.").arg(document_->title()), QMessageBox::NoButton, this);
  box.setObjectName(QStringLiteral("leaveQuestion"));
  QPushButton* keep = box.addButton(tr("Save"), QMessageBox::AcceptRole);
  QPushButton* drop = box.addButton(tr("Leave without saving"), QMessageBox::DestructiveRole);
  box.addButton(tr("Stay"), QMessageBox::RejectRole);
  box.setDefaultButton(keep);
  box.exec();
  if (box.clickedButton() == keep) return save(false);
  return box.clickedButton() == drop;
}

void MainWindow::closeEvent(QCloseEvent* event) {
  if (!mayLeave()) {
    event->ignore();
    return;
  }
  document_->close();
  event->accept();
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

// ---- after a crash

void MainWindow::offerAbandoned() { document_->lookForLeftBehind(); }

void MainWindow::offer(const QString& journal) {
  const auto bytes = readFile(journal.toStdString(), kMostJournalBytes);
  if (!bytes) return;
  const auto left = readJournal(*bytes, journal.toStdString());
  if (!left || !left->worthOffering()) return;
  const QString name = left->path.empty() ? tr("A job that was never saved")
                                          : tr("\"%1\"").arg(QString::fromStdString(left->file.job.name));
  const QString last = QString::fromStdString(left->lastEdit);
  const QString what = left->edits == 0   ? tr("walls that were being typed")
                       : left->edits == 1 ? tr("1 edit was not saved: %1").arg(last)
                                          : tr("%1 edits were not saved, the last: %2").arg(left->edits).arg(last);
  notice_->say(tr("%1 was not closed in order: %2.").arg(name, what),
               {{tr("Bring them back"), [this, journal] { bringBack(journal); }},
                {tr("Throw them away"), [this, journal] {
                   if (const auto fault = document_->throwAway(journal)) notice_->say(sentenceOf(*fault), {}, kRefused);
                 }}});
}

void MainWindow::bringBack(const QString& journal) {
  if (!mayLeave()) return offer(journal);  // ask again, nothing is lost
  const QString before = document_->path();
  if (const auto fault = document_->bringBack(journal)) return notice_->say(sentenceOf(*fault), {}, kRefused);
  if (!document_->path().isEmpty() && document_->path() != before) remember(document_->path());
  workspace_->showStage(workspace_->room() != nullptr && !document_->draft() ? Stage::Floor : Stage::Measure);
  sheet().fit();
}

}  // namespace mezzet
