#include "core/choose/ties.h"

#include <algorithm>

#include "core/base/sentence.h"
#include "core/colour/names.h"
#include "core/colour/palette.h"
#include "core/rules/base/names.h"
#include "core/rules/base/words.h"

namespace mezzet {
namespace {

struct Here {
  std::string of, srgb;
  Lab lab;
};

std::vector<Here> coloursHere(const Job& job, const Scheme& scheme, const PlacementId& without,
                              const PicturesByName& pictures) {
  std::vector<Here> out;
  const PieceIndex pieces(job);
  const auto add = [&](const std::string& of, const std::string& srgb) {
    if (const auto colour = readColour(srgb)) out.push_back({of, srgb, labOf(*colour)});
  };
  for (const Placement& p : scheme.placements) {
    if (p.id == without) continue;
    for (const ColourShare& c : coloursOf(pieces.of(p), pictures))
      if (c.share >= kLeastShare) add(p.id.value, c.srgb);
  }
  for (const Corner& corner : roomOf(job, scheme).corners)
    if (!corner.colour.empty()) add("wall:" + corner.id.value, corner.colour);
  return out;
}

}  // namespace

PictureColours coloursOfPicture(const std::vector<std::array<double, 3>>& srgb, std::size_t width) {
  PictureColours out;
  for (const PaletteColour& c : paletteOf(srgb, kMostPaletteColours, 1)) out.palette.push_back({c.srgb, c.share});
  const std::size_t rows = width > 0 ? srgb.size() / width : 0;
  double sum = 0;
  std::size_t n = 0;
  for (std::size_t i = (rows - rows / 3) * width; i < rows * width; ++i, ++n) sum += lightnessOf(srgb[i]);
  if (n > 0) out.footLightness = sum / static_cast<double>(n);
  return out;
}

std::vector<ColourShare> coloursOf(const Piece& piece, const PicturesByName& pictures) {
  std::vector<ColourShare> out = piece.thing->colours;
  if (out.empty())
    if (const auto at = pictures.find(piece.image); !piece.image.empty() && at != pictures.end())
      out = at->second.palette;
  std::stable_sort(out.begin(), out.end(), [](const auto& a, const auto& b) { return a.share > b.share; });
  return out;
}

const char* tieWord(Tie tie) { return tie == Tie::Echoes ? "echoes" : tie == Tie::Near ? "near" : "new"; }

Ties tiesOf(const Job& job, const Scheme& scheme, const PlacementId& at, const Piece& piece,
            const PicturesByName& pictures) {
  Ties out;
  const std::vector<Here> here = coloursHere(job, scheme, at, pictures);
  std::map<std::string, double> echoed;
  for (const ColourShare& c : coloursOf(piece, pictures)) {
    const auto colour = readColour(c.srgb);
    if (!colour || c.share < kLeastShare) continue;
    ColourTie tie{c.srgb, c.share, {}, {}, 0, Tie::New};
    const Lab lab = labOf(*colour);
    for (const Here& other : here) {
      const double off = deltaE00(lab, other.lab);
      if (!tie.nearest.empty() && off >= tie.deltaE00) continue;
      tie.nearest = other.of;
      tie.nearestSrgb = other.srgb;
      tie.deltaE00 = off;
    }
    if (!tie.nearest.empty())
      tie.tie = tie.deltaE00 <= kEchoes ? Tie::Echoes : tie.deltaE00 <= kNear ? Tie::Near : Tie::New;
    if (tie.tie == Tie::Echoes) echoed[tie.nearest] += tie.share;
    out.colours.push_back(std::move(tie));
  }
  if (const auto picture = pictures.find(piece.image); picture != pictures.end() && picture->second.footLightness)
    out.foot = *picture->second.footLightness < kDarkFoot ? Foot::Dark : Foot::Light;
  const SchemeNames names(job, scheme);
  for (const auto& [of, share] : echoed)
    if (share > kRepeats)
      out.says.push_back(std::to_string(std::lround(100 * share)) + " % of it repeats " +
                         thingWords(names, roomOf(job, scheme), of) + ".");
  if (out.foot == Foot::Dark && piece.frame->foot != Foot::Dark)
    out.says.emplace_back("Its lower third is dark: noted as a dark foot, it hangs a little higher.");
  if (out.colours.empty()) out.says.emplace_back("Its colours are not known: type them, or give it a picture.");
  else if (here.empty())
    out.says.emplace_back("Nothing else here has a colour yet: type those of the rug, the sofa, the walls.");
  return out;
}

std::string tieSentence(const Job& job, const Scheme& scheme, const Ties& ties) {
  const SchemeNames names(job, scheme);
  // What each colour is tied to, named once with all its colours.
  std::vector<std::pair<std::string, std::vector<std::string>>> groups;
  for (const Tie tie : {Tie::Echoes, Tie::Near, Tie::New})
    for (const ColourTie& t : ties.colours) {
      if (t.tie != tie) continue;
      std::string of = "new here";
      if (tie != Tie::New)
        of = (tie == Tie::Echoes ? "echoes " : "near ") + thingWords(names, roomOf(job, scheme), t.nearest);
      auto group = std::find_if(groups.begin(), groups.end(), [&](const auto& g) { return g.first == of; });
      if (group == groups.end()) group = groups.insert(group, {of, {}});
      const std::string colour = nameOfColour(t.srgb);
      if (std::find(group->second.begin(), group->second.end(), colour) == group->second.end())
        group->second.push_back(colour);
    }
  std::string out;
  for (const auto& [of, colours] : groups) out += (out.empty() ? "" : "; ") + of + ": " + listWords(colours);
  return out.empty() ? out : capital(out) + ".";
}

}  // namespace mezzet
