#include "core/model/wall_fields.h"

#include "core/model/field_makers.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::string_view kFeet[] = {"dark", "light"}, kLooks[] = {"face", "full", "space"},
                           kGlazing[] = {"no", "yes"},
                           kHangers[] = {"wire", "sawtooth", "ring", "rings", "cleat", "keyhole"};

using Words = std::string_view;
Words ofFramed(const Piece& p, Words words) { return hasFrame(p.kind) ? words : ""; }
/// A length on the back of a frame; `asked` is what the dialog calls it.
PieceField onItsBack(Words key, Words column, Words title, Words (*asked)(const Piece&)) {
  return {.key = key, .column = column, .title = title, .asked = asked, .name = column, .zero = true};
}
Words ofScreen(const Piece& p, Words words) { return isScreen(p.kind) ? words : ""; }

/// What shows of a frame.
std::vector<PieceField> frameFields() {
  return {of<&Piece::frame, &FramePart::imageWidth>({.key = "frame.imageWidth",
                                                     .column = "image width",
                                                     .title = "Image width",
                                                     .asked =
                                                         [](const Piece& p) {
                                                           return ofFramed(p, isMirror(p.kind) ? "Width of the glass"
                                                                                               : "Width of the image");
                                                         },
                                                     .name = "image width"}),
          of<&Piece::frame, &FramePart::imageHeight>(
              {.key = "frame.imageHeight",
               .column = "image height",
               .title = "Image height",
               .asked =
                   [](const Piece& p) {
                     return ofFramed(p, isMirror(p.kind) ? "Height of the glass" : "Height of the image");
                   },
               .name = "image height"}),
          of<&Piece::frame, &FramePart::mat>(
              {.key = "frame.mat",
               .column = "mat",
               .title = "Mat",
               .asked = [](const Piece& p) { return ofFramed(p, isMirror(p.kind) ? "" : "Mat round the image"); },
               .echo = [](const Piece&, const std::string& v) { return "mat " + v; },
               .words = {{{"mat"}}},
               .name = "mat",
               .zero = true}),
          of<&Piece::frame, &FramePart::glazed>({.key = "frame.glazed",
                                                 .column = "glazed",
                                                 .title = "Glazed",
                                                 .kind = FieldKind::Flag,
                                                 .asked = [](const Piece& p) { return ofFramed(p, "Behind glass"); },
                                                 .choices = kGlazing}),
          textOf<&Piece::frame, &FramePart::finish>(
              {.key = "frame.finish",
               .column = "frame finish",
               .title = "Frame finish",
               .asked = [](const Piece& p) { return ofFramed(p, "Finish of the frame"); }}),
          of<&Piece::frame, &FramePart::foot>(
              {.key = "frame.foot",
               .column = "foot",
               .title = "Foot",
               .kind = FieldKind::Choice,
               .asked = [](const Piece& p) { return ofFramed(p, isMirror(p.kind) ? "" : "Foot of the picture"); },
               .choices = kFeet})};
}

/// What is on the back of a frame.
std::vector<PieceField> hangerFields() {
  return {
      of<&Piece::hanger, &HangerPart::kind>({.key = "frame.hanger.kind",
                                             .column = "hanger",
                                             .title = "Hanger",
                                             .kind = FieldKind::Choice,
                                             .asked = [](const Piece& p) { return ofFramed(p, "Hangs by"); },
                                             .choices = kHangers}),
      of<&Piece::hanger, &HangerPart::hooks>({.key = "frame.hanger.hooks",
                                              .column = "hooks",
                                              .title = "Hooks",
                                              .kind = FieldKind::Whole,
                                              .asked = [](const Piece& p) { return ofFramed(p, "Hooks in the wall"); },
                                              .low = 1,
                                              .high = 2,
                                              .hint = "One hook or two: more cannot be made to share a load",
                                              .name = "hooks",
                                              .unsound = "hangs on neither one hook nor two",
                                              .unsoundHint = "One hook or two: more cannot be made to share a load"}),
      of<&Piece::hanger, &HangerPart::drop>(onItsBack(
          "frame.hanger.drop", "drop", "Drop", [](const Piece& p) { return ofFramed(p, "Drop of the hanger"); })),
      of<&Piece::hanger, &HangerPart::hookSpread>(
          onItsBack("frame.hanger.hookSpread", "hook spread", "Hook spread",
                    [](const Piece& p) { return ofFramed(p, "Hook to hook"); })),
      of<&Piece::hanger, &HangerPart::rings>(onItsBack("frame.hanger.rings", "rings", "Rings",
                                                       [](const Piece& p) { return ofFramed(p, "Ring to ring"); })),
      of<&Piece::hanger, &HangerPart::ringDrop>(
          onItsBack("frame.hanger.ringDrop", "ring drop", "Ring drop",
                    [](const Piece& p) { return ofFramed(p, "Rings below the top"); })),
      of<&Piece::hanger, &HangerPart::wire>(onItsBack(
          "frame.hanger.wire", "wire", "Wire", [](const Piece& p) { return ofFramed(p, "Length of the wire"); }))};
}

/// Mirrors and televisions.
std::vector<PieceField> glassFields() {
  return {of<&Piece::mirror, &MirrorPart::looksAs>(
              {.key = "mirror.looksAs",
               .column = "looks as",
               .title = "Looks as",
               .kind = FieldKind::Choice,
               .asked = [](const Piece& p) -> Words { return isMirror(p.kind) ? "One looks in it at" : ""; },
               .choices = kLooks}),
          of<&Piece::screen, &ScreenPart::width>(
              {.key = "screen.width",
               .column = "screen width",
               .title = "Screen width",
               .asked = [](const Piece& p) { return ofScreen(p, "Width of the screen"); },
               .name = "screen width"}),
          of<&Piece::screen, &ScreenPart::height>(
              {.key = "screen.height",
               .column = "screen height",
               .title = "Screen height",
               .asked = [](const Piece& p) { return ofScreen(p, "Height of the screen"); },
               .name = "screen height"})};
}

}  // namespace

std::vector<PieceField> wallFields() {
  std::vector<PieceField> out = frameFields();
  for (const auto& more : {hangerFields(), glassFields()}) out.insert(out.end(), more.begin(), more.end());
  return out;
}

}  // namespace mezzet
