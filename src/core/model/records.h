// Records of a job once it is carried out: what was ordered and came, what was issued, the way in, dates, reviews.
#pragma once

#include <optional>
#include <string>
#include <vector>

#include "core/base/ids.h"

namespace mezzet {

/// Where a piece is on its way into the room.
enum class OrderState { Wanted, Ordered, Arrived, Returned };

/// The three sizes of a thing, mm; a size that is not known is 0.
struct BoxSize {
  double width = 0, depth = 0, height = 0;
  bool operator==(const BoxSize&) const = default;
};

/// What was asked for of a piece. What came stays with the piece itself, which is judged as it is.
struct Order {
  PieceId piece;
  int count = 1;
  std::string ordered = {};                    ///< date; "" until it is ordered
  std::optional<int> leadDays = std::nullopt;  ///< calendar days; the piece's own until said
  OrderState state = OrderState::Wanted;
  std::string from = {}, note = {};             ///< who delivers, in the user's words
  std::optional<BoxSize> asked = std::nullopt;  ///< the sizes it was ordered by, once it came otherwise
  std::string came = {};                        ///< date; "" until it is there
  bool operator==(const Order&) const = default;
};

/// One figure of an issue: what a finding or a count measured then.
struct IssuedFigure {
  std::string id, what;  ///< of the finding or figure; in words for the owner
  std::string room, stage;
  double value = 0;
  std::string unit;  ///< "mm", "1", "deg", "mm2", "lx"
  /// How far from what is asked: less is better, 0 is within; none where no rule asks.
  std::optional<double> off = std::nullopt;
  bool operator==(const IssuedFigure&) const = default;
};

/// A set of drawings that left the house.
struct IssueRecord {
  int number = 1;
  std::string date, reader;           ///< "owner", "installer", "electrician", "shop", "all"
  std::string hash;                   ///< SHA-256 of the job without its issues
  std::vector<std::string> schemes;   ///< that were issued, one a room
  std::vector<std::string> changes;   ///< since the one before, in measures
  std::vector<IssuedFigure> figures;  ///< as they were
  bool operator==(const IssueRecord&) const = default;
};

/// One leg of the way from the street to the room.
enum class LegKind { Door, Corridor, Turn, Stair, Lift, Stand };
struct DeliveryLeg {
  LegKind kind = LegKind::Door;
  std::string name = {};
  std::string room = {};  ///< only what goes into this room passes here; "": everything
  std::optional<double> width = std::nullopt, height = std::nullopt, length = std::nullopt;
  std::optional<double> to = std::nullopt;     ///< width after a turn
  std::optional<double> depth = std::nullopt;  ///< of a lift; of a door, how thick the wall is
  bool operator==(const DeliveryLeg&) const = default;
};

/// What is looked at again after a time.
struct Review {
  std::string date, what;
  std::string done = {}, note = {};  ///< date; "" until then
  bool operator==(const Review&) const = default;
};

/// All of it.
struct Records {
  std::vector<Order> orders = {};
  std::vector<IssueRecord> issues = {};
  std::vector<DeliveryLeg> legs = {};
  std::vector<std::string> building = {};  ///< ids of the schemes that are built, one a room; else a room's first
  std::string firm = {}, client = {};      ///< for the title block
  std::string starts = {}, due = {};       ///< dates: when work may begin, by when all is wanted
  std::vector<Review> reviews = {};
  bool operator==(const Records&) const = default;
};
/// The last order of a piece; null when there is none.
[[nodiscard]] const Order* orderOf(const Records&, const PieceId&);
[[nodiscard]] Order* orderOf(Records&, const PieceId&);

}  // namespace mezzet
