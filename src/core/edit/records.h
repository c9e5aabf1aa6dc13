// The records of a job, as edits. What is refused changes nothing.
#pragma once

#include "core/base/result.h"
#include "core/model/job.h"

namespace mezzet {

/// How far a size that was taped on delivery may be off [D].
inline constexpr double kTapedDoubt = 2;

/// The last order of a piece is this one; without one it is added.
[[nodiscard]] Result<Job> withOrder(const Job&, Order);
[[nodiscard]] Job withoutOrder(const Job&, const PieceId&);
/// It came: with these sizes (0: not taped, as planned), on a day. The piece has them from now on, measured; what it
/// was ordered by is kept with the order.
[[nodiscard]] Result<Job> withDelivered(const Job&, const PieceId&, const BoxSize& came, const std::string& date);
[[nodiscard]] Result<Job> withLegs(const Job&, std::vector<DeliveryLeg>);
/// When work may begin, and by when all is wanted; "" for not said.
[[nodiscard]] Result<Job> withWorkDays(const Job&, const std::string& starts, const std::string& due);
[[nodiscard]] Result<Job> withTitleNames(const Job&, const std::string& firm, const std::string& client);
/// This scheme is built in its room, or it is not said any more.
[[nodiscard]] Job withBuilding(const Job&, const SchemeId&, bool built);
/// An issue with the next number.
[[nodiscard]] Result<Job> withIssue(const Job&, IssueRecord);
/// Null before the first.
[[nodiscard]] const IssueRecord* lastIssue(const Job&);
[[nodiscard]] Result<Job> withReview(const Job&, Review);
/// By its place in the list; `done` "" opens it again.
[[nodiscard]] Job withReviewDone(const Job&, std::size_t review, const std::string& done);
/// What is worth looking at again, from what is recorded: fixings a year after, rug tape, stories. Those that are in
/// the list already are left out.
[[nodiscard]] std::vector<Review> reviewsOffered(const Job&, const std::string& today);
/// A job whose records are sound, in the sense of validate.h.
[[nodiscard]] Result<Job> withRecords(const Job&, Records);

}  // namespace mezzet
