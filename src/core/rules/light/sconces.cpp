// Lights on walls, and lights aimed at them.
#include <algorithm>
#include <cmath>

#include "core/edit/edits.h"
#include "core/light/aim.h"
#include "core/light/downlights.h"
#include "core/model/kinds.h"
#include "core/rules/base/facts.h"
#include "core/rules/light/rules.h"

namespace mezzet {
namespace {

/// Art, beds and glass so near set a wall light's height [D].
constexpr double kBeside = 36 * kInch;
/// A glass no wider whose middle hangs at faces is one to look into [D].
constexpr double kFaceMirror = 36 * kInch, kFaceLow = 54 * kInch, kFaceHigh = 70 * kInch;
/// What leans out between these heights is met by a head or a stick (published).
constexpr double kCaneHigh = 27 * kInch, kHeadLow = 80 * kInch;
/// A light aimed at a wall lights the group that its ray meets, or that is no further from there than this [D].
constexpr double kAimedNear = 12 * kInch;

WallRect rectOf(const Fixture& f) { return wallRectOf(*f.piece, wallPlace(f.placement->on)); }
std::vector<const Fixture*> wallLights(const Situation& s) {
  std::vector<const Fixture*> out;
  for (const Fixture& f : s.fixtures())
    if (f.mount == Mount::Wall && onWall(f.placement->on) != nullptr) out.push_back(&f);
  return out;
}
double centreAbove(const Fixture& f) { return wallPlace(f.placement->on).v - f.floor; }

/// How far apart two rectangles of one wall are, to the side and upright together.
double apart(const WallRect& a, const WallRect& b) {
  const double across = std::max({0.0, a.left - b.right, b.left - a.right}),
               upright = std::max({0.0, a.bottom - b.top, b.bottom - a.top});
  return std::hypot(across, upright);
}
bool overlapUpright(const WallRect& a, const WallRect& b) {
  return a.top > b.bottom + kTouch && b.top > a.bottom + kTouch;
}

bool isPictures(const Situation& s, const Hung& hung) {
  return isArt(s.pieces.of(*findPlacement(s.scheme, hung.members.front())).kind);
}
std::string groupWords(const Situation& s, const Hung& hung) {
  return hung.members.size() > 1 ? "the group of pictures" : s.names.the(hung.members.front());
}
std::vector<std::string> subjectsOf(const Hung& hung, std::initializer_list<const Fixture*> lights) {
  std::vector<std::string> out;
  for (const PlacementId& id : hung.members) out.push_back(id.value);
  for (const Fixture* f : lights) out.push_back(f->id().value);
  return out;
}

/// The pictures that a wall light stands beside: the nearest, then the smaller id.
const Hung* artBeside(const Situation& s, const Fixture& f) {
  const Hung* best = nullptr;
  double nearest = 0;
  for (const Hung& hung : s.hung()) {
    if (hung.wall != f.wall || !isPictures(s, hung) || !overlapUpright(rectOf(f), hung.envelope)) continue;
    const double off = apart(rectOf(f), hung.envelope);
    if (off <= kBeside + kTouch &&
        (best == nullptr || off < nearest || (off == nearest && hung.members < best->members))) {
      best = &hung;
      nearest = off;
    }
  }
  return best;
}

enum class Near { Nothing, FaceMirror, Other };
/// What else stands so near that it sets the light's height.
Near nearOf(const Situation& s, const Fixture& f) {
  const WallRect own = rectOf(f);
  Near out = Near::Nothing;
  for (const Placement& p : s.scheme.placements) {
    const auto* on = onWall(p.on);
    const Piece& piece = s.pieces.of(p);
    if (on != nullptr && on->wall == f.wall && apart(own, wallRectOf(piece, *on)) <= kBeside) {
      if (isArt(piece.kind)) return Near::Other;
      if (!isMirror(piece.kind)) continue;
      const double middle = on->v - f.floor;
      if (piece.width > kFaceMirror || middle < kFaceLow || middle > kFaceHigh) return Near::Other;
      out = Near::FaceMirror;
    }
    if (isBed(piece.kind) && onFloor(p.on) != nullptr) {
      const Standing bed = standingOf(piece, p.id, floorPlace(p.on), *findWall(s.room, f.wall));
      if (bed.offWall <= kStandsAtWall && std::max({0.0, own.left - bed.right, bed.left - own.right}) <= kBeside)
        return Near::Other;
    }
  }
  return out;
}

void evaluateHeight(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Fixture* f : wallLights(s)) {
    const Near near = nearOf(s, *f);
    if (near == Near::Other) continue;
    const bool face = near == Near::FaceMirror;
    Finding finding = findingOf(
        rule,
        askedOf(rule, s.job, *f->piece, face ? std::vector<std::string>{"face-mirror"} : std::vector<std::string>{}),
        {f->id().value});
    const double u = wallPlace(f->placement->on).u;
    finding.view = View{f->wall};
    finding.measured = centreAbove(*f);
    finding.at = {Vec2{u, f->floor}, Vec2{u, f->floor + finding.measured}};
    decide(finding, s.scheme);
    finding.sentence = "The centre of " + s.names.the(f->id()) + (face ? ", beside a face mirror," : "") + " is " +
                       writeLength(finding.measured, s.format) + " above the floor" + missWords(finding, s.format) +
                       ".";
    finding.rival = rivalWords(s, rule, finding);
    out.push_back(std::move(finding));
  }
}

void evaluateArt(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Fixture* f : wallLights(s)) {
    const Hung* art = artBeside(s, *f);
    if (art == nullptr) continue;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f->piece), subjectsOf(*art, {f}));
    const double u = wallPlace(f->placement->on).u, v = wallPlace(f->placement->on).v;
    finding.view = View{f->wall};
    finding.measured = v - art->envelope.centreHeight();
    finding.at = {Vec2{u, art->envelope.centreHeight()}, Vec2{u, v}};
    decide(finding, s.scheme);
    const double by = std::abs(finding.measured);
    finding.sentence = "The centre of " + s.names.the(f->id()) + " is " +
                       (by < kTouch ? std::string("level with")
                                    : writeLength(by, s.format) + (finding.measured > 0 ? " above" : " below")) +
                       " that of " + groupWords(s, *art) + missWords(finding, s.format) + ".";
    out.push_back(std::move(finding));
  }
}

