// The command line on walls: free-wall, arrange, mirror, and what check says of groups.
#include <gtest/gtest.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "core/model/kinds.h"
#include "io/files/job_file.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace wall_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";

std::string written(const Job& job, const char* name = "walls.json") {
  const std::string path = ownFile(name);
  std::ofstream(path) << writeJobText(job, 99);
  return path;
}
Json answer(const std::string& command) {
  const Answer a = run(kCli + command);
  EXPECT_EQ(a.code, 0) << command << "\n" << a.out;
  return a.code == 0 ? Json::parse(a.out) : Json();
}
Job room() {
  Piece sofa = piece("sofa", "sofa", 84, 36, 34);
  sofa.seat.edit().height = in(18);
  Job job = with(emptyRoom(), sofa, "s", 111, 18, 180);
  job = hung(job, "a1", "p1", 16, 20, 20, 60);
  job = hung(job, "a2", "p2", 20, 38, 60, 60);
  job = hung(job, "a3", "p3", 16, 20, 200, 60);
  return withSchool(withSchool(job, "art-centre", "a"), "art-gap", "a");
}

TEST(WallCli, FreeWallAnswersInItsShape) {
  const Json j =
      answer("free-wall " + written(with(emptyRoom(), piece("sofa", "sofa", 84, 36, 34), "s", 111, 18, 180)) +
             " --wall A --json");
  EXPECT_EQ(j.at("contract"), 2);
  EXPECT_EQ(j.at("room"), "parlour");
  EXPECT_EQ(j.at("scheme"), "s1");
  ASSERT_EQ(j.at("rectangles").size(), 3u);
  EXPECT_NEAR(j.at("rectangles")[0].at("bottom"), in(34), 1e-3);
  const Json& over = j.at("above")[0];
  EXPECT_EQ(over.at("placement"), "s");
  EXPECT_NEAR(over.at("ratio"), 84.0 / 62, 1e-4);
  EXPECT_EQ(over.at("proposed"), "3:2");
  EXPECT_NEAR(over.at("width")[0], in(50.4), 1e-3);
  EXPECT_NEAR(over.at("width")[1], in(63), 1e-3);
}
TEST(WallCli, ArrangeWritesAJobThatIsSound) {
  const std::string out = ownFile("hung.json");
  const Json j =
      answer("arrange " + written(room()) + " --placements p1,p2,p3 --as row --wall A --out " + out + " --json");
  EXPECT_EQ(j.at("fits"), true);
  ASSERT_EQ(j.at("placements").size(), 3u);
  EXPECT_EQ(j.at("placements")[0].at("id"), "p1");
  EXPECT_NEAR(j.at("placements")[0].at("on").at("wall").at("u"), in(91), 1e-3);
  EXPECT_NEAR(j.at("placements")[1].at("on").at("wall").at("u"), in(111), 1e-3);
  EXPECT_NEAR(j.at("placements")[2].at("on").at("wall").at("u"), in(131), 1e-3);
  EXPECT_NEAR(j.at("envelope").at("left"), in(83), 1e-3);
  ASSERT_EQ(j.at("pairs").size(), 2u);
  EXPECT_NEAR(j.at("pairs")[0].at("mm"), 50.8, 1e-3);
  EXPECT_EQ(run(kCli + "validate " + out).code, 0);
  const Json check = Json::parse(run(kCli + "check " + out + " --json").out);
  bool found = false;
  for (const Json& f : check.at("findings"))
    if (f.at("id") == "gallery-gap:p1,p2,p3") {
      found = true;
      EXPECT_EQ(f.at("verdict"), "holds");
      ASSERT_EQ(f.at("pairs").size(), 2u);
      EXPECT_EQ(f.at("pairs")[0].at("a"), "p1");
      EXPECT_EQ(f.at("view"), "wall:A");
    }
  EXPECT_TRUE(found);
}
TEST(WallCli, TheSameSeedGivesTheSameBytes) {
  const std::string path = written(room());
  const std::string ask =
      "arrange " + path + " --placements p1,p2,p3 --as salon --wall C --restarts 10 --seed 7 --json";
  const Answer once = run(kCli + ask), again = run(kCli + ask);
  EXPECT_EQ(once.code, 0);
  EXPECT_EQ(once.out, again.out);
  EXPECT_EQ(Json::parse(once.out).at("restarts"), 10);
}
TEST(WallCli, WhatDoesNotFitIsAnAnswer) {
  const Json j = answer("arrange " + written(room()) +
                        " --placements p1,p2,p3 --as row --wall A --within 0,1000,1000,1400 --json");
  EXPECT_EQ(j.at("fits"), false);
  EXPECT_NEAR(j.at("shortBy").at("width"), in(56) - 1000, 1e-3);
  EXPECT_NEAR(j.at("shortBy").at("height"), in(38) - 400, 1e-3);
  EXPECT_TRUE(j.at("placements").empty());
  EXPECT_TRUE(j.at("envelope").is_null());
  EXPECT_FALSE(j.at("says").empty());
}
TEST(WallCli, MirrorAnswersInItsShape) {
  Job job = emptyRoom(4000 / 25.4, 3000 / 25.4, 100);
  Room shape = *job.rooms.front();
  Opening w;
  w.id = OpeningId("w1");
  w.kind = OpeningKind::Window;
  w.wall = CornerId("A");
  w.offset = 1500;
  w.width = 1000;
  w.sill = 600;
  w.height = 1500;
  shape.openings = {w};
  job = withRoom(job, shape).value();
  Piece m = piece("m", "mirror", 800 / 25.4, 1, 800 / 25.4);
  job = withPlacement(withPiece(job, m).value(), SchemeId("s1"),
                      {PlacementId("p1"), m.id, WallPlace{CornerId("C"), 2000, 1500, std::nullopt}, {}});
  const Json j = answer("mirror " + written(job) + " --placement p1 --eye 2000,1000,1500 --json");
  ASSERT_EQ(j.at("eyes").size(), 1u);
  const Json& eye = j.at("eyes")[0];
  EXPECT_EQ(eye.at("at")[0], 2000);
  double share = 0;
  for (const Json& one : eye.at("sees"))
    if (one.at("id") == "w1") share = one.at("share");
  EXPECT_NEAR(share, 0.5049, 1e-4);
  EXPECT_NEAR(eye.at("good"), 0.5049, 1e-4);
  EXPECT_EQ(eye.at("poor"), 0);
  EXPECT_EQ(j.at("judged"), 0);
}
TEST(WallCli, SillyInputIsASentence) {
  const std::string path = written(room());
  struct Silly {
    const char *command, *says;
  };
  for (const Silly& s :
       {Silly{"free-wall %s --wall Z", "--wall Z: is no wall of room Parlour"},
        {"arrange %s --placements p1,p1 --as row --wall A", "placement p1: is named twice"},
        {"arrange %s --placements s --as row --wall A", "placement s: does not hang on walls"},
        {"arrange %s --placements p1 --as heap --wall A", "--as heap: is no arrangement"},
        {"arrange %s --placements p1 --as row --wall A --within 1,2,3", "--within 1,2,3: cannot be read"},
        {"arrange %s --placements p1 --as row --wall A --within 5,5,3,4", "the region: has no width or no height"},
        {"arrange %s --placements p1 --as row --wall A --gap -3", "the gap: is no length from 0"},
        {"arrange %s --placements p1 --as salon --wall A --ratio 3", "--ratio 3: cannot be read"},
        {"arrange %s --placements p1 --as salon --wall A --restarts 0", "restarts: are not 1 to 100000"},
        {"mirror %s --placement p1", "--placement p1: is no mirror on a wall"}}) {
    std::string command = s.command;
    command.replace(command.find("%s"), 2, path);
    const Answer a = run(kCli + command + " 2>&1");
    EXPECT_EQ(a.code, 2) << command;
    EXPECT_NE(a.out.find(s.says), std::string::npos) << command << "\n" << a.out;
  }
}

