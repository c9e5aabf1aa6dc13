#include "core/rugs/carpet_words.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/entry/piece_cell.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kMetre = 1000;
std::string percent(double share) { return numberText(std::round(share * 1000) / 10, 1) + " %"; }
std::string tenths(double value) { return numberText(std::round(value * 10) / 10, 1); }

}  // namespace

std::vector<EdgePrice> edgePrices(double edgeLength, const CarpetList& list, const RugTrade& trade) {
  std::vector<EdgePrice> out;
  const auto add = [&](const std::string& id, const std::string& name) {
    const auto price = list.edgePrices.find(id);
    out.push_back(
        {id, name, price == list.edgePrices.end() ? std::nullopt : std::optional(price->second * edgeLength / kMetre)});
  };
  for (const EdgeFinish& finish : trade.edges) add(finish.id, finish.name);
  for (const auto& price : list.edgePrices)
    if (std::none_of(trade.edges.begin(), trade.edges.end(), [&](const EdgeFinish& e) { return e.id == price.first; }))
      add(price.first, price.first);
  return out;
}

std::vector<std::string> carpetWords(const CarpetCut& cut, const Broadloom& cloth, const Job& job,
                                     const RugTrade& trade, LengthFormat format) {
  std::vector<std::string> out;
  const auto length = [&](double mm) { return writeLength(mm, format); };
  const std::size_t n = cut.strips.size();
  std::string strips =
      std::to_string(n) + (n == 1 ? " strip" : " strips") + " off a roll " + length(cloth.roll) + " wide: ";
  for (std::size_t i = 0; i < n; ++i)
    strips += (i == 0 ? "" : i + 1 == n ? " and " : ", ") + length(cut.strips[i].length);
  out.push_back(strips + ", with " + length(cloth.trim) + " to trim at every cut edge" +
                (cloth.repeat ? ", to a repeat of " + length(*cloth.repeat) : "") + ".");
  out.push_back("Bought " + length(cut.bought) + ", " + writeArea(cut.boughtArea, job.units) + ", for " +
                writeArea(cut.area, job.units) + " of floor: " + percent(cut.waste()) + " waste.");
  if (cut.seams.empty()) out.emplace_back("No seam.");
  for (const double seam : cut.seams)
    out.push_back("A seam " + length(seam) + " in" + (cut.seamOnRoute > 1 ? "" : ", out of the main ways") + ".");
  if (cut.seamOnRoute > 1)
    out.push_back(length(cut.seamOnRoute) + " of seam lie in a main way; no other place of the seams has less.");
  out.push_back("Its edge is " + length(cut.edge) + " long.");
  std::string unpriced;
  for (const EdgePrice& price : edgePrices(cut.edge, job.carpet, trade)) {
    if (price.sum) out.push_back(capital(price.name) + ": " + tenths(*price.sum) + ".");
    else unpriced += (unpriced.empty() ? "" : ", ") + price.name;
  }
  if (!unpriced.empty()) out.push_back("Your list has no price of " + unpriced + ".");
  return out;
}

std::vector<std::string> runnerWords(const Room& room, LengthFormat format) {
  std::vector<std::string> out;
  for (const Feature& f : room.features)
    if (f.stair)
      out.push_back("A runner for the stair, " + std::to_string(f.stair->risers) + " risers: " +
                    writeLength(runnerLength(*f.stair), format) + ", trims included. Have it fastened at every step.");
  return out;
}

std::string leafWords(const std::string& id, const Job& job, const Scheme& scheme) {
  const Room& room = roomOf(job, scheme);
  if (const Opening* o = findOpening(room, OpeningId(id))) return "the " + openingName(room, *o);
  const Placement* p = findPlacement(scheme, PlacementId(id));
  return p != nullptr ? pieceOf(job, *p).name : id;
}

std::string stopLineWords(const StopLine& stop, const Job& job, const Scheme& scheme, LengthFormat format) {
  std::string words = "Stop at " + stop.linesUp + ": " + writeLength(stop.length, format) + " long, " +
                      writeArea(stop.area, job.units) + ", " + writeLength(stop.standing, format) +
                      " to stand on inside the entry" + (stop.enough ? "" : ", too little");
  for (std::size_t i = 0; i < stop.leaves.size(); ++i)
    words += (i == 0 ? "; over it pass " : ", ") + leafWords(stop.leaves[i], job, scheme);
  return words + ".";
}

}  // namespace mezzet
