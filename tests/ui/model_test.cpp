// Random edits, undo, redo, save and reopen against a plain list of jobs; and what every part of the window must have.
#include <QAbstractButton>
#include <QComboBox>
#include <QTimer>
#include <random>
#include <set>

#include "app/widgets/style.h"
#include "app/window/actions.h"
#include "core/edit/records.h"
#include "core/entry/piece_line.h"
#include "core/survey/room_survey.h"
#include "core/survey/runs.h"
#include "support.h"

namespace mezzet {
namespace model_test {
using namespace test;

class Model : public WindowTest {
 protected:
  std::mt19937 random_{54321};
  double uniform(double a, double b) { return std::uniform_real_distribution(a, b)(random_); }

  const Piece& anyPiece() { return *job().pieces[random_() % job().pieces.size()]; }

  /// One edit of any kind, through the same calls that hands make.
  void anyEdit() {
    const Scheme& scheme = *work().scheme();
    if (!scheme.placements.empty()) work().select(scheme.placements[random_() % scheme.placements.size()].id);
    for (int more = static_cast<int>(random_() % 3); more > 0 && !scheme.placements.empty(); --more)
      work().selectAlso(scheme.placements[random_() % scheme.placements.size()].id);
    Document& document = window_->document();
    const SchemeId id = scheme.id;
    switch (random_() % 25) {
      case 0: work().nudge({uniform(-500, 500), uniform(-300, 300)}); break;
      case 1: work().turnBy(90.0 * static_cast<double>(random_() % 4)); break;
      case 2: static_cast<void>(work().typeTurn(QString::number(uniform(-400, 400), 'f', 2))); break;
      case 3: static_cast<void>(work().typeTape(tapeItem(Side::Front), QString::number(random_() % 90))); break;
      case 4: work().switchUnits(); break;
      case 5:
        if (scheme.placements.size() > 2) work().removeSelected();
        break;
      case 6:
        for (const Decision& d : work().decisions())
          if (const auto ways = work().waysOutOf(d); !ways.empty()) {
            work().take(ways[random_() % ways.size()]);
            break;
          }
        break;
      case 7: work().showScheme(job().schemes[random_() % job().schemes.size()]->id); break;
      case 8: work().align(static_cast<Line>(random_() % 6)); break;
      case 9: work().spreadOut(random_() % 2 == 0); break;
      case 10: work().group(); break;
      case 11: work().ungroup(); break;
      case 12: work().toggleLock(); break;
      case 13:
        if (scheme.placements.size() < 30) work().copySelected();
        break;
      case 14:
        if (job().schemes.size() < 6) work().newScheme(random_() % 2 == 0);
        break;
      case 15:
        if (!work().findings().empty()) {
          const Finding& f = work().findings()[random_() % work().findings().size()];
          document.edit(QStringLiteral("keep"), withKept(job(), id, {f.id, "on purpose", f.margin, "2026-03-31"}));
        }
        break;
      case 20:
      case 21:
        if (const Room* room = work().room(); room->survey) {
          const std::size_t n = room->corners.size(), a = random_() % n, b = (a + 1 + random_() % (n - 1)) % n;
          Reading r;
          r.from = room->corners[a].id;
          r.to = room->corners[b].id;
          r.kind = b == (a + 1) % n ? ReadingKind::Run : ReadingKind::Corners;
          r.value = distance(room->corners[a].at, room->corners[b].at) + uniform(-4, 4);
          const unsigned which = static_cast<unsigned>(random_() % 4);
          if (which == 0) work().takeReadingOut(room->survey->readings.back().id);
          else if (which == 1) work().takeAsSquare(r.from, !room->survey->corners[a].square);
          else static_cast<void>(work().read(r));
        }
        break;
      case 16:
        document.edit(QStringLiteral("log"),
                      withLogEntry(job(), id, {LogKind::Rejection, "2026-03-31", "too \"loud\" \u2014 and/or ~wide"}));
        break;
      case 17: {
        Brief brief = job().brief;
        brief.statures.push_back(uniform(1500, 2000));
        brief.anchor = "stays " + std::to_string(random_());
        document.edit(QStringLiteral("brief"), withBrief(job(), brief));
        break;
      }
      case 18:
        document.edit(QStringLiteral("range"), withRange(job(), "table-reach", Range{uniform(100, 200), std::nullopt}));
        break;
      case 19: {
        IdSource ids = document.ids();
        PieceReading read =
            readPieceLine("corner sofa right 110 in x 84 in x 33 in seat 18 in", job().units, work().format());
        ASSERT_TRUE(read.piece) << read.complaint;
        read.piece->id = ids.take<PieceId>("piece");
        document.edit(QStringLiteral("type"), withPiece(job(), *read.piece).value(), ids.next());
        break;
      }
      case 22: work().showStage(stageRows()[random_() % stageRows().size()].id); break;
      case 23:
        static_cast<void>(
            work().takeCame(work().readCame(QString::fromStdString(anyPiece().id.value) + QStringLiteral(" came ") +
                                            QString::number(uniform(10, 100), 'f', 2))));
        break;
      case 24: {
        Order order{anyPiece().id, 1, "2026-03-31", static_cast<int>(random_() % 90), OrderState::Ordered};
        document.edit(QStringLiteral("order"), withOrder(job(), std::move(order)).value());
        break;
      }
    }
  }
};

// MEZZET_MODEL_EDITS: so many steps instead, under a checker of memory say.
TEST_F(Model, RandomWorkAgreesWithAPlainListOfJobs) {
  const char* wanted = std::getenv("MEZZET_MODEL_EDITS");
  const int steps = wanted != nullptr ? std::atoi(wanted) : 400;
  std::printf("seed 54321, %d steps\n", steps);
  {
    // The parlour's walls as readings, so that the walk of edits measures too.
    IdSource ids = window_->document().ids();
    Room room = *work().room();
    std::vector<WalkedRun> walk;
    for (const mezzet::Run& run : runsOf(room.corners)) walk.push_back({run.length, "", run.turn});
    room.survey = recordOf(walk, ids);
    ASSERT_TRUE(window_->document().edit(QStringLiteral("keep the readings"),
                                         withRoom(job(), surveyed(room).value()).value(), ids.next()));
    window_->document().undoStack().clear();
  }
  std::vector<Job> states{job()};
  std::size_t at = 0;
  for (int i = 0; i < steps; ++i) {
    const unsigned what = static_cast<unsigned>(random_() % 10);
    if (what < 6) {
      const Job before = job();
      anyEdit();
      if (!(job() == before)) {
        states.resize(at + 1);
        states.push_back(job());
        ++at;
      }
    } else if (what < 8) {
      window_->document().undoStack().undo();
      if (at > 0) --at;
    } else if (what == 8) {
      window_->document().undoStack().redo();
      if (at + 1 < states.size()) ++at;
    } else {
      ASSERT_TRUE(window_->save(false));
      EXPECT_FALSE(window_->document().unsaved());
    }
    ASSERT_EQ(job(), states[at]) << "step " << i;
    if (i % 10 == 0) {
      QApplication::processEvents();
      // What a crash would leave here brings back just this.
      const std::string journal = journalPathFor(journalFolder(), path_.toStdString());
      const auto left = readJournal(readFile(journal, 1 << 26).value(), journal);
      ASSERT_TRUE(left.ok()) << left.error().text();
      ASSERT_EQ(left->file.job, job()) << "step " << i;
    }
  }
  ASSERT_TRUE(window_->save(false));
  const Job last = job();
  window_->document().close();
  open();
  EXPECT_EQ(job(), last);
}
// What a stage or an edit makes in the window goes again with it.
TEST_F(Model, WorkLeavesNothingBehindInTheWindow) {
  const auto round = [&] {
    for (const StageRow& row : stageRows()) {
      work().showStage(row.id);
      static_cast<void>(work().selectNext(true));
      work().nudge({10, 0});
      QApplication::processEvents();
      undo();
    }
    work().showStage(Stage::Floor);
    work().select({});
    static_cast<void>(QTest::qWaitFor([&] { return !work().routesPending(); }));
    QApplication::processEvents();
    QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    return window_->findChildren<QObject*>().size();
  };
  round();
  const auto first = round();
  round();
  round();
  EXPECT_EQ(round(), first);
}
TEST_F(Model, IdsAreNotReusedAfterUndo) {
  work().showStage(Stage::Walls);
  const auto secondPiece = [&] {
    for (const Decision& d : work().decisions())
      for (const WayOut& way : work().waysOutOf(d))
        if (way.id == "second-piece") return work().take(way);
  };
  secondPiece();
  const std::string first = job().pieces.back()->id.value;
  undo();
  secondPiece();
  EXPECT_NE(job().pieces.back()->id.value, first);
}

TEST_F(Model, EveryActionHasWordsAndAShortcutOfItsOwn) {
  std::set<QString> shortcuts;
  for (const ActionRow& row : actionTable()) {
    if (std::string(row.id) == "-") continue;
    EXPECT_NE(std::string(row.text), "") << row.id;
    EXPECT_NE(std::string(row.tip), "") << row.id;
    const QString keys = QString::fromUtf8(row.shortcut);
    if (!keys.isEmpty()) {
      EXPECT_TRUE(shortcuts.insert(keys).second) << row.id << " shares " << row.shortcut;
    }
  }
}
TEST_F(Model, EveryFieldAndButtonHasANameForAScreenReader) {
  for (const StageRow& row : stageRows()) {
    work().showStage(row.id);
    static_cast<void>(work().selectNext(true));
    QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    QApplication::processEvents();
    for (QWidget* w : window_->findChildren<QWidget*>()) {
      if (!w->isVisible() || w->focusPolicy() == Qt::NoFocus || w->inherits("QScrollBar")) continue;
      const auto* button = qobject_cast<QAbstractButton*>(w);
      const bool named = !w->accessibleName().isEmpty() || (button != nullptr && !button->text().isEmpty());
      const bool matters = w->inherits("QLineEdit") || w->inherits("QComboBox") || button != nullptr;
      if (matters) {
        EXPECT_TRUE(named) << w->metaObject()->className() << " " << w->objectName().toStdString();
      }
    }
  }
}
TEST_F(Model, ThePiecesOfTheWindowFitTheSmallestSize) {
  window_->resize(1024, 700);
  QApplication::processEvents();
  EXPECT_LE(window_->minimumSizeHint().width(), 1024);
  EXPECT_GT(sheet().width(), 500);
  EXPECT_GT(sheet().height(), 380);
}
TEST_F(Model, NamesAreTakenTogetherAsOneEdit) {
  QTimer::singleShot(0, [] {
    auto* dialog = QApplication::activeModalWidget();
    ASSERT_NE(dialog, nullptr);
    dialog->findChild<QLineEdit*>(QStringLiteral("nameOfRoom"))->clear();
    dialog->findChild<QPushButton*>(QStringLiteral("primary"))->click();
    EXPECT_TRUE(dialog->isVisible());  // a name cannot be empty
    dialog->findChild<QLineEdit*>(QStringLiteral("nameOfRoom"))->setText(QStringLiteral("Reading room"));
    dialog->findChild<QLineEdit*>(QStringLiteral("nameOfScheme"))->setText(QStringLiteral("C"));
    dialog->findChild<QPushButton*>(QStringLiteral("primary"))->click();
  });
  window_->findChild<QAction*>(QStringLiteral("names"))->trigger();
  EXPECT_EQ(work().room()->name, "Reading room");
  EXPECT_EQ(work().scheme()->name, "C");
  undo();
  EXPECT_EQ(work().room()->name, "Guests' parlour");
}
TEST_F(Model, AHouseRuleIsOneEdit) {
  static_cast<void>(work().document().edit(QStringLiteral("house rule"), withSchool(job(), "art-gap", "c")));
  EXPECT_EQ(askedOf(*findRule(work().book(), "art-gap"), job()).school, "c");
  undo();
  EXPECT_EQ(askedOf(*findRule(work().book(), "art-gap"), job()).school, "a");
}

TEST_F(Model, EveryDeskHasAllItsColours) {
  for (const style::Desk desk : {style::Desk::Slate, style::Desk::Light, style::Desk::Dark}) {
    const QString sheet = style::window(desk);
    EXPECT_FALSE(sheet.contains(QChar('@'))) << style::nameOf(desk).toStdString();
    EXPECT_EQ(style::deskNamed(style::nameOf(desk)), desk);
  }
}

TEST_F(Model, TheDeskGoesRound) {
  const QString before = qApp->styleSheet();
  auto* desk = window_->findChild<QAction*>(QStringLiteral("desk"));
  desk->trigger();
  EXPECT_NE(qApp->styleSheet(), before);
  desk->trigger();
  desk->trigger();
  EXPECT_EQ(qApp->styleSheet(), before);
}

}  // namespace model_test
}  // namespace mezzet