TEST(WallCli, HangAnswersInItsShape) {
  Job job = hung(room(), "hooked", "p9", 24, 30, 100, 57);
  Piece p = *findPiece(job, PieceId("hooked"));
  p.hanger.edit().kind = HangerKind::Wire;
  p.hanger.edit().hooks = 1;
  p.hanger.edit().drop = in(3);
  job = withPiece(job, p).value();
  const Json j = answer("hang " + written(job) + " --wall A --end right --line 1000 --json");
  EXPECT_EQ(j.at("contract"), 2);
  EXPECT_EQ(j.at("end"), "right");
  EXPECT_EQ(j.at("line"), 1000);
  ASSERT_EQ(j.at("nails").size(), 1U);
  const Json& nail = j.at("nails")[0];
  EXPECT_EQ(nail.at("placement"), "p9");
  EXPECT_NEAR(nail.at("fromEnd"), in(122), 1e-3);
  EXPECT_NEAR(nail.at("aboveFloor"), in(69), 1e-3);
  EXPECT_NEAR(nail.at("aboveLine"), in(69) - 1000, 1e-3);
  EXPECT_EQ(nail.at("guess"), true);
  EXPECT_EQ(nail.at("stud").at("verdict"), "unknown");
  EXPECT_TRUE(nail.at("stud").at("off").is_null());
  EXPECT_EQ(j.at("notMeasured"), (Json{"p1", "p2", "p3"}));
}
TEST(WallCli, HangRefusesWhatIsNoWallAndNoFrame) {
  const std::string job = written(room());
  EXPECT_EQ(run(kCli + "hang " + job + " --wall Q").code, 2);
  EXPECT_EQ(run(kCli + "hang " + job + " --placement s").code, 2);
  EXPECT_EQ(run(kCli + "hang " + job).code, 2);
  EXPECT_EQ(run(kCli + "hang " + job + " --wall A --end top").code, 2);
  EXPECT_EQ(run(kCli + "hang " + job + " --wall A --line -5").code, 2);
}

}  // namespace wall_cli_test
}  // namespace mezzet
