#include "core/model/light_fields.h"

#include "core/model/field_makers.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::string_view kMounts[] = {"pendant", "surface", "recessed", "spot",  "wall",
                                        "picture", "table",   "floor",    "strip", "candle"};
static_assert(std::size(kMounts) == static_cast<std::size_t>(Mount::Candle) + 1);

using Words = std::string_view;
/// Asked of no piece: it matters only where light is worked out, and is typed there.
Words never(const Piece&) { return ""; }

PieceField amount(PieceField field, double high, std::string_view hint, std::string_view unsound) {
  field.kind = FieldKind::Amount;
  field.asked = never;
  field.high = high;
  field.aboveLow = true;
  field.hint = field.unsoundHint = hint;
  field.unsound = unsound;
  return field;
}

}  // namespace

std::vector<PieceField> lightFields() {
  return {
      of<&Piece::light, &LightPart::mount>(
          {.key = "light.mount",
           .column = "mount",
           .title = "Mount",
           .kind = FieldKind::Choice,
           .asked = [](const Piece& p) -> Words { return canBeLight(p.kind) ? "How it is put up" : ""; },
           .choices = kMounts}),
      of<&Piece::light, &LightPart::shadeBottom>(
          {.key = "light.shadeBottom",
           .column = "shade bottom",
           .title = "Shade bottom",
           .asked = [](const Piece& p) -> Words {
             return isLamp(p.kind) ? "Lower edge of the shade above its foot" : "";
           },
           .echo = [](const Piece&, const std::string& v) { return "shade " + v + " up"; },
           .words = {{{"shade"}}},
           .name = "lower edge of the shade",
           .zero = true}),
      of<&Piece::light, &LightPart::cutOut>({.key = "light.cutOut",
                                             .column = "cut-out",
                                             .title = "Cut-out",
                                             .asked = [](const Piece& p) -> Words {
                                               return mountOf(p) == Mount::Recessed ? "Diameter of the cut-out" : "";
                                             },
                                             .echo = [](const Piece&, const std::string& v) { return "cut-out " + v; },
                                             .words = {{{"cut-out"}, {"cutout"}}},
                                             .name = "cut-out"}),
      of<&Piece::light, &LightPart::above>({.key = "light.above",
                                            .column = "above ceiling",
                                            .title = "Above ceiling",
                                            .asked = [](const Piece& p) -> Words {
                                              return mountOf(p) == Mount::Recessed ? "Depth needed above the ceiling"
                                                                                   : "";
                                            },
                                            .name = "depth above the ceiling"}),
      of<&Piece::light, &LightPart::lumens>(amount({.key = "light.lumens", .column = "lumens", .title = "Lumens"}, 1e6,
                                                   "Type lumens", "has lumens that are not more than 0")),
      of<&Piece::light, &LightPart::watts>(amount({.key = "light.watts", .column = "watts", .title = "Watts"}, 1e5,
                                                  "Type watts", "has watts that are not more than 0")),
      of<&Piece::light, &LightPart::beam>(amount({.key = "light.beam", .column = "beam", .title = "Beam (degrees)"},
                                                 175, "Type the full angle in degrees",
                                                 "has a beam that is not more than 0 and at most 175 degrees")),
      of<&Piece::light, &LightPart::kelvin>(amount({.key = "light.kelvin", .column = "kelvin", .title = "Kelvin"},
                                                   20'000, "Type kelvin",
                                                   "has a colour that is not more than 0 and at most 20000 K")),
      textOf<&Piece::light, &LightPart::photometry>(
          {.key = "light.photometry", .column = "photometry", .title = "Photometry", .asked = never})};
}

}  // namespace mezzet
