// One wall with every nail from one end and one level line, and a table of hooks, loads, fixings and studs under it.
#include <algorithm>
#include <cmath>
#include <map>

#include "core/drawing/base/drafting.h"
#include "core/drawing/wall/nail_marks.h"
#include "core/hang/nails.h"
#include "core/hang/neighbours.h"
#include "core/rules/base/names.h"
#include "core/sheets/frame.h"
#include "core/sheets/set_out_lines.h"
#include "core/sheets/wall_subject.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

constexpr double kTagRow = 7.5, kFirstTag = 6, kTagsApart = 2 * kTagCircle + 0.6;  // mm of paper

std::string hookWords(const Piece& piece, const Nail& nail, bool two) {
  constexpr const char* kKinds[] = {"wire", "teeth", "ring", "rings", "cleat", "keyhole"};
  const std::string kind = piece.hanger->kind ? kKinds[static_cast<std::size_t>(*piece.hanger->kind)] : "hook";
  return kind + (two ? (nail.hook == 1 ? ", left" : ", right") : "");
}

/// What heights count from: over a flight each nail's own tread.
std::string floorWord(const SheetSource& s, const NailPlan& plan) {
  const auto wall = findWall(s.room, CornerId(s.subject));
  if (!wall) return "Floor";
  const std::vector<StairWall> flights = stairsAlong(s.room, heightsOf(s.room), *wall);
  const bool over = std::any_of(plan.nails.begin(), plan.nails.end(),
                                [&](const Nail& n) { return flightAt(flights, n.u) != nullptr; });
  return over ? "Floor, tread" : "Floor";
}

/// Each fixing that is used, and how many.
std::map<std::string, int> hardware(const NailPlan& plan) {
  std::map<std::string, int> counts;
  for (const Nail& nail : plan.nails)
    if (!nail.fixings.empty()) ++counts[nail.fixings.front()];
  return counts;
}
/// "a", "b" ...: as the list under the table has it.
std::string fixingLetter(const NailPlan& plan, const std::string& id) {
  const auto all = hardware(plan);
  return std::string(1, static_cast<char>('a' + std::distance(all.begin(), all.find(id)) % 26));
}

bool studsKnown(const NailPlan& plan) {
  return std::any_of(plan.nails.begin(), plan.nails.end(),
                     [](const Nail& n) { return n.stud != StudVerdict::Unknown; });
}

std::vector<std::vector<std::string>> tableOf(const SheetSource& s, const NailPlan& plan,
                                              const std::vector<Fixing>& fixings) {
  const SchemeNames names(s.job, *s.scheme);
  const PieceIndex pieces(s.job);
  LengthFormat bare = s.request.format;
  bare.withUnit = false;
  std::map<PlacementId, int> hooks;
  for (const Nail& nail : plan.nails) ++hooks[nail.placement];
  std::vector<std::vector<std::string>> rows{{"Nail", "Frame",
                                              s.request.nailsFromRight ? "From the right" : "From the left", "Line",
                                              floorWord(s, plan), "Hook", "Load", "Fixing", "Stud"}};
  for (const Nail& nail : plan.nails) {
    const Placement& p = *findPlacement(*s.scheme, nail.placement);
    const Piece& piece = pieces.of(p);
    const WallRect r = wallRectOf(piece, *onWall(p.on));
    const Fixing* fixing = nail.fixings.empty() ? nullptr : findFixing(fixings, nail.fixings.front());
    rows.push_back(
        {std::to_string(nail.order) + (nail.near.empty() ? "" : " !"),
         names.plain(nail.placement) + ", " + writeLength(r.width(), bare) + " x " + writeLength(r.height(), bare),
         writeLength(nail.fromEnd, bare),
         writeLength(std::abs(nail.aboveLine), bare) + (nail.aboveLine < 0 ? " below" : " above"),
         writeLength(nail.aboveFloor, bare), hookWords(piece, nail, hooks[nail.placement] > 1),
         nail.load ? (nail.guess ? "about " : "") + writeWeight(*nail.load, s.job.units) : "not known",
         fixing != nullptr ? fixingLetter(plan, fixing->id)
         : nail.load       ? "none"
                           : "-",
         studWords(nail, bare)});
  }
  // What is known of none of them is said once below, not in every row.
  for (auto& row : rows) {
    if (!studsKnown(plan)) row.erase(row.begin() + 8);
    if (!plan.wallKnown) row.erase(row.begin() + 7);
  }
  return rows;
}

/// What is bought: each fixing by its letter, and how many.
std::string hardwareWords(const NailPlan& plan, const std::vector<Fixing>& fixings) {
  std::string out;
  for (const auto& [id, n] : hardware(plan))
    if (const Fixing* f = findFixing(fixings, id))
      out += (out.empty() ? "" : "; ") + fixingLetter(plan, id) + ", " + std::to_string(n) + " x " + f->words;
  return out.empty() ? out : "To bring: " + out + ". The packet decides what it bears.";
}

/// Above the wall, on each nail's own line: the lowest row in which its number meets no other.
std::vector<std::size_t> tagRows(const NailPlan& plan, double scale) {
  std::vector<std::size_t> out;
  for (std::size_t i = 0; i < plan.nails.size(); ++i) {
    const auto taken = [&](std::size_t row) {
      for (std::size_t k = 0; k < i; ++k)
        if (out[k] == row && std::abs(plan.nails[k].u - plan.nails[i].u) < kTagsApart * scale) return true;
      return false;
    };
    std::size_t row = 0;
    while (taken(row)) ++row;
    out.push_back(row);
  }
  return out;
}

