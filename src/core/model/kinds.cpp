#include "core/model/kinds.h"

#include <algorithm>

#include "core/base/sentence.h"
#include "core/model/kind_rows.h"
#include "core/model/piece_fields.h"

namespace mezzet {

using namespace kinds;

namespace {

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
