#include "core/model/piece_fields.h"

#include <algorithm>
#include <cmath>

#include "core/model/field_makers.h"
#include "core/model/kinds.h"
#include "core/model/light_fields.h"
#include "core/model/thing_fields.h"
#include "core/model/wall_fields.h"

namespace mezzet {
namespace {

constexpr double kSame = 0.01;  // heights that read alike

PieceField width(PieceField field) {
  field.number = [](const Piece& p) { return std::optional(p.width); };
  field.setNumber = [](Piece& p, std::optional<double> value) { p.width = value.value_or(p.width); };
  return field;
}
PieceField count(PieceField field) {
  field.number = [](const Piece& p) { return std::optional<double>(p.count); };
  field.setNumber = [](Piece& p, std::optional<double> value) { p.count = static_cast<int>(value.value_or(1)); };
  return field;
}
PieceField hand(PieceField field) {
  field.number = [](const Piece& p) {
    const bool said = p.shape == Shape::L || p.limbs->hand != Hand::Left;
    return said ? std::optional(p.limbs->hand == Hand::Left ? 0.0 : 1.0) : std::nullopt;
  };
  field.setNumber = [](Piece& p, std::optional<double> value) {
    if (!value) return;  // an L has one hand or the other
    const Hand side = *value == 0 ? Hand::Left : Hand::Right;
    if (side != p.limbs->hand) p.limbs.edit().hand = side;
  };
  return field;
}
PieceField story(PieceField field) {
  field.text = [](const Piece& p) -> const std::string& { return p.story; };
  field.setText = [](Piece& p, std::string text) { p.story = std::move(text); };
  return field;
}
PieceField owned(PieceField field) {
  field.number = [](const Piece& p) { return p.shop->owned ? std::optional(1.0) : std::nullopt; };
  field.setNumber = [](Piece& p, std::optional<double> value) {
    if (const bool is = value.value_or(0) != 0; is != p.shop->owned) p.shop.edit().owned = is;
  };
  return field;
}
constexpr std::string_view kHands[] = {"left", "right"}, kBacks[] = {"unfinished", "finished"},
                           kNoYes[] = {"no", "yes"}, kPhases[] = {"now", "later"}, kTiers[] = {"simple", "full"},
                           kConstructions[] = {"loop", "cut", "cut-and-loop", "flat"};

// ---- the rows

using Words = std::string_view;
bool sitsOn(const Piece& p) { return isSeat(p.kind) || isDiningSeat(p.kind); }
bool stands(const Piece& p) { return !hangs(p.kind) && !isRug(p.kind); }
std::vector<PieceField> boxFields() {
  return {width({.key = "width",
                 .column = "width",
                 .title = "Width",
                 .asked = [](const Piece& p) -> Words {
                   return p.shape == Shape::Round ? "Diameter" : hangs(p.kind) ? "Width of the frame" : "Width";
                 },
                 .echo = [](const Piece& p,
                            const std::string& v) { return v + (p.shape == Shape::Round ? " across" : " wide"); },
                 .words = {{{"wide", true}, {"width"}, {"long", true}, {"run", true}}},
                 .name = "width",
                 .required = true}),
          own<&Piece::depth>(
              {.key = "depth",
               .column = "depth",
               .title = "Depth",
               .asked = [](const Piece& p) -> Words {
                 return p.shape == Shape::Round ? "" : hangs(p.kind) ? "Depth of the frame" : "Depth, front to back";
               },
               .echo = [](const Piece& p,
                          const std::string& v) { return p.shape == Shape::Round || hangs(p.kind) ? "" : v + " deep"; },
               .words = {{{"deep", true}, {"depth"}}},
               .name = "depth"}),
          own<&Piece::height>(
              {.key = "height",
               .column = "height",
               .title = "Height",
               .asked = [](const Piece& p) -> Words {
                 return hangs(p.kind) ? "Height of the frame" : isRug(p.kind) ? "Thickness" : "Height";
               },
               .echo = [](const Piece& p, const std::string& v) { return v + (isRug(p.kind) ? " thick" : " high"); },
               .words = {{{"height"}, {"high", true}, {"tall", true}, {"thick", true}}},
               .name = "height"})};
}

std::vector<PieceField> seatFields() {
  return {of<&Piece::seat, &SeatPart::height>(
              {.key = "seatHeight",
               .column = "seat",
               .title = "Seat",
               .asked = [](const Piece& p) -> Words { return sitsOn(p) ? "Seat above the floor" : ""; },
               .echo = [](const Piece&, const std::string& v) { return "seat " + v; },
               .words = {{{"seat"}}},
               .name = "seat height"}),
          of<&Piece::seat, &SeatPart::arm>(
              {.key = "armHeight",
               .column = "arm",
               .title = "Arm",
               .asked = [](const Piece& p) -> Words { return isSeat(p.kind) ? "Arm above the floor" : ""; },
               .echo = [](const Piece&, const std::string& v) { return "arm " + v; },
               .words = {{{"arm"}, {"arms"}}},
               .name = "arm height"}),
          of<&Piece::seat, &SeatPart::back>(
              {.key = "backHeight",
               .column = "back",
               .title = "Back",
               .asked = [](const Piece& p) -> Words { return sitsOn(p) ? "Back above the floor" : ""; },
               .echo =
                   [](const Piece& p, const std::string& v) {
                     const bool same = p.height && p.seat->back && std::abs(*p.seat->back - *p.height) <= kSame;
                     return same ? "" : "back " + v;
                   },
               .words = {{{"back"}}},
               .name = "back height"}),
          count({.key = "count",
                 .column = "count",
                 .title = "Count",
                 .kind = FieldKind::Whole,
                 .low = 0,
                 .high = 10'000,
                 .hint = "Type how many there are",
                 .unsound = "has a count that is not 0 to 10000",
                 .unsoundHint = "Type how many there are"})};
}

std::vector<PieceField> limbFields() {
  return {of<&Piece::limbs, &LimbPart::longDepth>({.key = "longDepth",
                                                   .column = "long limb",
                                                   .title = "Long limb",
                                                   .asked = [](const Piece& p) -> Words {
                                                     return p.shape == Shape::Curve ? "Depth of the seat"
                                                            : p.shape == Shape::L   ? "Depth of its long limb"
                                                                                    : "";
                                                   },
                                                   .echo =
                                                       [](const Piece& p, const std::string& v) {
                                                         return p.shape == Shape::L       ? "long limb " + v + " deep"
                                                                : p.shape == Shape::Curve ? "seat " + v + " deep"
                                                                                          : "";
                                                       },
                                                   .words = {{{"limb"}}},
                                                   .name = "long depth"}),
          of<&Piece::limbs, &LimbPart::returnWidth>(
              {.key = "returnWidth",
               .column = "return",
               .title = "Return",
               .asked = [](const Piece& p) -> Words { return p.shape == Shape::L ? "Width of its return" : ""; },
               .echo =
                   [](const Piece& p, const std::string& v) {
                     if (p.shape != Shape::L) return std::string();
                     return "return " + v + (p.limbs->hand == Hand::Left ? " wide on the left" : " wide on the right");
                   },
               .words = {{{"return"}}},
               .name = "return width"}),
          hand({.key = "hand",
                .column = "hand",
                .title = "Hand",
                .kind = FieldKind::Choice,
                .asked = [](const Piece& p) -> Words { return p.shape == Shape::L ? "Return on its" : ""; },
                .choices = kHands})};
}

std::vector<PieceField> groundFields() {
  return {of<&Piece::legs, &LegPart::inset>(
              {.key = "feetInset",
               .column = "feet in",
               .title = "Feet in",
               .asked = [](const Piece& p) -> Words { return stands(p) ? "Feet inside the corners" : ""; },
               .zero = true}),
          of<&Piece::rug, &RugPart::pad>(
              {.key = "pad",
               .column = "pad",
               .title = "Pad",
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Pad under it" : ""; },
               .echo = [](const Piece&, const std::string& v) { return "pad " + v; },
               .words = {{{"pad"}}},
               .name = "pad"}),
          of<&Piece::rug, &RugPart::soldWidth>(
              {.key = "nominalWidth",
               .column = "sold width",
               .title = "Sold width",
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Sold as, width" : ""; },
               .name = "sold as",
               .doubted = false}),
          of<&Piece::rug, &RugPart::soldDepth>(
              {.key = "nominalDepth",
               .column = "sold depth",
               .title = "Sold depth",
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Sold as, depth" : ""; },
               .name = "sold as",
               .doubted = false}),
          of<&Piece::seat, &SeatPart::people>(
              {.key = "seats",
               .column = "seats",
               .title = "Seats",
               .kind = FieldKind::Whole,
               .asked = [](const Piece& p) -> Words { return sitsOn(p) ? "Seats how many" : ""; },
               .echo = [](const Piece&, const std::string& v) { return "seats " + v; },
               .low = 1,
               .high = 100,
               .hint = "Type how many sit on it",
               .unsound = "has seats that are not 1 to 100",
               .unsoundHint = "Type how many sit on it"}),
          of<&Piece::legs, &LegPart::height>(
              {.key = "legHeight",
               .column = "legs",
               .title = "Legs",
               .asked = [](const Piece& p) -> Words { return stands(p) ? "Height of raised legs" : ""; },
               .words = {{{"legs"}}},
               .name = "legs"})};
}

std::vector<PieceField> useFields() {
  return {
      of<&Piece::use, &UsePart::opensBy>(
          {.key = "opensBy",
           .column = "opens by",
           .title = "Opens by",
           .asked = [](const Piece& p) -> Words { return opensForward(p.kind) ? "Comes forward in use by" : ""; },
           .echo = [](const Piece&, const std::string& v) { return "opens by " + v; },
           .words = {{{"opens"}}},
           .name = "opens by"}),
      of<&Piece::use, &UsePart::extendsBy>(
          {.key = "extendsBy",
           .column = "extends by",
           .title = "Extends by",
           .asked = [](const Piece& p) -> Words { return isDiningTable(p.kind) ? "Longer with its leaves by" : ""; },
           .echo = [](const Piece&, const std::string& v) { return "extends by " + v; },
           .words = {{{"extends"}}},
           .name = "extends by"}),
      of<&Piece::finish, &FinishPart::backFinished>(
          {.key = "backFinished",
           .column = "back side",
           .title = "Back side",
           .kind = FieldKind::Flag,
           .asked = [](const Piece& p) -> Words { return stands(p) ? "Back side, finished or not" : ""; },
           .choices = kBacks}),
      textOf<&Piece::finish, &FinishPart::material>(
          {.key = "material", .column = "material", .title = "Material", .asked = [](const Piece& p) -> Words {
             return stands(p) ? "Material that is seen" : "";
           }})};
}

std::vector<PieceField> rugFields() {
  return {of<&Piece::rug, &RugPart::pile>(
              {.key = "rug.pile",
               .column = "pile",
               .title = "Pile",
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Pile, how high it stands" : ""; },
               .echo = [](const Piece&, const std::string& v) { return "pile " + v; },
               .words = {{{"pile"}}},
               .name = "pile",
               .zero = true}),
          of<&Piece::rug, &RugPart::construction>(
              {.key = "rug.construction",
               .column = "construction",
               .title = "Construction",
               .kind = FieldKind::Choice,
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Its face: loop, cut, flat" : ""; },
               .choices = kConstructions}),
          textOf<&Piece::rug, &RugPart::fibre>(
              {.key = "rug.fibre",
               .column = "fibre",
               .title = "Fibre",
               .asked = [](const Piece& p) -> Words { return isRug(p.kind) ? "Fibre" : ""; }}),
          textOf<&Piece::rug, &RugPart::edge>(
              {.key = "rug.edge", .column = "edge", .title = "Edge", .asked = [](const Piece& p) -> Words {
                 return isRug(p.kind) ? "Edge finish" : "";
               }})};
}

std::vector<PieceField> shopFields() {
  return {
      of<&Piece::shop, &ShopPart::weight>({.key = "weight",
                                           .column = "weight",
                                           .title = "Weight (kg)",
                                           .kind = FieldKind::Amount,
                                           .low = 0,
                                           .high = 100'000,
                                           .aboveLow = true,
                                           .hint = "Type kilograms",
                                           .unsound = "has a weight that is not more than 0",
                                           .unsoundHint = "Type kilograms"}),
      owned({.key = "owned", .column = "owned", .title = "Owned", .kind = FieldKind::Flag, .choices = kNoYes}),
      of<&Piece::shop, &ShopPart::price>({.key = "price",
                                          .column = "price",
                                          .title = "Price",
                                          .kind = FieldKind::Amount,
                                          .low = 0,
                                          .high = 1e9,
                                          .hint = "Type a number without a currency",
                                          .unsound = "has a price that is no amount",
                                          .unsoundHint = "Type 0 or more"}),
      of<&Piece::shop, &ShopPart::phase>(
          {.key = "shop.phase", .column = "phase", .title = "Bought", .kind = FieldKind::Choice, .choices = kPhases}),
      of<&Piece::shop, &ShopPart::tier>(
          {.key = "shop.tier", .column = "tier", .title = "Budget", .kind = FieldKind::Choice, .choices = kTiers}),
      of<&Piece::shop, &ShopPart::leadDays>({.key = "shop.leadDays",
                                             .column = "lead days",
                                             .title = "Days to delivery",
                                             .kind = FieldKind::Whole,
                                             .low = 0,
                                             .high = 1000,
                                             .hint = "Type how many days from order to delivery",
                                             .name = "days to delivery",
                                             .unsound = "has days to delivery that are none",
                                             .unsoundHint = "0 to 1000"}),
      of<&Piece::carry, &CarryPart::diagonalDepth>(
          {.key = "diagonalDepth",
           .column = "diagonal depth",
           .title = "Diagonal depth",
           .asked = [](const Piece& p) -> Words { return isSeat(p.kind) ? "Diagonal depth, as carried" : ""; },
           .words = {{{"diagonal", true}}},
           .name = "diagonal depth"}),
      textOf<&Piece::shop, &ShopPart::note>({.key = "shop.note", .column = "shop note", .title = "Note"}),
      story({.key = "story", .column = "story", .title = "Its story", .kind = FieldKind::Text})};
}

std::vector<PieceField> allFields() {
  std::vector<PieceField> all{{.key = "id", .column = "id", .title = "Id", .kind = FieldKind::Id},
                              {.key = "name", .column = "name", .title = "Name", .kind = FieldKind::Name},
                              {.key = "kind", .column = "kind", .title = "Kind", .kind = FieldKind::Kind},
                              {.key = "shape", .column = "shape", .title = "Shape", .kind = FieldKind::Shape}};
  for (const auto& fields : {boxFields(), seatFields(), limbFields(), groundFields(), rugFields(), useFields(),
                             lightFields(), wallFields(), thingFields(), shopFields()})
    all.insert(all.end(), fields.begin(), fields.end());
  all.push_back({.key = "sources", .column = "sources", .title = "Sources", .kind = FieldKind::Sources});
  return all;
}

}  // namespace

std::optional<double> PieceField::valueOf(const Piece& piece) const {
  return number == nullptr ? std::nullopt : number(piece);
}

std::span<const PieceField> pieceFields() {
  static const std::vector<PieceField> all = allFields();
  return all;
}

const PieceField* findField(std::string_view key) {
  const auto all = pieceFields();
  const auto at = std::find_if(all.begin(), all.end(), [&](const PieceField& f) { return f.key == key; });
  return at == all.end() ? nullptr : &*at;
}

}  // namespace mezzet
