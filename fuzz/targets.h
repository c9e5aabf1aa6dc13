// What the fuzzer feeds, and what the tests replay the corpus through: one function for each reader of untrusted bytes.
#pragma once

#include <cstddef>
#include <cstdint>
#include <string_view>
#include <vector>

namespace mezzet::fuzz {

/// Each takes any bytes and aborts if the reader breaks a promise: what was read can be written and read again as the
/// same value, and what it was read into can be judged and drawn.
void job(std::string_view bytes);         ///< .mezzet archive or bare job.json
void table(std::string_view bytes);       ///< CSV and pasted rows
void line(std::string_view bytes);        ///< typed pieces, lengths, turns and cells
void journal(std::string_view bytes);     ///< what a crash left behind
void drawing(std::string_view bytes);     ///< DXF, and the outlines found in it
void meter(std::string_view bytes);       ///< what a measuring device says, and the script of the stand-in
void library(std::string_view bytes);     ///< a library of pieces
void photometry(std::string_view bytes);  ///< IES files, and what is asked of them
void cuts(std::string_view bytes);        ///< lists of boards to be cut, and how they are packed
void survey(std::string_view bytes);      ///< readings as JSON, and what is said of them

struct Target {
  const char* name;  ///< of its folder in fuzz/corpus
  void (*run)(std::string_view);
};
inline constexpr Target kTargets[] = {
    {"job", job},         {"table", table}, {"line", line},       {"journal", journal},       {"survey", survey},
    {"drawing", drawing}, {"meter", meter}, {"library", library}, {"photometry", photometry}, {"cuts", cuts}};

}  // namespace mezzet::fuzz
