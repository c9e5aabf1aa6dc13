#include <fstream>
#include <random>
#include <sstream>

#include "core/edit/validate.h"
#include "io/files/job_file.h"
#include "support/rooms.h"
#include "support/temp.h"

namespace mezzet {
namespace job_file_test {
using namespace test;

std::string slurp(const std::string& path) {
  std::ifstream in(path);
  std::ostringstream out;
  out << in.rdbuf();
  return out.str();
}
std::string minimal() { return slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-1.json"); }
std::string replaced(std::string text, const std::string& from, const std::string& to) {
  const auto at = text.find(from);
  EXPECT_NE(at, std::string::npos) << from;
  return text.replace(at, from.size(), to);
}
std::string refusal(const std::string& text) {
  const auto r = readJobText(text, "job.json");
  return r ? "" : r.error().text();
}

/// A job with a bit of everything, made from a seed.
Job randomJob(std::mt19937& random) {
  const auto uniform = [&](double a, double b) { return std::uniform_real_distribution(a, b)(random); };
  Job job = emptyRoom(uniform(100, 400), uniform(100, 300), uniform(90, 120));
  job.name = "Job \xC3\xA9 \"quoted\" \\ " + std::to_string(random());
  job.units = random() % 2 ? Unit::Inch : Unit::Millimetre;
  job.brief = {{uniform(1500, 1900)}, true, false, true, false, true};
  job.brief.purpose = "reading";
  job.brief.hours = "evening";
  job.brief.anchor = "the hearth";
  job.brief.budgetFull = uniform(100, 9000);
  Room room = *job.rooms.front();
  room.corners[1].wallThickness = uniform(80, 400);
  room.features.push_back(
      {FeatureId("hearth"), FeatureKind::Hearth, {{0, 0}, {500, 0}, {0, 500}}, uniform(900, 1300), uniform(0, 900)});
  job = withRoom(job, room).value();
  job.houseRules.schools["art-gap"] = "b";
  job.houseRules.ranges["table-reach"] = {uniform(200, 300), std::nullopt};
  job.extra = R"({"a":[1,2],"b":"c"})";
  for (int i = 0; i < 8; ++i) {
    Piece p = i % 3 ? piece(("q" + std::to_string(i)).c_str(), "sofa", uniform(5, 90), uniform(5, 50))
                    : roundPiece(("q" + std::to_string(i)).c_str(), "side-table", uniform(5, 40));
    if (i % 2) p.seat.edit().height = uniform(300, 500);
    if (i == 1) {
      p.shape = Shape::L;
      p.limbs.edit().hand = Hand::Right;
      p.limbs.edit().longDepth = *p.depth * uniform(0.3, 1);
      p.limbs.edit().returnWidth = p.width * uniform(0.3, 1);
    }
    if (i == 2) {
      p.shape = Shape::Oval;
      p.legs.edit().inset = uniform(0, p.width / 3);
      p.rug.edit().soldWidth = uniform(100, 2000);
      p.rug.edit().pad = uniform(2, 12);
      p.doubts["width"] = {DimensionSource::Guess, uniform(0, 60)};
      p.ownRules["table-reach"] = {std::nullopt, Range{std::nullopt, uniform(200, 600)}};
      p.ownRules["art-gap"] = {"b", std::nullopt};
      p.seat.edit().people = 2;
      p.finish.edit().backFinished = false;
      p.finish.edit().material = "linen";
      p.shop.edit().weight = uniform(5, 90);
    }
    if (i == 4) {
      p.shape = Shape::Curve;
      p.depth = p.width * uniform(0.3, 0.5);
      p.limbs.edit().longDepth = *p.depth * uniform(0.4, 0.9);
      p.use.edit().opensBy = uniform(100, 600);
      p.shop.edit().owned = true;
      p.shop.edit().price = uniform(0, 900);
    }
    job = with(job, p, ("p" + std::to_string(i)).c_str(), uniform(10, 90), uniform(10, 90), uniform(0, 359));
  }
  job = hung(job, "print", "p20", uniform(10, 50), uniform(10, 50), 50, uniform(50, 60));
  Scheme s = scheme(job);
  s.kept.push_back({"table-reach:p1,p2", "because", uniform(-50, 0), "2026-01-31"});
  s.log.push_back({LogKind::Rejection, "2026-02-01", "no wall left for a sideboard"});
  s.placements[1].locked = true;
  s.placements[2].group = "g7";
  s.placements[3].inUse = true;
  s.placements[4].usedAt = FloorPlace{{uniform(0, 900), uniform(0, 900)}, uniform(0, 359)};
  s.placements[0].extra = R"({"note":"by the window"})";
  return withScheme(job, s);
}

TEST(JobFile, AnyJobWrittenIsReadEqual) {
  std::printf("seed 2026\n");
  std::mt19937 random(2026);
  for (int i = 0; i < 50; ++i) {
    const Job job = randomJob(random);
    const auto back = readJobText(writeJobText(job, 77), "job.json");
    ASSERT_TRUE(back.ok()) << back.error().text();
    EXPECT_EQ(back->job, job);
    EXPECT_EQ(back->nextId, 77);
  }
}
TEST(JobFile, OfEveryVersionThatEverLandedOpens) {
  const auto job = readJobText(minimal(), "version-1.json");
  ASSERT_TRUE(job.ok()) << job.error().text();
  EXPECT_EQ(job->job.pieces.size(), 3u);
}
TEST(JobFile, KeepsFreeDataUnderX) {
  const auto job = readJobText(replaced(minimal(), "\"x\": {}", R"("x": {"z":1,"a":{"b":[true,null]}})"), "job.json");
  ASSERT_TRUE(job.ok());
  EXPECT_EQ(job->job.extra, R"({"a":{"b":[true,null]},"z":1})");
}

TEST(JobFile, OfVersion2Opens) {
  const auto job = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-2.json"), "version-2.json");
  ASSERT_TRUE(job.ok()) << job.error().text();
  EXPECT_EQ(findPiece(job->job, PieceId("corner"))->limbs->hand, Hand::Right);
  EXPECT_EQ(job->job.schemes.front()->log.size(), 3u);
  EXPECT_TRUE(job->job.schemes.front()->placements.front().locked);
  EXPECT_EQ(job->job.pieces.front()->doubts.at("depth").u95, 25.4);
}

TEST(BadFile, OfALWithoutItsLimbsSaysWhatIsMissing) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"shape\": \"rect\"", "\"shape\": \"l\"")),
            "job.json, Sofa: is an L, but not all of its depth, long depth and return width are given. Give the outer "
            "box and both limbs");
}
TEST(BadFile, WithANegativeDoubtIsRefused) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"armHeight\": 635",
                             "\"armHeight\": 635, \"doubts\": {\"width\": {\"source\": \"guess\", \"u95\": -1}}")),
            "job.json, Sofa, width: has a \u00b1 that is not a length. Type 0 or more");
}

