#include <sys/stat.h>

#include <fstream>
#include <nlohmann/json.hpp>

#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "support/process.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";
const std::string kDemo = MEZZET_PARLOUR;
const std::string kJob1 = MEZZET_SOURCE_DIR "/tests/io/jobs/version-1.json";

TEST(Cli, ValidateTakesASoundJob) { EXPECT_EQ(run(kCli + "validate " + kJob1).code, 0); }
TEST(Cli, ValidateNotesAKindThatNoRuleJudges) {
  const std::string path = test::ownFile("kind.json");
  std::ofstream(path) << writeJobText(with(emptyRoom(), piece("x", "harmonium", 40, 20), "p1", 60, 60), 9);
  const Answer a = run(kCli + "validate " + path);
  EXPECT_EQ(a.code, 0);
  EXPECT_NE(a.out.find("note: x is of kind \"harmonium\", which no rule judges"), std::string::npos);
}
TEST(Cli, ValidateNotesARuleThatIsNotThere) {
  const std::string path = test::ownFile("rule.json");
  std::ofstream(path) << writeJobText(withSchool(emptyRoom(), "art-gape", "a"), 9);
  const Answer a = run(kCli + "validate " + path);
  EXPECT_EQ(a.code, 0);
  EXPECT_NE(a.out.find("note: house rules name \"art-gape\", which is not a rule of this rulebook"), std::string::npos)
      << a.out;
}
TEST(Cli, ValidateRefusesASchoolThatItsRuleDoesNotHave) {
  const std::string path = test::ownFile("school.json");
  std::ofstream(path) << writeJobText(withSchool(emptyRoom(), "art-gap", "z"), 9);
  const Answer a = run(kCli + "validate " + path + " 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_EQ(a.out.find(path + ", house rules: choose school \"z\" of art-gap, which it does not have. It has a"), 0U)
      << a.out;
}
// A way out that check lists is taken by apply, and the room after it is checked from outside.
TEST(Cli, ApplyTakesAWayOutThatCures) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33);
  sofa.seat.edit().height = in(18);
  Job job = with(with(emptyRoom(), sofa, "p1", 111, 19, 180), piece("table", "low-table", 52, 24, 17), "p2", 111,
                 37 + 30 + 12);
  const std::string path = test::ownFile("far.json"), out = test::ownFile("near.json");
  std::ofstream(path) << writeJobText(job, 9);
  const auto verdicts = [](const std::string& file) {
    std::map<std::string, Json> all;
    const Json report = Json::parse(run(kCli + "check " + file + " --json").out);
    for (const Json& f : report["findings"]) all[f["id"].get<std::string>()] = f;
    return all;
  };
  const auto before = verdicts(path);
  const Json& broken = before.at("table-reach:p1,p2");
  ASSERT_EQ(broken["verdict"], "breaks");
  ASSERT_FALSE(broken["waysOut"].empty());
  for (const Json& way : broken["waysOut"]) {
    const Answer a = run(kCli + "apply " + path + " --finding table-reach:p1,p2 --way " + way["id"].get<std::string>() +
                         " --out " + out + " 2>&1");
    ASSERT_EQ(a.code, 0) << a.out;
    const auto after = verdicts(out);
    EXPECT_NE(after.at("table-reach:p1,p2")["verdict"], "breaks") << a.out;
    for (const auto& [id, f] : after)
      if (f["verdict"] == "breaks" && f["weight"] != "taste") {
        EXPECT_EQ(before.at(id)["verdict"], "breaks") << id;
      }
  }
  const Answer none = run(kCli + "apply " + path + " --finding table-reach:p1,p2 --way fly --out " + out + " 2>&1");
  EXPECT_EQ(none.code, 2);
  EXPECT_EQ(none.out.find(path + ", table-reach:p1,p2: has no way out fly. It has "), 0U) << none.out;
  EXPECT_EQ(run(kCli + "apply " + path + " --finding reach:x --way y --out " + out + " 2>/dev/null").code, 2);
}
// The worked card of common practice: sofa 84, its front at y 39, seat 18; chairs' fronts at y 100; a low table
// between.
TEST(Cli, SizeAnswersInItsShape) {
  Piece sofa = piece("sofa", "sofa", 84, 36, 33), chair = piece("chair", "armchair", 32, 34, 33);
  sofa.seat.edit().height = chair.seat.edit().height = in(18);
  Job job = with(emptyRoom(240, 180), sofa, "p1", 120, 21, 180);
  job = with(with(job, chair, "p3", 120, 117), piece("table", "low-table", 52, 24, 17), "p2", 120, 69.5);
  const std::string path = test::ownFile("size.json");
  std::ofstream(path) << writeJobText(job, 9);
  const Answer a = run(kCli + "size " + path + " --placement p2 --json");
  ASSERT_EQ(a.code, 0);
  const Json j = Json::parse(a.out);
  EXPECT_EQ(j["holds"], true);
  EXPECT_TRUE(j["dims"]["diameter"].is_null());
  EXPECT_NEAR(j["dims"]["depth"]["low"].get<double>(), in(25), 0.05);
  EXPECT_NEAR(j["dims"]["depth"]["high"].get<double>(), in(37), 0.05);
  EXPECT_NEAR(j["dims"]["width"]["recommended"].get<double>(), in(55.44), 0.05);
  EXPECT_EQ(j["dims"]["height"]["highBy"]["rule"], "table-level");
  EXPECT_EQ(run(kCli + "size " + path + " --placement p77 2>&1").out,
            path + ", p77: neither stands nor hangs in this scheme. See the ids in job.json\n");
  // The same table asked for where none stands yet.
  std::ofstream(path) << writeJobText(withoutPlacement(job, SchemeId("s1"), PlacementId("p2")), 9);
  const Json empty = Json::parse(run(kCli + "size " + path + " --kind low-table --for p1 --json").out);
  EXPECT_EQ(empty["contract"], 2);
  EXPECT_EQ(empty["scheme"], "s1");
  EXPECT_NEAR(empty["dims"]["depth"]["recommended"].get<double>(), in(28), 0.05);
  EXPECT_EQ(run(kCli + "size " + path + " --kind throne 2>/dev/null").code, 2);
  EXPECT_EQ(run(kCli + "size " + path + " 2>/dev/null").code, 2);
}
// The worked table 40 x 72 with its chairs: 8 x 10 ft, centred.
TEST(Cli, RugsAnswersInItsShape) {
  Job job = with(emptyRoom(240, 180), piece("table", "dining-table", 72, 40), "p1", 120, 90);
  job = with(job, piece("chair", "chair", 18, 20, 34), "p2", 120, 90 + 28);
  const std::string path = test::ownFile("rugs.json");
  std::ofstream(path) << writeJobText(job, 9);
  const Answer a = run(kCli + "rugs " + path + " --group p1,p2 --json");
  ASSERT_EQ(a.code, 0);
  const Json j = Json::parse(a.out);
  EXPECT_EQ(j["contract"], 2);
  EXPECT_EQ(j["all"], j["front"]);
  EXPECT_NEAR(j["all"]["actual"][0].get<double>(), j["all"]["nominal"][0].get<double>() - in(1), 1e-3);
  EXPECT_GE(j["template"].size(), 4U);
  EXPECT_TRUE(j["stops"].empty());
  EXPECT_EQ(run(kCli + "rugs " + path + " --group p1,p77 2>/dev/null").code, 2);
}
TEST(Cli, CarpetAnswersInItsShape) {
  Job job = emptyRoom(240, 168);
  job.carpet.edgePrices["machine-binding"] = 5;
  const std::string path = test::ownFile("carpet.json");
  std::ofstream(path) << writeJobText(job, 9);
  const Answer a = run(kCli + "carpet " + path + " --roll 3657.6 --pile 90 --trim 0 --json");
  ASSERT_EQ(a.code, 0);
  const Json j = Json::parse(a.out);
  EXPECT_EQ(j["strips"].size(), 2U);
  EXPECT_NEAR(j["seams"][0].get<double>(), 3657.6, 1e-3);
  EXPECT_NEAR(j["boughtLength"].get<double>(), 28 * kFoot, 1e-3);
  EXPECT_NEAR(j["waste"].get<double>(), 1.0 / 6, 1e-4);
  EXPECT_NEAR(j["edge"]["prices"]["machine-binding"].get<double>(), 68 * kFoot / 1000 * 5, 1e-3);
  EXPECT_TRUE(j["edge"]["prices"]["tape-border"].is_null());
  EXPECT_EQ(run(kCli + "carpet " + path + " --roll 0 --pile 90 2>/dev/null").code, 2);
}
TEST(Cli, RefusesWhatIsNoJobOnStandardError) {
  const std::string path = test::ownFile("none.json");
  std::ofstream(path) << "{\"format\":\"other\"}";
  const Answer both = run(kCli + "check " + path + " 2>&1 >/dev/null");
  EXPECT_EQ(both.code, 2);
  EXPECT_EQ(both.out, path + ": is not a Mezzet job. A job says \"format\": \"mezzet-job\"\n");
}
TEST(Cli, RefusesUnknownWords) {
  EXPECT_EQ(run(kCli + "measure x 2>/dev/null").code, 2);
  EXPECT_EQ(run(kCli + "check " + kDemo + " --room attic 2>/dev/null").code, 2);
  EXPECT_EQ(run(kCli + "check /no/such/file 2>/dev/null").code, 2);
}
TEST(Cli, CheckExitsWithOneWhenSomethingBreaks) {
  EXPECT_EQ(run(kCli + "check " + kDemo).code, 1);
  EXPECT_EQ(run(kCli + "check " + kDemo + " --scheme s2").code, 0);
}
TEST(Cli, CheckAnswersInTheContractsShape) {
  const Json j = Json::parse(run(kCli + "check " + kDemo + " --json").out);
  EXPECT_EQ(j["contract"], 1);
  EXPECT_EQ(j["room"], "parlour");
  EXPECT_EQ(j["scheme"], "s1");
  EXPECT_EQ(j["counts"]["breaks"], 4);
  EXPECT_EQ(j["counts"]["holds"], 15);
  for (const Json& f : j["findings"]) {
    for (const char* key : {"id",       "rule", "school",  "weight",   "subjects",  "verdict", "quantity", "unit",
                            "measured", "low",  "high",    "idealLow", "idealHigh", "margin",  "marginMm", "u95",
                            "at",       "view", "missing", "sentence", "source",    "waysOut"})
      EXPECT_TRUE(f.contains(key)) << key;
    if (f["id"] == "table-reach:p1,p2") {
      EXPECT_EQ(f["verdict"], "holds");
      EXPECT_NEAR(f["measured"].get<double>(), 406.4, 1e-3);
      EXPECT_NEAR(f["low"].get<double>(), 304.8, 1e-9);
      EXPECT_NEAR(f["margin"].get<double>(), 50.8, 1e-3);
      EXPECT_EQ(f["school"], nullptr);
    }
  }
}
TEST(Cli, GapsAscendWithinTwoMetres) {
  const Json j = Json::parse(run(kCli + "gaps " + kDemo + " --json").out);
  ASSERT_GT(j["gaps"].size(), 5u);
  double last = -1e9;
  for (const Json& g : j["gaps"]) {
    EXPECT_GE(g["mm"].get<double>(), last);
    EXPECT_LE(g["mm"].get<double>(), 2000);
    last = g["mm"].get<double>();
  }
}
TEST(Cli, SolveArtGivesTheWorkedExample) {
  const Json j = Json::parse(run(kCli + "solve-art " + kJob1 + " --placement p3 --json").out);
  EXPECT_EQ(j["both"], false);
  EXPECT_NEAR(j["gap"].get<double>(), 215.9, 1e-6);
  EXPECT_NEAR(j["centre"].get<double>(), 1384.3, 1e-6);
  EXPECT_NEAR(j["short"]["art-centre"].get<double>(), 63.5, 1e-6);
  EXPECT_NEAR(j["short"]["art-gap"].get<double>(), 63.5, 1e-6);
  EXPECT_NEAR(j["frameHeights"][0].get<double>(), 863.6, 1e-6);
  EXPECT_NEAR(j["frameHeights"][1].get<double>(), 1117.6, 1e-6);
}
TEST(Cli, SolveArtOfASofaIsRefused) {
  EXPECT_EQ(run(kCli + "solve-art " + kJob1 + " --placement p1 --json 2>/dev/null").code, 2);
}
TEST(Cli, SheetThatDoesNotFitSaysWhatDoes) {
  const Answer a = run(kCli + "sheet " + kDemo + " --scale 1:24 --paper letter --out " + test::ownFile("no.pdf 2>&1"));
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find("does not fit Letter at 1/2 in = 1 ft (1:24)"), std::string::npos);
}
TEST(Cli, SheetIntoAFolderThatIsNotThereIsRefused) {
  EXPECT_EQ(run(kCli + "sheet " + kDemo + " --out /no/such/folder/x.pdf 2>/dev/null").code, 2);
}
TEST(Cli, SheetOfAScaleThatIsNoneIsRefused) {
  EXPECT_EQ(run(kCli + "sheet " + kDemo + " --scale 1:47 --out /tmp/x.pdf 2>/dev/null").code, 2);
}

