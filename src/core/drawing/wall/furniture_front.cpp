#include "core/drawing/wall/furniture_front.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/drawing/base/drafting.h"
#include "core/drawing/base/indicative.h"
#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {
namespace {

// What no one measures, as it is drawn [D]: mm of the room.
constexpr double kLeg = 100, kChairLeg = 35, kTableLeg = 40, kTopThick = 40, kCaseEdge = 20, kPlinth = 60,
                 kDrawerHigh = 260, kShelfApart = 330, kTallCase = 1200, kBezel = 14;

const Stroke kEdge{Ink::Ink, kFurnitureLine, Dash::Solid};

/// Which side of it the room sees.
enum class Seen { Front, Back, Side };
Seen seenOf(const FloorPlace& place, const Wall& wall) {
  const double towards = dot(rotated({0, -1}, turnOf(place.turn)), wall.inward());
  return towards > 0.9 ? Seen::Front : towards < -0.9 ? Seen::Back : Seen::Side;
}

/// Whether its back, seen from the side, is at the right.
bool backAtRight(const FloorPlace& place, const Wall& wall) {
  return dot(rotated({0, 1}, turnOf(place.turn)), -wall.along()) > 0;  // u runs against the wall
}

/// One piece on the elevation, from `left` to `right` and from its floor up.
struct Front {
  Drawing& d;
  const ItemId& id;
  double left, right, floor, top;

