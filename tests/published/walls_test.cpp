// Walls against outside knowledge: the law of reflection (textbook optics: Hecht, Optics, plane mirrors) and GEOS for
// what a mirror shows; the theorem of the full-length mirror (the same: half of one's height, its foot half way up to
// the eye, at any distance); minimum spanning trees by Boost.Graph; the viewing angle of a screen's centre (SMPTE EG
// 18-1994: at most 15 degrees; from memory). Random rooms; the seed is printed.
#include <gtest/gtest.h>

#include <array>
#include <boost/graph/adjacency_list.hpp>
#include <boost/graph/kruskal_min_spanning_tree.hpp>
#include <cmath>
#include <random>

#include "core/hang/neighbours.h"
#include "core/rules/check.h"
#include "core/sight/reflection.h"
#include "io/json/rulebook_json.h"
#include "support/findings.h"
#include "support/geos.h"
#include "support/rooms.h"

namespace mezzet {
namespace walls_test {
using namespace test;

constexpr unsigned kSeed = 29'979;
constexpr LengthFormat kInches{LengthStyle::Inches, 16};

/// From where to where along a ray, in mm, GEOS says that it is in a body; nothing where it misses.
std::optional<std::pair<double, double>> within(const Geos& geos, Vec2 from, Vec2 direction, const Convex& body) {
  const Vec2 to = from + direction * 20'000;
  const auto sight = geos.segment(from, to);
  const auto shape = body.core.size() == 2 ? geos.segment(body.core[0], body.core[1]) : geos.polygon(body.core);
  const auto cut = geos.own(GEOSIntersection_r(geos.handle, sight.get(), shape.get()));
  if (cut == nullptr || GEOSisEmpty_r(geos.handle, cut.get()) == 1) return std::nullopt;
  double minX = 0, maxX = 0, minY = 0, maxY = 0;
  GEOSGeom_getXMin_r(geos.handle, cut.get(), &minX);
  GEOSGeom_getXMax_r(geos.handle, cut.get(), &maxX);
  GEOSGeom_getYMin_r(geos.handle, cut.get(), &minY);
  GEOSGeom_getYMax_r(geos.handle, cut.get(), &maxY);
  const bool byX = std::abs(direction.x) > std::abs(direction.y);
  double a = byX ? (minX - from.x) / direction.x : (minY - from.y) / direction.y,
         b = byX ? (maxX - from.x) / direction.x : (maxY - from.y) / direction.y;
  if (a > b) std::swap(a, b);
  return std::pair(a, b);
}

/// What one ray meets, followed by GEOS: the reflected eye, the height at every distance. The ceiling is looked for in
/// small steps.
template <class Ceiling>
std::string metBy(const Geos& geos, const Glass& glass, const Eye& eye, double share,
                  const std::vector<Meetable>& things, Ceiling ceiling, const std::string& seat) {
  const double off = dot(eye.at - glass.a, glass.inward);
  const Vec2 image = eye.at - glass.inward * (2 * off);
  // By angle, as shares are.
  const double a = std::atan2(glass.a.y - image.y, glass.a.x - image.x),
               b = std::atan2(glass.b.y - image.y, glass.b.x - image.x);
  const double angle = a + std::remainder(b - a, 2 * M_PI) * share;
  const Vec2 d{std::cos(angle), std::sin(angle)};
  const double toGlass = off / dot(d, glass.inward), slope = (glass.height - eye.height) / toGlass;
  double nearest = slope < 0 ? -eye.height / slope : 1e9;
  std::string met = "floor";
  constexpr double kStep = 2, kFurthest = 8000;  // mm
  for (double along = toGlass; along < std::min(nearest, kFurthest); along += kStep)
    if (eye.height + slope * along >= ceiling(image + d * along)) {
      nearest = along;
      met = "ceiling";
    }
  for (const Meetable& m : things) {
    if (m.id == glass.owner || m.id == glass.wall || m.id == seat) continue;
    const auto in = within(geos, image, d, m.shape);
    if (!in) continue;
    double from = std::max(in->first, toGlass), to = in->second;
    // Where along it the ray is between underside and top.
    if (std::abs(slope) < 1e-12) {
      if (eye.height < m.bottom || eye.height > m.top) continue;
    } else {
      double low = (m.bottom - eye.height) / slope, high = (m.top - eye.height) / slope;
      if (low > high) std::swap(low, high);
      from = std::max(from, low);
      to = std::min(to, high);
    }
    if (from <= to + 1e-6 && from < nearest) {
      nearest = from;
      met = m.id;
    }
  }
  return met;
}

HeightReading clear(double x, double y, double height, std::size_t number) {
  HeightReading out{ReadingId("h" + std::to_string(number)), HeightKind::Clear, {x, y}, {}};
  out.taken.value = height;
  return out;
}

TEST(MirrorAgainstGeos, SharesAreThoseOfDenseRays) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  const auto between = [&](double low, double high) {
    return std::uniform_real_distribution<double>(low, high)(random);
  };
  const Geos geos;
  constexpr int kRays = 400;
  int rays = 0, same = 0;
  double overhead = 0;  // what meets ceilings that slope or step
  for (int room = 0; room < 12; ++room) {
    Job job = emptyRoom(200, 160, 100);
    Room shape = *job.rooms.front();
    Opening w;
    w.id = OpeningId("w1");
    w.kind = OpeningKind::Window;
    w.wall = CornerId("A");
    w.offset = between(200, 2500);
    w.width = between(600, 1500);
    w.sill = between(300, 1000);
    w.height = between(600, 1200);
    shape.openings = {w};
    // Every third room has a slope, every third a step down over a part of it.
    if (room % 3 == 1) {
      shape.ceiling = CeilingShape::Sloped;
      shape.openings[0].sill = 300;
      shape.openings[0].height = between(600, 1100);  // under the slope
      const double low = between(1500, 2000), high = between(2400, 3200);
      for (const auto& [x, y, z] :
           {std::array{10.0, 10.0, low}, std::array{190.0, 10.0, low}, std::array{10.0, 150.0, high}})
        shape.heights.push_back(clear(in(x), in(y), z, shape.heights.size()));
    } else if (room % 3 == 2) {
      CeilingArea area;
      area.id = CeilingId("c1");
      area.outline = {{in(20), in(20)}, {in(150), in(30)}, {in(140), in(90)}, {in(30), in(80)}};
      shape.ceilingAreas = {area};
      shape.heights.push_back(clear(in(80), in(50), between(1700, 2200), 1));
    }
    job = withRoom(job, shape).value();
    for (int i = 0; i < 5; ++i) {
      const std::string n = std::to_string(i);
      job = with(job, piece(("b" + n).c_str(), "cabinet", between(15, 60), between(10, 40), between(15, 80)),
                 ("p" + n).c_str(), between(40, 160), between(30, 100), between(0, 359));
    }
    Piece m = piece("m", "mirror", between(20, 50), 1, between(20, 60));
    job = withPlacement(withPiece(job, m).value(), SchemeId("s1"),
                        {PlacementId("mirror"),
                         m.id,
                         WallPlace{CornerId("C"), in(between(40, 160)), in(between(40, 70)), std::nullopt},
                         {}});
    const PieceIndex pieces(job);
    const Room& now = *job.rooms.front();
    const Glass glass = *glassOf(pieces, now, *findPlacement(scheme(job), PlacementId("mirror")));
    const Reflected reflected = reflectedIn(pieces, now, scheme(job));
    const Eye eye{{in(between(30, 170)), in(between(20, 130))}, between(1000, 1750)};
    std::map<std::string, double> ours, dense;
    for (const Shown& one : shownIn(glass, eye, reflected)) ours[one.id] += one.share;
    for (int i = 0; i < kRays; ++i)
      dense[metBy(
          geos, glass, eye, (i + 0.5) / kRays, reflected.things, [&](Vec2 p) { return reflected.heights.ceilingAt(p); },
          "")] += 1.0 / kRays;
    for (const auto& [id, share] : dense)
      EXPECT_NEAR(ours[id], share, 4.0 / kRays) << id << ", seed " << kSeed << ", room " << room;
    for (const auto& [id, share] : ours)
      EXPECT_NEAR(dense[id], share, 4.0 / kRays) << id << ", seed " << kSeed << ", room " << room;
    rays += kRays;
    if (room % 3 != 0) overhead += dense["ceiling"];
    for (const auto& [id, share] : dense) same += static_cast<int>(std::lround(kRays * std::min(share, ours[id])));
  }
  std::printf("%d of %d rays alike\n", same, rays);
  EXPECT_GT(overhead, 0.5);
}

TEST(FullLengthMirror, ShowsTheFeetWhereItsFootIsHalfWayUpToTheEyeAtAnyDistance) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> stature(1300, 2000), foot(300, 1100), away(300, 4000);
  for (int i = 0; i < 200; ++i) {
    const double height = stature(random), bottom = foot(random);
    Piece m = piece("m", "mirror", 20, 1, 60);
    m.height = 1900;
    m.mirror.edit().looksAs = LooksAs::Full;
    Job job =
        withPlacement(withPiece(emptyRoom(), m).value(), SchemeId("s1"),
                      {PlacementId("p1"), m.id, WallPlace{CornerId("A"), in(111), bottom + 950, std::nullopt}, {}});
    job.brief.statures = {height};
    const auto all = check(job, builtInRulebook(), SchemeId("s1"), kInches, kEveryDay);
    const Finding* f = findingIn(all, "mirror-full:p1");
    ASSERT_NE(f, nullptr);
    // The ray from the eye to the image of the feet, which stand as far behind the glass, crosses it here.
    const double eye = 0.936 * height, distance = away(random);
    const double crosses = eye + (0 - eye) * distance / (2 * distance);
    EXPECT_EQ(f->margin >= 0, crosses >= bottom - 1e-9) << "seed " << kSeed;
    EXPECT_NEAR(f->measured, crosses - bottom, 1e-6);
  }
}