TEST(BadFile, OfANewerVersionIsRefusedByName) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"version\": 1", "\"version\": " + std::to_string(kJobVersion + 1))),
            "job.json: was written by a newer Mezzet: its format is version " + std::to_string(kJobVersion + 1) +
                ", and this program reads up to version " + std::to_string(kJobVersion) +
                ". "
                "Update Mezzet to open it; the file is "
                "left as it is");
}
TEST(BadFile, ThatIsNoJobIsRefused) {
  EXPECT_EQ(refusal("{}"), "job.json: is not a Mezzet job. A job says \"format\": \"mezzet-job\"");
}
TEST(BadFile, WithAnUnknownKeyNamesIt) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"ceilingHeight\"", "\"cielingHeight\"")),
            "job.json/rooms/0/ceilingHeight: is missing. See docs/job-file.md");
  EXPECT_EQ(refusal(replaced(minimal(), "\"features\": []", "\"features\": [], \"colour\": 3")),
            "job.json/rooms/0/colour: is a key that Mezzet does not know. Remove it, or keep free data under \"x\"");
}
TEST(BadFile, WithAWordForANumberSaysWhere) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"width\": 2133.6", "\"width\": \"wide\"")),
            "job.json/pieces/0/width: must be a number. See docs/job-file.md");
}
TEST(BadFile, WithAPieceThatIsNotThereSaysSo) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"piece\": \"sofa\"", "\"piece\": \"ghost\"")),
            "job.json, placement p1: names a piece that is not there: ghost. Add the piece or remove the placement");
}
TEST(BadFile, WithAWordThatIsNoChoiceListsTheChoices) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"units\": \"in\"", "\"units\": \"ells\"")),
            "job.json/units: is \"ells\". Use one of: in, mm");
}
TEST(BadFile, WithANumberTooLargeIsRefused) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"width\": 2133.6", "\"width\": 1e999")),
            "job.json: holds a number or a text that cannot be read. The file may be damaged; open a copy");
  EXPECT_NE(refusal(replaced(minimal(), "\"width\": 2133.6", "\"width\": 1e9")), "");
}
TEST(BadFile, OfDeepNestingDoesNotCrash) {
  EXPECT_NE(refusal(std::string(200'000, '[')), "");
  EXPECT_NE(refusal(replaced(minimal(), "\"x\": {}",
                             "\"x\": {\"a\":" + std::string(100'000, '[') + std::string(100'000, ']') + "}")),
            "");
  EXPECT_EQ(
      refusal(replaced(minimal(), "\"x\": {}", "\"x\": {\"a\":" + std::string(50, '[') + std::string(50, ']') + "}")),
      "");
}
TEST(BadFile, CutAnywhereNeverHalfLoads) {
  const std::string whole = minimal();
  for (std::size_t cut = 0; cut + 3 < whole.size(); cut += 7)
    EXPECT_FALSE(readJobText(whole.substr(0, cut), "job.json").ok()) << cut;
}
TEST(BadFile, WithRandomBytesChangedNeverCrashes) {
  std::printf("seed 8\n");
  std::mt19937 random(8);
  const std::string whole = minimal();
  for (int i = 0; i < 2000; ++i) {
    std::string text = whole;
    for (int k = 0; k < 3; ++k) text[random() % text.size()] = static_cast<char>(random() % 256);
    const auto r = readJobText(text, "job.json");
    if (!r) {
      EXPECT_FALSE(r.error().what.empty());
    }
  }
}

TEST(JobFile, OfVersion6KeepsTheNamesOfOpenings) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-6.json"), "version-6.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Room& room = *file->job.rooms[0];
  EXPECT_EQ(openingName(room, room.openings[1]), "river window");
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, file->job);
}
TEST(JobFile, OfVersion8KeepsWhatHangs) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-8.json"), "version-8.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Scheme& scheme = *file->job.schemes[0];
  ASSERT_EQ(scheme.hangs.size(), 1u);
  EXPECT_EQ(scheme.hangs[0], (Hang{.id = "g9", .as = HangAs::Row, .gap = 50.8, .line = HangLine::Top, .seed = 3}));
  EXPECT_TRUE(wallPlace(findPlacement(scheme, PlacementId("h3"))->on).apart);
  EXPECT_EQ(file->job.rooms[0]->corners[0].colour, "#f4efe6");
  EXPECT_EQ(findPiece(file->job, PieceId("small"))->frame->foot, Foot::Dark);
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, file->job);
}
TEST(JobFile, OfVersion9KeepsHowFramesHang) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-9.json"), "version-9.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const HangerPart& h = *findPiece(file->job, PieceId("small"))->hanger;
  EXPECT_EQ(h.kind, HangerKind::Wire);
  EXPECT_EQ(h.hooks, 1);
  EXPECT_EQ(h.drop, 60);
  EXPECT_EQ(h.offset, -10);
  EXPECT_EQ(h.wire, 230);
  EXPECT_EQ(h.mass, 5);
  const auto& placements = file->job.schemes[0]->placements;
  const auto hung = std::find_if(placements.begin(), placements.end(), [](const Placement& p) { return p.asHung; });
  ASSERT_NE(hung, placements.end());
  EXPECT_EQ(hung->asHung->note, "level");
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, file->job);
}
TEST(JobFile, OfVersion10KeepsDisplays) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-10.json"), "version-10.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Job& job = file->job;
  const Surface& s = findPiece(job, PieceId("case10"))->surfaces->all[0];
  EXPECT_EQ(s.material, Board::RedOak);
  EXPECT_EQ(s.load, 40);
  EXPECT_TRUE(s.fixed);
  EXPECT_FALSE(findPiece(job, PieceId("case10"))->surfaces->all[1].top);
  const ThingPart& t = *findPiece(job, PieceId("run10"))->thing;
  EXPECT_EQ(t.volumes, 12);
  EXPECT_EQ(t.colours[1], (ColourShare{"#ae8b3f", 0.3}));
  EXPECT_EQ(t.seasons, (std::vector<std::string>{"autumn", "winter"}));
  EXPECT_EQ(findPiece(job, PieceId("box10"))->thing->holds[0].name, "remote");
  EXPECT_EQ(findPiece(job, PieceId("vase10"))->thing->branches, 500);
  const Scheme& scheme = *job.schemes[0];
  EXPECT_EQ(onAnother(findPlacement(scheme, PlacementId("e3"))->on)->lie, Lie::Lying);
  EXPECT_FALSE(onAnother(findPlacement(scheme, PlacementId("e5"))->on)->fixed.empty());
  EXPECT_TRUE(findPlacement(scheme, PlacementId("e1"))->restrained);
  ASSERT_EQ(scheme.displays.size(), 1u);
  EXPECT_EQ(scheme.displays[0].eyeDistance, 1500);
  EXPECT_EQ(scheme.displays[0].palette.readsAs[0].to, "#ae8b3f");
  EXPECT_EQ(job.palette.main.size(), 1u);
  const auto again = readJobText(writeJobText(job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, job);
}
TEST(JobFile, OfVersion11KeepsChoices) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-11.json"), "version-11.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Job& job = file->job;
  const Piece& other = *findPiece(job, PieceId("other11"));
  EXPECT_EQ(other.shop->phase, Phase::Later);
  EXPECT_EQ(other.shop->tier, Tier::Full);
  EXPECT_EQ(other.shop->leadDays, 42);
  EXPECT_EQ(other.story, "from the attic, repaired twice");
  const Scheme& scheme = *job.schemes[0];
  const auto& candidates = findPlacement(scheme, PlacementId("p1"))->candidates;
  ASSERT_EQ(candidates.size(), 2u);
  EXPECT_EQ(candidates[0].note, "calm");
  EXPECT_EQ(candidates[1].state, CandidateState::Rejected);
  ASSERT_EQ(scheme.areas.size(), 1u);
  EXPECT_EQ(scheme.areas[0].use, AreaUse::Reading);
  ASSERT_EQ(scheme.takesOut.size(), 2u);
  EXPECT_TRUE(scheme.takesOut[0].isSigned());
  EXPECT_FALSE(scheme.takesOut[1].isSigned());
  EXPECT_EQ(job.budget.prices.at("board, 8 ft"), 31.5);
  const auto again = readJobText(writeJobText(job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, job);
}
TEST(JobFile, OfVersion12KeepsRecords) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-12.json"), "version-12.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Records& records = *file->job.records;
  ASSERT_EQ(records.orders.size(), 2u);
  EXPECT_EQ(records.orders[0].state, OrderState::Arrived);
  EXPECT_EQ(records.orders[0].asked->width, 2133.6);
  EXPECT_EQ(records.orders[1].leadDays, std::nullopt);
  ASSERT_EQ(records.issues.size(), 2u);
  EXPECT_EQ(records.issues[1].figures[0].off, 12.7);
  ASSERT_EQ(records.legs.size(), 6u);
  EXPECT_EQ(records.legs[1].to, 965);
  EXPECT_EQ(records.legs[2].room, "parlour");
  EXPECT_EQ(records.due, "2027-02-26");
  EXPECT_EQ(records.reviews[0].done, "2027-12-01");
  EXPECT_EQ(file->job.pieces[0]->carry->takesApart.size(), 2u);
  EXPECT_EQ(file->job.pieces[0]->carry->diagonalDepth, 720.5);
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, file->job);
}
TEST(BadFile, OfRecordsIsRefusedInWords) {
  const std::string good = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-12.json");
  const auto refused = [&](const char* from, const char* to, const char* words) {
    const std::string said = refusal(replaced(good, from, to));
    EXPECT_NE(said.find(words), std::string::npos) << said;
  };
  refused("\"piece\": \"other11\",\n   \"count\": 2", "\"piece\": \"nowhere\",\n   \"count\": 2", "not there");
  refused("\"ordered\": \"2026-10-05\"", "\"ordered\": \"2026-02-30\"", "is not a day");
  refused("\"leadDays\": 56", "\"leadDays\": -5", "days to delivery");
  refused("\"state\": \"arrived\"", "\"state\": \"lost\"", "Use one of: wanted, ordered");
  refused("\"number\": 2", "\"number\": 1", "number of its own");
  refused("\"to\": 965", "\"to\": null", "has no width after the turn");
  refused("\"kind\": \"lift\"", "\"kind\": \"chute\"", "Use one of: door, corridor");
  refused("\"starts\": \"2027-01-11\"", "\"starts\": \"soon\"", "is not a day");
  refused("\"depth\": 1400", "\"depth\": -1", "delivery, leg 3");
}
TEST(BadFile, OfChoicesIsRefusedInWords) {
  const std::string good = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-11.json");
  const auto refused = [&](const char* from, const char* to, const char* words) {
    const std::string said = refusal(replaced(good, from, to));
    EXPECT_NE(said.find(words), std::string::npos) << said;
  };
  refused("\"piece\": \"other11\"", "\"piece\": \"nowhere\"", "not there");
  refused("\"state\": \"rejected\"", "\"state\": \"chosen\"", "two that are chosen");
  refused("\"use\": \"reading\"", "\"use\": \"sleeping\"", "sleeping");
  refused("\"leadDays\": 42", "\"leadDays\": -2", "days to delivery");
  refused("\"phase\": \"later\"", "\"phase\": \"never\"", "never");
  refused("\"rate\": 80.5", "\"rate\": -1", "amount");
  refused("\"what\": \"col11\"", "\"what\": \"wall:A\"", "twice");
}
TEST(BadFile, OfDisplaysIsRefusedInWords) {
  const std::string good = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-10.json");
  const auto refused = [&](const char* from, const char* to, const char* words) {
    const std::string said = refusal(replaced(good, from, to));
    EXPECT_NE(said.find(words), std::string::npos) << said;
  };
  refused("\"bottom\": 19", "\"bottom\": 400", "is a bay of no height");
  refused("\"id\": \"e1\",\n       \"x\": -200", "\"id\": \"e2\",\n       \"x\": -200",
          "stands on a placement that is not there");
  refused("\"id\": \"e3\",\n       \"x\": 0", "\"id\": \"e4\",\n       \"x\": 0",
          "stands on a placement that is not there");
  refused("\"surface\": \"b1\"", "\"surface\": \"b7\"", "stands on a surface that is not there: e1/b7");
  refused("\"srgb\": \"#232120\"", "\"srgb\": \"#23212\"", "has a colour that is none");
  refused("\"share\": 0.7", "\"share\": 1.7", "has a share of a colour that is none");
  refused("\"volumes\": 12", "\"volumes\": 5000", "has a number of books that is not 1 to 1000");
  refused("\"carrier\": \"e1\"", "\"carrier\": \"e9\"", "is on something that is not there");
  refused("\"lie\": \"lying\"", "\"lie\": \"floating\"", "Use one of: standing, lying, leaning");
  refused("\"material\": \"red-oak\"", "\"material\": \"cheese\"", "Use one of: red-oak");
}
TEST(BadFile, WithThreeHooksIsRefusedInWords) {
  EXPECT_NE(refusal(replaced(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-9.json"), "\"hooks\": 1", "\"hooks\": 3"))
                .find("hangs on neither one hook nor two. One hook or two"),
            std::string::npos);
}
TEST(BadFile, WithAHangerOutsideItsFrameIsRefused) {
  EXPECT_NE(refusal(replaced(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-9.json"), "\"mass\": 5", "\"mass\": 5000"))
                .find("has a hanger whose mass lies outside the frame"),
            std::string::npos);
}
TEST(JobFile, OfAnOlderVersionARoundGlassHasOneDiameter) {
  std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-7.json");
  const std::string at = "\"pieces\": [";
  ASSERT_NE(text.find(at), std::string::npos);
  text.insert(
      text.find(at) + at.size(),
      R"({"id":"old","name":"Old glass","kind":"mirror","shape":"round","width":762,"depth":762,"height":900,"count":1},)");
  const auto file = readJobText(text, "old");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Piece& glass = *findPiece(file->job, PieceId("old"));
  EXPECT_EQ(glass.height, 762);
  EXPECT_FALSE(glass.depth);
}
TEST(JobFile, APartOnAKindThatCannotHaveItNamesBoth) {
  std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-8.json");
  const std::string part = "\"screen\": {";
  text.replace(text.find(part), part.size(), "\"mirror\": {");
  EXPECT_NE(refusal(text).find("is only for a mirror, and this is a television"), std::string::npos) << refusal(text);
}
TEST(JobFile, IsDescribedInItsNewestVersion) {
  const std::string version = "version " + std::to_string(kJobVersion);
  EXPECT_EQ(slurp(MEZZET_SOURCE_DIR "/docs/job-file.md").find("# The job file, " + version + "\n"), 0U);
  EXPECT_NE(slurp(MEZZET_SOURCE_DIR "/docs/job-file.schema.json").find("Mezzet job, " + version), std::string::npos);
}