void evaluatePair(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Hung& hung : s.hung()) {
    if (!isPictures(s, hung)) continue;
    const Fixture *left = nullptr, *right = nullptr;
    const auto off = [&](const Fixture* f) { return apart(rectOf(*f), hung.envelope); };
    for (const Fixture* f : wallLights(s)) {
      if (artBeside(s, *f) != &hung) continue;
      const WallRect r = rectOf(*f);
      const Fixture*& side = r.left + r.right < hung.envelope.left + hung.envelope.right ? left : right;
      if (side == nullptr || off(f) < off(side)) side = f;
    }
    if (left == nullptr || right == nullptr) continue;
    const WallRect a = rectOf(*left), b = rectOf(*right);
    const double height = std::abs(a.centreHeight() - b.centreHeight());
    const double side = std::abs((hung.envelope.left - a.right) - (b.left - hung.envelope.right));
    Finding finding = findingOf(rule, askedOf(rule, s.job, *left->piece), subjectsOf(hung, {left, right}));
    finding.view = View{hung.wall};
    finding.measured = std::max(height, side);
    finding.at = {Vec2{(a.left + a.right) / 2, a.centreHeight()}, Vec2{(b.left + b.right) / 2, b.centreHeight()}};
    decide(finding, s.scheme);
    const std::string both = capital(listWords({s.names.the(left->id()), s.names.the(right->id())}));
    finding.sentence = finding.margin >= 0 ? both + " match beside " + groupWords(s, hung) + "."
                       : height >= side    ? both + " hang at different heights, by " + missedBy(height, s.format) + "."
                                        : both + " are not as far from " + groupWords(s, hung) + " as each other, by " +
                                              missedBy(side, s.format) + ".";
    out.push_back(std::move(finding));
  }
}

