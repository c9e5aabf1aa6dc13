#include "core/plan/dates.h"

#include <algorithm>
#include <cmath>
#include <map>

#include "core/base/sentence.h"
#include "core/hang/nails.h"
#include "core/model/kinds.h"
#include "core/plan/needs.h"
#include "core/rules/base/names.h"

namespace mezzet {
namespace {

constexpr int kAtRisk = 2;  // working days to spare or fewer

/// A task while it is laid out.
struct Node {
  JobTask task;
  const TaskKind* kind = nullptr;
  int lead = -1;  ///< calendar days of an order; -1: no order
};

/// When an order that is placed on a day lets others begin, and its own last day before that.
Day arrival(Day placed, int lead) { return workingFrom(placed.plus(lead)); }
Day lastDay(const Node& n, Day start) {
  if (n.lead < 0) return plusWorking(start, n.task.days - 1);
  return std::max(workingFrom(start), plusWorking(arrival(start, n.lead), -1));
}
/// The latest start of a task after which others may begin on `next`.
Day latestBefore(const Node& n, Day next) {
  if (n.lead < 0) return plusWorking(next, -n.task.days);
  Day start = plusWorking(next, -1);
  for (start = std::min(start, workingFrom(next.plus(-n.lead))); plusWorking(lastDay(n, start), 1) > next;)
    start = plusWorking(start, -1);
  return start;
}

class Network {
 public:
  Network(const Job& job, const Rulebook& book, const std::vector<const Scheme*>& schemes) : job_(job), book_(book) {
    for (const TaskKind& kind : book.tasks.kinds) {
      if (kind.id == "order") {
        addOrders(kind, schemes);
        continue;
      }
      for (const Scheme* scheme : schemes) addOf(kind, *scheme);
    }
    if (!unknown_.empty())
      notes.push_back("Ask the shop for delivery times; none is known of " + listed(unknown_) + ".");
  }

  std::vector<Node> nodes;
  std::vector<std::string> notes;

 private:
  void addOf(const TaskKind& kind, const Scheme& scheme) {
    const Room& room = roomOf(job_, scheme);
    const TaskNeed need = needOf(job_, book_, room, scheme, kind.id);
    if (!need.needed) return;
    Node n;
    n.kind = &kind;
    n.task.id = kind.id + ":" + room.id.value;
    n.task.kind = kind.id;
    n.task.what = kind.words + ", " + midSentence(room.name);
    n.task.room = room.id.value;
    n.task.minutes = need.minutes;
    const double dayMinutes = book_.tasks.times.hours * 60.0;
    n.task.days = std::max(kind.days, static_cast<int>(std::ceil(need.minutes / dayMinutes - 1e-9))) + kind.drying;
    n.task.people = kind.people;
    for (const std::string& before : kind.after) follow(n, before, room.id.value, scheme);
    nodes.push_back(std::move(n));
  }

  /// After what is done in this room, or, where nothing of that kind is, after what that would have come after.
  void follow(Node& n, const std::string& kind, const std::string& room, const Scheme& scheme) {
    bool any = false;
    for (const Node& other : nodes) {
      const bool here = kind == "order" ? isOrderedFor(other, n.task.kind, scheme) : other.task.room == room;
      if (other.task.kind != kind || !here) continue;
      any = true;
      if (std::find(n.task.after.begin(), n.task.after.end(), other.task.id) == n.task.after.end())
        n.task.after.push_back(other.task.id);
    }
    if (any || kind == "order") return;
    for (const TaskKind& row : book_.tasks.kinds)
      if (row.id == kind)
        for (const std::string& before : row.after) follow(n, before, room, scheme);
  }

  /// Whether an order is of something that a kind of task brings into the room.
  bool isOrderedFor(const Node& order, const std::string& kind, const Scheme& scheme) const {
    if (order.lead < 0) return false;
    const std::string piece = order.task.id.substr(order.task.id.find(':') + 1);
    return std::any_of(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) {
      return p.piece.value == piece && kind == taskBringing(pieceOf(job_, p), p.on);
    });
  }