// ---- messages name the place
TEST(BadFile, ThatIsBrokenIsSaidByLineAndColumn) {
  EXPECT_EQ(refusal("{\"format\":\"mezzet-job\",\n \"version\":1,,}"),
            "job.json: is not valid JSON at line 2, column 14. The file may be cut short or damaged; open a copy");
}
TEST(BadFile, ThatIsEmptyOrAListSaysSo) {
  EXPECT_EQ(refusal(" \n"), "job.json: is empty. The file may be cut short or damaged; open a copy");
  EXPECT_EQ(refusal("[1, 2]"),
            "job.json: is a list at the top, where a job is an object. A job begins with { and says \"format\": "
            "\"mezzet-job\"");
}
TEST(BadFile, WithAVariantOfItselfIsRefused) {
  EXPECT_EQ(refusal(replaced(minimal(), "\"variantOf\": null", "\"variantOf\": \"sofa\"")),
            "job.json, Sofa: is a variant of itself: sofa. Remove variantOf, or name another piece");
}
TEST(BadFile, WithOneIdForAFixedThingAndAPlacementIsRefused) {
  const std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-4.json");
  const auto file = readJobText(text, "v");
  Job job = file->job;
  Scheme scheme = *job.schemes.front();
  ASSERT_FALSE(scheme.placements.empty());
  Room room = roomOf(job, scheme);
  room.openings[0].id = OpeningId(scheme.placements.front().id.value);
  room.entry = {};
  for (Opening& o : room.openings) o.leadsTo.reset();
  for (auto& one : job.rooms)
    if (one->id == room.id) one = std::make_shared<const Room>(room);
    else {
      Room other = *one;
      for (Opening& o : other.openings) o.leadsTo.reset();
      one = std::make_shared<const Room>(other);
    }
  EXPECT_EQ(faultOf(job)->text(), "placement " + scheme.placements.front().id.value +
                                      ": has the id of an opening or a fixed thing of its room. Ids must differ");
}
TEST(BadFile, WithAReadingToACornerThatIsNotListedNamesIt) {
  EXPECT_NE(refusal(replaced(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-3.json"),
                             "\"to\": \"C\",\n      \"value\": 6805.4", "\"to\": \"Q\",\n      \"value\": 6805.4"))
                .find("names a corner that is not there: Q"),
            std::string::npos);
}

