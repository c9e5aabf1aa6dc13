#include "core/display/colours.h"

#include <algorithm>

#include "core/model/kinds.h"

namespace mezzet {
namespace {

std::optional<Lab> labAt(const std::string& srgb) {
  const auto colour = readColour(srgb);
  return colour ? std::optional(labOf(*colour)) : std::nullopt;
}

double nearestOf(const std::vector<Lab>& all, const Lab& lab) {
  double out = 1e9;
  for (const Lab& one : all) out = std::min(out, deltaE00(one, lab));
  return out;
}

std::vector<Lab> labsOf(const std::vector<std::string>& all) {
  std::vector<Lab> out;
  for (const std::string& c : all)
    if (const auto lab = labAt(c)) out.push_back(*lab);
  return out;
}

}  // namespace

std::string mainColour(const Piece& piece) {
  const auto& all = piece.thing->colours;
  const auto at =
      std::max_element(all.begin(), all.end(), [](const auto& a, const auto& b) { return a.share < b.share; });
  return at == all.end() ? std::string() : at->srgb;
}

PaletteReader::PaletteReader(const ColourPalette& palette)
    : mains_(labsOf(palette.main)), accents_(labsOf(palette.accent)) {
  for (const ReadsAs& r : palette.readsAs)
    if (const auto from = labAt(r.from), to = labAt(r.to); from && to) readsAs_.emplace_back(*from, *to);
}

std::optional<Lab> PaletteReader::read(const std::string& srgb) const {
  const auto lab = labAt(srgb);
  if (!lab) return std::nullopt;
  for (const auto& [from, to] : readsAs_)
    if (deltaE00(from, *lab) <= kColourFamily) return to;
  return lab;
}

std::optional<PaletteReader::Off> PaletteReader::offOf(const std::string& srgb) const {
  const auto [at, fresh] = known_.try_emplace(srgb);
  if (!fresh) return at->second;
  if (const auto lab = read(srgb)) at->second = Off{nearestOf(mains_, *lab), nearestOf(accents_, *lab)};
  return at->second;
}

std::optional<double> PaletteReader::strayOf(const std::string& srgb) const {
  const auto off = empty() ? std::nullopt : offOf(srgb);
  return off ? std::optional(std::min(off->main, off->accent)) : std::nullopt;
}

bool PaletteReader::isAccent(const std::string& srgb) const {
  const auto off = accents_.empty() ? std::nullopt : offOf(srgb);
  return off && off->accent < off->main;
}

std::vector<SharedColour> coloursOf(const Display& d) {
  struct Family {
    Lab lab;
    SharedColour colour;
  };
  const PaletteReader reader(d.palette);
  std::vector<std::pair<std::string, double>> areas;
  double all = 0;
  for (const DisplayedThing& thing : d.things)
    for (const ColourShare& c : thing.piece->thing->colours) {
      areas.emplace_back(c.srgb, thing.face() * c.share);
      all += thing.face() * c.share;
    }
  std::stable_sort(areas.begin(), areas.end(), [](const auto& a, const auto& b) { return a.second > b.second; });
  std::vector<Family> families;
  for (const auto& [srgb, area] : areas) {
    const auto lab = reader.read(srgb);
    if (!lab || all <= 0) continue;
    const auto at = std::find_if(families.begin(), families.end(),
                                 [&](const Family& f) { return deltaE00(f.lab, *lab) <= kColourFamily; });
    if (at == families.end()) families.push_back({*lab, {srgb, area / all}});
    else at->colour.share += area / all;
  }
  std::vector<SharedColour> out;
  for (const Family& f : families) out.push_back(f.colour);
  std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.share > b.share; });
  return out;
}

std::optional<double> accentShareOf(const Display& d) {
  const PaletteReader reader(d.palette);
  if (d.palette.accent.empty()) return std::nullopt;
  double accent = 0, all = 0;
  for (const DisplayedThing& thing : d.things)
    for (const ColourShare& c : thing.piece->thing->colours) {
      const double area = thing.face() * c.share;
      all += area;
      if (reader.isAccent(c.srgb)) accent += area;
    }
  return all > 0 ? std::optional(accent / all) : std::nullopt;
}

ColourPalette proposedPalette(const Display& d) {
  constexpr std::size_t kMains = 2;
  ColourPalette out;
  for (const SharedColour& c : coloursOf(d)) {
    if (out.main.size() < kMains) out.main.push_back(c.srgb);
    else if (out.accent.empty()) out.accent.push_back(c.srgb);
  }
  return out;
}

ColourRuns colourRunsOf(const Display& d, std::size_t bay) {
  ColourRuns out;
  const PaletteReader reader(d.palette);
  std::vector<Lab> families;
  std::size_t last = static_cast<std::size_t>(-1);
  for (const DisplayedThing& thing : d.things) {
    if (thing.bay != bay || thing.on != nullptr || !isBookRun(thing.piece->kind)) continue;
    const auto lab = reader.read(mainColour(*thing.piece));
    if (!lab) continue;
    std::size_t family = 0;
    while (family < families.size() && deltaE00(families[family], *lab) > kColourFamily) ++family;
    if (family == families.size()) families.push_back(*lab);
    if (family != last) ++out.runs;
    last = family;
  }
  out.families = static_cast<int>(families.size());
  return out;
}

CoverPaper coverPaper(double height, double width, double spine) {
  return {height + 2 * kInch, 2 * width + spine + 6 * kInch};
}

}  // namespace mezzet
