#include "core/model/kinds.h"
#include "core/base/sentence.h"
#include "core/model/piece_fields.h"

#include <algorithm>
#include <array>
#include <cstdint>

namespace mezzet {
namespace {

/// What it is to rules and drawings. Some say which dimensions it has: a seat has seat, arm and back heights, a dining
/// seat seat and back, what opens comes forward, what dines has leaves, a rug a pad and the size it is sold as.
enum Use : std::uint64_t {
  kSeat = 1u << 0,
  kLowTable = 1u << 1,
  kRug = 1u << 2,
  kArt = 1u << 3,
  kArtAbove = 1u << 4,
  kDiningSeat = 1u << 5,
  kSoft = 1u << 6,
  kWood = 1u << 7,
  kStorage = 1u << 8,
  kOpens = 1u << 9,
  kTurns = 1u << 10,
  kSurface = 1u << 11,
  kPullUp = 1u << 12,
  kDines = 1u << 13,
  kSatAt = 1u << 14,
  kSideTop = 1u << 15,
  kSofa = 1u << 16,
  kWatched = 1u << 17,
  kMirror = 1u << 18,
  kLamp = 1u << 19,
  kFolds = 1u << 20,
  kReclines = 1u << 21,
  kStaysPut = 1u << 22,
  kChair = 1u << 23,
  kTopOnLegs = 1u << 24,
  kSleptIn = 1u << 25,
  kGrows = 1u << 26,
  kWorkTop = 1u << 27,
  kRoomLight = 1u << 28,
  kTextile = 1u << 29,
  kPlate = 1u << 30,
  kShelf = 1u << 31,
  kGathers = 1ull << 32,
  kDisplayed = 1ull << 33,
  kRun = 1ull << 34,
  kStack = 1ull << 35,
  kHolds = 1ull << 36,
  kBranches = 1ull << 37,
  kStandsUp = 1ull << 38,
  kShelves = 1ull << 39,
  kLifts = 1ull << 40,
  kLedge = 1ull << 41,
};
enum class Goes { Floor, Wall, Ceiling };

/// Sizes to start from [D], inches; 0: none.
struct Usual {
  Shape shape;
  double width, depth, height, seat, arm, back;
};

struct Kind {
  std::string_view id, words;
  std::array<std::string_view, 4> synonyms;  ///< in small letters
  std::uint64_t uses;
  Goes goes;
  Usual usual;
  std::optional<Mount> mount = {};  ///< of a light
};
/// In the order in which a room is furnished.
constexpr std::array kKinds{
    Kind{"sofa",
         "sofa",
         {"couch", "settee", "sofa module"},
         kSeat | kArtAbove | kSoft | kSofa,
         Goes::Floor,
         {Shape::Rect, 84, 36, 33, 18, 25, 33}},
    Kind{"armchair", "armchair", {"easy chair"}, kSeat | kSoft, Goes::Floor, {Shape::Rect, 32, 34, 34, 17, 24, 34}},
    Kind{
        "swivel-chair", "swivel chair", {}, kSeat | kSoft | kTurns, Goes::Floor, {Shape::Rect, 31, 32, 32, 17, 23, 32}},
    Kind{"recliner",
         "recliner",
         {},
         kSeat | kSoft | kOpens | kReclines,
         Goes::Floor,
         {Shape::Rect, 34, 37, 40, 19, 25, 40}},
    Kind{"ottoman", "ottoman", {"footstool", "pouf"}, kPullUp | kSoft, Goes::Floor, {Shape::Rect, 24, 20, 17, 0, 0, 0}},
    Kind{"low-table",
         "low table",
         {"coffee table"},
         kLowTable | kArtAbove | kWood | kTopOnLegs,
         Goes::Floor,
         {Shape::Rect, 48, 24, 17, 0, 0, 0}},
    Kind{"side-table",
         "side table",
         {"end table"},
         kArtAbove | kWood | kSurface | kSideTop | kTopOnLegs,
         Goes::Floor,
         {Shape::Round, 18, 18, 23, 0, 0, 0}},
    Kind{"dining-table",
         "dining table",
         {},
         kArtAbove | kWood | kDines | kSatAt | kTopOnLegs,
         Goes::Floor,
         {Shape::Rect, 72, 36, 30, 0, 0, 0}},
    Kind{"chair", "chair", {"dining chair"}, kDiningSeat | kChair, Goes::Floor, {Shape::Rect, 18, 20, 34, 18, 0, 34}},
    Kind{"bench", "bench", {}, kDiningSeat | kWood, Goes::Floor, {Shape::Rect, 48, 15, 18, 18, 0, 0}},
    Kind{"stool", "stool", {}, kDiningSeat | kPullUp, Goes::Floor, {Shape::Round, 15, 15, 18, 18, 0, 0}},
    Kind{"banquette",
         "banquette",
         {},
         kDiningSeat | kSoft | kStaysPut,
         Goes::Floor,
         {Shape::Rect, 72, 22, 36, 18, 0, 36}},
    Kind{"chaise", "chaise", {"daybed"}, kSeat | kSoft, Goes::Floor, {Shape::Rect, 30, 64, 33, 17, 0, 33}},
    Kind{"console", "console", {}, kWood | kSurface | kTopOnLegs, Goes::Floor, {Shape::Rect, 48, 14, 30, 0, 0, 0}},
    Kind{"sideboard",
         "sideboard",
         {},
         kWood | kStorage | kOpens | kSurface,
         Goes::Floor,
         {Shape::Rect, 60, 18, 34, 0, 0, 0}},
    Kind{"cabinet",
         "cabinet",
         {"cupboard", "chest of drawers", "dresser", "wardrobe"},
         kWood | kStorage | kOpens,
         Goes::Floor,
         {Shape::Rect, 40, 20, 60, 0, 0, 0}},
    Kind{"bookcase",
         "bookcase",
         {"bookshelf", "shelves"},
         kWood | kStorage | kShelves,
         Goes::Floor,
         {Shape::Rect, 36, 12, 72, 0, 0, 0}},
    Kind{"media-unit",
         "media unit",
         {"tv stand", "tv unit"},
         kWood | kStorage | kOpens,
         Goes::Floor,
         {Shape::Rect, 64, 17, 22, 0, 0, 0}},
    Kind{"desk", "desk", {}, kWood | kOpens | kSatAt | kTopOnLegs, Goes::Floor, {Shape::Rect, 55, 28, 29, 0, 0, 0}},
    Kind{"bed", "bed", {}, kSoft | kSleptIn, Goes::Floor, {Shape::Rect, 60, 80, 24, 0, 0, 48}},
    Kind{"counter", "counter", {"worktop"}, kWood | kWorkTop, Goes::Floor, {Shape::Rect, 72, 25, 36, 0, 0, 0}},
    Kind{"island", "island", {"peninsula"}, kWood | kWorkTop, Goes::Floor, {Shape::Rect, 84, 36, 36, 0, 0, 0}},
    Kind{"lamp", "lamp", {"floor lamp"}, kLamp, Goes::Floor, {Shape::Round, 14, 14, 60, 0, 0, 0}, Mount::Floor},
    Kind{"candle", "candle", {"candlestick"}, kDisplayed, Goes::Floor, {Shape::Round, 3, 3, 8, 0, 0, 0}, Mount::Candle},
    Kind{"plant", "plant", {"tree"}, kGrows, Goes::Floor, {Shape::Round, 20, 20, 60, 0, 0, 0}},
    Kind{"folding-screen", "folding screen", {}, kFolds, Goes::Floor, {Shape::Rect, 60, 6, 68, 0, 0, 0}},
    Kind{"rug", "rug", {"carpet"}, kRug, Goes::Floor, {Shape::Rect, 120, 96, 0.5, 0, 0, 0}},
    Kind{"art",
         "picture",
         {"painting", "print", "art"},
         kArt | kGathers,
         Goes::Wall,
         {Shape::Rect, 40, 1.5, 30, 0, 0, 0}},
    Kind{"mirror", "mirror", {}, kMirror | kGathers, Goes::Wall, {Shape::Rect, 30, 1.5, 40, 0, 0, 0}},
    Kind{"textile",
         "textile",
         {"wall hanging", "tapestry"},
         kTextile | kGathers,
         Goes::Wall,
         {Shape::Rect, 36, 1, 48, 0, 0, 0}},
    Kind{"plate", "plate", {}, kPlate | kGathers, Goes::Wall, {Shape::Round, 10, 1.5, 10, 0, 0, 0}},
    Kind{"clock", "clock", {"wall clock"}, 0, Goes::Wall, {Shape::Round, 12, 2, 12, 0, 0, 0}},
    Kind{"shelf",
         "shelf",
         {"wall shelf", "picture ledge"},
         kShelf | kShelves,
         Goes::Wall,
         {Shape::Rect, 36, 8, 1.5, 0, 0, 0}},
    Kind{"ledge",
         "ledge",
         {"built ledge", "built shelf"},
         kShelf | kLedge,
         Goes::Wall,
         {Shape::Rect, 72, 5, 4, 0, 0, 0}},
    Kind{"wall-object", "wall object", {"object on the wall"}, kGathers, Goes::Wall, {Shape::Rect, 16, 3, 16, 0, 0, 0}},
    Kind{"wall-light", "wall light", {"sconce"}, 0, Goes::Wall, {Shape::Rect, 5, 4, 14, 0, 0, 0}, Mount::Wall},
    Kind{"picture-light", "picture light", {}, 0, Goes::Wall, {Shape::Rect, 16, 8, 3, 0, 0, 0}, Mount::Picture},
    Kind{"light-strip", "light strip", {"strip light"}, 0, Goes::Wall, {Shape::Rect, 40, 1, 1, 0, 0, 0}, Mount::Strip},
    Kind{"pendant",
         "pendant",
         {"pendant light", "hanging lamp", "lantern"},
         0,
         Goes::Ceiling,
         {Shape::Round, 18, 18, 12, 0, 0, 0},
         Mount::Pendant},
    Kind{
        "chandelier", "chandelier", {}, kRoomLight, Goes::Ceiling, {Shape::Round, 28, 28, 24, 0, 0, 0}, Mount::Pendant},
    Kind{"downlight",
         "downlight",
         {"recessed light"},
         0,
         Goes::Ceiling,
         {Shape::Round, 5, 5, 0, 0, 0, 0},
         Mount::Recessed},
    Kind{"spot", "spot", {"spotlight"}, 0, Goes::Ceiling, {Shape::Round, 4, 4, 6, 0, 0, 0}, Mount::Spot},
    Kind{"ceiling-light",
         "ceiling light",
         {"flush light"},
         0,
         Goes::Ceiling,
         {Shape::Round, 14, 14, 5, 0, 0, 0},
         Mount::Surface},
    Kind{
        "books", "books", {"book", "run of books"}, kDisplayed | kRun, Goes::Floor, {Shape::Rect, 12, 6.5, 9, 0, 0, 0}},
    Kind{"book-stack",
         "book stack",
         {"stack of books", "stack"},
         kDisplayed | kStack,
         Goes::Floor,
         {Shape::Rect, 10, 7, 4, 0, 0, 0}},
    Kind{"vase", "vase", {"jug"}, kDisplayed | kBranches, Goes::Floor, {Shape::Round, 6, 6, 12, 0, 0, 0}},
    Kind{"bowl", "bowl", {}, kDisplayed, Goes::Floor, {Shape::Round, 10, 10, 4, 0, 0, 0}},
    Kind{"box", "box", {"casket"}, kDisplayed | kHolds, Goes::Floor, {Shape::Rect, 10, 7, 4, 0, 0, 0}},
    Kind{"photo-frame",
         "photo frame",
         {"framed photograph"},
         kDisplayed | kStandsUp,
         Goes::Floor,
         {Shape::Rect, 6, 3, 8, 0, 0, 0}},
    Kind{"pot", "pot", {"plant pot"}, kDisplayed | kBranches, Goes::Floor, {Shape::Round, 7, 7, 7, 0, 0, 0}},
    Kind{"tray", "tray", {}, kDisplayed, Goes::Floor, {Shape::Rect, 16, 12, 2, 0, 0, 0}},
    Kind{"riser", "riser", {"stand"}, kDisplayed | kLifts, Goes::Floor, {Shape::Rect, 8, 6, 1, 0, 0, 0}},
    Kind{"bookend", "bookend", {"book end"}, kDisplayed, Goes::Floor, {Shape::Rect, 5, 4, 6, 0, 0, 0}},
    Kind{"object", "object", {"figure", "shell"}, kDisplayed, Goes::Floor, {Shape::Rect, 6, 5, 7, 0, 0, 0}},
    Kind{"television", "television", {"tv", "screen"}, kWatched, Goes::Wall, {Shape::Rect, 48, 3, 28, 0, 0, 0}},
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
bool hangs(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr && known->goes == Goes::Wall;
}
bool goesOnCeiling(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr && known->goes == Goes::Ceiling;
}
bool isUpholstered(std::string_view kind) { return has(kind, kSoft); }
bool isWooden(std::string_view kind) { return has(kind, kWood); }
bool carriesArtAbove(std::string_view kind) { return has(kind, kArtAbove); }
bool isStorage(std::string_view kind) { return has(kind, kStorage); }
bool opensForward(std::string_view kind) { return has(kind, kOpens); }
bool turnsRound(std::string_view kind) { return has(kind, kTurns); }
bool isSurface(std::string_view kind) { return has(kind, kSurface); }
bool isPulledUp(std::string_view kind) { return has(kind, kPullUp); }
bool isDiningTable(std::string_view kind) { return has(kind, kDines); }
bool isSatAt(std::string_view kind) { return has(kind, kSatAt); }
bool isSideTable(std::string_view kind) { return has(kind, kSideTop); }
bool isSofa(std::string_view kind) { return has(kind, kSofa); }
bool isScreen(std::string_view kind) { return has(kind, kWatched); }
bool isMirror(std::string_view kind) { return has(kind, kMirror); }
bool isTextile(std::string_view kind) { return has(kind, kTextile); }
bool isPlate(std::string_view kind) { return has(kind, kPlate); }
bool isShelf(std::string_view kind) { return has(kind, kShelf); }
bool isDisplayed(std::string_view kind) { return has(kind, kDisplayed); }
bool isBookRun(std::string_view kind) { return has(kind, kRun); }
bool isStack(std::string_view kind) { return has(kind, kStack); }
bool isBox(std::string_view kind) { return has(kind, kHolds); }
bool isBookLike(std::string_view kind) { return has(kind, kRun) || has(kind, kStack); }
bool takesBranches(std::string_view kind) { return has(kind, kBranches); }
bool leansInBay(std::string_view kind) { return has(kind, kStandsUp) || hasFrame(kind); }
bool hasShelves(std::string_view kind) { return has(kind, kShelves); }
bool isRiser(std::string_view kind) { return has(kind, kLifts); }
bool isLedge(std::string_view kind) { return has(kind, kLedge); }
bool canCarry(std::string_view kind) {
  return !isRug(kind) && !hasFrame(kind) && !canBeLight(kind) && !goesOnCeiling(kind) && !isPlate(kind);
}
bool canBeThing(std::string_view kind) {
  return isDisplayed(kind) || isPlant(kind) || canBeLight(kind) || hasFrame(kind) || isPlate(kind) ||
         !isKnownKind(kind);
}
bool gathersOnWall(std::string_view kind) { return has(kind, kGathers) || !isKnownKind(kind); }
bool isSeenUpright(std::string_view kind) { return hangs(kind) && !canBeLight(kind); }
void keepRound(Piece& piece) {
  if (piece.shape == Shape::Round) (isSeenUpright(piece.kind) ? piece.height : piece.depth) = piece.width;
}
bool hasFrame(std::string_view kind) { return isArt(kind) || isTextile(kind) || isMirror(kind); }
bool isLamp(std::string_view kind) { return has(kind, kLamp); }
bool isBed(std::string_view kind) { return has(kind, kSleptIn); }
bool isPlant(std::string_view kind) { return has(kind, kGrows); }
bool isFoldingScreen(std::string_view kind) { return has(kind, kFolds); }
bool reclines(std::string_view kind) { return has(kind, kReclines); }
bool staysPut(std::string_view kind) { return has(kind, kStaysPut); }
bool isDiningChair(std::string_view kind) { return has(kind, kChair); }
bool isLitUnder(std::string_view kind) { return has(kind, kSatAt) || has(kind, kWorkTop); }
bool isRoomLight(std::string_view kind) { return has(kind, kRoomLight); }
std::optional<Mount> mountOf(const Piece& piece) {
  if (piece.light->mount) return piece.light->mount;
  const Kind* known = find(piece.kind);
  return known != nullptr ? known->mount : std::nullopt;
}
bool canBeLight(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr && known->mount.has_value();
}
bool drawnAsTable(std::string_view kind) { return has(kind, kTopOnLegs) || kind.ends_with("table"); }
double opensBy(const Piece& piece) {
  const bool leaves = isStorage(piece.kind) && opensForward(piece.kind);
  return piece.use->opensBy.value_or(leaves ? kUsualLeaf : reclines(piece.kind) ? kUsualRecline : 0);
}
double extendsBy(const Piece& piece) { return isDiningTable(piece.kind) ? piece.use->extendsBy.value_or(0) : 0; }
std::string_view kindWords(std::string_view kind) {
  const Kind* known = find(kind);
  return known != nullptr ? known->words : kind;
}

const std::vector<std::string_view>& offeredKinds() {
  static const std::vector<std::string_view> all = [] {
    std::vector<std::string_view> ids;
    for (const Kind& kind : kKinds) ids.push_back(kind.id);
    return ids;
  }();
  return all;
}

const std::vector<NamedKind>& kindNames() {
  static const std::vector<NamedKind> all = [] {
    std::vector<NamedKind> names;
    for (const Kind& kind : kKinds) {
      for (const std::string_view other : kind.synonyms)
        if (!other.empty()) names.push_back({other, kind.id});
      names.push_back({kind.words, kind.id});
      if (has(kind.id, kLamp)) names.push_back({"table lamp", kind.id, Mount::Table});
      if (kind.id != kind.words &&
          std::find(kind.synonyms.begin(), kind.synonyms.end(), kind.id) == kind.synonyms.end())
        names.push_back({kind.id, kind.id});
    }
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

Piece usualPiece(std::string_view id) {
  Piece piece;
  piece.kind = id;
  piece.name = capital(std::string(kindWords(id)));
  const Kind* kind = find(id);
  if (kind == nullptr) return piece;
  const Usual& usual = kind->usual;
  piece.shape = usual.shape;
  const std::pair<std::string_view, double> sizes[] = {{"width", usual.width},   {"depth", usual.depth},
                                                       {"height", usual.height}, {"seatHeight", usual.seat},
                                                       {"armHeight", usual.arm}, {"backHeight", usual.back}};
  for (const auto& [key, inches] : sizes) {
    if (inches <= 0) continue;
    findField(key)->setNumber(piece, inches * kInch);
    piece.doubts[std::string(key)] = {DimensionSource::Default, 0};
  }
  return piece;
}

Piece usuallyShaped(Piece piece, Shape shape) {
  piece.shape = shape;
  if (shape == Shape::L) {
    if (isSofa(piece.kind)) piece.width = 110 * kInch, piece.depth = 84 * kInch;
    piece.limbs.edit().longDepth = 36 * kInch;
    piece.limbs.edit().returnWidth = 36 * kInch;
    piece.doubts["longDepth"] = piece.doubts["returnWidth"] = {DimensionSource::Default, 0};
  }
  if (shape == Shape::Curve) {
    if (isSofa(piece.kind)) piece.width = 102 * kInch, piece.depth = 48 * kInch;
    piece.limbs.edit().longDepth = 34 * kInch;
    piece.doubts["longDepth"] = {DimensionSource::Default, 0};
  }
  keepRound(piece);
  return piece;
}

Piece usuallyMounted(Piece piece, Mount mount) {
  piece.light.edit().mount = mount;
  if (mount != Mount::Table || !isLamp(piece.kind)) return piece;
  piece.name = "Table lamp";
  piece.width = 15 * kInch;
  piece.depth = 15 * kInch;
  piece.height = 26 * kInch;
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
