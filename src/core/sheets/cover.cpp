// The cover of a pack: whose job, which issue, the rooms in small, the list of sheets, what changed.
#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/plan/plan.h"
#include "core/sheets/flow.h"
#include "core/sheets/pack.h"

namespace mezzet {
namespace {

constexpr double kJobLetters = 8, kReaderLetters = 4.5, kPlansHigh = 62, kPlanNames = 13;  // mm of paper
constexpr double kListRow = 4.9, kListGap = 8, kListHead = 2, kNumberWide = 14;  // of the list of sheets, mm of paper
constexpr std::size_t kMostChanges = 8;

Drawing barePlan(const Job& job, const Scheme& scheme, double scale, LengthFormat format) {
  PlanOptions options = planOptions(scale, format);
  options.bare = true;
  return composePlan(job, roomOf(job, scheme), &scheme, options);
}

/// Every room at one scale, side by side, each with its name.
void addPlans(Flow& flow, const Job& job, const std::vector<const Scheme*>& schemes, LengthFormat format) {
  if (schemes.empty()) return;
  constexpr double kProbe = 100, kBetween = 6;
  double wide = 0, high = 0;
  std::vector<double> widths;
  for (const Scheme* scheme : schemes) {
    const Drawing d = barePlan(job, *scheme, kProbe, format);
    widths.push_back(d.high.x - d.low.x);
    wide += widths.back();
    high = std::max(high, d.high.y - d.low.y);
  }
  const double between = kBetween * static_cast<double>(schemes.size() - 1);
  const double scale = std::max(wide / (flow.wide() - between), high / kPlansHigh);
  const double tall = high / scale, spare = (flow.wide() - between - wide / scale) / 2;
  double x = flow.left() + spare;
  for (std::size_t i = 0; i < schemes.size(); ++i) {
    const double w = widths[i] / scale;
    flow.place(barePlan(job, *schemes[i], scale, format), x, w, tall);
    const std::string& name = roomOf(job, *schemes[i]).name;
    flow.drawing().add(Layer::Title, "",
                       TextItem{{x + w / 2, flow.y() - tall - 4},
                                fittedText(name, w + kBetween - 1),
                                kSmallLetters,
                                Align::Centre,
                                0,
                                Ink::Quiet,
                                Ink::None});
    x += w + kBetween;
  }
  flow.skip(tall + kPlanNames);
}

std::string sheetNumbers(const PackContent& c) {
  return std::to_string(c.first) + (c.pages > 1 ? " - " + std::to_string(c.first + c.pages - 1) : "");
}

/// One line of the list: a sheet, or the room or reader whose sheets follow.
struct Listed {
  std::string number, words;
  bool head = false;
};
std::vector<Listed> listOf(PackReader reader, const std::vector<PackContent>& contents, const Paper& paper) {
  std::vector<Listed> out;
  std::string section;
  for (std::size_t i = 1; i < contents.size(); ++i) {
    const PackContent& c = contents[i];
    std::string under = c.room;
    if (reader == PackReader::All)
      under = readerTitle(readerNamed(c.reader).value_or(PackReader::All)) + std::string(": ") + under;
    if (under != section) out.push_back({"", under, true});
    section = under;
    out.push_back({sheetNumbers(c), c.title + (c.scale.empty() ? "" : ", " + c.scale) +
                                        (c.paper.empty() || c.paper == paper.name ? "" : ", " + c.paper)});
  }
  return out;
}

/// In two columns, so that an ordinary pack has one cover.
void addList(Flow& flow, PackReader reader, const std::vector<PackContent>& contents, const Paper& paper) {
  const std::vector<Listed> all = listOf(reader, contents, paper);
  const double wide = (flow.wide() - kListGap) / 2;
  std::size_t i = 0;
  while (i < all.size()) {
    flow.need(6 * kListRow);
    const std::size_t rows = std::max<std::size_t>(1, static_cast<std::size_t>(flow.leftOver() / (kListRow + 0.2)));
    const std::size_t share = std::min(rows, (all.size() - i + 1) / 2 + 1);
    double lowest = flow.y();
    for (int column = 0; column < 2; ++column) {
      double y = flow.y();
      const double x = flow.left() + column * (wide + kListGap);
      for (std::size_t k = 0; k < share && i < all.size(); ++k, ++i) {
        const Listed& one = all[i];
        if (one.head && k + 1 == share && i + 1 < all.size()) break;  // a heading never ends a column
        if (one.head) {
          if (k > 0) y -= kListHead / 2;
          flow.drawing().add(Layer::Title, "", line({x, y - 2.6}, {x + wide, y - 2.6}, fine(Ink::Ink)));
        } else {
          addSheetText(flow.drawing(), {x, y}, one.number);
        }
        addSheetText(flow.drawing(), {x + (one.head ? 0 : kNumberWide), y},
                     fittedText(one.words, wide - (one.head ? 0 : kNumberWide)));
        y -= kListRow;
      }
      lowest = std::min(lowest, y);
    }
    flow.skip(flow.y() - lowest);
  }
}

}  // namespace

std::vector<Sheet> composeCover(const Job& job, const PackRequest& request, const std::vector<const Scheme*>& schemes,
                                const std::vector<PackContent>& contents) {
  const Room house;  // the title block names the whole of it
  SheetRequest sheet = request.sheet;
  sheet.number = sheet.of > 0 ? 1 : 0;
  const SheetSource source{job, house, nullptr, {}, sheet};
  Flow flow(source, readerTitle(request.reader), false, Flow::Of::House);
  const Records& records = *job.records;
  if (!records.firm.empty()) flow.line(records.firm);
  flow.skip(6);
  addSheetText(flow.drawing(), {flow.left(), flow.y()}, fittedText(job.name, flow.wide(), kJobLetters), kJobLetters);
  flow.skip(11);
  const std::string who =
      readerTitle(request.reader) + (records.client.empty() ? std::string() : ". Client: " + records.client);
  addSheetText(flow.drawing(), {flow.left(), flow.y()}, fittedText(who, flow.wide(), kReaderLetters), kReaderLetters);
  flow.skip(7);
  flow.line(sheet.issue.empty() ? "Not issued. Drawn " + sheet.date : sheet.issue);
  flow.skip(4);
  addPlans(flow, job, schemes, sheet.format);
  if (!request.changes.empty()) {
    flow.heading("Since the issue before");
    for (std::size_t i = 0; i < std::min(request.changes.size(), kMostChanges); ++i) flow.bullet(request.changes[i]);
    if (request.changes.size() > kMostChanges)
      flow.bullet("and " + std::to_string(request.changes.size() - kMostChanges) + " smaller changes.");
    flow.skip(2);
  }
  addList(flow, request.reader, contents, *sheet.paper);
  return flow.finish();
}

}  // namespace mezzet
