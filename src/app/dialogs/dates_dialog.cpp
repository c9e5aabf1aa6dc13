#include "app/dialogs/dates_dialog.h"

#include <QFileDialog>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QScrollArea>

#include "app/document/saving.h"
#include "app/document/today.h"
#include "app/view/still_picture.h"
#include "app/widgets/form_line.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/drawing/dates/dates_drawing.h"
#include "core/edit/records.h"
#include "io/tables/calendar_file.h"

namespace mezzet {

DatesDialog::DatesDialog(Workspace& workspace, FileSystem& files, QWidget* parent)
    : QDialog(parent), workspace_(workspace), files_(files) {
  setObjectName(QStringLiteral("datesDialog"));
  setWindowTitle(tr("Dates"));
  resize(1060, 720);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 14);
  column->setSpacing(8);
  picture_ = new StillView;
  picture_->setObjectName(QStringLiteral("datesPicture"));
  picture_->setAccessibleName(tr("Tasks over working days"));
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setWidget(picture_);
  column->addWidget(scroll, 1);
  held_ = words({}, "sentence");
  held_->setObjectName(QStringLiteral("datesHeld"));
  column->addWidget(held_);
  auto* row = new QHBoxLayout;
  auto* form = new QFormLayout;
  starts_ =
      addFormLine(*form, "datesStart", tr("Work may begin on"), QStringLiteral("2026-03-31"), 10, [this] { take(); });
  due_ = addFormLine(*form, "datesDue", tr("All is wanted by"), QStringLiteral("2026-05-29"), 10, [this] { take(); });
  row->addLayout(form);
  row->addStretch(1);
  const auto button = [&](const QString& text, const char* name, std::function<void()> act) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setAutoDefault(false);
    connect(b, &QPushButton::clicked, this, std::move(act));
    row->addWidget(b, 0, Qt::AlignBottom);
  };
  button(tr("Calendar ..."), "writeCalendar", [this] { askAndWrite(QStringLiteral(".ics")); });
  button(tr("Table ..."), "writeDates", [this] { askAndWrite(QStringLiteral(".csv")); });
  button(tr("Close"), "closeDates", [this] { accept(); });
  column->addLayout(row);
  complaint_ = words({}, "fieldComplaint");
  column->addWidget(complaint_);
  connect(&workspace_, &Workspace::jobChanged, this, &DatesDialog::fill);
  fill();
}

void DatesDialog::fill() {
  const Records& records = *workspace_.job().records;
  if (!starts_->hasFocus()) starts_->setText(QString::fromStdString(records.starts));
  if (!due_->hasFocus()) due_->setText(QString::fromStdString(records.due));
  dates_ = datesOf(workspace_.job(), workspace_.book(), {}, std::nullopt);
  QStringList lines;
  if (!dates_) {
    picture_->showNothing();
    held_->setText(onScreen(capital(dates_.error().text()) + "."));
    return;
  }
  lines << tr("All done on %1. Monday to Friday; holidays are not known, and people are not levelled.")
               .arg(onScreen(dayWords(dates_->end)));
  for (const HeldDate& late : dates_->late) lines << onScreen(late.says);
  for (const std::string& note : dates_->notes) lines << onScreen(note);
  held_->setText(lines.join(u'\n'));
  // Words stay as large as they can be read, whatever there is to do; more of it is scrolled.
  constexpr double kPixelsPerMm = 3.9, kAround = 14;
  picture_->setMinimumHeight(
      static_cast<int>((static_cast<double>(dates_->tasks.size()) * kDatesRow + kAround) * kPixelsPerMm));
  picture_->show([dates = *dates_, &w = workspace_](QSize size, double ratio) {
    // As wide as the picture once its rows fill it from top to bottom.
    const double rows = static_cast<double>(dates.tasks.size()) * kDatesRow + 14;
    const double wide = std::max(150.0, rows * size.width() / size.height());
    return drawingPicture(w, size, ratio, [&](double) { return composeDates(dates, {}, wide, thisDay()); });
  });
}

void DatesDialog::take() {
  const auto after =
      withWorkDays(workspace_.job(), starts_->text().trimmed().toStdString(), due_->text().trimmed().toStdString());
  complaint_->setText(after ? QString() : onScreen(after.error().text()) + QStringLiteral("."));
  if (after && *after->records != *workspace_.job().records && !workspace_.document().readOnly())
    workspace_.document().edit(tr("days of the job"), *after);
}

std::optional<Error> DatesDialog::write(const QString& path) const {
  if (!dates_) return dates_.error();
  const std::string bytes = path.endsWith(QStringLiteral(".ics"))
                                ? calendarText(*dates_, workspace_.job().name, thisDay())
                                : writeCsv(datesTable(*dates_));
  return saveAtomically(files_, path.toStdString(), bytes);
}

void DatesDialog::askAndWrite(const QString& ending) {
  const QString path = askedPath(this, tr("Write dates"), QStringLiteral("dates"), ending,
                                 ending == QStringLiteral(".ics") ? tr("Calendars") : tr("Tables"));
  if (path.isEmpty()) return;
  const auto fault = write(path);
  complaint_->setText(fault ? onScreen(fault->text()) + QStringLiteral(".") : QString());
}

}  // namespace mezzet
