#include "core/drawing/delivery/delivery_drawing.h"

#include <algorithm>
#include <cmath>
#include <numbers>

#include "core/base/sentence.h"
#include "core/drawing/base/drafting.h"

namespace mezzet {
namespace {

constexpr double kLegWall = 100, kLegReach = 500;  // mm of the house: drawn thickness, drawn beyond the piece
constexpr double kLegGap = 9, kUnderLeg = 16, kLegLine = 4.6, kAroundLegs = 2;  // mm of paper

/// One leg in mm of the house from (0, 0), and how far it reaches.
class LegDrawing {
 public:
  LegDrawing(const DeliveryLeg& leg, const LegSlack* slack, double scale) : leg_(leg), slack_(slack) {
    d.scale = scale;
    switch (leg.kind) {
      case LegKind::Turn: turn(); break;
      case LegKind::Lift: lift(); break;
      case LegKind::Stand: stand(); break;
      case LegKind::Door:
      case LegKind::Corridor:
      case LegKind::Stair: straight(); break;
    }
  }
  Drawing d;

 private:
  void solid(Vec2 low, Vec2 high) {
    d.add(Layer::Wall, "", rectangle(low, high, Ink::CutWall, {Ink::Ink, kWallLine, Dash::Solid}));
  }
  void piece(std::vector<Vec2> corners) {
    PathItem box;
    box.points = std::move(corners);
    box.closed = true;
    box.fill = Ink::ClothShade;
    box.stroke = {slack_ != nullptr && slack_->slack < 0 ? Ink::Breaks : Ink::Ink, kFurnitureLine, Dash::Solid};
    d.add(Layer::Furniture, "piece", box);
  }
  void box(Vec2 low, Vec2 high) { piece({low, {high.x, low.y}, high, {low.x, high.y}}); }
  [[nodiscard]] double length() const {
    return slack_ == nullptr ? 900 : slack_->along * std::cos(radians()) + slack_->up * std::sin(radians());
  }
  [[nodiscard]] double radians() const { return slack_ == nullptr ? 0 : slack_->tilt * std::numbers::pi / 180; }

  void straight() {
    const double w = *leg_.width, thick = leg_.kind == LegKind::Door ? leg_.depth.value_or(kUsualNeck) : length();
    const double reach = std::min(length(), 2200.0);
    d.low = {-kLegReach, 0};
    d.high = {w + kLegReach, std::max(thick, reach) + kLegReach};
    const double middle = d.high.y / 2;
    const double from = leg_.kind == LegKind::Door ? middle - thick / 2 : 0,
                 to = leg_.kind == LegKind::Door ? middle + thick / 2 : d.high.y;
    const double out = leg_.kind == LegKind::Door ? kLegReach : kLegWall;
    solid({-out, from}, {0, to});
    solid({w, from}, {w + out, to});
    if (leg_.kind == LegKind::Stair)
      for (double y = 150; y < d.high.y; y += 260) d.add(Layer::Floor, "", line({0, y}, {w, y}, fine()));
    if (slack_ == nullptr) return;
    const double left = (w - slack_->across) / 2;
    box({left, middle - reach / 2}, {left + slack_->across, middle + reach / 2});
  }

  void turn() {
    const double a = *leg_.width, b = *leg_.to, l = std::max(length(), slack_ != nullptr ? slack_->across : 0),
                 w = slack_ != nullptr ? std::min(length(), slack_->across) : 0;
    const double reach = std::max({l, a, b}) + kLegReach / 2;
    d.low = {-kLegWall, -kLegWall};
    d.high = {reach, reach};
    solid({-kLegWall, -kLegWall}, {0, reach});
    solid({0, -kLegWall}, {reach, 0});
    // The inner corner: only its two faces, so that the drawing stays light.
    solid({a, b}, {a + kLegWall, reach});
    solid({a, b}, {reach, b + kLegWall});
    if (slack_ == nullptr) return;
    const double t = tightestTurn(a, b, w) * std::numbers::pi / 180;
    const Vec2 p{l * std::cos(t), 0}, q{0, l * std::sin(t)}, in = Vec2{std::sin(t), std::cos(t)} * w;
    piece({p, p + in, q + in, q});
  }

  void lift() {
    const double w = *leg_.width, deep = *leg_.depth;
    d.low = {-kLegWall, -kLegWall};
    d.high = {w + kLegWall, deep + kLegWall};
    solid(d.low, {0, d.high.y});
    solid({w, -kLegWall}, d.high);
    solid({0, deep}, {w, deep + kLegWall});
    if (slack_ == nullptr) return;
    const double left = (w - slack_->across) / 2;
    box({left, 0}, {left + slack_->across, length()});
  }

