// The window under the locales of other countries: what is typed is understood, and every stage says and writes what it
// says and writes elsewhere.
#include <QComboBox>
#include <QLabel>
#include <QLocale>
#include <QToolButton>

#include <clocale>

#include "app/dialogs/dates_dialog.h"
#include "app/stages/stages.h"
#include "core/edit/records.h"
#include "support/locales.h"
#include "ui/support.h"

namespace mezzet {
namespace locale_test {

constexpr int kPatience = 60'000;  // ms, for what is worked out beside the interface

class AbroadWindow : public test::WindowTest, public testing::WithParamInterface<const char*> {
 protected:
  static void SetUpTestSuite() {
    made_ = std::make_unique<QTemporaryDir>();
    test::makeLocales(made_->path().toStdString());
  }
  static void TearDownTestSuite() { made_.reset(); }
  void TearDown() override {
    std::setlocale(LC_ALL, "C");
    QLocale::setDefault(QLocale::c());
    WindowTest::TearDown();
  }
  /// From here on the program is in that country, as after a start there.
  void goAbroad() {
    qputenv("LOCPATH", made_->path().toUtf8());
    ASSERT_NE(std::setlocale(LC_ALL, (std::string(GetParam()) + ".UTF-8").c_str()), nullptr)
        << "the locale could not be made: is Debian's package locales there?";
    ASSERT_STREQ(std::localeconv()->decimal_point, ",");
    QLocale::setDefault(QLocale(QString::fromUtf8(GetParam())));
  }
  const Piece& pieceCalled(const char* kind) {
    for (const Placement& p : work().scheme()->placements)
      if (pieceOf(job(), p).kind == kind) return pieceOf(job(), p);
    throw std::runtime_error("the parlour has none");
  }
  void typeInto(const char* field, const QString& text) {
    auto* line = find<QLineEdit>(field);
    line->setFocus();
    line->clear();
    QTest::keyClicks(line, text);
    QTest::keyClick(line, Qt::Key_Return);
  }
  /// All that can be read in the window.
  QStringList words() {
    QApplication::sendPostedEvents(nullptr, QEvent::DeferredDelete);
    QStringList out;
    for (QWidget* w : window_->findChildren<QWidget*>()) {
      if (!w->isVisible()) continue;
      if (const auto* label = qobject_cast<QLabel*>(w)) out << label->text();
      else if (const auto* line = qobject_cast<QLineEdit*>(w)) out << line->text() + line->placeholderText();
      else if (const auto* button = qobject_cast<QAbstractButton*>(w)) out << button->text();
      else if (const auto* box = qobject_cast<QComboBox*>(w)) out << box->currentText();
    }
    return out;
  }
  QString written(const char* ending) {
    DatesDialog dialog(work(), files_);
    const QString path = folder_.path() + QStringLiteral("/dates") + QString::fromUtf8(ending);
    EXPECT_FALSE(dialog.write(path).has_value());
    QFile file(path);
    EXPECT_TRUE(file.open(QIODevice::ReadOnly));
    return QString::fromUtf8(file.readAll());
  }
  static inline std::unique_ptr<QTemporaryDir> made_;
};

TEST_P(AbroadWindow, WhatCameIsUnderstood) {
  goAbroad();
  work().showStage(Stage::HandOver);
  typeInto("handLine", QStringLiteral("sofa came 84 1/2 x 37"));
  EXPECT_NEAR(pieceCalled("sofa").width, 84.5 * kInch, 1e-6);
  // Large letters, with an I among them.
  typeInto("handLine", QStringLiteral("SIDE TABLE CAME 20.25"));
  EXPECT_NEAR(pieceCalled("side-table").width, 20.25 * kInch, 1e-6);
  work().switchUnits();
  typeInto("handLine", QStringLiteral("sofa came 2146,5 x 940"));
  EXPECT_NEAR(pieceCalled("sofa").width, 2146.5, 1e-6);
}
TEST_P(AbroadWindow, PiecesAreUnderstoodInLargeLetters) {
  goAbroad();
  const std::size_t before = job().pieces.size();
  typeInto("pieceLine", QStringLiteral("DINING TABLE 72.5 X 38 X 30"));
  ASSERT_EQ(job().pieces.size(), before + 1);
  EXPECT_EQ(job().pieces.back()->kind, "dining-table");
  EXPECT_NEAR(job().pieces.back()->width, 72.5 * kInch, 1e-6);
}
TEST_P(AbroadWindow, DatesAreWrittenAlike) {
  ASSERT_TRUE(window_->document().edit(QStringLiteral("days"), withWorkDays(job(), "2027-01-11", "").value()));
  const QString table = written(".csv"), calendar = written(".ics");
  ASSERT_GT(table.size(), 100);
  goAbroad();
  EXPECT_EQ(written(".csv"), table);
  EXPECT_EQ(written(".ics"), calendar);
}
TEST_P(AbroadWindow, EveryStageSaysTheSame) {
  ASSERT_TRUE(window_->document().edit(QStringLiteral("days"), withWorkDays(job(), "2027-01-11", "").value()));
  work().select(PlacementId("p1"));
  std::vector<QStringList> home;
  const auto walk = [&](const std::function<void(std::size_t)>& look) {
    for (std::size_t i = 0; i < stageRows().size(); ++i) {
      work().showStage(stageRows()[i].id);
      ASSERT_TRUE(QTest::qWaitFor([&] { return !work().routesPending(); }, kPatience));
      look(i);
    }
  };
  walk([&](std::size_t) { home.push_back(words()); });
  // Again, now that all is worked out.
  walk([&](std::size_t i) { home[i] = words(); });
  goAbroad();
  walk([&](std::size_t i) {
    ASSERT_GT(home[i].size(), 10);
    static_cast<void>(QTest::qWaitFor([&] { return words() == home[i]; }, 5'000));
    EXPECT_EQ(words().join(u'\n').toStdString(), home[i].join(u'\n').toStdString());
  });
}
INSTANTIATE_TEST_SUITE_P(Abroad, AbroadWindow, testing::ValuesIn(test::kLocales),
                         [](const auto& one) { return std::string(one.param); });

}  // namespace locale_test
}  // namespace mezzet