  void addOrders(const TaskKind& kind, const std::vector<const Scheme*>& schemes) {
    for (const auto& piece : job_.pieces) {
      std::vector<const Scheme*> in;
      for (const Scheme* scheme : schemes)
        if (timesPlaced(*scheme, piece->id) > 0) in.push_back(scheme);
      const Order* order = orderOf(*job_.records, piece->id);
      const bool there = order != nullptr && order->state == OrderState::Arrived;
      if (in.empty() || there || (piece->shop->owned && order == nullptr)) continue;
      const auto lead = leadOf(order, *piece);
      const bool placed = order != nullptr && order->state == OrderState::Ordered && readDay(order->ordered);
      if (!lead && !placed) {
        unknown_.push_back(midSentence(piece->name));
        continue;
      }
      Node n;
      n.kind = &kind;
      n.lead = lead.value_or(0);
      n.task.id = "order:" + piece->id.value;
      n.task.kind = "order";
      n.task.what = (placed ? "On order: " : "Order: ") + midSentence(piece->name);
      n.task.days = n.lead;
      n.task.people = kind.people;
      n.task.fixed = placed;
      if (placed) n.task.start = *readDay(order->ordered);
      else
        for (const Scheme* scheme : in)
          for (const std::string& before : kind.after) follow(n, before, scheme->room.value, *scheme);
      nodes.push_back(std::move(n));
    }
  }

  /// "a, b and c"; of many the first ones.
  static std::string listed(const std::vector<std::string>& names) {
    constexpr std::size_t kNamed = 6;
    if (names.size() <= kNamed) return listWords(names);
    std::vector<std::string> first(names.begin(), names.begin() + kNamed - 1);
    first.push_back(std::to_string(names.size() - first.size()) + " more");
    return listWords(first);
  }

  const Job& job_;
  const Rulebook& book_;
  std::vector<std::string> unknown_;
};

/// As early as it can be, and then as late as it may.
Day layOut(std::vector<Node>& nodes, Day from) {
  std::map<std::string, std::size_t> at;
  Day end = from;
  for (std::size_t i = 0; i < nodes.size(); ++i) {
    Node& n = nodes[i];
    at[n.task.id] = i;
    if (!n.task.fixed) {
      n.task.start = from;
      for (const std::string& before : n.task.after)
        n.task.start = std::max(n.task.start, plusWorking(nodes[at.at(before)].task.end, 1));
    }
    n.task.end = lastDay(n, n.task.start);
    end = std::max(end, n.task.end);
  }
  std::vector<Day> next(nodes.size(), plusWorking(end, 1));  // when what follows must begin at the latest
  for (std::size_t i = nodes.size(); i-- > 0;) {
    Node& n = nodes[i];
    n.task.latest = std::max(n.task.fixed ? n.task.start : Day{-1'000'000}, latestBefore(n, next[i]));
    n.task.slack = workingBetween(workingFrom(n.task.start), workingFrom(n.task.latest));
    for (const std::string& before : n.task.after) {
      Day& must = next[at.at(before)];
      must = std::min(must, n.task.latest);
    }
  }
  return end;
}

/// Tasks that would begin earlier if an order came earlier.
void holdUps(const std::vector<Node>& nodes, Day from, std::vector<HeldDate>& late) {
  for (const Node& n : nodes) {
    Day ready = from, held = from;
    const Node* by = nullptr;
    for (const Node& other : nodes) {
      if (std::find(n.task.after.begin(), n.task.after.end(), other.task.id) == n.task.after.end()) continue;
      const Day free = plusWorking(other.task.end, 1);
      if (other.lead < 0) ready = std::max(ready, free);
      else if (free > held) {
        held = free;
        by = &other;
      }
    }
    if (by == nullptr || held <= ready) continue;
    const int days = workingBetween(ready, held);
    late.push_back({n.task.id, by->task.id, days,
                    n.task.what + " could begin on " + dayWords(ready) + ", but waits until " + dayWords(held) + ": " +
                        midSentence(by->task.what) + (by->task.fixed ? ", placed " : ", to be placed ") +
                        dayWords(by->task.start) + ", takes " + std::to_string(by->lead) + " days."});
  }
}

void missedDay(const std::vector<Node>& nodes, Day end, const std::string& due, std::vector<HeldDate>& late) {
  const auto day = readDay(due);
  if (!day || end <= *day) return;
  std::string chain, by;
  for (const Node& n : nodes)
    if (n.task.critical()) {
      chain += (chain.empty() ? "" : "; ") + midSentence(n.task.what);
      if (by.empty()) by = n.task.id;
    }
  late.push_back(
      {"due", by, workingBetween(workingFrom(*day), end),
       "All is wanted by " + dayWords(*day) + " and ends " + dayWords(end) + ". What holds it: " + chain + "."});
}

}  // namespace

