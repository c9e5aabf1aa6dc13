#include "core/drawing/display/thing_front.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/display/colours.h"
#include "core/drawing/base/drafting.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

const Stroke kEdge{Ink::Ink, kDimensionLine, Dash::Solid}, kWithin{Ink::Ink, kFineLine, Dash::Solid};

/// One thing being drawn.
struct Front {
  Drawing& d;
  const DisplayedThing& thing;
  ThingBox box;
  double dim;
  const ItemId& id;

  [[nodiscard]] std::optional<Srgb> dimmed(const std::string& srgb) const {
    auto colour = readColour(srgb);
    if (colour)
      for (double& c : *colour) c *= dim;
    return colour;
  }
  /// The colour at a share of the thing, from the left or from the top.
  [[nodiscard]] std::optional<Srgb> colourAt(double share) const {
    const auto& all = thing.piece->thing->colours;
    double sum = 0, at = 0;
    for (const ColourShare& c : all) sum += c.share;
    for (const ColourShare& c : all) {
      at += c.share / sum;
      if (share <= at + 1e-9) return dimmed(c.srgb);
    }
    return std::nullopt;
  }
  void shape(std::vector<Vec2> points, Ink fill, std::optional<Srgb> tint, Stroke stroke = kEdge) const {
    d.add(Layer::Furniture, id, PathItem{std::move(points), true, fill, stroke, tint});
  }
  void rect(double l, double low, double r, double high, Ink fill, std::optional<Srgb> tint,
            Stroke stroke = kEdge) const {
    shape({{l, low}, {r, low}, {r, high}, {l, high}}, fill, tint, stroke);
  }
  void stroke(Vec2 a, Vec2 b, Stroke s = kWithin) const { d.add(Layer::Furniture, id, line(a, b, s)); }
  /// A turned body: half widths (0 to 1) at heights (0 to 1) of the box up to `high`, mirrored.
  void turned(std::initializer_list<std::pair<double, double>> profile, double high, Ink fill) const {
    std::vector<Vec2> points;
    const double half = box.width() / 2, tall = high - box.bottom;
    for (const auto& [at, wide] : profile) points.push_back({box.middle() + half * wide, box.bottom + tall * at});
    for (auto p = std::rbegin(profile); p != std::rend(profile); ++p)
      points.push_back({box.middle() - half * p->second, box.bottom + tall * p->first});
    shape(std::move(points), fill, colourAt(0));
  }
};

void addBooks(const Front& f) {
  const int volumes =
      std::max(1, f.thing.piece->thing->volumes.value_or(static_cast<int>(std::lround(f.box.width() / 28))));
  // Books of one run differ a little; how is drawn, not measured, and each run always alike.
  for (int i = 0; i < volumes; ++i) {
    const double from = f.box.left + f.box.width() * i / volumes, to = f.box.left + f.box.width() * (i + 1) / volumes;
    const double lower = i == volumes / 2 ? 0 : 0.07 * ((i * 7 + volumes) % 4) / 3;
    const double top = f.box.top - f.box.height() * lower;
    f.rect(from, f.box.bottom, to, top, Ink::Cloth, f.colourAt((i + 0.5) / volumes), kWithin);
    if (to - from > 12) {
      const double band = f.box.bottom + f.box.height() * 0.78;
      if (band < top) f.stroke({from + 3, band}, {to - 3, band});
    }
  }
}

void addStack(const Front& f) {
  const auto& items = f.thing.piece->thing->items;
  double sum = 0, widest = 0;
  for (const StackItem& i : items) sum += i.height, widest = std::max(widest, i.width);
  if (items.empty() || sum <= 0) {
    const int n = std::max(2, static_cast<int>(std::lround(f.box.height() / 28)));
    for (int i = 0; i < n; ++i)
      f.rect(f.box.left + 2 * i, f.box.bottom + f.box.height() * i / n, f.box.right - 2 * i,
             f.box.bottom + f.box.height() * (i + 1) / n, Ink::Cloth, f.colourAt((i + 0.5) / n), kWithin);
    return;
  }
  double at = f.box.bottom, share = 0;
  for (const StackItem& i : items) {
    const double half = f.box.width() / 2 * i.width / widest, up = f.box.height() * i.height / sum;
    share += i.height / sum;
    f.rect(f.box.middle() - half, at, f.box.middle() + half, at + up, Ink::Cloth, f.colourAt(share - 0.001), kWithin);
    at += up;
  }
}

