#include "io/tables/library.h"

#include <gtest/gtest.h>

#include "core/model/kinds.h"
#include "support/rooms.h"

namespace mezzet {
namespace library_test {

std::string refusal(const std::string& text) {
  const auto read = readLibrary(text, "mine.json");
  return read ? "" : read.error().text();
}
std::string with(const std::string& piece) {
  return R"({"format":"mezzet-library","version":1,"name":"Mine","pieces":[)" + piece + "]}";
}

TEST(Library, WhatIsWrittenIsReadAgain) {
  Piece sofa = test::piece("q1", "sofa", 84, 36);
  sofa.finish.edit().material = "linen";
  sofa.seat.edit().people = 3;
  sofa.use.edit().opensBy = test::in(40);
  sofa.shop.edit().owned = true;
  const auto read = readLibrary(writeLibrary("Mine", {std::make_shared<const Piece>(sofa)}), "mine.json");
  ASSERT_TRUE(read) << read.error().text();
  ASSERT_EQ(read->pieces.size(), 1U);
  Piece expected = sofa;
  expected.id = {};
  expected.shop.edit().owned = false;  // what is owned belongs to one job
  EXPECT_EQ(read->pieces[0], expected);
  EXPECT_EQ(read->name, "Mine");
}
TEST(Library, VariantsStayInTheirJob) {
  Piece sofa = test::piece("q1", "sofa", 84, 36), longer = test::piece("q2", "sofa", 90, 36);
  longer.variantOf = sofa.id;
  const auto read = readLibrary(
      writeLibrary("", {std::make_shared<const Piece>(sofa), std::make_shared<const Piece>(longer)}), "mine.json");
  ASSERT_TRUE(read);
  EXPECT_EQ(read->pieces.size(), 1U);
}
TEST(Library, TheOneThatShipsHasEveryKindThatStands) {
  const Library& usual = usualLibrary();
  for (const std::string_view kind : offeredKinds()) {
    if (hangs(kind) || isRug(kind) || kind == "stool") continue;
    EXPECT_TRUE(std::any_of(usual.pieces.begin(), usual.pieces.end(), [&](const Piece& p) { return p.kind == kind; }))
        << kind;
  }
  for (const Piece& piece : usual.pieces) EXPECT_TRUE(isKnownKind(piece.kind)) << piece.name;
}
TEST(BadLibrary, IsRefusedInWords) {
  EXPECT_EQ(refusal("{}"), "mine.json: is no library of pieces. A library says \"format\": \"mezzet-library\"");
  EXPECT_EQ(refusal("[1,"), "mine.json: is not valid JSON at line 1, column 4. Check commas and quotes there");
  EXPECT_EQ(refusal(R"({"format":"mezzet-library","version":7,"pieces":[]})"),
            "mine.json: was written by a newer Mezzet: its format is version 7. Update Mezzet to read it");
  EXPECT_EQ(refusal(with(R"({"id":"a","name":"A","kind":"sofa","width":1,"depth":1})")),
            "mine.json/pieces/0/id: belongs to a job, not to a library. Take it out");
  EXPECT_EQ(refusal(with(R"({"name":"A","kind":"sofa","width":-1,"depth":1})")),
            "mine.json/pieces/0, A, width: must be more than 0. Type the length as the tape reads");
  EXPECT_EQ(refusal(with(R"({"name":"A","kind":"sofa","width":1,"depth":1,"colour":"red"})")),
            "mine.json/pieces/0/colour: is a key that Mezzet does not know. Remove it, or keep free data under \"x\"");
  EXPECT_EQ(refusal(with("3")), "mine.json/pieces/0: must be an object { .. }. See docs/job-file.md");
}
TEST(BadLibrary, CutAnywhereIsRefused) {
  const std::string whole = writeLibrary("Mine", {std::make_shared<const Piece>(test::piece("q1", "sofa", 84, 36))});
  for (std::size_t cut = 0; cut + 3 < whole.size(); cut += 5) EXPECT_NE(refusal(whole.substr(0, cut)), "") << cut;
}

}  // namespace library_test
}  // namespace mezzet
