#include "app/dialogs/pack_dialog.h"

#include <QComboBox>
#include <QFileDialog>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QListWidget>
#include <QPainter>
#include <QPushButton>

#include "app/document/saving.h"
#include "app/document/today.h"
#include "app/view/still_picture.h"
#include "app/widgets/form_line.h"
#include "app/widgets/layouts.h"
#include "core/edit/records.h"
#include "io/files/issue.h"
#include "io/files/pack_folder.h"
#include "render/pack_pdf.h"
#include "render/pdf.h"

namespace mezzet {

PackDialog::PackDialog(Workspace& workspace, FileSystem& files, QWidget* parent)
    : QDialog(parent), workspace_(workspace), files_(files) {
  setObjectName(QStringLiteral("packDialog"));
  setWindowTitle(tr("The pack"));
  resize(1060, 720);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(18, 14, 18, 14);
  row->setSpacing(14);
  row->addLayout(choices(), 2);
  picture_ = new StillView;
  picture_->setObjectName(QStringLiteral("packPicture"));
  picture_->setAccessibleName(tr("The sheet"));
  row->addWidget(picture_, 3);
  connect(&worker_, &Worker::progressed, this, [this](double share) {
    says_->setText(tr("Composing the sheets: %1 %").arg(static_cast<int>(share * 100)));
  });
  for (QComboBox* choice : {reader_, paper_})
    connect(choice, &QComboBox::currentIndexChanged, this, &PackDialog::compose);
  connect(&workspace_, &Workspace::jobChanged, this, &PackDialog::compose);
  compose();
}

PackDialog::~PackDialog() { worker_.stop(); }

QLayout* PackDialog::choices() {
  auto* left = new QVBoxLayout;
  left->setSpacing(8);
  auto* form = new QFormLayout;
  reader_ = new QComboBox;
  reader_->setObjectName(QStringLiteral("packReader"));
  reader_->addItems(
      {tr("the owner"), tr("the installer"), tr("the electrician"), tr("the shop"), tr("everybody: the whole set")});
  paper_ = new QComboBox;
  paper_->setObjectName(QStringLiteral("packPaper"));
  for (const Paper& p : papers()) paper_->addItem(QString::fromStdString(p.name), QString::fromStdString(p.id));
  paper_->setCurrentIndex(
      paper_->findData(workspace_.job().units == Unit::Inch ? QStringLiteral("letter") : QStringLiteral("a4")));
  form->addRow(tr("For"), reader_);
  form->addRow(tr("Paper"), paper_);
  firm_ = addFormLine(*form, "packFirm", tr("Firm"), tr("on every title block"), 60, [this] { takeNames(); });
  client_ = addFormLine(*form, "packClient", tr("Client"), tr("on every title block"), 60, [this] { takeNames(); });
  firm_->setText(QString::fromStdString(workspace_.job().records->firm));
  client_->setText(QString::fromStdString(workspace_.job().records->client));
  left->addLayout(form);
  sheets_ = new QListWidget;
  sheets_->setObjectName(QStringLiteral("packSheets"));
  sheets_->setAccessibleName(tr("Sheets of the pack"));
  connect(sheets_, &QListWidget::currentRowChanged, this, &PackDialog::draw);
  left->addWidget(sheets_, 1);
  says_ = words({}, "quietNote");
  says_->setObjectName(QStringLiteral("packSays"));
  says_->setMinimumHeight(54);
  says_->setAlignment(Qt::AlignTop);
  left->addWidget(says_);
  const auto button = [&](const QString& text, const char* name, std::function<void()> act) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setAutoDefault(false);
    connect(b, &QPushButton::clicked, this, std::move(act));
    left->addWidget(b);
    return b;
  };
  record_ = button(tr("Record an issue"), "recordIssue", [this] { record(); });
  record_->setToolTip(tr("The drawings as they are now get a number; what changes after that is told"));
  write_ = button(tr("Write one PDF ..."), "primary", [this] { askAndWrite(false); });
  folder_ = button(tr("Write a folder ..."), "packFolder", [this] { askAndWrite(true); });
  static_cast<void>(button(tr("Close"), "closePack", [this] { accept(); }));
  return left;
}

QString PackDialog::title() const {
  return QString::fromStdString(workspace_.job().name + ", " + readerTitle(request().reader));
}

PackRequest PackDialog::request() const {
  PackRequest out;
  out.reader = static_cast<PackReader>(reader_->currentIndex());
  out.sheet.paper = findPaper(paper_->currentData().toString().toStdString());
  out.sheet.format = workspace_.format();
  out.sheet.date = today();
  out.sheet.book = &workspace_.book();
  out.sheet.state = workspace_.useState();
  out.sheet.issue = issueWords(workspace_.job());
  if (const IssueRecord* last = lastIssue(workspace_.job())) out.changes = last->changes;
  return out;
}