  [[nodiscard]] double width() const { return right - left; }
  [[nodiscard]] double middle() const { return (left + right) / 2; }
  void box(double l, double low, double r, double high, Ink fill, Stroke stroke) const {
    d.add(Layer::Furniture, id, rectangle({l, low}, {r, high}, fill, stroke));
  }
  void stroke(Vec2 a, Vec2 b, Stroke s) const { d.add(Layer::Furniture, id, line(a, b, s)); }
  void shape(std::vector<Vec2> points, Ink fill, Stroke s) const {
    d.add(Layer::Furniture, id, PathItem{std::move(points), true, fill, s});
  }
  /// Two legs, `in` from the ends and `wide`.
  void legs(double in, double wide, double high, Ink fill, Stroke s) const {
    in = std::min(in, width() / 4);
    box(left + in, floor, left + in + wide, high, fill, s);
    box(right - in - wide, floor, right - in, high, fill, s);
  }
};

void addSofaFront(const Front& f, const Piece& piece) {
  const double arm = f.floor + piece.seat->arm.value_or(0),
               seat = f.floor + piece.seat->height.value_or((f.top - f.floor) * 0.5), under = f.floor + kLeg;
  const double armWidth = piece.seat->arm ? std::min(kDefaultArmWidth, piece.width / 4) : 0;
  const double from = f.left + armWidth, to = f.right - armWidth;
  f.legs(40, kTableLeg, under, Ink::Ink, Stroke{});
  f.box(f.left, under, f.right, f.top, Ink::Cloth, kEdge);
  f.stroke({from, seat}, {to, seat}, thin());
  const double base = under + (seat - under) * 0.4;  // the rail under the cushions
  f.stroke({from, base}, {to, base}, fine());
  const int count = timesIn(to - from, kSeatCushion);
  for (int i = 1; i < count; ++i) {
    const double u = from + (to - from) * i / count;
    f.stroke({u, base}, {u, f.top}, fine());
  }
  if (piece.seat->arm)
    for (const auto& [l, r] : {std::pair{f.left, from}, std::pair{to, f.right}})
      f.box(l, under, r, arm, Ink::ClothShade, kEdge);
}

void addSeatAside(const Front& f, Seen seen) {
  f.legs(40, kTableLeg, f.floor + kLeg, Ink::Ink, Stroke{});
  f.box(f.left, f.floor + kLeg, f.right, f.top, Ink::Cloth, kEdge);
  // A back is plain but for its seam; from the side the arm shows.
  const double seam = f.floor + kLeg + (f.top - f.floor - kLeg) * (seen == Seen::Back ? 0.12 : 0.55);
  f.stroke({f.left, seam}, {f.right, seam}, fine());
}

void addChairFront(const Front& f, const Piece& piece, Seen seen, bool backRight) {
  const double seat = std::min(f.top, f.floor + piece.seat->height.value_or(450));
  f.legs(10, kChairLeg, seat, Ink::Wood, thin());
  f.box(f.left, seat - 60, f.right, seat, Ink::Cloth, kEdge);
  if (f.top <= seat + 1) return;
  if (seen != Seen::Side) {
    f.box(f.left + 15, seat, f.right - 15, f.top, seen == Seen::Back ? Ink::ClothShade : Ink::Cloth, kEdge);
    for (const double share : {0.35, 0.65})
      f.stroke({f.left + share * f.width(), seat}, {f.left + share * f.width(), f.top - 50}, fine());
    f.stroke({f.left + 15, f.top - 50}, {f.right - 15, f.top - 50}, fine());
  } else {
    const double thick = std::min(40.0, f.width() / 3);
    f.box(backRight ? f.right - thick : f.left, seat, backRight ? f.right : f.left + thick, f.top, Ink::ClothShade,
          kEdge);
  }
}

void addTableFront(const Front& f, const Piece& piece) {
  const double thick = std::min(kTopThick, (f.top - f.floor) / 6);
  if (piece.shape == Shape::Round && f.width() < 3 * kFoot) {
    const double u = f.middle();
    f.box(u - 18, f.floor + 12, u + 18, f.top - thick, Ink::Wood, thin());
    f.box(u - f.width() / 4, f.floor, u + f.width() / 4, f.floor + 12, Ink::Wood, thin());
  } else {
    f.legs(0, kTableLeg, f.top - thick, Ink::Wood, thin());
    // The frame under the top.
    if (f.top - f.floor > 500)
      f.box(f.left + kTableLeg, f.top - thick - 70, f.right - kTableLeg, f.top - thick, Ink::Wood, fine());
  }
  f.box(f.left, f.top - thick, f.right, f.top, Ink::Wood, kEdge);
}

/// Its bays where they were said; else leaves with their pulls where it is tall, drawers over leaves where it is low,
/// or open shelves; a plain side.
void addCaseFront(const Front& f, const Piece& piece, Seen seen) {
  f.box(f.left, f.floor, f.right, f.top, Ink::Wood, kEdge);
  if (seen != Seen::Front) return;
  // Shelves that were measured, each bay where it is.
  for (const Surface& s : piece.surfaces->all)
    if (s.top)
      f.box(f.middle() + s.left, f.floor + s.bottom, f.middle() + s.right, f.floor + *s.top, Ink::Paper, thin());
  if (!piece.surfaces->all.empty()) return;
  const double low = f.floor + std::min(kPlinth, (f.top - f.floor) / 6), high = f.top - kCaseEdge,
               from = f.left + kCaseEdge, to = f.right - kCaseEdge;
  if (to - from < 100 || high - low < 100) return;
  f.box(from, low, to, high, Ink::None, fine());
  if (!opensForward(piece.kind)) {
    const int shelves = timesIn(high - low, kShelfApart);
    for (int i = 1; i < shelves; ++i)
      f.stroke({from, low + (high - low) * i / shelves}, {to, low + (high - low) * i / shelves}, thin());
    return;
  }
  const int leaves = timesIn(to - from, kLeafWide);
  const bool drawers = f.top - f.floor < kTallCase && high - low > 2 * kDrawerHigh;
  const double split = drawers ? high - kDrawerHigh * 0.7 : high;
  if (drawers) f.stroke({from, split}, {to, split}, thin());
  for (int i = 0; i < leaves; ++i) {
    const double l = from + (to - from) * i / leaves, r = from + (to - from) * (i + 1) / leaves;
    if (i > 0) f.stroke({l, low}, {l, high}, thin());
    // Pulls stand where two leaves meet; a single leaf has it at its right.
    const double u = i % 2 == 0 ? r - 45 : l + 45, v = (low + split) / 2;
    f.stroke({u, v - 45}, {u, v + 45}, thin());
    if (drawers) f.stroke({(l + r) / 2 - 45, (split + high) / 2}, {(l + r) / 2 + 45, (split + high) / 2}, thin());
  }
}

void addDeskFront(const Front& f, const Piece& piece, Seen seen) {
  addTableFront(f, piece);
  if (seen != Seen::Front || f.width() < 1000) return;
  const double high = f.top - kTopThick, wide = std::min(400.0, f.width() / 3);
  f.box(f.right - wide, f.floor + 40, f.right, high, Ink::Wood, thin());
  for (int i = 1; i < 3; ++i) {
    const double v = f.floor + 40 + (high - f.floor - 40) * i / 3;
    f.stroke({f.right - wide, v}, {f.right, v}, thin());
  }
}

void addBedFront(const Front& f, Seen seen, bool headRight) {
  const double mattress = f.floor + std::min(600.0, (f.top - f.floor) * 0.55), under = f.floor + kLeg;
  f.legs(40, kTableLeg, under, Ink::Ink, Stroke{});
  if (seen == Seen::Side) {
    const double board = std::min(60.0, f.width() / 8);
    f.box(headRight ? f.right - board : f.left, f.floor, headRight ? f.right : f.left + board, f.top, Ink::Wood, kEdge);
    f.box(f.left, under, f.right, mattress, Ink::Cloth, kEdge);
    f.stroke({f.left, (under + mattress) / 2}, {f.right, (under + mattress) / 2}, fine());
    return;
  }
  f.box(f.left, under, f.right, f.top, Ink::Wood, kEdge);
  f.box(f.left, under, f.right, mattress, Ink::Cloth, kEdge);
  f.stroke({f.left, (under + mattress) / 2}, {f.right, (under + mattress) / 2}, fine());
  if (seen == Seen::Back) return;
  const int pillows = f.width() > 1200 ? 2 : 1;
  for (int i = 0; i < pillows; ++i) {
    const double l = f.left + f.width() * i / pillows, r = f.left + f.width() * (i + 1) / pillows;
    f.box(l + 60, mattress, r - 60, std::min(f.top - 30, mattress + 170), Ink::Cloth, fine(Ink::Ink));
  }
}

void addLampFront(const Front& f) {
  const double shade = std::min(350.0, (f.top - f.floor) * 0.25), w = f.width() / 2, u = f.middle();
  f.box(u - w * 0.5, f.floor, u + w * 0.5, f.floor + 20, Ink::Wood, thin());
  f.box(u - 9, f.floor + 20, u + 9, f.top - shade, Ink::Wood, thin());
  f.shape({{f.left, f.top - shade}, {f.right, f.top - shade}, {u + w * 0.65, f.top}, {u - w * 0.65, f.top}}, Ink::Cloth,
          kEdge);
}

void addPlantFront(const Front& f) {
  const double pot = std::min(400.0, (f.top - f.floor) * 0.3), u = f.middle(), w = f.width() / 2;
  f.shape(
      {{u - w * 0.45, f.floor}, {u + w * 0.45, f.floor}, {u + w * 0.6, f.floor + pot}, {u - w * 0.6, f.floor + pot}},
      Ink::Wood, kEdge);
  // Leaves: from the pot's rim to the width and the height that were measured.
  for (const double lean : {-1.0, 1.0, -0.55, 0.55, 0.0}) {
    const Vec2 root{u, f.floor + pot},
        tip{u + lean * w, f.floor + pot + (f.top - f.floor - pot) * (1 - 0.45 * std::abs(lean))};
    const Vec2 belly = (root + tip) * 0.5, out = leftOf(unit(tip - root)) * std::min(60.0, w * 0.22);
    f.shape({root, belly + out, tip, belly - out}, Ink::Leaf, thin());
  }
}

void addScreenFront(const Front& f) {
  const int leaves = std::max(2, timesIn(f.width(), kScreenLeaf));
  for (int i = 0; i < leaves; ++i) {
    const double l = f.left + f.width() * i / leaves, r = f.left + f.width() * (i + 1) / leaves;
    f.box(l, f.floor, r, f.top, i % 2 == 0 ? Ink::Wood : Ink::Cloth, kEdge);
    f.box(l + 30, f.floor + 80, r - 30, f.top - 40, Ink::None, fine());
  }
}

}  // namespace

