// One scheme under the rulebook: what every evaluator looks at. Each fact is worked out when it is first asked for.
#pragma once

#include <functional>
#include <limits>
#include <unordered_map>

#include "core/display/display.h"
#include "core/light/fixtures.h"
#include "core/light/photometry.h"
#include "core/rules/base/doubts.h"
#include "core/rules/base/finding.h"
#include "core/rules/base/names.h"
#include "core/rules/base/words.h"
#include "core/sight/reflection.h"
#include "core/site/heights.h"
#include "core/space/bodies.h"
#include "core/space/below.h"
#include "core/use/dining.h"
#include "core/use/groups.h"
#include "core/use/serving.h"
#include "core/walk/route_facts.h"
#include "core/walk/ways.h"

namespace mezzet {

/// What something meets that is slid along: how far off, and what it is. Of a diner: behind the table's edge.
struct Behind {
  double clear = std::numeric_limits<double>::infinity();
  std::string hit;
  double doubt = 0;  ///< u95 of its place
};

/// What a check looks at besides the job.
struct CheckWith {
  UseState state = UseState::Everyday;
  /// What only drawn routes tell; without it way-main between its two limits, way-wasted and tall-lamp wait for
  /// `route`.
  const RouteFacts* routes = nullptr;
  /// Measured webs of lights by their names; without them lights shine by their lumens and beam.
  const Photometries* photometries = nullptr;
};
/// The room as it stands on every day, without routes. Never a default: whoever forgets the state of use that is shown
/// would judge another room.
inline constexpr CheckWith kEveryDay{};

/// A value that is worked out when it is first asked for. Not for two threads at once.
template <class T>
class Fact {
 public:
  template <class Work>
  const T& get(Work work) const {
    if (!value_) value_.emplace(work());
    return *value_;
  }

 private:
  mutable std::optional<T> value_;
};

/// Holds references: job, book and scheme must outlive it.
class Situation {
 public:
  Situation(const Job&, const Rulebook&, const Scheme&, LengthFormat, const CheckWith&);

  const Job& job;
  const Rulebook& book;
  const Scheme& scheme;
  const Room& room;
  LengthFormat format;  ///< of the lengths in the sentences
  PieceIndex pieces;
  SchemeNames names;
  UseState state;
  const RouteFacts* routes;          ///< null until they were worked out
  const Photometries* photometries;  ///< null: none

  [[nodiscard]] const std::vector<Body>& bodies() const;  ///< of everything that stands on the floor
  [[nodiscard]] const std::vector<Body>& fixed() const;   ///< walls and fixed things
  [[nodiscard]] const std::vector<Hung>& hung() const;
  /// What each of `hung` hangs above; on the wall of the same place.
  [[nodiscard]] const std::vector<std::optional<Below>>& below() const;
  [[nodiscard]] const RoomHeights& heights() const;
  [[nodiscard]] const std::vector<Serving>& servings() const;  ///< what serves each seat
  [[nodiscard]] const std::vector<DiningSeat>& dining() const;
  [[nodiscard]] const std::vector<Behind>& behind() const;  ///< one for each of `dining`
  [[nodiscard]] const std::vector<TalkGroup>& groups() const;
  [[nodiscard]] const WalkSpace& walk() const;
  [[nodiscard]] const std::vector<RoomWay>& ways() const;
  [[nodiscard]] const std::vector<Occluder>& occluders() const;
  [[nodiscard]] const Reflected& reflected() const;
  [[nodiscard]] const std::vector<Fixture>& fixtures() const;
  [[nodiscard]] const std::vector<Display>& displays() const;     ///< of everything that carries things or has shelves
  [[nodiscard]] std::vector<const Placement*> mainSeats() const;  ///< those that the room is furnished round
  /// Null when the scheme has none of this id.
  [[nodiscard]] const Placement* placement(std::string_view id) const;

 private:
  Fact<std::vector<Body>> bodies_, fixed_;
  Fact<std::vector<Hung>> hung_;
  Fact<std::vector<std::optional<Below>>> below_;
  Fact<RoomHeights> heights_;
  Fact<std::vector<Serving>> servings_;
  Fact<std::vector<DiningSeat>> dining_;
  Fact<std::vector<Behind>> behind_;
  Fact<std::vector<TalkGroup>> groups_;
  Fact<WalkSpace> walk_;
  Fact<std::vector<RoomWay>> ways_;
  Fact<std::vector<Occluder>> occluders_;
  Fact<Reflected> reflected_;
  Fact<std::vector<Fixture>> fixtures_;
  Fact<std::vector<Display>> displays_;
  Fact<std::unordered_map<std::string_view, const Placement*>> byId_;  ///< rules ask in every sentence
};

// ---- what evaluators share
/// What a row of the plan meets first that is slid along a unit vector: walls, fixed things, and what stands in the
/// room but for rugs and what is `ignored`. Infinitely far off when nothing.
[[nodiscard]] Behind firstMet(const Situation&, const Convex& row, Vec2 along,
                              const std::function<bool(const Body&)>& ignored);
/// A finding with everything the rule itself decides; subjects are sorted and make the id.
[[nodiscard]] Finding findingOf(const Rule&, const Asked&, std::vector<std::string> subjects);
/// What schools other than the deciding one would say of this value, where they judge it differently.
[[nodiscard]] std::string rivalWords(const Situation&, const Rule&, const Finding&,
                                     const std::vector<std::string>& whens = {});
[[nodiscard]] inline std::string thingWords(const Situation& s, const std::string& id) {
  return thingWords(s.names, s.room, id);
}
/// How far the dimensions of a thing may be off along a direction of the plan; 0 for what is no placement on the floor.
[[nodiscard]] double doubtOfThing(const Situation&, const std::string& id, Vec2 direction);

}  // namespace mezzet
