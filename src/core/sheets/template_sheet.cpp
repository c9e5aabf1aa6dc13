// Full-size paper templates: a strip along each frame's top edge with its nails, or the whole frame; in parts with
// marks to join them by, or off a roll.
#include <algorithm>
#include <cmath>
#include <sstream>

#include "core/drawing/base/drafting.h"
#include "core/hang/nails.h"
#include "core/rules/base/names.h"
#include "core/sheets/frame.h"
#include "core/sheets/tiles.h"
#include "core/sheets/wall_subject.h"

namespace mezzet {
namespace {

constexpr double kStripDepth = 60, kBelowNail = 22;  // mm: a strip is as deep as its nails, and holds its words
constexpr double kBetween = 6, kNote = 7;            // mm between strips, and for the line under one
constexpr double kCross = 6;                         // mm, arm of a nail's cross
constexpr double kLongestRoll = 4900;                // mm: longer pages cannot be said in a PDF

/// The frames that are asked for: of a wall all of them, from the left.
std::vector<const Placement*> framesOf(const SheetSource& s) {
  std::vector<const Placement*> out;
  if (s.scheme == nullptr) return out;
  if (findWall(s.room, CornerId(s.subject))) {
    for (const Hung& hung : hungIn(s.job, *s.scheme))
      if (hung.wall.value == s.subject)
        for (const PlacementId& id : hung.members) out.push_back(findPlacement(*s.scheme, id));
    std::stable_sort(out.begin(), out.end(),
                     [](const Placement* a, const Placement* b) { return onWall(a->on)->u < onWall(b->on)->u; });
    return out;
  }
  std::stringstream ids(s.subject);
  for (std::string id; std::getline(ids, id, ',');)
    if (const Placement* p = findPlacement(*s.scheme, PlacementId(id)); p != nullptr && onWall(p->on) != nullptr)
      out.push_back(p);
  return out;
}

/// At full size: x from the frame's left edge, y down from its top at 0.
struct Template {
  Drawing drawing;
  Vec2 low, high;
  std::string name, note;
};

void addWords(Drawing& d, Vec2 at, const std::string& words, Align align = Align::Left) {
  d.add(Layer::Label, "template", TextItem{at, words, kSmallLetters, align, 0, Ink::Ink, Ink::None});
}

/// A nail's cross, with its number on the side that has room.
void addNail(Drawing& d, Vec2 at, const std::string& words, double width) {
  const Stroke stroke{Ink::Ink, kFurnitureLine, Dash::Solid};
  d.add(Layer::Dimension, "nail", line(at - Vec2{kCross, 0}, at + Vec2{kCross, 0}, stroke));
  d.add(Layer::Dimension, "nail", line(at - Vec2{0, kCross}, at + Vec2{0, kCross}, stroke));
  d.add(Layer::Dimension, "nail", ArcItem{at, kCross / 2, 0, 360, Ink::None, thin()});
  const double wide = letteringWidth(words, kSmallLetters) + kCross + 2;
  const bool right = at.x + wide < width;
  addWords(d, at + Vec2{right ? kCross + 2 : -kCross - 2, -3.6}, words, right ? Align::Left : Align::Right);
}

Template templateOf(const SheetSource& s, const Placement& p, const NailPlan& plan) {
  Template out;
  Drawing& d = out.drawing;
  d.scale = 1;
  const Piece& piece = pieceOf(s.job, p);
  const WallPlace& place = *onWall(p.on);
  const WallRect r = wallRectOf(piece, place);
  const LengthFormat& format = s.request.format;
  double lowest = 0;
  for (const Nail& n : plan.nails)
    if (n.placement == p.id) lowest = std::max(lowest, r.top - n.v);
  const double depth =
      s.request.wholeTemplates ? r.height() : std::min(r.height(), std::max(kStripDepth, lowest + kBelowNail));
  out.low = {0, -depth};
  out.high = {r.width(), 0};
  out.name = SchemeNames(s.job, *s.scheme).plain(p.id);
  const Stroke edge{Ink::Ink, kWallLine, Dash::Solid}, cut{Ink::Ink, kDimensionLine, Dash::Dashed};
  const bool whole = depth >= r.height() - kTouch;
  d.add(Layer::Wall, "edge", line({0, 0}, {r.width(), 0}, edge));
  d.add(Layer::Wall, "edge", line({0, 0}, {0, -depth}, edge));
  d.add(Layer::Wall, "edge", line({r.width(), 0}, {r.width(), -depth}, edge));
  d.add(Layer::Wall, "edge", line({0, -depth}, {r.width(), -depth}, whole ? edge : cut));
  const double middle = r.width() / 2;
  d.add(Layer::Dimension, "middle", line({middle, 0}, {middle, -depth}, {Ink::Ink, kFineLine, Dash::Dashed}));
  addWords(d, {middle + 2, -depth + 12}, "middle");
  // Up, and which end is which.
  if (r.width() > 120) {
    d.add(Layer::Label, "up", line({7, -depth + 16}, {7, -8}, thin()));
    d.add(Layer::Label, "up", PathItem{{{7, -4}, {5, -9}, {9, -9}}, true, Ink::Ink, thin()});
    addWords(d, {11, -8}, "this way up");
  }
  for (const Nail& n : plan.nails) {
    if (n.placement != p.id) continue;
    const double drop = r.top - n.v;
    addNail(d, {n.u - r.left, -drop}, "nail " + std::to_string(n.order) + ", " + writeLength(drop, format) + " down",
            r.width());
    if (out.note.empty())
      out.note = "Marking stick: the frame's top comes " + writeLength(drop, format) +
                 " above its screw. Press it to the wall, then type where it landed.";
  }
  for (const UnknownNails& u : plan.unknown)
    if (u.placement == p.id)
      out.note = "No nail yet: " + (u.fault.empty() ? missingWords(u) + " is not known." : u.fault);
  out.name += ", " + writeLength(r.width(), format) + " wide";
  return out;
}

std::vector<Template> templatesOf(const SheetSource& s) {
  std::vector<Template> out;
  const std::vector<const Placement*> frames = framesOf(s);
  std::map<CornerId, NailPlan> plans;
  for (const Placement* p : frames) {
    const CornerId& wall = onWall(p->on)->wall;
    if (!plans.contains(wall)) plans[wall] = sheetNails(s, wall);
    out.push_back(templateOf(s, *p, plans[wall]));
  }
  return out;
}

/// The paper that strips are laid out on: turned, or off the roll, as long as the longest frame.
struct Ground {
  double width = 0, height = 0;
  [[nodiscard]] double wide() const { return width - 2 * kBorder - 4; }
  [[nodiscard]] double tall() const { return height - 2 * kBorder - kTitleBlock - 4; }
};
Ground groundOf(const SheetSource& s, const std::vector<Template>& all) {
  if (!s.request.roll) return {s.request.paper->height, s.request.paper->width};
  double longest = s.request.paper->height - 2 * kBorder - 4;
  for (const Template& t : all) longest = std::max(longest, t.high.x - t.low.x);
  return {std::min(kLongestRoll, longest + 2 * kBorder + 4), *s.request.roll};
}

struct Laid {
  const Template* of = nullptr;
  Tile tile;
  Vec2 at;  ///< its lower left on the page
  bool first = false;
};
/// Every page's parts, from the top down.
std::vector<std::vector<Laid>> pagesLaid(const std::vector<Template>& all, const Ground& ground) {
  std::vector<std::vector<Laid>> pages(1);
  const double foot = kBorder + kTitleBlock + 2, top = ground.height - kBorder - 2;
  double y = top;
  const double most = ground.tall() - 2 * kNote;
  for (const Template& t : all) {
    bool first = true;
    for (const Tile& tile : tilesOf(t.low, t.high, ground.wide(), most)) {
      const double high = tile.high.y - tile.low.y, need = high + 2 * kNote;
      if (y - need < foot && !pages.back().empty()) {
        pages.emplace_back();
        y = top;
      }
      pages.back().push_back({&t, tile, {kBorder + 2, y - kNote - high}, first});
      first = false;
      y -= need + kBetween;
    }
  }
  return pages;
}

int pagesTemplates(const SheetSource& s) {
  const std::vector<Template> all = templatesOf(s);
  return static_cast<int>(pagesLaid(all, groundOf(s, all)).size());
}

Sheet pageTemplates(const SheetSource& s, int page) {
  const std::vector<Template> all = templatesOf(s);
  const Ground ground = groundOf(s, all);
  Sheet sheet;
  sheet.scale = 1;
  sheet.turned = !s.request.roll;
  sheet.width = ground.width;
  sheet.height = ground.height;
  sheet.drawing.scale = 1;
  const auto pages = pagesLaid(all, ground);
  if (all.empty())
    addSheetText(sheet.drawing, {kBorder + 8, ground.height - kBorder - 14},
                 "Nothing of this name hangs on a wall here.");
  else
    for (const Laid& laid :
         pages[static_cast<std::size_t>(std::clamp<int>(page, 0, static_cast<int>(pages.size()) - 1))]) {
      append(sheet.drawing, cutTile(laid.of->drawing, laid.tile, laid.at));
      const int parts = laid.tile.columns * laid.tile.rows,
                part = laid.tile.row * laid.tile.columns + laid.tile.column + 1;
      const double high = laid.tile.high.y - laid.tile.low.y;
      addSheetText(sheet.drawing, laid.at + Vec2{0, high + 3},
                   laid.of->name + (parts > 1 ? ", part " + std::to_string(part) + " of " + std::to_string(parts) +
                                                    ": lay the marks of one letter or number on each other"
                                              : ""));
      if (laid.first && !laid.of->note.empty()) addSheetText(sheet.drawing, laid.at + Vec2{0, -4}, laid.of->note);
    }
  sheet.drawing.low = {0, 0};
  sheet.drawing.high = {sheet.width, sheet.height};
  addTitleBlock(sheet, s.job, s.room, s.scheme,
                s.request.wholeTemplates ? "Templates, full size: whole frames"
                                         : "Templates, full size: tape along the top edges",
                s.request);
  return sheet;
}

std::string headingTemplates(const SheetSource&) { return "Templates, full size"; }

}  // namespace

const SheetRow& templateSheetRow() {
  static constexpr SheetRow row{.id = "templates",
                                .title = "full-size templates of wall",
                                .scales = false,
                                .pages = pagesTemplates,
                                .page = pageTemplates,
                                .heading = headingTemplates,
                                .subjects = wallSubjects,
                                .offered = anythingHangs};
  return row;
}

}  // namespace mezzet
