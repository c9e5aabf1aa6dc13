#include "core/decide/ways_out.h"

#include <algorithm>
#include <cctype>
#include <cmath>
#include <map>
#include <set>
#include <unordered_map>

#include "core/space/bodies.h"
#include "core/edit/edits.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"

namespace mezzet {
namespace {

/// Space between two frames hung as one group: the trade hangs 2 in (common practice).
constexpr double kFrameToFrame = 2 * kInch;
/// A second picture lower than this is not worth hanging [D].
constexpr double kLeastFrame = 5 * kInch;
/// A side table stands this far from the arm: near enough to reach, far enough to draw a chair past [D].
constexpr double kBesideArm = 3 * kInch;

/// Sizes rugs are sold in, smallest first (common practice): feet, or centimetres.
std::vector<std::pair<double, double>> stockRugs(Unit unit) {
  if (unit == Unit::Millimetre) return {{1200, 1700}, {1600, 2300}, {2000, 2900}, {2400, 3300}};
  std::vector<std::pair<double, double>> feet{{3, 5}, {4, 6}, {5, 8}, {6, 9}, {8, 10}, {9, 12}, {10, 14}, {12, 15}};
  for (auto& [w, d] : feet) {
    w *= kFoot;
    d *= kFoot;
  }
  return feet;
}

/// Below this a margin has not got worse.
constexpr double kSameMargin = 0.5;

/// Sizes are bought in whole inches or centimetres.
double shopStep(const Job& job) { return job.units == Unit::Inch ? kInch : 10.0; }

std::string schoolLetter(const std::string& id) {
  return std::string(1, static_cast<char>(std::toupper(static_cast<unsigned char>(id[0]))));
}

class Finder {
 public:
  Finder(const Finding& target, const std::vector<Finding>& now, const Job& job, const Rulebook& book,
         const SchemeId& scheme, IdSource ids, LengthFormat format, const CheckWith& with, Tries* tries)
      : target_(target),
        job_(job),
        book_(book),
        schemeId_(scheme),
        scheme_(*findScheme(job, scheme)),
        names_(job, scheme_),
        ids_(ids),
        format_(format),
        tries_(tries),
        with_{with.state, nullptr} {
    for (const Finding& f : now) nowById_.emplace(f.id, &f);
  }

  std::vector<WayOut> find() {
    if (target_.rule == "table-reach") tableReach();
    if (target_.rule == "art-centre" || target_.rule == "art-gap") art();
    if (target_.rule == "overlap" && target_.view == "plan") partOverlap();
    if (target_.rule == "outside-room" && target_.view == "plan") bringInside();
    if (target_.rule == "served-seats") serveSeat();
    if (target_.rule == "door-swing" || target_.rule == "dining-wall") moveClear();
    if (target_.rule == "window-block") moveFromWindow();
    if (target_.rule == "rug-feet") ontoRug();
    if (target_.rule.starts_with("way-") || target_.rule == "ada-2010-403.5.1") widen();
    if (target_.rule == "heater-clear" || target_.rule == "storage-open" || target_.rule == "dining-pull") moveClear();
    return std::move(out_);
  }

 private:
  [[nodiscard]] const Finding* before(const std::string& id) const {
    const auto at = nowById_.find(id);
    return at == nowById_.end() ? nullptr : at->second;
  }
  [[nodiscard]] bool maybeTry() { return tries_ == nullptr || tries_->take(scheme_.placements.size()); }
  [[nodiscard]] std::string length(double l) const { return writeLength(l, format_); }
  [[nodiscard]] std::string name(const Placement& p) const { return names_.the(p.id); }

  /// Whether anything of weight breaks in `after` that did not break before, or breaks worse; `excused` rules aside.
  [[nodiscard]] bool harms(const std::vector<Finding>& after, const std::set<std::string>& excused) const {
    return std::any_of(after.begin(), after.end(), [&](const Finding& f) {
      if (!breaksByWeight(f) || excused.contains(f.id)) return false;
      const Finding* then = before(f.id);
      return then == nullptr || then->verdict != Verdict::Breaks || f.margin < then->margin - kSameMargin;
    });
  }

