#include "core/search/search.h"

#include <algorithm>
#include <atomic>
#include <cmath>
#include <map>
#include <mutex>
#include <thread>

#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/search/differ.h"
#include "core/search/moves.h"
#include "core/rules/registry.h"
#include "core/search/patterns.h"
#include "core/search/tidy.h"

namespace mezzet {
namespace {

constexpr std::size_t kChains = 8, kKept = 16;
constexpr std::size_t kOfOneIdea = 2, kOfOneMain = 5;  // kept of what is alike in words
constexpr std::size_t kFewOffers = 3;                  // below these an idea may come twice
constexpr int kStarts = 10;                            // furnished so often before one of them is walked from
constexpr int kWalk = 260;                             // judged steps of one walk
constexpr int kTriesPerStep = 12;                      // of steps that are thrown out, before a step counts as taken
constexpr double kHot = 3, kCold = 0.02;
constexpr std::size_t kJudgedWhole = 24;  // would-be winners, with routes

struct Found {
  SearchScore score;
  std::size_t chain = 0, index = 0;
  Layout layout;
  Idea idea;
};
bool before(const Found& a, const Found& b) {
  return std::tie(a.score, a.chain, a.index) < std::tie(b.score, b.chain, b.index);
}

/// What all chains share: only what is told on the way, never what is decided by.
struct Told {
  std::mutex mutex;
  const std::function<void(const SearchProgress&)>* progress = nullptr;
  std::atomic<long long> bounded = 0, judged = 0;
  std::optional<SearchScore> best;
};

class Chain {
 public:
  Chain(const Ground& ground, const Rulebook& book, const SearchAsk& ask, std::size_t number, Told& told)
      : ground_(ground),
        number_(number),
        chance_(kChains * ask.seed + number),
        judge_(ground, book, ask),
        patterns_(patternsOf(ground, ask.walls)),
        told_(told) {
    if (ask.candidates > 0) {
      const auto share = static_cast<long long>(kChains);
      left_ = ask.candidates / share + (static_cast<long long>(number) < ask.candidates % share ? 1 : 0);
    }
  }

  /// One walk from its next pattern.
  void go(const std::stop_token& stop) {
    walk(patterns_[(number_ + kChains * round_) % patterns_.size()], stop);
    ++round_;
  }
  [[nodiscard]] const std::vector<Found>& kept() const { return kept_; }
  [[nodiscard]] bool over(const std::stop_token& stop) const {
    return stop.stop_requested() || (left_ && *left_ <= 0) || patterns_.empty();
  }

 private:
  std::optional<SearchScore> judged(const Layout& layout) {
    if (left_) --*left_;
    const auto score = judge_(layout);
    if (!score) {
      ++told_.bounded;
      return score;
    }
    ++told_.judged;
    keep(*score, layout);
    return score;
  }

  void walk(const Pattern& pattern, const std::stop_token& stop) {
    std::optional<SearchScore> now;
    Layout at;
    for (int i = 0; i < kStarts && !over(stop); ++i) {
      Furnished start = furnish(ground_, pattern, chance_);
      if (start.placed < ground_.movables.size() && i + 1 < kStarts) continue;  // something stands nowhere yet
      const auto score = judged(start.layout);
      if (score && (!now || *score < *now)) {
        now = score;
        at = std::move(start.layout);
      }
    }
    if (!now) return;
    for (int step = 0; step < kWalk && !over(stop); ++step) {
      const double through = static_cast<double>(step) / kWalk, heat = 1 - through;
      const double temperature = kHot * std::pow(kCold / kHot, through);
      for (int t = 0; t < kTriesPerStep && !over(stop); ++t) {
        Layout next = stepFrom(ground_, at, heat, chance_);
        const auto score = judged(next);
        if (!score) continue;
        const double worse = score->energy() - now->energy();
        if (worse <= 0 || chance_.unit() < std::exp(-worse / temperature)) {
          now = score;
          at = std::move(next);
        }
        break;
      }
    }
  }

