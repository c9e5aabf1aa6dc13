#include "app/dialogs/budget_dialog.h"

#include <QComboBox>
#include <QGridLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <QTableWidget>

#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/edit/choosing.h"
#include "core/edit/edits.h"

namespace mezzet {
namespace {

enum Column { kWhat, kCount, kPrice, kSum, kWhen, kTier, kColumns };

/// An amount without a currency: "1,240.50", "1240,5"; nothing for an empty text. `sound` says whether it was one.
std::optional<double> amountIn(QString text, bool& sound) {
  text = text.trimmed().remove(QLatin1Char(' '));
  sound = true;
  if (text.isEmpty()) return std::nullopt;
  const auto comma = text.lastIndexOf(QLatin1Char(',')), point = text.lastIndexOf(QLatin1Char('.'));
  // The last one with one or two digits behind it is the decimal sign; others part thousands.
  const auto last = std::max(comma, point);
  const bool decimal = last >= 0 && text.size() - last - 1 < 3;
  QString digits;
  for (qsizetype i = 0; i < text.size(); ++i) {
    if (text[i] == QLatin1Char(',') || text[i] == QLatin1Char('.')) {
      if (decimal && i == last) digits += QLatin1Char('.');
      continue;
    }
    digits += text[i];
  }
  const double value = digits.toDouble(&sound);
  return value;
}

}  // namespace

BudgetDialog::BudgetDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("budgetDialog"));
  setWindowTitle(
      tr("Budget: %1")
          .arg(workspace_.scheme() != nullptr ? QString::fromStdString(workspace_.scheme()->name) : QString()));
  resize(900, 640);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 14);
  column->setSpacing(8);
  table_ = new QTableWidget(0, kColumns);
  table_->setObjectName(QStringLiteral("budgetLines"));
  table_->setAccessibleName(tr("What it costs"));
  table_->setHorizontalHeaderLabels(
      {tr("What"), tr("How many"), tr("Price of one"), tr("Sum"), tr("Bought"), tr("In which budget")});
  table_->verticalHeader()->hide();
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(kWhat, QHeaderView::Stretch);
  connect(table_, &QTableWidget::cellChanged, this, &BudgetDialog::typed);
  column->addWidget(table_, 1);
  sums_ = words({}, "figures");
  sums_->setObjectName(QStringLiteral("budgetSums"));
  column->addWidget(sums_);
  auto* grid = new QGridLayout;
  const auto line = [&](const char* name, const QString& title, int at) {
    auto* label = words(title, "quietNote");
    auto* edit = new QLineEdit;
    edit->setObjectName(QString::fromUtf8(name));
    edit->setAccessibleName(title);
    edit->setMaxLength(24);
    grid->addWidget(label, 0, at);
    grid->addWidget(edit, 1, at);
    connect(edit, &QLineEdit::editingFinished, this, &BudgetDialog::takeList);
    return edit;
  };
  hours_ = line("budgetHours", tr("Hours of the decorator, whole job"), 0);
  rate_ = line("budgetRate", tr("An hour costs"), 1);
  currency_ = line("budgetCurrency", tr("Currency, as a word"), 2);
  column->addLayout(grid);
  complaint_ = words({}, "fieldComplaint");
  column->addWidget(complaint_);
  auto* buttons = new QHBoxLayout;
  buttons->addWidget(words(tr("Prices are yours: nothing is fetched. What is owned is not listed."), "quietNote"), 1);
  auto* close = new QPushButton(tr("Close"));
  close->setAutoDefault(false);
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  buttons->addWidget(close);
  column->addLayout(buttons);
  connect(&workspace_, &Workspace::jobChanged, this, &BudgetDialog::fill);
  fill();
}

