#include "core/model/piece_fields.h"

#include <set>

#include "core/model/kinds.h"
#include "support/rooms.h"

namespace mezzet {
namespace piece_fields_test {
using test::in;

TEST(PartOf, CopiesShareItUntilOneIsChanged) {
  Piece a = test::piece("a", "sofa", 84, 36);
  a.seat.edit().height = 450;
  Piece b = a;
  b.seat.edit().height = 460;
  EXPECT_EQ(a.seat->height, 450);
  EXPECT_NE(a, b);
  b.seat.edit().height = 450;
  EXPECT_EQ(a, b);
}
TEST(PartOf, ThatWasEmptiedIsAsOneThatNeverWas) {
  Piece a = test::piece("a", "sofa", 84, 36);
  a.shop.edit().price = 10;
  a.shop.edit().price.reset();
  EXPECT_EQ(a, test::piece("a", "sofa", 84, 36));
}

TEST(PieceFields, HaveKeysAndColumnsOfTheirOwn) {
  std::set<std::string_view> keys, columns, words;
  for (const PieceField& f : pieceFields()) {
    EXPECT_TRUE(keys.insert(f.key).second) << f.key;
    EXPECT_TRUE(columns.insert(f.column).second) << f.column;
    for (const LineWord& w : f.words) EXPECT_TRUE(w.word.empty() || words.insert(w.word).second) << w.word;
  }
  EXPECT_EQ(keys.size(), 71U);
}
TEST(PieceFields, KeepWhatTheyAreGiven) {
  for (const PieceField& f : pieceFields()) {
    Piece piece = test::piece("a", "sofa", 84, 36);
    piece.shape = Shape::L;  // only it has a hand
    if (f.setNumber != nullptr) {
      const double value = f.kind == FieldKind::Choice || f.kind == FieldKind::Flag ? 1 : 7;
      f.setNumber(piece, value);
      EXPECT_EQ(f.valueOf(piece), value) << f.key;
    } else if (f.setText != nullptr) {
      f.setText(piece, "linen");
      EXPECT_EQ(f.text(piece), "linen") << f.key;
    }
  }
}
TEST(PieceFields, AnEmptyOneIsNotKnown) {
  for (const PieceField& f : pieceFields()) {
    if (f.setNumber == nullptr || f.required || f.kind == FieldKind::Choice || f.key == "count") continue;
    Piece piece = test::piece("a", "sofa", 84, 36);
    f.setNumber(piece, 1);
    f.setNumber(piece, std::nullopt);
    EXPECT_EQ(f.valueOf(piece), std::nullopt) << f.key;
  }
}
TEST(PieceFields, TheDialogAsksASofaForItsArmsAndARugForItsPad) {
  const auto asks = [](const char* key, const char* kind) {
    return !findField(key)->asked(test::piece("a", kind, 60, 30)).empty();
  };
  EXPECT_TRUE(asks("armHeight", "sofa"));
  EXPECT_FALSE(asks("armHeight", "chair"));
  EXPECT_TRUE(asks("seatHeight", "chair"));
  EXPECT_TRUE(asks("pad", "rug"));
  EXPECT_FALSE(asks("legHeight", "rug"));
  EXPECT_TRUE(asks("extendsBy", "dining-table"));
  EXPECT_TRUE(asks("opensBy", "recliner"));
  EXPECT_FALSE(asks("opensBy", "bookcase"));
}

TEST(Kinds, EveryNameLeadsToAKindThatIsOffered) {
  for (const NamedKind& named : kindNames()) EXPECT_TRUE(isKnownKind(named.kind)) << named.words;
}
TEST(Kinds, TheLongerNameGoesFirst) {
  std::size_t last = 1000;
  for (const NamedKind& named : kindNames()) {
    EXPECT_LE(named.words.size(), last) << named.words;
    last = named.words.size();
  }
}
TEST(Kinds, UsualSizesAreMarkedAsNobodysMeasure) {
  for (const std::string_view kind : offeredKinds()) {
    const Piece piece = usualPiece(kind);
    EXPECT_GT(piece.width, 0) << kind;
    EXPECT_TRUE(piece.depth) << kind;
    EXPECT_EQ(piece.doubts.at("width").source, DimensionSource::Default) << kind;
    if (canBeLight(kind)) continue;  // lights of a wall may be deep or low
    EXPECT_EQ(hangs(kind), (piece.depth < in(4) && piece.height >= in(10) && kind != "folding-screen") || isShelf(kind))
        << kind;
  }
}
TEST(Kinds, AnUnknownOneIsNothingInParticular) {
  EXPECT_FALSE(isKnownKind("harp"));
  EXPECT_FALSE(isSeat("harp"));
  EXPECT_FALSE(hangs("harp"));
  EXPECT_EQ(kindWords("harp"), "harp");
  EXPECT_TRUE(drawnAsTable("card-table"));
}

}  // namespace piece_fields_test
}  // namespace mezzet
