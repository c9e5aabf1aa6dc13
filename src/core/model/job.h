// The job as a value: rooms, pieces, schemes. Copied, compared and stored; edits are functions (core/edit).
#pragma once

#include <map>
#include <memory>
#include <optional>
#include <string>
#include <string_view>
#include <unordered_map>
#include <vector>

#include "core/model/piece.h"
#include "core/model/records.h"
#include "core/model/room.h"
#include "core/model/scheme.h"

namespace mezzet {

struct Brief {
  std::vector<double> statures;  ///< of the people who look at the walls, mm
  bool isPublic = false, tenant = false, children = false, pets = false, access = false;
  std::string purpose = {};  ///< "entertaining", "reading", "television", "dining", "sleeping", "working" or ""
  std::string hours = {};    ///< "day", "evening", "both" or ""
  std::string anchor = {};   ///< what stays, and the room is built round; in the user's words
  std::optional<double> budgetSimple = std::nullopt,
                        budgetFull = std::nullopt;  ///< of the simple and of the harder scheme, in the user's currency
  bool operator==(const Brief&) const = default;
};

struct HouseRules {
  int rulebook = 1;
  std::map<std::string, std::string> schools;  ///< rule id to school id
  std::map<std::string, Range> ranges;         ///< rule id to the job's own range
  bool operator==(const HouseRules&) const = default;
};

/// The user's own list of what carpet costs and comes in.
struct CarpetList {
  std::vector<double> rolls;                 ///< widths of broadloom, mm; none: what the trade usually sells
  std::map<std::string, double> edgePrices;  ///< by edge finish, of one metre, in the user's currency
  bool operator==(const CarpetList&) const = default;
};

/// What a job's budget is made of besides its pieces. Nothing is ever fetched.
struct BudgetList {
  std::string currency = {};                  ///< a word: "kroner"
  std::optional<double> hours, rate;          ///< of the decorator
  std::map<std::string, double> prices = {};  ///< the user's own list, of one, by what a line of the budget says
  bool operator==(const BudgetList&) const = default;
};

template <class T>
using Shared = std::shared_ptr<const T>;

struct Job {
  std::string name;
  Unit units = Unit::Inch;
  Brief brief;
  std::vector<Shared<Room>> rooms;
  std::vector<Shared<Piece>> pieces;
  std::vector<Shared<Scheme>> schemes;
  HouseRules houseRules;
  Extra extra;
  std::vector<Storey> storeys = {};
  CarpetList carpet = {};
  ColourPalette palette = {};  ///< that displays start from
  BudgetList budget = {};
  Part<Records> records = {};

  /// Equal if the shared pointers are equal, else by value.
  bool operator==(const Job& other) const;
};

/// What an edit changed, as far as shared pointers tell.
struct JobChange {
  bool rooms = true, pieces = true, schemes = true;
  bool house = true;  ///< brief, house rules, unit, names, storeys, records
};
[[nodiscard]] JobChange changeBetween(const Job& before, const Job& after);

// ---- looking things up; null when there is no such thing
[[nodiscard]] const Room* findRoom(const Job&, const RoomId&);
[[nodiscard]] const Piece* findPiece(const Job&, const PieceId&);
[[nodiscard]] const Scheme* findScheme(const Job&, const SchemeId&);
[[nodiscard]] const Piece& pieceOf(const Job&, const Placement&);  ///< throws std::out_of_range: a checked job has it
[[nodiscard]] const Room& roomOf(const Job&, const Scheme&);       ///< likewise

/// Pieces by id, for loops over placements: searching the list for each of them would be quadratic.
class PieceIndex {
 public:
  explicit PieceIndex(const Job&);
  [[nodiscard]] const Piece& of(const Placement&) const;  ///< throws std::out_of_range: a checked job has it

 private:
  std::unordered_map<std::string_view, const Piece*> pieces_;
};

}  // namespace mezzet
