// The command line on hanging: stairs, what was hung otherwise, templates, a plan in a photograph.
#include <gtest/gtest.h>

#include <cstdlib>
#include <fstream>
#include <nlohmann/json.hpp>

#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace hanging_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";
const std::string kDemo = MEZZET_BIN_DIR "/../demo/ferry-house.mezzet";

std::string kept(const Job& job, const char* name = "hanging.json") {
  const std::string path = ownFile(name);
  std::ofstream(path) << writeJobText(job, 99);
  return path;
}
Json answered(const std::string& command) {
  const Answer a = run(kCli + command);
  EXPECT_EQ(a.code, 0) << command << "\n" << a.out;
  return a.code == 0 ? Json::parse(a.out) : Json();
}
/// A hall with a flight of 14 risers along its wall D, and `n` frames that wait on it.
Job hall(int n, double climbs = 90) {
  Job job = emptyRoom(118, 275, 236);
  Room room = *job.rooms.front();
  Feature stair;
  stair.id = FeatureId("stair");
  stair.kind = FeatureKind::Stair;
  stair.outline = {{0, 1000}, {800, 1000}, {800, 1000 + in(9.25) * 13}, {0, 1000 + in(9.25) * 13}};
  stair.stair = Stair{14, in(7.625), in(9.25), climbs, {}, {}, {}, {}};
  room.features.push_back(stair);
  job = withRoom(job, room).value();
  for (int i = 0; i < n; ++i)
    job = hung(job, ("a" + std::to_string(i)).c_str(), ("p" + std::to_string(i)).c_str(), 16, 20, 20 + 10 * i, 60, "D");
  return job;
}
std::string ids(int n) {
  std::string out;
  for (int i = 0; i < n; ++i) out += (i == 0 ? "p" : ",p") + std::to_string(i);
  return out;
}

TEST(HangingCli, SixGoUpTheStairAndASeventhDoesNot) {
  const std::string out = ownFile("stair.json");
  const Json six = answered("arrange " + kept(hall(6)) + " --placements " + ids(6) + " --as stair --wall D --out " +
                            out + " --json");
  EXPECT_EQ(six.at("fits"), true);
  ASSERT_EQ(six.at("placements").size(), 6U);
  const auto place = [&](std::size_t i) { return six.at("placements")[i].at("on").at("wall"); };
  EXPECT_NEAR(place(1).at("u").get<double>() - place(0).at("u").get<double>(), in(18.5), 1e-3);
  EXPECT_NEAR(place(1).at("v").get<double>() - place(0).at("v").get<double>(), in(15.25), 1e-3);
  EXPECT_EQ(run(kCli + "validate " + out).code, 0);
  const Json check = Json::parse(run(kCli + "check " + out + " --json").out);
  int lines = 0;
  for (const Json& f : check.at("findings"))
    if (f.at("rule") == "stair-line") {
      ++lines;
      EXPECT_EQ(f.at("verdict"), "holds");
      EXPECT_EQ(f.at("view"), "wall:D");
    }
  EXPECT_EQ(lines, 1);
  const Json seven = answered("arrange " + kept(hall(7)) + " --placements " + ids(7) + " --as stair --wall D --json");
  EXPECT_EQ(seven.at("fits"), false);
}

TEST(HangingCli, TreadsAreTakenAsTyped) {
  const Json j =
      answered("arrange " + kept(hall(3)) + " --placements " + ids(3) + " --as stair --wall D --treads 3 --json");
  const auto u = [&](std::size_t i) { return j.at("placements")[i].at("on").at("wall").at("u").get<double>(); };
  EXPECT_NEAR(u(1) - u(0), 3 * in(9.25), 1e-3);
}

TEST(HangingCli, AStairThatTurnsAwayIsNoneOfTheWall) {
  const Json j = answered("arrange " + kept(hall(3, 0)) + " --placements " + ids(3) + " --as stair --wall D --json");
  EXPECT_EQ(j.at("fits"), false);
  EXPECT_EQ(j.at("says")[0], "No flight runs along this wall; take a row here.");
  EXPECT_EQ(
      run(kCli + "arrange " + kept(hall(3)) + " --placements " + ids(3) + " --as stair --wall D --treads 99 2>&1").code,
      2);
}

