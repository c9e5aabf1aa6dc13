#include "core/job/kinds.h"

#include <algorithm>
#include <array>

namespace mezzet {
namespace {

enum Use : unsigned { kPlain = 0, kSeat = 1, kLowTable = 2, kRug = 4, kArt = 8, kArtAbove = 16 };

struct Kind {
  std::string_view id, words;
  unsigned uses;
};
constexpr std::array kKinds{
    Kind{"sofa", "sofa", kSeat | kArtAbove},
    Kind{"armchair", "armchair", kSeat},
    Kind{"low-table", "low table", kLowTable | kArtAbove},
    Kind{"side-table", "side table", kArtAbove},
    Kind{"dining-table", "dining table", kArtAbove},
    Kind{"chair", "chair", kPlain},
    Kind{"stool", "stool", kPlain},
    Kind{"console", "console", kPlain},
    Kind{"sideboard", "sideboard", kPlain},
    Kind{"bookcase", "bookcase", kPlain},
    Kind{"bed", "bed", kPlain},
    Kind{"desk", "desk", kPlain},
    Kind{"lamp", "lamp", kPlain},
    Kind{"rug", "rug", kRug},
    Kind{"art", "picture", kArt},
};

const Kind* find(std::string_view id) {
  const auto* at = std::find_if(kKinds.begin(), kKinds.end(), [&](const Kind& k) { return k.id == id; });
  return at == kKinds.end() ? nullptr : at;
}
bool has(std::string_view id, Use use) {
  const Kind* kind = find(id);
  return kind != nullptr && (kind->uses & use) != 0;
}

}  // namespace

bool isKnownKind(std::string_view kind) { return find(kind) != nullptr; }
bool isSeat(std::string_view kind) { return has(kind, kSeat); }
bool isLowTable(std::string_view kind) { return has(kind, kLowTable); }
bool isRug(std::string_view kind) { return has(kind, kRug); }
bool isArt(std::string_view kind) { return has(kind, kArt); }
bool carriesArtAbove(std::string_view kind) { return has(kind, kArtAbove); }
std::string_view kindWords(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr ? known->words : kind;
}

const std::vector<std::string_view>& offeredKinds() {
  static const std::vector<std::string_view> all{"sofa", "armchair", "low-table", "side-table", "console", "bookcase", "lamp", "rug", "art"};
  return all;
}

Piece usualPiece(std::string_view kind) {
  struct Usual {
    std::string_view kind;
    Shape shape;
    double width, depth, height, seat, arm, back;  // inches; 0: none
  };
  static constexpr Usual kUsual[] = {
      {"sofa", Shape::Rect, 84, 36, 33, 18, 25, 33},     {"armchair", Shape::Rect, 32, 34, 34, 17, 24, 34}, {"low-table", Shape::Rect, 48, 24, 17, 0, 0, 0},
      {"side-table", Shape::Round, 18, 18, 23, 0, 0, 0}, {"console", Shape::Rect, 48, 14, 30, 0, 0, 0},     {"bookcase", Shape::Rect, 36, 12, 72, 0, 0, 0},
      {"lamp", Shape::Round, 14, 14, 60, 0, 0, 0},       {"rug", Shape::Rect, 96, 120, 0.5, 0, 0, 0},       {"art", Shape::Rect, 40, 1.5, 30, 0, 0, 0}};
  Piece piece;
  piece.kind = kind;
  piece.name = kindWords(kind);
  if (!piece.name.empty() && piece.name[0] >= 'a' && piece.name[0] <= 'z') piece.name[0] = static_cast<char>(piece.name[0] - 'a' + 'A');
  const auto some = [](double inches) { return inches > 0 ? std::optional(inches * kInch) : std::nullopt; };
  for (const Usual& u : kUsual)
    if (u.kind == kind) {
      piece.shape = u.shape;
      piece.width = u.width * kInch;
      piece.depth = some(u.depth);
      piece.height = some(u.height);
      piece.seatHeight = some(u.seat);
      piece.armHeight = some(u.arm);
      piece.backHeight = some(u.back);
    }
  return piece;
}

}  // namespace mezzet