/// Stems with leaves from the mouth up to the top of the box.
void addBranches(const Front& f, double mouth) {
  if (f.box.top <= mouth + 1) return;
  for (int k = -2; k <= 2; ++k) {
    const double x = f.box.middle() + f.box.width() * 0.24 * k,
                 top = f.box.top - std::abs(k) * 0.12 * (f.box.top - mouth);
    f.stroke({f.box.middle() + f.box.width() * 0.06 * k, mouth}, {x, top});
    for (int leaf = 1; leaf <= 3; ++leaf) {
      const double t = 0.35 + 0.2 * leaf;
      const Vec2 at{f.box.middle() + f.box.width() * 0.06 * k + (x - f.box.middle() - f.box.width() * 0.06 * k) * t,
                    mouth + (top - mouth) * t};
      const double r = 0.05 * f.box.width();
      f.d.add(Layer::Furniture, f.id, ArcItem{at, std::max(2.0, r), 0, 360, Ink::Floor, kWithin});
    }
  }
}

void addFrame(const Front& f) {
  f.rect(f.box.left, f.box.bottom, f.box.right, f.box.top, Ink::Wood, f.colourAt(0));
  const double rim = std::min(f.box.width(), f.box.height()) * 0.09;
  f.rect(f.box.left + rim, f.box.bottom + rim, f.box.right - rim, f.box.top - rim, Ink::Mount, std::nullopt, kWithin);
  const double mount = 2.2 * rim;
  const ThingBox in{f.box.left + mount, f.box.right - mount, f.box.bottom + mount, f.box.top - mount};
  if (in.width() <= 0 || in.height() <= 0) return;
  if (!f.thing.piece->image.empty() && f.dim >= 1) {
    f.d.add(Layer::Picture, f.id, ImageItem{{in.left, in.bottom}, {in.right, in.top}, f.thing.piece->image, 0});
    return;
  }
  f.rect(in.left, in.bottom, in.right, in.top, Ink::Glass, std::nullopt, kWithin);
  f.stroke({in.left, in.bottom + in.height() * 0.35}, {in.right, in.bottom + in.height() * 0.45});
}

void addLamp(const Front& f) {
  const double shade = f.box.bottom + f.box.height() * 0.55, half = f.box.width() / 2;
  f.rect(f.box.middle() - half * 0.45, f.box.bottom, f.box.middle() + half * 0.45, f.box.bottom + f.box.height() * 0.06,
         Ink::Wood, f.colourAt(0));
  f.rect(f.box.middle() - half * 0.12, f.box.bottom, f.box.middle() + half * 0.12, shade, Ink::Wood, f.colourAt(0));
  f.shape({{f.box.left, shade},
           {f.box.right, shade},
           {f.box.middle() + half * 0.6, f.box.top},
           {f.box.middle() - half * 0.6, f.box.top}},
          Ink::Paper, std::nullopt);
}

void addPlant(const Front& f) {
  const double pot = f.box.bottom + f.box.height() * 0.28, half = f.box.width() / 2;
  for (int k = 0; k < 7; ++k) {
    const double angle = std::numbers::pi * (0.08 + 0.14 * k);
    const Vec2 at{f.box.middle() + half * 0.62 * std::cos(angle),
                  pot + (f.box.top - pot) * (0.25 + 0.5 * std::sin(angle))};
    f.d.add(Layer::Furniture, f.id,
            ArcItem{at, std::min(half, (f.box.top - pot) / 2) * 0.38, 0, 360, Ink::Floor, kWithin});
  }
  f.shape({{f.box.middle() - half * 0.4, f.box.bottom},
           {f.box.middle() + half * 0.4, f.box.bottom},
           {f.box.middle() + half * 0.55, pot},
           {f.box.middle() - half * 0.55, pot}},
          Ink::Cloth, f.colourAt(0));
}

