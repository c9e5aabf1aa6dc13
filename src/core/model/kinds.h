// The kinds of piece that rules ask about. Any other word is allowed: such a piece is drawn and measured, and no
// furniture rule judges it.
#pragma once

#include <optional>
#include <string_view>
#include <vector>

#include "core/model/job.h"

namespace mezzet {

// Everything that is known of a kind stands in its row of kinds.cpp. Nothing else compares ids of kinds: what a rule
// wants to know of a kind is a question here.

[[nodiscard]] bool isKnownKind(std::string_view kind);
[[nodiscard]] bool isSeat(std::string_view kind);        ///< people sit on it by a low table
[[nodiscard]] bool isDiningSeat(std::string_view kind);  ///< people sit on it at a dining table
[[nodiscard]] bool isLowTable(std::string_view kind);    ///< serves the seats round it
[[nodiscard]] bool isRug(std::string_view kind);         ///< lies flat: no obstacle, nothing stands "in" it
[[nodiscard]] bool isArt(std::string_view kind);         ///< a picture
[[nodiscard]] bool hangs(std::string_view kind);  ///< goes on a wall: pictures, mirrors, televisions, wall lights
[[nodiscard]] bool goesOnCeiling(std::string_view kind);
[[nodiscard]] bool isUpholstered(std::string_view kind);
[[nodiscard]] bool isWooden(std::string_view kind);  ///< drawn as wood: tables, cases
/// Sofas and tables: what a picture's gap is measured from. Beds, mantels and consoles have rules of their own.
[[nodiscard]] bool carriesArtAbove(std::string_view kind);
[[nodiscard]] bool isStorage(std::string_view kind);     ///< people go to it to fetch something
[[nodiscard]] bool opensForward(std::string_view kind);  ///< drawers, leaves or a footrest come out at its front
[[nodiscard]] bool turnsRound(std::string_view kind);    ///< turns on its foot, so that it sweeps a circle
[[nodiscard]] bool isSurface(std::string_view kind);     ///< one puts a cup on it, beside a seat
[[nodiscard]] bool isPulledUp(std::string_view kind);    ///< stools: pushed back until there is company
[[nodiscard]] bool isDiningTable(std::string_view kind);
[[nodiscard]] bool isSatAt(std::string_view kind);  ///< knees go under it: dining tables and desks
[[nodiscard]] bool isSideTable(std::string_view kind);
[[nodiscard]] bool isSofa(std::string_view kind);    ///< a low table's length is held against it
[[nodiscard]] bool isScreen(std::string_view kind);  ///< one watches it
[[nodiscard]] bool isMirror(std::string_view kind);
[[nodiscard]] bool isTextile(std::string_view kind);
[[nodiscard]] bool isPlate(std::string_view kind);
[[nodiscard]] bool isShelf(std::string_view kind);  ///< on a wall
/// Hung near others of its like it is seen as one with them: pictures, textiles, plates, mirrors, objects, and what
/// Mezzet does not know.
[[nodiscard]] bool gathersOnWall(std::string_view kind);
[[nodiscard]] bool hasFrame(std::string_view kind);
/// Seen upright on its wall: a round one is as high as it is wide. All that hangs but lights, which have their own
/// ways.
[[nodiscard]] bool isSeenUpright(std::string_view kind);
/// Brings a round thing to one diameter, that of its width: in the plan, or on its wall.
void keepRound(Piece&);
[[nodiscard]] bool isLamp(std::string_view kind);
[[nodiscard]] bool isBed(std::string_view kind);
[[nodiscard]] bool isPlant(std::string_view kind);
[[nodiscard]] bool isFoldingScreen(std::string_view kind);
[[nodiscard]] bool reclines(std::string_view kind);       ///< comes forward when somebody sits in it
[[nodiscard]] bool staysPut(std::string_view kind);       ///< a dining seat that is not drawn out
[[nodiscard]] bool isDiningChair(std::string_view kind);  ///< what is set round a table
[[nodiscard]] bool drawnAsTable(std::string_view kind);   ///< a top on legs, in elevation
/// Tops that a pendant is hung over: dining tables, desks, counters, islands.
[[nodiscard]] bool isLitUnder(std::string_view kind);
[[nodiscard]] bool isRoomLight(std::string_view kind);  ///< sized by its room where it hangs over no table
[[nodiscard]] bool canBeLight(std::string_view kind);
/// How a light is put up: as entered, or as usual for its kind; none of what is no light.
[[nodiscard]] std::optional<Mount> mountOf(const Piece&);
/// A leaf or drawer of a cabinet comes this far out, a recliner's footrest that far, until it is entered [D].
inline constexpr double kUsualLeaf = 18 * kInch, kUsualRecline = 20 * kInch;
/// How far the piece comes forward in use: as entered, or as usual for its kind; 0: not at all.
[[nodiscard]] double opensBy(const Piece& piece);
/// What stands in displays: books, vases, bowls, boxes, candles.
[[nodiscard]] bool isDisplayed(std::string_view kind);
[[nodiscard]] bool isBookRun(std::string_view kind);      ///< books side by side: one thing as wide as the run
[[nodiscard]] bool isStack(std::string_view kind);        ///< books lying on each other
[[nodiscard]] bool isBookLike(std::string_view kind);     ///< one of the two
[[nodiscard]] bool isBox(std::string_view kind);          ///< holds other things
[[nodiscard]] bool takesBranches(std::string_view kind);  ///< what stands in it may rise above it
[[nodiscard]] bool leansInBay(std::string_view kind);     ///< leans at the back of a bay, its face to the room
[[nodiscard]] bool hasShelves(std::string_view kind);     ///< its boards carry books along their whole length
[[nodiscard]] bool isRiser(std::string_view kind);        ///< lifts what stands on it
[[nodiscard]] bool isLedge(std::string_view kind);        ///< two boards at a right angle, screwed to studs
/// What may have surfaces that things stand on.
[[nodiscard]] bool canCarry(std::string_view kind);
/// What may say a family, colours, a season.
[[nodiscard]] bool canBeThing(std::string_view kind);
/// How much longer a dining table is with its leaves in; 0: it has none.
[[nodiscard]] double extendsBy(const Piece& piece);
/// How a fixed thing is called in a sentence: "chimney breast".
[[nodiscard]] std::string_view featureWord(FeatureKind kind);
/// How the kind is called in a sentence: "low table".
[[nodiscard]] std::string_view kindWords(std::string_view kind);
/// Kinds that can be added by name, in the order in which a room is furnished.
[[nodiscard]] const std::vector<std::string_view>& offeredKinds();
/// The kind that people mean by these words, in small letters: "couch" is a sofa. The longest words win.
struct NamedKind {
  std::string_view words, kind;
  std::optional<Mount> mount = {};  ///< where the words say it: "table lamp"
};
[[nodiscard]] const std::vector<NamedKind>& kindNames();
/// Kinds that Mezzet itself adds: a picture, a rug, a side table at an arm, a chair at a table.
inline constexpr std::string_view kPicture = "art", kSideTable = "side-table", kDiningChair = "chair",
                                  kFloorRug = "rug", kDiningTableKind = "dining-table", kRecessedLight = "downlight",
                                  kSpotLight = "spot", kRiser = "riser", kBooks = "books", kVase = "vase", kBox = "box",
                                  kBowl = "bowl";
/// A piece of a kind with usual sizes to start from: without id, each dimension marked as a default [D].
[[nodiscard]] Piece usualPiece(std::string_view kind);
/// A piece brought to a shape, with usual sizes of that shape for its kind where they differ from the rectangular [D].
[[nodiscard]] Piece usuallyShaped(Piece, Shape);
/// A light put up another way than is usual for its kind, with usual sizes where they differ: a table lamp [D].
[[nodiscard]] Piece usuallyMounted(Piece, Mount);
/// What a piece's dimension may be off by, by where it comes from [D]: upholstery comes up to 1 in off its ticket,
/// stock rugs up to 3 in short (common practice), other things 1/4 in; a tape reads to 1/8 in; a guess is good to 2 in.
[[nodiscard]] double usualDoubt(std::string_view kind, DimensionSource source);

}  // namespace mezzet