  /// Offers a change if the re-check says that it works.
  bool offer(std::string id, std::string sentence, std::string gives, Job after, long long nextId) {
    if (!maybeTry()) return false;
    const std::vector<Finding> then = check(after, book_, schemeId_, format_, with_);
    // A group has another id than the single picture it grew from: then the rule must hold for its subject.
    for (const Finding& f : then)
      if (f.rule == target_.rule && breaksByWeight(f) && sharesSubject(f)) return false;
    if (harms(then, {})) return false;
    if (std::any_of(out_.begin(), out_.end(), [&](const WayOut& w) { return w.sentence == sentence; })) return false;
    out_.push_back({std::move(id), std::move(sentence), std::move(gives), std::move(after), nextId});
    return true;
  }
  [[nodiscard]] bool sharesSubject(const Finding& f) const {
    return std::all_of(target_.subjects.begin(), target_.subjects.end(), [&](const std::string& s) {
      return std::find(f.subjects.begin(), f.subjects.end(), s) != f.subjects.end();
    });
  }

  // ---- floor
  void tableReach() {
    const Placement* a = findPlacement(scheme_, PlacementId(target_.subjects[0]));
    const Placement* b = findPlacement(scheme_, PlacementId(target_.subjects[1]));
    if (a == nullptr || b == nullptr) return;
    const Placement& table = isLowTable(pieceOf(job_, *a).kind) ? *a : *b;
    const Placement& seat = &table == a ? *b : *a;
    const Vec2 towards = unit(target_.at[1] - target_.at[0]);  // from the seat's front to the table
    if (norm(towards) == 0) return;
    const bool far = target_.asked.high && target_.measured > *target_.asked.high;
    const auto goals = {far ? target_.ideal.high : target_.ideal.low, far ? target_.asked.high : target_.asked.low};
    // The nearest change first: the tolerated end moves less, but the ideal one gives a better room.
    for (const auto& [placement, sign] : {std::pair{&table, -1.0}, std::pair{&seat, 1.0}}) {
      for (const auto& goal : goals) {
        if (!goal) continue;
        const double change = target_.measured - *goal;  // > 0: bring them nearer
        FloorPlace place = floorPlace(placement->on);
        place.at += towards * (sign * change);
        const std::string sentence = "Move " + name(*placement) + (change > 0 ? " nearer " : " away from ") +
                                     name(placement == &table ? seat : table) + " by " + length(std::abs(change));
        if (offer((placement == &table ? "move-table:" : "move-seat:") + placement->id.value, sentence,
                  "reach " + length(*goal), placed(job_, schemeId_, placement->id, place), ids_.next()))
          break;
      }
    }
    otherSchools("reach " + length(target_.measured));
  }

  /// The house follows another school of the target's rule, and nothing moves.
  void otherSchools(const std::string& gives) {
    const Rule& rule = *findRule(book_, target_.rule);
    for (const School& school : rule.schools) {
      if (target_.school == school.id) continue;
      const Asked asked = askedBySchool(school, job_);
      if (!asked.missing.empty() || marginIn(asked.tolerated, target_.measured) < 0) continue;
      offer("school:" + school.id,
            "Follow school " + schoolLetter(school.id) + " in this house, " + rangeWords(asked.tolerated, format_),
            gives, withSchool(job_, rule.id, school.id), ids_.next());
    }
  }

  void moveFloor(const Placement& p, Vec2 by) {
    const auto* place = onFloor(p.on);
    if (place == nullptr) return;
    const Vec2 d = unit(by);
    const std::string way = std::abs(d.x) >= std::abs(d.y) ? (d.x > 0 ? "to the right" : "to the left")
                                                           : (d.y > 0 ? "up the plan" : "down the plan");
    FloorPlace there = *place;
    there.at += by;
    offer("move:" + p.id.value, "Move " + name(p) + " " + way + " by " + length(norm(by)), "clear",
          placed(job_, schemeId_, p.id, there), ids_.next());
  }