void evaluateProject(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  if (!s.job.brief.access) return;
  for (const Fixture* f : wallLights(s)) {
    if (!(f->underside > kCaneHigh + 0.01 && f->underside <= kHeadLow + 0.01) || !f->piece->depth) continue;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f->piece), {f->id().value});
    finding.measured = *f->piece->depth;
    const Wall wall = *findWall(s.room, f->wall);
    const Vec2 foot = onWall(wall, wallPlace(f->placement->on).u);
    finding.at = {foot, foot + wall.inward() * finding.measured};
    if (s.routes == nullptr) finding.missing.push_back("route");
    else if (!passes(*s.routes, f->body, kMainWay / 2)) continue;
    decide(finding, s.scheme);
    finding.sentence = s.names.the(f->id(), true) + " stands " + writeLength(finding.measured, s.format) +
                       " off the wall where people walk" +
                       (finding.margin < 0 ? ", " + missedBy(-finding.margin, s.format) + " too far" : "") + ".";
    out.push_back(std::move(finding));
  }
}

void evaluateArtLight(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Fixture& f : s.fixtures()) {
    if (!f.placement->aim || (f.mount != Mount::Spot && f.mount != Mount::Recessed)) continue;
    const auto lit = litBy(s.room, f);
    if (!lit) continue;
    const Hung* group = nullptr;
    double nearest = kAimedNear;
    for (const Hung& hung : s.hung()) {
      if (hung.wall != lit->wall || !isPictures(s, hung)) continue;
      const double off = apart({lit->at.x, lit->at.x, lit->at.y, lit->at.y}, hung.envelope);
      if (off <= nearest && (group == nullptr || off < nearest)) {
        group = &hung;
        nearest = off;
      }
    }
    if (group == nullptr) continue;
    const Wall wall = *findWall(s.room, group->wall);
    const double u = (group->envelope.left + group->envelope.right) / 2, v = group->envelope.centreHeight();
    const double away = distance(onWall(wall, u), f.at.at), down = f.floor + f.source - v;
    Finding finding = findingOf(rule, askedOf(rule, s.job, *f.piece), subjectsOf(*group, {&f}));
    finding.view = View{group->wall};
    finding.measured = std::atan2(away, down) * 180 / std::acos(-1.0);
    finding.at = {Vec2{u, v}, Vec2{u, f.floor + f.source}};
    decide(finding, s.scheme);
    finding.sentence = s.names.the(f.id(), true) + " lights " + groupWords(s, *group) + " at " +
                       measureWords(finding.measured, finding.quantity, s.format) + " from straight down" +
                       (finding.verdict != Verdict::Breaks ? std::string()
                        : finding.measured < 30            ? "; nearer the wall the frame's shadow grows long"
                                                           : "; so flat it is mirrored in glass") +
                       ".";
    out.push_back(std::move(finding));
  }
}

// ---- ways out

const Placement* wallLightIn(const Proposals& ways) {
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id);
        p != nullptr && onWall(p->on) != nullptr && mountOf(pieceOf(ways.job, *p)) == Mount::Wall)
      return p;
  return nullptr;
}

/// Up or down the wall to the nearest end of what is asked; a pair beside one picture goes together.
void hangAtHeight(Proposals& ways) {
  const Placement* light = wallLightIn(ways);
  if (light == nullptr || light->locked) return;
  const bool high = ways.target.asked.high && ways.target.measured > *ways.target.asked.high;
  const auto goal = high ? ways.target.asked.high : ways.target.asked.low;
  if (!goal) return;
  const double by = *goal - ways.target.measured;
  const auto lift = [&](const std::vector<const Placement*>& lights) {
    Job after = ways.job;
    for (const Placement* p : lights) {
      WallPlace there = *onWall(p->on);
      there.v += by;
      after = placed(after, ways.scheme.id, p->id, there);
    }
    return after;
  };
  const std::string how = std::string(by > 0 ? " higher" : " lower") + " by " + ways.length(std::abs(by));
  ways.offer("hang:" + light->id.value, "Hang " + ways.name(*light) + how, "at its height", lift({light}));
  std::vector<const Placement*> twins;
  for (const Placement& p : ways.scheme.placements)
    if (const auto* on = onWall(p.on); on != nullptr && p.piece == light->piece &&
                                       on->wall == onWall(light->on)->wall &&
                                       std::abs(on->v - onWall(light->on)->v) < kTouch)
      twins.push_back(&p);
  if (twins.size() > 1)
    ways.offer("hang-all:" + light->id.value, "Hang all " + std::to_string(twins.size()) + " of them" + how,
               "at their height", lift(twins));
}

