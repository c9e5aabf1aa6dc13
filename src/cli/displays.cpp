#include "cli/displays.h"

#include <iostream>

#include "core/model/kinds.h"
#include "io/json/display_report.h"
#include "io/tables/cut_list.h"
#include "render/small_pixels.h"

namespace mezzet::cli {
namespace {

constexpr std::size_t kMostPictureBytes = 64u << 20;

/// The scheme that has the carrier: the one asked for, else the first that has it.
const Scheme& schemeWith(const Job& job, const Options& o) {
  for (const auto& scheme : job.schemes) {
    const bool wanted =
        (o.scheme.empty() || scheme->id.value == o.scheme) && (o.room.empty() || scheme->room.value == o.room);
    if (!wanted) continue;
    if (findPlacement(*scheme, PlacementId(o.placement)) != nullptr ||
        carrierNamed(PieceIndex(job), roomOf(job, *scheme), *scheme, o.placement))
      return *scheme;
  }
  throw Refused{{o.job, "has no placement " + o.placement, "See the ids in job.json"}};
}
Display displayHere(const Job& job, const Scheme& scheme, const Options& o) {
  auto display = displayOf(job, PieceIndex(job), roomOf(job, scheme), scheme, o.placement);
  if (!display)
    throw Refused{{o.placement, "carries nothing: it hangs from a ceiling, leans, or has no height",
                   "Choose what stands on the floor, hangs on a wall, or a mantel"}};
  return std::move(*display);
}

int runDisplay(const Options& o) {
  const JobFile file = load(o);
  const Scheme& scheme = schemeWith(file.job, o);
  const Display d = displayHere(file.job, scheme, o);
  const auto missing = missingOf(d, file.job, scheme);
  if (o.json) {
    std::cout << displayJson(scheme, d, missing);
    return kAnswered;
  }
  const LengthFormat format = usualFormat(file.job.units);
  const std::vector<double> seen = sharesSeen(d);
  for (std::size_t b = 0; b < d.bays.size(); ++b) {
    const auto fill = fillOf(d, b);
    std::cout << "shelf " << d.bays[b].id << ": "
              << (fill ? std::to_string(std::lround(100 * *fill)) + " % of its height" : "no height to fill or empty")
              << "\n";
    for (std::size_t i = 0; i < d.things.size(); ++i)
      if (d.things[i].bay == b)
        std::cout << "    " << d.things[i].piece->name << ": " << std::lround(100 * seen[i]) << " % is seen\n";
  }
  for (const MissingThing& m : missing)
    std::cout << "missing on shelf " << d.bays[m.bay].id << ": " << missingWords(m, format) << " (" << m.why << ")\n";
  return kAnswered;
}

int runSet(const Options& o) {
  JobFile file = load(o);
  const Scheme& scheme = schemeWith(file.job, o);
  static_cast<void>(displayHere(file.job, scheme, o));
  SetAsk ask{scheme.id, o.placement, {}, static_cast<unsigned long long>(std::max(0LL, o.seed)), 3};
  for (const std::string& id : o.placements) {
    if (findPlacement(scheme, PlacementId(id)) == nullptr)
      throw Refused{{"--things " + id, "is no placement of this scheme", "See the ids in job.json"}};
    ask.things.emplace_back(id);
  }
  const LengthFormat format = usualFormat(file.job.units);
  const Patience patience("setting it");
  const auto offers = setDisplay(file.job, builtInRulebook(), ask, format, patience.token());
  patience.check();
  if (o.json) std::cout << setJson(scheme, offers);
  else
    for (const SetOffer& offer : offers)
      std::cout << offer.idea << " " << offer.rule << " rules and " << offer.taste << " of taste break, "
                << offer.left.size() << " left over.\n";
  if (o.out.empty() || offers.empty()) return kAnswered;
  file.job = offers.front().job;
  FileSystem files;
  if (const auto fault = saveAtomically(files, o.out, orRefuse(writeJobBytes(file)))) throw Refused{*fault};
  return kAnswered;
}

int runCuts(const Options& o) {
  const auto cuts = orRefuse(readCuts(orRefuse(readFile(o.job, kMostCutBytes)), o.job));
  const CutList list = orRefuse(cutFrom(cuts, o.stock, o.kerf));
  if (o.json) {
    std::cout << cutsJson(list);
    return kAnswered;
  }
  for (const CutBar& bar : list.bars) {
    std::cout << writeLength(bar.stock, {LengthStyle::Millimetres}) << ":";
    for (const std::size_t i : bar.cuts)
      std::cout << "  " << writeLength(list.cuts[i].length, {LengthStyle::Millimetres});
    std::cout << "\n";
  }
  std::cout << list.bars.size() << " boards; fewer than " << list.bound << " cannot do.\n";
  return kAnswered;
}

int runColour(const Options& o) {
  const auto read = [](const std::string& text) {
    const auto lab = readLab(text);
    if (!lab) throw Refused{{text, "is no colour", "Write #2b2b2b or L,a,b"}};
    return *lab;
  };
  const Lab a = read(o.from), b = read(o.to);
  if (o.json) std::cout << colourJson(a, b);
  else
    std::cout << "They differ by " << static_cast<double>(std::lround(deltaE00(a, b) * 10)) / 10 << " (CIEDE2000).\n";
  return kAnswered;
}

int runPalette(const Options& o) {
  if (o.count && !(*o.count >= 1 && *o.count <= kMostPaletteColours))
    throw Refused{{"--colours", "is not from 1 to 6", "Type how many"}};
  const auto pixels = orRefuse(smallPixels(orRefuse(readFile(o.job, kMostPictureBytes)), o.job));
  const auto colours =
      paletteOf(pixels, o.count.value_or(kMostPaletteColours), static_cast<unsigned long long>(o.seed));
  if (o.json) {
    std::cout << paletteJson(colours);
    return kAnswered;
  }
  for (const PaletteColour& c : colours) std::cout << c.srgb << "  " << std::lround(100 * c.share) << " %\n";
  return kAnswered;
}

int runShelf(const Options& o) {
  const JobFile file = load(o);
  const Scheme& scheme = schemeWith(file.job, o);
  const Room& room = roomOf(file.job, scheme);
  const LengthFormat format = usualFormat(file.job.units);
  const auto ledge = ledgeOf(file.job, room, scheme, PlacementId(o.placement), format);
  const auto display = displayOf(file.job, PieceIndex(file.job), room, scheme, o.placement);
  std::optional<CutList> cuts;
  if (ledge)
    cuts =
        orRefuse(cutFrom(ledge->boards, o.stock.empty() ? std::vector<double>{2438.4, 3048, 3657.6} : o.stock, o.kerf));
  if (o.json) {
    std::cout << shelfJson(scheme, display ? &*display : nullptr, ledge ? &*ledge : nullptr, cuts ? &*cuts : nullptr);
    return kAnswered;
  }
  if (ledge) {
    std::cout << ledge->screws.size() << " screws, " << std::lround(ledge->each) << " N each of "
              << std::lround(ledge->allowed) << " N\n";
    for (const std::string& word : ledge->words) std::cout << word << "\n";
  }
  for (std::size_t b = 0; display && !ledge && b < display->bays.size(); ++b) {
    const ShelfLoad load = shelfLoadOf(*display, b);
    std::cout << "shelf " << display->bays[b].id << ": "
              << (load.inTime ? "sags " + writeLength(*load.inTime, format) + " in time, " +
                                    writeLength(*load.limit, format) + " allowed"
                              : std::string("its wood is not known"))
              << "\n";
  }
  return kAnswered;
}

}  // namespace

void addDisplayCommands(CLI::App& cli, Options& o, Runs& runs) {
  CLI::App* cDisplay =
      withPlace(command(cli, o, "display", "What stands on a carrier: how full, how much is seen, what is missing"), o);
  CLI::App* cSet = withPlace(command(cli, o, "set", "Things set out on a carrier, three ways"), o);
  CLI::App* cShelf = withPlace(command(cli, o, "shelf", "How a shelf sags; of a ledge its screws and its cut list"), o);
  for (CLI::App* sub : {cDisplay, cSet, cShelf}) {
    sub->add_option("--placement", o.placement, "The carrier: a placement, a fixed thing or a window")->required();
    sub->add_option("--state", o.state, "everyday, occupied or party: how the room is used");
  }
  cSet->add_option("--things", o.placements, "Placements to set; all that stand there if not given")->delimiter(',');
  cSet->add_option("--seed", o.seed, "Another number, another search");
  cSet->add_option("--out", o.out, "Writes the job with the best setting to this file");
  CLI::App* cCuts = cli.add_subcommand("cuts", "Boards cut from stock lengths");
  cCuts->add_option("FILE", o.job, "A list of lengths in mm, as JSON or as lines length,count,what")->required();
  cCuts->add_option("--stock", o.stock, "Lengths that boards are sold in, mm")->delimiter(',')->required();
  cShelf->add_option("--stock", o.stock, "Lengths that boards are sold in, mm")->delimiter(',');
  for (CLI::App* sub : {cCuts, cShelf}) sub->add_option("--kerf", o.kerf, "What the saw takes, mm");
  CLI::App* cColour = cli.add_subcommand("colour", "Two colours in Lab, and how different they look");
  cColour->add_option("A", o.from, "#rrggbb or L,a,b")->required();
  cColour->add_option("B", o.to, "#rrggbb or L,a,b")->required();
  CLI::App* cPalette = cli.add_subcommand("palette", "The main colours of a picture");
  cPalette->add_option("IMAGE", o.job, "A PNG or JPEG")->required();
  cPalette->add_option("--colours", o.count, "At most so many, 1 to 6");
  for (CLI::App* sub : {cDisplay, cSet, cCuts, cColour, cPalette, cShelf})
    sub->add_flag("--json", o.json, "Answer in JSON");
  runs.emplace_back(cDisplay, [&o] { return runDisplay(o); });
  runs.emplace_back(cSet, [&o] { return runSet(o); });
  runs.emplace_back(cCuts, [&o] { return runCuts(o); });
  runs.emplace_back(cColour, [&o] { return runColour(o); });
  runs.emplace_back(cPalette, [&o] { return runPalette(o); });
  runs.emplace_back(cShelf, [&o] { return runShelf(o); });
}

}  // namespace mezzet::cli