  void partOverlap() {
    const Vec2 apart = target_.at[0] - target_.at[1];  // witness points lie |gap| apart along the least push
    for (std::size_t i = 0; i < 2; ++i) {
      const Placement* p = findPlacement(scheme_, PlacementId(target_.subjects[i]));
      if (p == nullptr) continue;
      // Either direction may part them, depending on who is first; the re-check decides.
      moveFloor(*p, apart);
      moveFloor(*p, -apart);
    }
  }

  /// Nearer to the table, or a side table at the arm.
  void serveSeat() {
    const Placement* seat = findPlacement(scheme_, PlacementId(target_.subjects[0]));
    const PieceIndex pieces(job_);
    for (const Serving& s : servingsIn(pieces, scheme_)) {
      if (s.seat != seat) continue;
      if (s.table != nullptr && target_.marginMm) {
        const Rule* reach = findRule(book_, "table-reach");
        const double goal = askedOf(*reach, job_, pieces.of(*seat)).tolerated.high.value_or(0);
        FloorPlace place = floorPlace(seat->on);
        place.at += unit(s.reach.b - s.reach.a) * (s.reach.gap - goal);
        offer("move-seat:" + seat->id.value,
              "Move " + name(*seat) + " nearer " + name(*s.table) + " by " + length(s.reach.gap - goal),
              "reach " + length(goal), placed(job_, schemeId_, seat->id, place), ids_.next());
      }
    }
    // A usual side table, at the arm on either side and level with the seat's front half.
    const Piece& chair = pieces.of(*seat);
    const FloorPlace& at = floorPlace(seat->on);
    for (const double side : {1.0, -1.0}) {
      IdSource ids = ids_;
      Piece table = usualPiece(kSideTable);
      table.id = ids.take<PieceId>("piece");
      if (chair.seat->arm) table.height = *chair.seat->arm;
      const Vec2 there{side * (chair.width / 2 + kBesideArm + table.width / 2), 0};
      Result<Job> added = withPiece(job_, table);
      if (!added) return;
      const Job after = withPlacement(
          added.value(), schemeId_,
          {ids.take<PlacementId>("p"), table.id, FloorPlace{at.at + rotated(there, turnOf(at.turn)), 0}, {}});
      if (offer("side-table", "Stand a side table " + length(table.width) + " across at its arm", "a place for a cup",
                after, ids.next()))
        return;
    }
  }

  /// Away from what it is too near, along the line between the witness points.
  void moveClear() {
    const Vec2 line = unit(target_.at[1] - target_.at[0]);
    if (norm(line) == 0) return;
    const double by = -target_.margin;
    for (const std::string& id : target_.subjects) {
      const Placement* p = findPlacement(scheme_, PlacementId(id));
      if (p == nullptr || p->locked) continue;
      // Which way is away depends on whose witness point comes first; the re-check decides.
      for (const double sign : {1.0, -1.0}) moveFloor(*p, line * (sign * by));
      const auto* place = onFloor(p->on);
      if (place == nullptr || target_.rule != "door-swing") continue;
      // Along the walls, by the least whole inch or centimetre that clears the leaf.
      const double step = shopStep(job_);
      for (const Vec2 way : {Vec2{1, 0}, Vec2{-1, 0}, Vec2{0, 1}, Vec2{0, -1}})
        moveFloor(*p, way * (std::ceil(by / step - 1e-9) * step));
    }
  }

