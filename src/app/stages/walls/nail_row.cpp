#include "app/stages/walls/nail_row.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>

#include "app/stages/stages.h"
#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/base/sentence.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/model/piece_fields.h"
#include "core/rules/base/hook_school.h"

namespace mezzet {
namespace {

constexpr int kLength = 76;  // px

}  // namespace

bool asksNails(const Workspace& w, const Placement& p) {
  return w.showsNails() && rowOf(w.stage()).accepts == Accepts::Wall && onWall(p.on) != nullptr &&
         hasFrame(pieceOf(w.job(), p).kind);
}

NailRow::NailRow(Workspace& workspace, const Placement& frame, QWidget* parent)
    : QWidget(parent), workspace_(workspace), frame_(frame.id) {
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(6);
  const Piece& piece = pieceOf(workspace_.job(), frame);
  const HangerPart& h = *piece.hanger;
  choice(tr("hangs by"), "frame.hanger.kind",
         {tr("wire"), tr("teeth"), tr("a ring"), tr("two rings"), tr("a cleat"), tr("keyholes")});
  choice(tr("on"), "frame.hanger.hooks", {tr("one hook"), tr("two hooks")});
  length(tr("drop"), "frame.hanger.drop", h.kind ? usualDrop(*h.kind) : std::nullopt);
  const bool two =
      h.hooks.value_or(
          hookSchool(workspace_.job(), workspace_.book()) == HookSchool::Two && asksTwoHooks(piece) ? 2 : 1) == 2;
  if (two) length(tr("hooks apart"), "frame.hanger.hookSpread", h.rings ? *h.rings / 2 : piece.width / 3);
  if (h.kind == HangerKind::Wire || h.kind == HangerKind::Rings)
    length(tr("rings apart"), "frame.hanger.rings", std::nullopt);
  if (h.kind == HangerKind::Wire) {
    length(tr("rings down"), "frame.hanger.ringDrop", std::nullopt);
    length(tr("wire"), "frame.hanger.wire", std::nullopt);
  }
}

void NailRow::put(std::string_view key, std::optional<double> value) {
  const Placement* p = findPlacement(*workspace_.scheme(), frame_);
  if (p == nullptr) return;
  Piece piece = pieceOf(workspace_.job(), *p);
  findField(key)->setNumber(piece, value);
  auto after = withPiece(workspace_.job(), piece);
  if (!after) {
    emit complained(QString::fromStdString(after.error().text()) + QStringLiteral("."));
    return;
  }
  workspace_.document().edit(tr("how %1 hangs").arg(QString::fromStdString(midSentence(piece.name))), *after);
}

void NailRow::choice(const QString& words, const char* key, const QStringList& options) {
  auto* title = new QLabel(words);
  title->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(title);
  auto* combo = new QComboBox;
  combo->setObjectName(QStringLiteral("nail:") + QString::fromUtf8(key));
  combo->setAccessibleName(words);
  combo->addItem(QStringLiteral("-"));
  combo->addItems(options);
  const PieceField& field = *findField(key);
  const auto now = field.valueOf(pieceOf(workspace_.job(), *findPlacement(*workspace_.scheme(), frame_)));
  // A choice counts its words from 0, a whole number from its lowest.
  const int first = static_cast<int>(field.kind == FieldKind::Whole ? field.low : 0);
  combo->setCurrentIndex(now ? static_cast<int>(*now) - first + 1 : 0);
  connect(combo, &QComboBox::activated, this, [this, key, first](int i) {
    // The bar is built anew by the edit, and this with it.
    QMetaObject::invokeMethod(
        this, [this, key, first, i] { put(key, i == 0 ? std::nullopt : std::optional<double>(i - 1 + first)); },
        Qt::QueuedConnection);
  });
  row_->addWidget(combo);
}

void NailRow::length(const QString& words, const char* key, const std::optional<double>& usual) {
  auto* title = new QLabel(words);
  title->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(title);
  auto* field = new LengthField(words, [this, key](const QString& text) {
    if (text.trimmed().isEmpty()) {
      put(key, std::nullopt);
      return LengthReading{0.0, 0, {}};
    }
    LengthReading reading = workspace_.read(text);
    if (reading) put(key, reading.length);
    else emit complained(QString::fromStdString(reading.complaint));
    return reading;
  });
  field->setObjectName(QStringLiteral("nail:") + QString::fromUtf8(key));
  field->setFixedWidth(kLength);
  if (usual) field->setPlaceholderText(workspace_.write(*usual) + QStringLiteral("?"));
  const auto now = findField(key)->valueOf(pieceOf(workspace_.job(), *findPlacement(*workspace_.scheme(), frame_)));
  const QString shown = now ? workspace_.write(*now) : QString();
  field->show(shown);
  field->setText(shown);
  row_->addWidget(field);
}

QString NailRow::words() const {
  const auto plan = workspace_.nailsHere();
  if (!plan) return {};
  return onScreen(nailWords(*plan, frame_, workspace_.book().fixings, workspace_.job().units, workspace_.format()));
}

}  // namespace mezzet