void BudgetDialog::fill() {
  if (workspace_.scheme() == nullptr) return reject();
  const Job& job = workspace_.job();
  budget_ = budgetOf(job, workspace_.book(), workspace_.schemeId());
  filling_ = true;
  table_->setRowCount(static_cast<int>(budget_.lines.size()));
  for (std::size_t i = 0; i < budget_.lines.size(); ++i) {
    const BudgetLine& line = budget_.lines[i];
    const int row = static_cast<int>(i);
    const auto cell = [&](int at, const QString& text, bool editable) {
      auto* item = new QTableWidgetItem(text);
      item->setFlags(editable && !workspace_.document().readOnly() ? item->flags() | Qt::ItemIsEditable
                                                                   : item->flags() & ~Qt::ItemIsEditable);
      if (at == kCount || at == kPrice || at == kSum) item->setTextAlignment(Qt::AlignRight | Qt::AlignVCenter);
      table_->setItem(row, at, item);
    };
    cell(kWhat, QString::fromStdString(capital(line.what)), false);
    cell(kCount, QString::fromStdString(moneyText(line.count)), false);
    cell(kPrice, line.price ? QString::fromStdString(moneyText(*line.price)) : tr("no price"), true);
    cell(kSum, line.price ? QString::fromStdString(moneyText(line.sum())) : QString(), false);
    table_->removeCellWidget(row, kWhen);
    table_->removeCellWidget(row, kTier);
    cell(kWhen, line.pieces.empty() ? tr("now") : QString(), false);
    cell(kTier, line.pieces.empty() ? tr("both") : QString(), false);
    if (line.pieces.empty()) continue;
    const auto choice = [&](int at, const QString& name, const QStringList& words, int now, auto take) {
      auto* box = new QComboBox;
      box->setAccessibleName(name + QStringLiteral(", ") + QString::fromStdString(line.what));
      box->setObjectName(
          QStringLiteral("%1:%2").arg(at == kWhen ? QStringLiteral("phase") : QStringLiteral("tier")).arg(row));
      box->addItems(words);
      box->setCurrentIndex(now);
      box->setEnabled(!workspace_.document().readOnly());
      connect(
          box, &QComboBox::activated, this,
          [this, line, take](int chosen) { change(line, [&](ShopPart& s) { take(s, chosen); }); },
          Qt::QueuedConnection);
      table_->setCellWidget(row, at, box);
    };
    choice(kWhen, tr("Bought"), {tr("now"), tr("later")}, static_cast<int>(line.phase),
           [](ShopPart& s, int chosen) { s.phase = static_cast<Phase>(chosen); });
    choice(kTier, tr("In which budget"), {tr("both"), tr("only the fuller")}, line.full ? 1 : 0,
           [](ShopPart& s, int chosen) { s.tier = static_cast<Tier>(chosen); });
  }
  filling_ = false;
  sums_->setText(sumsText());
  const auto amount = [](const std::optional<double>& v) {
    return v ? QString::fromStdString(moneyText(*v)) : QString();
  };
  if (!hours_->hasFocus()) hours_->setText(amount(job.budget.hours));
  if (!rate_->hasFocus()) rate_->setText(amount(job.budget.rate));
  if (!currency_->hasFocus()) currency_->setText(QString::fromStdString(job.budget.currency));
}

