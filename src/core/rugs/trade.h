// What the trade sells: sizes of rugs, widths of broadloom, edge finishes, fibres. Values only; read from data/rugs by
// io.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/model/piece.h"

namespace mezzet {

/// Stock rugs come smaller than their ticket: each way by this much [D]; up to 3 in short is common practice.
inline constexpr double kShortOfTicket = 1 * kInch;

/// A size that is sold ready made; of a round one both are its diameter.
struct StockRug {
  double longSide = 0, shortSide = 0;  ///< mm, as sold
  bool round = false;
};

/// How much a use asks of a rug: whether a fibre or a construction bears it.
enum class Bears { Well, WithCare, Badly };
/// What a rug has to bear, by the brief and the place.
enum class RugUse { Children, Pets, Food, Oil, Damp, Stair, Entry };
inline constexpr int kRugUses = 7;

/// A fibre or a construction.
struct RugStuff {
  std::string id, name;
  bool fibre = true;  ///< else a construction
  std::vector<Bears> bears = std::vector<Bears>(kRugUses, Bears::Well);
  std::vector<std::string> why = std::vector<std::string>(kRugUses);  ///< "" where it bears it well
  int cost = 0;                                                       ///< class, 1 the cheapest; 0: says nothing
  std::string care, says;
};

/// How a cut edge is finished; prices are the user's own.
struct EdgeFinish {
  std::string id, name;
};

struct RugTrade {
  std::vector<StockRug> feet, metric;          ///< rugs, smallest first
  std::vector<double> rollsFeet, rollsMetric;  ///< widths of broadloom
  std::vector<EdgeFinish> edges;               ///< cheapest first
  std::vector<RugStuff> stuffs;

  [[nodiscard]] const std::vector<StockRug>& stock(Unit unit) const { return unit == Unit::Inch ? feet : metric; }
  [[nodiscard]] const std::vector<double>& rolls(Unit unit) const {
    return unit == Unit::Inch ? rollsFeet : rollsMetric;
  }
};

}  // namespace mezzet
