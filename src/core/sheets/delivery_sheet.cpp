// The way in with each piece: what goes, how, and what would help.
#include "core/drawing/delivery/delivery_drawing.h"
#include "core/plan/dates.h"
#include "core/sheets/flow.h"

namespace mezzet {
namespace {

constexpr TableColumn kCarried[] = {{"What", 0}, {"", 0.22}, {"How", 0.3}, {"", 0.42}};
constexpr int kWayScale = 50;

/// What is carried into the house as it is built, the hardest first.
std::vector<DeliveryAnswer> carriedIn(const SheetSource& s) {
  std::vector<DeliveryAnswer> out;
  for (const PieceId& id : carriedInto(s.job, schemesToBuild(s.job, s.request.schemes)))
    out.push_back(deliver(s.job, id, s.request.format));
  const auto rank = [](const DeliveryAnswer& a) { return a.spare.value_or(-1e9); };
  std::stable_sort(out.begin(), out.end(),
                   [&](const DeliveryAnswer& a, const DeliveryAnswer& b) { return rank(a) < rank(b); });
  return out;
}

std::vector<Sheet> deliveryPages(const SheetSource& s) {
  Flow flow(s, "The way in", false, Flow::Of::House);
  const std::vector<DeliveryLeg>& legs = s.job.records->legs;
  if (legs.empty()) {
    flow.line("The way in is not measured yet: door, corridor, turns, stair, lift.");
    return flow.finish();
  }
  flow.toScale(kWayScale);
  const std::vector<DeliveryAnswer> all = carriedIn(s);
  const DeliveryAnswer none, *hardest = all.empty() ? &none : &all.front();
  Drawing way = composeDelivery(legs, *hardest, kWayScale, flow.wide(), s.request.format);
  const double high = (way.high.y - way.low.y) / way.scale;
  flow.place(std::move(way), flow.left(), flow.wide(), high);
  flow.skip(high + 3);
  if (!hardest->legs.empty())
    flow.line("Drawn with what has least to spare: " + midSentence(findPiece(s.job, hardest->piece)->name) + ", with " +
              writeLength(kCarryRoom, s.request.format) + " each side for hands and blankets.");
  flow.skip(3);
  std::string easy;
  bool heads = false;
  for (const DeliveryAnswer& a : all) {
    const std::string& name = findPiece(s.job, a.piece)->name;
    if (a.verdict == CarryVerdict::Goes && a.how == Carried::Flat && !a.apart) {
      easy += (easy.empty() ? "" : ", ") + midSentence(name);
      continue;
    }
    if (!heads) flow.columns(kCarried);
    heads = true;
    const std::size_t after = a.says.find(": ");
    flow.row(kCarried,
             {name, verdictWord(a.verdict), a.how ? std::string(carriedWord(*a.how)) + (a.apart ? ", apart" : "") : "-",
              after == std::string::npos ? a.says : capital(a.says.substr(after + 2))});
  }
  flow.skip(2);
  if (!easy.empty())
    flow.line("Goes in level, with " + writeLength(kTightBelow, s.request.format) + " and more to spare: " + easy +
              ".");
  flow.bullet("What goes as a box goes; what does not may still go by its shape.");
  flow.bullet("Two people or more carry, and nobody stands below a load on a stair. Protect floors, walls and jambs.");
  return flow.finish();
}

bool anyLegs(const Job& job) { return !job.records->legs.empty(); }

}  // namespace

const SheetRow& deliverySheetRow() {
  static constexpr SheetRow row{.id = "delivery",
                                .title = "the way in",
                                .scales = false,
                                .namesScheme = false,
                                .whole = deliveryPages,
                                .offered = anyLegs};
  return row;
}

}  // namespace mezzet
