// What the command line says of a site, drawings read back by an independent library, and the stand-in of a measuring
// device.
#include <gtest/gtest.h>
#include <sys/socket.h>
#include <sys/un.h>
#include <unistd.h>

#include <chrono>
#include <cmath>
#include <csignal>
#include <fstream>
#include <nlohmann/json.hpp>
#include <thread>

#include "io/files/job_file.h"
#include "io/files/file_system.h"
#include "io/meter/meter_line.h"
#include "support/process.h"
#include "support/temp.h"

namespace mezzet {
namespace site_cli_test {
using namespace test;
using Json = nlohmann::json;

const std::string kCli = MEZZET_BIN_DIR "/mezzet-cli ";
const std::string kDemo = MEZZET_DEMO;

TEST(SiteCli, SaysWhatTheTapeSaysAgainstThePlan) {
  const Json j = Json::parse(run(kCli + "site " + kDemo + " --room breakfast --json").out);
  ASSERT_EQ(j["trace"].size(), 8U);
  for (const Json& row : j["trace"]) {
    EXPECT_TRUE(row["taped"].is_number());
    EXPECT_NEAR(row["difference"].get<double>(), row["taped"].get<double>() - row["traced"].get<double>(), 1e-6);
  }
  EXPECT_TRUE(j["walls"][0]["closes"]);
  EXPECT_NEAR(j["openings"][0]["misclosure"].get<double>(), 3.175, 0.5);
}
TEST(SiteCli, SaysHowTheFloorAndCeilingLie) {
  const Json hall = Json::parse(run(kCli + "site " + kDemo + " --room hall --json").out)["heights"];
  EXPECT_GT(hall["floor"]["gy"].get<double>(), 0);  // it falls to the front door
  const Json landing = Json::parse(run(kCli + "site " + kDemo + " --room landing --json").out)["heights"];
  EXPECT_LT(landing["lowest"].get<double>(), landing["highest"].get<double>() - 1000);
  EXPECT_TRUE(landing["fits"]);
}
TEST(SiteCli, PutsTheHouseTogether) {
  const Json j = Json::parse(run(kCli + "house " + kDemo + " --json").out);
  ASSERT_EQ(j["storeys"].size(), 2U);
  EXPECT_EQ(j["storeys"][0]["rooms"].size(), 3U);
  for (const Json& room : j["storeys"][0]["rooms"]) EXPECT_TRUE(room["joined"]);
  const Json together = Json::parse(run(kCli + "house " + kDemo + " --together parlour,hall").out);
  EXPECT_EQ(together["corners"].size(), 13U);  // five and four, and the four of the doorway
  const Answer apart = run(kCli + "house " + kDemo + " --together parlour,landing 2>&1");
  EXPECT_EQ(apart.code, 2);
  EXPECT_NE(apart.out.find("is joined to"), std::string::npos);
}
TEST(SiteCli, PrintsTheStorey) {
  const std::string out = ownFile("house.pdf");
  EXPECT_EQ(
      run("QT_QPA_PLATFORM=offscreen " + kCli + "sheet " + kDemo + " --kind house --scale fit --paper a3 --out " + out)
          .code,
      0);
  EXPECT_NE(run("pdftotext " + out + " -").out.find("Stair hall"), std::string::npos);
}

/// Read back by python3-ezdxf.
TEST(DxfOut, IsReadByAnIndependentLibrary) {
  const JobFile demo = readJobBytes(readFile(kDemo, 1 << 26).value(), "demo").value();
  for (const auto& room : demo.job.rooms) {
    SCOPED_TRACE(room->id.value);
    const std::string out = ownFile(room->id.value + ".dxf");
    ASSERT_EQ(run(kCli + "export " + kDemo + " --room " + room->id.value + " --out " + out).code, 0);
    const Answer answer = run(std::string(MEZZET_PYTHON) + " " MEZZET_SOURCE_DIR "/tests/whole/read_dxf.py " + out);
    ASSERT_EQ(answer.code, 0);
    const Json j = Json::parse(answer.out);
    EXPECT_EQ(j["errors"], 0);
    EXPECT_EQ(j["unit"], 4);
    ASSERT_EQ(j["outline"].size(), room->corners.size());
    for (std::size_t i = 0; i < room->corners.size(); ++i) {
      EXPECT_NEAR(j["outline"][i][0].get<double>(), room->corners[i].at.x, 1e-3);
      EXPECT_NEAR(j["outline"][i][1].get<double>(), room->corners[i].at.y, 1e-3);
    }
    EXPECT_EQ(j["texts"].size(), room->corners.size());
    for (const char* layer : {"WALLS", "OPENINGS", "DIMENSIONS"}) EXPECT_TRUE(j["layers"].contains(layer)) << layer;
  }
}
TEST(DxfIn, ComesBackThroughTheCommandLine) {
  const std::string out = ownFile("parlour.dxf");
  ASSERT_EQ(run(kCli + "export " + kDemo + " --out " + out).code, 0);
  const Json j = Json::parse(run(kCli + "outline " + out + " --layer WALLS").out);
  EXPECT_EQ(j["corners"].size(), 5U);
  EXPECT_EQ(j["mmPerUnit"], 1.0);
}
/// Written by python3-ezdxf, in inches, with a polyline and an arc.
TEST(DxfIn, IsReadAsAnIndependentLibraryWroteIt) {
  const std::string out = ownFile("made.dxf");
  const Answer made = run(std::string(MEZZET_PYTHON) + " " MEZZET_SOURCE_DIR "/tests/whole/write_dxf.py " + out);
  ASSERT_EQ(made.code, 0);
  const Json j = Json::parse(run(kCli + "outline " + out + " --layer ROOM").out);
  ASSERT_EQ(j["corners"].size(), 4U);
  EXPECT_NEAR(j["mmPerUnit"].get<double>(), 25.4, 1e-12);
  double area = 0;
  for (std::size_t i = 0; i < 4; ++i) {
    const Json &a = j["corners"][i], &b = j["corners"][(i + 1) % 4];
    area += (a["x"].get<double>() * b["y"].get<double>() - b["x"].get<double>() * a["y"].get<double>()) / 2;
  }
  EXPECT_NEAR(area, 222 * 150 * 25.4 * 25.4, 1);
  // Half a disc of 50 in radius under a line, with a bulge of 1.
  const Json bay = Json::parse(run(kCli + "outline " + out + " --layer BAY").out);
  EXPECT_GT(bay["corners"].size(), 12U);
}
TEST(DxfIn, RefusesInWords) {
  const std::string path = ownFile("none.dxf");
  std::ofstream(path) << "nothing";
  const Answer a = run(kCli + "outline " + path + " 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find("is not a drawing exchange file"), std::string::npos);
}

// ---- mezzet-laser
TEST(LaserStandIn, PlaysARoomWithNoise) {
  const std::string name = ownFile("meter.sock");
  const std::string log = ownFile("meter.log");
  // An absolute path is a socket of that name.
  const Answer started = run(MEZZET_BIN_DIR "/mezzet-laser --socket " + name + " --job " + kDemo +
                             " --noise 0.8 --seed 7 --every 30 > " + log + " 2>&1 & echo $!");
  const pid_t pid = std::stoi(started.out);
  int handle = -1;
  for (int i = 0; i < 200 && handle < 0; ++i) {
    const int s = ::socket(AF_UNIX, SOCK_STREAM, 0);
    sockaddr_un address{};
    address.sun_family = AF_UNIX;
    name.copy(address.sun_path, sizeof address.sun_path - 1);
    if (::connect(s, reinterpret_cast<const sockaddr*>(&address), sizeof address) == 0) handle = s;
    else ::close(s), std::this_thread::sleep_for(std::chrono::milliseconds(25));
  }
  ASSERT_GE(handle, 0);
  ASSERT_EQ(::write(handle, "take\n", 5), 5);
  MeterLines lines;
  bool greeted = false;
  std::vector<MeterReading> readings;
  char buffer[512];
  while (readings.size() < 4) {
    const ssize_t got = ::read(handle, buffer, sizeof buffer);
    if (got <= 0) break;
    for (const MeterMessage& m : lines.take({buffer, static_cast<std::size_t>(got)})) {
      greeted = greeted || std::holds_alternative<MeterHello>(m);
      if (const auto* r = std::get_if<MeterReading>(&m)) readings.push_back(*r);
    }
  }
  ::close(handle);
  ::kill(pid, SIGTERM);
  EXPECT_TRUE(greeted);
  ASSERT_GE(readings.size(), 4U);
  EXPECT_EQ(lines.garbled(), 0U);
  const JobFile demo = readJobBytes(readFile(kDemo, 1 << 26).value(), "demo").value();
  const std::vector<Wall> walls = wallsOf(*demo.job.rooms.front());
  // Some steps may have been played before the connection; from the first one heard they follow each other.
  std::size_t first = static_cast<std::size_t>(readings[0].number) - 1;
  for (std::size_t i = 0; i < 4 && first + i < walls.size(); ++i) {
    EXPECT_NEAR(readings[i].value, walls[first + i].length(), 5);
    EXPECT_NEAR(readings[i].u95, 1.6, 1e-9);
  }
}
TEST(LaserStandIn, DoesNotRemoveAFileThatIsNoSocket) {
  const std::string path = ownFile("precious");
  std::ofstream(path) << "kept";
  EXPECT_EQ(run(MEZZET_BIN_DIR "/mezzet-laser --socket " + path + " 2>&1").code, 2);
  EXPECT_EQ(readFile(path, 100).value(), "kept");
}
TEST(LaserStandIn, RefusesABadScript) {
  const std::string path = ownFile("script.txt");
  std::ofstream(path) << "4200\nbanana\n";
  const Answer a = run(MEZZET_BIN_DIR "/mezzet-laser --script " + path + " 2>&1");
  EXPECT_EQ(a.code, 2);
  EXPECT_NE(a.out.find("line 2: is no step. A figure in mm, garbage, burst or drop"), std::string::npos) << a.out;
}

}  // namespace site_cli_test
}  // namespace mezzet