TEST(SpanningTree, IsBoosts) {
  std::printf("seed %u\n", kSeed);
  std::mt19937 random(kSeed);
  std::uniform_real_distribution<double> u(20, 200), v(20, 80), side(4, 30);
  for (int round = 0; round < 40; ++round) {
    Job job = emptyRoom();
    const int n = 2 + round % 20;
    std::vector<PlacementId> members;
    for (int i = 0; i < n; ++i) {
      const std::string name = std::to_string(100 + i);
      job = hung(job, ("a" + name).c_str(), ("p" + name).c_str(), side(random), side(random), u(random), v(random));
      members.emplace_back("p" + name);
    }
    const PieceIndex pieces(job);
    const std::vector<HungPair> ours = spanningPairs(pieces, scheme(job), members);
    using Graph = boost::adjacency_list<boost::vecS, boost::vecS, boost::undirectedS, boost::no_property,
                                        boost::property<boost::edge_weight_t, double>>;
    Graph graph(static_cast<std::size_t>(n));
    std::vector<Parts> outlines;
    for (const PlacementId& id : members) {
      const Placement& p = *findPlacement(scheme(job), id);
      outlines.push_back(hungOutline(pieces.of(p), wallPlace(p.on)));
    }
    for (std::size_t a = 0; a < outlines.size(); ++a)
      for (std::size_t b = a + 1; b < outlines.size(); ++b)
        boost::add_edge(a, b, separation(outlines[a], outlines[b]).gap, graph);
    std::vector<boost::graph_traits<Graph>::edge_descriptor> tree;
    boost::kruskal_minimum_spanning_tree(graph, std::back_inserter(tree));
    ASSERT_EQ(ours.size(), tree.size());
    double weight = 0, boosts = 0;
    for (const HungPair& pair : ours) weight += pair.gap;
    for (const auto& edge : tree) boosts += boost::get(boost::edge_weight, graph, edge);
    EXPECT_NEAR(weight, boosts, 1e-6) << "seed " << kSeed << ", round " << round;
  }
}

TEST(ScreenCentre, IsAskedWithinThePublishedAngle) {
  const Rule* rule = findRule(builtInRulebook(), "screen-centre");
  ASSERT_NE(rule, nullptr);
  EXPECT_EQ(rule->schools[0].tolerated.high, 15);
}

}  // namespace walls_test
}  // namespace mezzet
