#include "core/plan/day.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/plan/needs.h"
#include "core/rules/base/names.h"

namespace mezzet {
namespace {

void addOnce(std::vector<std::string>& all, const std::string& one) {
  if (!one.empty() && std::find(all.begin(), all.end(), one) == all.end()) all.push_back(one);
}

struct Wallful {
  const Room& room;
  const Scheme& scheme;
  NailPlan plan;
  std::set<PlacementId> grouped;
};

class Maker {
 public:
  Maker(const Job& job, const Rulebook& book, LengthFormat format)
      : job_(job), book_(book), pieces_(job), format_(format) {
    bare_ = format;
    bare_.withUnit = false;
    out.times = book.tasks.times;
  }

  void add(const Wallful& w) {
    PlacementIds order;
    for (const Nail& nail : w.plan.nails)
      if (std::find(order.begin(), order.end(), nail.placement) == order.end()) order.push_back(nail.placement);
    for (const UnknownNails& unknown : w.plan.unknown) order.push_back(unknown.placement);
    const SchemeNames names(job_, w.scheme);
    for (const PlacementId& id : order) step(w, names, id);
    for (const std::string& caution : w.plan.cautions) addOnce(out.cautions, caution);
  }

  DayPlan finish() {
    for (const auto& [words, count] : hardware_) out.hardware.push_back(std::to_string(count) + " x " + words);
    if (out.steps.empty()) return std::move(out);
    for (const char* tool : {"tape", "level, or a laser line", "pencil", "painter's tape"}) addOnce(out.tools, tool);
    for (const std::string& tool : tools_) addOnce(out.tools, tool);
    if (out.people > 1)
      addOnce(out.cautions, "Where two are named, one holds and the other judges from about " +
                                writeLength(kJudgeFrom, {LengthStyle::FeetInches, 16}) +
                                " away before the nail goes in.");
    addOnce(out.cautions, "Detect cables and pipes before every nail; stand on a ladder that is made for it.");
    return std::move(out);
  }

  DayPlan out;

 private:
  void step(const Wallful& w, const SchemeNames& names, const PlacementId& id) {
    const Placement& p = *findPlacement(w.scheme, id);
    const Piece& piece = pieces_.of(p);
    const WallRect rect = wallRectOf(piece, *onWall(p.on));
    DayStep s;
    s.order = static_cast<int>(out.steps.size()) + 1;
    s.minute = static_cast<int>(std::lround(out.minutes));
    s.room = w.room.name;
    s.wall = onWall(p.on)->wall.value;
    s.placement = id;
    s.scheme = w.scheme.id;
    s.what = names.plain(id) + ", " + writeLength(rect.width(), bare_) + " x " + writeLength(rect.height(), format_);
    const auto weight = weightOf(piece);
    s.weight = weight ? (weight->guess ? "about " : "") + writeWeight(weight->kg, job_.units) : "not known";
    int nails = 0;
    for (const Nail& nail : w.plan.nails) {
      if (nail.placement != id) continue;
      ++nails;
      s.nails += (s.nails.empty() ? "" : "; ") + writeLength(nail.fromEnd, bare_) + " across, " +
                 writeLength(std::abs(nail.aboveLine), bare_) + (nail.aboveLine < 0 ? " below" : " above");
      s.warned = s.warned || (!nail.near.empty() && nail.clear.empty());
      if (nail.fixings.empty()) continue;
      if (const Fixing* f = findFixing(book_.fixings, nail.fixings.front())) {
        ++hardware_[f->words];
        tools_.push_back(f->tool);
      }
    }
    if (nails == 0) s.nails = "not known yet: measure its hanger";
    s.minutes = std::max(1, nails) * out.times.nail + (w.grouped.contains(id) ? out.times.templ : 0);
    const bool heavy = weight && weight->kg >= kHeavy;
    s.people = heavy || std::max(rect.width(), rect.height()) > kTwoPeopleWide || w.grouped.contains(id) ? 2 : 1;
    out.people = std::max(out.people, s.people);
    out.minutes += s.minutes;
    out.steps.push_back(std::move(s));
  }

  const Job& job_;
  const Rulebook& book_;
  PieceIndex pieces_;
  LengthFormat format_, bare_;
  std::map<std::string, int> hardware_;
  std::vector<std::string> tools_;
};

}  // namespace

DayPlan hangingDay(const Job& job, const Rulebook& book, const std::vector<const Scheme*>& schemes,
                   LengthFormat format) {
  Maker maker(job, book, format);
  for (const Scheme* scheme : schemes) {
    const Room& room = roomOf(job, *scheme);
    std::set<PlacementId> grouped;
    for (const Hung& hung : hungIn(job, *scheme))
      if (hung.members.size() > 1) grouped.insert(hung.members.begin(), hung.members.end());
    for (const Wall& wall : wallsOf(room))
      maker.add({room, *scheme, nailsOf(job, book, room, *scheme, wall.id, format), grouped});
  }
  return maker.finish();
}

std::string clockWords(const TaskTimes& times, int minute) {
  const int rest = minute % 60;
  return std::to_string((times.begins + minute / 60) % 24) + ":" + (rest < 10 ? "0" : "") + std::to_string(rest);
}

}  // namespace mezzet