QString BudgetDialog::sumsText() const {
  const Job& job = workspace_.job();
  const auto money = [&](double amount) { return QString::fromStdString(moneyText(job, amount)); };
  const auto left = [&](const std::optional<double>& amount) {
    return !amount        ? QString()
           : *amount >= 0 ? tr(", %1 left").arg(money(*amount))
                          : tr(", over by %1").arg(money(-*amount));
  };
  QString text = tr("Simple: %1%2.  Fuller: %3%4.  Of that now %5, later %6.")
                     .arg(money(budget_.sums.simple), left(budget_.leftSimple), money(budget_.sums.full),
                          left(budget_.leftFull), money(budget_.sums.now), money(budget_.sums.later));
  if (!budget_.noPrice.empty())
    text += QStringLiteral("\n") + (budget_.noPrice.size() == 1
                                        ? tr("One line without a price is not in it.")
                                        : tr("%1 lines without a price are not in it.").arg(budget_.noPrice.size()));
  std::vector<SchemeId> each;
  for (const auto& room : job.rooms)
    for (const auto& scheme : job.schemes)
      if (scheme->room == room->id &&
          (scheme->id == workspace_.schemeId() || scheme->room != workspace_.scheme()->room)) {
        each.push_back(scheme->id);
        break;
      }
  if (each.size() > 1) {
    const HouseBudget house = houseBudget(job, workspace_.book(), each);
    QStringList rooms;
    for (const auto& [id, sums] : house.rooms)
      rooms << QString::fromStdString(roomOf(job, *findScheme(job, id)).name) + QStringLiteral(" ") + money(sums.full);
    text +=
        QStringLiteral("\n") +
        tr("The whole house, with the first scheme of each other room: simple %1, fuller %2. Without the hours: %3.")
            .arg(money(house.sums.simple), money(house.sums.full), rooms.join(QStringLiteral(", ")));
  }
  return text;
}

void BudgetDialog::typed(int row, int column) {
  if (filling_ || column != kPrice || row < 0 || row >= static_cast<int>(budget_.lines.size())) return;
  bool sound = true;
  const auto price = amountIn(table_->item(row, column)->text(), sound);
  if (!sound || (price && *price < 0)) {
    complaint_->setText(
        tr("\"%1\" is no amount: type a number without a currency.").arg(table_->item(row, column)->text()));
    return fill();
  }
  complaint_->clear();
  takePrice(budget_.lines[static_cast<std::size_t>(row)], price);
}

void BudgetDialog::takePrice(const BudgetLine& line, std::optional<double> price) {
  if (line.price == price) return fill();
  if (!line.pieces.empty()) return change(line, [&](ShopPart& s) { s.price = price; });
  const Job& job = workspace_.job();
  Result<Job> after = job;
  if (constexpr std::string_view kEdge = "edge, "; line.what.starts_with(kEdge)) {
    // Edges have a list of their own.
    CarpetList list = job.carpet;
    const std::string edge = line.what.substr(kEdge.size(), line.what.rfind(',') - kEdge.size());
    if (price) list.edgePrices[edge] = *price;
    else list.edgePrices.erase(edge);
    after = withCarpetList(job, std::move(list));
  } else {
    BudgetList list = job.budget;
    if (line.hours) list.rate = price;
    else if (price) list.prices[line.what] = *price;
    else list.prices.erase(line.what);
    after = withBudget(job, std::move(list));
  }
  if (after) workspace_.document().edit(tr("price of %1").arg(QString::fromStdString(line.what)), *after);
  else complaint_->setText(onScreen(after.error().text()));
}

void BudgetDialog::change(const BudgetLine& line, const std::function<void(ShopPart&)>& how) {
  const Piece* piece = findPiece(workspace_.job(), line.pieces.front());
  if (piece == nullptr) return;
  Piece changed = *piece;
  how(changed.shop.edit());
  const auto after = withPiece(workspace_.job(), std::move(changed));
  if (after) workspace_.document().edit(tr("budget of %1").arg(QString::fromStdString(line.what)), *after);
  else complaint_->setText(onScreen(after.error().text()));
}

void BudgetDialog::takeList() {
  BudgetList list = workspace_.job().budget;
  bool hoursSound = true, rateSound = true;
  list.hours = amountIn(hours_->text(), hoursSound);
  list.rate = amountIn(rate_->text(), rateSound);
  list.currency = currency_->text().trimmed().toStdString();
  if (!hoursSound || !rateSound) return complaint_->setText(tr("Hours and what one costs are numbers."));
  if (list == workspace_.job().budget) return;
  complaint_->clear();
  const auto after = withBudget(workspace_.job(), std::move(list));
  if (after) workspace_.document().edit(tr("hours and currency"), *after);
  else complaint_->setText(onScreen(after.error().text()));
}

}  // namespace mezzet
