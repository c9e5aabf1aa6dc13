#include "app/piece_dialog.h"

#include <QComboBox>
#include <QDialogButtonBox>
#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QVBoxLayout>

#include "core/job/edits.h"
#include "core/job/kinds.h"
#include "core/rules/adding.h"

namespace mezzet {
namespace {

struct Size {
  const char* key;
  const char* words;
  std::optional<double> Piece::*member;  // null for the width
};
constexpr Size kSizes[] = {{"width", "Width", nullptr},
                           {"depth", "Depth, front to back", &Piece::depth},
                           {"height", "Height", &Piece::height},
                           {"seat", "Seat above the floor", &Piece::seatHeight},
                           {"arm", "Arm above the floor", &Piece::armHeight},
                           {"back", "Back above the floor", &Piece::backHeight}};

bool asks(const std::string& kind, const std::string& key) {
  if (key == "seat" || key == "arm" || key == "back") return isSeat(kind);
  return true;
}

}  // namespace

PieceDialog::PieceDialog(Workspace& workspace, const Piece* change, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("pieceDialog"));
  const bool walls = workspace_.stage() == Stage::Walls;
  if (change != nullptr) change_ = *change;
  setWindowTitle(change_ ? tr("Sizes of %1").arg(QString::fromStdString(change_->name)) : walls ? tr("Hang a picture") : tr("Add a piece"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  auto* form = new QFormLayout;
  form->setLabelAlignment(Qt::AlignLeft);
  form->setVerticalSpacing(6);
  kind_ = new QComboBox;
  kind_->setObjectName(QStringLiteral("pieceKind"));
  for (const std::string_view kind : offeredKinds())
    if (isArt(kind) == walls) {
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
  shape_->addItems({tr("rectangular"), tr("round")});
  if (!walls) form->addRow(tr("Shape"), shape_);
  for (const Size& size : kSizes) {
    auto* field = new QLineEdit;
    field->setObjectName(QStringLiteral("piece:") + QString::fromUtf8(size.key));
    field->setMaxLength(64);
    fields_[size.key] = field;
    labels_[size.key] = new QLabel(tr(size.words));
    form->addRow(labels_[size.key], field);
    connect(field, &QLineEdit::textEdited, this, [this] { complaint_->clear(); });
  }
  column->addLayout(form);
  note_ = new QLabel(change_ ? tr("A size that is not known yet can be left empty; what depends on it then waits for the tape.")
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
  buttons->button(QDialogButtonBox::Ok)->setText(change_ ? tr("Take these sizes") : walls ? tr("Hang it") : tr("Place it"));
  buttons->button(QDialogButtonBox::Ok)->setObjectName(QStringLiteral("primary"));
  connect(buttons, &QDialogButtonBox::accepted, this, &PieceDialog::accept);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  connect(kind_, &QComboBox::currentIndexChanged, this, [this] { fill(usualPiece(kind_->currentData().toString().toStdString())); });
  connect(shape_, &QComboBox::currentIndexChanged, this, &PieceDialog::showFields);
  fill(change_ ? *change_ : usualPiece(walls ? "art" : kind_->currentData().toString().toStdString()));
  setMinimumWidth(400);
}

void PieceDialog::fill(const Piece& piece) {
  piece_ = piece;
  name_->setText(QString::fromStdString(piece_.name));
  shape_->setCurrentIndex(piece_.shape == Shape::Round ? 1 : 0);
  for (const Size& size : kSizes) {
    const auto value = size.member == nullptr ? std::optional(piece_.width) : piece_.*size.member;
    shown_[size.key] = value ? workspace_.write(*value) : QString();
    fields_[size.key]->setText(shown_[size.key]);
  }
  showFields();
}

void PieceDialog::showFields() {
  const bool round = shape_->currentIndex() == 1;
  labels_["width"]->setText(round ? tr("Diameter") : isArt(piece_.kind) ? tr("Width of the frame") : tr("Width"));
  labels_["height"]->setText(isArt(piece_.kind) ? tr("Height of the frame") : tr("Height"));
  labels_["depth"]->setText(isArt(piece_.kind) ? tr("Depth of the frame") : tr("Depth, front to back"));
  for (const Size& size : kSizes) {
    const bool shown = asks(piece_.kind, size.key) && !(round && std::string(size.key) == "depth");
    labels_[size.key]->setVisible(shown);
    fields_[size.key]->setVisible(shown);
  }
}

void PieceDialog::complain(const QString& sentence, QLineEdit* field, int at) {
  complaint_->setText(sentence);
  if (field != nullptr) {
    field->setFocus();
    field->setCursorPosition(at);
  }
}

void PieceDialog::accept() {
  Piece piece = piece_;
  piece.name = name_->text().trimmed().toStdString();
  if (piece.name.empty()) return complain(tr("Give it a name, so that the ledger can speak of it."), name_);
  piece.shape = shape_->currentIndex() == 1 ? Shape::Round : Shape::Rect;
  for (const Size& size : kSizes) {
    QLineEdit* field = fields_[size.key];
    if (!asks(piece.kind, size.key) || (piece.shape == Shape::Round && std::string(size.key) == "depth")) continue;
    // What was not touched keeps its exact value, which may be finer than what is written.
    if (field->text() == shown_[size.key]) continue;
    const QString words = field->text().trimmed();
    if (words.isEmpty() && size.member != nullptr) {
      piece.*size.member = std::nullopt;
      continue;
    }
    const LengthReading reading = workspace_.read(words);
    if (!reading)
      return complain(labels_[size.key]->text() + QStringLiteral(": ") + QString::fromStdString(reading.complaint), field, static_cast<int>(reading.at));
    if (size.member == nullptr) piece.width = *reading.length;
    else piece.*size.member = *reading.length;
  }
  if (piece.shape == Shape::Round) piece.depth = piece.width;
  if (change_) {
    const bool needsDepth = !isArt(piece.kind) && !piece.depth, needsHeight = isArt(piece.kind) && !piece.height;
    if (needsDepth || needsHeight)
      return complain(needsDepth ? tr("A piece on the floor needs a depth.") : tr("A picture needs a height."), fields_[needsDepth ? "depth" : "height"]);
    const auto after = withPiece(workspace_.job(), piece);
    if (!after) return complain(QString::fromStdString(after.error().text()) + QStringLiteral("."), nullptr);
    workspace_.document().edit(tr("sizes of %1").arg(QString::fromStdString(midSentence(piece.name))), *after);
  } else {
    IdSource ids = workspace_.document().ids();
    const auto added = withNewPiece(workspace_.job(), workspace_.book(), workspace_.schemeId(), workspace_.wall(), piece, ids);
    if (!added) return complain(QString::fromStdString(added.error().text()) + QStringLiteral("."), nullptr);
    workspace_.document().edit(tr("add %1").arg(QString::fromStdString(midSentence(piece.name))), added->job, ids.next());
    workspace_.select(added->placement);
  }
  QDialog::accept();
}

}  // namespace mezzet