TEST(HangingCli, CheckAsHungJudgesWhereItHangs) {
  Job job = hung(emptyRoom(), "a", "p1", 24, 30, 100, 58.5);
  job = withSchool(job, "art-centre", "a");
  Placement p = *findPlacement(scheme(job), PlacementId("p1"));
  p.asHung = AsHung{in(100), in(62), "2026-04-01"};
  job = withPlacement(job, SchemeId("s1"), p);
  const std::string path = kept(job);
  const auto centre = [&](const std::string& option) {
    const Json all = Json::parse(run(kCli + "check " + path + option + " --json").out);
    for (const Json& f : all.at("findings"))
      if (f.at("rule") == "art-centre") return std::pair(f, all);
    return std::pair(Json(), all);
  };
  EXPECT_NEAR(centre("").first.at("measured"), in(58.5), 1e-3);
  EXPECT_EQ(run(kCli + "check " + path).code, 0);
  const auto [hungThere, all] = centre(" --as-hung");
  EXPECT_NEAR(hungThere.at("measured"), in(62), 1e-3);
  EXPECT_EQ(run(kCli + "check " + path + " --as-hung").code, 1) << "school a ends at 60 in";
  ASSERT_EQ(all.at("asHung").size(), 1U);
  EXPECT_NEAR(all.at("asHung")[0].at("up"), in(3.5), 1e-3);
  EXPECT_EQ(all.at("asHung")[0].at("over"), true);
}

TEST(HangingCli, PhotographAnswersInItsShape) {
  const std::string png = ownFile("planned.png");
  const Json j = answered("photo " + kDemo + " --room parlour --photograph f309 --out " + png + " --json");
  EXPECT_EQ(j.at("contract"), 2);
  EXPECT_EQ(j.at("room"), "parlour");
  ASSERT_EQ(j.at("homography").size(), 9U);
  EXPECT_EQ(j.at("homography")[8], 1);
  ASSERT_EQ(j.at("lengths").size(), 2U);
  EXPECT_EQ(j.at("lengths")[0].at("side"), "width");
  EXPECT_NEAR(j.at("lengths")[0].at("mm"), in(56), 1e-3);
  EXPECT_GT(j.at("lengths")[0].at("u95"), 1);
  const auto bytes = readFile(png, 1U << 26);
  ASSERT_TRUE(bytes);
  EXPECT_TRUE(bytes->starts_with("\x89PNG"));
  EXPECT_EQ(run(kCli + "photo " + kDemo + " --room parlour --photograph f61 2>&1").code, 2) << "it has no scale";
  EXPECT_EQ(run(kCli + "photo " + kDemo + " --room parlour --photograph nope 2>&1").code, 2);
}

TEST(HangingCli, APhotographWithThreeCornersInALineIsRefused) {
  Job job = emptyRoom();
  Room room = *job.rooms.front();
  Photograph p;
  p.id = PhotographId("f1");
  p.wall = CornerId("A");
  room.photographs.push_back(p);
  job = withRoom(job, room).value();
  Json json = Json::parse(writeJobText(job, 9));
  json["rooms"][0]["photographs"][0]["calibration"] = {
      {"corners", {{0, 100}, {50, 100}, {100, 100}, {0, 0}}}, {"width", 900}, {"height", 900}, {"u", 0}, {"v", 0}};
  const std::string path = ownFile("line.json");
  std::ofstream(path) << json.dump();
  const Answer a = run(kCli + "validate " + path + " 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find(
                "has corners in one line, crossing, or not anticlockwise. Pick them anticlockwise from the lower left"),
            std::string::npos)
      << a.out;
}

TEST(HangingCli, TemplatesOfWhatDoesNotHangSaySo) {
  const std::string pdf = ownFile("none.pdf");
  EXPECT_EQ(run(kCli + "sheet " + kept(emptyRoom()) + " --kind templates:p9 --out " + pdf).code, 0);
  EXPECT_NE(run("pdftotext " + pdf + " -").out.find("Nothing of this name hangs"), std::string::npos);
  EXPECT_EQ(run(kCli + "sheet " + kept(emptyRoom()) + " --kind templates:p9 --roll 20 --out " + pdf + " 2>&1").code, 2);
}

}  // namespace hanging_cli_test
}  // namespace mezzet
