#include "core/decide/size_card.h"

#include <algorithm>
#include <cmath>
#include <set>

#include "core/decide/dining_sizes.h"
#include "core/edit/edits.h"
#include "core/rules/base/wall_doubt.h"
#include "core/rules/registry.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

constexpr double kStep = kInch / 2, kClose = 0.005;
constexpr int kRounds = 3;  // at most, until each size is at its recommended value while the others are looked at

enum class Size { Width, Depth, Height };
const char* sizeWord(Size size) { return size == Size::Width ? "width" : size == Size::Depth ? "depth" : "height"; }

/// What a finding says against a size: nothing, that it is not the best, or that it does not do.
enum class Against { Nothing, Ideal, Tolerated };

/// What a size does to the scheme.
struct Effect {
  bool tolerated = false;
  std::string rule, with;        ///< what is not tolerated, the first found
  std::set<std::string> tastes;  ///< matters of taste about the piece that hold
};

/// What is asked of a size: all ideals, or only what is tolerated with these matters of taste.
struct Asked {
  Against least = Against::Ideal;  ///< what counts against it
  std::set<std::string> tastes;
};

class Fitting {
 public:
  Fitting(const Job& job, const Rulebook& book, const SchemeId& scheme, const PlacementId& id, LengthFormat format,
          const CheckWith& with)
      : job_(job), book_(book), scheme_(scheme), id_(id), format_(format), with_(with) {
    const Scheme& here = *findScheme(job, scheme);
    piece_ = pieceOf(job, *findPlacement(here, id));
    for (const Finding& f : check(withoutPlacement(job, scheme, id), book, scheme, format, with))
      if (f.verdict == Verdict::Breaks) brokenWithout_.insert(f.id);
    for (const Finding& f : check(job, book, scheme, format, with))
      if (f.weight != Weight::Taste && f.missing.empty() && isAbout(f) && !showsOf(f.rule, shows::kFindsFaults))
        purposes_.push_back(f);
    for (const RuleRows rows : ruleFamilies())
      for (const RuleRow& row : rows)
        if (findRule(book, std::string(row.id)) != nullptr) order_.push_back(&row);
    const Box room = boundsOf(outlineOf(roomOf(job, here)));
    most_ = std::max(room.high.x - room.low.x, room.high.y - room.low.y);
    ceiling_ = roomOf(job, here).ceilingHeight;
    onWall_ = onWall(findPlacement(here, id)->on) != nullptr;
  }

  [[nodiscard]] bool round() const { return piece_.shape == Shape::Round; }
  [[nodiscard]] bool has(Size size) const {
    return size == Size::Width ||
           (size == Size::Depth ? piece_.depth.has_value() && !round() && !onWall_ : piece_.height.has_value());
  }
  [[nodiscard]] double value(Size size) const {
    return size == Size::Width ? piece_.width : size == Size::Depth ? *piece_.depth : *piece_.height;
  }
  void set(Size size, double value) { put(piece_, size, value); }
  [[nodiscard]] double most(Size size) const { return size == Size::Height ? ceiling_ : most_; }

  /// `wanted`: matters of taste that must hold.
  [[nodiscard]] Effect at(Size size, double value, const std::set<std::string>& wanted) const {
    Effect out;
    const auto job = sized(size, value);
    if (!job) return out;
    out.tolerated = true;
    const std::vector<Finding> findings = check(*job, book_, scheme_, format_, with_);
    for (const Finding& f : findings) {
      if (against(f, wanted) == Against::Tolerated) refuse(out, f);
      if (f.weight == Weight::Taste && isAbout(f) && f.verdict != Verdict::Breaks) out.tastes.insert(f.id);
    }
    for (const Finding& f : purposes_)
      if (!has(findings, f)) refuse(out, f);
    return out;
  }

  /// Whether a size does what is asked. Rule by rule, first those that lately refused: of the many sizes that do not
  /// do, one rule and not all is asked.
  [[nodiscard]] bool does(Size size, double value, const Asked& asked) {
    const auto job = sized(size, value);
    if (!job) return false;
    const Situation situation(*job, book_, *findScheme(*job, scheme_), format_, with_);
    for (auto row = order_.begin(); row != order_.end(); ++row) {
      if (!refuses(situation, **row, asked)) continue;
      std::rotate(order_.begin(), row, row + 1);
      return false;
    }
    return true;
  }

