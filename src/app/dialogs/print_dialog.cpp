#include "app/dialogs/print_dialog.h"
#include "app/document/today.h"
#include "app/document/saving.h"

#include <QCheckBox>
#include <QComboBox>
#include <QFormLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/length_field.h"
#include "core/sheets/sheet_row.h"
#include "io/files/issue.h"
#include "render/pdf.h"

namespace mezzet {
namespace {

constexpr double kNarrowestRoll = 150, kWidestRoll = 1'600;

}  // namespace

PrintDialog::PrintDialog(Workspace& workspace, FileSystem& files, QWidget* parent)
    : QDialog(parent), workspace_(workspace), files_(files) {
  setObjectName(QStringLiteral("printDialog"));
  setWindowTitle(tr("Print to scale"));
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(18, 16, 18, 16);
  row->setSpacing(18);
  auto* left = new QVBoxLayout;
  auto* form = new QFormLayout;
  paper_ = new QComboBox;
  paper_->setObjectName(QStringLiteral("paper"));
  for (const Paper& p : papers()) paper_->addItem(QString::fromStdString(p.name), QString::fromStdString(p.id));
  scale_ = new QComboBox;
  scale_->setObjectName(QStringLiteral("scale"));
  scale_->addItem(tr("the largest that fits"), 0);
  for (const int s : sheetScales()) scale_->addItem(QString::fromStdString(scaleInWords(s)), s);
  const bool inches = workspace_.job().units == Unit::Inch;
  paper_->setCurrentIndex(paper_->findData(inches ? QStringLiteral("letter") : QStringLiteral("a4")));
  scale_->setCurrentIndex(0);
  kind_ = new QComboBox;
  kind_->setObjectName(QStringLiteral("sheetKind"));
  for (const OfferedSheet& sheet : offeredSheets(workspace_.job(), workspace_.room(), workspace_.scheme()))
    kind_->addItem(tr(sheet.title.c_str()), QString::fromStdString(sheet.kind));
  if (workspace_.stage() == Stage::Measure) kind_->setCurrentIndex(kind_->findData(QStringLiteral("field")));
  if (workspace_.stage() == Stage::Walls)
    kind_->setCurrentIndex(
        kind_->findData((workspace_.showsNails() ? QStringLiteral("nails:") : QStringLiteral("wall:")) +
                        QString::fromStdString(workspace_.wall().value)));
  for_ = new QComboBox;
  for_->setObjectName(QStringLiteral("sheetFor"));
  for_->addItems({tr("the client"), tr("the installer, with what is set out")});
  for (QComboBox* list : {kind_, for_, paper_, scale_}) list->setSizeAdjustPolicy(QComboBox::AdjustToContents);
  form->addRow(tr("Sheet"), kind_);
  form->addRow(tr("For"), for_);
  form->addRow(tr("Paper"), paper_);
  form->addRow(tr("Scale"), scale_);
  whole_ = new QCheckBox(tr("whole frames, not only strips along their tops"));
  whole_->setObjectName(QStringLiteral("wholeTemplates"));
  form->addRow(tr("Templates"), whole_);
  roll_ = new LengthField(tr("Width of a roll"), [this](const QString& text) {
    if (text.trimmed().isEmpty()) {
      rollWidth_.reset();
      preview();
      return LengthReading{0.0, 0, {}};
    }
    LengthReading reading = workspace_.read(text);
    if (reading && !(*reading.length >= kNarrowestRoll && *reading.length <= kWidestRoll))
      reading = {std::nullopt, 0, "A roll is 150 mm to 1.6 m (6 to 63 in) wide."};
    if (reading) {
      rollWidth_ = reading.length;
      preview();
    }
    return reading;
  });
  roll_->setObjectName(QStringLiteral("templateRoll"));
  roll_->setPlaceholderText(tr("sheets; type a roll's width"));
  form->addRow(tr("Off a roll"), roll_);
  left->addLayout(form);
  words_ = new QLabel;
  words_->setObjectName(QStringLiteral("fit"));
  words_->setWordWrap(true);
  words_->setMinimumHeight(80);
  words_->setAlignment(Qt::AlignTop);
  left->addWidget(words_);
  left->addStretch(1);
  write_ = new QPushButton(tr("Write PDF, SVG or PNG ..."));
  write_->setObjectName(QStringLiteral("primary"));
  auto* close = new QPushButton(tr("Close"));
  left->addWidget(write_);
  left->addWidget(close);
  row->addLayout(left, 1);
  picture_ = new QLabel;
  picture_->setAlignment(Qt::AlignCenter);
  picture_->setFixedSize(430, 520);
  picture_->setStyleSheet(QStringLiteral("background: #46545f;"));
  row->addWidget(picture_);
  for (QComboBox* choice : {kind_, for_, paper_, scale_})
    connect(choice, &QComboBox::currentIndexChanged, this, &PrintDialog::preview);
  connect(write_, &QPushButton::clicked, this, &PrintDialog::askAndWrite);
  connect(close, &QPushButton::clicked, this, &QDialog::reject);
  connect(whole_, &QCheckBox::toggled, this, &PrintDialog::preview);
  setMinimumWidth(760);
  preview();
}

Result<std::vector<Sheet>> PrintDialog::pages() const {
  const Room* room = workspace_.room();
  if (room == nullptr) return Error{"", "There is no room to print yet", "Measure one first"};
  const std::string date = today();
  const SheetRequest request{findPaper(paper_->currentData().toString().toStdString()),
                             scale_->currentData().toInt(),
                             workspace_.format(),
                             date,
                             for_->currentIndex() == 1 ? SheetVersion::Installer : SheetVersion::Client,
                             &workspace_.book(),
                             workspace_.useState(),
                             workspace_.nailAsk().end == WallEnd::Right,
                             workspace_.nailAsk().line,
                             whole_->isChecked(),
                             rollWidth_,
                             workspace_.routeLines(),
                             issueWords(workspace_.job())};
  const SheetKind kind = sheetKind(kind_->currentData().toString().toStdString()).value_or(SheetKind{});
  return composeSheets(workspace_.job(), *room, workspace_.scheme(), kind, request);
}

void PrintDialog::preview() {
  const auto made = pages();
  write_->setEnabled(made.ok());
  const auto kind = sheetKind(kind_->currentData().toString().toStdString());
  scale_->setEnabled(kind && kind->row->scales);
  const bool templates = kind && kind->row == &templateSheetRow();
  whole_->setEnabled(templates);
  roll_->setEnabled(templates);
  const bool asked = scale_->currentData().toInt() == 0 && made.ok() && made->front().scale > 0;
  scale_->setItemText(
      0, asked ? tr("the largest that fits: %1").arg(QString::fromStdString(scaleInWords(made->front().scale)))
               : tr("the largest that fits"));
  if (!made) {
    words_->setText(QString::fromStdString(made.error().text()) + QStringLiteral("."));
    picture_->setPixmap({});
    return;
  }
  const Sheet& first = made->front();
  const QString scale = QString::fromStdString(scaleInWords(first.scale));
  if (first.scale > 0)
    words_->setText(tr("Fits %1%2 at %3. Print at 100 %, without \"fit to page\", then measure the check bar.")
                        .arg(paper_->currentText(), first.turned ? tr(", turned,") : QString(), scale));
  else words_->setText(tr("%n page(s) of %1.", nullptr, static_cast<int>(made->size())).arg(paper_->currentText()));
  const double most = std::min(410 / first.width, 500 / first.height), ratio = devicePixelRatioF();
  QImage image = sheetImage(first, most * ratio, &workspace_.images());
  image.setDevicePixelRatio(ratio);
  picture_->setPixmap(QPixmap::fromImage(image));
}

std::optional<Error> PrintDialog::write(const QString& path) const {
  const auto made = pages();
  if (!made) return made.error();
  const auto bytes = sheetBytes(*made, path.toStdString(), workspace_.job().name, &workspace_.images());
  if (!bytes) return bytes.error();
  return saveAtomically(files_, path.toStdString(), bytes->toStdString());
}

void PrintDialog::askAndWrite() {
  const QString what = kind_->currentData().toString().replace(QChar(':'), QChar('-'));
  const QString path = askedSheetPath(this, tr("Write the sheet"), what + QStringLiteral(".pdf"));
  if (path.isEmpty()) return;
  if (const auto fault = write(path)) words_->setText(QString::fromStdString(fault->text()) + QStringLiteral("."));
  else words_->setText(tr("Written to %1.").arg(path));
}

}  // namespace mezzet
