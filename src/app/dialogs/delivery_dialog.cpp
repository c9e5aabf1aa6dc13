#include "app/dialogs/delivery_dialog.h"

#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QListWidget>
#include <QPushButton>
#include <QTableWidget>
#include <algorithm>

#include "app/view/still_picture.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/drawing/delivery/delivery_drawing.h"
#include "core/edit/records.h"
#include "core/plan/dates.h"

namespace mezzet {
namespace {

enum LegColumn { kLegKind, kLegName, kLegWidth, kLegTo, kLegDepth, kLegHeight, kLegRoom, kLegColumns };
constexpr std::size_t kMostLegsTyped = 60;

QString markOf(CarryVerdict v) {
  constexpr const char* kMarks[] = {"\u25cf", "\u25d0", "\u2715", "\u25cb"};
  return QString::fromUtf8(kMarks[static_cast<std::size_t>(v)]);
}
/// The size that a column is of, where a leg of that kind has it.
std::optional<double>* sizeAt(DeliveryLeg& leg, int column) {
  switch (column) {
    case kLegWidth: return leg.kind == LegKind::Stand ? nullptr : &leg.width;
    case kLegTo: return leg.kind == LegKind::Turn ? &leg.to : nullptr;
    case kLegDepth: return leg.kind == LegKind::Lift || leg.kind == LegKind::Door ? &leg.depth : nullptr;
    case kLegHeight: return &leg.height;
    default: return nullptr;
  }
}
/// What a kind cannot do without, with something to begin from [D].
DeliveryLeg begun(LegKind kind) {
  DeliveryLeg leg;
  leg.kind = kind;
  if (kind != LegKind::Stand) leg.width = 32 * kInch;
  if (kind == LegKind::Turn) leg.width = leg.to = 36 * kInch;
  if (kind == LegKind::Lift) {
    leg.width = 43 * kInch;
    leg.depth = 55 * kInch;
  }
  leg.height = 80 * kInch;
  return leg;
}

}  // namespace

DeliveryDialog::DeliveryDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("deliveryDialog"));
  setWindowTitle(tr("The way in"));
  resize(1060, 720);
  auto* all = new QHBoxLayout(this);
  all->setContentsMargins(18, 14, 18, 14);
  all->setSpacing(14);
  auto* left = new QVBoxLayout;
  left->setSpacing(8);
  picture_ = new StillView;
  picture_->setObjectName(QStringLiteral("deliveryPicture"));
  picture_->setAccessibleName(tr("The way in, to scale"));
  left->addWidget(picture_, 3);
  says_ = words({}, "sentence");
  says_->setObjectName(QStringLiteral("deliverySays"));
  says_->setMinimumHeight(36);
  left->addWidget(says_);
  left->addWidget(legs(), 2);
  complaint_ = words({}, "fieldComplaint");
  left->addWidget(complaint_);
  all->addLayout(left, 5);
  all->addWidget(pieces(), 2);
  connect(&workspace_, &Workspace::jobChanged, this, &DeliveryDialog::fill);
  fill();
}

QWidget* DeliveryDialog::pieces() {
  auto* side = new QWidget;
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->addWidget(words(tr("What is carried in, the hardest first"), "subject"));
  pieces_ = new QListWidget;
  pieces_->setObjectName(QStringLiteral("deliveryPieces"));
  pieces_->setAccessibleName(tr("What is carried in"));
  connect(pieces_, &QListWidget::currentRowChanged, this, &DeliveryDialog::draw);
  column->addWidget(pieces_, 1);
  column->addWidget(
      words(tr("As boxes, with 1 in (25 mm) each side for hands. What does not go as a box may still go by its "
               "shape. Two people or more carry; nobody stands below a load on a stair."),
            "quietNote"));
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close);
  return side;
}

