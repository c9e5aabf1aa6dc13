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

}  // namespace

bool Job::operator==(const Job& other) const {
  return name == other.name && units == other.units && brief == other.brief && houseRules == other.houseRules &&
         extra == other.extra && storeys == other.storeys && carpet == other.carpet && palette == other.palette &&
         budget == other.budget && records == other.records && sameValues(rooms, other.rooms) &&
         sameValues(pieces, other.pieces) && sameValues(schemes, other.schemes);
}

JobChange changeBetween(const Job& before, const Job& after) {
  return {before.rooms != after.rooms, before.pieces != after.pieces, before.schemes != after.schemes,
          !(before.name == after.name && before.units == after.units && before.brief == after.brief &&
            before.houseRules == after.houseRules && before.storeys == after.storeys && before.carpet == after.carpet &&
            before.palette == after.palette && before.budget == after.budget && before.records == after.records &&
            before.extra == after.extra)};
}

const Room* findRoom(const Job& job, const RoomId& id) { return findShared(job.rooms, id); }
const Piece* findPiece(const Job& job, const PieceId& id) { return findShared(job.pieces, id); }
const Scheme* findScheme(const Job& job, const SchemeId& id) { return findShared(job.schemes, id); }
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

}  // namespace mezzet
