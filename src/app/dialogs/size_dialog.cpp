#include "app/dialogs/size_dialog.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"
#include "core/decide/size_card.h"

namespace mezzet {

SizeDialog::SizeDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("sizeDialog"));
  const Placement* p = workspace_.selectedPlacement();
  setWindowTitle(p != nullptr ? tr("What size: %1").arg(workspace_.nameOf(*p)) : tr("What size"));
  setMinimumWidth(560);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  column->setSpacing(10);
  if (p != nullptr) column->addWidget(words(workspace_.nameOf(*p), "subject"));
  column->addWidget(
      words(tr("What this room's rules bear where it stands: one size at a time, the others at their best. "
               "Check the real piece with a tape before it is bought."),
            "quietNote"));
  lines_ = words(tr("Working out what fits ..."), "sizeCard");
  lines_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
  column->addWidget(lines_);
  auto* close = new QPushButton(tr("Close"));
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close, 0, Qt::AlignRight);
  if (p == nullptr || workspace_.scheme() == nullptr) return;
  using Lines = std::vector<std::string>;
  worker_.run<Lines>(
      [job = workspace_.job(), &book = workspace_.book(), scheme = workspace_.schemeId(), id = p->id,
       format = workspace_.format(),
       state = workspace_.useState()](const std::stop_token& stop, const Worker::Progress&) -> Lines {
        const auto card = sizeCardOf(job, book, scheme, id, format, {state, nullptr}, stop);
        const Scheme& here = *findScheme(job, scheme);
        return card ? sizeCardWords(*card, book, SchemeNames(job, here), roomOf(job, here)) : Lines{};
      },
      [this](Lines lines) {
        QStringList shown;
        for (const std::string& line : lines) shown << onScreen(line);
        lines_->setText(shown.isEmpty() ? tr("It does not stand on the floor.") : shown.join(QStringLiteral("\n\n")));
        adjustSize();
      });
}

}  // namespace mezzet
