#include "core/decide/wall_words.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <numbers>

#include "core/colour/colour.h"
#include "core/hang/neighbours.h"
#include "core/model/kinds.h"
#include "core/rules/art/art_case.h"
#include "core/rules/art/mirror_views.h"

namespace mezzet {
namespace {

/// So many things of what a mirror shows are named.
constexpr std::size_t kNamed = 4;
/// Less of a glass than this is not worth a word.
constexpr double kGlimpse = 0.03;
/// Within this of its axis the low sun comes in at a window, degrees [D].
constexpr double kSunWithin = 30;
/// A wall is white from this lightness, and very dark below that [D].
constexpr double kWhiteWall = 85, kDarkWall = 30;

std::string shareWords(double share) { return std::to_string(std::lround(100 * share)) + " %"; }

std::string shownWords(const Situation& s, const MirrorEye& eye) {
  std::vector<Shown> all = eye.sees;
  std::stable_sort(all.begin(), all.end(), [](const Shown& a, const Shown& b) { return a.share > b.share; });
  std::string out;
  for (std::size_t i = 0; i < std::min(all.size(), kNamed); ++i) {
    if (all[i].share < kGlimpse) break;
    const std::string name = all[i].kind == MetKind::Floor     ? "the floor"
                             : all[i].kind == MetKind::Ceiling ? "the ceiling"
                                                               : thingWords(s, all[i].id);
    out += (out.empty() ? "" : ", ") + std::string(all[i].back ? "the back of " : "") + name + " " +
           shareWords(all[i].share);
  }
  return out;
}

void tellMirror(const Situation& s, const Placement& p, std::vector<std::string>& out) {
  const MirrorViews views = mirrorViews(s, p);
  for (const MirrorEye& eye : views.eyes)
    if (const std::string words = shownWords(s, eye); !words.empty())
      out.push_back((eye.who == "entry" ? "From the entry" : "From " + s.names.the(PlacementId(eye.who))) +
                    " it shows " + words + ".");
  const auto glass = glassOf(s.pieces, s.room, p);
  for (const Opening& o : s.room.openings) {
    const auto wall =
        o.kind == OpeningKind::Window && o.outside != Outside::Wall ? findWall(s.room, o.wall) : std::nullopt;
    if (!wall || !glass) continue;
    // Plan y is taken as north where no compass says: windows that face north let no low sun in.
    const Vec2 outward = -wall->inward();
    if (outward.y > std::abs(outward.x)) continue;
    if (degreesBetween(wall->inward(), glass->middle() - middleOf(*wall, o)) <= kSunWithin)
      out.push_back("Low sun through " + thingWords(s, o.id.value) + " may dazzle in it.");
  }
}

/// How light the wall is behind a gallery.
std::string wallColourWords(const Room& room, const Hung& hung) {
  const auto corner =
      std::find_if(room.corners.begin(), room.corners.end(), [&](const Corner& c) { return c.id == hung.wall; });
  const auto colour = corner != room.corners.end() ? readColour(corner->colour) : std::nullopt;
  if (!colour) return {};
  const double light = lightnessOf(*colour);
  if (light > kWhiteWall || light < kDarkWall) return {};
  return "Groups read best on a white or a very dark wall; this one is between (lightness " +
         std::to_string(std::lround(light)) + " of 100).";
}

/// "6 black, 3 white, 1 gold": the finishes of a group's frames, the most first.
std::string finishWords(const Situation& s, const Hung& hung) {
  std::map<std::string, int> finishes;
  for (const PlacementId& id : hung.members)
    if (const std::string& finish = s.pieces.of(*findPlacement(s.scheme, id)).frame->finish; !finish.empty())
      ++finishes[finish];
  std::vector<std::pair<int, std::string>> tally;
  for (const auto& [finish, n] : finishes) tally.emplace_back(-n, finish);
  std::sort(tally.begin(), tally.end());
  std::string words;
  for (const auto& [n, finish] : tally) words += (words.empty() ? "" : ", ") + std::to_string(-n) + " " + finish;
  return words;
}

}  // namespace

std::vector<std::string> toldOfGroup(const Situation& s, const Hung& hung) {
  std::vector<std::string> out;
  if (hung.members.size() < 2) return out;
  if (const std::string words = finishWords(s, hung); !words.empty()) out.push_back("Frames: " + words + ".");
  if (const std::string words = wallColourWords(s.room, hung); !words.empty()) out.push_back(words);
  return out;
}

std::vector<std::string> toldOfHung(const Situation& s, const Placement& p) {
  std::vector<std::string> out;
  if (onWall(p.on) == nullptr || mountOf(s.pieces.of(p))) return out;
  if (const auto near = nearestHung(s.pieces, s.scheme, p.id))
    out.push_back("Nearest to it: " + s.names.the(near->b) + ", " + writeLength(std::max(0.0, near->gap), s.format) +
                  ".");
  const Piece& piece = s.pieces.of(p);
  if (isMirror(piece.kind)) tellMirror(s, p, out);
  for (std::size_t i = 0; i < s.hung().size(); ++i) {
    const Hung& hung = s.hung()[i];
    if (std::find(hung.members.begin(), hung.members.end(), p.id) == hung.members.end()) continue;
    const auto& below = s.below()[i];
    if (const ArtAsks asks = artAsks(s.job, s.pieces, s.room, s.scheme, hung, below); !asks.told.empty())
      out.push_back(asks.told);
    if (below && below->heats) out.push_back("Over a radiator it gets warm and dusty.");
    if (below && below->row == BelowRow::Mantel && isScreen(piece.kind))
      out.push_back("Over a hearth it gets warm: the maker says how much it takes.");
    if (below && below->middles.size() > 1)
      out.push_back("Without the return of " + thingWords(s, below->id) + " the middle is " +
                    writeLength(std::abs(below->middles[1] - below->middles[0]), s.format) +
                    (below->middles[1] > below->middles[0] ? " further right." : " further left."));
    for (std::string& words : toldOfGroup(s, hung)) out.push_back(std::move(words));
  }
  return out;
}

std::vector<std::string> photographWords(const std::vector<PhotographPiece>& pieces, const SchemeNames& names,
                                         LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  const auto about = [&](const PhotographLength& l) {
    return writeLength(l.mm, bare) + " \u00b1 " + writeLength(l.u95, format);
  };
  std::vector<std::string> out;
  for (const PhotographPiece& p : pieces)
    out.push_back(names.plain(p.placement) + ": about " + about(p.width) + " wide, " + about(p.height) + " high.");
  if (!out.empty()) out.emplace_back("Never order from a photograph.");
  return out;
}

}  // namespace mezzet
