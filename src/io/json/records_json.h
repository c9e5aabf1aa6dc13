// Records of a job in its file; inside io only.
#pragma once

#include "core/model/job.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

/// `orders`, `issues`, `delivery`, `building`, `firm`, `client`, `starts`, `due`, `reviews`.
void readRecords(ObjectReader& job, Job&);
/// The same keys, those that say something.
[[nodiscard]] Json recordsToJson(const Records&);
/// The boxes that a piece comes apart into.
void readTakesApart(ObjectReader& piece, Piece&);
void writeTakesApart(Json& piece, const Piece&);

}  // namespace mezzet