  /// The best of each idea; of those that do not differ the better one.
  void keep(const SearchScore& score, const Layout& layout) {
    if (kept_.size() == kKept && !(score < kept_.back().score)) return;
    std::vector<std::size_t> same;
    for (std::size_t i = 0; i < kept_.size(); ++i)
      if (!differ(ground_, kept_[i].layout, layout)) {
        if (!(score < kept_[i].score)) return;
        same.push_back(i);
      }
    for (auto i = same.rbegin(); i != same.rend(); ++i) kept_.erase(kept_.begin() + static_cast<std::ptrdiff_t>(*i));
    const Found found{score, number_, index_++, layout, ideaOf(ground_, layout)};
    kept_.insert(std::upper_bound(kept_.begin(), kept_.end(), found, before), found);
    std::size_t alike = 0, main = 0;
    for (std::size_t i = 0; i < kept_.size(); ++i) {
      alike += kept_[i].idea.all == found.idea.all;
      main += kept_[i].idea.main == found.idea.main;
      if (kept_[i].idea.main != found.idea.main || (alike <= kOfOneIdea && main <= kOfOneMain)) continue;
      kept_.erase(kept_.begin() + static_cast<std::ptrdiff_t>(i));
      break;
    }
    if (kept_.size() > kKept) kept_.pop_back();
    tell(score, layout);
  }
  void tell(const SearchScore& score, const Layout& layout) {
    if (!*told_.progress) return;
    const std::lock_guard lock(told_.mutex);
    if (told_.best && !(score < *told_.best)) return;
    told_.best = score;
    (*told_.progress)({told_.bounded, told_.judged, score, layout});
  }

  const Ground& ground_;
  std::size_t number_;
  Chance chance_;
  Judge judge_;
  std::vector<Pattern> patterns_;
  Told& told_;
  std::optional<long long> left_;
  std::vector<Found> kept_;  // the best first
  std::size_t index_ = 0, round_ = 0;
};

/// A layout under every rule of the whole scheme, routes drawn.
struct JudgedWhole {
  SearchOffer offer;
  std::vector<Finding> findings;
  SearchScore ofFloor;  ///< without what is asked of pictures and shelves: they are hung again when the floor is set
};
/// Whether a finding is asked of something that hangs and is no screen.
bool isOfHung(const Ground& ground, const Finding& f) {
  return std::any_of(f.subjects.begin(), f.subjects.end(), [&](const std::string& subject) {
    const Placement* p = findPlacement(*ground.scheme, PlacementId(carrierOfSubject(subject)));
    return p != nullptr && onWall(p->on) != nullptr && !isScreen(pieceOf(*ground.job, *p).kind);
  });
}
struct Whole {
  const Job& job;
  const Ground& ground;
  const Rulebook& book;
  const SearchAsk& ask;
  LengthFormat format;
  UseState state;