TEST(Schema, AcceptsWhatTheProgramWrites) {
  std::mt19937 random(3);
  const std::string path = test::ownFile("schema-job.json");
  std::ofstream(path) << writeJobText(randomJob(random), 5);
  const std::string command =
      std::string(MEZZET_PYTHON) +
      " " MEZZET_SOURCE_DIR "/tests/io/validate_schema.py " MEZZET_SOURCE_DIR "/docs/job-file.schema.json " + path +
      " " MEZZET_SOURCE_DIR "/tests/io/jobs/version-1.json " MEZZET_SOURCE_DIR
      "/tests/io/jobs/version-2.json " MEZZET_SOURCE_DIR "/tests/io/jobs/version-3.json " MEZZET_SOURCE_DIR
      "/tests/io/jobs/version-4.json " MEZZET_SOURCE_DIR "/tests/io/jobs/version-5.json " MEZZET_SOURCE_DIR
      "/tests/io/jobs/version-6.json";
  EXPECT_EQ(std::system(command.c_str()), 0);
}
TEST(Schema, RefusesAnUnknownKey) {
  const std::string path = test::ownFile("schema-bad.json");
  std::ofstream(path) << replaced(minimal(), "\"units\": \"in\"", "\"units\": \"in\", \"colour\": 3");
  const std::string command = std::string(MEZZET_PYTHON) +
                              " " MEZZET_SOURCE_DIR "/tests/io/validate_schema.py " MEZZET_SOURCE_DIR
                              "/docs/job-file.schema.json " +
                              path + " 2>/dev/null";
  EXPECT_NE(std::system(command.c_str()), 0);
}

