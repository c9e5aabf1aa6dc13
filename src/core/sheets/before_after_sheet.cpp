// Before and after on one page, for the owner: two small plans and what changed in measures, without rule names.
#include <algorithm>
#include <cmath>

#include "core/drawing/plan/plan.h"
#include "core/plan/changes.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

constexpr TableColumn kBeforeAfter[] = {{"", 0}, {"What", 0.03}, {"Before", 0.66}, {"After", 0.83}};
constexpr double kPictureHigh = 74, kFootNote = 12;  // mm of paper

/// Which scheme it is compared with: the one asked for, else the one before it in the room. Without one, what was
/// planned.
const Scheme* earlier(const SheetSource& s) {
  if (!s.request.from.empty()) return findScheme(s.job, s.request.from);
  const Scheme* before = nullptr;
  for (const auto& scheme : s.job.schemes) {
    if (scheme.get() == s.scheme || scheme->id == s.scheme->id) break;
    if (scheme->room == s.room.id) before = scheme.get();
  }
  return before;
}

Drawing smallPlan(const SheetSource& s, const Scheme* scheme, double wide) {
  PlanOptions options = planOptions(100, s.request.format);
  options.bare = true;
  Drawing probe = composePlan(s.job, s.room, scheme, options);
  const double scale = std::max((probe.high.x - probe.low.x) / wide, (probe.high.y - probe.low.y) / kPictureHigh);
  options.scale = scale;
  return composePlan(s.job, s.room, scheme, options);
}

/// Better and worse before what only differs, each by how much of itself it changed.
std::vector<Change> mostTelling(std::vector<Change> all) {
  const auto rank = [](const Change& c) { return !c.from || !c.to ? 2 : c.better ? 0 : 1; };
  const auto share = [](const Change& c) {
    return c.from && c.to ? std::abs(*c.to - *c.from) / std::max(1.0, std::max(std::abs(*c.from), std::abs(*c.to))) : 0;
  };
  std::stable_sort(all.begin(), all.end(), [&](const Change& a, const Change& b) {
    return rank(a) != rank(b) ? rank(a) < rank(b) : share(a) > share(b);
  });
  return all;
}

std::vector<Sheet> beforeAfterPages(const SheetSource& s) {
  Flow flow(s, "Before and after");
  const Scheme* was = s.scheme != nullptr ? earlier(s) : nullptr;
  if (s.scheme == nullptr || s.request.book == nullptr) {
    flow.line("Nothing to compare yet.");
    return flow.finish();
  }
  const CheckWith with{s.request.state, nullptr, nullptr};
  std::vector<Change> changes =
      was != nullptr ? changesBetween(figuresFor(s.job, *s.request.book, was->id, s.request.format, with),
                                      figuresFor(s.job, *s.request.book, s.scheme->id, s.request.format, with))
                     : plannedAndBuilt(s.job, *s.request.book, *s.scheme, s.request.format, with);
  const double half = flow.wide() / 2 - 3;
  addSheetText(flow.drawing(), {flow.left(), flow.y()}, was != nullptr ? "Before: " + was->name : "As planned",
               kTitleLetters);
  addSheetText(flow.drawing(), {flow.left() + half + 6, flow.y()},
               was != nullptr ? "After: " + s.scheme->name : "As built", kTitleLetters);
  flow.skip(6);
  flow.place(smallPlan(s, was != nullptr ? was : s.scheme, half), flow.left(), half, kPictureHigh);
  flow.place(smallPlan(s, s.scheme, half), flow.left() + half + 6, half, kPictureHigh);
  flow.skip(kPictureHigh + 8);
  if (changes.empty()) {
    flow.line("Nothing changed in measures.");
    return flow.finish();
  }
  const std::size_t all = changes.size();
  changes = mostTelling(std::move(changes));
  // What is in one of the two alone says little to an owner.
  std::erase_if(changes, [](const Change& c) { return !c.from || !c.to; });
  flow.columns(kBeforeAfter);
  std::size_t told = 0;
  for (const Change& c : changes) {
    if (flow.leftOver() < kFootNote + 10) break;  // one page
    const auto text = [&](const std::optional<double>& v) {
      return v ? figureText(*v, c.unit, s.request.format, s.job.units) : std::string("-");
    };
    flow.row(kBeforeAfter, {c.better ? (*c.better ? "+" : "-") : "", c.what, text(c.from), text(c.to)});
    ++told;
  }
  flow.skip(1);
  flow.line(std::string("+ is nearer to what the trade asks, - is further from it.") +
            (told < all ? " " + std::to_string(all - told) + " smaller changes are left out." : std::string()));
  return flow.finish();
}

}  // namespace

const SheetRow& beforeAfterSheetRow() {
  static constexpr SheetRow row{
      .id = "before-after", .title = "before and after", .scales = false, .whole = beforeAfterPages};
  return row;
}

}  // namespace mezzet