void addFurnitureFront(Drawing& d, const Piece& piece, const FloorPlace& place, const Standing& s, const Wall& wall,
                       const ItemId& id) {
  const Seen seen = seenOf(place, wall);
  const bool seat = isSeat(piece.kind);
  const Front f{d, id, s.left, s.right, s.floor, s.top.value_or(s.floor + (seat ? 800 : 600))};
  if (seat) return seen == Seen::Front ? addSofaFront(f, piece) : addSeatAside(f, seen);
  if (isDiningSeat(piece.kind) || isPulledUp(piece.kind))
    return addChairFront(f, piece, seen, backAtRight(place, wall));
  if (isSatAt(piece.kind) && !isDiningTable(piece.kind)) return addDeskFront(f, piece, seen);
  if (drawnAsTable(piece.kind)) return addTableFront(f, piece);
  if (isStorage(piece.kind)) return addCaseFront(f, piece, seen);
  if (isBed(piece.kind)) return addBedFront(f, seen, backAtRight(place, wall));
  if (isLamp(piece.kind)) return addLampFront(f);
  if (isPlant(piece.kind)) return addPlantFront(f);
  if (isFoldingScreen(piece.kind) && seen != Seen::Side) return addScreenFront(f);
  f.box(f.left, f.floor, f.right, f.top, isUpholstered(piece.kind) ? Ink::Cloth : Ink::Wood, kEdge);
}