// ---- readings, since version 3
TEST(ReadingsInAJob, ComeBackAsTheyWereRead) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-3.json"), "version-3.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const SurveyRecord& survey = *file->job.rooms[0]->survey;
  ASSERT_EQ(survey.readings.size(), 6U);
  EXPECT_TRUE(survey.readings[0].superseded);
  EXPECT_EQ(survey.readings[0].typed, "18'6");
  EXPECT_EQ(survey.readings[0].takenAt, TakenAt::Skirting);
  EXPECT_EQ(survey.readings[3].instrument, Instrument::Laser);
  EXPECT_EQ(survey.readings[3].u95, 3);
  EXPECT_FALSE(survey.corners[2].square);
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok());
  EXPECT_EQ(again->job, file->job);
}
TEST(ReadingsInAJob, BringTheDoubtOfTheWallsAndLeaveTheCornersAsTheyWere) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-3.json"), "version-3.json");
  ASSERT_TRUE(file->job.rooms[0]->doubt.covariance);
  EXPECT_EQ(file->job.rooms[0]->doubt.covariance->size(), 64U);
  EXPECT_NEAR(file->job.rooms[0]->corners[1].at.x, 5638.8, 1e-9);
}
TEST(ReadingsInAJob, OfAnotherSketchAreRefused) {
  std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-3.json");
  const auto faulty = [&](const std::string& from, const std::string& to) { return refusal(replaced(text, from, to)); };
  EXPECT_NE(faulty("\"value\": 6805.4", "\"value\": -6805.4").find("reading r4"), std::string::npos);
  EXPECT_NE(faulty("\"id\": \"r5\"", "\"id\": \"r4\"").find("reading r4: stands twice"), std::string::npos);
  EXPECT_NE(faulty("\"to\": \"C\",\n      \"value\": 6805.4", "\"to\": \"Q\",\n      \"value\": 6805.4")
                .find("names a corner that is not there"),
            std::string::npos);
}