// ---- route, reach, turning
/// Two arches, and two cabinets that leave 27 in between them.
std::string pinchedJob() {
  Job job = emptyRoom(200, 150);
  for (const char* wall : {"A", "C"}) {
    Opening o;
    o.id = OpeningId(std::string("a") + wall);
    o.kind = OpeningKind::Arch;
    o.wall = CornerId(wall);
    o.offset = in(80);
    o.width = in(40);
    o.height = in(80);
    job = withOpening(job, RoomId("parlour"), o).value();
  }
  job = with(job, piece("left", "bookcase", 88, 20, 70), "p1", 44, 75);
  job = with(job, piece("right", "bookcase", 85, 20, 70), "p2", 157.5, 75);
  const std::string path = test::ownFile("pinched.json");
  std::ofstream(path) << writeJobText(job, 99);
  return path;
}
TEST(Cli, RouteNamesThePinch) {
  const Json j = Json::parse(run(kCli + "route " + pinchedJob() + " --from aA --to aC --json").out);
  EXPECT_NEAR(j["widestMm"].get<double>(), 27 * 25.4, 1e-3);
  EXPECT_EQ(j["cappedBy"], nullptr);
  EXPECT_EQ(j["pinch"]["between"], (Json{"p1", "p2"}));
  EXPECT_EQ(j["pinch"]["at"].size(), 2U);
  EXPECT_TRUE(j["pinch"].contains("tied"));
}
TEST(Cli, RouteToAnEndAsWideAsItSaysSo) {
  const std::string path = test::ownFile("free.json");
  Job job = readJobText(readFile(pinchedJob(), 1 << 20).value(), "x").value().job;
  job = withoutPlacement(withoutPlacement(job, SchemeId("s1"), PlacementId("p1")), SchemeId("s1"), PlacementId("p2"));
  std::ofstream(path) << writeJobText(job, 99);
  const Json j = Json::parse(run(kCli + "route " + path + " --to aC --json").out);
  EXPECT_NEAR(j["widestMm"].get<double>(), 40 * 25.4, 1e-3);
  EXPECT_EQ(j["cappedBy"], "aA");
  EXPECT_EQ(j["pinch"], nullptr);
}
TEST(Cli, ReachPartsWhatIsReachedFromWhatIsNot) {
  const Json narrow = Json::parse(run(kCli + "reach " + pinchedJob() + " --width 600 --from aA --json").out);
  EXPECT_NE(std::find(narrow["reached"].begin(), narrow["reached"].end(), "aC"), narrow["reached"].end());
  const Json wide = Json::parse(run(kCli + "reach " + pinchedJob() + " --width 700 --from aA --json").out);
  EXPECT_NE(std::find(wide["not"].begin(), wide["not"].end(), "aC"), wide["not"].end());
}
TEST(Cli, TurningAnswersWithACircle) {
  const Json j = Json::parse(run(kCli + "turning " + pinchedJob() + " --json").out);
  // Below the row 65 in are free, and the circle bulges into the 27 in between the cabinets: 13.5^2 + (65 - r)^2 = r^2.
  EXPECT_NEAR(j["diameterMm"].get<double>(), 2 * (13.5 * 13.5 + 65 * 65) / 130 * 25.4, 0.1);
  EXPECT_EQ(j["centre"].size(), 2U);
}
TEST(Cli, ARoomWithoutADoorHasNoRoutes) {
  const std::string path = test::ownFile("doorless.json");
  std::ofstream(path) << writeJobText(emptyRoom(), 9);
  const Answer a = run(kCli + "route " + path + " --to w1 --json 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_EQ(a.out, path + ", Parlour: has no door to come in by. Add a door, sliding door or arch\n");
}
TEST(Cli, SillyRoutesAreRefusedInWords) {
  const std::string job = pinchedJob();
  EXPECT_EQ(run(kCli + "route " + job + " --to nowhere 2>&1").out,
            job + ", nowhere: is nothing one goes to. Name a door, window, seat or cupboard of the room\n");
  EXPECT_EQ(run(kCli + "reach " + pinchedJob() + " --width -3 2>&1").code, 2);
  EXPECT_EQ(run(kCli + "check " + pinchedJob() + " --state asleep 2>&1").out,
            "--state asleep: is not a way a room is used. Use everyday, occupied or party\n");
}
TEST(Cli, CheckWaitsForTheRoutes) {
  const Json j = Json::parse(run(kCli + "check " + pinchedJob() + " --json").out);
  for (const Json& f : j["findings"]) EXPECT_EQ(f["missing"], Json::array()) << f["id"];
}

TEST(Cli, AnAnswerThatCannotBeWrittenIsNone) {
  EXPECT_EQ(run(MEZZET_BIN_DIR "/mezzet-cli check " + kDemo + " --json > /dev/full 2>/dev/null").code, 2);
  EXPECT_EQ(run(MEZZET_BIN_DIR "/mezzet-cli gaps " + kDemo + " --json >&- 2>/dev/null").code, 2);
}
TEST(Cli, PipesAndDevicesAreRefusedAtOnce) {
  const std::string pipe = test::ownFile("pipe.json");
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  for (const char* verb :
       {"validate", "check", "route --to w1", "reach --width 600", "turning", "gaps --json", "solve-art --placement p1",
        "sheet --out x.pdf", "survey", "site", "house", "outline", "export --out x.dxf"})
    for (const std::string& file : {pipe, std::string("/dev/zero"), std::string("/dev")}) {
      const std::string words = verb;
      const std::string name = words.substr(0, words.find(' ')), rest = words.substr(name.size());
      const auto a = run("timeout 20 " MEZZET_BIN_DIR "/mezzet-cli " + name + " " + file + rest + " 2>&1");
      EXPECT_EQ(a.code, 2) << verb << " " << file << ": " << a.out;
      EXPECT_NE(a.out.find("is not a file"), std::string::npos) << verb << " " << a.out;
    }
  const auto out = run(
      "timeout 20 " MEZZET_BIN_DIR "/mezzet-cli export " + kDemo + " --out " + pipe + ".dxf 2>&1; ln -s " + pipe + " " +
      pipe + ".2.dxf; timeout 20 " MEZZET_BIN_DIR "/mezzet-cli export " + kDemo + " --out " + pipe + ".2.dxf 2>&1");
  EXPECT_EQ(out.code, 2) << out.out;
}

}  // namespace cli_test
}  // namespace mezzet
