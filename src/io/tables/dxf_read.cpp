#include <dl_creationadapter.h>
#include <dl_dxf.h>

#include <algorithm>
#include <charconv>
#include <cmath>
#include <numbers>
#include <sstream>

#include "core/edit/edits.h"
#include "io/tables/dxf_names.h"
#include "io/tables/dxf.h"
#include "io/files/text.h"

namespace mezzet {
namespace {

constexpr double kArcStep = 7.5;  // degrees: arcs are taken apart by angle, since the unit is not known yet
constexpr std::size_t kMostLineBytes = 4'096;
constexpr double kFarthest = 1e9;
constexpr std::size_t kMostLayers = 10'000;

/// One group: a code and a value, each on a line of its own.
struct Group {
  int code = 0;
  std::string_view value;
};

class Groups {
 public:
  explicit Groups(std::string_view bytes) : bytes_(bytes) {}
  [[nodiscard]] std::size_t at() const { return at_; }
  [[nodiscard]] std::size_t line() const { return line_; }
  /// Nothing at the end; `broken` when what is there is no group.
  std::optional<Group> next(bool& broken) {
    std::string_view code, value;
    if (!readLine(code)) return std::nullopt;
    if (!readLine(value)) {
      broken = !code.empty();
      return std::nullopt;
    }
    while (!code.empty() && (code.front() == ' ' || code.front() == '\t')) code.remove_prefix(1);
    while (!code.empty() && (code.back() == ' ' || code.back() == '\t')) code.remove_suffix(1);
    Group g;
    const auto [end, fault] = std::from_chars(code.data(), code.data() + code.size(), g.code);
    if (fault != std::errc{} || end != code.data() + code.size() || value.size() > kMostLineBytes) {
      broken = true;
      return std::nullopt;
    }
    while (!value.empty() && (value.front() == ' ' || value.front() == '\t')) value.remove_prefix(1);
    while (!value.empty() && (value.back() == ' ' || value.back() == '\t')) value.remove_suffix(1);
    g.value = value;
    return g;
  }

