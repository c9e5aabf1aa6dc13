#include "app/dialogs/years_dialog.h"

#include <QCheckBox>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/base/calendar.h"
#include "core/edit/records.h"

namespace mezzet {

YearsDialog::YearsDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("yearsDialog"));
  setWindowTitle(tr("The years after"));
  resize(760, 520);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 14);
  column->setSpacing(8);
  rows_ = scrollingRows(column);
  auto* line = new QHBoxLayout;
  const auto field = [&](const char* name, const QString& title, const QString& example, int longest) {
    auto* edit = new QLineEdit;
    edit->setObjectName(QString::fromUtf8(name));
    edit->setAccessibleName(title);
    edit->setPlaceholderText(example);
    edit->setMaxLength(longest);
    return edit;
  };
  date_ = field("reviewDate", tr("On which day"), QStringLiteral("2027-03-31"), 10);
  date_->setFixedWidth(110);
  what_ = field("reviewWhat", tr("What is looked at"), tr("what is looked at again"), 300);
  line->addWidget(date_);
  line->addWidget(what_, 1);
  auto* put = new QPushButton(tr("Add"));
  put->setObjectName(QStringLiteral("addReview"));
  put->setAutoDefault(false);
  connect(put, &QPushButton::clicked, this, [this] {
    add({date_->text().trimmed().toStdString(), what_->text().trimmed().toStdString()});
  });
  line->addWidget(put);
  column->addLayout(line);
  complaint_ = words({}, "fieldComplaint");
  column->addWidget(complaint_);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close, 0, Qt::AlignRight);
  connect(&workspace_, &Workspace::jobChanged, this, &YearsDialog::rebuild);
  rebuild();
}

void YearsDialog::add(const Review& review) {
  if (review.what.empty()) return complaint_->setText(tr("Say what is looked at."));
  const auto after = withReview(workspace_.job(), review);
  complaint_->setText(after ? QString() : onScreen(after.error().text()) + QStringLiteral("."));
  if (!after) return;
  date_->clear();
  what_->clear();
  workspace_.document().edit(tr("something to look at again"), *after);
}

void YearsDialog::rebuild() {
  emptyLayout(rows_);
  const auto& reviews = workspace_.job().records->reviews;
  rows_->addWidget(words(tr("To look at again"), "panelTitle"));
  if (reviews.empty()) rows_->addWidget(words(tr("Nothing yet."), "quietNote"));
  std::vector<std::size_t> order(reviews.size());
  for (std::size_t i = 0; i < order.size(); ++i) order[i] = i;
  std::stable_sort(order.begin(), order.end(),
                   [&](std::size_t a, std::size_t b) { return reviews[a].date < reviews[b].date; });
  for (const std::size_t i : order) {
    const Review& r = reviews[i];
    const bool due = r.done.empty() && r.date <= today();
    auto* box =
        new QCheckBox(tr("%1%2: %3%4")
                          .arg(due ? tr("Due, ") : QString(), onScreen(dayWords(*readDay(r.date))), onScreen(r.what),
                               r.done.empty() ? QString() : tr(" (done %1)").arg(onScreen(r.done))));
    box->setObjectName(QStringLiteral("review:%1").arg(i));
    box->setChecked(!r.done.empty());
    connect(
        box, &QCheckBox::toggled, this,
        [this, i](bool on) {
          workspace_.document().edit(tr("looked at again"),
                                     withReviewDone(workspace_.job(), i, on ? today() : std::string()));
        },
        Qt::QueuedConnection);
    rows_->addWidget(box);
  }
  const std::vector<Review> offered = reviewsOffered(workspace_.job(), today());
  if (!offered.empty()) {
    rows_->addSpacing(8);
    rows_->addWidget(words(tr("Worth looking at, from what is recorded"), "subject"));
  }
  for (std::size_t i = 0; i < offered.size(); ++i) {
    auto* button = new QPushButton(
        tr("Add: %1, %2").arg(onScreen(dayWords(*readDay(offered[i].date))), onScreen(offered[i].what)));
    button->setObjectName(QStringLiteral("offer:%1").arg(i));
    button->setAutoDefault(false);
    button->setProperty("leads", true);
    connect(
        button, &QPushButton::clicked, this, [this, r = offered[i]] { add(r); }, Qt::QueuedConnection);
    rows_->addWidget(button);
  }
  rows_->addSpacing(8);
  rows_->addWidget(words(tr("Holes, and what hangs otherwise than planned: Shift+H."), "quietNote"));
  rows_->addStretch(1);
}

}  // namespace mezzet
