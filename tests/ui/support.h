// The real window with the demo in it, and hands to work it.
#pragma once

#include <gtest/gtest.h>

#include <QApplication>
#include <QDir>
#include <QFile>
#include <QLabel>
#include <QLineEdit>
#include <QMouseEvent>
#include <QPushButton>
#include <QTemporaryDir>
#include <QTest>

#include "app/window/main_window.h"
#include "app/widgets/notice_bar.h"
#include "app/view/sheet_view.h"
#include "core/drawing/base/working.h"
#include "core/space/tapes.h"
#include "core/edit/edits.h"
#include "io/json/rulebook_json.h"

namespace mezzet::test {

class WindowTest : public testing::Test {
 protected:
  void SetUp() override {
    qputenv("XDG_STATE_HOME",
            (folder_.path() + QStringLiteral("/state")).toUtf8());  // no journal of another test is offered
    path_ = folder_.path() + QStringLiteral("/job.mezzet");
    ASSERT_TRUE(QFile::copy(QStringLiteral(MEZZET_PARLOUR), path_));
    open();
  }
  void TearDown() override {
    window_->document().close();
    window_.reset();
  }
  void open() {
    window_ = std::make_unique<MainWindow>(files_, builtInRulebook());
    window_->openPath(path_);
    window_->show();
    window_->activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowExposed(window_.get()));
    window_->sheet().setFocus();
    QApplication::processEvents();
  }

  [[nodiscard]] Workspace& work() { return window_->workspace(); }
  [[nodiscard]] const Job& job() { return window_->document().job(); }
  [[nodiscard]] SheetView& sheet() { return window_->sheet(); }
  [[nodiscard]] FloorPlace floor(const char* id) {
    return floorPlace(findPlacement(*work().scheme(), PlacementId(id))->on);
  }
  [[nodiscard]] WallPlace wall(const char* id) {
    return wallPlace(findPlacement(*work().scheme(), PlacementId(id))->on);
  }
  [[nodiscard]] double tape(const char* id, Side side) {
    return tapeOf(job(), *work().scheme(), PlacementId(id), side)->length;
  }
  [[nodiscard]] QPoint at(Vec2 model) { return sheet().projection().map(model).toPoint(); }
  void click(Vec2 model) { QTest::mouseClick(&sheet(), Qt::LeftButton, {}, at(model)); }
  /// With Alt held down nothing lines up, so that things come to rest exactly where the hand leaves them.
  void drag(Vec2 from, Vec2 by, bool release = true, Qt::KeyboardModifiers keys = Qt::AltModifier) {
    QTest::mousePress(&sheet(), Qt::LeftButton, {}, at(from));
    for (const double part : {0.3, 0.7, 1.0}) {
      const QPointF to = at(from + by * part);
      QMouseEvent move(QEvent::MouseMove, to, sheet().mapToGlobal(to), Qt::NoButton, Qt::LeftButton, keys);
      QApplication::sendEvent(&sheet(), &move);
      QApplication::processEvents();
    }
    if (release) QTest::mouseRelease(&sheet(), Qt::LeftButton, {}, at(from + by));
  }
  void key(int k, Qt::KeyboardModifiers m = {}) {
    QTest::keyClick(QApplication::focusWidget(), static_cast<Qt::Key>(k), m);
  }
  void type(const char* text) { QTest::keyClicks(QApplication::focusWidget(), QString::fromUtf8(text)); }
  template <class W>
  W* find(const char* name) {
    return window_->findChild<W*>(QString::fromUtf8(name));
  }
  /// A button that is on show now (panels are rebuilt, and the old ones go a moment later).
  QPushButton* button(const QString& name) {
    QApplication::processEvents();  // what was just put into a layout shows itself with the next event
    const auto shown = [&]() -> QPushButton* {
      for (QPushButton* b : window_->findChildren<QPushButton*>(name))
        if (b->isVisible()) return b;
      return nullptr;
    };
    // Ways out are looked for beside the interface.
    if (name.startsWith(QStringLiteral("way:"))) static_cast<void>(QTest::qWaitFor([&] { return shown() != nullptr; }));
    return shown();
  }
  void undo() { window_->document().undoStack().undo(); }
  [[nodiscard]] int broken() {
    int count = 0;
    for (const Finding& f : work().findings()) count += breaksByWeight(f);
    return count;
  }

  QTemporaryDir folder_;
  QString path_;
  FileSystem files_;
  std::unique_ptr<MainWindow> window_;
};

}  // namespace mezzet::test