 private:
  bool readLine(std::string_view& out) {
    if (at_ >= bytes_.size()) return false;
    const std::size_t end = std::min(bytes_.find('\n', at_), bytes_.size());
    out = bytes_.substr(at_, end - at_);
    if (!out.empty() && out.back() == '\r') out.remove_suffix(1);
    at_ = std::min(end + 1, bytes_.size());
    ++line_;
    return true;
  }
  std::string_view bytes_;
  std::size_t at_ = 0, line_ = 0;
};

/// A figure as these files write them; anything else is refused, since the library would take rubbish for 0.
std::optional<double> figure(std::string_view text) {
  double v = 0;
  if (!text.empty() && text.front() == '+') text.remove_prefix(1);
  const auto [end, fault] = std::from_chars(text.data(), text.data() + text.size(), v);
  if (fault != std::errc{} || end != text.data() + text.size() || !std::isfinite(v) || std::abs(v) > kFarthest)
    return std::nullopt;
  return v;
}
/// Written anew, in the few letters that it needs: the library stops at lines of 1,023.
std::string written(double value) {
  char text[32];
  return {text, std::to_chars(text, text + sizeof text, value).ptr};
}

/// What of the file the library is given: the unit, and the kinds of entity that are lines, with counts that are true.
/// Counts in such a file say how much memory to take, and a hostile one lies.
struct Sifted {
  std::string text;
  std::vector<std::string> names;  ///< of layers; the library is given their numbers
  std::map<std::string, std::size_t> skipped;
  std::size_t entities = 0;
};

void put(std::string& out, int code, std::string_view value) {
  out += std::to_string(code);
  out += '\n';
  out += value;
  out += '\n';
}

/// Codes of one entity that the library needs to make lines of it.
bool wanted(int code) { return code == 8 || (code >= 10 && code <= 51) || code == 70; }
/// A coordinate, bulge, radius or angle.
bool isReal(int code) { return code >= 10 && code <= 59; }

Result<Sifted> sifted(const Bytes& bytes, const std::string& name, const std::stop_token& stop,
                      const std::function<void(double)>& progress) {
  const Error notDxf{name, "is not a drawing exchange file in text form", "Save it as ASCII DXF"};
  if (bytes.starts_with("AutoCAD Binary DXF")) return Error{name, "is a binary DXF", "Save it as ASCII DXF"};
  Sifted out;
  Groups groups(bytes);
  bool broken = false, any = false, inEntities = false, inHeader = false, units = false;
  std::string kind;
  std::vector<Group> entity;
  std::string body;
  std::size_t steps = 0;
  int codePage = kUsualCodePage;
  std::string_view variable;
  std::map<std::string, std::size_t, std::less<>> numbers;
  const auto layerNumber = [&](std::string_view raw) -> std::optional<std::size_t> {
    const auto known = numbers.find(raw);
    if (known != numbers.end()) return known->second;
    if (numbers.size() == kMostLayers) return std::nullopt;
    out.names.push_back(shownName(raw, codePage));
    return numbers.emplace(std::string(raw), out.names.size() - 1).first->second;
  };
  const auto isLines = [](std::string_view k) {
    return k == "LINE" || k == "LWPOLYLINE" || k == "POLYLINE" || k == "VERTEX" || k == "SEQEND" || k == "ARC";
  };
  const auto close = [&]() -> std::optional<Error> {
    if (kind.empty()) return std::nullopt;
    if (!isLines(kind)) {
      if (inEntities) ++out.skipped[kind.substr(0, 40)];
    } else if (inEntities) {
      put(body, 0, kind);
      if (kind == "LWPOLYLINE") {
        std::size_t vertices = 0;
        for (const Group& g : entity) vertices += g.code == 10 ? 1 : 0;
        put(body, 90, std::to_string(vertices));
      }
      for (const Group& g : entity) {
        if (!wanted(g.code)) continue;
        if (g.code == 8) {
          const auto number = layerNumber(g.value);
          if (!number) return Error{name, "has more than 10000 layers", "Save only the layer with the outline"};
          put(body, 8, std::to_string(*number));
          continue;
        }
        const auto value = figure(g.value);
        if (isReal(g.code) && !value)
          return Error{name + ", line " + std::to_string(groups.line()), "has a coordinate that is no number",
                       "The file may be damaged"};
        if (g.code == 70 && (g.value.size() > 6 || !value))
          return Error{name, "has a flag that is no number", "The file may be damaged"};
        put(body, g.code, value ? written(*value) : std::string());
      }
      if (kind != "VERTEX" && kind != "SEQEND") ++out.entities;
    }
    entity.clear();
    return std::nullopt;
  };
  while (const auto g = groups.next(broken)) {
    any = true;
    if (++steps % 4096 == 0) {
      if (stop.stop_requested()) return Error{name, "was not read to its end", "It was stopped"};
      if (progress) progress(0.5 * static_cast<double>(groups.at()) / static_cast<double>(bytes.size()));
    }
    if (g->code == 0) {
      if (auto fault = close()) return *fault;
      kind = std::string(g->value.substr(0, 40));
      if (kind == "ENDSEC" || kind == "EOF") inEntities = inHeader = false;
      if (kind == "EOF") {
        kind.clear();
        break;
      }
      if (kind == "SECTION" || kind == "ENDSEC") kind = kind == "SECTION" ? "SECTION" : "";
      continue;
    }
    if (kind == "SECTION" && g->code == 2) {
      inEntities = g->value == "ENTITIES";
      inHeader = g->value == "HEADER";
      kind.clear();
      continue;
    }
    if (inHeader && g->code == 9) {
      variable = g->value;
      units = variable == "$INSUNITS";
    } else if (inHeader && variable == "$DWGCODEPAGE" && g->code == 3) {
      codePage = codePageNamed(g->value);
    } else if (inHeader && units && g->code == 70 && g->value.size() <= 4 && figure(g->value)) {
      put(out.text, 0, "SECTION");
      put(out.text, 2, "HEADER");
      put(out.text, 9, "$INSUNITS");
      put(out.text, 70, g->value);
      put(out.text, 0, "ENDSEC");
      units = false;
    }
    if (inEntities && isLines(kind)) entity.push_back(*g);
    if (out.entities + entity.size() > 4 * kMostDxfLines)
      return Error{name, "holds more lines than Mezzet reads", "Save only the layer with the outline"};
  }
  if (auto fault = close()) return *fault;
  if (!any || broken) {
    if (!any || groups.line() < 4) return notDxf;
    return Error{name + ", line " + std::to_string(groups.line()), "is not a group of a code and a value",
                 "The file may be cut short or damaged; save it again as ASCII DXF"};
  }
  put(out.text, 0, "SECTION");
  put(out.text, 2, "ENTITIES");
  out.text += body;
  put(out.text, 0, "ENDSEC");
  put(out.text, 0, "EOF");
  return out;
}

/// Takes what the library reads as straight pieces by layer.
class Taker : public DL_CreationAdapter {
 public:
  Taker(DxfDrawing& out, const std::vector<std::string>& names, const std::stop_token& stop)
      : out_(out), names_(names), stop_(stop) {}
  [[nodiscard]] bool tooMany() const { return count_ > kMostDxfLines; }

