// Edits of what is about light: circuits, aims, lights laid together, tasks, joists.
#pragma once

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// Adds the circuit, or replaces the one with its id.
[[nodiscard]] Job withCircuit(const Job&, const SchemeId&, Circuit);
/// Its lights are on no circuit then.
[[nodiscard]] Job withoutCircuit(const Job&, const SchemeId&, const CircuitId&);
/// These lights on a circuit; on none with an empty id.
[[nodiscard]] Job onCircuit(const Job&, const SchemeId&, const std::vector<PlacementId>&, const CircuitId&);
/// These lights on the next circuit by letter: the first, second ... that there is, then a fresh one of their own, then
/// none. `of` is the light that says which is next.
[[nodiscard]] Job onNextCircuit(const Job&, const SchemeId&, const PlacementId& of, const std::vector<PlacementId>&,
                                IdSource&);
/// The letter a fresh circuit gets: A to Z, then AA.
[[nodiscard]] std::string freshLetter(const Scheme&);

/// Lights under the ceiling with longer cords, `by` mm more; none is drawn up through the ceiling.
[[nodiscard]] Job withLongerCords(const Job&, const SchemeId&, const std::vector<PlacementId>&, double by);
[[nodiscard]] Result<Job> withAim(const Job&, const SchemeId&, const PlacementId&, std::optional<Aim>);
/// As many of a piece as the scheme places: what is put up in one go is bought in one go.
[[nodiscard]] Result<Job> withEnough(Job, const SchemeId&, const PieceId&);
/// Remembers lights that were laid in one go.
[[nodiscard]] Job withLaid(const Job&, const SchemeId&, LaidLights);
/// Adds the task, or replaces the one with its id. Refused when it is none.
[[nodiscard]] Result<Job> withTask(const Job&, const SchemeId&, LightTask);
[[nodiscard]] Job withoutTask(const Job&, const SchemeId&, const TaskId&);
[[nodiscard]] Result<Job> withJoists(const Job&, const RoomId&, std::optional<Joists>);
[[nodiscard]] Result<Job> withReflectance(const Job&, const RoomId&, std::optional<Reflectance>);

/// A scheme whose lights, circuits and tasks name only what is there: to be called after something went.
[[nodiscard]] Scheme withoutLostLights(Scheme, const Room&);
/// Every scheme of a room so.
[[nodiscard]] Job withoutLostLights(Job, const RoomId&);
/// Every name of a placement in what is about light put through `renamed`.
void renameLights(Scheme&, const std::map<std::string, std::string>& renamed);

}  // namespace mezzet
