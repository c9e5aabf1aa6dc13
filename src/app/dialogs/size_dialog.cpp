#include "app/dialogs/size_dialog.h"

#include <QComboBox>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/document/saving.h"
#include "app/widgets/layouts.h"
#include "core/decide/size_card.h"
#include "core/decide/size_place.h"
#include "core/model/kinds.h"
#include "core/sheets/sheet_row.h"
#include "render/pdf.h"

namespace mezzet {

SizeDialog::SizeDialog(Workspace& workspace, FileSystem& files, QWidget* parent)
    : QDialog(parent), workspace_(workspace), files_(files) {
  setObjectName(QStringLiteral("sizeDialog"));
  const Placement* p = workspace_.selectedPlacement();
  setWindowTitle(p != nullptr ? tr("What size: %1").arg(workspace_.nameOf(*p)) : tr("What size"));
  setMinimumWidth(600);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  column->setSpacing(10);
  what_ = new QComboBox;
  what_->setObjectName(QStringLiteral("sizeOf"));
  what_->setAccessibleName(tr("What the card is for"));
  if (p != nullptr) what_->addItem(tr("%1, where it stands").arg(workspace_.nameOf(*p)), QString());
  for (const std::string_view kind : offeredKinds()) {
    const QString id = QString::fromUtf8(kind.data(), static_cast<qsizetype>(kind.size()));
    const std::string_view said = kindWords(kind);
    const QString name = QString::fromUtf8(said.data(), static_cast<qsizetype>(said.size()));
    what_->addItem(p != nullptr && onFloor(p->on) != nullptr ? tr("a %1 for it, not there yet").arg(name)
                                                             : tr("a %1, not there yet").arg(name),
                   id);
  }
  column->addWidget(what_, 0, Qt::AlignLeft);
  column->addWidget(words(tr("What this room's rules bear there: one size at a time, the others at their best. "
                             "Check the real piece with a tape before it is bought."),
                          "quietNote"));
  lines_ = words({}, "sizeCard");
  lines_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
  column->addWidget(lines_);
  auto* buttons = new QHBoxLayout;
  write_ = new QPushButton(tr("Write the card ..."));
  write_->setObjectName(QStringLiteral("writeCard"));
  connect(write_, &QPushButton::clicked, this, &SizeDialog::askAndWrite);
  auto* close = new QPushButton(tr("Close"));
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  buttons->addWidget(write_);
  buttons->addStretch(1);
  buttons->addWidget(close);
  column->addLayout(buttons);
  connect(what_, &QComboBox::currentIndexChanged, this, &SizeDialog::work);
  work();
}

SizeDialog::~SizeDialog() { workspace_.showGhost(std::nullopt); }

void SizeDialog::work() {
  write_->setEnabled(false);
  workspace_.showGhost(std::nullopt);
  if (workspace_.scheme() == nullptr) return lines_->setText(tr("There is no scheme yet."));
  lines_->setText(tr("Working out what fits ..."));
  const std::string kind = what_->currentData().toString().toStdString();
  const Placement* p = workspace_.selectedPlacement();
  std::optional<PlacementId> served;
  if (p != nullptr && onFloor(p->on) != nullptr) served = p->id;
  worker_.run<Result<Card>>(
      [job = workspace_.job(), &book = workspace_.book(), scheme = workspace_.schemeId(), kind, served,
       selected = p != nullptr ? p->id : PlacementId(), ids = workspace_.document().ids(), format = workspace_.format(),
       state = workspace_.useState()](const std::stop_token& stop, const Worker::Progress&) mutable -> Result<Card> {
        Card card{std::move(job), selected, {}};
        if (!kind.empty()) {
          auto added = placedFor(card.job, book, scheme, kind, served, format, {state, nullptr}, ids);
          if (!added) return added.error();
          card.job = std::move(added->job);
          card.placement = added->placement;
        }
        const auto made = sizeCardOf(card.job, book, scheme, card.placement, format, {state, nullptr}, stop);
        const Scheme& here = *findScheme(card.job, scheme);
        if (made) card.lines = sizeCardWords(*made, book, SchemeNames(card.job, here), roomOf(card.job, here));
        return card;
      },
      [this](Result<Card> made) {
        if (!made) return lines_->setText(onScreen(made.error().text()) + QStringLiteral("."));
        card_ = std::move(made).value();
        QStringList shown;
        for (const std::string& line : card_.lines) shown << onScreen(line);
        lines_->setText(shown.isEmpty() ? tr("It stands on another thing.") : shown.join(QStringLiteral("\n\n")));
        write_->setEnabled(!shown.isEmpty());
        if (!what_->currentData().toString().isEmpty()) workspace_.showGhost(card_.job);
        adjustSize();
      });
}

std::optional<Error> SizeDialog::write(const QString& path) const {
  const Scheme* scheme = findScheme(card_.job, workspace_.schemeId());
  if (scheme == nullptr || workspace_.room() == nullptr) return Error{"", "There is no card yet", "Wait for it"};
  const bool inches = card_.job.units == Unit::Inch;
  const SheetRequest request{findPaper(inches ? "letter" : "a4"),
                             0,
                             workspace_.format(),
                             today(),
                             SheetVersion::Client,
                             &workspace_.book(),
                             workspace_.useState()};
  auto sheet =
      composeSheet(card_.job, *workspace_.room(), scheme, {&sizeCardSheetRow(), card_.placement.value}, request);
  if (!sheet) return sheet.error();
  const auto bytes = sheetBytes({*sheet}, path.toStdString(), card_.job.name, &workspace_.images());
  if (!bytes) return bytes.error();
  return saveAtomically(files_, path.toStdString(), bytes->toStdString());
}

void SizeDialog::askAndWrite() {
  const QString path = askedSheetPath(this, tr("Write the card"), QStringLiteral("size-card.pdf"));
  if (path.isEmpty()) return;
  if (const auto fault = write(path)) lines_->setText(onScreen(fault->text()) + QStringLiteral("."));
  else setWindowTitle(tr("Written to %1").arg(path));
}

}  // namespace mezzet