  void moveFromWindow() {
    const Vec2 wall = leftOf(unit(target_.at[0] - target_.at[1]));
    for (const std::string& id : target_.subjects) {
      const Placement* p = findPlacement(scheme_, PlacementId(id));
      const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
      const Opening* window =
          findOpening(roomOf(job_, scheme_), OpeningId(target_.subjects[id == target_.subjects[0] ? 1 : 0]));
      if (place == nullptr || p->locked || window == nullptr || norm(wall) == 0) continue;
      const auto on = findWall(roomOf(job_, scheme_), window->wall);
      const Standing s = standingOf(pieceOf(job_, *p), p->id, *place, *on);
      const double right = on->length() - window->offset, left = right - window->width;
      // u runs against the wall's direction.
      moveFloor(*p, on->along() * -(right - s.left));
      moveFloor(*p, on->along() * (s.right - left));
    }
  }

  /// The piece onto the rug, or a rug of the next stock size that reaches it.
  void ontoRug() {
    const Placement* rug = nullptr;
    const Placement* piece = nullptr;
    for (const std::string& id : target_.subjects)
      if (const Placement* p = findPlacement(scheme_, PlacementId(id)))
        (isRug(pieceOf(job_, *p).kind) ? rug : piece) = p;
    if (rug == nullptr || piece == nullptr || !target_.marginMm) return;
    moveFloor(*piece, unit(target_.at[1] - target_.at[0]) * -*target_.marginMm);
    const Piece& now = pieceOf(job_, *rug);
    for (const auto& [w, d] : stockRugs(job_.units)) {
      const bool wide = now.width >= now.depth.value_or(0);
      const double width = wide ? d : w, depth = wide ? w : d;  // the long side the same way round
      if (width < now.width || depth < now.depth.value_or(0) || (width == now.width && depth == now.depth)) continue;
      IdSource ids = ids_;
      Piece larger = now;
      larger.variantOf = now.variantOf.value_or(now.id);
      larger.id = ids.take<PieceId>("rug");
      larger.width = larger.rug.edit().soldWidth.emplace(width);
      larger.depth = larger.rug.edit().soldDepth.emplace(depth);
      larger.count = 1;
      Result<Job> added = withPiece(job_, larger);
      if (!added) return;
      if (offer("larger-rug", "Take a rug " + length(width) + " x " + length(depth), "its feet stand on it",
                repointed(added.value(), schemeId_, rug->id, larger.id), ids.next()))
        return;
    }
  }

  /// One side of a pinch away from the other, by what the way is short of.
  void widen() {
    if (target_.between.size() != 2 || !target_.marginMm || *target_.marginMm >= 0) return;
    const Vec2 d = unit(target_.at[1] - target_.at[0]);
    for (std::size_t i = 0; i < 2; ++i)
      if (const Placement* p = findPlacement(scheme_, PlacementId(target_.between[i]));
          p != nullptr && onFloor(p->on) != nullptr)
        moveFloor(*p, d * (i == 0 ? *target_.marginMm : -*target_.marginMm));
  }

  void bringInside() {
    const Placement* p = findPlacement(scheme_, PlacementId(target_.subjects[0]));
    const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
    if (place == nullptr) return;
    const Parts parts = footprint(pieceOf(job_, *p), *place);
    for (const Wall& wall : wallsOf(roomOf(job_, scheme_))) {
      double behind = 0;
      for (const Convex& body : parts)
        for (const Vec2 q : body.core) behind = std::max(behind, body.radius - dot(q - wall.start, wall.inward()));
      if (behind > kTouch) moveFloor(*p, wall.inward() * behind);
    }
  }

  // ---- pictures
  void art() {
    const Placement* picture = nullptr;
    for (const std::string& s : target_.subjects)
      if (const Placement* p = findPlacement(scheme_, PlacementId(s)); p != nullptr && onWall(p->on) != nullptr)
        picture = p;
    if (picture == nullptr) return;
    const auto artCase = artCaseOf(job_, book_, schemeId_, picture->id);
    if (!artCase) {
      nothingBelow(*picture);
      return;
    }
    if (artCase->solution.both) {
      offer("hang", hangWords(artCase->solution.centre), "gap " + length(artCase->solution.gap) + ": both hold",
            hungAtCentre(job_, schemeId_, artCase->hung, artCase->solution.centre), ids_.next());
      return;
    }
    otherArtSchool(*artCase, "art-gap");
    otherArtSchool(*artCase, "art-centre");
    secondPiece(*artCase, *picture);
    otherFrame(*artCase, *picture);
    evenSplit(*artCase);
  }

