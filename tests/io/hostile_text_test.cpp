// Text that would freeze a reader, or tell it less than it holds.
#include <gtest/gtest.h>

#include <chrono>

#include "core/edit/validate_text.h"
#include "io/tables/csv.h"
#include "io/files/job_file.h"
#include "io/tables/library.h"
#include "io/json/survey_json.h"
#include "io/files/text.h"
#include "support/rooms.h"

namespace mezzet {
namespace hostile_text_test {
using namespace test;

std::string jobWith(const std::string& x) {
  return R"({"format":"mezzet-job","version":1,"name":"n","units":"in","nextId":1,"x":)" + x + "}";
}
std::string objectOf(int keys) {
  std::string out = "{";
  for (int i = 0; i < keys; ++i) out += (i > 0 ? ",\"k" : "\"k") + std::to_string(i) + "\":1";
  return out + "}";
}
std::string refusal(const std::string& text) {
  const auto read = readJobText(text, "job.json");
  return read ? "" : read.error().text();
}

TEST(HostileText, AHundredThousandKeysAreRefusedAtOnce) {
  EXPECT_EQ(refusal(jobWith(objectOf(1'000))), "");
  EXPECT_NE(refusal(jobWith(objectOf(100'000))).find("has more keys in its objects than Mezzet reads"),
            std::string::npos);
}
TEST(HostileText, ManyObjectsOfManyKeysAreRefusedAtOnce) {
  std::string many = "[";
  for (int i = 0; i < 3'000; ++i) many += (i > 0 ? "," : "") + objectOf(1'900);
  EXPECT_NE(refusal(jobWith("{\"a\":" + many + "]}")).find("has more keys in its objects than Mezzet reads"),
            std::string::npos);
}
TEST(HostileText, DepthIsNamedSo) {
  const std::string deep = "{\"a\":" + std::string(200, '[') + std::string(200, ']') + "}";
  EXPECT_EQ(refusal(jobWith(deep)).find("job.json: nests deeper than 100 levels at line 1, column "), 0U)
      << refusal(jobWith(deep));
  EXPECT_EQ(readLibrary(deep, "mine.json").error().text().find("mine.json: nests deeper than 100 levels"), 0U);
  EXPECT_EQ(readNetwork(deep, "readings.json").error().text().find("readings.json: nests deeper than 100 levels"), 0U);
}
TEST(HostileText, BytesAfterAZeroAreNotOverlooked) {
  const std::string good = jobWith("{}");
  EXPECT_EQ(refusal(good), "");
  EXPECT_EQ(refusal(good + std::string(1, '\0') + "more"),
            "job.json: has a zero at line " + std::to_string(1 + std::count(good.begin(), good.end(), '\n')) +
                ", column " + std::to_string(good.size() - (good.rfind('\n') + 1) + 1) +
                ", which no text has. The file may be damaged; open a copy");
}
TEST(HostileText, FreeDataIsBounded) {
  EXPECT_EQ(refusal(jobWith("{\"a\":\"" + std::string(60'000, 'x') + "\"}")), "");
  EXPECT_EQ(refusal(jobWith("{\"a\":\"" + std::string(70'000, 'x') + "\"}")),
            "job.json, job, x: holds more than 64 KB. Keep large data in a file of its own");
}
TEST(HostileText, WhatCouldNotBeOpenedIsNotSaved) {
  JobFile file;
  file.job = with(emptyRoom(), piece("sofa", "sofa", 84, 36), "p1", 100, 60);
  EXPECT_TRUE(writeJobBytes(file).ok());
  Job longer = file.job;
  longer.name = std::string(10'001, 'n');
  const auto refused = writeJobBytes({longer, 1, {}});
  ASSERT_FALSE(refused.ok());
  EXPECT_EQ(refused.error().what.find("would make a file that cannot be opened"), 0U) << refused.error().text();
  EXPECT_EQ(faultOfTexts(longer)->text(), "the job's name: is longer than 10000 letters. Shorten it");
}

/// From the Unicode standard's table of well-formed UTF-8 byte sequences (table 3-7; from memory).
TEST(HostileText, OnlyWellFormedUtf8IsText) {
  for (const char* good :
       {"a", "\xC3\xA9", "\xE2\x82\xAC", "\xED\x9F\xBF", "\xEE\x80\x80", "\xF0\x90\x80\x80", "\xF4\x8F\xBF\xBF"})
    EXPECT_TRUE(isUtf8(good));
  for (const char* bad : {"\xC0\x80", "\xC1\xBF", "\xE0\x9F\xBF", "\xE0\x80\xAF", "\xED\xA0\x80", "\xED\xBF\xBF",
                          "\xF0\x8F\xBF\xBF", "\xF4\x90\x80\x80", "\xF5\x80\x80\x80", "\xC3", "\x80", "\xE2\x82"})
    EXPECT_FALSE(isUtf8(bad)) << std::string(bad).size();
  EXPECT_FALSE(isUtf8(std::string_view("a\0b", 3)));
  EXPECT_FALSE(readCsv("name\n\xED\xA0\x80\n", "t.csv").ok());
  EXPECT_FALSE(readCsv("name\n\xC0\xAF\n", "t.csv").ok());
}
TEST(HostileText, CodePagesBecomeUtf8) {
  EXPECT_EQ(fromCodePage("W\xE4nde \x80", 1252), "W\xC3\xA4nde \xE2\x82\xAC");
  EXPECT_EQ(fromCodePage("\xD1\xF2\xE5\xED\xE0", 1251), "\xD0\xA1\xD1\x82\xD0\xB5\xD0\xBD\xD0\xB0");
  EXPECT_EQ(fromCodePage("a", 4711), std::nullopt);
  EXPECT_EQ(fromCodePage("a\x81z", 1252).value().substr(0, 1), "a") << "what has no meaning does not end it";
}

}  // namespace hostile_text_test
}  // namespace mezzet
