#include "core/hang/hooks.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kHookHair = 1e-9;
constexpr double kDegree = std::numbers::pi / 180;
// Guessed weights [D].
constexpr double kPlain = 8, kBehindGlass = 12;          // kg per m2 of a picture
constexpr double kMirrorGlass = 2.5 * 4, kMoulding = 3;  // kg per m2 of 4 mm, kg per m of frame

HookMissing missing(std::string_view member, const char* words, std::optional<double> usual = std::nullopt) {
  return {"frame.hanger." + std::string(member), words, usual};
}

/// Two of them, each on a hook of its own.
bool isPair(const HangerPart& h) { return h.kind == HangerKind::Rings || h.kind == HangerKind::Keyhole; }

}  // namespace

Result<double> wireSag(double wire, double rings, int hooks, double spread) {
  if (!(wire > rings))
    return Error{"the wire", "is no longer than its rings are apart", "Measure it from ring to ring, along the wire"};
  if (hooks == 1) return std::sqrt(wire * wire / 4 - rings * rings / 4);
  if (!(spread < rings))
    return Error{"the hooks", "are as far apart as the rings, or further", "Set them nearer than the rings"};
  const double half = (wire - spread) / 2, across = (rings - spread) / 2;
  return std::sqrt(half * half - across * across);
}

double wireAngle(double sag, double wire, int hooks, double spread) {
  const double sine = 2 * sag / (hooks == 1 ? wire : wire - spread);
  return std::asin(std::clamp(sine, 0.0, 1.0)) / kDegree;
}

double wireTension(double load, double degrees) { return load / (2 * std::sin(degrees * kDegree)); }

HookLoads hookLoads(double load, double left, double right, double mass) {
  if (std::abs(right - left) <= kHookHair) return {load / 2, load / 2};
  const double first = load * (right - mass) / (right - left);
  return {first, load - first};
}

std::optional<FrameWeight> weightOf(const Piece& piece) {
  if (piece.shop->weight) return FrameWeight{*piece.shop->weight, false};
  if (!piece.height) return std::nullopt;
  const double width = piece.width / 1000, height = *piece.height / 1000;
  if (isMirror(piece.kind)) return FrameWeight{kMirrorGlass * width * height + kMoulding * 2 * (width + height), true};
  if (isArt(piece.kind))
    return FrameWeight{(piece.frame->glazed.value_or(false) ? kBehindGlass : kPlain) * width * height, true};
  return std::nullopt;
}

bool asksTwoHooks(const Piece& piece) {
  const auto weight = weightOf(piece);
  return piece.width >= kTwoHooksWide - kHookHair || (weight && weight->kg >= kTwoHooksFrom - kHookHair);
}

int hookCount(const Piece& piece, HookSchool school) {
  const HangerPart& h = *piece.hanger;
  const bool single = h.kind == HangerKind::Sawtooth || h.kind == HangerKind::Ring;
  const bool asksTwo = school == HookSchool::Two && !single && asksTwoHooks(piece);
  return h.hooks.value_or(isPair(h) || asksTwo ? 2 : 1);
}

std::optional<double> usualDrop(HangerKind kind) {
  switch (kind) {
    case HangerKind::Wire: return 3 * kInch;
    case HangerKind::Sawtooth: return 0.5 * kInch;
    case HangerKind::Ring:
    case HangerKind::Rings:
    case HangerKind::Cleat: return 2 * kInch;
    case HangerKind::Keyhole: return std::nullopt;
  }
  return std::nullopt;
}

HooksFound hooksOf(const Piece& piece, HookSchool school, LengthFormat format) {
  HooksFound out;
  const HangerPart& h = *piece.hanger;
  const bool wire = h.kind == HangerKind::Wire, pair = isPair(h);
  const int hooks = hookCount(piece, school);
  if (!h.kind && !h.drop) out.missing.push_back(missing("kind", "what it hangs by"));

  // Two rings or keyholes hang on two hooks that stand as they do.
  std::optional<double> spread = h.hookSpread;
  if (!spread && pair) spread = h.rings;
  if (hooks == 2 && !spread)
    out.missing.push_back(
        pair ? missing("rings", "how far its rings are apart")
             : missing("hookSpread", "how far the two hooks are apart", h.rings ? *h.rings / 2 : piece.width / 3));

  Hooks found;
  std::optional<double> drop = h.drop;
  if (wire && h.wire && h.rings && h.ringDrop && (hooks == 1 || spread)) {
    const auto sag = wireSag(*h.wire, *h.rings, hooks, spread.value_or(0));
    if (!sag) {
      out.fault = sag.error().text();
      return out;
    }
    found.wireDegrees = wireAngle(*sag, *h.wire, hooks, spread.value_or(0));
    if (!drop) drop = *h.ringDrop - *sag;
  }
  if (!drop)
    out.missing.push_back(
        missing("drop", "how far below its top the hook bears", h.kind ? usualDrop(*h.kind) : std::nullopt));
  if (!out.missing.empty()) return out;

  found.drop = *drop;
  if (hooks == 1) found.across = {h.offset};
  else found.across = {h.offset - *spread / 2, h.offset + *spread / 2};
  if (std::abs(found.across.front()) > piece.width / 2 || std::abs(found.across.back()) > piece.width / 2 ||
      found.drop > piece.height.value_or(0)) {
    out.fault = "the hooks would stand outside the frame: check what was measured on its back.";
    return out;
  }
  if (found.drop < kHookShows - kHookHair)
    found.says.push_back(found.drop < 0 ? "The hook shows: it bears " + writeLength(-found.drop, format) +
                                              " above the frame. A shorter wire hangs lower."
                                        : "The hook shows: it bears only " + writeLength(found.drop, format) +
                                              " below the frame's top.");
  if (found.wireDegrees && *found.wireDegrees < kFlatWire)
    found.says.push_back("The wire is dangerously flat: it pulls with " +
                         std::to_string(std::lround(100 * wireTension(1, *found.wireDegrees))) +
                         " % of the load. Take a longer one.");
  else if (found.wireDegrees && *found.wireDegrees < kSteepWire)
    found.says.push_back("The wire pulls with " +
                         std::to_string(std::lround(100 * wireTension(1, *found.wireDegrees))) +
                         " % of the load: rate it for that.");
  out.hooks = std::move(found);
  return out;
}

}  // namespace mezzet