// ---- the site, since version 4
TEST(TheSiteInAJob, ComesBackAsItWasRecorded) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-4.json"), "version-4.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Room& room = *file->job.rooms[0];
  EXPECT_EQ(room.openings[0].readings.size(), 3U);
  EXPECT_TRUE(room.openings[0].readings[1].taken.atTrim);
  EXPECT_EQ(room.openings[0].leadsTo, (LeadsTo{RoomId("hall"), OpeningId("d9")}));
  EXPECT_EQ(room.openings[1].leaf, WindowLeaf::CasementIn);
  EXPECT_EQ(room.openings[1].outside, Outside::Street);
  EXPECT_EQ(room.corners[1].material, WallMaterial::BoardOnStuds);
  EXPECT_EQ(room.features[1].stair->risers, 13);
  EXPECT_EQ(room.heights.size(), 3U);
  EXPECT_EQ(room.ceiling, CeilingShape::Sloped);
  EXPECT_EQ(room.trim.pictureRail, 2100.0);
  EXPECT_EQ(room.points[1].at, (Vec2{2000, 1500}));
  EXPECT_TRUE(room.studs[0].hits[1].detector);
  EXPECT_EQ(room.underlay->trace.size(), 4U);
  EXPECT_EQ(room.photographs[0].note, "damp");
  EXPECT_EQ(file->job.storeys.size(), 2U);
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok()) << again.error().text();
  EXPECT_EQ(again->job, file->job);
}
class BadSite : public testing::TestWithParam<std::array<const char*, 3>> {};
TEST_P(BadSite, IsRefusedInWords) {
  const auto& [from, to, words] = GetParam();
  const std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-4.json");
  ASSERT_NE(text.find(from), std::string::npos) << from;
  EXPECT_NE(refusal(replaced(text, from, to)).find(words), std::string::npos) << refusal(replaced(text, from, to));
}
INSTANTIATE_TEST_SUITE_P(
    TheSiteInAJob, BadSite,
    testing::Values(
        std::array{"\"risers\": 13", "\"risers\": 0", "feature stair1: has a number of risers that is not 1 to 60"},
        std::array{"\"kind\": \"stair\"", "\"kind\": \"column\"", "feature stair1: has steps, but is no stair"},
        std::array{"\"along\": 900.0", "\"along\": 9000.0", "point s1: is not on wall A"},
        std::array{"\"confidence\": 0.9", "\"confidence\": 0", "hit k1"},
        std::array{"\"pitch\": 406.4", "\"pitch\": 4", "studs of wall B: have a pitch"},
        std::array{"\"value\": 2490.0", "\"value\": -5", "height h1: is no reading of a length"},
        std::array{"\"opening\": \"d9\"", "\"opening\": \"d8\"", "leads to an opening that is not there"},
        std::array{"\"storey\": \"ground\"", "\"storey\": \"attic\"", "is on a storey that is not there: attic"},
        std::array{"\"width\": 2000", "\"width\": 0", "has a picture of no size"},
        std::array{"0000.png", "../x.png", "is not the name of an image in this file"}));