QWidget* DeliveryDialog::legs() {
  auto* side = new QWidget;
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  legs_ = new QTableWidget(0, kLegColumns);
  legs_->setObjectName(QStringLiteral("deliveryLegs"));
  legs_->setAccessibleName(tr("Legs of the way in, from the street"));
  legs_->setHorizontalHeaderLabels(
      {tr("Leg"), tr("Name"), tr("Wide"), tr("Then wide"), tr("Deep"), tr("High"), tr("Only into")});
  legs_->horizontalHeader()->setSectionResizeMode(QHeaderView::Stretch);
  const auto wide = [this](int which, int width) {
    legs_->horizontalHeader()->setSectionResizeMode(which, QHeaderView::Fixed);
    legs_->setColumnWidth(which, width);
  };
  // What is left goes to the names, the longest words in it.
  wide(kLegKind, 110);
  wide(kLegTo, 80);
  for (const int size : {kLegWidth, kLegDepth, kLegHeight}) wide(size, 71);
  wide(kLegRoom, 152);
  connect(legs_, &QTableWidget::cellChanged, this, &DeliveryDialog::typed);
  column->addWidget(legs_, 1);
  auto* row = new QHBoxLayout;
  const auto button = [&](const QString& text, const char* name, std::function<void()> act) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setAutoDefault(false);
    connect(b, &QPushButton::clicked, this, std::move(act));
    row->addWidget(b);
  };
  button(tr("Add a leg"), "addLeg", [this] {
    auto all = workspace_.job().records->legs;
    if (all.size() >= kMostLegsTyped) return;
    all.push_back(begun(all.empty() ? LegKind::Door : LegKind::Turn));
    take(std::move(all), tr("a leg of the way in"));
    legs_->setCurrentCell(legs_->rowCount() - 1, kLegName);
  });
  button(tr("Take it out"), "removeLeg", [this] {
    auto all = workspace_.job().records->legs;
    const int at = legs_->currentRow();
    if (at < 0 || at >= static_cast<int>(all.size())) return;
    all.erase(all.begin() + at);
    take(std::move(all), tr("a leg less"));
  });
  button(tr("Earlier"), "legUp", [this] { move(-1); });
  button(tr("Later"), "legDown", [this] { move(1); });
  row->addStretch(1);
  column->addLayout(row);
  return side;
}

void DeliveryDialog::move(int by) {
  auto all = workspace_.job().records->legs;
  const int at = legs_->currentRow(), to = at + by;
  if (at < 0 || to < 0 || to >= static_cast<int>(all.size())) return;
  std::swap(all[static_cast<std::size_t>(at)], all[static_cast<std::size_t>(to)]);
  take(std::move(all), tr("order of the way in"));
  legs_->setCurrentCell(to, kLegName);
}

void DeliveryDialog::take(std::vector<DeliveryLeg> all, const QString& verb) {
  const auto after = withLegs(workspace_.job(), std::move(all));
  complaint_->setText(after ? QString() : onScreen(after.error().text()) + QStringLiteral("."));
  if (after && !workspace_.document().readOnly()) workspace_.document().edit(verb, *after);
  else fill();
}

void DeliveryDialog::fill() {
  const QString kept =
      pieces_->currentItem() != nullptr ? pieces_->currentItem()->data(Qt::UserRole).toString() : QString();
  answers_.clear();
  for (const PieceId& id : carriedInto(workspace_.job(), schemesToBuild(workspace_.job(), {})))
    answers_.push_back(deliver(workspace_.job(), id, workspace_.format()));
  std::stable_sort(answers_.begin(), answers_.end(), [](const DeliveryAnswer& a, const DeliveryAnswer& b) {
    return a.spare.value_or(HUGE_VAL) < b.spare.value_or(HUGE_VAL);
  });
  filling_ = true;
  pieces_->clear();
  int now = 0;
  for (const DeliveryAnswer& a : answers_) {
    auto* item = new QListWidgetItem(markOf(a.verdict) + QStringLiteral("  ") +
                                     QString::fromStdString(findPiece(workspace_.job(), a.piece)->name) +
                                     QStringLiteral(": ") + QString::fromUtf8(verdictWord(a.verdict)));
    item->setData(Qt::UserRole, QString::fromStdString(a.piece.value));
    item->setToolTip(onScreen(a.says));
    pieces_->addItem(item);
    if (item->data(Qt::UserRole) == kept) now = pieces_->count() - 1;
  }
  pieces_->setCurrentRow(now);
  fillLegs();
  filling_ = false;
  draw();
}

