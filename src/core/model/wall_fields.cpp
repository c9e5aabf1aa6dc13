#include "core/model/wall_fields.h"

#include "core/model/field_makers.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::string_view kFeet[] = {"dark", "light"}, kLooks[] = {"face", "full", "space"},
                           kGlazing[] = {"no", "yes"};

using Words = std::string_view;
Words ofFramed(const Piece& p, Words words) { return hasFrame(p.kind) ? words : ""; }
Words ofScreen(const Piece& p, Words words) { return isScreen(p.kind) ? words : ""; }

}  // namespace

std::vector<PieceField> wallFields() {
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
               .choices = kFeet}),
          of<&Piece::mirror, &MirrorPart::looksAs>(
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

}  // namespace mezzet