  void setVariableInt(const std::string& key, int value, int /*code*/) override {
    if (key != "$INSUNITS") return;
    constexpr std::pair<int, double> units[] = {{1, kInch}, {2, kFoot}, {4, 1.0}, {5, 10.0}, {6, 1000.0}};
    for (const auto& [code, mm] : units)
      if (code == value) out_.mmPerUnit = mm;
  }
  void addLine(const DL_LineData& l) override { add({l.x1, l.y1}, {l.x2, l.y2}, getAttributes().getLayer()); }
  void addArc(const DL_ArcData& a) override {
    if (!(a.radius > 0)) return;
    const double span = std::fmod(a.angle2 - a.angle1, 360.0);
    arc({a.cx, a.cy}, a.radius, std::fmod(a.angle1, 360.0), span <= 0 ? span + 360 : span);
  }
  void addPolyline(const DL_PolylineData& p) override {
    flush();
    open_ = true;
    layer_ = getAttributes().getLayer();
    closed_ = (p.flags & 1) != 0;
    points_.clear();
  }
  void addVertex(const DL_VertexData& v) override {
    if (open_) points_.push_back({{v.x, v.y}, v.bulge});
  }
  void endSequence() override { flush(); }
  /// The polyline is whole: told at its end only by the older kind, so also before the next one and at the end of the
  /// file.
  void flush() {
    if (!open_) return;
    open_ = false;
    for (std::size_t i = 0; i + 1 < points_.size() + (closed_ ? 1 : 0); ++i) {
      const auto& [a, bulge] = points_[i];
      const Vec2 b = points_[(i + 1) % points_.size()].first;
      if (std::abs(bulge) < 1e-9 || distance(a, b) < 1e-12) {
        add(a, b, layer_);
        continue;
      }
      // A bulge is the tangent of a quarter of the arc's angle.
      const double angle = 4 * std::atan(bulge), chord = distance(a, b),
                   radius = std::abs(chord / (2 * std::sin(angle / 2)));
      const Vec2 middle = midpoint(a, b), side = leftOf(unit(b - a));
      const Vec2 centre = middle + side * ((bulge > 0 ? 1 : -1) * radius * std::cos(angle / 2));
      const auto steps =
          static_cast<int>(std::clamp(std::ceil(std::abs(angle) * 180 / std::numbers::pi / kArcStep), 1.0, 48.0));
      Vec2 from = a;
      for (int k = 1; k <= steps; ++k) {
        const Turn turn{std::cos(angle * k / steps), std::sin(angle * k / steps)};
        const Vec2 to = k == steps ? b : centre + rotated(a - centre, turn);
        add(from, to, layer_);
        from = to;
      }
    }
    points_.clear();
  }

