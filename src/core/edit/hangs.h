// Edits of how things on a wall are arranged, and what makes arrangements sound.
#pragma once

#include <map>
#include <optional>
#include <string>

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// Adds the arrangement, or replaces the one of its group.
[[nodiscard]] Job withHang(const Job&, const SchemeId&, Hang);
/// Never grouped with its neighbours of itself, or as they hang.
[[nodiscard]] Job withApart(const Job&, const SchemeId&, const PlacementId&, bool apart);

/// The members of a group on a wall, in the order they were arranged in: left to right.
[[nodiscard]] std::vector<PlacementId> membersOf(const Scheme&, const std::string& group);

/// A scheme whose arrangements have members: to be called after something went.
[[nodiscard]] Scheme withoutLostHangs(Scheme);
[[nodiscard]] Job withoutLostHangs(const Job&, const SchemeId&);
/// Every name of a placement in the arrangements put through `renamed`.
void renameHangs(Scheme&, const std::map<std::string, std::string>& renamed);

[[nodiscard]] std::optional<Error> faultOfHangs(const Scheme&);
/// Hooks and mass off the middle that lie on the frame; where a thing was hung, on a wall.
[[nodiscard]] std::optional<Error> faultOfHanger(const Piece&, const std::string& name);
[[nodiscard]] std::optional<Error> faultOfHung(const Placement&, const std::string& where);
/// What leans: against a wall that is there, on something that is there, less far than it is high.
[[nodiscard]] std::optional<Error> faultOfLeaning(const Room&, const Scheme&, const Piece&, const LeaningPlace&,
                                                  const std::string& where);
/// Something that leans where this room has no wall, or on a fixed thing that it has not.
[[nodiscard]] std::optional<Error> faultOfLeaning(const Job&, const Room&, const Scheme&);
/// The colour of a wall: "#rrggbb" or none.
[[nodiscard]] std::optional<Error> faultOfColour(const Corner&);

}  // namespace mezzet