 private:
  static void put(Piece& piece, Size size, double value) {
    if (size == Size::Width) piece.width = value;
    if (size == Size::Depth || (size == Size::Width && piece.shape == Shape::Round)) piece.depth = value;
    if (size == Size::Height) piece.height = value;
  }
  static bool within(const Range& range, double value, Quantity quantity) {
    const double slack = quantity == Quantity::Length ? 0.01 : 1e-9;
    return (!range.low || value >= *range.low - slack) && (!range.high || value <= *range.high + slack);
  }
  [[nodiscard]] bool names(const std::vector<std::string>& ids) const {
    return std::find(ids.begin(), ids.end(), id_.value) != ids.end();
  }
  [[nodiscard]] bool isAbout(const Finding& f) const { return names(f.subjects) || names(f.between); }
  [[nodiscard]] Result<Job> sized(Size size, double value) const {
    Piece piece = piece_;
    put(piece, size, value);
    return withPiece(job_, piece);
  }
  /// A table so small that another serves the seat is no smaller table for it.
  [[nodiscard]] static bool has(const std::vector<Finding>& findings, const Finding& purpose) {
    return std::any_of(findings.begin(), findings.end(), [&](const Finding& now) { return now.id == purpose.id; });
  }
  [[nodiscard]] Against against(const Finding& f, const std::set<std::string>& wanted) const {
    const bool breaks = f.verdict == Verdict::Breaks, taste = f.weight == Weight::Taste;
    if (taste && !isAbout(f)) return Against::Nothing;
    if (breaks && (taste ? wanted.contains(f.id) : !brokenWithout_.contains(f.id))) return Against::Tolerated;
    const bool best =
        !(taste && breaks) && (!isAbout(f) || !f.missing.empty() || within(f.ideal, f.measured, f.quantity));
    return best ? Against::Nothing : Against::Ideal;
  }
  [[nodiscard]] bool refuses(const Situation& situation, const RuleRow& row, const Asked& asked) const {
    std::vector<Finding> found;
    row.evaluate(situation, *findRule(book_, std::string(row.id)), found);
    if (std::any_of(purposes_.begin(), purposes_.end(),
                    [&](const Finding& f) { return f.rule == row.id && !has(found, f); }))
      return true;
    // The walls' doubt can only settle what is against it.
    std::erase_if(found, [&](const Finding& f) { return against(f, asked.tastes) < asked.least; });
    addWallDoubts(situation, found);
    return std::any_of(found.begin(), found.end(),
                       [&](const Finding& f) { return against(f, asked.tastes) >= asked.least; });
  }
  void refuse(Effect& out, const Finding& f) const {
    if (!out.tolerated) return;
    out.tolerated = false;
    out.rule = f.rule;
    for (const std::string& s : f.subjects)
      if (s != id_.value) out.with = s;
  }

  const Job& job_;
  const Rulebook& book_;
  SchemeId scheme_;
  PlacementId id_;
  LengthFormat format_;
  CheckWith with_;
  Piece piece_;
  std::set<std::string> brokenWithout_;
  std::vector<const RuleRow*> order_;  ///< of asking: what refused last comes first
  std::vector<Finding> purposes_;      ///< what is asked of it at the size it has: that must stay asked
  double most_ = 0, ceiling_ = 0;
  bool onWall_ = false;  ///< then its depth is nobody's business
};

/// From `from`, where `good` holds, to the last value in a direction where it still does; `from + way * reach` at most.
/// Absent when it never ends.
template <class Good>
std::optional<double> lastGood(double from, double way, double end, Good good) {
  double last = from;
  for (;;) {
    double next = last + way * kStep;
    if ((end - next) * way < 0) return std::nullopt;
    if (good(next)) {
      last = next;
      continue;
    }
    double bad = next;
    while (std::abs(bad - last) > kClose) {
      const double middle = (last + bad) / 2;
      (good(middle) ? last : bad) = middle;
    }
    return last;
  }
}

/// The value nearest to `from` at which `good` holds, looked for by steps to both sides.
template <class Good>
std::optional<double> nearestGood(double from, double most, Good good) {
  for (double off = 0; off <= most; off += kStep)
    for (const double side : {1.0, -1.0}) {
      const double value = from + side * off;
      if (value >= kLeastSize && value <= most && good(value)) return value;
    }
  return std::nullopt;
}