std::vector<const Scheme*> schemesToBuild(const Job& job, const std::vector<SchemeId>& chosen) {
  std::vector<const Scheme*> out;
  for (const auto& room : job.rooms) {
    const Scheme* take = nullptr;
    bool built = false;
    for (const auto& scheme : job.schemes) {
      if (scheme->room != room->id) continue;
      const auto in = [&](const auto& all, const auto& id) {
        return std::find(all.begin(), all.end(), id) != all.end();
      };
      if (in(chosen, scheme->id)) {
        take = scheme.get();
        break;
      }
      if (take == nullptr || (in(job.records->building, scheme->id.value) && !built)) take = scheme.get();
      built = built || in(job.records->building, scheme->id.value);
    }
    if (take != nullptr) out.push_back(take);
  }
  return out;
}

Result<Dates> datesOf(const Job& job, const Rulebook& book, const std::vector<SchemeId>& chosen,
                      std::optional<Day> from) {
  if (!from) from = readDay(job.records->starts);
  if (!from) return Error{"dates", "have no first day", "Say when work may begin"};
  Network network(job, book, schemesToBuild(job, chosen));
  if (network.nodes.empty())
    return Error{"dates", "find nothing to be done", "Place what is to stand, hang or be bought"};
  Dates out;
  const Day first = workingFrom(*from);
  out.end = layOut(network.nodes, first);
  out.notes = std::move(network.notes);
  holdUps(network.nodes, first, out.late);
  missedDay(network.nodes, out.end, job.records->due, out.late);
  for (Node& n : network.nodes) out.tasks.push_back(std::move(n.task));
  std::stable_sort(out.tasks.begin(), out.tasks.end(),
                   [](const JobTask& a, const JobTask& b) { return a.start < b.start; });
  return out;
}

const JobTask* nextAtRisk(const Dates& dates, Day today) {
  const JobTask* best = nullptr;
  for (const JobTask& t : dates.tasks) {
    if (t.end < today || (t.fixed && t.start <= today)) continue;
    const bool risky = t.slack <= kAtRisk || t.latest <= today;
    if (risky && (best == nullptr || t.start < best->start)) best = &t;
  }
  return best;
}

std::string riskWords(const Dates& dates, const JobTask& task) {
  std::string holds;
  for (const JobTask& t : dates.tasks)
    if (std::find(t.after.begin(), t.after.end(), task.id) != t.after.end() && holds.empty())
      holds = "; it holds " + midSentence(t.what);
  const std::string by = dayWords(task.latest);
  if (task.kind == "order")
    return task.what + ", by " + by + " at the latest: " + std::to_string(task.days) + " days" + holds + ".";
  return task.what + ": " +
         (task.slack == 0 ? "no day to spare" : std::to_string(task.slack) + " working days to spare") + ", by " + by +
         holds + ".";
}

}  // namespace mezzet
