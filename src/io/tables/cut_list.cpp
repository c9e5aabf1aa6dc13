#include "io/tables/cut_list.h"

#include <charconv>
#include <nlohmann/json.hpp>

#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {
namespace {

void addCuts(std::vector<Cut>& out, double length, long long count, const std::string& what, const std::string& where) {
  if (count < 1 || static_cast<std::size_t>(count) + out.size() > kMostCuts)
    throw JsonFault{{where, "has a count that is not from 1 to 1000 in all", "Cut them in several lists"}};
  for (long long i = 0; i < count; ++i) out.push_back({what, length});
}

std::vector<Cut> fromJson(const Json& json, const std::string& name) {
  std::vector<Cut> out;
  if (!json.is_array()) throw JsonFault{{name, "must be a list [ .. ]", "A list of lengths in mm"}};
  for (std::size_t i = 0; i < json.size(); ++i) {
    const std::string where = name + "/" + std::to_string(i);
    if (json[i].is_number()) {
      addCuts(out, json[i].get<double>(), 1, "board " + std::to_string(i + 1), where);
      continue;
    }
    ObjectReader in(json[i], where);
    const double length = in.number("length");
    const long long count = in.whole("count", 1);
    const std::string what = in.text("what", "board " + std::to_string(i + 1));
    in.finish();
    addCuts(out, length, count, what, where);
  }
  return out;
}

std::string_view trimmed(std::string_view text) {
  const auto from = text.find_first_not_of(" \t\r");
  return from == std::string_view::npos ? std::string_view()
                                        : text.substr(from, text.find_last_not_of(" \t\r") - from + 1);
}

std::vector<Cut> fromLines(std::string_view text, const std::string& name) {
  std::vector<Cut> out;
  for (int number = 1; !text.empty(); ++number) {
    const std::size_t end = std::min(text.find('\n'), text.size());
    std::string_view line = trimmed(text.substr(0, end));
    text.remove_prefix(std::min(end + 1, text.size()));
    if (line.empty() || line[0] == '#') continue;
    const std::string where = name + ", line " + std::to_string(number);
    std::string_view cells[3];
    for (std::string_view& cell : cells) {
      const std::size_t comma = &cell == &cells[2] ? line.size() : std::min(line.find(','), line.size());
      cell = trimmed(line.substr(0, comma));
      line.remove_prefix(std::min(comma + 1, line.size()));
    }
    double length = 0;
    const auto read = std::from_chars(cells[0].data(), cells[0].data() + cells[0].size(), length);
    if (read.ec != std::errc() || read.ptr != cells[0].data() + cells[0].size())
      throw JsonFault{{where, "does not begin with a length in mm", "Write length,count,what"}};
    long long count = 1;
    if (!cells[1].empty()) {
      const auto counted = std::from_chars(cells[1].data(), cells[1].data() + cells[1].size(), count);
      if (counted.ec != std::errc() || counted.ptr != cells[1].data() + cells[1].size())
        throw JsonFault{{where, "has a count that is no whole number", "Write length,count,what"}};
    }
    addCuts(out, length, count, cells[2].empty() ? "board " + std::to_string(out.size() + 1) : std::string(cells[2]),
            where);
  }
  return out;
}

}  // namespace

Result<std::vector<Cut>> readCuts(std::string_view text, const std::string& name) {
  if (text.size() > kMostCutBytes) return Error{name, "is larger than 1 MB", "A cut list of that size cannot be right"};
  try {
    const std::string_view begin = trimmed(text);
    return begin.starts_with('[') || begin.starts_with('{') ? fromJson(parseJson(text), name) : fromLines(text, name);
  } catch (const JsonFault& fault) {
    return fault.error;
  } catch (const nlohmann::json::exception&) {
    return Error{name, "is no JSON that can be read", "Write a list of lengths in mm: [900, 1200]"};
  }
}

}  // namespace mezzet
