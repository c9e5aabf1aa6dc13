#include "core/site/studs.h"

#include <algorithm>
#include <cmath>

namespace mezzet {
namespace {

constexpr double kGate = 3;           // sigmas: a hit further off counts as odd, however far
constexpr double kUnhit = 0.05;       // cost of a predicted stud between the hits that nobody found
constexpr double kClose = 0.3;        // another pitch this near in cost is told
constexpr double kFreeGain = 1.0;     // a free pitch must explain a whole hit more than the usual ones
constexpr std::size_t kFreeHits = 4;  // and needs this many hits
constexpr double kLeastFree = 250, kMostFree = 800;
constexpr int kMostSteps = 8;             // studs between two hits, for guesses of a free pitch
constexpr double kFraming = 1.5;          // sigma of carpenters, mm [D]
constexpr std::size_t kMostGuessed = 60;  // hits that guesses start from

struct Weighed {
  double at, sigma, confidence;
};
struct Try {
  double pitch = 0, offset = 0, cost = 1e300;
  double varianceOffset = 0, variancePitch = 0, covariance = 0;  // about the middle index
  double middle = 0;
};

double offBy(double at, double offset, double pitch) {
  const double r = at - offset;
  return r - pitch * std::round(r / pitch);
}

double costOf(const std::vector<Weighed>& hits, double offset, double pitch) {
  double cost = 0, low = 1e300, high = -1e300;
  std::vector<long> found;
  for (const Weighed& h : hits) {
    const double r = offBy(h.at, offset, pitch) / (kGate * h.sigma);
    cost += h.confidence * std::min(1.0, r * r);
    if (std::abs(r) >= 1) continue;
    low = std::min(low, h.at);
    high = std::max(high, h.at);
    found.push_back(std::lround((h.at - offset) / pitch));
  }
  if (found.empty()) return 1e300;
  std::sort(found.begin(), found.end());
  found.erase(std::unique(found.begin(), found.end()), found.end());
  return cost +
         kUnhit * static_cast<double>(std::max(0L, found.back() - found.front() + 1 - static_cast<long>(found.size())));
}

/// Weighted least squares on the hits inside the gate; the pitch too when it is free.
Try refined(const std::vector<Weighed>& hits, double offset, double pitch, bool freely) {
  Try out{pitch, offset};
  for (int step = 0; step < 4; ++step) {
    double w = 0, wk = 0, wkk = 0, wx = 0, wkx = 0;
    int used = 0;
    for (const Weighed& h : hits) {
      if (std::abs(offBy(h.at, out.offset, out.pitch)) >= kGate * h.sigma) continue;
      const double k = std::round((h.at - out.offset) / out.pitch), weight = h.confidence / (h.sigma * h.sigma);
      w += weight;
      wk += weight * k;
      wkk += weight * k * k;
      wx += weight * h.at;
      wkx += weight * k * h.at;
      ++used;
    }
    if (used == 0) break;
    const double det = w * wkk - wk * wk;
    if (freely && used >= 3 && det > 1e-12 * w * wkk) {
      out.pitch = std::clamp((w * wkx - wk * wx) / det, kLeastFree, kMostFree);
      out.offset = (wx - out.pitch * wk) / w;
      out.variancePitch = w / det;
    } else {
      out.offset = (wx - out.pitch * wk) / w;
      out.variancePitch = 0;
    }
    out.middle = wk / w;
    out.varianceOffset = 1 / w;  // of the stud at the middle index
  }
  out.cost = costOf(hits, out.offset, out.pitch);
  return out;
}

Try bestOf(const std::vector<Weighed>& hits, double pitch) {
  Try best;
  for (const Weighed& h : hits) {
    const Try t = refined(hits, h.at, pitch, false);
    if (t.cost < best.cost - 1e-9) best = t;
  }
  return best;
}

Try bestFree(const std::vector<Weighed>& hits) {
  Try best;
  const std::size_t n = std::min(hits.size(), kMostGuessed);
  for (std::size_t i = 0; i < n; ++i)
    for (std::size_t j = i + 1; j < n; ++j)
      for (int steps = 1; steps <= kMostSteps; ++steps) {
        const double pitch = std::abs(hits[j].at - hits[i].at) / steps;
        if (pitch < kLeastFree || pitch > kMostFree || costOf(hits, hits[i].at, pitch) > best.cost + 1) continue;
        const Try t = refined(hits, hits[i].at, pitch, true);
        if (t.cost < best.cost - 1e-9) best = t;
      }
  return best;
}

}  // namespace

const std::vector<double>& usualPitches() {
  // The wider first: of two that explain the hits alike, the one that promises less.
  static const std::vector<double> all{24 * kInch, 600, 450, 16 * kInch, 400};
  return all;
}

std::optional<StudFit> fitStuds(const StudRecord& record, double wallLength) {
  if (record.hits.size() < (record.pitch ? 1U : 2U) || !(wallLength > 0)) return std::nullopt;
  std::vector<Weighed> hits;
  for (const StudHit& h : record.hits)
    hits.push_back({h.along, (h.detector ? kDetectorU95 : kTapU95) / 2, h.confidence});
  Try best;
  std::vector<std::pair<double, double>> costs;  // of the usual pitches
  if (record.pitch) {
    best = bestOf(hits, *record.pitch);
  } else {
    for (const double pitch : usualPitches()) {
      const Try t = bestOf(hits, pitch);
      costs.emplace_back(pitch, t.cost);
      if (t.cost < best.cost - 1e-9) best = t;
    }
  }
  StudFit out;
  if (!record.pitch && hits.size() >= kFreeHits) {
    const Try freely = bestFree(hits);
    if (freely.cost < best.cost - kFreeGain) {
      best = freely;
      out.standardPitch = false;
    }
  }
  if (!(best.cost < 1e300)) return std::nullopt;
  out.pitch = best.pitch;
  out.first = best.offset - out.pitch * std::floor(best.offset / out.pitch);
  if (out.standardPitch)
    for (const auto& [pitch, cost] : costs)
      if (pitch != out.pitch && cost < best.cost + kClose) out.others.push_back(pitch);
  for (double at = out.first; at <= wallLength; at += out.pitch) {
    const double k = (at - best.offset) / out.pitch - best.middle;
    Stud stud{at, 2 * std::sqrt(best.varianceOffset + best.variancePitch * k * k + kFraming * kFraming), 0};
    for (const Weighed& h : hits)
      if (std::abs(h.at - at) < kGate * h.sigma) ++stud.hits;
    out.studs.push_back(stud);
  }
  for (std::size_t i = 0; i < hits.size(); ++i)
    if (std::abs(offBy(hits[i].at, best.offset, out.pitch)) >= kGate * hits[i].sigma)
      out.odd.push_back(record.hits[i].id);
  return out;
}

std::vector<std::string> studWords(const StudRecord& record, const std::optional<StudFit>& fit, LengthFormat format) {
  std::vector<std::string> out;
  if (!fit) {
    out.push_back(record.hits.empty() ? "Knock along the wall or run a detector, and type where something solid is."
                                      : "One hit says where one stud is. Find a second to know the pitch.");
  } else {
    const std::string pitch = writeLength(fit->pitch, format);
    const std::size_t agree = record.hits.size() - fit->odd.size();
    out.push_back("Studs every " + pitch +
                  (record.pitch         ? ", as typed"
                   : fit->standardPitch ? ""
                                        : ", none of the usual pitches") +
                  ": " + std::to_string(agree) + " of " + std::to_string(record.hits.size()) + " hits agree.");
    if (!fit->odd.empty())
      out.push_back(fit->odd.size() == 1
                        ? "One hit fits no stud: an extra stud, a noggin, a pipe, or a mistake. It is kept."
                        : std::to_string(fit->odd.size()) +
                              " hits fit no stud: extra studs, noggins, pipes, or mistakes. They are kept.");
    if (!fit->others.empty()) {
      std::string others;
      for (std::size_t i = 0; i < fit->others.size(); ++i)
        others += (i == 0 ? "" : i + 1 == fit->others.size() ? " and " : ", ") + writeLength(fit->others[i], format);
      out.push_back("The hits fit " + others + " about as well. One more hit between them would decide.");
    }
  }
  out.push_back("A prediction is no promise: detect before drilling, for studs, cables and pipes.");
  return out;
}

const StudRecord* studsOf(const Room& room, const CornerId& wall) {
  for (const StudRecord& s : room.studs)
    if (s.wall == wall) return &s;
  return nullptr;
}

}  // namespace mezzet
