// What a drawn item shows, so that it can be clicked and typed into.
#pragma once

#include <string>
#include <utility>

namespace mezzet {

struct ItemId {
  enum class Of : unsigned char { Other, Wall, Tape, Finding, Height, Photograph, Room };
  Of of = Of::Other;
  std::string id = {};  ///< its own; a tape's side, or "centre"

  ItemId() = default;
  /// Placements, openings and what nobody clicks: named only.
  ItemId(std::string text) : id(std::move(text)) {}
  ItemId(const char* text) : id(text) {}
  ItemId(Of what, std::string which) : of(what), id(std::move(which)) {}
  [[nodiscard]] bool empty() const { return id.empty(); }
  /// Whether a length can be typed into it.
  [[nodiscard]] bool isTyped() const { return of == Of::Tape || of == Of::Finding; }
  bool operator==(const ItemId&) const = default;
};

/// The height of what hangs, measured at its centre.
[[nodiscard]] inline ItemId centreTape() { return {ItemId::Of::Tape, "centre"}; }

}  // namespace mezzet
