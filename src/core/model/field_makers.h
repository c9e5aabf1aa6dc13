// How rows of the table of fields read and write members of a piece and of its parts.
#pragma once

#include <type_traits>
#include <utility>

#include "core/model/piece_fields.h"

namespace mezzet {

/// A length of the piece itself.
template <auto Member>
PieceField own(PieceField field) {
  field.number = [](const Piece& p) { return std::optional<double>(p.*Member); };
  field.setNumber = [](Piece& p, std::optional<double> value) { p.*Member = value; };
  return field;
}
/// A member of a part: lengths, flags and whole numbers all pass as numbers.
template <auto Part, auto Member>
PieceField of(PieceField field) {
  field.number = [](const Piece& p) -> std::optional<double> {
    const auto& value = (*(p.*Part)).*Member;
    return value ? std::optional(static_cast<double>(*value)) : std::nullopt;
  };
  field.setNumber = [](Piece& p, std::optional<double> value) {
    auto& member = (p.*Part).edit().*Member;
    using Value = typename std::remove_reference_t<decltype(member)>::value_type;
    member = value ? std::optional(static_cast<Value>(*value)) : std::nullopt;
  };
  return field;
}
/// A text of a part.
template <auto Part, auto Member>
PieceField textOf(PieceField field) {
  field.kind = FieldKind::Text;
  field.text = [](const Piece& p) -> const std::string& { return (*(p.*Part)).*Member; };
  field.setText = [](Piece& p, std::string text) { (p.*Part).edit().*Member = std::move(text); };
  return field;
}

}  // namespace mezzet
