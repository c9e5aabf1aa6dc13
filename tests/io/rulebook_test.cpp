#include "io/json/rulebook_json.h"

namespace mezzet {
namespace rulebook_test {

TEST(Rulebook, ThatShipsHasEveryRuleWithReasonAndSource) {
  const Rulebook& book = builtInRulebook();
  for (const char* id : {"table-reach", "art-centre", "art-gap", "overlap", "outside-room", "piece-count"})
    EXPECT_NE(findRule(book, id), nullptr) << id;
  for (const Rule& rule : book.rules) {
    EXPECT_FALSE(rule.measures.empty()) << rule.id;
    EXPECT_FALSE(rule.source.cite.empty()) << rule.id;
    for (const School& school : rule.schools) EXPECT_FALSE(school.why.empty()) << rule.id << " " << school.id;
  }
}
std::string refusal(const char* text) {
  Rulebook book;
  const auto fault = addRules(book, text, "rules.json");
  EXPECT_TRUE(book.rules.empty());
  return fault ? fault->text() : "";
}
TEST(Rulebook, OfAnotherShapeIsRefused) {
  EXPECT_EQ(refusal("{}"), "rules.json: must be a list of rules [ .. ]. See data/rules");
  EXPECT_EQ(refusal("[{"), "rules.json: is not valid JSON at line 1, column 3. Check commas and quotes there");
  EXPECT_EQ(refusal(R"([{"id":"a","name":"b","weight":"strong"}])"),
            "rules.json/0/weight: is \"strong\". Use one of: must, rule, taste");
}

}  // namespace rulebook_test
}  // namespace mezzet