/// The second of a pair as far from the picture, and as high, as the first.
void matchPair(Proposals& ways) {
  std::vector<const Placement*> lights;
  for (const std::string& id : ways.target.subjects)
    if (const Placement* p = ways.placement(id); p != nullptr && mountOf(pieceOf(ways.job, *p)) == Mount::Wall)
      lights.push_back(p);
  if (lights.size() != 2) return;
  std::optional<WallRect> art;
  for (const Hung& hung : hungIn(ways.job, ways.scheme))
    if (std::find(ways.target.subjects.begin(), ways.target.subjects.end(), hung.members.front().value) !=
            ways.target.subjects.end() &&
        isArt(pieceOf(ways.job, *findPlacement(ways.scheme, hung.members.front())).kind))
      art = hung.envelope;
  if (!art) return;
  for (const auto& [moving, model] : {std::pair{lights[1], lights[0]}, std::pair{lights[0], lights[1]}}) {
    if (moving->locked) continue;
    WallPlace there = *onWall(moving->on);
    const WallPlace& other = *onWall(model->on);
    const double wide = pieceOf(ways.job, *moving).width - pieceOf(ways.job, *model).width;
    const bool modelLeft = other.u < (art->left + art->right) / 2;
    there.v = other.v;
    there.u = art->left + art->right - other.u + (modelLeft ? wide / 2 : -wide / 2);
    ways.offer("match:" + moving->id.value, "Hang " + ways.name(*moving) + " like " + ways.name(*model), "a pair",
               placed(ways.job, ways.scheme.id, moving->id, there));
  }
}

/// The light nearer the wall or further off it, until its ray falls as asked.
void moveToAngle(Proposals& ways) {
  const PieceIndex pieces(ways.job);
  const Room& room = roomOf(ways.job, ways.scheme);
  const auto wall = findWall(room, ways.target.view.wall);
  for (const std::string& id : ways.target.subjects) {
    const Placement* p = ways.placement(id);
    const auto* up = p != nullptr ? onCeiling(p->on) : nullptr;
    if (up == nullptr || !wall || p->locked) continue;
    const double down = ways.target.at[1].y - ways.target.at[0].y;
    const double off = artLightOffset(down, 0);
    CeilingPlace there = *up;
    const Vec2 foot = onWall(*wall, ways.target.at[0].x);
    there.at = foot + wall->inward() * off;
    Job after = placed(ways.job, ways.scheme.id, p->id, there);
    Scheme changed = *findScheme(after, ways.scheme.id);
    for (Placement& q : changed.placements)
      if (q.id == p->id) q.aim = Aim{30, normalisedTurn(directionOf(-wall->inward()))};
    ways.offer("aim:" + id,
               "Set " + ways.name(*p) + " " + ways.length(off) + " off the wall before the picture's middle",
               "30\u00b0 from straight down", withScheme(after, std::move(changed)));
  }
}

constexpr RuleRow kSconcesRows[] = {
    {kSconceHeight, evaluateHeight, hangAtHeight, shows::kCentreHeight},
    {kSconceArt, evaluateArt, hangAtHeight},
    {"sconce-pair", evaluatePair, matchPair},
    {"sconce-project", evaluateProject},
    {"art-light", evaluateArtLight, moveToAngle},
};

}  // namespace

RuleRows sconceRules() { return kSconcesRows; }

}  // namespace mezzet