  JudgedWhole operator()(const Layout& layout, double wishes) const {
    JudgedWhole out;
    out.offer.layout = layout;
    out.offer.job = withLayout(job, ground, layout);
    const RouteFacts routes = routeFactsOf(out.offer.job, ask.scheme, state);
    out.findings = check(out.offer.job, book, ask.scheme, format, CheckWith{state, &routes, nullptr});
    out.offer.score = scoreOf(out.findings);
    out.offer.score.wishes = wishes;
    out.offer.score.taste += untidiness(ground, layout);
    std::vector<Finding> floor;
    std::copy_if(out.findings.begin(), out.findings.end(), std::back_inserter(floor),
                 [&](const Finding& f) { return f.verdict == Verdict::Breaks && !isOfHung(ground, f); });
    out.ofFloor = scoreOf(floor);
    for (const Finding& f : out.findings)
      if (f.verdict == Verdict::Breaks && f.weight != Weight::Taste)
        ++(f.weight == Weight::Must ? out.offer.must : out.offer.rule);
    const Idea idea = ideaOf(ground, layout);
    out.offer.idea = idea.all;
    out.offer.name = idea.main;
    return out;
  }
};

/// The best of all chains that differ, judged whole. Where a route breaks what holds without it, small steps are taken
/// until it holds or nothing gets better.
std::vector<JudgedWhole> wouldBeWinners(const std::vector<Found>& all, const Whole& whole) {
  std::vector<const Found*> distinct;
  std::map<std::string, std::size_t> ofIdea, ofMain;
  for (const Found& found : all)
    if (distinct.size() < kJudgedWhole && ofIdea[found.idea.all] < kOfOneIdea && ofMain[found.idea.main] < kOfOneMain &&
        std::none_of(distinct.begin(), distinct.end(),
                     [&](const Found* other) { return !differ(whole.ground, other->layout, found.layout); })) {
      distinct.push_back(&found);
      ++ofIdea[found.idea.all];
      ++ofMain[found.idea.main];
    }
  std::vector<JudgedWhole> out;
  for (const Found* found : distinct) out.push_back(whole(found->layout, found->score.wishes));
  Judge judge(whole.ground, whole.book, whole.ask);
  for (std::size_t i = 0; i < out.size(); ++i) {
    Chance chance(kChains * whole.ask.seed + kChains + i);
    for (int step = 0; step < kPolish && (out[i].ofFloor.must > 0 || out[i].ofFloor.rule > distinct[i]->score.rule);
         ++step) {
      const Layout next = stepFrom(whole.ground, out[i].offer.layout, 0.1, chance);
      const auto quick = judge(next);
      if (!quick || quick->must > distinct[i]->score.must || quick->rule > distinct[i]->score.rule) continue;
      if (JudgedWhole then = whole(next, quick->wishes); then.offer.score < out[i].offer.score)
        out[i] = std::move(then);
    }
  }
  std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.offer.score < b.offer.score; });
  return out;
}

/// Each idea once, the main piece's first, but nothing much worse for the sake of being another; one idea twice only
/// where there are few. What small steps made alike is offered once.
std::vector<std::size_t> chosenOf(const std::vector<JudgedWhole>& whole, const Ground& ground, std::size_t most) {
  constexpr double kMuchWorse = 1;
  enum class Other { Main, Idea, Any };
  SearchScore best{1000, 0, 0, 0};
  for (const JudgedWhole& w : whole)
    if (std::tie(w.ofFloor.must, w.ofFloor.rule) < std::tie(best.must, best.rule)) best = w.ofFloor;
  std::vector<std::size_t> chosen;
  for (const Other other : {Other::Main, Other::Idea, Other::Any})
    for (std::size_t i = 0; i < whole.size() && chosen.size() < (other == Other::Any ? kFewOffers : most); ++i) {
      const SearchOffer& offer = whole[i].offer;
      const auto among = [&](auto what) { return std::any_of(chosen.begin(), chosen.end(), what); };
      const bool known = among([&](std::size_t c) {
        return other == Other::Main ? whole[c].offer.name == offer.name : whole[c].offer.idea == offer.idea;
      });
      const bool alike = among([&](std::size_t c) { return !differ(ground, whole[c].offer.layout, offer.layout); });
      const bool sound = whole[i].ofFloor.must <= best.must && whole[i].ofFloor.rule <= best.rule + kMuchWorse;
      if (alike || (other != Other::Any && (known || !sound))) continue;
      chosen.push_back(i);
    }
  std::sort(chosen.begin(), chosen.end());
  return chosen;
}

int talkPairsIn(const std::vector<Finding>& findings) {
  return static_cast<int>(std::count_if(findings.begin(), findings.end(), [](const Finding& f) {
    return showsOf(f.rule, shows::kTalk) && (f.verdict == Verdict::Holds || f.verdict == Verdict::Close);
  }));
}

}  // namespace