// ---- furniture in use, since version 5
TEST(FurnitureInAJob, ComesBackAsItWasWritten) {
  const auto file = readJobText(slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-5.json"), "version-5.json");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Piece& first = *file->job.pieces[0];
  EXPECT_EQ(first.seat->people, 3);
  EXPECT_EQ(first.finish->backFinished, false);
  EXPECT_EQ(first.finish->material, "linen");
  EXPECT_EQ(first.shop->weight, 48.5);
  EXPECT_TRUE(first.shop->owned);
  EXPECT_EQ(findPiece(file->job, PieceId("arc"))->shape, Shape::Curve);
  EXPECT_EQ(findPiece(file->job, PieceId("dt"))->use->extendsBy, 500.0);
  const Placement& table = file->job.schemes[0]->placements.back();
  EXPECT_TRUE(table.inUse);
  EXPECT_EQ(table.usedAt, (FloorPlace{{1600, 1500}, 90}));
  EXPECT_FALSE(file->job.rooms[0]->entry.empty());
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok()) << again.error().text();
  EXPECT_EQ(again->job, file->job);
}
// ---- rugs and carpet, since version 6
std::string withRug(const std::string& rug, const std::string& kind = "rug") {
  return R"({"format":"mezzet-job","version":6,"name":"R","units":"mm","nextId":9,"rooms":[],"schemes":[],"pieces":[{"id":"r","name":"Rug",)"
         R"("kind":")" +
         kind + R"(","width":3000,"depth":2000,"rug":)" + rug +
         R"(}],"carpet":{"rolls":[4000],"edgePrices":{"machine-binding":5.5}}})";
}
TEST(RugInAJob, ComesBackAsItWasWritten) {
  const auto file =
      readJobText(withRug(R"({"pile":9.5,"pad":6,"construction":"cut-and-loop","fibre":"wool","edge":"tape-border",)"
                          R"("outline":[[-1500,-1000],[1500,-1000],[1500,500],[0,1000],[-1500,1000]]})"),
                  "rug");
  ASSERT_TRUE(file.ok()) << file.error().text();
  const Piece& rug = *file->job.pieces[0];
  EXPECT_EQ(rug.rug->pile, 9.5);
  EXPECT_EQ(rug.rug->pad, 6.0);
  EXPECT_EQ(rug.rug->construction, Construction::CutAndLoop);
  EXPECT_EQ(rug.rug->fibre, "wool");
  EXPECT_EQ(rug.rug->outline.size(), 5U);
  EXPECT_EQ(file->job.carpet.edgePrices.at("machine-binding"), 5.5);
  const auto again = readJobText(writeJobText(file->job, file->nextId), "again");
  ASSERT_TRUE(again.ok()) << again.error().text();
  EXPECT_EQ(again->job, file->job);
}
TEST(RugInAJob, ThatCannotBeIsRefusedInWords) {
  EXPECT_NE(refusal(withRug("{}", "sofa")).find("is only for a rug, and this is a sofa"), std::string::npos);
  EXPECT_NE(refusal(withRug(R"({"construction":"woven"})")).find("Use one of: loop, cut, cut-and-loop, flat"),
            std::string::npos);
  EXPECT_NE(refusal(withRug(R"({"pile":-1})")).find("has a pile that is not a length"), std::string::npos);
  EXPECT_NE(refusal(withRug(R"({"weave":1})")).find("is a key that Mezzet does not know"), std::string::npos);
  EXPECT_NE(refusal(withRug(R"({"outline":[[0,0],[100,100],[100,0],[0,100]]})")).find("crosses itself"),
            std::string::npos);
  EXPECT_NE(refusal(withRug(R"({"outline":[[0,0],[1600,0],[0,100]]})")).find("larger than its width and depth"),
            std::string::npos);
}

