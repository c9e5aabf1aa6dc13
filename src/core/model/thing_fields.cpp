#include "core/model/thing_fields.h"

#include "core/model/field_makers.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::string_view kNotIs[] = {"no", "yes"};

using Words = std::string_view;
Words ofThing(const Piece& p, Words words) { return isDisplayed(p.kind) ? words : ""; }
Words ofBooks(const Piece& p, Words words) { return isBookLike(p.kind) ? words : ""; }

}  // namespace

std::vector<PieceField> thingFields() {
  return {
      of<&Piece::seat, &SeatPart::cushions>(
          {.key = "cushions",
           .column = "cushions",
           .title = "Cushions",
           .kind = FieldKind::Whole,
           .asked = [](const Piece& p) -> Words { return isSeat(p.kind) ? "Loose cushions on it" : ""; },
           .low = 0,
           .high = 40,
           .hint = "Type how many lie on it",
           .name = "cushions",
           .unsound = "has a number of cushions that is not 0 to 40",
           .unsoundHint = "Type how many lie on it"}),
      textOf<&Piece::thing, &ThingPart::family>({.key = "thing.family",
                                                 .column = "family",
                                                 .title = "Family",
                                                 .asked = [](const Piece& p) { return ofThing(p, "Family"); }}),
      textOf<&Piece::thing, &ThingPart::collection>({.key = "thing.collection",
                                                     .column = "collection",
                                                     .title = "Collection",
                                                     .asked = [](const Piece& p) { return ofThing(p, "Collection"); }}),
      of<&Piece::thing, &ThingPart::volumes>({.key = "thing.volumes",
                                              .column = "volumes",
                                              .title = "Volumes",
                                              .kind = FieldKind::Whole,
                                              .asked = [](const Piece& p) { return ofBooks(p, "Volumes"); },
                                              .echo = [](const Piece&, const std::string& v) { return v + " books"; },
                                              .low = 1,
                                              .high = 1'000,
                                              .hint = "Type how many books",
                                              .name = "volumes",
                                              .unsound = "has a number of books that is not 1 to 1000",
                                              .unsoundHint = "Type how many books stand in this run"}),
      of<&Piece::thing, &ThingPart::branches>(
          {.key = "thing.branches",
           .column = "branches",
           .title = "Branches",
           .asked = [](const Piece& p) -> Words {
             return takesBranches(p.kind) ? "Branches reach above its foot" : "";
           },
           .echo = [](const Piece&, const std::string& v) { return "branches " + v; },
           .words = {{{"branches"}}},
           .name = "branches"}),
      of<&Piece::thing, &ThingPart::jacket>({.key = "thing.jacket",
                                             .column = "jacket",
                                             .title = "Jacket",
                                             .kind = FieldKind::Flag,
                                             .asked = [](const Piece& p) { return ofBooks(p, "Paper jackets on"); },
                                             .choices = kNotIs}),
      of<&Piece::thing, &ThingPart::paperback>({.key = "thing.paperback",
                                                .column = "paperback",
                                                .title = "Paperback",
                                                .kind = FieldKind::Flag,
                                                .asked = [](const Piece& p) { return ofBooks(p, "Paperbacks"); },
                                                .choices = kNotIs}),
      of<&Piece::thing, &ThingPart::personal>({.key = "thing.personal",
                                               .column = "personal",
                                               .title = "Personal",
                                               .kind = FieldKind::Flag,
                                               .asked = [](const Piece& p) { return ofThing(p, "The owner's own"); },
                                               .choices = kNotIs})};
}

}  // namespace mezzet
