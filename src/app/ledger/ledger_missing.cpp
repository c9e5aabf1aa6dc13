// The shopping list of the display that is shown, first in the ledger.
#include <QVBoxLayout>
#include <algorithm>

#include "app/ledger/block_column.h"
#include "app/ledger/ledger.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/display/missing.h"

namespace mezzet {

/// In Displays: what the display is still without, with the largest size that fits.
void Ledger::addMissing() {
  if (workspace_.stage() != Stage::Displays) return;
  const auto display = workspace_.display();
  if (!display) return;
  constexpr std::size_t kMostMissing = 4;
  const auto missing = missingOf(*display, workspace_.job(), *workspace_.scheme());
  std::vector<std::string> lines;
  for (const MissingThing& m : missing) {
    std::string line = (display->bays.size() > 1 ? "Shelf " + display->bays[m.bay].id + ": " : std::string()) +
                       missingWords(m, workspace_.format()) + ".";
    std::string would;
    for (const PieceId& id : m.wouldDo)
      would += (would.empty() ? "" : ", ") + midSentence(findPiece(workspace_.job(), id)->name);
    if (!would.empty()) line += " In the house: " + would + ".";
    lines.push_back(std::move(line));
  }
  // An empty case wants everything: its bays are not told one by one.
  const bool empty = display->things.empty();
  if (empty) lines.clear();
  std::string content = empty ? "empty display" : "missing";
  for (const std::string& line : lines) content += '\n' + line;
  column_.add(content, [&](QVBoxLayout* column) {
    column->addWidget(words(empty           ? tr("Nothing stands there yet")
                            : lines.empty() ? tr("Nothing is missing there")
                                            : tr("Still missing, at most this large"),
                            "subject"));
    for (std::size_t i = 0; i < std::min(lines.size(), kMostMissing); ++i)
      column->addWidget(words(onScreen(lines[i]), "quietNote"));
    if (lines.size() > kMostMissing)
      column->addWidget(words(tr("and %1 more").arg(lines.size() - kMostMissing), "quietNote"));
    column->addWidget(ledgerLine());
  });
}

}  // namespace mezzet
