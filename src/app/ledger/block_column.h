// A column of blocks of words that is set anew after every change and keeps the blocks that still say the same.
#pragma once

#include <functional>
#include <string>
#include <vector>

class QVBoxLayout;
class QWidget;

namespace mezzet {

class BlockColumn {
 public:
  /// Fills the top of a layout whose last item is a stretch.
  explicit BlockColumn(QVBoxLayout* column) : column_(column) {}

  /// Begins again from the top.
  void begin();
  /// The next block downwards: the one that says `content` already, else a new one that `make` fills.
  QWidget* add(const std::string& content, const std::function<void(QVBoxLayout*)>& make);
  /// Takes away what was not added again.
  void end();
  /// Changes blocks. Whatever is shown in them lays out what it stands in: the column is laid out once, afterwards.
  void atOnce(const std::function<void()>& change);

 private:
  struct Block {
    std::string content;
    QWidget* widget;
  };
  QVBoxLayout* column_;
  std::vector<Block> blocks_, before_;
  bool fresh_ = false;  ///< a block was made since the beginning
};

/// A fine line between two parts of the ledger.
[[nodiscard]] QWidget* ledgerLine();

}  // namespace mezzet
