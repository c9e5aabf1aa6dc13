#include "app/window/rehearsal.h"

#include <QApplication>
#include <QComboBox>
#include <QDir>
#include <QPixmap>
#include <QPushButton>
#include <QThread>
#include <cstdio>

#include "app/view/compare_view.h"
#include "app/window/main_window.h"
#include "app/view/plan_view.h"
#include "app/dialogs/candidates_dialog.h"
#include "app/dialogs/delivery_dialog.h"
#include "app/dialogs/print_dialog.h"
#include "app/dialogs/search_dialog.h"
#include "app/stages/measure/site_panel.h"
#include "app/stages/measure/trace_view.h"
#include "core/decide/hang_place.h"
#include "core/model/kinds.h"
#include "core/sheets/pack.h"
#include "core/edit/edits.h"
#include "io/files/issue.h"
#include "render/pdf.h"

namespace mezzet {
namespace {

/// Routes are worked out beside the interface: a picture waits for them.
void settle(Workspace& w) {
  QApplication::processEvents();
  for (int i = 0; i < 500 && w.routesPending(); ++i) {
    QThread::msleep(10);
    QApplication::processEvents();
  }
}

QString shoot(QWidget& widget, const QString& folder, const char* name) {
  if (auto* main = qobject_cast<MainWindow*>(&widget)) settle(main->workspace());
  QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
  QApplication::processEvents();
  if (auto* main = qobject_cast<MainWindow*>(&widget)) settle(main->workspace());  // what these asked for
  QApplication::processEvents();
  const QString path = folder + QStringLiteral("/") + QString::fromUtf8(name) + QStringLiteral(".png");
  widget.grab().save(path);
  return path;
}

void shootStages(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  w.showStage(Stage::Measure);
  QApplication::processEvents();
  made << shoot(window, folder, "measure");
  w.showStage(Stage::Floor);
  if (const Scheme* scheme = w.scheme())
    for (const Placement& p : scheme->placements)
      if (isLowTable(pieceOf(w.job(), p).kind)) w.select(p.id);
  made << shoot(window, folder, "floor");
  const auto scheme = [&](const char* name) {
    for (const auto& s : w.job().schemes)
      if (w.room() != nullptr && s->room == w.room()->id && s->name.starts_with(name)) return w.showScheme(s->id);
  };
  const SchemeId first = w.schemeId();
  w.select({});
  scheme("C");
  w.showLayer(FloorLayer::Ways, true);
  w.showLayer(FloorLayer::Talk, true);
  made << shoot(window, folder, "ways");
  w.showLayer(FloorLayer::Ways, false);
  w.showLayer(FloorLayer::Talk, false);
  w.showScheme(first);
  w.showStage(Stage::Walls);
  w.selectNext(true);
  made << shoot(window, folder, "wall");
  w.showStage(Stage::Floor);
}

void shootDialogs(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  {
    CompareView beside(w);
    beside.show();
    QApplication::processEvents();
    made << shoot(beside, folder, "beside");
  }
}

void shootSite(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  // The site: each topic in the room that has most to say of it.
  const auto site = [&](const char* room, Topic topic, const char* name) {
    if (findRoom(w.job(), RoomId(room)) == nullptr) return;
    w.showRoom(RoomId(room));
    w.showTopic(topic);
    if (topic == Topic::Picture) window.traceView().setHand(TraceHand::Trace);
    QApplication::processEvents();
    if (topic == Topic::Openings)
      for (QPushButton* row : window.site().findChildren<QPushButton*>(QStringLiteral("fold")))
        if (row->isVisible() && row->text().startsWith(QStringLiteral("Arch"))) {
          row->click();
          QApplication::processEvents();
          break;
        }
    if (topic != Topic::Picture) window.sheet().fit();
    QApplication::processEvents();
    made << shoot(window, folder, name);
  };
  site("breakfast", Topic::Picture, "tracing");
}

/// Shows the scheme of a room whose name starts so. False where there is none.
bool showScheme(Workspace& w, const char* room, const char* scheme, Stage stage) {
  for (const auto& s : w.job().schemes)
    if (s->room == RoomId(room) && s->name.starts_with(scheme)) {
      w.showRoom(s->room);
      w.showScheme(s->id);
      w.showStage(stage);
      return true;
    }
  return false;
}

void shootInstallerSheet(Workspace& w, const char* kind, const QString& path, QStringList& made) {
  SheetRequest request{findPaper("letter"), 0, w.format(), {}, SheetVersion::Installer};
  request.book = &w.book();
  const auto sheet = composeSheet(w.job(), *w.room(), w.scheme(), *sheetKind(kind), request);
  if (!sheet) return;
  sheetImage(*sheet, 4, &w.images()).save(path);
  made << path;
}

/// A way out while it is pointed at.
void shootWayOut(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (showScheme(w, "breakfast", "C", Stage::Floor)) {
    settle(w);
    if (!w.decisions().empty()) {
      const Decision first = w.decisions().front();
      const std::vector<WayOut> ways = w.waysOutOf(first);
      if (!ways.empty()) w.showGhost(ways.front().job);
      made << shoot(window, folder, "way-out");
      w.showGhost(std::nullopt);
    }
  }
}

/// A pendant with its section.
void shootLight(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (showScheme(w, "breakfast", "A", Stage::Light)) {
    w.selectNext(true);
    made << shoot(window, folder, "light");
    w.select({});
  }
  w.showStage(Stage::Floor);
}

/// Nine pictures as a salon with another arrangement as a ghost, and a room opened like a box.
void shootWalls(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (showScheme(w, "breakfast", "D", Stage::Walls)) {
    for (const Placement& p : w.scheme()->placements)
      if (const auto* place = onWall(p.on); place != nullptr && place->group && w.selected().empty()) {
        w.showWall(place->wall);
        w.select(p.id);
      }
    IdSource ids = window.document().ids();
    HangRequest request = requestFor(*w.scheme(), w.selection(), w.wall(), HangAs::Loose);
    request.ratio = 1.5;
    if (const auto plan = hangPlan(w.job(), w.book(), w.schemeId(), request, ids, w.format()); plan && plan->fits)
      w.showGhost(plan->job);
    made << shoot(window, folder, "salon");
    w.showGhost(std::nullopt);
    w.select({});
  }
  if (showScheme(w, "parlour", "G", Stage::Walls)) {
    w.foldOut(true);
    QApplication::processEvents();
    window.sheet().fit();
    made << shoot(window, folder, "fold-out");
    w.foldOut(false);
  }
  w.showStage(Stage::Floor);
}

/// Frames up a stair with their nails, and the sheet to hang a salon by.
void shootHanging(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (showScheme(w, "hall", "D", Stage::Walls)) {
    w.showWall(CornerId("D"));
    w.select({});
    w.showNails(true);
    QApplication::processEvents();
    window.sheet().fit();
    made << shoot(window, folder, "stair");
    w.showNails(false);
  }
  if (showScheme(w, "breakfast", "D", Stage::Walls)) {
    w.showWall(CornerId("H"));
    shootInstallerSheet(w, "nails:H", folder + QStringLiteral("/nail-sheet.png"), made);
  }
  w.showStage(Stage::Floor);
}

/// A bookcase with its section.
void shootDisplays(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (!showScheme(w, "parlour", "I", Stage::Displays)) return;
  const auto display = [&](auto is, const char* name, bool select) {
    for (const Placement& p : w.scheme()->placements) {
      if (!is(pieceOf(w.job(), p))) continue;
      w.showCarrier(p.id.value);
      w.select(select && w.display() && !w.display()->things.empty() ? w.display()->things.back().placement->id
                                                                     : PlacementId());
      QApplication::processEvents();
      window.sheet().fit();
      made << shoot(window, folder, name);
      return;
    }
  };
  display([](const Piece& p) { return hasShelves(p.kind); }, "display", true);
  w.select({});
  w.showStage(Stage::Floor);
}

/// Five pictures thought of over the sofa, seen in a photograph; layouts searched.
void shootChoosing(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  const auto wait = [](const auto& dialog) {
    while (dialog.working()) {
      QThread::msleep(10);
      QApplication::processEvents();
    }
  };
  if (showScheme(w, "parlour", "A", Stage::Walls))
    for (const Placement& p : w.scheme()->placements) {
      if (p.candidates.empty()) continue;
      CandidatesDialog candidates(w, p.id);
      candidates.show();
      wait(candidates);
      if (auto* seenOn = candidates.findChild<QComboBox*>(QStringLiteral("candidateSeenOn")))
        seenOn->setCurrentIndex(seenOn->count() - 1);
      made << shoot(candidates, folder, "candidates");
      break;
    }
  if (showScheme(w, "parlour", "A", Stage::Floor)) {
    constexpr long long kLayouts = 8'000;
    SearchDialog search(w);
    search.endAfter(kLayouts);
    search.show();
    search.begin();
    wait(search);
    made << shoot(search, folder, "search");
  }
}

/// Numbers in order, the way in, the cover of a pack and a sheet of it.
void shootHandOver(MainWindow& window, const QString& folder, QStringList& made) {
  Workspace& w = window.workspace();
  if (!showScheme(w, "parlour", "A", Stage::HandOver)) return;
  w.selectNext(true);
  window.sheet().fit();
  // What is told beside the sheet is worked out elsewhere.
  for (int i = 0; i < 500 && window.findChild<QPushButton*>(QStringLiteral("goDates")) == nullptr; ++i) {
    QThread::msleep(10);
    QApplication::processEvents();
  }
  made << shoot(window, folder, "handover");
  {
    DeliveryDialog delivery(w);
    delivery.show();
    QApplication::processEvents();
    made << shoot(delivery, folder, "delivery");
  }
  PackRequest request;
  request.reader = PackReader::Installer;
  request.sheet.paper = findPaper("letter");
  request.sheet.format = w.format();
  request.sheet.book = &w.book();
  request.sheet.issue = issueWords(w.job());
  const auto pack = composePack(w.job(), request);
  if (!pack) return;
  for (const PackContent& content : pack->contents) {
    const bool cover = content.kind == "cover";
    if (!cover && content.kind != "tape-out") continue;
    const QString path = folder + (cover ? QStringLiteral("/pack-cover.png") : QStringLiteral("/tape-out.png"));
    sheetImage(pack->pages[static_cast<std::size_t>(content.first - 1)], 4, &w.images()).save(path);
    made << path;
    if (!cover) break;
  }
}

}  // namespace

QStringList takeShots(MainWindow& window, const QString& folder) {
  QDir().mkpath(folder);
  QStringList made;
  shootStages(window, folder, made);
  shootDialogs(window, folder, made);
  shootSite(window, folder, made);
  shootWayOut(window, folder, made);
  shootLight(window, folder, made);
  shootWalls(window, folder, made);
  shootHanging(window, folder, made);
  shootDisplays(window, folder, made);
  shootChoosing(window, folder, made);
  shootHandOver(window, folder, made);
  return made;
}

void rehearseEdits(MainWindow& window, int count) {
  Document& document = window.document();
  for (int i = 1; i <= count; ++i) {
    const Scheme& scheme = *window.workspace().scheme();
    const Placement& p = scheme.placements[static_cast<std::size_t>(i) % scheme.placements.size()];
    Place there = p.on;
    if (auto* floor = onFloor(there)) floor->at.x += i % 2 == 0 ? 10 : -7;
    if (auto* hung = onWall(there)) hung->u += i % 2 == 0 ? 10 : -7;
    document.edit(QStringLiteral("edit %1").arg(i), placed(document.job(), scheme.id, p.id, there));
    std::printf("done %d\n", i);
    std::fflush(stdout);
    QApplication::processEvents();
  }
}

}  // namespace mezzet
