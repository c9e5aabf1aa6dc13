// What a scheme costs, for the owner: what, how many, price, sum, when.
#include "core/base/sentence.h"
#include "core/choose/budget.h"
#include "core/sheets/sheet_row.h"
#include "core/sheets/table.h"

namespace mezzet {
namespace {

constexpr TableColumn kBudgetColumns[] = {{"How many", 0}, {"What", 0.12}, {"Price of one", 0.5},
                                          {"Sum", 0.66},   {"When", 0.8},  {"Budget", 0.9}};

Table budgetTable(const SheetSource& s) {
  Table table{kBudgetColumns, {}, "Budget", "Nothing is to be bought in this scheme."};
  if (!s.job.budget.currency.empty()) table.title += ", in " + s.job.budget.currency;
  if (s.scheme == nullptr || s.request.book == nullptr) return table;
  const Budget budget = budgetOf(s.job, *s.request.book, s.scheme->id);
  for (const BudgetLine& line : budget.lines)
    table.rows.push_back({moneyText(line.count), capital(line.what),
                          line.price ? moneyText(*line.price) : std::string("no price"),
                          line.price ? moneyText(line.sum()) : std::string("-"),
                          line.phase == Phase::Later ? "later" : "now", line.full ? "fuller" : "both"});
  if (budget.lines.empty()) return table;
  const auto left = [&](const std::optional<double>& amount) {
    return !amount        ? std::string()
           : *amount >= 0 ? ", " + moneyText(*amount) + " left"
                          : ", over by " + moneyText(-*amount);
  };
  table.below.push_back("Simple: " + moneyText(budget.sums.simple) + left(budget.leftSimple) +
                        ". Fuller: " + moneyText(budget.sums.full) + left(budget.leftFull) + ".");
  table.below.push_back("Now " + moneyText(budget.sums.now) + ", later " + moneyText(budget.sums.later) + ".");
  if (!budget.noPrice.empty())
    table.below.push_back(std::to_string(budget.noPrice.size()) +
                          (budget.noPrice.size() == 1 ? " line has" : " lines have") +
                          " no price yet and count nothing.");
  table.below.emplace_back("Prices are as they were typed; ask for an offer before ordering.");
  return table;
}

int budgetPages(const SheetSource& s) { return pagesOf(budgetTable(s), *s.request.paper); }
Sheet budgetPage(const SheetSource& s, int number) { return tablePage(budgetTable(s), s, number); }

}  // namespace

const SheetRow& budgetSheetRow() {
  static constexpr SheetRow row{
      .id = "budget", .title = "budget", .scales = false, .pages = budgetPages, .page = budgetPage};
  return row;
}

}  // namespace mezzet