 private:
  void arc(Vec2 centre, double radius, double start, double span) {
    const auto steps = static_cast<int>(std::clamp(std::ceil(span / kArcStep), 1.0, 48.0));
    const auto at = [&](int k) {
      const double angle = (start + span * k / steps) * std::numbers::pi / 180;
      return centre + Vec2{std::cos(angle), std::sin(angle)} * radius;
    };
    for (int k = 0; k < steps; ++k) add(at(k), at(k + 1), getAttributes().getLayer());
  }
  void add(Vec2 a, Vec2 b, const std::string& layer) {
    if (stop_.stop_requested() || ++count_ > kMostDxfLines) return;
    std::size_t number = names_.size();
    std::from_chars(layer.data(), layer.data() + layer.size(), number);
    out_.layers[number < names_.size() ? names_[number] : "0"].push_back({a, b});
  }
  DxfDrawing& out_;
  const std::vector<std::string>& names_;
  const std::stop_token& stop_;
  std::size_t count_ = 0;
  bool open_ = false, closed_ = false;
  std::string layer_;
  std::vector<std::pair<Vec2, double>> points_;
};

}  // namespace

double mmPerDxfUnit(const std::string& name) {
  constexpr std::pair<const char*, double> units[] = {
      {"in", kInch}, {"ft", kFoot}, {"mm", 1.0}, {"cm", 10.0}, {"m", 1000.0}};
  for (const auto& [word, mm] : units)
    if (name == word) return mm;
  return 0;
}

Result<DxfDrawing> readDxf(const Bytes& bytes, const std::string& name, std::stop_token stop,
                           const std::function<void(double)>& progress) {
  if (bytes.size() > kMostDxfBytes) return Error{name, "is larger than 64 MB", "Save only the layer with the outline"};
  auto sieve = sifted(bytes, name, stop, progress);
  if (!sieve) return sieve.error();
  DxfDrawing out;
  out.entities = sieve->entities;
  out.skipped = sieve->skipped;
  Taker taker(out, sieve->names, stop);
  std::istringstream text(sieve->text);
  text.imbue(std::locale::classic());
  DL_Dxf dxf;
  dxf.in(text, &taker);
  taker.flush();
  if (stop.stop_requested()) return Error{name, "was not read to its end", "It was stopped"};
  if (taker.tooMany())
    return Error{name, "holds more than " + std::to_string(kMostDxfLines) + " lines",
                 "Save only the layer with the outline"};
  if (progress) progress(1);
  if (out.layers.empty())
    return Error{name, "holds no lines, polylines or arcs", "Outlines are read from these only; explode blocks first"};
  return out;
}

Result<DxfOutline> outlineFromDxf(const DxfDrawing& drawing, const std::string& layer, double mmPerUnit,
                                  double tolerance, std::size_t loop, LengthFormat format, std::stop_token stop) {
  if (!(mmPerUnit > 0)) return Error{"drawing", "does not say its unit", "Choose one"};
  if (!(tolerance >= 0 && tolerance <= 1'000))
    return Error{"tolerance", "is not from 0 to 1 m", "Ends nearer than it are joined"};
  const auto lines = drawing.layers.find(layer);
  if (lines == drawing.layers.end()) return Error{"layer " + layer, "is not in the drawing", "Choose another"};
  std::vector<LooseLine> scaled;
  for (const LooseLine& l : lines->second) scaled.push_back({l.a * mmPerUnit, l.b * mmPerUnit});
  const LoopSearch found = loopsOf(scaled, tolerance, stop);
  if (stop.stop_requested()) return Error{"drawing", "was not searched to its end", "It was stopped"};
  const std::string within = writeLength(std::max(tolerance, 0.01), {LengthStyle::Millimetres, 16, true});
  if (found.loops.empty())
    return Error{"layer " + layer, "has no closed outline",
                 "Its ends do not meet within " + within + "; allow more, or choose another layer"};
  if (loop >= found.loops.size())
    return Error{"layer " + layer, "has only " + std::to_string(found.loops.size()) + " outlines",
                 "Choose a smaller number"};
  const Polygon& p = found.loops[loop];
  if (p.size() > 200)
    return Error{"layer " + layer, "has an outline of more than 200 corners",
                 "Curves are taken apart; draw them straighter, or choose another outline"};
  DxfOutline out;
  out.loops = found.loops.size();
  const Vec2 along = unit(p[1] - p[0]);
  for (std::size_t i = 0; i < p.size(); ++i) {
    const Vec2 d = p[i] - p[0];
    out.corners.push_back({cornerName(i), {dot(d, along), dot(d, leftOf(along))}});
  }
  out.corners[0].at = {0, 0};
  out.corners[1].at.y = 0;
  if (found.gapsClosed > 0)
    out.sentences.push_back(std::to_string(found.gapsClosed) + (found.gapsClosed == 1 ? " gap was" : " gaps were") +
                            " closed, the widest " + writeLength(found.largestGap, format) +
                            "; the most that is closed is " + within + ".");
  if (found.openEnds > 0)
    out.sentences.push_back(std::to_string(found.openEnds) + (found.openEnds == 1 ? " end meets" : " ends meet") +
                            " nothing and were left out.");
  if (found.loops.size() > 1)
    out.sentences.push_back("This is outline " + std::to_string(loop + 1) + " of " +
                            std::to_string(found.loops.size()) + " on the layer, the largest first.");
  std::size_t others = 0;
  for (const auto& [kind, count] : drawing.skipped) others += count;
  if (others > 0)
    out.sentences.push_back(std::to_string(others) + " other things, such as " + drawing.skipped.begin()->first +
                            ", are no lines and were left out.");
  return out;
}

}  // namespace mezzet
