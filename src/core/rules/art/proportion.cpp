// Proportion and breathing room on walls: all of it taste.
#include <algorithm>
#include <cmath>
#include <limits>

#include "core/rules/art/art_case.h"
#include "core/rules/art/rules.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"

namespace mezzet {
namespace {

const Piece& firstOf(const Situation& s, const Hung& hung) {
  return s.pieces.of(*findPlacement(s.scheme, hung.members.front()));
}
bool isPictures(const Situation& s, const Hung& hung) { return isPictureGroup(s.pieces, s.scheme, hung); }
/// Pictures, textiles, mirrors, plates and objects; televisions, shelves and clocks have rules of their own.
bool isDisplayed(const Situation& s, const Hung& hung) {
  return std::any_of(hung.members.begin(), hung.members.end(), [&](const PlacementId& id) {
    return gathersOnWall(s.pieces.of(*findPlacement(s.scheme, id)).kind);
  });
}
std::string nameOf(const Situation& s, const Hung& hung, bool starts = true) {
  if (hung.members.size() > 1) return starts ? "The group" : "the group";
  return s.names.the(hung.members.front(), starts);
}

/// Upper width over lower width, with its doubt.
void widthFinding(const Situation& s, const Rule& rule, std::vector<std::string> subjects, const Piece& upper,
                  double upperWidth, const std::string& name, double lowerDoubt, const std::string& lowerName,
                  double lowerWidth, Vec2 a, Vec2 b, const View& view, std::vector<Finding>& out) {
  Finding f = findingOf(rule, askedOf(rule, s.job, upper), std::move(subjects));
  f.measured = upperWidth / lowerWidth;
  f.u95 = f.measured * std::hypot(doubtOf(upper, "width") / upperWidth, lowerDoubt / lowerWidth);
  f.at = {a, b};
  f.view = view;
  decide(f, s.scheme);
  f.marginMm = f.margin * lowerWidth;
  f.sentence =
      name + " is " + measureWords(f.measured, f.quantity, s.format) + " as wide as " + lowerName + " below it";
  f.sentence += idealWords(f, s.format) + ".";
  f.rival = rivalWords(s, rule, f);
  out.push_back(std::move(f));
}

/// What hangs against what stands below it.
void hungWidth(const Situation& s, const Rule& rule, const Hung& hung, const Below& below, std::vector<Finding>& out) {
  const WallRect& e = hung.envelope;
  std::vector<std::string> subjects = idsOf(hung);
  subjects.push_back(below.id);
  const Placement* under = s.placement(below.id);
  widthFinding(s, rule, std::move(subjects), firstOf(s, hung), e.width(), nameOf(s, hung),
               under != nullptr ? doubtOf(s.pieces.of(*under), "width") : 0, thingWords(s, below.id),
               below.right - below.left, {e.left, e.bottom}, {e.right, e.bottom}, View{hung.wall}, out);
}

void evaluateArtWidth(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const auto& below = s.below()[i];
    if (below && isPictures(s, s.hung()[i]) && (below->row == BelowRow::Seat || below->row == BelowRow::Table))
      hungWidth(s, rule, s.hung()[i], *below, out);
  }
}

void evaluateTwoThirds(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    const auto& below = s.below()[i];
    const std::string& kind = firstOf(s, hung).kind;
    if (below && below->row == BelowRow::Table && !isPictures(s, hung) &&
        (isMirror(kind) || isScreen(kind) || isShelf(kind)))
      hungWidth(s, rule, hung, *below, out);
  }
  // A television that stands on what carries it.
  for (const Placement& p : s.scheme.placements) {
    const auto* carried = onAnother(p.on);
    if (carried == nullptr || !isScreen(s.pieces.of(p).kind)) continue;
    const Placement* below = findPlacement(s.scheme, carried->carrier);
    if (below == nullptr || onFloor(below->on) == nullptr) continue;
    const Placement& carrier = *below;
    const Piece& lower = s.pieces.of(carrier);
    const Vec2 at = floorPlace(carrier.on).at;
    widthFinding(s, rule, {p.id.value, carrier.id.value}, s.pieces.of(p), s.pieces.of(p).width, s.names.the(p.id, true),
                 doubtOf(lower, "width"), s.names.the(carrier.id), lower.width, at, at, View{}, out);
  }
}