  [[nodiscard]] std::string hangWords(double centre) const { return "Hang it with its centre at " + length(centre); }
  [[nodiscard]] std::string bothWords(const ArtSolution& s) const {
    return "centre " + length(s.centre) + ", gap " + length(s.gap) + ": both hold";
  }

  /// A picture above nothing: only its centre is asked.
  void nothingBelow(const Placement& picture) {
    const auto hung = hungWith(job_, scheme_, picture.id);
    if (!hung || target_.rule != "art-centre" || !target_.asked.low || !target_.asked.high) return;
    const double centre = (*target_.asked.low + *target_.asked.high) / 2;
    offer("hang", hangWords(centre), "it holds", hungAtCentre(job_, schemeId_, *hung, centre), ids_.next());
  }

  void otherArtSchool(const ArtCase& c, const std::string& ruleId) {
    const Rule& rule = *findRule(book_, ruleId);
    const Asked now = askedOf(rule, job_);
    for (const School& school : rule.schools) {
      if (now.school == school.id) continue;
      const Asked asked = askedBySchool(school, job_);
      if (!asked.missing.empty()) continue;
      ArtQuestion question = c.question;
      (ruleId == "art-gap" ? question.gap : question.centre) = asked.tolerated;
      const ArtSolution solved = solveArt(question);
      if (!solved.both) continue;
      Job after = withSchool(job_, ruleId, school.id);
      after.houseRules.ranges.erase(ruleId);
      offer((ruleId == "art-gap" ? "other-gap:" : "other-centre:") + school.id,
            (ruleId == "art-gap" ? "Take the gap of school " : "Take the height of school ") + schoolLetter(school.id) +
                ", " + rangeWords(asked.tolerated, format_),
            bothWords(solved), hungAtCentre(after, schemeId_, c.hung, solved.centre), ids_.next());
    }
  }

  /// A height between low and high that a shop has, nearest their middle; absent when no step falls between.
  [[nodiscard]] std::optional<double> shopSize(double low, double high) const {
    const double step = shopStep(job_);
    const double first = std::ceil(low / step - 1e-9), last = std::floor(high / step + 1e-9);
    if (first > last) return std::nullopt;
    return std::clamp(std::round((low + high) / 2 / step), first, last) * step;
  }

  void secondPiece(const ArtCase& c, const Placement& picture) {
    if (c.hung.members.size() != 1 || !c.solution.frameHeights || !c.solution.frameHeights->high) return;
    const double taken = c.question.frame + kFrameToFrame;
    const auto height =
        shopSize(std::max(kLeastFrame, *c.solution.frameHeights->low - taken), *c.solution.frameHeights->high - taken);
    if (!height || *height < kLeastFrame) return;
    ArtQuestion question = c.question;
    question.frame = taken + *height;
    const ArtSolution solved = solveArt(question);
    if (!solved.both) return;

    IdSource ids = ids_;
    const Piece& above = pieceOf(job_, picture);
    Piece under;
    under.id = ids.take<PieceId>("art");
    under.name = above.name + ", lower";
    under.kind = kPicture;
    under.width = above.width;
    under.height = *height;
    WallPlace upper = wallPlace(picture.on);
    const std::string group = upper.group.value_or(ids.take<PlacementId>("g").value);
    upper.group = group;
    upper.v = solved.centre + question.frame / 2 - c.question.frame / 2;
    WallPlace lower = upper;
    lower.v = solved.centre - question.frame / 2 + *height / 2;
    Result<Job> added = withPiece(job_, under);
    if (!added) return;
    Job after = placed(added.value(), schemeId_, picture.id, upper);
    after = withPlacement(after, schemeId_, {ids.take<PlacementId>("p"), under.id, lower, {}});
    offer("second-piece",
          "Hang a second picture under it, " + length(*height) + " high, " + length(kFrameToFrame) + " apart",
          "group " + length(question.frame) + ", " + bothWords(solved), std::move(after), ids.next());
  }

