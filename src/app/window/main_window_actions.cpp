// What the menus do: each action of the table, wired to the workspace or to a dialog.
#include "app/window/main_window.h"

#include <QApplication>
#include <QComboBox>
#include <QFileDialog>
#include <QMenu>
#include <QPushButton>
#include <QSettings>
#include <QStackedWidget>

#include "app/dialogs/dxf_dialog.h"
#include "app/dialogs/names_dialog.h"
#include "app/dialogs/light_dialog.h"
#include "app/dialogs/piece_dialog.h"
#include "app/dialogs/piece_list.h"
#include "app/dialogs/piece_rules.h"
#include "app/dialogs/print_dialog.h"
#include "app/dialogs/set_out_dialog.h"
#include "app/dialogs/shortcut_sheet.h"
#include "app/dialogs/rug_dialog.h"
#include "app/dialogs/size_dialog.h"
#include "app/document/saving.h"
#include "app/stages/floor/piece_bar.h"
#include "app/stages/floor/sheet_edge.h"
#include "app/stages/floor/tray.h"
#include "app/stages/handover/hand_over_row.h"
#include "app/stages/measure/measure_panel.h"
#include "app/stages/measure/read_out.h"
#include "app/stages/measure/site_panel.h"
#include "app/stages/measure/trace_view.h"
#include "app/view/compare_view.h"
#include "app/view/plan_view.h"
#include "app/view/display_view.h"
#include "app/view/light_view.h"
#include "app/view/wall_view.h"
#include "app/widgets/notice_bar.h"
#include "app/widgets/style.h"
#include "app/window/actions.h"
#include "app/window/application.h"
#include "app/window/causes.h"
#include "app/window/last_shown.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"

