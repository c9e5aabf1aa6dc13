#include "io/tables/csv.h"

#include <gtest/gtest.h>

#include <random>

namespace mezzet {
namespace csv_test {

TEST(Csv, ReadsQuotesSeparatorsAndLineEnds) {
  EXPECT_EQ(readCsv("a,\"b, c\"\r\n1,\"2 \"\"x\"\"\"\n", "t").value(), (Rows{{"a", "b, c"}, {"1", "2 \"x\""}}));
  EXPECT_EQ(readCsv("a;b\n1;2", "t").value(), (Rows{{"a", "b"}, {"1", "2"}}));
  EXPECT_EQ(readCsv("\xEF\xBB\xBF"
                    "a\tb\n1\t63 1/4\"\n",
                    "t")
                .value(),
            (Rows{{"a", "b"}, {"1", "63 1/4\""}}));
}

TEST(Csv, EmptyLinesCountAsRows) {
  EXPECT_EQ(readCsv("a,b\r\n\r\n1,2\r\n\r\n", "t").value(), (Rows{{"a", "b"}, {}, {"1", "2"}}));
}

struct Bad {
  std::string bytes, message;
};
class BadCsv : public testing::TestWithParam<Bad> {};
TEST_P(BadCsv, SaysWhatIsWrong) {
  const auto rows = readCsv(GetParam().bytes, "list.csv");
  ASSERT_FALSE(rows);
  EXPECT_EQ(rows.error().text(), GetParam().message);
}
INSTANTIATE_TEST_SUITE_P(
    Csv, BadCsv,
    testing::Values(
        Bad{"", "list.csv: is empty. The first row names the columns"},
        Bad{std::string("a,b\n\0,1", 7), "list.csv: is not a table in UTF-8. Save it as CSV in UTF-8"},
        Bad{"PK\x03\x04\xFF\xFE", "list.csv: is not a table in UTF-8. Save it as CSV in UTF-8"},
        Bad{"a,b\n1,\"2\n3,4\n", "list.csv, row 2: opens a quote that is never closed. Close it, or take it out"},
        Bad{"a\n" + std::string(5000, 'x'), "list.csv, row 2: has a cell of more than 4000 letters. Split the table"},
        Bad{std::string(300, ','), "list.csv, row 1: has more than 200 columns. Split the table"}));

TEST(Csv, WrittenAndReadAgainIsTheSame) {
  constexpr unsigned kSeed = 3;
  RecordProperty("seed", static_cast<int>(kSeed));
  std::mt19937 random(kSeed);
  const std::string letters = "ab,;\"\n\t '";
  for (int round = 0; round < 500; ++round) {
    Rows rows(1 + random() % 4);
    for (auto& row : rows)
      for (std::size_t c = 1 + random() % 4; c > 0; --c) {
        std::string cell = "x";
        for (std::size_t n = random() % 6; n > 0; --n) cell += letters[random() % letters.size()];
        row.push_back(cell + "x");
      }
    rows[0] = {"name", "kind"};  // commas are then the separator
    EXPECT_EQ(readCsv(writeCsv(rows), "t").value(), rows) << "seed " << kSeed;
  }
}

// Found by the fuzzer: written bare it was no row at all.
TEST(Csv, ARowOfOneEmptyCellComesBack) { EXPECT_EQ(*readCsv(writeCsv({{""}}), "t"), (Rows{{""}})); }
TEST(Csv, AByteOrderMarkInsideTheFirstCellComesBack) {
  EXPECT_EQ(*readCsv(writeCsv({{"\xEF\xBB\xBFx", "y"}}), "t"), (Rows{{"\xEF\xBB\xBFx", "y"}}));
}

}  // namespace csv_test
}  // namespace mezzet
