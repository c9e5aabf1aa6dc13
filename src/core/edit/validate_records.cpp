#include "core/edit/validate_records.h"

#include <cmath>
#include <set>

#include "core/base/calendar.h"
#include "core/units/length.h"

namespace mezzet {
namespace {

std::optional<Error> faultOfDate(const std::string& date, const std::string& where) {
  if (date.empty() || readDay(date)) return std::nullopt;
  return Error{where, "is not a day: " + date.substr(0, 20), "Write it as 2026-03-31"};
}

std::optional<Error> faultOfLeg(const DeliveryLeg& leg, std::size_t number) {
  const std::string where = "delivery, leg " + std::to_string(number);
  for (const auto& size : {leg.width, leg.height, leg.length, leg.to, leg.depth})
    if (size)
      if (auto fault = faultOfLength(*size, where)) return fault;
  const auto needs = [&](const std::optional<double>& size, const char* what) -> std::optional<Error> {
    if (size) return std::nullopt;
    return Error{where, std::string("has no ") + what, "Measure it"};
  };
  switch (leg.kind) {
    case LegKind::Stand: return needs(leg.height, "height");
    case LegKind::Turn:
      if (auto fault = needs(leg.width, "width")) return fault;
      return needs(leg.to, "width after the turn");
    case LegKind::Lift:
      if (auto fault = needs(leg.width, "width")) return fault;
      return needs(leg.depth, "depth");
    case LegKind::Door:
    case LegKind::Corridor:
    case LegKind::Stair: return needs(leg.width, "width");
  }
  return std::nullopt;
}

std::optional<Error> faultOfOrder(const Order& order, const Piece* piece) {
  const std::string where = "order of " + order.piece.value.substr(0, 60);
  if (piece == nullptr) return Error{where, "names a piece that is not there", "Add the piece"};
  if (order.count < 1 || order.count > 1'000) return Error{where, "has a count that is none", "1 to 1000"};
  if (order.leadDays && (*order.leadDays < 0 || *order.leadDays > kMostLead))
    return Error{where, "has days to delivery that are none", "0 to 1000"};
  for (const std::string* date : {&order.ordered, &order.came})
    if (auto fault = faultOfDate(*date, where)) return fault;
  if (order.asked)
    for (const double size : {order.asked->width, order.asked->depth, order.asked->height})
      if (!(size >= 0 && size <= kLongestLength)) return Error{where, "has a size that is no length", "Type 0 or more"};
  return std::nullopt;
}

std::optional<Error> faultOfIssue(const IssueRecord& issue) {
  const std::string where = "issue " + std::to_string(issue.number);
  if (auto fault = faultOfDate(issue.date, where)) return fault;
  if (issue.hash.size() > 128) return Error{where, "has a hash that is none", "It is a SHA-256"};
  if (issue.schemes.size() > 300 || issue.changes.size() > kMostFigures || issue.figures.size() > kMostFigures)
    return Error{where, "says more than 20000 things", "Take some out"};
  for (const IssuedFigure& f : issue.figures)
    if (!std::isfinite(f.value) || (f.off && !std::isfinite(*f.off)))
      return Error{where, "has a figure that is no number", "Take it out"};
  return std::nullopt;
}

}  // namespace

std::optional<Error> faultOfRecords(const Records& r, const std::function<const Piece*(const PieceId&)>& pieceOf) {
  if (r.orders.size() > kMostOrders || r.issues.size() > kMostIssues || r.legs.size() > kMostLegs ||
      r.reviews.size() > kMostReviews)
    return Error{"records", "have more than 2000 orders, 60 issues, 60 legs or 400 reviews", "Take old ones out"};
  if (r.building.size() > 300) return Error{"building", "names more than 300 schemes", "One a room"};
  for (const Order& order : r.orders)
    if (auto fault = faultOfOrder(order, pieceOf(order.piece))) return fault;
  std::set<int> numbers;
  for (const IssueRecord& issue : r.issues) {
    if (issue.number < 1 || !numbers.insert(issue.number).second)
      return Error{"issue " + std::to_string(issue.number), "needs a number of its own, from 1", "Number them"};
    if (auto fault = faultOfIssue(issue)) return fault;
  }
  for (std::size_t i = 0; i < r.legs.size(); ++i)
    if (auto fault = faultOfLeg(r.legs[i], i)) return fault;
  if (auto fault = faultOfDate(r.starts, "starts")) return fault;
  if (auto fault = faultOfDate(r.due, "due")) return fault;
  for (const Review& review : r.reviews) {
    if (review.date.empty()) return Error{"a review", "has no day", "Say when it is due"};
    for (const std::string* date : {&review.date, &review.done})
      if (auto fault = faultOfDate(*date, "a review")) return fault;
  }
  return std::nullopt;
}

std::optional<Error> faultOfCarry(const Piece& p, const std::string& name) {
  if (p.carry->takesApart.size() > kMostApart)
    return Error{name, "comes apart into more than 40 boxes", "Name the largest ones"};
  for (const BoxSize& box : p.carry->takesApart)
    for (const double size : {box.width, box.depth, box.height})
      if (auto fault = faultOfLength(size, name + ", a part of it")) return fault;
  return std::nullopt;
}

}  // namespace mezzet
