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

}  // namespace mezzet
