#include "core/sheets/flow.h"

#include <algorithm>

#include "core/drawing/base/drafting.h"
#include "core/drawing/labels/labels.h"

namespace mezzet {
namespace {

constexpr double kMargin = 6, kFlowTop = 9, kFlowLine = 5, kFlowRow = 6.4, kFlowHeading = 9;  // mm of paper

}  // namespace

Flow::Flow(const SheetSource& source, std::string title, bool lying, Of of)
    : source_(source), title_(std::move(title)), lying_(lying), of_(of) {
  begin();
}

void Flow::begin() {
  Sheet sheet = emptySheet(*source_.request.paper, {true, lying_}, scale_);
  sheet.drawing.scale = 1;
  sheet.drawing.low = {0, 0};
  sheet.drawing.high = {sheet.width, sheet.height};
  left_ = kBorder + kMargin;
  wide_ = sheet.width - 2 * left_;
  y_ = sheet.height - kBorder - kFlowTop;
  foot_ = kBorder + kTitleBlock + kMargin / 2;
  pages_.push_back(std::move(sheet));
}

void Flow::toScale(int scale) {
  scale_ = scale;
  for (Sheet& page : pages_) page.scale = scale;
}

void Flow::need(double height) {
  if (leftOver() < height) begin();
}

void Flow::heading(const std::string& words) {
  need(kFlowHeading + 2 * kFlowRow);
  if (y_ < pages_.back().height - kBorder - kFlowTop) skip(2);
  addSheetText(drawing(), {left_, y_}, fittedText(words, wide_, kTitleLetters), kTitleLetters);
  skip(kFlowHeading - 2);
}

void Flow::line(const std::string& words) {
  for (const std::string& one : wrapped(words, wide_)) {
    need(kFlowLine);
    addSheetText(drawing(), {left_, y_}, one);
    skip(kFlowLine);
  }
}

void Flow::bullet(const std::string& words) {
  constexpr double kIndent = 4;
  bool first = true;
  for (const std::string& one : wrapped(words, wide_ - kIndent)) {
    need(kFlowLine);
    if (first)
      drawing().add(Layer::Title, "",
                    ArcItem{{left_ + 1.2, y_}, 0.6, 0, 360, Ink::Ink, {Ink::Ink, kFineLine, Dash::Solid}});
    addSheetText(drawing(), {left_ + kIndent, y_}, one);
    skip(kFlowLine);
    first = false;
  }
}

void Flow::columns(std::span<const TableColumn> columns) {
  need(4 * kFlowRow);
  for (const TableColumn& column : columns)
    addSheetText(drawing(), {left_ + column.from * wide_, y_}, column.title, kSmallLetters, Ink::Quiet);
  drawing().add(Layer::Title, "",
                mezzet::line({left_, y_ - 3}, {left_ + wide_, y_ - 3}, {Ink::Ink, kFurnitureLine, Dash::Solid}));
  skip(kFlowRow + 1);
}

void Flow::row(std::span<const TableColumn> columns, const std::vector<std::string>& cells) {
  std::vector<std::vector<std::string>> lines;
  std::size_t most = 1;
  for (std::size_t c = 0; c < columns.size(); ++c) {
    const double end = c + 1 < columns.size() ? columns[c + 1].from : 1.0;
    lines.push_back(wrapped(cells[c], (end - columns[c].from) * wide_ - 2));
    for (std::string& one : lines.back()) one = fittedText(one, (end - columns[c].from) * wide_ - 1);
    most = std::max(most, lines.back().size());
  }
  const double high = kFlowRow + static_cast<double>(most - 1) * (kFlowLine - 0.8);
  need(high);
  for (std::size_t c = 0; c < columns.size(); ++c)
    for (std::size_t i = 0; i < lines[c].size(); ++i)
      addSheetText(drawing(), {left_ + columns[c].from * wide_, y_ - static_cast<double>(i) * (kFlowLine - 0.8)},
                   lines[c][i]);
  skip(high);
  drawing().add(Layer::Title, "", mezzet::line({left_, y_ + 3.2}, {left_ + wide_, y_ + 3.2}, fine()));
}

void Flow::place(Drawing d, double from, double width, double height) {
  settle(d);
  const double w = (d.high.x - d.low.x) / d.scale, h = (d.high.y - d.low.y) / d.scale;
  toPaper(d, {from + (width - w) / 2, y_ - height + (height - h) / 2});
  append(drawing(), std::move(d));
}

std::vector<Sheet> Flow::finish() {
  const std::size_t count = pages_.size();
  Room house;
  const auto& rooms = source_.job.rooms;
  house.name = rooms.size() == 1 ? rooms.front()->name : "The whole house, " + std::to_string(rooms.size()) + " rooms";
  const bool whole = of_ == Of::House;
  for (std::size_t i = 0; i < count; ++i) {
    const std::string page = count > 1 ? ", page " + std::to_string(i + 1) + " of " + std::to_string(count) : "";
    addTitleBlock(pages_[i], source_.job, whole ? house : source_.room, whole ? nullptr : source_.scheme, title_ + page,
                  source_.request);
  }
  return std::move(pages_);
}

}  // namespace mezzet
