#include "app/dialogs/piece_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/length_field.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/decide/adding.h"

namespace mezzet {
namespace {

QString wordsOf(std::string_view words) { return PieceDialog::tr(std::string(words).c_str()); }

}  // namespace

PieceDialog::PieceDialog(Workspace& workspace, const Piece* change, QWidget* parent)
    : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("pieceDialog"));
  const Accepts accepts = rowOf(workspace_.stage()).accepts;
  const bool walls = accepts == Accepts::Wall, ceiling = accepts == Accepts::Ceiling;
  if (change != nullptr) change_ = *change;
  setWindowTitle(change_   ? tr("Sizes of %1").arg(QString::fromStdString(change_->name))
                 : walls   ? tr("Hang a picture")
                 : ceiling ? tr("Add a light")
                           : tr("Add a piece"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  auto* form = new QFormLayout;
  form->setLabelAlignment(Qt::AlignLeft);
  form->setVerticalSpacing(6);
  kind_ = new QComboBox;
  kind_->setObjectName(QStringLiteral("pieceKind"));
  for (const std::string_view kind : offeredKinds())
    if (ceiling ? canBeLight(kind) && !hangs(kind) : hangs(kind) == walls && !goesOnCeiling(kind)) {
      const std::string_view words = kindWords(kind);
      kind_->addItem(QString::fromUtf8(words.data(), static_cast<qsizetype>(words.size())),
                     QString::fromUtf8(kind.data(), static_cast<qsizetype>(kind.size())));
    }
  if (!change_ && kind_->count() > 1) form->addRow(tr("What it is"), kind_);
  name_ = new QLineEdit;
  name_->setObjectName(QStringLiteral("pieceName"));
  form->addRow(tr("Its name"), name_);
  shape_ = new QComboBox;
  shape_->setObjectName(QStringLiteral("pieceShape"));
  shape_->addItems({tr("rectangular"), tr("round"), tr("oval"), tr("L, with a return"), tr("curved")});
  if (!walls) form->addRow(tr("Shape"), shape_);
  for (const PieceField& asked : pieceFields()) {
    if (asked.asked == nullptr) continue;
    auto* field = new QLineEdit;
    field->setObjectName(QStringLiteral("piece:") + QString::fromStdString(std::string(asked.column)));
    field->setMaxLength(64);
    field->setProperty(kTakesLength, asked.kind == FieldKind::Length);
    fields_.push_back({&asked, field, new QLabel, {}});
    form->addRow(fields_.back().label, field);
    connect(field, &QLineEdit::textEdited, this, [this] { complaint_->clear(); });
  }
  column->addLayout(form);
  note_ = new QLabel(
      change_ ? tr("A size that is not known yet can be left empty. Where it comes from can stand behind it: 84 "
                   "\u00b11 ticket, 84 guess.")
              : tr("These are usual sizes to start from, not yours: type what the tape or the ticket says."));
  note_->setObjectName(QStringLiteral("quietNote"));
  note_->setWordWrap(true);
  column->addWidget(note_);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("fieldComplaint"));
  complaint_->setWordWrap(true);
  complaint_->setMinimumHeight(34);
  column->addWidget(complaint_);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  buttons->button(QDialogButtonBox::Ok)
      ->setText(change_ ? tr("Take these sizes")
                : walls ? tr("Hang it")
                        : tr("Place it"));
  buttons->button(QDialogButtonBox::Ok)->setObjectName(QStringLiteral("primary"));
  connect(buttons, &QDialogButtonBox::accepted, this, &PieceDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  connect(kind_, &QComboBox::currentIndexChanged, this,
          [this] { fill(usualPiece(kind_->currentData().toString().toStdString())); });
  connect(shape_, &QComboBox::currentIndexChanged, this, &PieceDialog::changeShape);
  fill(change_ ? *change_ : usualPiece(walls ? std::string(kPicture) : kind_->currentData().toString().toStdString()));
  setMinimumWidth(400);
}

void PieceDialog::fill(const Piece& piece) {
  piece_ = piece;
  name_->setText(QString::fromStdString(piece_.name));
  const QSignalBlocker quiet(shape_);
  shape_->setCurrentIndex(static_cast<int>(piece_.shape));
  showSizes();
}

void PieceDialog::showSizes() {
  for (Field& f : fields_) {
    f.shown = QString::fromStdString(pieceCell(piece_, *f.column, workspace_.format()));
    f.edit->setText(f.shown);
    const QString name = wordsOf(f.column->asked(piece_));
    f.label->setText(name);
    f.edit->setAccessibleName(name);
    f.label->setVisible(!name.isEmpty());
    f.edit->setVisible(!name.isEmpty());
  }
}

bool PieceDialog::readSizes() {
  const Unit bare = workspace_.job().units;
  for (Field& f : fields_) {
    // What was not touched keeps its exact value, which may be finer than what is written.
    if (f.column->asked(piece_).empty() || f.edit->text() == f.shown) continue;
    auto with = withPieceCell(piece_, *f.column, f.edit->text().toStdString(), bare);
    if (!with) {
      complain(f.label->text() + QStringLiteral(": ") +
                   QString::fromStdString(Error{{}, with.error().what, with.error().hint}.text()),
               f.edit);
      return false;
    }
    piece_ = std::move(with).value();
    f.shown = f.edit->text();
  }
  return true;
}

void PieceDialog::changeShape() {
  const auto shape = static_cast<Shape>(shape_->currentIndex());
  if (!readSizes()) {
    const QSignalBlocker quiet(shape_);
    shape_->setCurrentIndex(static_cast<int>(piece_.shape));
    return;
  }
  if (auto with = withPieceCell(piece_, *findField("shape"), kShapeWords[static_cast<std::size_t>(shape)],
                                workspace_.job().units))
    piece_ = std::move(with).value();
  showSizes();
}

void PieceDialog::complain(const QString& sentence, QLineEdit* field) {
  complaint_->setText(sentence);
  if (field != nullptr) {
    field->setFocus();
    field->selectAll();
  }
}

void PieceDialog::accept() {
  if (!readSizes()) return;
  Piece piece = piece_;
  piece.name = name_->text().trimmed().toStdString();
  if (piece.name.empty()) return complain(tr("Give it a name, so that the ledger can speak of it."), name_);
  if (change_) {
    if (hangs(piece.kind) ? !piece.height : !piece.depth)
      return complain(hangs(piece.kind) ? tr("What hangs needs a height.") : tr("A piece on the floor needs a depth."),
                      nullptr);
    const auto after = withPiece(workspace_.job(), piece);
    if (!after) return complain(QString::fromStdString(after.error().text()) + QStringLiteral("."), nullptr);
    workspace_.document().edit(tr("sizes of %1").arg(QString::fromStdString(midSentence(piece.name))), *after);
  } else {
    IdSource ids = workspace_.document().ids();
    const auto added =
        withNewPiece(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), piece, ids);
    if (!added) return complain(QString::fromStdString(added.error().text()) + QStringLiteral("."), nullptr);
    workspace_.document().edit(tr("add %1").arg(QString::fromStdString(midSentence(piece.name))), added->job,
                               ids.next());
    workspace_.select(added->placement);
  }
  QDialog::accept();
}

}  // namespace mezzet