void PackDialog::compose() {
  for (QPushButton* button : {write_, folder_}) button->setEnabled(false);
  record_->setEnabled(!workspace_.document().readOnly() && !asIssued(workspace_.job()));
  record_->setText(
      tr("Record issue %1").arg(lastIssue(workspace_.job()) != nullptr ? lastIssue(workspace_.job())->number + 1 : 1));
  says_->setText(tr("Composing the sheets ..."));
  worker_.run<Result<Pack>>(
      [job = workspace_.job(), request = request()](const std::stop_token& stop, const Worker::Progress& told) {
        return composePack(job, request, stop, [&told](int done, int all) { told(static_cast<double>(done) / all); });
      },
      [this](Result<Pack> made) { take(std::move(made)); });
}

void PackDialog::take(Result<Pack> made) {
  const int kept = std::max(0, sheets_->currentRow());
  sheets_->clear();
  if (!made) {
    pack_ = {};
    picture_->showNothing();
    return says_->setText(onScreen(made.error().text()) + QStringLiteral("."));
  }
  pack_ = std::move(made).value();
  for (const PackContent& c : pack_.contents) {
    const QString pages =
        c.pages > 1 ? QStringLiteral("%1 - %2").arg(c.first).arg(c.first + c.pages - 1) : QString::number(c.first);
    sheets_->addItem(
        QStringLiteral("%1   %2%3")
            .arg(pages, onScreen(c.title), c.room.empty() ? QString() : QStringLiteral(", ") + onScreen(c.room)));
  }
  sheets_->setCurrentRow(std::min(kept, sheets_->count() - 1));
  QStringList lines{tr("%1 sheets. %2")
                        .arg(pack_.pages.size())
                        .arg(request().sheet.issue.empty()
                                 ? tr("Nothing was issued yet: record an issue when they leave the house.")
                                 : onScreen(request().sheet.issue) + QStringLiteral("."))};
  for (const std::string& note : pack_.notes) lines << onScreen(note);
  says_->setText(lines.join(u'\n'));
  for (QPushButton* button : {write_, folder_}) button->setEnabled(true);
  draw();
}

void PackDialog::draw() {
  const int at = sheets_->currentRow();
  if (at < 0 || at >= static_cast<int>(pack_.contents.size())) return;
  const auto page = static_cast<std::size_t>(pack_.contents[static_cast<std::size_t>(at)].first - 1);
  if (page >= pack_.pages.size()) return;
  picture_->show([sheet = pack_.pages[page], &w = workspace_](QSize size, double ratio) {
    const double most = std::min(size.width() / sheet.width, size.height() / sheet.height);
    QImage image = sheetImage(sheet, most * ratio, &w.images());
    image.setDevicePixelRatio(ratio);
    return QPixmap::fromImage(image);
  });
}

void PackDialog::takeNames() {
  const auto after =
      withTitleNames(workspace_.job(), firm_->text().trimmed().toStdString(), client_->text().trimmed().toStdString());
  if (after && *after->records != *workspace_.job().records && !workspace_.document().readOnly())
    workspace_.document().edit(tr("names on the title block"), *after);
}

void PackDialog::record() {
  const auto after = issued(workspace_.job(), workspace_.book(), {}, readerWord(request().reader), today());
  if (!after) return says_->setText(onScreen(after.error().text()) + QStringLiteral("."));
  workspace_.document().edit(tr("issue %1").arg(lastIssue(*after)->number), *after);
}

std::optional<Error> PackDialog::write(const QString& path) {
  const std::string where = path.toStdString(), name = title().toStdString();
  if (path.endsWith(QStringLiteral(".pdf"))) {
    const auto bytes = packPdf(pack_, name, &workspace_.images());
    if (!bytes) return bytes.error();
    return saveAtomically(files_, where, bytes->toStdString());
  }
  const auto sheets = contentPdfs(pack_, name, &workspace_.images());
  if (!sheets) return sheets.error();
  return savePackFolder(files_, where, pack_, *sheets);
}

void PackDialog::askAndWrite(bool folder) {
  const QString proposed = QStringLiteral("pack-") + QString::fromUtf8(readerWord(request().reader));
  const QString path = folder ? QFileDialog::getExistingDirectory(this, tr("A folder for the sheets"))
                              : askedPath(this, tr("Write the pack"), proposed, QStringLiteral(".pdf"), tr("PDF"));
  if (path.isEmpty()) return;
  if (const auto fault = write(path)) says_->setText(onScreen(fault->text()) + QStringLiteral("."));
  else says_->setText(tr("Written to %1.").arg(path));
}

}  // namespace mezzet