  void otherFrame(const ArtCase& c, const Placement& picture) {
    if (c.hung.members.size() != 1 || !c.solution.frameHeights || !c.solution.frameHeights->high) return;
    const auto height = shopSize(*c.solution.frameHeights->low, *c.solution.frameHeights->high);
    if (!height || *height <= 0) return;
    ArtQuestion question = c.question;
    question.frame = *height;
    const ArtSolution solved = solveArt(question);
    if (!solved.both) return;
    IdSource ids = ids_;
    Piece variant = pieceOf(job_, picture);
    variant.variantOf = variant.variantOf.value_or(variant.id);
    variant.id = ids.take<PieceId>("art");
    variant.height = *height;
    variant.count = 1;
    Result<Job> added = withPiece(job_, variant);
    if (!added) return;
    Job after = repointed(added.value(), schemeId_, picture.id, variant.id);
    const auto hung = hungWith(after, *findScheme(after, schemeId_), picture.id);
    offer("other-frame",
          "Choose a frame " + rangeWords(*c.solution.frameHeights, format_) + " high; try " + length(*height),
          bothWords(solved), hungAtCentre(after, schemeId_, *hung, solved.centre), ids.next());
  }

  void evenSplit(const ArtCase& c) {
    if (std::abs(c.hung.envelope.centreHeight() - c.solution.centre) < kSameMargin) return;  // it hangs there already
    Job after = hungAtCentre(job_, schemeId_, c.hung, c.solution.centre);
    if (!maybeTry()) return;
    const std::vector<Finding> then = check(after, book_, schemeId_, format_, with_);
    std::set<std::string> excused;
    for (const Finding& f : then)
      if (f.rule == "art-centre" || f.rule == "art-gap")
        if (std::find(f.subjects.begin(), f.subjects.end(), c.hung.members.front().value) != f.subjects.end())
          excused.insert(f.id);
    if (harms(then, excused)) return;
    out_.push_back({"even-split", "Hang it half way between the two",
                    "centre " + length(c.solution.centre) + ", gap " + length(c.solution.gap) + ": each is out by " +
                        length(std::max(c.solution.shortCentre, c.solution.shortGap)),
                    std::move(after), ids_.next()});
  }

