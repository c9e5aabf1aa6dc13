#include "core/edit/displays.h"

#include <algorithm>
#include <set>

#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/edit/validate_display.h"

namespace mezzet {
namespace {

constexpr double kLeastBay = 1 * kInch;  // lower ones hold nothing

}  // namespace

Piece withEqualBays(Piece piece, int shelves) {
  const double height = piece.height.value_or(0), board = kUsualBoard;
  std::vector<Surface> all;
  if (shelves >= 1 && height > (shelves + 1) * board + shelves * kLeastBay && piece.width > 2 * board + kLeastBay) {
    const double bay = (height - (shelves + 1) * board) / shelves;
    for (int i = 0; i < shelves; ++i) {
      Surface s;
      s.id = "b" + std::to_string(i + 1);
      s.left = -piece.width / 2 + board;
      s.right = piece.width / 2 - board;
      s.bottom = board + i * (bay + board);
      s.top = s.bottom + bay;
      s.thickness = board;
      all.push_back(std::move(s));
    }
  }
  piece.surfaces.edit().all = std::move(all);
  return piece;
}

Job withDisplay(const Job& job, const SchemeId& id, DisplaySet display) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Scheme changed = *scheme;
  const auto at = std::find_if(changed.displays.begin(), changed.displays.end(),
                               [&](const DisplaySet& d) { return d.carrier == display.carrier; });
  const bool empty = display == DisplaySet{display.carrier};
  if (at == changed.displays.end()) {
    if (empty) return job;
    changed.displays.push_back(std::move(display));
  } else if (empty) changed.displays.erase(at);
  else *at = std::move(display);
  return withScheme(job, std::move(changed));
}

Result<Job> withSurfaces(const Job& job, const PieceId& id, std::vector<Surface> surfaces) {
  const Piece* piece = findPiece(job, id);
  if (piece == nullptr) return job;
  Piece changed = *piece;
  changed.surfaces.edit().all = std::move(surfaces);
  return withPiece(job, std::move(changed));
}

Job withRestrained(const Job& job, const SchemeId& scheme, const PlacementId& id, bool restrained) {
  const Scheme* found = findScheme(job, scheme);
  const Placement* p = found != nullptr ? findPlacement(*found, id) : nullptr;
  if (p == nullptr) return job;
  Placement changed = *p;
  changed.restrained = restrained;
  return withPlacement(job, scheme, std::move(changed));
}

Job withDisplayCleared(const Job& job, const SchemeId& id, const std::string& carrier, const std::string& date) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  std::string went, stayed;
  Job out = job;
  for (const Placement& p : scheme->placements) {
    const auto* on = onAnother(p.on);
    if (on == nullptr || (on->fixed.empty() ? on->carrier.value : on->fixed) != carrier) continue;
    std::string& list = p.locked ? stayed : went;
    list += (list.empty() ? "" : ", ") + pieceOf(job, p).name;
    if (!p.locked) out = withoutPlacement(out, id, p.id);
  }
  if (went.empty()) return job;
  Scheme noted = *findScheme(out, id);
  noted.log.push_back(
      {LogKind::Decision, date, "Cleared. Went: " + went + "." + (stayed.empty() ? "" : " Stayed: " + stayed + ".")});
  return withScheme(out, std::move(noted));
}

Result<Job> withPalette(const Job& job, ColourPalette palette) {
  if (auto fault = faultOfPalette(palette, "the job's colours")) return *fault;
  Job out = job;
  out.palette = std::move(palette);
  return out;
}

Scheme withoutLostDisplays(Scheme scheme, const Room& room) {
  std::set<std::string> fixed;
  for (const Feature& f : room.features) fixed.insert(f.id.value);
  for (const Opening& o : room.openings) fixed.insert(o.id.value);
  std::set<std::string> there;
  for (std::size_t before = scheme.placements.size() + 1; before != scheme.placements.size();) {
    before = scheme.placements.size();
    there.clear();
    for (const Placement& p : scheme.placements) there.insert(p.id.value);
    std::erase_if(scheme.placements, [&](const Placement& p) {
      const auto* on = onAnother(p.on);
      return on != nullptr && (on->fixed.empty() ? !there.contains(on->carrier.value) : !fixed.contains(on->fixed));
    });
  }
  std::erase_if(scheme.displays,
                [&](const DisplaySet& d) { return !there.contains(d.carrier) && !fixed.contains(d.carrier); });
  return scheme;
}

Job withoutLostDisplays(Job job, const RoomId& id) {
  const Room* room = findRoom(job, id);
  for (Shared<Scheme>& scheme : job.schemes) {
    if (room == nullptr || scheme->room != id) continue;
    const bool any = !scheme->displays.empty() || std::any_of(scheme->placements.begin(), scheme->placements.end(),
                                                              [](const Placement& p) { return onAnother(p.on); });
    if (!any) continue;
    if (Scheme sound = withoutLostDisplays(*scheme, *room); sound != *scheme)
      scheme = std::make_shared<const Scheme>(std::move(sound));
  }
  return job;
}

void renameDisplays(Scheme& scheme, const std::map<std::string, std::string>& renamed) {
  for (DisplaySet& d : scheme.displays)
    if (const auto now = renamed.find(d.carrier); now != renamed.end()) d.carrier = now->second;
}

}  // namespace mezzet
