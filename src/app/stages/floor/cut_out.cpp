#include "app/stages/floor/cut_out.h"

#include <QDrag>
#include <QKeyEvent>
#include <QMimeData>
#include <QPainter>
#include <algorithm>

#include "app/stages/floor/piece_bar.h"
#include "app/widgets/style.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/plan.h"
#include "core/drawing/wall/furniture_front.h"
#include "core/edit/edits.h"
#include "core/entry/piece_line.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr int kEdge = 8, kCutOutHeight = 42, kDragStarts = 5;  // px

/// The piece as it is drawn, its middle at (0, 0).
Drawing cutOutDrawing(const Piece& piece, double scale, LengthFormat format) {
  Drawing d;
  d.scale = scale;
  if (hangs(piece.kind)) addHung(d, piece, {CornerId("A"), 0, 0, std::nullopt}, "", "", Layer::Picture);
  else addPiece(d, piece, {{0, 0}, 0}, "", "", format);
  settle(d);
  return d;
}
/// What no id holds.
constexpr char kBetweenIds = '\0';

double deepness(const Piece& piece) { return (hangs(piece.kind) ? piece.height : piece.depth).value_or(piece.width); }

}  // namespace

std::vector<PieceId> piecesIn(const QMimeData& mime) {
  std::vector<PieceId> out;
  for (const QByteArray& id : mime.data(QString::fromUtf8(kPieceMime)).split(kBetweenIds))
    out.emplace_back(id.toStdString());
  return out;
}

void dragPieces(const std::vector<PieceId>& pieces, QObject* from) {
  QByteArrayList ids;
  for (const PieceId& id : pieces) ids << QByteArray::fromStdString(id.value);
  auto* drag = new QDrag(from);
  auto* mime = new QMimeData;
  mime->setData(QString::fromUtf8(kPieceMime), ids.join(kBetweenIds));
  drag->setMimeData(mime);
  drag->exec(Qt::CopyAction);
}

double cutOutScale(const std::vector<const Piece*>& pieces, QSizeF most) {
  double widest = 1, deepest = 1;
  for (const Piece* piece : pieces) {
    widest = std::max(widest, piece->width);
    deepest = std::max(deepest, deepness(*piece));
  }
  return std::min(most.width() / widest, most.height() / deepest);
}

QPixmap cutOutPicture(const Workspace& workspace, const Piece& piece, double pixelsPerMm, QSize size, double ratio) {
  QPixmap out(size * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(Qt::transparent);
  Drawing d = cutOutDrawing(piece, 96 / 25.4 / pixelsPerMm, workspace.format());
  std::erase_if(d.items, [](const Item& item) { return std::holds_alternative<TextItem>(item.shape); });
  QPainter painter(&out);
  paintDrawing(painter, d, Projection{pixelsPerMm, QPointF(size.width() / 2.0, size.height() / 2.0)},
               {Palette::screen(), &workspace.images(), 1});
  return out;
}

CutOut::CutOut(const Piece& piece, int left, double pixelsPerMm, Workspace& workspace, QWidget* parent)
    : QWidget(parent), piece_(piece), left_(left), perMm_(pixelsPerMm), workspace_(workspace) {
  setObjectName(QStringLiteral("cutOut:") + QString::fromStdString(piece.id.value));
  setFocusPolicy(Qt::StrongFocus);
  pick(false);
  setAccessibleDescription(tr("Enter places it, Space picks it with others, Delete removes it from the job"));
  setToolTip(QString::fromStdString(pieceWords(piece, workspace.format())) +
             tr("\nDrag it onto the drawing, or press Enter. Ctrl and a click picks several, to go together."));
  const QFontMetrics words(interfaceFont(12));
  const int wide = std::max(static_cast<int>(piece.width * perMm_) + 2 * kEdge,
                            words.horizontalAdvance(QString::fromStdString(piece.name)) + (left > 1 ? 30 : 10));
  setFixedSize(std::min(wide, 170), kFootHeight - 2 * kTrayEdge);
  setCursor(Qt::OpenHandCursor);
}

void CutOut::pick(bool on) {
  picked_ = on;
  const QString name = QString::fromStdString(piece_.name);
  setAccessibleName((left_ > 1 ? tr("%1, %2 not placed").arg(name).arg(left_) : tr("%1, not placed").arg(name)) +
                    (on ? tr(", picked") : QString()));
  update();
}

void CutOut::paintEvent(QPaintEvent*) {
  QPainter p(this);
  p.setRenderHint(QPainter::Antialiasing);
  const QRectF paper(1, 1, width() - 2, height() - 2);
  p.setPen(hasFocus() ? QPen(desk::kTape, 3) : QPen(desk::kInk, 1));
  p.setBrush(desk::kPaper);
  p.drawRoundedRect(paper, 2, 2);
  if (picked_) {
    p.setPen(Qt::NoPen);
    p.setBrush(desk::kTape);
    p.drawRect(QRectF(2, height() - 19, width() - 4, 17));
    p.setBrush(desk::kPaper);
  }
  const Projection projection{perMm_, QPointF(width() / 2.0, 2 + (kCutOutHeight - 4) / 2.0)};
  paintDrawing(p, cutOutDrawing(piece_, 96 / 25.4 / perMm_, workspace_.format()), projection,
               {Palette::screen(), &workspace_.images(), 1});
  p.setFont(interfaceFont(12));
  p.setPen(desk::kInk);
  QString name = QString::fromStdString(piece_.name);
  if (left_ > 1) name += QStringLiteral(" \u00d7%1").arg(left_);
  p.drawText(QRectF(3, height() - 18, width() - 6, 16), Qt::AlignCenter,
             p.fontMetrics().elidedText(name, Qt::ElideRight, width() - 6));
}

void CutOut::mousePressEvent(QMouseEvent* event) {
  setFocus();
  pressed_ = event->pos();
}

void CutOut::mouseReleaseEvent(QMouseEvent* event) {
  if (event->button() != Qt::LeftButton || (event->pos() - pressed_).manhattanLength() >= kDragStarts) return;
  if (event->modifiers() & (Qt::ControlModifier | Qt::ShiftModifier)) emit pickWanted(!picked_);
}

void CutOut::mouseMoveEvent(QMouseEvent* event) {
  if ((event->buttons() & Qt::LeftButton) && (event->pos() - pressed_).manhattanLength() >= kDragStarts)
    emit dragWanted();
}

void CutOut::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Return || event->key() == Qt::Key_Enter) emit placeWanted();
  else if (event->key() == Qt::Key_Space) emit pickWanted(!picked_);
  else if (event->key() == Qt::Key_Delete)
    workspace_.document().edit(tr("remove %1 from the job").arg(QString::fromStdString(midSentence(piece_.name))),
                               withoutPiece(workspace_.job(), piece_.id));
  else QWidget::keyPressEvent(event);
}

}  // namespace mezzet
