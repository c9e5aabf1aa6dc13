#include "core/site/openings.h"

#include <algorithm>
#include <cmath>

#include "core/geometry/linear.h"
#include "core/base/chi_squared.h"

namespace mezzet {
namespace {

/// What nobody read stays as it was: its width where that was not read, its offset where neither end was.
constexpr double kAsItWas = 1e3;  // sigma, mm: told as no doubt at all
/// A typed wall is as long as it says.
constexpr double kFirm = 0.01;

double wallSigma(const Room& room, std::size_t i) {
  if (!room.doubt.covariance) return kFirm;
  const std::size_t n = room.corners.size(), j = (i + 1) % n;
  const std::vector<double>& q = *room.doubt.covariance;
  if (q.size() != 4 * n * n) return kFirm;
  const Vec2 along = unit(room.corners[j].at - room.corners[i].at);
  const double g[4] = {-along.x, -along.y, along.x, along.y};
  const std::size_t at[4] = {2 * i, 2 * i + 1, 2 * j, 2 * j + 1};
  double variance = 0;
  for (int a = 0; a < 4; ++a)
    for (int b = 0; b < 4; ++b) variance += g[a] * g[b] * q[at[a] * 2 * n + at[b]];
  return std::max(kFirm, std::sqrt(std::max(0.0, variance)));
}

struct Row {
  OpeningRow said;
  std::vector<std::pair<std::size_t, double>> terms;
  bool weak = false;
};

const char* partWord(OpeningPart part) {
  return part == OpeningPart::Start   ? "from the start corner"
         : part == OpeningPart::Width ? "wide"
                                      : "to the end corner";
}

/// A row for each reading of an opening whose near jamb is unknown number `first`.
std::optional<Error> addReadRows(std::vector<Row>& rows, const Opening& o, std::size_t first) {
  const std::size_t second = first + 1;
  for (const OpeningReading& r : o.readings) {
    if (r.taken.superseded) continue;
    if (r.taken.atTrim && !o.trim)
      return Error{"opening " + o.id.value, "was read at its trim, whose width is not known",
                   "Measure the trim, or read at the jamb"};
    const double trim = r.taken.atTrim ? *o.trim : 0;
    Row row{{o.id, r.id, r.part, r.taken.value + (r.part == OpeningPart::Width ? -2 * trim : trim),
             std::max(kFirm, u95Of(r.taken) / 2), 0},
            {},
            false};
    if (r.part == OpeningPart::Start) row.terms = {{first, 1}};
    else if (r.part == OpeningPart::Width) row.terms = {{second, 1}, {first, -1}};
    else row.terms = {{0, 1}, {second, -1}};
    rows.push_back(std::move(row));
  }
  return std::nullopt;
}

}  // namespace

Result<WallClosure> closureOf(const Room& room, const CornerId& wallId) {
  WallClosure out;
  const std::vector<Wall> walls = wallsOf(room);
  const auto wall = std::find_if(walls.begin(), walls.end(), [&](const Wall& w) { return w.id == wallId; });
  if (wall == walls.end()) return Error{"wall " + wallId.value, "is not in this room", "Choose another"};
  const double sigma = wallSigma(room, static_cast<std::size_t>(wall - walls.begin()));
  out.wallLength = wall->length();
  out.wallU95 = sigma > kFirm ? 2 * sigma : 0;

  std::vector<Row> rows;
  rows.push_back({{{}, {}, OpeningPart::Width, out.wallLength, sigma, 0}, {{0, 1}}, false});
  std::vector<const Opening*> read;
  for (const Opening& o : room.openings) {
    if (o.wall != wallId ||
        std::none_of(o.readings.begin(), o.readings.end(), [](const OpeningReading& r) { return !r.taken.superseded; }))
      continue;
    const std::size_t first = 1 + 2 * read.size(), second = first + 1;
    read.push_back(&o);
    const auto wasRead = [&](OpeningPart part) {
      return std::any_of(o.readings.begin(), o.readings.end(),
                         [&](const OpeningReading& r) { return r.part == part && !r.taken.superseded; });
    };
    const bool start = wasRead(OpeningPart::Start), end = wasRead(OpeningPart::End);
    if (!start && !end) rows.push_back({{o.id, {}, OpeningPart::Start, o.offset, kAsItWas, 0}, {{first, 1}}, true});
    if (!wasRead(OpeningPart::Width) && !(start && end))
      rows.push_back({{o.id, {}, OpeningPart::Width, o.width, kAsItWas, 0}, {{second, 1}, {first, -1}}, true});
    if (auto fault = addReadRows(rows, o, first)) return *fault;
  }
  if (read.empty()) return out;

  Matrix a(rows.size(), 1 + 2 * read.size());
  Numbers b;
  for (std::size_t k = 0; k < rows.size(); ++k) {
    for (const auto& [column, factor] : rows[k].terms) a(k, column) = factor / rows[k].said.sigma;
    b.push_back(rows[k].said.read / rows[k].said.sigma);
  }
  const LeastSquares fit = leastSquares(a, b);
  const Numbers& x = fit.x;
  const Matrix& q = fit.cofactor;
  double redundancy = 0;
  for (std::size_t k = 0; k < rows.size(); ++k) {
    if (rows[k].weak) continue;
    rows[k].said.residual = fit.residuals[k] * rows[k].said.sigma;
    out.chi2 += fit.residuals[k] * fit.residuals[k];
    double leverage = 0;
    for (std::size_t i = 0; i < a.columns; ++i)
      for (std::size_t j = 0; j < a.columns; ++j) leverage += a(k, i) * q(i, j) * a(k, j);
    redundancy += 1 - leverage;
    out.rows.push_back(rows[k].said);
  }
  out.redundancy = static_cast<int>(std::lround(redundancy));
  out.limit = chiSquaredLimit(out.redundancy);
  for (std::size_t i = 0; i < read.size(); ++i) {
    const std::size_t first = 1 + 2 * i, second = first + 1;
    OpeningPlace place{read[i]->id, x[first], x[second] - x[first], 0, 0, std::nullopt};
    const auto said = [](double variance) {
      const double u95 = 2 * std::sqrt(std::max(0.0, variance));
      return u95 < kAsItWas ? u95 : 0;
    };
    place.offsetU95 = said(q(first, first));
    place.widthU95 = said(q(first, first) + q(second, second) - 2 * q(first, second));
    std::optional<double> parts[3];
    for (const OpeningRow& r : out.rows)
      if (r.opening == place.opening) parts[static_cast<int>(r.part)] = r.read;
    if (parts[0] && parts[1] && parts[2]) place.misclosure = *parts[0] + *parts[1] + *parts[2] - out.wallLength;
    out.places.push_back(place);
  }
  return out;
}

Result<Room> openingsClosed(Room room) {
  for (const Corner& corner : room.corners) {
    const auto closure = closureOf(room, corner.id);
    if (!closure) return closure.error();
    for (const OpeningPlace& place : closure->places)
      for (Opening& o : room.openings)
        if (o.id == place.opening) {
          // Within rounding of nothing an opening starts at its corner.
          o.offset = place.offset > -kFirm && place.offset < 0 ? 0 : place.offset;
          o.width = place.width;
        }
  }
  return room;
}

std::vector<std::string> closureWords(const Room& room, const OpeningId& id, LengthFormat format) {
  std::vector<std::string> out;
  const Opening* opening = findOpening(room, id);
  if (opening == nullptr) return out;
  const auto closure = closureOf(room, opening->wall);
  if (!closure) return {closure.error().text() + "."};
  const auto place = std::find_if(closure->places.begin(), closure->places.end(),
                                  [&](const OpeningPlace& p) { return p.opening == id; });
  if (place == closure->places.end()) return out;
  if (!place->misclosure) {
    std::string missing;
    bool has[3] = {false, false, false};
    for (const OpeningRow& r : closure->rows)
      if (r.opening == id) has[static_cast<int>(r.part)] = true;
    for (int part = 0; part < 3; ++part)
      if (!has[part])
        missing += (missing.empty() ? "" : " and ") +
                   std::string(part == 1 ? "its width"
                                         : "how far it is " + std::string(partWord(static_cast<OpeningPart>(part))));
    out.push_back("Nothing checks it yet: read " + missing + " too.");
    return out;
  }
  const double over = *place->misclosure;
  const std::string sum = std::abs(over) < 0.5
                              ? "Offset, width and offset make the wall exactly."
                              : "Offset, width and offset make " + writeLength(std::abs(over), format) +
                                    (over > 0 ? " more" : " less") + " than the wall.";
  out.push_back(sum);
  if (!closure->closes()) {
    const double fair = std::sqrt(closure->limit);
    double variance = 0;
    for (const OpeningRow& r : closure->rows)
      if (r.opening == id || r.reading.empty()) variance += r.sigma * r.sigma;
    out.push_back("That is more than the readings allow (" + writeLength(fair * std::sqrt(variance), format) +
                  "). Measure one of the three again, or wall " + opening->wall.value + ".");
  } else if (std::abs(over) >= 0.5) {
    out.push_back("That is within what the readings allow; it is shared out by how sure each is.");
  }
  return out;
}

}  // namespace mezzet