void DeliveryDialog::fillLegs() {
  auto all = workspace_.job().records->legs;
  legs_->setRowCount(static_cast<int>(all.size()));
  for (int row = 0; row < legs_->rowCount(); ++row) {
    DeliveryLeg& leg = all[static_cast<std::size_t>(row)];
    legs_->setItem(row, kLegName, new QTableWidgetItem(QString::fromStdString(leg.name)));
    for (const int column : {kLegWidth, kLegTo, kLegDepth, kLegHeight}) {
      const auto* size = sizeAt(leg, column);
      auto* item = new QTableWidgetItem(size == nullptr ? QStringLiteral("-")
                                        : *size         ? workspace_.write(**size)
                                                        : QString());
      if (size == nullptr) item->setFlags(item->flags() & ~Qt::ItemIsEditable);
      legs_->setItem(row, column, item);
    }
    const auto choice = [&](int column, const QString& name, const QStringList& options, int chosen, auto act) {
      auto* box = new QComboBox;
      box->setObjectName(QStringLiteral("leg:%1:%2").arg(column).arg(row));
      box->setAccessibleName(name);
      box->addItems(options);
      box->setCurrentIndex(chosen);
      connect(box, &QComboBox::activated, this, act, Qt::QueuedConnection);
      legs_->setCellWidget(row, column, box);
    };
    choice(kLegKind, tr("Kind of leg %1").arg(row + 1),
           {tr("door"), tr("corridor"), tr("turn"), tr("stair"), tr("lift"), tr("stood up")},
           static_cast<int>(leg.kind), [this, row](int kind) {
             auto changed = workspace_.job().records->legs;
             DeliveryLeg& one = changed[static_cast<std::size_t>(row)];
             DeliveryLeg fresh = begun(static_cast<LegKind>(kind));
             fresh.name = one.name;
             fresh.room = one.room;
             if (one.width && fresh.width) fresh.width = one.width;
             if (one.height) fresh.height = one.height;
             one = fresh;
             take(std::move(changed), tr("kind of a leg"));
           });
    QStringList rooms{tr("every room")};
    int at = 0;
    for (const auto& room : workspace_.job().rooms) {
      rooms << QString::fromStdString(room->name);
      if (room->id.value == leg.room) at = static_cast<int>(rooms.size()) - 1;
    }
    choice(kLegRoom, tr("Only into, leg %1").arg(row + 1), rooms, at, [this, row](int room) {
      auto changed = workspace_.job().records->legs;
      changed[static_cast<std::size_t>(row)].room =
          room == 0 ? std::string() : workspace_.job().rooms[static_cast<std::size_t>(room - 1)]->id.value;
      take(std::move(changed), tr("where a leg leads"));
    });
  }
}

void DeliveryDialog::typed(int row, int column) {
  if (filling_) return;
  auto all = workspace_.job().records->legs;
  if (row < 0 || row >= static_cast<int>(all.size())) return;
  DeliveryLeg& leg = all[static_cast<std::size_t>(row)];
  const QString text = legs_->item(row, column)->text().trimmed();
  if (column == kLegName) {
    leg.name = text.left(200).toStdString();
    return take(std::move(all), tr("name of a leg"));
  }
  auto* size = sizeAt(leg, column);
  if (size == nullptr) return;
  if (text.isEmpty()) size->reset();
  else {
    const LengthReading reading = workspace_.read(text);
    if (!reading) {
      complaint_->setText(QString::fromStdString(reading.complaint));
      const bool quiet = std::exchange(filling_, true);
      fillLegs();
      filling_ = quiet;
      return;
    }
    *size = reading.length;
  }
  take(std::move(all), tr("size of a leg"));
}

void DeliveryDialog::draw() {
  if (filling_) return;
  const int at = pieces_->currentRow();
  const DeliveryAnswer answer =
      at >= 0 && at < static_cast<int>(answers_.size()) ? answers_[static_cast<std::size_t>(at)] : DeliveryAnswer{};
  const auto legs = workspace_.job().records->legs;
  says_->setText(legs.empty() ? tr("Measure the way from the street: doors, corridors, turns, stairs, the lift.")
                              : onScreen(answer.says));
  if (legs.empty()) return picture_->showNothing();
  picture_->show([legs, answer, &w = workspace_](QSize size, double ratio) {
    return drawingPicture(w, size, ratio, [&](double scale) {
      return composeDelivery(legs, answer, scale, size.width() * 25.4 / 96, w.format());
    });
  });
}

}  // namespace mezzet
