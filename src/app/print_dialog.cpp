#include "app/print_dialog.h"

#include <QComboBox>
#include <QDate>
#include <QFileDialog>
#include <QFormLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "render/pdf.h"

namespace mezzet {

PrintDialog::PrintDialog(Workspace& workspace, FileSystem& files, QWidget* parent) : QDialog(parent), workspace_(workspace), files_(files) {
  setObjectName(QStringLiteral("printDialog"));
  setWindowTitle(tr("Print the plan to scale"));
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
  for (const int s : sheetScales()) scale_->addItem(QString::fromStdString(scaleInWords(s)), s);
  const bool inches = workspace_.job().units == Unit::Inch;
  paper_->setCurrentIndex(paper_->findData(inches ? QStringLiteral("letter") : QStringLiteral("a4")));
  scale_->setCurrentIndex(scale_->findData(inches ? 48 : 50));
  form->addRow(tr("Paper"), paper_);
  form->addRow(tr("Scale"), scale_);
  left->addLayout(form);
  words_ = new QLabel;
  words_->setObjectName(QStringLiteral("fit"));
  words_->setWordWrap(true);
  words_->setMinimumHeight(80);
  words_->setAlignment(Qt::AlignTop);
  left->addWidget(words_);
  left->addStretch(1);
  write_ = new QPushButton(tr("Write the PDF ..."));
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
  connect(paper_, &QComboBox::currentIndexChanged, this, &PrintDialog::preview);
  connect(scale_, &QComboBox::currentIndexChanged, this, &PrintDialog::preview);
  connect(write_, &QPushButton::clicked, this, &PrintDialog::askAndWrite);
  connect(close, &QPushButton::clicked, this, &QDialog::reject);
  setMinimumWidth(720);
  preview();
}

Result<Sheet> PrintDialog::sheet() const {
  const Room* room = workspace_.room();
  if (room == nullptr) return Error{"", "There is no room to print yet", "Measure one first"};
  const std::string date = QDate::currentDate().toString(Qt::ISODate).toStdString();
  return planSheet(workspace_.job(), *room, workspace_.scheme(),
                   {findPaper(paper_->currentData().toString().toStdString()), scale_->currentData().toInt(), workspace_.format(), date});
}

void PrintDialog::preview() {
  const Result<Sheet> made = sheet();
  write_->setEnabled(made.ok());
  if (!made) {
    words_->setText(QString::fromStdString(made.error().text()) + QStringLiteral("."));
    picture_->setPixmap({});
    return;
  }
  words_->setText(tr("Fits %1%2 at %3. Print at 100 %, without \"fit to page\", then measure the check bar.")
                      .arg(paper_->currentText(), made->turned ? tr(", turned,") : QString(), scale_->currentText()));
  const double most = std::min(410 / made->width, 500 / made->height), ratio = devicePixelRatioF();
  QImage image = sheetImage(*made, most * ratio, &workspace_.images());
  image.setDevicePixelRatio(ratio);
  picture_->setPixmap(QPixmap::fromImage(image));
}

std::optional<Error> PrintDialog::writePdf(const QString& path) const {
  const Result<Sheet> made = sheet();
  if (!made) return made.error();
  const QByteArray pdf = sheetPdf(*made, workspace_.job().name, &workspace_.images());
  if (pdf.isEmpty()) return Error{path.toStdString(), "could not be drawn", "There may be too little memory"};
  return saveAtomically(files_, path.toStdString(), pdf.toStdString());
}

void PrintDialog::askAndWrite() {
  QString path = QFileDialog::getSaveFileName(this, tr("Write the plan"), tr("plan.pdf"), tr("PDF (*.pdf)"));
  if (path.isEmpty()) return;
  if (!path.endsWith(QStringLiteral(".pdf"))) path += QStringLiteral(".pdf");
  if (const auto fault = writePdf(path)) words_->setText(QString::fromStdString(fault->text()) + QStringLiteral("."));
  else words_->setText(tr("Written to %1.").arg(path));
}

}  // namespace mezzet
