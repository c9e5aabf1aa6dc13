#include "core/hang/arrangement.h"

#include <algorithm>
#include <cmath>
#include <numeric>

namespace mezzet {
namespace {

constexpr double kHair = 1e-6;  // lengths that come out of sums

std::string sizeWords(double width, double height, LengthFormat format) {
  LengthFormat bare = format;
  bare.withUnit = false;
  return writeLength(width, bare) + " x " + writeLength(height, format);
}

bool allEqual(const std::vector<Frame>& frames) {
  return std::all_of(frames.begin(), frames.end(), [&](const Frame& f) {
    return std::abs(f.width - frames.front().width) <= kEqualFrames + kHair &&
           std::abs(f.height - frames.front().height) <= kEqualFrames + kHair;
  });
}

/// Rows and columns that take n frames: as asked, else as near to the wished ratio as n can be parted. 0: none do.
struct Parting {
  int rows = 0, columns = 0;
};
Parting partingOf(const ArrangementAsk& ask, double wishedRatio) {
  const int n = static_cast<int>(ask.frames.size());
  if (ask.rows > 0 && ask.columns > 0) return ask.rows * ask.columns == n ? Parting{ask.rows, ask.columns} : Parting{};
  if (ask.rows > 0) return n % ask.rows == 0 ? Parting{ask.rows, n / ask.rows} : Parting{};
  if (ask.columns > 0) return n % ask.columns == 0 ? Parting{n / ask.columns, ask.columns} : Parting{};
  Parting best;
  double least = HUGE_VAL;
  for (int rows = 1; rows <= n; ++rows) {
    if (n % rows != 0) continue;
    const int columns = n / rows;
    const double ratio = columns * ask.frames.front().width / (rows * ask.frames.front().height);
    if (const double off = std::abs(std::log(ratio / wishedRatio)); off < least + kHair) {  // of equals more rows
      least = off;
      best = {rows, columns};
    }
  }
  return best;
}

/// Equal cells, row by row from the top left.
void fillCells(Arrangement& out, const ArrangementAsk& ask, Parting parts, double gapX, double gapY) {
  const double w = ask.frames.front().width, h = ask.frames.front().height;
  out.width = parts.columns * w + (parts.columns - 1) * gapX;
  out.height = parts.rows * h + (parts.rows - 1) * gapY;
  for (int i = 0; i < parts.rows * parts.columns; ++i) {
    const int row = i / parts.columns, column = i % parts.columns;
    out.centres.push_back({w / 2 + column * (w + gapX), out.height - h / 2 - row * (h + gapY)});
  }
  out.made = true;
}

std::string partingWords(const ArrangementAsk& ask) {
  const std::string n = std::to_string(ask.frames.size());
  if (ask.rows > 0 && ask.columns > 0)
    return n + " frames are not " + std::to_string(ask.rows) + " rows of " + std::to_string(ask.columns) + ".";
  return n + " frames cannot be parted into equal " + (ask.rows > 0 ? "rows" : "columns") + " that way.";
}

constexpr const char* kUnequal =
    "A grid takes frames of one size, within 1/8 in: make them equal, or hang them as a row or a salon.";

}  // namespace

Arrangement arrangedRow(const ArrangementAsk& ask) {
  Arrangement out;
  const double gap = ask.gap.value_or(kHangGap);
  for (const Frame& f : ask.frames) {
    if (!out.centres.empty()) out.width += gap;
    out.centres.push_back({out.width + f.width / 2, 0});
    out.width += f.width;
    out.height = std::max(out.height, f.height);
  }
  for (std::size_t i = 0; i < ask.frames.size(); ++i) {
    const double half = ask.frames[i].height / 2;
    out.centres[i].y = ask.line == HangLine::Top      ? out.height - half
                       : ask.line == HangLine::Bottom ? half
                                                      : out.height / 2;
  }
  out.made = true;
  return out;
}

Arrangement arrangedGrid(const ArrangementAsk& ask, LengthFormat) {
  Arrangement out;
  if (!allEqual(ask.frames)) {
    out.unmet.emplace_back(kUnequal);
    return out;
  }
  const Parting parts = partingOf(ask, ask.ratio.value_or(1.5));
  if (parts.rows == 0) {
    out.unmet.push_back(partingWords(ask));
    return out;
  }
  const double gap = ask.gap.value_or(kHangGap);
  fillCells(out, ask, parts, gap, gap);
  return out;
}

Arrangement arrangedMatch(const ArrangementAsk& ask, LengthFormat format) {
  Arrangement out;
  if (!(ask.matchWidth > 0 && ask.matchHeight > 0)) {
    out.unmet.emplace_back("Say which picture or group it is to match.");
    return out;
  }
  if (!allEqual(ask.frames)) {
    out.unmet.emplace_back(kUnequal);
    return out;
  }
  const Parting parts = partingOf(ask, ask.matchWidth / ask.matchHeight);
  if (parts.rows == 0) {
    out.unmet.push_back(partingWords(ask));
    return out;
  }
  const double w = ask.frames.front().width, h = ask.frames.front().height, wished = ask.gap.value_or(kHangGap);
  // Along a line of one frame there is no gap: the frame itself is as long as the whole.
  const auto gapOf = [](double whole, double one, int n) { return n > 1 ? (whole - n * one) / (n - 1) : whole - one; };
  const double gapX = gapOf(ask.matchWidth, w, parts.columns), gapY = gapOf(ask.matchHeight, h, parts.rows);
  const auto good = [](double gap, int n) {
    return n > 1 ? gap >= kMatchGapLow - kHair && gap <= kMatchGapHigh + kHair : std::abs(gap) <= kEqualFrames + kHair;
  };
  if (!good(gapX, parts.columns) || !good(gapY, parts.rows)) {
    const double fitWidth = (ask.matchWidth - (parts.columns - 1) * wished) / parts.columns,
                 fitHeight = (ask.matchHeight - (parts.rows - 1) * wished) / parts.rows;
    // Short, the way out first: it is read while the hand is on the word.
    if (fitWidth > 0 && fitHeight > 0)
      out.unmet.push_back("Frames of " + sizeWords(fitWidth, fitHeight, format) + " would do, " +
                          writeLength(wished, format) + " apart.");
    std::string gaps;
    if (parts.columns > 1) gaps = writeLength(gapX, format) + " across";
    if (parts.rows > 1) gaps += (gaps.empty() ? "" : " and ") + writeLength(gapY, format) + " up";
    out.unmet.push_back("These would hang " + (gaps.empty() ? "alone" : gaps + " apart") + "; as one picture, " +
                        writeLength(kMatchGapLow, format) + " to " + writeLength(kMatchGapHigh, format) + ".");
    return out;
  }
  fillCells(out, ask, parts, parts.columns > 1 ? gapX : 0, parts.rows > 1 ? gapY : 0);
  return out;
}

Arrangement arranged(const ArrangementAsk& ask, LengthFormat format, const std::stop_token& stop) {
  Arrangement out;
  if (ask.frames.empty()) {
    out.unmet.emplace_back("There is nothing to arrange.");
    return out;
  }
  if (ask.frames.size() > kMostFrames) {
    out.unmet.push_back("At most " + std::to_string(kMostFrames) + " are arranged at once.");
    return out;
  }
  if (std::any_of(ask.frames.begin(), ask.frames.end(), [](const Frame& f) {
        return !(f.width > 0 && f.height > 0 && std::isfinite(f.width) && std::isfinite(f.height));
      })) {
    out.unmet.emplace_back("A frame has no width or no height yet: type its size.");
    return out;
  }
  switch (ask.as) {
    case HangAs::Row: out = arrangedRow(ask); break;
    case HangAs::Grid: out = arrangedGrid(ask, format); break;
    case HangAs::Match: out = arrangedMatch(ask, format); break;
    case HangAs::Salon: out = arrangedSalon(ask, stop); break;
    case HangAs::Loose: out = arrangedLoose(ask, format, stop); break;
    case HangAs::Mirrored: out = arrangedMirrored(ask, format); break;
    case HangAs::Free: out.unmet.emplace_back("Hung free, nothing is arranged: say row, grid or salon."); break;
    case HangAs::Stair: out.unmet.emplace_back("No flight runs along this wall; take a row here."); break;
  }
  if (!out.made) return out;
  out.shortWidth = std::max(0.0, out.width - ask.roomWidth);
  out.shortHeight = std::max(0.0, out.height - ask.roomHeight);
  if (out.shortWidth <= kHair) out.shortWidth = 0;
  if (out.shortHeight <= kHair) out.shortHeight = 0;
  if (!out.fits()) {
    const auto line = [&](const char* side, double by) {
      if (by > 0)
        out.unmet.push_back("It is " + writeLength(by, format) + " too " + side + " for the free wall there.");
    };
    line("wide", out.shortWidth);
    line("high", out.shortHeight);
    if (out.shortWidth > 0 && ask.as == HangAs::Row && ask.frames.size() > 1) {
      const double gaps = static_cast<double>(ask.frames.size() - 1);
      const double gap = ask.gap.value_or(kHangGap) - out.shortWidth / gaps;
      if (gap >= kMatchGapLow) out.unmet.push_back("With gaps of " + writeLength(gap, format) + " it would fit.");
    }
  }
  return out;
}

double fillOf(const std::vector<Frame>& frames, const Arrangement& a) {
  if (!(a.width > 0 && a.height > 0)) return 0;
  const double area = std::accumulate(frames.begin(), frames.end(), 0.0,
                                      [](double sum, const Frame& f) { return sum + f.width * f.height; });
  return area / (a.width * a.height);
}

}  // namespace mezzet
