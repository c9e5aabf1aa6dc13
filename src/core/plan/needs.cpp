#include "core/plan/needs.h"

#include <algorithm>
#include <functional>

#include "core/display/display.h"
#include "core/hang/nails.h"
#include "core/model/kinds.h"
#include "core/plan/dates.h"
#include "core/rules/base/hook_school.h"

namespace mezzet {
namespace {

constexpr std::size_t kLargeCase = 3;  // bays from which a case counts as a large one [D]

bool any(const Job& job, const Scheme& scheme, const std::function<bool(const Piece&, const Place&)>& is) {
  return std::any_of(scheme.placements.begin(), scheme.placements.end(),
                     [&](const Placement& p) { return is(pieceOf(job, p), p.on); });
}
bool wired(const Piece& piece, const Place& on) {
  return onCeiling(on) != nullptr || (onWall(on) != nullptr && mountOf(piece).has_value());
}
bool builtShelf(const Piece& piece, const Place& on) {
  return onWall(on) != nullptr && (isLedge(piece.kind) || isShelf(piece.kind));
}
bool hungThing(const Piece& piece, const Place& on) {
  return onWall(on) != nullptr && !mountOf(piece) && !isLedge(piece.kind) && !isShelf(piece.kind);
}
bool coloured(const Room& room) {
  return std::any_of(room.corners.begin(), room.corners.end(), [](const Corner& c) { return !c.colour.empty(); });
}

double displayMinutes(const Job& job, const Rulebook& book, const Scheme& scheme) {
  std::vector<std::string> carriers;
  double out = 0;
  for (const Placement& p : scheme.placements) {
    const auto* on = onAnother(p.on);
    if (on == nullptr || !isDisplayed(pieceOf(job, p).kind)) continue;
    const std::string id = on->carrier.value;
    if (std::find(carriers.begin(), carriers.end(), id) != carriers.end()) continue;
    carriers.push_back(id);
    const Placement* carrier = findPlacement(scheme, on->carrier);
    const bool large = carrier != nullptr && pieceOf(job, *carrier).surfaces->all.size() >= kLargeCase;
    out += large ? book.tasks.times.bookcase : book.tasks.times.table;
  }
  return out;
}

}  // namespace

TaskNeed needOf(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme, std::string_view task) {
  const bool wires = any(job, scheme, wired), media = any(job, scheme, [](const Piece&p, const Place&on) {
                                                return isScreen(p.kind) && onWall(on) != nullptr;
                                              });
  const auto brings = [&](std::string_view kind) {
    return any(job, scheme, [&](const Piece& p, const Place& on) { return taskBringing(p, on) == kind; });
  };
  if (task == "survey") return {!room.survey.has_value()};
  if (task == "strip") return {!scheme.takesOut.empty() || scheme.carpet.has_value()};
  if (task == "first-fix" || task == "second-fix") return {wires};
  if (task == "battens") return {media};
  if (task == "plaster") return {wires || media || !scheme.takesOut.empty()};
  if (task == "paint") return {coloured(room) || wires || media || !scheme.takesOut.empty()};
  if (task == "floor") return {scheme.carpet.has_value()};
  if (task == "built-shelf" || task == "varnish") return {any(job, scheme, builtShelf)};
  if (task == "furniture" || task == "rugs") return {brings(task)};
  if (task == "hang") {
    if (!any(job, scheme, hungThing)) return {};
    return {true, hangCount(job, book, room, scheme).minutes};
  }
  if (task == "displays") {
    const double minutes = displayMinutes(job, book, scheme);
    return {minutes > 0, minutes};
  }
  if (task == "photographs") return {!scheme.placements.empty()};
  return {};
}

std::string_view taskBringing(const Piece& piece, const Place& on) {
  if (wired(piece, on)) return "second-fix";
  if (builtShelf(piece, on)) return "built-shelf";
  if (onWall(on) != nullptr || leaning(on) != nullptr) return "hang";
  if (isRug(piece.kind)) return "rugs";
  if (isDisplayed(piece.kind)) return "displays";
  return "furniture";
}

std::optional<int> leadOf(const Order* order, const Piece& piece) {
  if (order != nullptr && order->leadDays) return order->leadDays;
  return piece.shop->leadDays;
}

NailPlan nailsOf(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme, const CornerId& wall,
                 LengthFormat format) {
  NailAsk ask;
  ask.wall = wall;
  ask.school = hookSchool(job, book);
  return nailPlan(job, room, scheme, book.fixings, ask, format);
}

HangCount hangCount(const Job& job, const Rulebook& book, const Room& room, const Scheme& scheme) {
  HangCount out;
  for (const Wall& wall : wallsOf(room)) {
    const NailPlan plan = nailsOf(job, book, room, scheme, wall.id, usualFormat(job.units));
    out.nails += static_cast<int>(plan.nails.size() + plan.unknown.size());
  }
  for (const Hung& hung : hungIn(job, scheme))
    if (hung.members.size() > 1) out.templates += static_cast<int>(hung.members.size());
  out.minutes = out.nails * book.tasks.times.nail + out.templates * book.tasks.times.templ;
  return out;
}

}  // namespace mezzet