void evaluateSideBreathing(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    if (!isDisplayed(s, hung)) continue;
    const WallRect& e = hung.envelope;
    const auto wall = findWall(s.room, hung.wall);
    const double v = e.centreHeight();
    double least = e.left;
    std::string what = "the end of the wall";
    std::array<Vec2, 2> at{Vec2{e.left, v}, Vec2{0, v}};
    const auto offer = [&](double gap, Vec2 a, Vec2 b, const std::string& name) {
      if (gap >= least) return;
      least = gap;
      what = name;
      at = {a, b};
    };
    /// Something beside it, if the two stand side by side at some height.
    const auto beside = [&](double left, double right, double bottom, double top, const std::string& name) {
      if (std::min(e.top, top) - std::max(e.bottom, bottom) <= kTouch) return;
      if (right <= e.left + kTouch) offer(e.left - right, {e.left, v}, {right, v}, name);
      else if (left >= e.right - kTouch) offer(left - e.right, {e.right, v}, {left, v}, name);
    };
    offer(wall->length() - e.right, {e.right, v}, {wall->length(), v}, "the end of the wall");
    for (std::size_t j = 0; j < s.hung().size(); ++j)
      if (j != i && s.hung()[j].wall == hung.wall) {
        const WallRect& o = s.hung()[j].envelope;
        beside(o.left, o.right, o.bottom, o.top, nameOf(s, s.hung()[j], false));
      }
    for (const Opening& o : s.room.openings)
      if (o.wall == hung.wall) {
        const double right = wall->length() - o.offset;
        beside(right - o.width, right, o.sill, o.head(), o.kind == OpeningKind::Window ? "the window" : "the door");
      }
    for (const Standing& st : standingAt(s.job, s.scheme, *wall))
      if (st.top) beside(st.left, st.right, 0, *st.top, s.names.the(st.id));
    Finding f = findingOf(rule, askedOf(rule, s.job, firstOf(s, hung)), idsOf(hung));
    f.measured = least;
    f.at = at;
    f.view = View{hung.wall};
    f.u95 = hung.members.size() == 1 ? doubtOf(firstOf(s, hung), "width") / 2 : 0;
    decide(f, s.scheme);
    f.sentence =
        nameOf(s, hung) + " has " + writeLength(std::max(0.0, least), s.format) + " beside it to " + what + ".";
    out.push_back(std::move(f));
  }
}

void evaluateTopBreathing(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    const auto& below = s.below()[i];
    // Over an empty floor the room below is always the larger.
    if (!below || below->row == BelowRow::None || !isDisplayed(s, hung)) continue;
    const Placement* under = s.placement(below->id);
    std::vector<std::string> subjects = idsOf(hung);
    subjects.push_back(below->id);
    Finding f = findingOf(rule, askedOf(rule, s.job, firstOf(s, hung)), std::move(subjects));
    if (!below->top) f.missing.push_back((under != nullptr ? under->piece.value : below->id) + ".height");
    const double u = (hung.envelope.left + hung.envelope.right) / 2;
    const double ceiling = s.heights().ceilingAt(inFrontOf(*findWall(s.room, hung.wall), u));
    const double above = ceiling - hung.envelope.top, gap = hung.envelope.bottom - below->top.value_or(0);
    f.measured = above - gap;
    f.at = {Vec2{u, hung.envelope.top}, Vec2{u, ceiling}};
    f.view = View{hung.wall};
    f.u95 = std::hypot(under != nullptr ? doubtOfTop(s.pieces.of(*under)) : 0,
                       hung.members.size() == 1 ? doubtOf(firstOf(s, hung), "height") : 0);
    decide(f, s.scheme);
    if (!below->top) f.sentence = "How high " + thingWords(s, below->id) + " is has not been measured.";
    else
      f.sentence = "There are " + writeLength(above, s.format) + " above " + nameOf(s, hung, false) + " and " +
                   writeLength(gap, s.format) + " below" + (f.margin < 0 ? ": it sits too near the ceiling." : ".");
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kProportionRows[] = {
    {"art-width", evaluateArtWidth},
    {"two-thirds", evaluateTwoThirds},
    {"side-breathing", evaluateSideBreathing},
    {"top-breathing", evaluateTopBreathing},
};

}  // namespace

RuleRows proportionRules() { return kProportionRows; }

}  // namespace mezzet
