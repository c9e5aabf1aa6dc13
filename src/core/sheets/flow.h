// A sheet that is written from the top down, page by page: headings, lines, rows of cells. For what is neither a
// drawing to scale nor one plain table.
#pragma once

#include <functional>
#include <span>
#include <string>
#include <vector>

#include "core/sheets/frame.h"
#include "core/sheets/sheet_row.h"
#include "core/sheets/table.h"

namespace mezzet {

class Flow {
 public:
  enum class Of { Room, House };
  /// `lying`: on paper turned. A sheet of the whole house names it in its title block.
  Flow(const SheetSource&, std::string title, bool lying = false, Of = Of::Room);

  [[nodiscard]] double left() const { return left_; }
  [[nodiscard]] double wide() const { return wide_; }
  [[nodiscard]] double y() const { return y_; }
  [[nodiscard]] double leftOver() const { return y_ - foot_; }  ///< down to the title block
  [[nodiscard]] Drawing& drawing() { return pages_.back().drawing; }
  /// What is drawn on its pages is to this scale, which their title blocks say.
  void toScale(int scale);
  /// Begins another page where fewer than `height` mm are left.
  void need(double height);
  void skip(double height) { y_ -= height; }
  void heading(const std::string&);
  void line(const std::string&);  ///< wrapped
  void bullet(const std::string&);
  /// Cells that wrap within their columns, ruled below.
  void columns(std::span<const TableColumn>);
  void row(std::span<const TableColumn>, const std::vector<std::string>& cells);
  /// Moves a drawing of the room so that its middle lies in a box of paper whose top is at y(), at its own scale.
  void place(Drawing, double from, double width, double height);
  /// The pages with their title blocks.
  [[nodiscard]] std::vector<Sheet> finish();

 private:
  void begin();
  const SheetSource& source_;
  std::string title_;
  bool lying_;
  Of of_;
  int scale_ = 0;
  std::vector<Sheet> pages_;
  double left_ = 0, wide_ = 0, y_ = 0, foot_ = 0;
};

}  // namespace mezzet
