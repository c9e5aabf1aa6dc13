#include "core/model/kinds.h"
#include "core/base/sentence.h"

#include <algorithm>
#include <array>

namespace mezzet {
namespace {

enum Use : unsigned {
  kPlain = 0,
  kSeat = 1,
  kLowTable = 2,
  kRug = 4,
  kArt = 8,
  kArtAbove = 16,
  kDiningSeat = 32,
  kHangs = 64,
  kSoft = 128,
  kWood = 256,
  kStorage = 512,
  kOpens = 1024,
  kTurns = 2048,
  kSurface = 4096,
  kPullUp = 8192,
};

struct Kind {
  std::string_view id, words;
  unsigned uses;
};
constexpr std::array kKinds{
    Kind{"sofa", "sofa", kSeat | kArtAbove | kSoft},
    Kind{"armchair", "armchair", kSeat | kSoft},
    Kind{"swivel-chair", "swivel chair", kSeat | kSoft | kTurns},
    Kind{"recliner", "recliner", kSeat | kSoft | kOpens},
    Kind{"chaise", "chaise", kSeat | kSoft},
    Kind{"ottoman", "ottoman", kPullUp | kSoft},
    Kind{"low-table", "low table", kLowTable | kArtAbove | kWood},
    Kind{"side-table", "side table", kArtAbove | kWood | kSurface},
    Kind{"dining-table", "dining table", kArtAbove | kWood},
    Kind{"chair", "chair", kDiningSeat},
    Kind{"stool", "stool", kDiningSeat | kPullUp},
    Kind{"bench", "bench", kDiningSeat | kWood},
    Kind{"banquette", "banquette", kDiningSeat | kSoft},
    Kind{"console", "console", kWood | kSurface},
    Kind{"sideboard", "sideboard", kWood | kStorage | kOpens | kSurface},
    Kind{"cabinet", "cabinet", kWood | kStorage | kOpens},
    Kind{"media-unit", "media unit", kWood | kStorage | kOpens},
    Kind{"bookcase", "bookcase", kWood | kStorage},
    Kind{"bed", "bed", kSoft},
    Kind{"desk", "desk", kWood | kOpens},
    Kind{"lamp", "lamp", kPlain},
    Kind{"plant", "plant", kPlain},
    Kind{"folding-screen", "folding screen", kPlain},
    Kind{"rug", "rug", kRug},
    Kind{"art", "picture", kArt | kHangs},
    Kind{"mirror", "mirror", kHangs},
    Kind{"television", "television", kHangs},
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
bool isDiningSeat(std::string_view kind) { return has(kind, kDiningSeat); }
bool isLowTable(std::string_view kind) { return has(kind, kLowTable); }
bool isRug(std::string_view kind) { return has(kind, kRug); }
bool isArt(std::string_view kind) { return has(kind, kArt); }
bool hangs(std::string_view kind) { return has(kind, kHangs); }
bool isUpholstered(std::string_view kind) { return has(kind, kSoft); }
bool isWooden(std::string_view kind) { return has(kind, kWood); }
bool carriesArtAbove(std::string_view kind) { return has(kind, kArtAbove); }
bool isStorage(std::string_view kind) { return has(kind, kStorage); }
bool opensForward(std::string_view kind) { return has(kind, kOpens); }
bool turnsRound(std::string_view kind) { return has(kind, kTurns); }
bool isSurface(std::string_view kind) { return has(kind, kSurface); }
bool isPulledUp(std::string_view kind) { return has(kind, kPullUp); }
double opensBy(const Piece& piece) {
  return piece.opensBy.value_or(isStorage(piece.kind) && opensForward(piece.kind) ? kUsualLeaf
                                : piece.kind == "recliner"                        ? kUsualRecline
                                                                                  : 0);
}
double extendsBy(const Piece& piece) { return piece.kind == "dining-table" ? piece.extendsBy.value_or(0) : 0; }
std::string_view kindWords(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr ? known->words : kind;
}

const std::vector<std::string_view>& offeredKinds() {
  static const std::vector<std::string_view> all{
      "sofa",         "armchair",       "swivel-chair", "recliner",   "ottoman",   "low-table", "side-table",
      "dining-table", "chair",          "bench",        "stool",      "banquette", "chaise",    "console",
      "sideboard",    "cabinet",        "bookcase",     "media-unit", "desk",      "bed",       "lamp",
      "plant",        "folding-screen", "rug",          "art",        "mirror",    "television"};
  return all;
}

const std::vector<NamedKind>& kindNames() {
  static const std::vector<NamedKind> all = [] {
    std::vector<NamedKind> names{{"couch", "sofa"},
                                 {"settee", "sofa"},
                                 {"easy chair", "armchair"},
                                 {"coffee table", "low-table"},
                                 {"end table", "side-table"},
                                 {"dining chair", "chair"},
                                 {"carpet", "rug"},
                                 {"painting", "art"},
                                 {"print", "art"},
                                 {"art", "art"},
                                 {"tv", "television"},
                                 {"screen", "television"},
                                 {"bookshelf", "bookcase"},
                                 {"shelves", "bookcase"},
                                 {"cupboard", "cabinet"},
                                 {"chest of drawers", "cabinet"},
                                 {"dresser", "cabinet"},
                                 {"wardrobe", "cabinet"},
                                 {"tv stand", "media-unit"},
                                 {"tv unit", "media-unit"},
                                 {"footstool", "ottoman"},
                                 {"pouf", "ottoman"},
                                 {"daybed", "chaise"},
                                 {"sofa module", "sofa"},
                                 {"tree", "plant"},
                                 {"floor lamp", "lamp"}};
    for (const Kind& kind : kKinds) names.push_back({kind.words, kind.id});
    for (const Kind& kind : kKinds)
      if (kind.id != kind.words && kind.id != "art") names.push_back({kind.id, kind.id});
    std::stable_sort(names.begin(), names.end(),
                     [](const NamedKind& a, const NamedKind& b) { return a.words.size() > b.words.size(); });
    return names;
  }();
  return all;
}

double usualDoubt(std::string_view kind, DimensionSource source) {
  switch (source) {
    case DimensionSource::Measured: return kInch / 8;
    case DimensionSource::Ticket: return isRug(kind) ? 3 * kInch : isUpholstered(kind) ? kInch : kInch / 4;
    case DimensionSource::Guess: return 2 * kInch;
    case DimensionSource::Default: return 0;
  }
  return 0;
}

Piece usualPiece(std::string_view kind) {
  struct Usual {
    std::string_view kind;
    Shape shape;
    double width, depth, height, seat, arm, back;  // inches; 0: none
  };
  static constexpr Usual kUsual[] = {
      {"sofa", Shape::Rect, 84, 36, 33, 18, 25, 33},      {"armchair", Shape::Rect, 32, 34, 34, 17, 24, 34},
      {"low-table", Shape::Rect, 48, 24, 17, 0, 0, 0},    {"side-table", Shape::Round, 18, 18, 23, 0, 0, 0},
      {"dining-table", Shape::Rect, 72, 36, 30, 0, 0, 0}, {"chair", Shape::Rect, 18, 20, 34, 18, 0, 34},
      {"stool", Shape::Round, 15, 15, 18, 18, 0, 0},      {"bench", Shape::Rect, 48, 15, 18, 18, 0, 0},
      {"console", Shape::Rect, 48, 14, 30, 0, 0, 0},      {"sideboard", Shape::Rect, 60, 18, 34, 0, 0, 0},
      {"bookcase", Shape::Rect, 36, 12, 72, 0, 0, 0},     {"bed", Shape::Rect, 60, 80, 24, 0, 0, 48},
      {"desk", Shape::Rect, 55, 28, 29, 0, 0, 0},         {"lamp", Shape::Round, 14, 14, 60, 0, 0, 0},
      {"rug", Shape::Rect, 120, 96, 0.5, 0, 0, 0},        {"swivel-chair", Shape::Rect, 31, 32, 32, 17, 23, 32},
      {"recliner", Shape::Rect, 34, 37, 40, 19, 25, 40},  {"chaise", Shape::Rect, 30, 64, 33, 17, 0, 33},
      {"ottoman", Shape::Rect, 24, 20, 17, 0, 0, 0},      {"banquette", Shape::Rect, 72, 22, 36, 18, 0, 36},
      {"cabinet", Shape::Rect, 40, 20, 60, 0, 0, 0},      {"media-unit", Shape::Rect, 64, 17, 22, 0, 0, 0},
      {"plant", Shape::Round, 20, 20, 60, 0, 0, 0},       {"folding-screen", Shape::Rect, 60, 6, 68, 0, 0, 0},
      {"art", Shape::Rect, 40, 1.5, 30, 0, 0, 0},         {"mirror", Shape::Rect, 30, 1.5, 40, 0, 0, 0},
      {"television", Shape::Rect, 48, 3, 28, 0, 0, 0}};
  Piece piece;
  piece.kind = kind;
  piece.name = kindWords(kind);
  piece.name = capital(piece.name);
  for (const Usual& u : kUsual)
    if (u.kind == kind) {
      piece.shape = u.shape;
      piece.width = u.width * kInch;
      piece.doubts["width"] = {DimensionSource::Default, 0};
      const auto give = [&](std::optional<double>& member, const char* key, double inches) {
        if (inches <= 0) return;
        member = inches * kInch;
        piece.doubts[key] = {DimensionSource::Default, 0};
      };
      give(piece.depth, "depth", u.depth);
      give(piece.height, "height", u.height);
      give(piece.seatHeight, "seatHeight", u.seat);
      give(piece.armHeight, "armHeight", u.arm);
      give(piece.backHeight, "backHeight", u.back);
    }
  return piece;
}

std::string_view featureWord(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hearth: return "hearth";
    case FeatureKind::Column: return "column";
    case FeatureKind::BuiltIn: return "built-in piece";
    case FeatureKind::ChimneyBreast: return "chimney breast";
    case FeatureKind::Radiator: return "radiator";
    case FeatureKind::Beam: return "beam";
    case FeatureKind::Niche: return "niche";
    case FeatureKind::Stair: return "stair";
  }
  return "fixed thing";
}

}  // namespace mezzet