Drawing composeNails(const SheetSource& s, int scale) {
  const CornerId id(s.subject);
  Drawing d = composeSheetWall(s, scale, true, false);
  const auto wall = findWall(s.room, id);
  if (s.scheme == nullptr || !wall) return d;
  static const std::vector<Fixing> none;
  const std::vector<Fixing>& fixings = s.request.book != nullptr ? s.request.book->fixings : none;
  const NailPlan plan = sheetNails(s, id);
  const SchemeNames names(s.job, *s.scheme);
  LengthFormat bare = s.request.format;
  bare.withUnit = false;

  std::vector<WallRect> frames;
  for (const Placement& p : s.scheme->placements)
    if (const auto* place = onWall(p.on); place != nullptr && place->wall == id) {
      frames.push_back(wallRectOf(pieceOf(s.job, p), *place));
      std::erase_if(d.labels, [&](const Label& label) { return label.id == ItemId(p.id.value); });
    }
  double ceiling = 0;
  for (const Vec2 p : ceilingProfile(s.room, heightsOf(s.room), *wall)) ceiling = std::max(ceiling, p.y);
  const double length = wall->length(), above = ceiling + kElevationCut, end = plan.end == WallEnd::Left ? 0 : length;
  const std::vector<std::size_t> rows = tagRows(plan, scale);
  const auto rowAt = [&](std::size_t row) {
    return above + (kFirstTag + kTagRow * static_cast<double>(row)) * d.scale;
  };
  const double running = rowAt(rows.empty() ? 0 : *std::max_element(rows.begin(), rows.end()) + 1);
  addLevelLine(d, s.request.levelLine.value_or(kLevelLine), length, Layer::Dimension, s.request.format);
  addNailCrosses(d, plan, Layer::Dimension);
  std::vector<double> stops;
  for (std::size_t i = 0; i < plan.nails.size(); ++i) {
    addExtension(d, frames, plan.nails[i].v, running, plan.nails[i].u, true);
    stops.push_back(plan.nails[i].fromEnd);
  }
  // The numbers over the lines.
  for (std::size_t i = 0; i < plan.nails.size(); ++i) {
    const Vec2 at{plan.nails[i].u, rowAt(rows[i])};
    d.add(Layer::Label, plan.nails[i].placement.value, ArcItem{at, kTagCircle * d.scale, 0, 360, Ink::Paper, thin()});
    d.add(Layer::Label, plan.nails[i].placement.value,
          TextItem{at, std::to_string(plan.nails[i].order), kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None});
  }
  addRunning(d, {end, running}, {plan.end == WallEnd::Left ? 1.0 : -1.0, 0}, stops, bare);
  d.high.y = std::max(d.high.y, running + 14 * d.scale);
  if (!plan.nails.empty()) addColumns(d, tableOf(s, plan, fixings));

  std::vector<std::string> lines;
  for (const Hung& hung : hungIn(s.job, *s.scheme))
    if (hung.wall == id && hung.members.size() > 1) {
      std::string gaps;
      for (const HungPair& pair : spanningPairs(PieceIndex(s.job), *s.scheme, hung.members))
        gaps += (gaps.empty() ? "" : ", ") + writeLength(pair.gap, bare);
      lines.push_back("Gaps between frames: " + gaps + ".");
    }
  if (!plan.nails.empty() && !plan.wallKnown)
    lines.emplace_back("What this wall is made of is not known: fixings wait for it.");
  if (plan.wallKnown &&
      std::any_of(plan.nails.begin(), plan.nails.end(), [](const Nail& n) { return n.load && n.fixings.empty(); }))
    lines.emplace_back("Where no fixing fits, ask a fitter.");
  if (!plan.nails.empty() && !studsKnown(plan)) lines.emplace_back("No stud is known here: knock, or detect.");
  if (const std::string hardware = hardwareWords(plan, fixings); !hardware.empty()) lines.push_back(hardware);
  for (const auto& [of, sentence] : plan.says) lines.push_back(names.plain(of) + ": " + sentence);
  for (const Nail& nail : plan.nails)
    if (!nail.clear.empty())
      lines.push_back("Nail " + std::to_string(nail.order) + ": detected, clear " + nail.clear + ".");
  for (const UnknownNails& u : plan.unknown)
    lines.push_back(names.plain(u.placement) + ": " +
                    (u.fault.empty() ? "not known: " + missingWords(u) + "." : u.fault));
  if (plan.nails.empty() && plan.unknown.empty()) lines.push_back("Nothing hangs here yet.");
  for (const std::string& caution : plan.cautions) lines.push_back(caution);
  addListBelow(d, lines);
  return d;
}

std::string headingNails(const SheetSource& s) {
  return "Nails, wall " + s.subject + ": from the " + (s.request.nailsFromRight ? "right" : "left") +
         " end, one level line";
}

}  // namespace

const SheetRow& nailSheetRow() {
  static constexpr SheetRow row{.id = "nails",
                                .title = "nails of wall",
                                .compose = composeNails,
                                .heading = headingNails,
                                .fitsByScheme = true,
                                .close = true,
                                .subjects = wallSubjects,
                                .offered = anythingHangs};
  return row;
}

}  // namespace mezzet
