#include "core/model/job.h"

#include <algorithm>
#include <stdexcept>

namespace mezzet {
namespace {

template <class T>
bool sameValues(const std::vector<Shared<T>>& a, const std::vector<Shared<T>>& b) {
  return std::equal(a.begin(), a.end(), b.begin(), b.end(),
                    [](const Shared<T>& p, const Shared<T>& q) { return p == q || *p == *q; });
}

template <class T, class AnyId>
const T* findShared(const std::vector<Shared<T>>& all, const AnyId& id) {
  for (const Shared<T>& one : all)
    if (one->id == id) return one.get();
  return nullptr;
}

template <class T, class AnyId>
const T* find(const std::vector<T>& all, const AnyId& id) {
  for (const T& one : all)
    if (one.id == id) return &one;
  return nullptr;
}

}  // namespace

bool Job::operator==(const Job& other) const {
  return name == other.name && units == other.units && brief == other.brief && houseRules == other.houseRules &&
         extra == other.extra && storeys == other.storeys && sameValues(rooms, other.rooms) &&
         sameValues(pieces, other.pieces) && sameValues(schemes, other.schemes);
}

const Room* findRoom(const Job& job, const RoomId& id) { return findShared(job.rooms, id); }
const Piece* findPiece(const Job& job, const PieceId& id) { return findShared(job.pieces, id); }
const Scheme* findScheme(const Job& job, const SchemeId& id) { return findShared(job.schemes, id); }
const Placement* findPlacement(const Scheme& scheme, const PlacementId& id) { return find(scheme.placements, id); }
const Opening* findOpening(const Room& room, const OpeningId& id) { return find(room.openings, id); }

const Piece& pieceOf(const Job& job, const Placement& placement) {
  if (const Piece* piece = findPiece(job, placement.piece)) return *piece;
  throw std::out_of_range("no piece " + placement.piece.value);
}

const Room& roomOf(const Job& job, const Scheme& scheme) {
  if (const Room* room = findRoom(job, scheme.room)) return *room;
  throw std::out_of_range("no room " + scheme.room.value);
}

PieceIndex::PieceIndex(const Job& job) {
  pieces_.reserve(job.pieces.size());
  for (const Shared<Piece>& piece : job.pieces) pieces_.emplace(piece->id.value, piece.get());
}

const Piece& PieceIndex::of(const Placement& placement) const { return *pieces_.at(placement.piece.value); }

std::vector<Wall> wallsOf(const Room& room) {
  std::vector<Wall> walls;
  walls.reserve(room.corners.size());
  for (std::size_t i = 0; i < room.corners.size(); ++i)
    walls.push_back({room.corners[i].id, room.corners[i].at, room.corners[(i + 1) % room.corners.size()].at,
                     room.corners[i].wallThickness.value_or(kUsualWall)});
  return walls;
}

std::optional<Wall> findWall(const Room& room, const CornerId& id) {
  for (const Wall& wall : wallsOf(room))
    if (wall.id == id) return wall;
  return std::nullopt;
}

Polygon outlineOf(const Room& room) {
  Polygon outline;
  outline.reserve(room.corners.size());
  for (const Corner& corner : room.corners) outline.push_back(corner.at);
  return outline;
}

CornerId cornerName(std::size_t index) {
  std::string name;
  for (std::size_t i = index + 1; i > 0; i = (i - 1) / 26)
    name.insert(name.begin(), static_cast<char>('A' + (i - 1) % 26));
  return CornerId(name);
}

std::string openingName(const Opening& o) {
  switch (o.kind) {
    case OpeningKind::Door: return "door " + o.id.value;
    case OpeningKind::Sliding: return "sliding door " + o.id.value;
    case OpeningKind::Window: return "window " + o.id.value;
    case OpeningKind::Arch: return "arch " + o.id.value;
  }
  return o.id.value;
}

Vec2 middleOf(const Wall& wall, const Opening& o) { return wall.start + wall.along() * (o.offset + o.width / 2); }

std::optional<double> highestOf(const Piece& piece) {
  if (!piece.backHeight) return piece.height;
  return std::max(piece.height.value_or(0), *piece.backHeight);
}

WallRect wallRectOf(const Piece& piece, const WallPlace& place) {
  const double halfWidth = piece.width / 2, halfHeight = piece.height.value_or(0) / 2;
  return {place.u - halfWidth, place.u + halfWidth, place.v - halfHeight, place.v + halfHeight};
}

}  // namespace mezzet