  void stand() {
    const double h = *leg_.height, wide = slack_ != nullptr ? std::max(slack_->up, 1200.0) : 1200;
    d.low = {-kLegReach, -kLegWall};
    d.high = {wide + kLegReach, h + kLegWall};
    solid(d.low, {d.high.x, 0});
    solid({d.low.x, h}, d.high);
    if (slack_ == nullptr) return;
    if (slack_->how != Carried::Upright) return box({0, 0}, {slack_->across, slack_->up});
    // Where it is highest: its diagonal upright.
    const double foot = slack_->along, up = slack_->up, t = std::atan2(foot, up);
    const Vec2 base = Vec2{std::cos(t), std::sin(t)} * foot, tall = Vec2{-std::sin(t), std::cos(t)} * up;
    const Vec2 pivot{-tall.x, 0};
    piece({pivot, pivot + base, pivot + base + tall, pivot + tall});
  }

  static constexpr double kUsualNeck = 120;
  const DeliveryLeg& leg_;
  const LegSlack* slack_;
};

std::string sizeOf(const DeliveryLeg& leg, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  std::string out;
  const auto add = [&](const std::optional<double>& size, const char* word) {
    if (size) out += (out.empty() ? "" : ", ") + writeLength(*size, format) + " " + word;
  };
  if (leg.kind == LegKind::Turn && leg.width && leg.to)
    out = writeLength(*leg.width, bare) + " into " + writeLength(*leg.to, format);
  else add(leg.width, "wide");
  if (leg.kind == LegKind::Lift) add(leg.depth, "deep");
  add(leg.height, "high");
  return out;
}

}  // namespace

Drawing composeDelivery(const std::vector<DeliveryLeg>& legs, const DeliveryAnswer& answer, double scale, double wide,
                        LengthFormat format) {
  Drawing out;
  out.scale = scale;
  double x = 0, y = 0, high = 0, most = 0;
  for (std::size_t i = 0; i < legs.size(); ++i) {
    const LegSlack* slack = i < answer.legs.size() ? &answer.legs[i] : nullptr;
    Drawing one = std::move(LegDrawing(legs[i], slack, scale).d);
    std::vector<std::string> words{std::to_string(i + 1) + "  " +
                                   capital(legs[i].name.empty() ? legWord(legs[i].kind) : legs[i].name)};
    words.push_back(sizeOf(legs[i], format));
    if (slack != nullptr && std::isfinite(slack->slack))
      words.push_back(writeLength(std::abs(slack->slack), format) + (slack->slack < 0 ? " short" : " to spare"));
    double across = (one.high.x - one.low.x) / scale;
    for (const std::string& w : words) across = std::max(across, letteringWidth(w, kSmallLetters) + 5);
    const double up = (one.high.y - one.low.y) / scale;
    if (x > 0 && x + across > wide) {
      x = 0;
      y -= (high + kUnderLeg + kLegGap / 2);
      high = 0;
    }
    shift(one, Vec2{x * scale - one.low.x, (y - up) * scale - one.low.y});
    append(out, std::move(one));
    const bool decides = slack != nullptr && answer.leg == i;
    for (std::size_t k = 0; k < words.size(); ++k) {
      const double ly = y - up - 5 - static_cast<double>(k) * kLegLine;
      const bool marked = k == 2 && slack != nullptr;
      out.add(Layer::Label, "",
              TextItem{Vec2{x + (marked ? 4.5 : 0), ly} * scale, words[k], kSmallLetters, Align::Left, 0,
                       k == 1 ? Ink::Quiet : Ink::Ink, Ink::None});
      if (!marked) continue;
      const Vec2 at = Vec2{x + 1.6, ly} * scale;
      if (slack->slack >= 0)
        out.add(Layer::Label, "",
                ArcItem{at,
                        1.1 * scale,
                        0,
                        360,
                        slack->slack < kTightBelow ? Ink::Paper : Ink::Holds,
                        {slack->slack < kTightBelow ? Ink::Close : Ink::Holds, kFurnitureLine, Dash::Solid}});
      else
        for (const double s : {1.0, -1.0})
          out.add(Layer::Label, "",
                  line(at + Vec2{-1.1, -1.1 * s} * scale, at + Vec2{1.1, 1.1 * s} * scale,
                       {Ink::Breaks, kWallLine, Dash::Solid}));
    }
    if (decides)
      out.add(Layer::Label, "",
              line(Vec2{x, y - up - 2} * scale, Vec2{x + across - 3, y - up - 2} * scale,
                   {Ink::Ink, kWallLine, Dash::Solid}));
    high = std::max(high, up);
    x += across + kLegGap;
    most = std::max(most, x - kLegGap);
    out.low = Vec2{0, std::min(out.low.y / scale, y - high - kUnderLeg)} * scale;
    out.high = Vec2{most, 0} * scale;
  }
  const Vec2 around = Vec2{kAroundLegs, kAroundLegs} * scale;
  out.low = out.low - around;
  out.high = out.high + around;
  return out;
}

}  // namespace mezzet
