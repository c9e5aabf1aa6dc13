#include "core/edit/records.h"

#include <algorithm>
#include <cmath>

#include "core/base/calendar.h"
#include "core/edit/edits.h"
#include "core/edit/validate_records.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr double kSameSize = 0.01;
constexpr int kYear = 365, kSeason = 90;  // days after which things are looked at again [D]

/// One size as it came; the doubt says that it was taped.
void take(Piece& piece, const char* dimension, double came, std::optional<double>& size) {
  if (came <= 0) return;
  size = came;
  piece.doubts[dimension] = {DimensionSource::Measured, kTapedDoubt};
}

}  // namespace

Result<Job> withRecords(const Job& job, Records records) {
  const auto pieceOf = [&](const PieceId& id) { return findPiece(job, id); };
  if (auto fault = faultOfRecords(records, pieceOf)) return *fault;
  Job out = job;
  out.records.edit() = std::move(records);
  return out;
}

Result<Job> withOrder(const Job& job, Order order) {
  Records records = *job.records;
  if (Order* now = orderOf(records, order.piece)) *now = std::move(order);
  else records.orders.push_back(std::move(order));
  return withRecords(job, std::move(records));
}

Job withoutOrder(const Job& job, const PieceId& piece) {
  Job out = job;
  std::erase_if(out.records.edit().orders, [&](const Order& order) { return order.piece == piece; });
  return out;
}

Result<Job> withDelivered(const Job& job, const PieceId& id, const BoxSize& came, const std::string& date) {
  const Piece* planned = findPiece(job, id);
  if (planned == nullptr) return Error{"delivery", "is of a piece that is not there", "Add the piece"};
  if (!readDay(date)) return Error{"delivery", "has no day", "Say when it came: 2026-03-31"};
  Piece piece = *planned;
  std::optional<double> width = piece.width;
  take(piece, "width", came.width, width);
  piece.width = *width;
  take(piece, "depth", came.depth, piece.depth);
  take(piece, "height", came.height, piece.height);
  if (piece.shape == Shape::Round) {
    // One diameter: what was taped of it is its width, and its depth or height follows.
    auto& across = isSeenUpright(piece.kind) ? piece.height : piece.depth;
    across = piece.width;
  }
  Records records = *job.records;
  Order* order = orderOf(records, id);
  if (order == nullptr) {
    records.orders.push_back({id, planned->count});
    order = &records.orders.back();
  }
  order->state = OrderState::Arrived;
  order->came = date;
  const BoxSize was{planned->width, planned->depth.value_or(0), planned->height.value_or(0)};
  const BoxSize is{piece.width, piece.depth.value_or(0), piece.height.value_or(0)};
  const bool other = std::abs(was.width - is.width) > kSameSize || std::abs(was.depth - is.depth) > kSameSize ||
                     std::abs(was.height - is.height) > kSameSize;
  if (other && !order->asked) order->asked = was;
  auto sized = withPiece(job, std::move(piece));
  if (!sized) return sized.error();
  return withRecords(*sized, std::move(records));
}

Result<Job> withLegs(const Job& job, std::vector<DeliveryLeg> legs) {
  Records records = *job.records;
  records.legs = std::move(legs);
  return withRecords(job, std::move(records));
}

Result<Job> withWorkDays(const Job& job, const std::string& starts, const std::string& due) {
  Records records = *job.records;
  records.starts = starts;
  records.due = due;
  return withRecords(job, std::move(records));
}

Result<Job> withTitleNames(const Job& job, const std::string& firm, const std::string& client) {
  Records records = *job.records;
  records.firm = firm;
  records.client = client;
  return withRecords(job, std::move(records));
}

Job withBuilding(const Job& job, const SchemeId& id, bool built) {
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return job;
  Job out = job;
  auto& building = out.records.edit().building;
  std::erase_if(building, [&](const std::string& other) {
    const Scheme* s = findScheme(job, SchemeId(other));
    return s == nullptr || s->room == scheme->room;
  });
  if (built) building.push_back(id.value);
  return out;
}

Result<Job> withIssue(const Job& job, IssueRecord issue) {
  Records records = *job.records;
  issue.number = records.issues.empty() ? 1 : records.issues.back().number + 1;
  records.issues.push_back(std::move(issue));
  return withRecords(job, std::move(records));
}

const IssueRecord* lastIssue(const Job& job) {
  return job.records->issues.empty() ? nullptr : &job.records->issues.back();
}

Result<Job> withReview(const Job& job, Review review) {
  Records records = *job.records;
  records.reviews.push_back(std::move(review));
  return withRecords(job, std::move(records));
}

Job withReviewDone(const Job& job, std::size_t review, const std::string& done) {
  if (review >= job.records->reviews.size() || (!done.empty() && !readDay(done))) return job;
  Job out = job;
  out.records.edit().reviews[review].done = done;
  return out;
}

std::vector<Review> reviewsOffered(const Job& job, const std::string& today) {
  std::vector<Review> out;
  const auto day = readDay(today);
  if (!day) return out;
  const auto offer = [&](Day when, const std::string& what) {
    const auto same = [&](const Review& r) { return r.what == what; };
    const auto& there = job.records->reviews;
    if (std::none_of(there.begin(), there.end(), same) && std::none_of(out.begin(), out.end(), same))
      out.push_back({writeDay(when), what});
  };
  bool taped = false, story = false;
  std::optional<Day> hung;
  for (const auto& scheme : job.schemes)
    for (const Placement& p : scheme->placements) {
      taped = taped || p.taped;
      if (p.asHung)
        if (const auto when = readDay(p.asHung->date); when && (!hung || *hung < *when)) hung = when;
    }
  for (const auto& piece : job.pieces) story = story || !piece->story.empty();
  if (hung) offer(hung->plus(kYear), "Fixings: pull gently at every frame, and look at wires and screws");
  if (taped) offer(day->plus(kSeason), "Rug tape: press down, or lay it anew");
  if (story) offer(day->plus(kYear), "Stories: ask the owner what came and what went, and write it down");
  for (const auto& scheme : job.schemes)
    for (const DisplaySet& display : scheme->displays)
      if (!display.season.empty()) offer(day->plus(kSeason), "Seasons: change what stands in the displays");
  return out;
}

}  // namespace mezzet