namespace mezzet {

bool MainWindow::mayChange() {
  if (!document_->readOnly()) return true;
  notice_->say(tr("This job is open in another window, so nothing can be changed here."), {}, cause::kRefused);
  return false;
}

void MainWindow::on(const char* id, std::function<void()> slot) {
  connect((*actions_)[id], &QAction::triggered, this, std::move(slot));
}

void MainWindow::wire() {
  wireJob();
  wirePieces();
  wireArrange();
  wireLook();
  wireRooms();
  wireHanging();
  wireDisplays();
  wireChoosing();
  wireHandOver();
  wireDocument();
  wireParts();
}

void MainWindow::wireJob() {
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
  on("piece-list", [this] {
    auto* list = new PieceList(*workspace_, files_, this);
    list->setAttribute(Qt::WA_DeleteOnClose);
    list->show();
  });
  on("units", [this] { workspace_->switchUnits(); });
  on("feet", [this] {
    LengthFormat format = workspace_->format();
    if (workspace_->job().units != Unit::Inch) return;
    format.style = format.style == LengthStyle::FeetInches ? LengthStyle::Inches : LengthStyle::FeetInches;
    workspace_->setFormat(format);
  });
  on("dxf-in", [this] {
    if (!mayChange()) return;
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
  on("undo", [this] { sheet().dragging() ? sheet().cancelDrag() : document_->undoStack().undo(); });
  on("redo", [this] { document_->undoStack().redo(); });
  on("names", [this] {
    if (!mayChange()) return;
    NamesDialog(*workspace_, this).exec();
  });
}

void MainWindow::wirePieces() {
  const auto chairs = [this](bool more) {
    if (!mayChange()) return;
    if (const auto fault = workspace_->setChairs(more)) notice_->say(sentenceOf(*fault), {}, cause::kRefused);
  };
  on("turn-left", [this] { workspace_->turnBy(90); });
  on("turn-right", [this] { workspace_->turnBy(-90); });
  on("turn-typed", [this] { bar_->goToTurn(); });
  on("type-piece", [this] {
    if (workspace_->room() == nullptr)
      return notice_->say(tr("Measure the room first; then there is a floor to place things on."), {}, cause::kRefused);
    if (rowOf(workspace_->stage()).accepts == Accepts::Nothing) workspace_->showStage(Stage::Floor);
    foot_->setCurrentIndex(1);
    tray_->goToLine();
  });
  on("piece-rules", [this] {
    if (!mayChange()) return;
    PieceRules(*workspace_, this).exec();
  });
  on("size-card", [this] { SizeDialog(*workspace_, files_, this).exec(); });
  on("rugs", [this] { RugDialog(*workspace_, this).exec(); });
  on("light-more", [this] {
    if (!mayChange()) return;
    LightDialog(*workspace_, this).exec();
  });
  on("taped", [this] { workspace_->toggleTaped(); });
  on("optional", [this] { workspace_->toggleOptional(); });
  on("set-out", [this] {
    if (!mayChange()) return;
    SetOutDialog(*workspace_, this).exec();
  });
  on("copy-piece", [this] { workspace_->copySelected(); });
  on("chairs", [chairs] { chairs(false); });
  on("chair-more", [chairs] { chairs(true); });
  on("in-use", [this] { workspace_->toggleInUse(); });
  on("used-here", [this] { workspace_->toggleUsedHere(); });
  on("circuit", [this] { workspace_->nextCircuit(); });
  on("drop", [this] {
    if (workspace_->stage() == Stage::Displays) {
      display_->setFocus(Qt::ShortcutFocusReason);
      static_cast<void>(display_->typeDepth());
      return;
    }
    if (workspace_->stage() != Stage::Light) workspace_->showStage(Stage::Light);
    light_->setFocus(Qt::ShortcutFocusReason);
    static_cast<void>(light_->typeDrop());
  });
  on("lock", [this] { workspace_->toggleLock(); });
  on("apart", [this] { workspace_->toggleApart(); });
  on("remove", [this] { workspace_->removeSelected(); });
  on("add", [this] { addPiece(false); });
  on("sizes", [this] { addPiece(true); });
}

void MainWindow::wireArrange() {
  const std::pair<const char*, Line> lines[] = {{"align-left", Line::Left},     {"align-right", Line::Right},
                                                {"align-top", Line::Top},       {"align-bottom", Line::Bottom},
                                                {"align-centre", Line::Centre}, {"align-middle", Line::Middle}};
  on("way-between", [this] { notice_->say(workspace_->wayBetween()); });
  on("select-all", [this] { workspace_->selectAll(); });
  on("mark", [this] { workspace_->mark(); });
  on("group", [this] { workspace_->group(); });
  on("ungroup", [this] { workspace_->ungroup(); });
  for (const auto& [id, line] : lines) on(id, [this, line = line] { workspace_->align(line); });
  on("spread-across", [this] { workspace_->spreadOut(true); });
  on("spread-up", [this] { workspace_->spreadOut(false); });
}

void MainWindow::wireLook() {
  const std::pair<const char*, FloorLayer> layers[] = {{"layer-ways", FloorLayer::Ways},
                                                       {"layer-reached", FloorLayer::Reached},
                                                       {"layer-talk", FloorLayer::Talk},
                                                       {"layer-sight", FloorLayer::Sight}};
  const std::pair<const char*, Topic> topics[] = {
      {"site-room", Topic::Walls},         {"site-openings", Topic::Openings}, {"site-heights", Topic::Heights},
      {"site-fixed", Topic::Fixed},        {"site-walls", Topic::InWall},      {"site-trace", Topic::Picture},
      {"site-photos", Topic::Photographs}, {"site-house", Topic::House}};
  on("use-state",
     [this] { workspace_->showState(static_cast<UseState>((static_cast<int>(workspace_->useState()) + 1) % 3)); });
  for (const auto& [id, layer] : layers)
    on(id, [this, layer = layer] {
      if (workspace_->stage() != Stage::Floor) workspace_->showStage(Stage::Floor);
      workspace_->showLayer(layer, !workspace_->shows(layer));
    });
  on("light-estimate", [this] {
    if (workspace_->stage() != Stage::Light) workspace_->showStage(Stage::Light);
    workspace_->showEstimate(!workspace_->showsEstimate());
  });
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
  for (const StageRow& row : stageRows()) on(row.action, [this, id = row.id] { workspace_->showStage(id); });
  on("fold-out", [this] {
    const bool walls = workspace_->stage() == Stage::Walls;
    workspace_->showStage(Stage::Walls);
    workspace_->foldOut(!walls || !workspace_->foldedOut());
  });
  on("wall-next", [this] { workspace_->stepWall(1); });
  on("wall-previous", [this] { workspace_->stepWall(-1); });
  on("zoom-in", [this] { tracing() ? trace_->zoom(1.25) : sheet().zoom(1.25); });
  on("zoom-out", [this] { tracing() ? trace_->zoom(0.8) : sheet().zoom(0.8); });
  on("zoom-fit", [this] { tracing() ? trace_->fit() : sheet().fit(); });
  on("sheet",
     [this] { tracing() ? trace_->setFocus(Qt::ShortcutFocusReason) : sheet().setFocus(Qt::ShortcutFocusReason); });
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
  on("ledger", [this] {
    for (QPushButton* b : panels_->currentWidget()->findChildren<QPushButton*>())
      if (b->isVisible() && b->isEnabled()) return b->setFocus(Qt::ShortcutFocusReason);
  });
}

void MainWindow::wireRooms() {
  const auto readOut = [this] {
    if (workspace_->stage() == Stage::Walls && workspace_->scheme() != nullptr) return readNailsOut();
    if (workspace_->room() == nullptr || !workspace_->room()->survey)
      return notice_->say(tr("This room has no readings. In Measure, keep its walls as readings first."));
    if (!mayChange()) return;
    ReadOut(*workspace_, this).exec();
  };
  on("scheme-new", [this] { workspace_->newScheme(false); });
  on("scheme-copy", [this] { workspace_->newScheme(true); });
  on("scheme-remove",
     [this] { document_->edit(tr("take the scheme out"), withoutScheme(workspace_->job(), workspace_->schemeId())); });
  on("room-new", [this] {
    if (!mayChange()) return;
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
  connect(measure_, &MeasurePanel::readOutWanted, this, readOut);
  on("read-out", readOut);
}

void MainWindow::wireDocument() {
  QUndoStack& undo = document_->undoStack();
  connect(&undo, &QUndoStack::indexChanged, this, &MainWindow::showState);
  connect(document_.get(), &Document::stateChanged, this, &MainWindow::showState);
  connect(document_.get(), &Document::trouble, this,
          [this](const QString& sentence) { notice_->say(sentence, {}, cause::kRefused); });
  connect(document_.get(), &Document::jobChanged, this, [this] { notice_->settle(cause::kRefused); });
  connect(document_.get(), &Document::journalTrouble, this, [this](const QString& sentence) {
    if (sentence.isEmpty()) return notice_->settle(cause::kUnkept);
    notice_->say(sentence, {{tr("Save now"), [this] { save(false); }}}, cause::kUnkept);
  });
  if (auto* app = qobject_cast<Application*>(qApp))
    connect(app, &Application::outOfMemory, this, [this] {
      notice_->say(tr("There was too little memory for this. Nothing was changed; close other programs, or save and "
                      "start again."),
                   {}, cause::kRefused);
    });
  connect(document_.get(), &Document::leftBehind, this, &MainWindow::offer);
  connect(document_.get(), &Document::unreadable, this, [this](const QString& journal) {
    notice_->say(tr("A journal of unsaved edits cannot be read. It is kept: %1").arg(journal),
                 {{tr("Throw it away"), [this, journal] {
                     if (const auto fault = document_->throwAway(journal))
                       notice_->say(sentenceOf(*fault), {}, cause::kRefused);
                   }}});
  });
}

void MainWindow::wireParts() {
  wireWelcome();
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
  connect(tray_, &Tray::addWanted, this, [this] { addPiece(false); });
  connect(bar_, &PieceBar::actionWanted, this, [this](const char* id, QPoint at) {
    std::string_view(id) == "more" ? showMenu(at) : (*actions_)[id]->trigger();
  });
  for (const SheetView* view : {static_cast<SheetView*>(plan_), static_cast<SheetView*>(wall_)}) {
    connect(view, &SheetView::menuWanted, this, &MainWindow::showMenu);
    connect(view, &SheetView::numberBegun, this, [this](const QString& digit) {
      if (workspace_->stage() == Stage::HandOver) hand_->begin(digit);
      else bar_->typeGap(digit);
    });
  }
  connect(edge_, &SheetEdge::previousWall, this, [this] { workspace_->stepWall(-1); });
  connect(edge_, &SheetEdge::nextWall, this, [this] { workspace_->stepWall(1); });
  connect(workspace_.get(), &Workspace::selectionChanged, this, &MainWindow::showFoot);
  connect(workspace_.get(), &Workspace::viewChanged, this, &MainWindow::showFoot);
  connect(workspace_.get(), &Workspace::jobChanged, this, &MainWindow::showFoot);
  connect(qApp, &QApplication::focusChanged, this, &MainWindow::showFoot);
  for (auto signal : {&Workspace::viewChanged, &Workspace::layersChanged})
    connect(workspace_.get(), signal, this, [this] { rememberShown(document_->path(), *workspace_); });
  connect(tray_, &Tray::left, this, [this] { sheet().setFocus(); });
  connect(measure_, &MeasurePanel::draftChanged, plan_, &PlanView::showDraft);
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
      QAction* action = schools->addAction(words);
      action->setToolTip(QString::fromStdString(school.why));
      action->setCheckable(true);
      action->setChecked(now.school == school.id);
      connect(action, &QAction::triggered, this, [this, id = rule.id, chosen = school.id] {
        document_->edit(tr("house rule"), withSchool(workspace_->job(), id, chosen));
      });
    }
  }
}

void MainWindow::showMenu(QPoint at) {
  auto* menu = new QMenu(this);
  menu->setObjectName(QStringLiteral("sheetMenu"));
  menu->setAttribute(Qt::WA_DeleteOnClose);
  actions_->fill(*menu, *workspace_);
  menu->popup(at);
}

void MainWindow::addPiece(bool sizes) {
  if (workspace_->room() == nullptr) {
    notice_->say(tr("Measure the room first; then there is a floor to place things on."), {}, cause::kRefused);
    return;
  }
  if (!mayChange()) return;
  if (rowOf(workspace_->stage()).accepts == Accepts::Nothing) workspace_->showStage(Stage::Floor);
  const Placement* p = workspace_->selectedPlacement();
  if (sizes && p == nullptr) return;
  PieceDialog(*workspace_, sizes ? &pieceOf(workspace_->job(), *p) : nullptr, this).exec();
  sheet().setFocus();
}

}  // namespace mezzet
