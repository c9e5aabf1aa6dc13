// Rules as the program knows them against rules as data.
#include "core/rules/registry.h"

#include <set>

#include "io/json/rulebook_json.h"

namespace mezzet {
namespace registry_test {

std::set<std::string> idsOfRows() {
  std::set<std::string> out;
  for (const RuleRows rows : ruleFamilies())
    for (const RuleRow& row : rows) EXPECT_TRUE(out.insert(std::string(row.id)).second) << row.id << " stands twice";
  return out;
}
std::set<std::string> idsOfData() {
  std::set<std::string> out;
  for (const Rule& rule : builtInRulebook().rules)
    EXPECT_TRUE(out.insert(rule.id).second) << rule.id << " stands twice";
  return out;
}

TEST(Registry, EveryRuleOfTheDataHasItsRowAndEveryRowItsData) { EXPECT_EQ(idsOfRows(), idsOfData()); }
TEST(Registry, EveryRowEvaluates) {
  for (const RuleRows rows : ruleFamilies()) {
    EXPECT_FALSE(rows.empty());
    for (const RuleRow& row : rows) EXPECT_NE(row.evaluate, nullptr) << row.id;
  }
}
TEST(Registry, ARowIsFoundByItsId) {
  EXPECT_EQ(rowOf("two-thirds")->id, "two-thirds");
  EXPECT_EQ(rowOf("three-quarters"), nullptr);
}
TEST(Registry, WhatARuleShowsIsAskedByAnyOfIt) {
  EXPECT_TRUE(showsOf("way-main", shows::kWays));
  EXPECT_TRUE(showsOf("way-main", shows::kWays | shows::kPinch));
  EXPECT_FALSE(showsOf("way-side", shows::kWays | shows::kPinch));
  EXPECT_FALSE(showsOf("no-such-rule", shows::kWays));
}

}  // namespace registry_test
}  // namespace mezzet