void addCandle(const Front& f) {
  const double wick = f.box.top - f.box.height() * 0.12;
  f.rect(f.box.left, f.box.bottom, f.box.right, wick, Ink::Paper, f.colourAt(0));
  f.stroke({f.box.middle(), wick}, {f.box.middle(), f.box.top});
}

}  // namespace

void addThingFront(Drawing& d, const DisplayedThing& thing, const ThingBox& box, double dim, const ItemId& id) {
  const Front f{d, thing, box, dim, id};
  const std::string_view kind = thing.piece->kind;
  const double own = thing.lie == Lie::Standing
                         ? box.bottom + std::min(box.height(), thing.piece->height.value_or(box.height()))
                         : box.top;
  if (isBookRun(kind) && thing.lie != Lie::Lying) return addBooks(f);
  if (isStack(kind) || isBookRun(kind)) return addStack(f);
  if (leansInBay(kind) && thing.lie != Lie::Lying) return addFrame(f);
  if (isPlant(kind)) return addPlant(f);
  if (kind == kVase) {
    addBranches(f, own);
    f.turned({{0, 0.5}, {0.08, 0.62}, {0.35, 1}, {0.6, 0.86}, {0.78, 0.45}, {0.9, 0.4}, {1, 0.55}}, own, Ink::Cloth);
  } else if (takesBranches(kind)) {
    addBranches(f, own);
    f.turned({{0, 0.7}, {0.85, 0.92}, {0.86, 1}, {1, 1}}, own, Ink::Cloth);
  } else if (kind == kBowl) {
    f.turned({{0, 0.36}, {0.1, 0.34}, {0.25, 0.62}, {0.6, 0.9}, {1, 1}}, box.top, Ink::Cloth);
  } else if (canBeLight(kind) && thing.piece->shape == Shape::Round && isDisplayed(kind)) addCandle(f);
  else if (canBeLight(kind)) addLamp(f);
  else {
    f.rect(box.left, box.bottom, box.right, box.top, Ink::Wood, f.colourAt(0));
    if (isBox(kind))
      f.stroke({box.left, box.bottom + box.height() * 0.72}, {box.right, box.bottom + box.height() * 0.72});
    if (isRiser(kind)) {
      const double step = std::max(8.0, box.height());
      for (double x = box.left + step; x < box.right; x += step) f.stroke({x - step, box.bottom}, {x, box.top});
    }
  }
}

void addThingsFront(Drawing& d, const Display& display, Vec2 at) {
  std::vector<const DisplayedThing*> all;
  for (const DisplayedThing& t : display.things) all.push_back(&t);
  std::stable_sort(all.begin(), all.end(), [](const auto* a, const auto* b) { return a->front > b->front; });
  for (const DisplayedThing* t : all)
    addThingFront(d, *t, {at.x + t->left, at.x + t->right, at.y + t->bottom, at.y + t->top}, 1, t->placement->id.value);
}

void addThingSide(Drawing& d, const DisplayedThing& thing, const ThingBox& box, const ItemId& id) {
  if (thing.lie == Lie::Leaning) {
    // Its foot forward, its top at the back.
    const double t = std::min(0.75 * kInch, box.width() / 2);
    d.add(Layer::Furniture, id,
          PathItem{{{box.left, box.bottom}, {box.left + t, box.bottom}, {box.right, box.top}, {box.right - t, box.top}},
                   true,
                   Ink::Cloth,
                   kEdge});
    return;
  }
  PathItem side = rectangle({box.left, box.bottom}, {box.right, box.top}, Ink::Cloth, kEdge);
  if (const std::string main = mainColour(*thing.piece); !main.empty()) side.tint = readColour(main);
  d.add(Layer::Furniture, id, std::move(side));
}

}  // namespace mezzet