SizeRange rangeOf(Fitting& fit, Size size, const std::stop_token& stop) {
  SizeRange out;
  const double now = fit.value(size), most = fit.most(size);
  out.recommended = now;
  const auto ideal = [&](double v) { return !stop.stop_requested() && fit.does(size, v, {}); };
  if (const auto inside = nearestGood(now, most, ideal)) {
    out.idealLow = lastGood(*inside, -1, kLeastSize, ideal).value_or(kLeastSize);
    out.idealHigh = lastGood(*inside, 1, most, ideal).value_or(most);
    out.recommended = (*out.idealLow + *out.idealHigh) / 2;
  }
  const Asked asked{Against::Tolerated, fit.at(size, out.recommended, {}).tastes};
  const auto tolerated = [&](double v) { return !stop.stop_requested() && fit.does(size, v, asked); };
  // What is ideal is tolerated: on from its ends.
  const auto from = out.idealLow ? out.idealLow : nearestGood(out.recommended, most, tolerated);
  if (!from) return out;
  const auto endAt = [&](std::optional<double> at, double way) -> std::optional<SizeEnd> {
    if (!at) return std::nullopt;
    const Effect beyond = fit.at(size, *at + way * kInch / 16, asked.tastes);
    return SizeEnd{*at, beyond.rule, beyond.with};
  };
  out.low = endAt(lastGood(*from, -1, kLeastSize, tolerated), -1);
  out.high = endAt(lastGood(out.idealHigh.value_or(*from), 1, most, tolerated), 1);
  if (!out.idealLow && out.low && out.high) out.recommended = (out.low->value + out.high->value) / 2;
  return out;
}

std::string bothUnits(double mm) {
  return writeLength(mm, {LengthStyle::Inches, 16}) + " (" + writeLength(mm, {LengthStyle::Millimetres, 16}) + ")";
}

}  // namespace

std::optional<SizeCard> sizeCardOf(const Job& job, const Rulebook& book, const SchemeId& id,
                                   const PlacementId& placement, LengthFormat format, const CheckWith& with,
                                   const std::stop_token& stop) {
  const Scheme* scheme = findScheme(job, id);
  const Placement* p = scheme != nullptr ? findPlacement(*scheme, placement) : nullptr;
  if (p == nullptr || carrierOf(p->on)) return std::nullopt;
  Fitting fit(job, book, id, placement, format, {with.state, nullptr});
  SizeCard card;
  card.round = fit.round();
  bool settled = false;
  for (int round = 0; round < kRounds && !settled; ++round) {
    settled = true;
    for (const Size size : {Size::Width, Size::Depth, Size::Height}) {
      if (!fit.has(size)) continue;
      const SizeRange range = rangeOf(fit, size, stop);
      settled = settled && std::abs(range.recommended - fit.value(size)) <= kClose;
      fit.set(size, range.recommended);
      if (size == Size::Width) card.width = range;
      if (size == Size::Depth) card.depth = range;
      if (size == Size::Height) card.height = range;
    }
  }
  for (std::string& words : diningSizeWords(diningSizes(job, book, id, placement, format, with, stop), format))
    card.says.push_back(std::move(words));
  const Effect together = fit.at(Size::Width, fit.value(Size::Width), {});
  card.holds = together.tolerated;
  if (!card.holds) {
    card.says.push_back("No size holds here: " + ruleWords(book, together.rule) +
                        " breaks at every one that was looked at.");
    for (const Size size : {Size::Width, Size::Depth, Size::Height}) {
      if (!fit.has(size)) continue;
      const Effect small = fit.at(size, kLeastSize, {}), large = fit.at(size, fit.most(size), {});
      if (small.rule.empty() || large.rule.empty() || small.rule == large.rule) continue;
      card.says.push_back("Two rules pull apart: " + ruleWords(book, small.rule) + " asks for more " + sizeWord(size) +
                          ", " + ruleWords(book, large.rule) + " for less.");
    }
  }
  return card;
}

std::vector<std::string> sizeCardWords(const SizeCard& card, const Rulebook& book, const SchemeNames& names,
                                       const Room& room) {
  std::vector<std::string> out;
  const auto end = [&](const SizeEnd& e) {
    std::string by = ruleWords(book, e.rule);
    if (!e.with.empty()) by += ", " + thingWords(names, room, e.with);
    return bothUnits(e.value) + " by " + by;
  };
  const auto line = [&](const char* what, const SizeRange& r) {
    std::string words = std::string(what) + ": ";
    if (!r.low && !r.high && !r.idealLow) {
      out.push_back(words + "nothing here asks for another than " + bothUnits(r.recommended) + ".");
      return;
    }
    words += "best " + bothUnits(r.recommended);
    if (r.idealLow) words += ", ideal " + bothUnits(*r.idealLow) + " to " + bothUnits(*r.idealHigh);
    words += r.low ? "; at least " + end(*r.low) : "; smaller holds too";
    words += r.high ? "; at most " + end(*r.high) : "; larger holds too";
    out.push_back(words + ".");
  };
  line(card.round ? "Across" : "Width", card.width);
  if (card.depth) line("Depth", *card.depth);
  if (card.height) line("Height", *card.height);
  out.insert(out.end(), card.says.begin(), card.says.end());
  return out;
}

}  // namespace mezzet
