// Dates of random jobs against networkx (Debian's python3-networkx) and Python's own calendar; the calendar file
// against libical, which reads it back.
#include <libical/ical.h>

#include <cstdio>
#include <fstream>
#include <nlohmann/json.hpp>
#include <random>

#include "core/edit/records.h"
#include "core/plan/dates.h"
#include "io/json/rulebook_json.h"
#include "io/tables/calendar_file.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

#include <gtest/gtest.h>

namespace mezzet {
namespace dates_against_networkx_test {
using namespace test;
using Json = nlohmann::json;

/// Forward and backward passes of the critical path method over the graph, in working days; delivery in calendar days.
constexpr const char* kScript = R"python(
import datetime, json, sys
import networkx as nx
def work(d): return d.weekday() < 5
def onward(d):
    while not work(d): d += datetime.timedelta(1)
    return d
def step(d, n):
    while n:
        d += datetime.timedelta(1 if n > 0 else -1)
        if work(d): n -= 1 if n > 0 else -1
    return d
def between(a, b):
    n = 0
    while a < b:
        a += datetime.timedelta(1)
        n += work(a)
    return n
out = []
for job in json.load(open(sys.argv[1])):
    first = onward(datetime.date.fromisoformat(job["from"]))
    g = nx.DiGraph()
    tasks = {t["id"]: t for t in job["tasks"]}
    g.add_nodes_from(tasks)
    for t in job["tasks"]: g.add_edges_from((a, t["id"]) for a in t["after"])
    assert nx.is_directed_acyclic_graph(g)
    def ended(t, s):
        if t["lead"] is None: return step(s, t["days"] - 1)
        return max(onward(s), step(onward(s + datetime.timedelta(t["lead"])), -1))
    start, end, latest = {}, {}, {}
    for i in nx.topological_sort(g):
        t = tasks[i]
        start[i] = datetime.date.fromisoformat(t["fixed"]) if t["fixed"] else max([first] + [step(end[a], 1) for a in g.predecessors(i)])
        end[i] = ended(t, start[i])
    last = max(list(end.values()) + [first])
    for i in reversed(list(nx.topological_sort(g))):
        t = tasks[i]
        must = min([step(last, 1)] + [latest[b] for b in g.successors(i)])
        # The latest day that still lets what follows begin: found by going back day by day from it.
        s = must
        while True:
            s = step(s, -1)
            if step(ended(t, s), 1) <= must: break
        latest[i] = max(s, start[i]) if t["fixed"] else s
    out.append({"end": last.isoformat(), "tasks": {i: [start[i].isoformat(), end[i].isoformat(), latest[i].isoformat(), between(onward(start[i]), onward(latest[i]))] for i in tasks}})
print(json.dumps(out))
)python";

/// Rooms with or without colour, lights, rugs, pictures, things to order with any delivery time.
Job randomHouse(std::mt19937& random) {
  const auto chance = [&](int of) { return static_cast<int>(random() % static_cast<unsigned>(of)); };
  Job job = emptyRoom();
  const int rooms = 1 + chance(4);
  for (int r = 0; r < rooms; ++r) {
    const std::string id = "room" + std::to_string(r);
    Room room = *job.rooms.front();
    room.id = RoomId(id);
    room.name = "Room " + std::to_string(r);
    if (chance(2)) room.corners[0].colour = "#f4efe6";
    job = withRoom(job, room).value();
    Scheme scheme{SchemeId("s" + id), room.id, "A", {}, {}, {}};
    if (chance(4) == 0) scheme.carpet = Broadloom{3657.6};
    const int things = chance(6);
    for (int i = 0; i < things; ++i) {
      const char* kinds[] = {"sofa", "rug", "low-table", "art", "pendant"};
      const char* kind = kinds[chance(5)];
      Piece p = piece((id + "-" + std::to_string(i)).c_str(), kind, 30 + chance(40), 20 + chance(20), 20);
      if (chance(2)) p.shop.edit().leadDays = chance(90);
      else p.shop.edit().owned = true;
      job = withPiece(job, p).value();
      Placement placed{PlacementId("p" + id + std::to_string(i)), p.id, FloorPlace{{1000.0 + 400 * i, 1500}, 0}, {}};
      if (std::string_view(kind) == "art") placed.on = WallPlace{CornerId("A"), 600.0 + 700 * i, 1500, std::nullopt};
      if (std::string_view(kind) == "pendant") placed.on = CeilingPlace{{2000, 1500}, 0, 600};
      scheme.placements.push_back(placed);
      if (p.shop->leadDays && chance(3) == 0) {
        Order order;
        order.piece = p.id;
        order.state = OrderState::Ordered;
        order.ordered = writeDay(Day{20'750 + chance(60)});
        job = withOrder(job, order).value();
      }
    }
    job = withScheme(job, scheme);
  }
  return job;
}

std::vector<std::pair<Dates, Day>> randomDates(unsigned seed, int count) {
  std::printf("seed %u\n", seed);
  std::mt19937 random(seed);
  std::vector<std::pair<Dates, Day>> out;
  while (static_cast<int>(out.size()) < count) {
    const Job job = randomHouse(random);
    const Day from{20'780 + static_cast<int>(random() % 60)};
    if (auto dates = datesOf(job, builtInRulebook(), {}, from)) out.emplace_back(*dates, from);
  }
  return out;
}

TEST(DatesAgainstNetworkx, StartEndLatestAndFloat) {
  const auto all = randomDates(2101, 120);
  Json asked = Json::array();
  for (const auto& [dates, from] : all) {
    Json tasks = Json::array();
    for (const JobTask& t : dates.tasks)
      tasks.push_back({{"id", t.id},
                       {"after", t.after},
                       {"days", t.days},
                       {"lead", t.kind == "order" ? Json(t.days) : Json(nullptr)},
                       {"fixed", t.fixed ? Json(writeDay(t.start)) : Json(nullptr)}});
    asked.push_back({{"from", writeDay(from)}, {"tasks", tasks}});
  }
  const std::string in = ownFile("dates.json"), script = ownFile("dates.py");
  std::ofstream(in) << asked.dump();
  std::ofstream(script) << kScript;
  const Answer answer = run(std::string(MEZZET_PYTHON) + " " + script + " " + in);
  ASSERT_EQ(answer.code, 0);
  const Json said = Json::parse(answer.out);
  ASSERT_EQ(said.size(), all.size());
  int tasks = 0, orders = 0;
  for (std::size_t i = 0; i < all.size(); ++i) {
    EXPECT_EQ(said[i]["end"], writeDay(all[i].first.end));
    for (const JobTask& t : all[i].first.tasks) {
      const Json& other = said[i]["tasks"][t.id];
      EXPECT_EQ(other[0], writeDay(t.start)) << t.id;
      EXPECT_EQ(other[1], writeDay(t.end)) << t.id;
      EXPECT_EQ(other[2], writeDay(t.latest)) << t.id;
      EXPECT_EQ(other[3], t.slack) << t.id;
      ++tasks;
      orders += t.kind == "order";
    }
  }
  EXPECT_GT(tasks, 500);
  EXPECT_GT(orders, 80);
}

std::string dayOf(icaltimetype t) {
  char text[16];
  std::snprintf(text, sizeof text, "%04d-%02d-%02d", t.year, t.month, t.day);
  return text;
}
TEST(CalendarAgainstLibical, EveryTaskIsReadBack) {
  for (const auto& [dates, from] : randomDates(2102, 20)) {
    const std::string name =
        "The house, by the river; north \\ side, with a name that is much longer than a line \xC3\xA9\xC3\xA9";
    const std::string text = calendarText(dates, name, from);
    std::size_t line = 0;
    for (const char c : text) {
      if (c == '\n') line = 0;
      else ++line;
      ASSERT_LE(line, 76u);  // 75 and the return
    }
    icalcomponent* calendar = icalparser_parse_string(text.c_str());
    ASSERT_NE(calendar, nullptr);
    EXPECT_EQ(icalcomponent_count_errors(calendar), 0);
    EXPECT_EQ(icalrestriction_check(calendar), 1);
    std::size_t orders = 0, events = 0;
    icalcomponent* event = icalcomponent_get_first_component(calendar, ICAL_VEVENT_COMPONENT);
    for (const JobTask& t : dates.tasks) {
      ASSERT_NE(event, nullptr);
      EXPECT_EQ(std::string(icalcomponent_get_summary(event)), t.what + " (" + name + ")");
      const icaltimetype start = icalcomponent_get_dtstart(event);
      EXPECT_EQ(start.is_date, 1);
      EXPECT_EQ(dayOf(start), writeDay(t.start));
      const bool order = t.kind == "order";
      EXPECT_EQ(dayOf(icalcomponent_get_dtend(event)), writeDay((order ? t.start : t.end).plus(1)));
      event = icalcomponent_get_next_component(calendar, ICAL_VEVENT_COMPONENT);
      if (order) event = icalcomponent_get_next_component(calendar, ICAL_VEVENT_COMPONENT);  // the day it comes
      orders += order;
      ++events;
    }
    EXPECT_EQ(static_cast<std::size_t>(icalcomponent_count_components(calendar, ICAL_VEVENT_COMPONENT)),
              events + orders);
    icalcomponent_free(calendar);
  }
}

}  // namespace dates_against_networkx_test
}  // namespace mezzet