  const Finding& target_;
  const Job& job_;
  const Rulebook& book_;
  const SchemeId& schemeId_;
  const Scheme& scheme_;
  SchemeNames names_;
  IdSource ids_;
  LengthFormat format_;
  Tries* tries_;    ///< null: as many as it takes
  CheckWith with_;  ///< without routes: those of the room as it was do not fit what is tried
  std::vector<WayOut> out_;
  std::unordered_map<std::string_view, const Finding*> nowById_;  ///< a pile of pieces has tens of thousands
};

int rankOf(const Finding& f) { return f.weight == Weight::Must ? 0 : 1; }

/// What of a pinch can be moved.
std::vector<std::string> movable(const Finding& f, const Scheme& scheme) {
  std::vector<std::string> out;
  for (const std::string& id : f.between)
    if (findPlacement(scheme, PlacementId(id)) != nullptr) out.push_back(id);
  return out;
}

bool worse(const Finding& a, const Finding& b) {
  if (rankOf(a) != rankOf(b)) return rankOf(a) < rankOf(b);
  return a.margin < b.margin;
}

}  // namespace

std::vector<WayOut> waysOutOf(const Finding& finding, const std::vector<Finding>& now, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries) {
  if (finding.verdict != Verdict::Breaks || now.size() > kHeap || findScheme(job, scheme) == nullptr) return {};
  return Finder(finding, now, job, book, scheme, ids, format, with, tries).find();
}

std::vector<Decision> decisionsOf(const std::vector<Finding>& findings, const Job& job, const Rulebook& book,
                                  const SchemeId& id, LengthFormat format) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return {};
  // Each broken finding goes to that of its subjects which has most to answer for; of equals to the smallest piece,
  // since it is the easiest to move.
  std::map<std::string, int> blame;
  for (const Finding& f : findings)
    if (breaksByWeight(f))
      for (const std::string& s : f.between.empty() ? f.subjects : f.between) ++blame[s];
  const auto widthOf = [&](const std::string& s) {
    const Placement* p = findPlacement(*scheme, PlacementId(s));
    return p != nullptr ? pieceOf(job, *p).width : HUGE_VAL;
  };
  const SchemeNames names(job, *scheme);
  std::vector<Decision> out;
  for (std::size_t i = 0; i < findings.size(); ++i) {
    const Finding& f = findings[i];
    if (!breaksByWeight(f)) continue;
    std::string subject = f.subjects.front();
    const std::vector<std::string> blamed = movable(f, *scheme);
    if (!blamed.empty()) subject = blamed.front();
    for (const std::string& s : blamed.empty() ? f.subjects : blamed) {
      // What hangs is what a wall rule is about, not the sofa below it.
      const Placement* p = findPlacement(*scheme, PlacementId(s));
      const bool hangs = p != nullptr && onWall(p->on) != nullptr;
      if (f.view != "plan" ? hangs : std::pair(-blame[s], widthOf(s)) < std::pair(-blame[subject], widthOf(subject))) {
        subject = s;
        if (f.view != "plan") break;
      }
    }
    auto at = std::find_if(out.begin(), out.end(), [&](const Decision& d) { return d.subject == subject; });
    if (at == out.end()) {
      const Placement* p = findPlacement(*scheme, PlacementId(subject));
      const Piece* piece = findPiece(job, PieceId(subject));
      out.push_back({subject, p != nullptr ? names.plain(p->id) : piece != nullptr ? piece->name : subject, {}, {}});
      at = out.end() - 1;
    }
    at->findings.push_back(i);
  }
  for (Decision& d : out) {
    std::sort(d.findings.begin(), d.findings.end(),
              [&](std::size_t a, std::size_t b) { return worse(findings[a], findings[b]); });
    if (const auto c = artCaseOf(job, book, id, PlacementId(d.subject)); c && !c->solution.both)
      d.conflict = "Two of this house's rules cannot both hold for a frame " + writeLength(c->question.frame, format) +
                   " high over a top of " + writeLength(c->question.top, format) + ": their bands for its centre are " +
                   writeLength(c->solution.apart, format) + " apart.";
  }
  std::stable_sort(out.begin(), out.end(), [&](const Decision& a, const Decision& b) {
    return worse(findings[a.findings.front()], findings[b.findings.front()]);
  });
  return out;
}

std::vector<WayOut> waysOutOf(const Decision& decision, const std::vector<Finding>& findings, const Job& job,
                              const Rulebook& book, const SchemeId& scheme, IdSource ids, LengthFormat format,
                              const CheckWith& with, Tries* tries) {
  std::vector<WayOut> out;
  const std::size_t looked = std::min(decision.findings.size(), kMostLookedAt);
  for (std::size_t k = 0; k < looked; ++k)
    for (WayOut& way : waysOutOf(findings[decision.findings[k]], findings, job, book, scheme, ids, format, with, tries))
      if (std::none_of(out.begin(), out.end(), [&](const WayOut& w) { return w.sentence == way.sentence; }))
        out.push_back(std::move(way));
  return out;
}

}  // namespace mezzet
