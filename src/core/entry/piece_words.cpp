#include "core/colour/names.h"
#include "core/entry/piece_cell.h"
#include "core/entry/piece_line.h"
#include "core/model/piece_fields.h"

namespace mezzet {

std::string pieceWords(const Piece& p, LengthFormat format) {
  std::string out = p.name, assumed;
  for (const PieceField& field : pieceFields()) {
    // The shape is said before the sizes that only it has.
    if (field.key == kLimbKey && p.shape == Shape::Oval) out += ", oval";
    if (field.key == kLimbKey && p.shape == Shape::Curve) out += ", curved";
    if (field.echo == nullptr) continue;
    const auto value = field.number(p);
    if (!value) continue;
    const bool length = field.kind == FieldKind::Length;
    const std::string words = field.echo(p, length ? writeLength(*value, format) : numberText(*value, 1));
    if (words.empty()) continue;
    const auto doubt = p.doubts.find(std::string(field.key));
    const bool usual = length && doubt != p.doubts.end() && doubt->second.source == DimensionSource::Default;
    if (usual) assumed += (assumed.empty() ? "" : ", ") + words;
    else out += ", " + words;
  }
  std::string colours;
  for (const ColourShare& c : p.thing->colours) colours += (colours.empty() ? ", in " : " and ") + nameOfColour(c.srgb);
  out += colours;
  if (const std::size_t shelves = p.surfaces->all.size(); shelves > 0)
    out += ", " + std::to_string(shelves) + (shelves == 1 ? " shelf" : " shelves");
  if (!assumed.empty()) out += "; usual: " + assumed;
  return out;
}

}  // namespace mezzet
