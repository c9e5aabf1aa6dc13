// Where a new light goes: over what it lights, or where it was dropped.
#pragma once

#include "core/base/result.h"
#include "core/decide/adding.h"

namespace mezzet {

/// Underside of a light that hangs over no table: well above heads [D].
inline constexpr double kUsualUnderside = 84 * kInch;
/// Dropped so near the middle of a top, it is centred on it [D].
inline constexpr double kCentresWithin = 18 * kInch;

/// Over the first top that has no light yet, or in the middle of the room; dropped at a point, there. Over a top it is
/// centred and hangs in the middle of what its rule asks, or joins the row that hangs there, which then spreads evenly.
[[nodiscard]] Result<Added> withLightPlaced(const Job&, const Rulebook&, const SchemeId&, const PieceId&, IdSource&,
                                            std::optional<Vec2> at = std::nullopt);
/// A lamp for a table on the nearest top within reach of the point; without a point on the first side table, console or
/// sideboard that carries none.
[[nodiscard]] Result<Added> withTableLamp(const Job&, const SchemeId&, const PieceId&, IdSource&,
                                          std::optional<Vec2> at = std::nullopt);
/// So many of a piece in a row over one top, evenly, in one group.
[[nodiscard]] Result<Added> withRowOver(const Job&, const Rulebook&, const SchemeId&, const PieceId&, int count,
                                        const PlacementId& top, IdSource&);
/// The first thing of a kind that a pendant can hang over; none when there is none.
[[nodiscard]] const Placement* topOfKind(const Job&, const Scheme&, const std::string& kind);

/// One recessed light over each task that has no pendant over it and none of this kind yet, on a circuit of their own.
[[nodiscard]] Result<Added> withTaskLights(const Job&, const SchemeId&, const PieceId&, IdSource&);
/// One before each picture or group of them that none is aimed at yet, 30 degrees from straight down, on a circuit of
/// their own.
[[nodiscard]] Result<Added> withArtLights(const Job&, const SchemeId&, const PieceId&, IdSource&);
/// So many recessed lights laid evenly over the room as one laying, on a circuit of their own.
[[nodiscard]] Result<Added> withDownlightsLaid(const Job&, const SchemeId&, const PieceId&, std::optional<int> count,
                                               bool schoolB, IdSource&, LengthFormat,
                                               std::vector<std::string>* says = nullptr);

}  // namespace mezzet
