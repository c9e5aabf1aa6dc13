// Layouts of a room searched: patterns of the trade, then annealing, judged as the ledger judges.
#pragma once

#include <functional>
#include <stop_token>

#include "core/decide/compare.h"
#include "core/search/score.h"

namespace mezzet {

struct SearchOffer {
  SearchScore score;       ///< of the whole scheme, routes drawn
  int must = 0, rule = 0;  ///< how many findings of each break
  Layout layout;
  std::string idea;  ///< "Sofa at wall B, looking at the fire, two facing it"
  std::string name;  ///< "Sofa at wall B, looking at the fire": of the scheme when it is taken
  std::string why;   ///< one sentence: what it does best, what it breaks
  SchemeFigures figures;
  int talkPairs = 0;
  std::string firstSight;  ///< what is seen on entering
  Job job;                 ///< with the layout in the scheme that was searched
};
struct SearchProgress {
  long long bounded = 0, judged = 0;
  std::optional<SearchScore> best;
  std::optional<Layout> layout;  ///< the best so far, when it is new
};
struct SearchResult {
  long long bounded = 0;            ///< thrown out for bodies in one place
  long long judged = 0;             ///< fully judged
  std::vector<SearchOffer> offers;  ///< the best first; all differ
  std::string says;                 ///< why there are none
};

/// Eight chains, seeds 8 seed + i, merged by (score, chain, index): with `candidates` the same answer for any number of
/// threads. Ends when those are used up or when it is stopped, and offers what it has. `progress` is called from any of
/// its threads, one at a time.
[[nodiscard]] SearchResult searchLayouts(const Job&, const Rulebook&, const SearchAsk&, LengthFormat,
                                         const std::stop_token& = {},
                                         const std::function<void(const SearchProgress&)>& progress = {});

/// Takes an offer as a scheme of its own, beside the one that was searched.
[[nodiscard]] Job withOfferTaken(const Job&, const SearchAsk&, const SearchOffer&, const std::string& date, IdSource&,
                                 SchemeId& fresh);

/// Would-be winners that only a drawn route breaks are walked on from by so many steps, routes drawn.
inline constexpr int kPolish = 40;

// ---- words, in words.cpp
/// What the layout does, in a few words; equal words are one idea. `main` is about the main piece alone.
struct Idea {
  std::string main, all;
};
[[nodiscard]] Idea ideaOf(const Ground&, const Layout&);
/// One sentence for each: what it does best among all of them, and what it breaks.
void explain(std::vector<SearchOffer>&, const std::vector<std::vector<Finding>>& findings, const Ground&, LengthFormat);

}  // namespace mezzet
