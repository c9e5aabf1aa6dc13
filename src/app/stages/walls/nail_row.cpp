#include "app/stages/walls/nail_row.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <algorithm>

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

constexpr int kLength = 62, kChoice = 104;  // px: a wire takes seven of them

/// What is usual of something that is not known.
std::optional<double> usualOf(const HooksFound& found, std::string_view key) {
  const auto at =
      std::find_if(found.missing.begin(), found.missing.end(), [&](const HookMissing& m) { return m.key == key; });
  return at == found.missing.end() ? std::nullopt : at->usual;
}

}  // namespace

bool asksNails(const Workspace& w, const Placement& p) {
  return w.showsNails() && rowOf(w.stage()).accepts == Accepts::Wall && onWall(p.on) != nullptr &&
         hasFrame(pieceOf(w.job(), p).kind);
}

NailRow::NailRow(Workspace& workspace, const Placement& frame, QWidget* parent)
    : QWidget(parent), workspace_(workspace), frame_(frame.id) {
  row_ = new QHBoxLayout(this);
  row_->setContentsMargins(0, 0, 0, 0);
  row_->setSpacing(5);
  const Piece& piece = pieceOf(workspace_.job(), frame);
  const HangerPart& h = *piece.hanger;
  choice(tr("by"), tr("Hangs by"), "frame.hanger.kind",
         {tr("wire"), tr("teeth"), tr("a ring"), tr("two rings"), tr("a cleat"), tr("keyholes")});
  choice(tr("on"), tr("Hooks in the wall"), "frame.hanger.hooks", {tr("1 hook"), tr("2 hooks")});
  // Worked out from the wire it is no guess.
  const HookSchool school = hookSchool(workspace_.job(), workspace_.book());
  const HooksFound found = hooksOf(piece, school, workspace_.format());
  const bool byWire = found.hooks && !h.drop;
  length(tr("drop"), tr("From its top down to where the hook bears"), "frame.hanger.drop",
         byWire   ? workspace_.write(found.hooks->drop)
         : h.kind ? offered(usualDrop(*h.kind))
                  : QString());
  if (hookCount(piece, school) == 2)
    length(tr("apart"), tr("Hook to hook"), "frame.hanger.hookSpread",
           offered(usualOf(found, "frame.hanger.hookSpread")));
  if (h.kind == HangerKind::Wire || h.kind == HangerKind::Rings)
    length(tr("rings"), tr("Ring to ring"), "frame.hanger.rings", {});
  if (h.kind == HangerKind::Wire) {
    length(tr("down"), tr("Rings below the top"), "frame.hanger.ringDrop", {});
    length(tr("wire"), tr("Length of the wire, from ring to ring"), "frame.hanger.wire", {});
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

void NailRow::choice(const QString& words, const QString& tip, const char* key, const QStringList& options) {
  auto* title = new QLabel(words);
  title->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(title);
  auto* combo = new QComboBox;
  combo->setObjectName(QStringLiteral("nail:") + QString::fromUtf8(key));
  combo->setAccessibleName(tip);
  combo->setToolTip(tip);
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
  combo->setFixedWidth(kChoice);
  row_->addWidget(combo);
}

/// What is usual, with a mark that it is only that.
QString NailRow::offered(const std::optional<double>& usual) const {
  return usual ? workspace_.write(*usual) + QStringLiteral("?") : QString();
}

void NailRow::length(const QString& words, const QString& tip, const char* key, const QString& inGrey) {
  auto* title = new QLabel(words);
  title->setObjectName(QStringLiteral("barHint"));
  row_->addWidget(title);
  auto* field = new LengthField(tip, [this, key](const QString& text) {
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
  field->setPlaceholderText(inGrey);
  field->setToolTip(tip);
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
