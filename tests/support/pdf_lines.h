// Lines of a printed page, read back with a separate tool (poppler).
#pragma once

#include <gtest/gtest.h>

#include <algorithm>
#include <cmath>
#include <fstream>
#include <regex>
#include <sstream>

#include "core/geometry/vec.h"
#include "support/process.h"

namespace mezzet::test {

struct PdfLine {
  Vec2 a, b;
  [[nodiscard]] double length() const { return distance(a, b); }
};

inline double number(const std::string& text) {
  double value = 0;
  std::istringstream in(text);
  in.imbue(std::locale::classic());
  in >> value;
  return value;
}

/// Every straight stroke and polygon edge of one page of a PDF in mm of paper, as poppler draws it.
inline std::vector<PdfLine> linesOf(const std::string& pdf, int page = 1) {
  const std::string svg = pdf + ".svg", only = std::to_string(page);
  EXPECT_EQ(run("pdftocairo -svg -f " + only + " -l " + only + " " + pdf + " " + svg).code, 0);
  std::ifstream in(svg);
  std::ostringstream text;
  text << in.rdbuf();
  const std::string all = text.str();
  std::vector<PdfLine> out;
  const std::regex pathTag("<path[^>]*>"), dAttribute(" d=\"([^\"]*)\""), matrix("transform=\"matrix\\(([^)]*)\\)\""),
      token("([MLHVCZ])|(-?[0-9.]+(?:e-?[0-9]+)?)");
  constexpr double kMmPerPoint = 25.4 / 72;
  for (std::sregex_iterator tag(all.begin(), all.end(), pathTag), end; tag != end; ++tag) {
    const std::string element = tag->str();
    std::smatch d, m;
    if (!std::regex_search(element, d, dAttribute)) continue;
    double t[6] = {1, 0, 0, 1, 0, 0};
    if (std::regex_search(element, m, matrix)) {
      std::string values = m[1];
      std::replace(values.begin(), values.end(), ',', ' ');
      std::istringstream parts(values);
      for (double& v : t) parts >> v;
    }
    const auto place = [&](double x, double y) {
      return Vec2{(t[0] * x + t[2] * y + t[4]) * kMmPerPoint, (t[1] * x + t[3] * y + t[5]) * kMmPerPoint};
    };
    const std::string path = d[1];
    Vec2 here, start;
    char command = 0;
    std::vector<double> values;
    for (std::sregex_iterator tk(path.begin(), path.end(), token); tk != end; ++tk) {
      const std::string word = tk->str();
      if (word.size() == 1 && std::isalpha(static_cast<unsigned char>(word[0]))) {
        command = word[0];
        values.clear();
        if (command == 'Z') out.push_back({here, start});
        continue;
      }
      values.push_back(number(word));
      if (command == 'C' && values.size() == 6) {
        here = place(values[4], values[5]);
        values.clear();
      } else if ((command == 'M' || command == 'L') && values.size() == 2) {
        const Vec2 next = place(values[0], values[1]);
        if (command == 'L') out.push_back({here, next});
        else start = next;
        here = next;
        values.clear();
        command = 'L';
      }
    }
  }
  return out;
}

inline int linesOfLength(const std::vector<PdfLine>& lines, double mm, double within) {
  return static_cast<int>(
      std::count_if(lines.begin(), lines.end(), [&](const PdfLine& l) { return std::abs(l.length() - mm) <= within; }));
}

}  // namespace mezzet::test