SearchResult searchLayouts(const Job& job, const Rulebook& book, const SearchAsk& ask, LengthFormat format,
                           const std::stop_token& stop, const std::function<void(const SearchProgress&)>& progress) {
  SearchResult out;
  const Ground ground = groundOf(job, ask);
  if (ground.scheme == nullptr || ground.movables.empty()) {
    out.says = "Nothing stands on the floor that may be moved: put down or unlock the pieces first.";
    return out;
  }
  Told told;
  told.progress = &progress;
  std::vector<std::unique_ptr<Chain>> chains;
  for (std::size_t i = 0; i < kChains; ++i) chains.push_back(std::make_unique<Chain>(ground, book, ask, i, told));
  const std::size_t threads = static_cast<std::size_t>(std::clamp(ask.threads, 1, static_cast<int>(kChains)));
  // Each thread has its own chains and goes round them, so that all get on alike when time ends it.
  const auto work = [&](std::size_t thread) {
    for (bool any = true; any;) {
      any = false;
      for (std::size_t i = thread; i < kChains; i += threads)
        if (!chains[i]->over(stop)) {
          chains[i]->go(stop);
          any = true;
        }
    }
  };
  {
    std::vector<std::jthread> others;
    for (std::size_t t = 1; t < threads; ++t) others.emplace_back(work, t);
    work(0);
  }
  out.bounded = told.bounded;
  out.judged = told.judged;

  std::vector<Found> all;
  for (const auto& chain : chains) all.insert(all.end(), chain->kept().begin(), chain->kept().end());
  std::sort(all.begin(), all.end(), before);
  const UseState state = ask.states.empty() ? UseState::Everyday : ask.states.front();
  std::vector<JudgedWhole> whole = wouldBeWinners(all, Whole{job, ground, book, ask, format, state});
  const std::vector<std::size_t> chosen = chosenOf(whole, ground, ask.offers);
  std::vector<std::vector<Finding>> findings;
  for (const std::size_t i : chosen) {
    SearchOffer& offer = whole[i].offer;
    offer.figures = judged(offer.job, book, ask.scheme, format, CheckWith{state, nullptr, nullptr}).figures;
    offer.talkPairs = talkPairsIn(whole[i].findings);
    for (const Finding& f : whole[i].findings)
      if (showsOf(f.rule, shows::kFirstLook)) offer.firstSight = f.sentence;
    out.offers.push_back(std::move(offer));
    findings.push_back(std::move(whole[i].findings));
  }
  explain(out.offers, findings, ground, format);
  if (out.offers.empty()) out.says = "No layout was found in which everything stands free: leave a piece out.";
  return out;
}

Job withOfferTaken(const Job& job, const SearchAsk& ask, const SearchOffer& offer, const std::string& date,
                   IdSource& ids, SchemeId& fresh) {
  const Scheme* scheme = findScheme(job, ask.scheme);
  if (scheme == nullptr) return job;
  Job out = withNextScheme(job, scheme->room, ask.scheme, ids, fresh);
  Scheme copy = *findScheme(out, fresh);
  copy.name = offer.name;
  const auto named = [&](const auto& other) {
    return other->id != fresh && other->room == copy.room && other->name == copy.name;
  };
  for (int again = 2; std::any_of(job.schemes.begin(), job.schemes.end(), named); ++again)
    copy.name = offer.name + ", " + std::to_string(again);
  copy.kept.clear();
  copy.areas.clear();
  const Scheme& laid = *findScheme(offer.job, ask.scheme);
  // Copies keep the order of what they are copies of.
  for (std::size_t i = 0; i < copy.placements.size() && i < laid.placements.size(); ++i) {
    if (onFloor(copy.placements[i].on) == nullptr) continue;
    copy.placements[i].on = laid.placements[i].on;
    copy.placements[i].piece = laid.placements[i].piece;
    copy.placements[i].usedAt.reset();
  }
  copy.log = {{LogKind::Decision, date, "Searched. " + offer.why}};
  return withScheme(out, std::move(copy));
}

}  // namespace mezzet