namespace {

/// A light on the wall: its shade, open above and below, on its plate.
void addWallLight(Drawing& d, const WallRect& r, const ItemId& id, Layer layer) {
  const double in = r.width() * 0.14, plate = std::min(r.width(), r.height()) * 0.3;
  const double u = (r.left + r.right) / 2, v = r.centreHeight();
  d.add(layer, id,
        PathItem{{{r.left, r.bottom}, {r.right, r.bottom}, {r.right - in, r.top}, {r.left + in, r.top}},
                 true,
                 Ink::Paper,
                 {Ink::Ink, kWallLine, Dash::Solid}});
  if (r.width() < 3 * r.height())
    d.add(layer, id, rectangle({u - plate / 2, v - plate / 2}, {u + plate / 2, v + plate / 2}, Ink::None, fine()));
}

}  // namespace

void addHung(Drawing& d, const Piece& piece, const WallPlace& place, const ItemId& id, const std::string& label,
             Layer layer) {
  const WallRect r = wallRectOf(piece, place);
  if (mountOf(piece)) return addWallLight(d, r, id, layer);
  const Stroke edge{Ink::Ink, kWallLine, Dash::Solid};
  const bool round = piece.shape == Shape::Round, mirror = isMirror(piece.kind), screen = isScreen(piece.kind);
  const double border = screen ? kBezel : std::min({mirror ? 40.0 : 70.0, r.width() * 0.12, r.height() * 0.12});
  const Vec2 low{r.left + border, r.bottom + border}, high{r.right - border, r.top - border};
  const bool bare = piece.image.empty() || mirror || screen || round;
  const Ink face = mirror ? Ink::Glass : screen ? Ink::Screen : Ink::Paper;
  if (round) {
    d.add(layer, id, ArcItem{{place.u, place.v}, r.width() / 2, 0, 360, Ink::Mount, edge});
    d.add(layer, id, ArcItem{{place.u, place.v}, r.width() / 2 - border, 0, 360, face, thin()});
  } else if (piece.shape == Shape::Oval) {
    const auto ellipse = [&](double by) {
      PathItem path{{}, true, Ink::None, thin()};
      for (int i = 0; i < 72; ++i) {
        const double t = i * 5 * std::numbers::pi / 180;
        path.points.push_back(
            {place.u + (r.width() / 2 - by) * std::cos(t), place.v + (r.height() / 2 - by) * std::sin(t)});
      }
      return path;
    };
    PathItem outer = ellipse(0), inner = ellipse(border);
    outer.fill = Ink::Mount;
    outer.stroke = edge;
    inner.fill = face;
    d.add(layer, id, outer);
    d.add(layer, id, inner);
  } else {
    d.add(layer, id, rectangle({r.left, r.bottom}, {r.right, r.top}, Ink::Mount, edge));
    if (!bare) d.add(layer, id, ImageItem{low, high, piece.image});
    d.add(layer, id, rectangle(low, high, bare ? face : Ink::None, thin()));
  }
  // A glint: strokes across the upper left of glass.
  if (mirror || screen)
    for (const double share : {0.16, 0.24}) {
      const double reach = share * std::min(r.width(), r.height());
      const Vec2 from = round ? Vec2{place.u - r.width() * 0.22, place.v + r.height() * 0.22} : Vec2{low.x, high.y};
      d.add(layer, id,
            line(from + Vec2{round ? -reach / 2 : 0, -reach}, from + Vec2{reach, round ? reach / 2 : 0}, fine()));
    }
  if (bare && letteringWidth(label, kSmallLetters) * d.scale < r.width())
    d.add(labelAt(layer == Layer::Working ? layer : Layer::Label, id, Rank::Piece,
                  {{place.u, place.v}, {place.u, place.v + 5 * d.scale}, {place.u, place.v - 5 * d.scale}},
                  TextItem{{}, label, kSmallLetters, Align::Centre, 0, Ink::Ink, Ink::None}));
}

}  // namespace mezzet
