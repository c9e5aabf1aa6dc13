// Dates: working days, what follows what, orders, what holds a day; and the hanging day.
#include "core/plan/dates.h"

#include "core/edit/records.h"
#include "core/plan/day.h"
#include "io/json/rulebook_json.h"
#include "support/rooms.h"

#include <gtest/gtest.h>

namespace mezzet {
namespace dates_test {
using namespace test;

Day day(const char* text) { return readDay(text).value(); }

TEST(Calendar, ReadsDaysThatThereAre) {
  EXPECT_EQ(writeDay(day("2026-03-31")), "2026-03-31");
  EXPECT_EQ(day("2024-02-29").number + 1, day("2024-03-01").number);
  EXPECT_EQ(day("1970-01-01").number, 0);
  for (const char* bad :
       {"2026-02-29", "2026-13-01", "2026-1-01", "26-01-01", "2026-01-32", "", "2026/01/01", "2026-01-0a"})
    EXPECT_FALSE(readDay(bad)) << bad;
  EXPECT_EQ(dayWords(day("2026-11-28")), "Sat 28 Nov 2026");
}
TEST(Calendar, WorkingDaysSkipWeekends) {
  EXPECT_FALSE(isWorking(day("2026-11-28")));
  EXPECT_EQ(writeDay(workingFrom(day("2026-11-28"))), "2026-11-30");
  EXPECT_EQ(writeDay(plusWorking(day("2026-11-27"), 1)), "2026-11-30");
  EXPECT_EQ(writeDay(plusWorking(day("2026-11-30"), -1)), "2026-11-27");
  EXPECT_EQ(writeDay(plusWorking(day("2026-11-27"), 11)), "2026-12-14");
}
TEST(Calendar, CountingWorkingDaysIsTheReverse) {
  const Day from = day("2026-11-26");
  for (int n = -30; n <= 30; ++n) EXPECT_EQ(workingBetween(from, plusWorking(from, n)), n) << n;
}

/// A room with a painted wall, a sofa to order, a rug that is there, two pictures.
Job room(int lead = 14) {
  Job job = emptyRoom();
  Room painted = *job.rooms.front();
  painted.corners[0].colour = "#f4efe6";
  job = withRoom(job, painted).value();
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  sofa.shop.edit().leadDays = lead;
  job = with(job, sofa, "p1", 111, 130);
  Piece rug = piece("rug", "rug", 96, 72, 0.5);
  rug.shop.edit().owned = true;
  job = with(job, rug, "p2", 111, 80);
  job = hung(job, "one", "p3", 20, 24, 60, 60);
  return hung(job, "two", "p4", 20, 24, 100, 60);
}
Dates datesFrom(const Job& job, const char* from) { return datesOf(job, builtInRulebook(), {}, day(from)).value(); }
const JobTask& task(const Dates& dates, const std::string& id) {
  for (const JobTask& t : dates.tasks)
    if (t.id == id) return t;
  throw std::out_of_range(id);
}

TEST(Dates, FollowEachOther) {
  const Dates dates = datesFrom(room(), "2026-11-30");  // a Monday
  EXPECT_EQ(writeDay(task(dates, "survey:parlour").start), "2026-11-30");
  // Two days of paint and one of drying after the survey.
  EXPECT_EQ(writeDay(task(dates, "paint:parlour").start), "2026-12-01");
  EXPECT_EQ(writeDay(task(dates, "paint:parlour").end), "2026-12-03");
  // Ordered after the survey, on the 1st; 14 days later it is there, and comes in that day.
  EXPECT_EQ(writeDay(task(dates, "order:sofa").start), "2026-12-01");
  EXPECT_EQ(writeDay(task(dates, "furniture:parlour").start), "2026-12-15");
  EXPECT_EQ(task(dates, "furniture:parlour").after, (std::vector<std::string>{"paint:parlour", "order:sofa"}));
  EXPECT_EQ(writeDay(dates.end), writeDay(task(dates, "photographs:parlour").end));
}
TEST(Dates, FloatIsHowLongATaskMayWait) {
  const Dates dates = datesFrom(room(), "2026-11-30");
  EXPECT_TRUE(task(dates, "order:sofa").critical());
  EXPECT_TRUE(task(dates, "survey:parlour").critical());
  // Paint is done on the 3rd; furniture comes on the 15th: seven working days in between.
  EXPECT_EQ(task(dates, "paint:parlour").slack, 7);
  EXPECT_EQ(writeDay(task(dates, "paint:parlour").latest), "2026-12-10");
}
TEST(Dates, NothingIsLateThatWaitsForNoOrder) {
  EXPECT_TRUE(datesFrom(room(0), "2026-11-30").late.empty());
  const Dates held = datesFrom(room(), "2026-11-30");
  ASSERT_EQ(held.late.size(), 1u);
  EXPECT_EQ(held.late[0].id, "furniture:parlour");
  EXPECT_EQ(held.late[0].by, "order:sofa");
  EXPECT_EQ(held.late[0].days, 7);
}
TEST(Dates, ADayThatIsMissedIsToldWithWhatHoldsIt) {
  const Job job = withWorkDays(room(), "2026-11-30", "2026-12-10").value();
  const Dates dates = datesOf(job, builtInRulebook(), {}, std::nullopt).value();
  ASSERT_FALSE(dates.late.empty());
  EXPECT_EQ(dates.late.back().id, "due");
  EXPECT_NE(dates.late.back().says.find("order: sofa"), std::string::npos) << dates.late.back().says;
}
TEST(Dates, APlacedOrderComesWhenItComes) {
  Order order;
  order.piece = PieceId("sofa");
  order.ordered = "2026-11-02";
  order.leadDays = 56;
  order.state = OrderState::Ordered;
  const Dates dates = datesFrom(withOrder(room(), order).value(), "2026-11-30");
  EXPECT_EQ(writeDay(task(dates, "order:sofa").start), "2026-11-02");
  EXPECT_EQ(writeDay(task(dates, "furniture:parlour").start), "2026-12-28");  // Monday, 56 days later
}
TEST(Dates, WhatCameIsNotOrdered) {
  const Job job = withDelivered(room(), PieceId("sofa"), {}, "2026-11-20").value();
  const Dates dates = datesFrom(job, "2026-11-30");
  EXPECT_THROW(task(dates, "order:sofa"), std::out_of_range);
  EXPECT_EQ(writeDay(task(dates, "furniture:parlour").start), "2026-12-04");
}
TEST(Dates, NeedAFirstDay) {
  const auto dates = datesOf(room(), builtInRulebook(), {}, std::nullopt);
  ASSERT_FALSE(dates.ok());
  EXPECT_EQ(dates.error().text(), "dates: have no first day. Say when work may begin");
}
TEST(Dates, AnUnknownDeliveryTimeIsSaid) {
  Job job = room();
  Piece sofa = *findPiece(job, PieceId("sofa"));
  sofa.shop.edit().leadDays.reset();
  job = withPiece(job, sofa).value();
  const Dates dates = datesFrom(job, "2026-11-30");
  ASSERT_EQ(dates.notes.size(), 1u);
  EXPECT_NE(dates.notes[0].find("sofa"), std::string::npos);
}
TEST(Dates, OnlyWhatTheRoomNeeds) {
  const Dates dates = datesFrom(room(), "2026-11-30");
  for (const JobTask& t : dates.tasks)
    for (const char* none : {"strip", "first-fix", "floor", "varnish", "battens"}) EXPECT_NE(t.kind, none);
}
TEST(Dates, TheSchemeThatIsBuiltCounts) {
  Job job = room();
  IdSource ids(50);
  SchemeId fresh;
  job = withNextScheme(job, RoomId("parlour"), {}, ids, fresh);
  EXPECT_EQ(schemesToBuild(job, {}).front()->id, SchemeId("s1"));
  job = withBuilding(job, fresh, true);
  EXPECT_EQ(schemesToBuild(job, {}).front()->id, fresh);
  EXPECT_EQ(schemesToBuild(job, {SchemeId("s1")}).front()->id, SchemeId("s1"));
  EXPECT_EQ(schemesToBuild(withBuilding(job, fresh, false), {}).front()->id, SchemeId("s1"));
}
TEST(Dates, TheNextAtRiskIsTheFirstThatMayNotWait) {
  const Dates dates = datesFrom(room(), "2026-11-30");
  EXPECT_EQ(nextAtRisk(dates, day("2026-11-29"))->id, "survey:parlour");
  EXPECT_EQ(nextAtRisk(dates, day("2026-12-02"))->id, "order:sofa");
  EXPECT_EQ(nextAtRisk(dates, day("2027-06-01")), nullptr);
}

TEST(HangingDay, TwelveMinutesANailAndFourATemplate) {
  const Job job = room();
  const auto schemes = schemesToBuild(job, {});
  const DayPlan plan = hangingDay(job, builtInRulebook(), schemes, {LengthStyle::Inches, 16});
  ASSERT_EQ(plan.steps.size(), 2u);
  const HangCount count = hangCount(job, builtInRulebook(), *job.rooms.front(), *schemes.front());
  double minutes = 0;
  for (const DayStep& s : plan.steps) {
    EXPECT_EQ(s.minute, static_cast<int>(minutes));
    minutes += s.minutes;
  }
  EXPECT_EQ(minutes, count.minutes);
  EXPECT_EQ(count.minutes, count.nails * 12 + count.templates * 4);
  EXPECT_EQ(clockWords(plan.times, 0), "9:00");
  EXPECT_EQ(clockWords(plan.times, 125), "11:05");
  EXPECT_FALSE(plan.cautions.empty());
}
TEST(HangingDay, LargeFramesTakeTwo) {
  const Job job = hung(hung(emptyRoom(), "small", "p1", 10, 12, 40, 60), "wide", "p2", 50, 30, 120, 60);
  const DayPlan plan = hangingDay(job, builtInRulebook(), schemesToBuild(job, {}), {LengthStyle::Inches, 16});
  ASSERT_EQ(plan.steps.size(), 2u);
  for (const DayStep& s : plan.steps) EXPECT_EQ(s.people, s.placement == PlacementId("p2") ? 2 : 1);
  EXPECT_EQ(plan.people, 2);
}

}  // namespace dates_test
}  // namespace mezzet
