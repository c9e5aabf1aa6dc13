// What the window bears: the longest that the interface thread is busy at a stretch, event by event, over edits of
// rooms of the stated limits. The limits in core/edit/validate.cpp were set by it.
#include <QApplication>
#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QTest>
#include <algorithm>
#include <cstdio>
#include <cstdlib>

#include "app/window/main_window.h"
#include "app/view/sheet_view.h"
#include "app/widgets/style.h"
#include "io/json/rulebook_json.h"
#include "made_up_room.h"

namespace {

using namespace mezzet;

/// Knows the longest event.
class Watched : public QApplication {
 public:
  using QApplication::QApplication;
  bool notify(QObject* receiver, QEvent* event) override {
    if (depth_++ > 0) {
      const bool inner = QApplication::notify(receiver, event);
      --depth_;
      return inner;
    }
    QElapsedTimer timer;
    timer.start();
    const bool done = QApplication::notify(receiver, event);
    longest = std::max(longest, static_cast<double>(timer.nsecsElapsed()) / 1e6);
    --depth_;
    return done;
  }
  double longest = 0;

 private:
  int depth_ = 0;
};

/// `count` pieces of one kind, in rows or in a heap.
Job crowd(const char* kind, int count, bool heap) {
  const int columns = static_cast<int>(std::ceil(std::sqrt(count * 4.0 / 3)));
  Job job = test::emptyRoom(columns * 34 + 30, columns * 26 + 60);
  Room room = *job.rooms.front();
  Opening door;
  door.id = OpeningId("d1");
  door.wall = CornerId("A");
  door.offset = 200;
  door.width = 700;
  door.height = 2032;
  room.openings.push_back(door);
  job = withRoom(job, room).value();
  Piece p = test::piece("q", kind, 26, 20, 30);
  p.seat.edit().height = 450;
  p.count = count;
  job = withPiece(job, p).value();
  std::mt19937 random(5);
  Scheme scheme = *job.schemes.front();
  for (int i = 0; i < count; ++i) {
    const double x = heap ? 20 + static_cast<double>(random() % 90) : 20 + 34 * (i % columns),
                 y = heap ? 20 + static_cast<double>(random() % 70) : 20 + 34 * (i / columns);
    scheme.placements.push_back(
        {PlacementId("p" + std::to_string(i)), p.id, FloorPlace{{test::in(x), test::in(y)}, 90.0 * (i % 4)}, {}});
  }
  return withScheme(job, scheme);
}

}  // namespace

int main(int argc, char** argv) {
  prepareEnvironment();
  Watched app(argc, argv);
  QApplication::setStyle(QStringLiteral("Fusion"));
  loadFonts();
  style::apply(app, style::Desk::Slate);
  QTemporaryDir folder;
  FileSystem files;
  const int only = argc > 1 ? std::atoi(argv[1]) : 0;
  for (const int count : {60, 200, 400}) {
    if (only > 0 && count != only) continue;
    for (const char* kind : {"cabinet", "armchair", "dining-table", "bookcase"})
      for (const bool heap : {false, true}) {
        const QString path = folder.path() + QStringLiteral("/crowd.mezzet");
        if (const auto fault =
                saveAtomically(files, path.toStdString(), writeJobBytes({crowd(kind, count, heap), 9'999, {}}).value()))
          return std::printf("%s\n", fault->text().c_str()), 1;
        MainWindow window(files, builtInRulebook());
        QElapsedTimer opening;
        opening.start();
        window.openPath(path);
        const double opened = static_cast<double>(opening.nsecsElapsed()) / 1e6;
        window.show();
        if (!QTest::qWaitForWindowExposed(&window)) return 1;
        const auto settle = [&] {
          for (int i = 0; i < 3'000 && window.workspace().routesPending(); ++i) QTest::qWait(5);
          QApplication::processEvents();
        };
        settle();
        app.longest = 0;
        std::vector<double> edits;
        for (int i = 0; i < 5; ++i) {
          window.workspace().select(PlacementId("p" + std::to_string(i * 7)));
          QApplication::processEvents();
          // As a key press, so that it is one event of the window's.
          QElapsedTimer edit;
          edit.start();
          QTest::keyClick(&window.sheet(), Qt::Key_Right);
          edits.push_back(static_cast<double>(edit.nsecsElapsed()) / 1e6);
          settle();
        }
        std::sort(edits.begin(), edits.end());
        std::printf(
            "%4d %-12s %s: opened in %.0f ms, an edit takes %.0f ms (median), the longest event after one %.0f ms\n",
            count, kind, heap ? "heap" : "rows", opened, edits[2], app.longest);
        std::fflush(stdout);
        window.document().close();
      }
  }
  return 0;
}
