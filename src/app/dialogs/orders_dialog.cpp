#include "app/dialogs/orders_dialog.h"

#include <QComboBox>
#include <QHeaderView>
#include <QLabel>
#include <QPushButton>
#include <QTableWidget>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/edit/records.h"
#include "core/model/kinds.h"
#include "core/plan/dates.h"
#include "core/plan/needs.h"

namespace mezzet {
namespace {

enum OrderColumn { kPiece, kOrderCount, kState, kOrdered, kLead, kFrom, kCame, kNote, kOrderColumns };

/// Pieces of the schemes that are built which are not owned, and what is on order already.
std::vector<PieceId> orderable(const Job& job) {
  std::vector<PieceId> out;
  const auto schemes = schemesToBuild(job, {});
  for (const auto& piece : job.pieces) {
    const bool placed =
        std::any_of(schemes.begin(), schemes.end(), [&](const Scheme* s) { return timesPlaced(*s, piece->id) > 0; });
    if (orderOf(*job.records, piece->id) != nullptr || (placed && !piece->shop->owned && !isDisplayed(piece->kind)))
      out.push_back(piece->id);
  }
  return out;
}

}  // namespace

OrdersDialog::OrdersDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("ordersDialog"));
  setWindowTitle(tr("Orders"));
  resize(1060, 620);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 14);
  column->setSpacing(8);
  table_ = new QTableWidget(0, kOrderColumns);
  table_->setObjectName(QStringLiteral("orders"));
  table_->setAccessibleName(tr("Orders"));
  table_->setHorizontalHeaderLabels({tr("What"), tr("How many"), tr("State"), tr("Ordered on"), tr("Days to delivery"),
                                     tr("From"), tr("Came on"), tr("Note")});
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(kNote, QHeaderView::Stretch);
  connect(table_, &QTableWidget::cellChanged, this, &OrdersDialog::typed);
  column->addWidget(table_, 1);
  complaint_ = words({}, "fieldComplaint");
  complaint_->setObjectName(QStringLiteral("fieldComplaint"));
  column->addWidget(complaint_);
  auto* row = new QHBoxLayout;
  row->addWidget(words(tr("Of the schemes that are built, what is not owned. What came is typed in Hand over: sofa "
                          "came 84 1/2 x 37. "
                          "Days are calendar days; write dates as 2026-03-31."),
                       "quietNote"),
                 1);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  row->addWidget(close);
  column->addLayout(row);
  connect(&workspace_, &Workspace::jobChanged, this, &OrdersDialog::fill);
  fill();
}

Order OrdersDialog::orderIn(int row) const {
  const PieceId& id = pieces_[static_cast<std::size_t>(row)];
  if (const Order* order = orderOf(*workspace_.job().records, id)) return *order;
  Order fresh;
  fresh.piece = id;
  fresh.count = findPiece(workspace_.job(), id)->count;
  return fresh;
}

void OrdersDialog::fill() {
  pieces_ = orderable(workspace_.job());
  filling_ = true;
  table_->setRowCount(static_cast<int>(pieces_.size()));
  for (int row = 0; row < table_->rowCount(); ++row) {
    const Order order = orderIn(row);
    const Piece& piece = *findPiece(workspace_.job(), order.piece);
    const auto cell = [&](int column, const std::string& text, bool editable = true) {
      auto* item = new QTableWidgetItem(QString::fromStdString(text));
      if (!editable || workspace_.document().readOnly()) item->setFlags(item->flags() & ~Qt::ItemIsEditable);
      table_->setItem(row, column, item);
    };
    cell(kPiece, piece.name, false);
    cell(kOrderCount, std::to_string(order.count));
    cell(kOrdered, order.ordered);
    const auto lead = leadOf(&order, piece);
    cell(kLead, lead ? std::to_string(*lead) : std::string());
    cell(kFrom, order.from);
    cell(kCame, order.came, false);
    cell(kNote, order.note);
    auto* box = new QComboBox;
    box->setObjectName(QStringLiteral("order:%1").arg(row));
    box->setAccessibleName(tr("State of %1").arg(QString::fromStdString(piece.name)));
    box->addItems({tr("wanted"), tr("ordered"), tr("arrived"), tr("returned")});
    box->setCurrentIndex(static_cast<int>(order.state));
    box->setEnabled(!workspace_.document().readOnly());
    connect(
        box, &QComboBox::activated, this,
        [this, row](int state) {
          change(row, [&](Order& o) {
            o.state = static_cast<OrderState>(state);
            if (o.state == OrderState::Ordered && o.ordered.empty()) o.ordered = today();
            if (o.state == OrderState::Arrived && o.came.empty()) o.came = today();
          });
        },
        Qt::QueuedConnection);
    table_->setCellWidget(row, kState, box);
  }
  filling_ = false;
}

void OrdersDialog::change(int row, const std::function<void(Order&)>& how) {
  if (row < 0 || row >= static_cast<int>(pieces_.size())) return;
  Order order = orderIn(row);
  how(order);
  const QString name = QString::fromStdString(findPiece(workspace_.job(), order.piece)->name);
  const auto after = withOrder(workspace_.job(), std::move(order));
  complaint_->setText(after ? QString() : onScreen(after.error().text()) + QStringLiteral("."));
  if (after) workspace_.document().edit(tr("order of %1").arg(name), *after);
  else fill();
}

void OrdersDialog::typed(int row, int column) {
  if (filling_) return;
  const QString text = table_->item(row, column)->text().trimmed();
  bool sound = true;
  const int number = text.isEmpty() ? 0 : text.toInt(&sound);
  if ((column == kLead || column == kOrderCount) && !sound) {
    complaint_->setText(tr("\"%1\" is no number of days or pieces.").arg(text.left(40)));
    return fill();
  }
  change(row, [&](Order& o) {
    switch (column) {
      case kOrderCount: o.count = number; break;
      case kOrdered: o.ordered = text.toStdString(); break;
      case kLead: o.leadDays = text.isEmpty() ? std::nullopt : std::optional(number); break;
      case kFrom: o.from = text.left(400).toStdString(); break;
      case kNote: o.note = text.left(2000).toStdString(); break;
      default: break;
    }
  });
}

}  // namespace mezzet
