// A frame of dragging in the real window, 60 pieces, 1280 x 800: median of many frames, from the move to the painted
// sheet. Run with QT_SCALE_FACTOR=2 for double resolution.
#include <QApplication>
#include <QComboBox>
#include <QElapsedTimer>
#include <QLineEdit>
#include <QTemporaryDir>
#include <QTest>
#include <algorithm>
#include <cstdio>

#include "app/view/compare_view.h"
#include "app/window/main_window.h"
#include "app/view/sheet_view.h"
#include "app/stages/measure/site_panel.h"
#include "app/widgets/style.h"
#include "app/stages/measure/trace_page.h"
#include "app/stages/measure/trace_view.h"
#include "io/json/rulebook_json.h"
#include "made_up_room.h"

int main(int argc, char** argv) {
  using namespace mezzet;
  prepareEnvironment();
  QApplication app(argc, argv);
  QApplication::setStyle(QStringLiteral("Fusion"));
  loadFonts();
  style::apply(app, style::Desk::Slate);
  QTemporaryDir folder;
  const QString path = folder.path() + QStringLiteral("/bench.mezzet");
  FileSystem files;
  if (saveAtomically(files, path.toStdString(), writeJobBytes({bench::madeUpRoom(60), 999, {}}).value())) return 1;
  MainWindow window(files, builtInRulebook());
  window.openPath(path);
  window.show();
  if (!QTest::qWaitForWindowExposed(&window)) return 1;
  SheetView& sheet = window.sheet();
  QApplication::processEvents();
  // What is worked out beside the interface would share the machine with what is measured.
  if (!QTest::qWaitFor([&] { return !window.workspace().routesPending(); }, 30'000)) return 1;
  // A piece whose middle no label covers: a label there would be clicked instead.
  QPoint from;
  for (const Placement& p : window.workspace().scheme()->placements) {
    from = sheet.projection().map(floorPlace(p.on).at).toPoint();
    QTest::mousePress(&sheet, Qt::LeftButton, {}, from);
    if (window.workspace().selected() == p.id) break;
    QTest::mouseRelease(&sheet, Qt::LeftButton, {}, from);
    QTest::keyClick(&sheet, Qt::Key_Escape);
  }
  if (!sheet.dragging()) return std::printf("no piece was taken into the hand\n"), 1;
  std::vector<double> frames;
  QElapsedTimer timer;
  for (int i = 0; i < 120; ++i) {
    timer.start();
    QMouseEvent move(QEvent::MouseMove, QPointF(from + QPoint(10 + i % 40, 5 + i % 25)), QPointF(from), Qt::NoButton,
                     Qt::LeftButton, Qt::NoModifier);
    QApplication::sendEvent(&sheet, &move);
    sheet.repaint();
    if (i > 5) frames.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
  }
  if (!sheet.dragging()) return std::printf("the piece fell out of the hand\n"), 1;
  QTest::mouseRelease(&sheet, Qt::LeftButton, {}, from + QPoint(20, 20));
  timer.start();
  QApplication::processEvents();
  std::sort(frames.begin(), frames.end());
  std::printf("drag frame, 60 pieces, %dx%d at scale %.0f: median %.2f ms, 95th of 100 %.2f ms\n", sheet.width(),
              sheet.height(), sheet.devicePixelRatioF(), frames[frames.size() / 2], frames[frames.size() * 95 / 100]);
  const auto median = [&](const char* what, int times, auto&& work) {
    std::vector<double> taken;
    for (int i = 0; i < times; ++i) {
      timer.start();
      work(i);
      QApplication::processEvents();
      taken.push_back(static_cast<double>(timer.nsecsElapsed()) / 1e6);
    }
    std::sort(taken.begin(), taken.end());
    std::printf("%s: median %.1f ms\n", what, taken[taken.size() / 2]);
  };
  Workspace& work = window.workspace();
  median("a whole edit, journalled, re-checked and repainted", 30, [&](int i) {
    work.nudge({i % 2 == 0 ? 10.0 : -10.0, 0});
  });

  work.select({});
  work.newScheme(true);
  median("another scheme of 60 pieces, checked and painted", 20, [&](int i) {
    work.showScheme(work.job().schemes[static_cast<std::size_t>(i) % 2]->id);
    sheet.repaint();
  });
  auto* line = window.findChild<QLineEdit*>(QStringLiteral("pieceLine"));
  if (line == nullptr) return std::printf("there is no line to type into\n"), 1;
  const QString words = QStringLiteral("corner sofa right 110 x 84 x 33 seat 18 ");
  median("a character in the typed line, echoed and painted", 40, [&](int i) {
    line->setText(words.left(i + 1));
    line->parentWidget()->repaint();
  });
  line->clear();
  {
    CompareView beside(work, &window);
    beside.show();
    if (!QTest::qWaitForWindowExposed(&beside)) return 1;
    auto* other = beside.findChild<QComboBox*>();
    median("the beside view of two schemes of 60 pieces", 10, [&](int) {
      emit other->currentIndexChanged(other->currentIndex());
      beside.repaint();
    });
  }
  {
    // A plan picture as large as one is kept: 4096 x 3072 pixels, panned by hand and zoomed by the wheel.
    QImage plan(4096, 3072, QImage::Format_RGB32);
    plan.fill(Qt::white);
    const QString plain = folder.path() + QStringLiteral("/plan.png");
    plan.save(plain);
    work.showTopic(Topic::Picture);
    window.site().tracing().takeIn(plain);
    if (!QTest::qWaitFor([&] { return work.room()->underlay.has_value(); })) return 1;
    TraceView& trace = window.traceView();
    trace.repaint();
    const QPoint middle(trace.width() / 2, trace.height() / 2);
    QTest::mousePress(&trace, Qt::RightButton, {}, middle);
    median("a plan picture of 12 megapixels, panned by a step", 60, [&](int i) {
      QMouseEvent move(QEvent::MouseMove, QPointF(middle + QPoint(3 * (i % 30), i % 20)), QPointF(middle), Qt::NoButton,
                       Qt::RightButton, Qt::NoModifier);
      QApplication::sendEvent(&trace, &move);
      trace.repaint();
    });
    QTest::mouseRelease(&trace, Qt::RightButton, {}, middle);
    median("the same, zoomed by a step", 40, [&](int i) {
      trace.zoom(i % 2 == 0 ? 1.2 : 1 / 1.2);
      trace.repaint();
    });
  }
  window.document().close();
  return 0;
}