class BadFurniture : public testing::TestWithParam<std::array<const char*, 3>> {};
TEST_P(BadFurniture, IsRefusedInWords) {
  const auto& [from, to, words] = GetParam();
  const std::string text = slurp(MEZZET_SOURCE_DIR "/tests/io/jobs/version-5.json");
  ASSERT_NE(text.find(from), std::string::npos) << from;
  EXPECT_NE(refusal(replaced(text, from, to)).find(words), std::string::npos) << refusal(replaced(text, from, to));
}
INSTANTIATE_TEST_SUITE_P(
    FurnitureInAJob, BadFurniture,
    testing::Values(std::array{"\"seats\": 3", "\"seats\": 0", "has seats that are not 1 to 100"},
                    std::array{"\"seats\": 3", "\"seats\": 2.5", "seats"},
                    std::array{"\"weight\": 48.5", "\"weight\": -1", "has a weight that is not more than 0"},
                    std::array{"\"price\": 1290", "\"price\": -1", "has a price that is no amount"},
                    std::array{"\"opensBy\": 500", "\"opensBy\": -500", "opens by: must be more than 0"},
                    std::array{"\"depth\": 1219.2", "\"depth\": 1519.2", "is bent by more than half a circle"},
                    std::array{"\"turn\": 90", "\"turn\": 900", "has a turn that is not from 0 up to 360"},
                    std::array{"\"entry\": \"", "\"entry\": \"no", "is entered by an opening that is not there"}));

}  // namespace job_file_test
}  // namespace mezzet
