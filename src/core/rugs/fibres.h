// Which fibre and which construction bear what a place asks of a rug.
#pragma once

#include "core/model/job.h"
#include "core/rugs/trade.h"

namespace mezzet {

/// What the brief and the room ask by themselves: children, pets, food where it is dined, a stair in the room. Oil,
/// damp and a door from outside are for the user to say.
[[nodiscard]] std::vector<RugUse> usesOf(const Brief&, const Room&);
/// "pets", "food": as it is called in a sentence.
[[nodiscard]] std::string_view useWords(RugUse);

struct RugAdvice {
  const RugStuff* stuff = nullptr;
  bool out = false;
  std::vector<std::string> reasons;  ///< why it is out, else what asks for care
};
/// Fibres first, then constructions; of each what bears every use, least care first, then the cheaper; last what is
/// out. Points into the trade.
[[nodiscard]] std::vector<RugAdvice> adviceFor(const RugTrade&, const std::vector<RugUse>&);

}  // namespace mezzet
