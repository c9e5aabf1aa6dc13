// Every rule applied to one scheme.
#pragma once

#include <limits>
#include <unordered_map>

#include "core/space/bodies.h"
#include "core/use/dining.h"
#include "core/walk/route_facts.h"
#include "core/sight/sight.h"
#include "core/walk/ways.h"
#include "core/space/standing.h"
#include "core/rules/base/finding.h"
#include "core/site/heights.h"
#include "core/use/groups.h"
#include "core/use/serving.h"

namespace mezzet {

/// How the placements of a scheme are called: the piece's name, numbered where it stands more than once.
class SchemeNames {
 public:
  SchemeNames(const Job& job, const Scheme& scheme) : SchemeNames(PieceIndex(job), scheme) {}
  SchemeNames(const PieceIndex&, const Scheme&);
  [[nodiscard]] bool knows(const std::string& id) const { return names_.contains(id); }
  [[nodiscard]] std::string plain(const PlacementId&) const;  ///< "Sofa", "Armchair 2"; the id of what is not there
  /// "the sofa", "armchair 2"; at the start of a sentence "The sofa", "Armchair 2".
  [[nodiscard]] std::string the(const PlacementId&, bool startsSentence = false) const;

 private:
  struct Name {
    std::string text;
    bool numbered = false;
  };
  std::unordered_map<std::string_view, Name> names_;
};

/// What stands behind a diner: how far it is from the table's edge, and what it is.
struct Behind {
  double clear = std::numeric_limits<double>::infinity();
  std::string hit;
  double doubt = 0;  ///< u95 of its place
};

/// One scheme under the rulebook; what every evaluator looks at. Holds references: the job must outlive it.
struct Situation {
  const Job& job;
  const Rulebook& book;
  const Scheme& scheme;
  const Room& room;
  LengthFormat format;  ///< of the lengths in the sentences
  PieceIndex pieces;
  SchemeNames names;
  std::vector<Body> bodies;       ///< of everything that stands on the floor
  std::vector<Serving> servings;  ///< what serves each seat
  std::vector<Hung> hung;
  RoomHeights heights;
  UseState state = UseState::Everyday;
  const RouteFacts* routes = nullptr;  ///< null until they were worked out
  std::vector<Body> fixed = {};        ///< walls and fixed things
  std::vector<DiningSeat> dining = {};
  std::vector<Behind> behind = {};  ///< one for each of `dining`
  std::vector<TalkGroup> groups = {};
  WalkSpace walk = {};
  std::vector<RoomWay> ways = {};
  std::vector<Occluder> occluders = {};
  std::unordered_map<std::string_view, const Placement*> byId =
      {};  ///< placements: rules ask for them in every sentence
  [[nodiscard]] const Placement* placement(std::string_view id) const {
    const auto at = byId.find(id);
    return at == byId.end() ? nullptr : at->second;
  }
};

/// What a check looks at besides the job.
struct CheckWith {
  UseState state = UseState::Everyday;
  /// What only drawn routes tell; without it way-main between its two limits, way-wasted and tall-lamp wait for
  /// `route`.
  const RouteFacts* routes = nullptr;
};

/// All findings of the scheme in a steady order: by rule, then by subjects. An unknown scheme has none.
/// Pure: the same job and rulebook always give the same findings.
[[nodiscard]] std::vector<Finding> check(const Job&, const Rulebook&, const SchemeId&, LengthFormat format,
                                         const CheckWith& = {});

/// What the rulebook has brought since the job was last looked at with it, and what of it breaks; "" when nothing is
/// new. "Rulebook 2 brings 14 rules that rulebook 1 had not. 3 of their findings break here: a table for every seat,
/// feet on the rug."
[[nodiscard]] std::string rulebookNews(const Job&, const Rulebook&, const std::vector<Finding>&);

// ---- the evaluators, one per rule
// seating.cpp
void evaluateTableReach(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateServedSeats(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateTableLevel(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateTableLength(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateSideTableLevel(const Situation&, const Rule&, std::vector<Finding>&);
// dining.cpp
[[nodiscard]] std::vector<Behind> behindDiners(const Situation&);  ///< of a situation that has its bodies and `dining`
void evaluateDiningWall(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateDiningPull(const Situation&, const Rule&, std::vector<Finding>&);
void evaluatePlaceSetting(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateKneeRoom(const Situation&, const Rule&, std::vector<Finding>&);
// way_rules.cpp
void evaluateWayMain(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateWaySide(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateFootRoom(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateWayWasted(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateTallLamp(const Situation&, const Rule&, std::vector<Finding>&);
// access_rules.cpp
void evaluateAccessRoute(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateAccessTurn(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateAccessDoor(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateAccessHalfTurn(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateAccessTable(const Situation&, const Rule&, std::vector<Finding>&);
// group_rules.cpp
void evaluateConversation(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateSeatLevel(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateTopsLevel(const Situation&, const Rule&, std::vector<Finding>&);
// clear_rules.cpp
void evaluateStorageOpen(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateHeaterClear(const Situation&, const Rule&, std::vector<Finding>&);
// sight_rules.cpp
void evaluateBackSeen(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateHeadTurn(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateScreenDistance(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateOneMaterial(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateFirstSight(const Situation&, const Rule&, std::vector<Finding>&);
// rugs.cpp
void evaluateRugFeet(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateRugBorder(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateDoorRug(const Situation&, const Rule&, std::vector<Finding>&);
// opening_rules.cpp
void evaluateDoorSwing(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateWindowBlock(const Situation&, const Rule&, std::vector<Finding>&);
// proportion.cpp
void evaluateTwoThirds(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateArtWidth(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateSideBreathing(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateTopBreathing(const Situation&, const Rule&, std::vector<Finding>&);
// art.cpp, placing.cpp
void evaluateArtCentre(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateArtGap(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateOverlap(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateOutsideRoom(const Situation&, const Rule&, std::vector<Finding>&);
void evaluatePieceCount(const Situation&, const Rule&, std::vector<Finding>&);

// stairs.cpp
void evaluateStairRise(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairGoing(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairPitch(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairStep(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairReach(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairHandrail(const Situation&, const Rule&, std::vector<Finding>&);
void evaluateStairHeadroom(const Situation&, const Rule&, std::vector<Finding>&);

// ---- what evaluators share
/// A finding with everything the rule itself decides; subjects are sorted and make the id.
[[nodiscard]] Finding findingOf(const Rule&, const Asked&, std::vector<std::string> subjects);
/// What schools other than the deciding one would say of this value, where they judge it differently.
[[nodiscard]] std::string rivalWords(const Situation&, const Rule&, const Finding&);
/// "hearth"; nothing when the id is no feature's.
[[nodiscard]] std::string featureWords(const Room&, const std::string& id);
/// What an id is called in a sentence: "the sofa", "wall A", "the hearth", "door d1".
[[nodiscard]] std::string thingWords(const SchemeNames&, const Room&, const std::string& id);
[[nodiscard]] inline std::string thingWords(const Situation& s, const std::string& id) {
  return thingWords(s.names, s.room, id);
}
/// How far the dimensions of a thing may be off along a direction of the plan; 0 for what is no placement on the floor.
[[nodiscard]] double doubtOfThing(const Situation&, const std::string& id, Vec2 direction);
/// "the sofa and armchair 2", "a, b and c".
[[nodiscard]] std::string listWords(const std::vector<std::string>& names);
/// A name with its first letter small, for the middle of a sentence.
[[nodiscard]] std::string midSentence(std::string name);
[[nodiscard]] std::string rangeWords(const Range&, LengthFormat);  ///< "12 to 18 in", "at least 36 in"
/// In the words of the quantity: "12 to 18 in", "60 to 75 %", "at least 2".
[[nodiscard]] std::string rangeWords(const Range&, Quantity, LengthFormat);
[[nodiscard]] std::string measureWords(double value, Quantity, LengthFormat);  ///< "16 in", "62 %"

// ---- how far a piece's own dimensions may be off
[[nodiscard]] double doubtOf(const Piece&, const std::string& dimension);  ///< u95, mm; 0 when none was entered
/// Of its extent along a direction of the plan.
[[nodiscard]] double doubtAlong(const Piece&, const FloorPlace&, Vec2 direction);
[[nodiscard]] double doubtOfTop(const Piece&);  ///< of the height that something hangs above

/// Where a subject of a finding must be for its gap to measure `length`: moved along the line between the witness
/// points. Absent when the finding has no such line or the placement is none of its subjects.
[[nodiscard]] std::optional<Place> placeForGap(const Job&, const Scheme&, const Finding&, const PlacementId& mover,
                                               double length);

/// How far a footprint reaches past the room's outline; 0 inside.
[[nodiscard]] double reachOutside(const Parts& body, const Polygon& outline);

}  // namespace mezzet
