// Ids: short strings that name a thing for as long as its job lives. Each kind of thing has its own type.
#pragma once

#include <compare>
#include <string>
#include <utility>

namespace mezzet {

template <class Kind>
struct Id {
  std::string value;

  Id() = default;
  explicit Id(std::string text) : value(std::move(text)) {}
  [[nodiscard]] bool empty() const { return value.empty(); }
  bool operator==(const Id&) const = default;
  std::strong_ordering operator<=>(const Id&) const = default;  ///< byte order: p10 comes before p2
};

using CornerId = Id<struct CornerKind>;  ///< also names the wall that starts there
using OpeningId = Id<struct OpeningKindTag>;
using FeatureId = Id<struct FeatureKindTag>;
using RoomId = Id<struct RoomKindTag>;
using PieceId = Id<struct PieceKindTag>;
using PlacementId = Id<struct PlacementKindTag>;
using SchemeId = Id<struct SchemeKindTag>;
using ReadingId = Id<struct ReadingKindTag>;
using CeilingId = Id<struct CeilingKindTag>;
using PointId = Id<struct PointKindTag>;
using PhotographId = Id<struct PhotographKindTag>;
using StoreyId = Id<struct StoreyKindTag>;
using CircuitId = Id<struct CircuitKindTag>;
using LaidId = Id<struct LaidKindTag>;
using AreaId = Id<struct AreaKindTag>;
using TaskId = Id<struct TaskKindTag>;

/// Gives new ids. Belongs to the open document, not to the Job, so that undo never takes a number back.
class IdSource {
 public:
  explicit IdSource(long long next = 1) : next_(next) {}
  [[nodiscard]] long long next() const { return next_; }
  void atLeast(long long next) { next_ = next > next_ ? next : next_; }
  template <class AnyId>
  AnyId take(const char* prefix) {
    return AnyId(prefix + std::to_string(next_++));
  }

 private:
  long long next_;
};

}  // namespace mezzet
