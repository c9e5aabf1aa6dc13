// Mirrors: who sees themselves in them, and what they show.
#include <algorithm>
#include <cmath>

#include "core/model/kinds.h"
#include "core/rules/art/art_ways.h"
#include "core/rules/art/mirror_views.h"
#include "core/rules/art/rules.h"

namespace mezzet {
namespace {

// Of a stature [D]: the eye, and the chin. A face is seen whole in half of what is above the eye and half of what is
// below it: the law of reflection, at any distance.
constexpr double kEye = kEyeOverStature, kChin = 0.870;
constexpr double kMidCrown = (kEye + 1) / 2, kMidChin = (kEye + kChin) / 2, kMidFoot = kEye / 2;
/// A public room without statures takes these [D].
constexpr double kPublicShort = 60 * kInch, kPublicTall = 74 * kInch;
/// A mirror as high as this, whose foot is lower than that, shows the whole figure [D].
constexpr double kFullHigh = 48 * kInch, kFullFoot = 30 * kInch;

struct Statures {
  double least = 0, most = 0;
  bool known = false, assumed = false;
};
Statures staturesOf(const Brief& brief) {
  Statures out;
  for (const double stature : brief.statures) {
    out.least = out.known ? std::min(out.least, stature) : stature;
    out.most = out.known ? std::max(out.most, stature) : stature;
    out.known = true;
  }
  if (!out.known && brief.isPublic) out = {kPublicShort, kPublicTall, true, true};
  return out;
}

/// A mirror on a wall: its glass above the floor at its middle.
struct Looked {
  const Placement* placement;
  WallRect glass;    // v above the datum
  double floor = 0;  // at its middle
  CornerId wall;
  LooksAs as = LooksAs::Space;
  [[nodiscard]] double top() const { return glass.top - floor; }
  [[nodiscard]] double bottom() const { return glass.bottom - floor; }
};
std::vector<Looked> mirrorsIn(const Situation& s) {
  std::vector<Looked> out;
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    const auto* hung = onWall(p.on);
    if (hung == nullptr || !isMirror(piece.kind)) continue;
    Looked one{&p, shownRect(piece, *hung), floorUnder(s.room, *hung), hung->wall};
    const WallRect outer = wallRectOf(piece, *hung);
    const bool full = outer.height() >= kFullHigh - 0.01 && outer.bottom - one.floor < kFullFoot;
    one.as = piece.mirror->looksAs.value_or(full ? LooksAs::Full : LooksAs::Space);
    out.push_back(std::move(one));
  }
  return out;
}

/// One finding of a mirror's height; `measure` gets the statures.
template <class Measure>
void judgeMirror(const Situation& s, const Rule& rule, const Looked& m, Measure measure, double atHeight,
                 const std::string& holds, const std::string& misses, std::vector<Finding>& out) {
  const Statures statures = staturesOf(s.job.brief);
  Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(*m.placement)), {m.placement->id.value});
  f.view = View{m.wall};
  const double u = (m.glass.left + m.glass.right) / 2;
  f.at = {Vec2{u, m.floor}, Vec2{u, m.floor + atHeight}};
  f.u95 = doubtOf(s.pieces.of(*m.placement), "height") / 2;
  if (!statures.known) f.missing.push_back("statures");
  else f.measured = measure(statures);
  decide(f, s.scheme);
  if (!statures.known)
    f.sentence = "Who looks into " + s.names.the(m.placement->id) + " is not known: enter the statures in the brief.";
  else
    f.sentence = (f.margin >= 0 ? holds + ", " + writeLength(f.measured, s.format) + " to spare"
                                : misses + " by " + writeLength(-f.measured, s.format)) +
                 "." + (statures.assumed ? " For statures of 60 to 74 in, as usual in a public room." : "") +
                 (statures.least < 54 * kInch ? " Viewers under 54 in are among them." : "");
  out.push_back(std::move(f));
}

void evaluateMirrorFace(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Looked& m : mirrorsIn(s))
    if (m.as == LooksAs::Face)
      judgeMirror(
          s, rule, m,
          [&](const Statures& t) { return std::min(m.top() - kMidCrown * t.most, kMidChin * t.least - m.bottom()); },
          m.top(), "The shortest and the tallest see their whole face in it",
          "Not every face is seen whole in it: short", out);
}
void evaluateMirrorFull(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Looked& m : mirrorsIn(s))
    if (m.as == LooksAs::Full)
      judgeMirror(
          s, rule, m, [&](const Statures& t) { return kMidFoot * t.least - m.bottom(); }, m.bottom(),
          "The shortest see their feet in it", "The shortest do not see their feet: it is too high", out);
}
void evaluateMirrorFullTop(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Looked& m : mirrorsIn(s))
    if (m.as == LooksAs::Full)
      judgeMirror(
          s, rule, m, [&](const Statures& t) { return m.top() - kMidCrown * t.most; }, m.top(),
          "The tallest see the top of their head in it", "The tallest do not see the top of their head: it is too low",
          out);
}

void evaluateMirrorSees(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Looked& m : mirrorsIn(s)) {
    const MirrorViews views = mirrorViews(s, *m.placement);
    if (!views.judged) continue;
    const MirrorEye& eye = views.eyes[*views.judged];
    Finding f = findingOf(rule, askedOf(rule, s.job, s.pieces.of(*m.placement)), {m.placement->id.value});
    f.measured = eye.poor;
    f.at = {eye.eye.at, glassOf(s.pieces, s.room, *m.placement)->middle()};
    decide(f, s.scheme);
    f.marginMm = std::nullopt;
    if (f.margin >= 0) continue;  // what it shows else is told where it is selected
    const Shown* worst = nullptr;
    for (const Shown& shown : eye.sees)
      if (isPoorToSee(s, shown) && (worst == nullptr || shown.share > worst->share)) worst = &shown;
    f.sentence = (eye.who == "entry" ? "From the entry" : "From " + s.names.the(PlacementId(eye.who))) + " " +
                 s.names.the(m.placement->id) + " shows " +
                 (worst != nullptr ? (worst->back ? "the back of " : "") + thingWords(s, worst->id) : "what is poor") +
                 " in " + measureWords(eye.poor, Quantity::Share, s.format) + " of it.";
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kMirrorRows[] = {
    {"mirror-face", evaluateMirrorFace, waysOutOfMirror},
    {"mirror-full", evaluateMirrorFull, waysOutOfMirror},
    {"mirror-full-top", evaluateMirrorFullTop, waysOutOfMirror},
    {"mirror-sees", evaluateMirrorSees},
};

}  // namespace

RuleRows mirrorRules() { return kMirrorRows; }

}  // namespace mezzet
