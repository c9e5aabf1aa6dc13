#include "app/ledger/block_column.h"

#include <QVBoxLayout>
#include <QWidget>
#include <algorithm>
#include <utility>

#include "app/widgets/layouts.h"

namespace mezzet {

void BlockColumn::begin() {
  before_ = std::exchange(blocks_, {});
  fresh_ = false;
}

QWidget* BlockColumn::add(const std::string& content, const std::function<void(QVBoxLayout*)>& make) {
  const auto known = std::find_if(before_.begin(), before_.end(), [&](const Block& b) { return b.content == content; });
  const int at = static_cast<int>(blocks_.size());
  if (known != before_.end()) {
    blocks_.push_back(*known);
    before_.erase(known);
    QWidget* widget = blocks_.back().widget;
    if (column_->indexOf(widget) != at) {
      column_->removeWidget(widget);
      column_->insertWidget(at, widget);
      fresh_ = true;  // Tab goes another way
    }
    return widget;
  }
  auto* widget = new QWidget;
  auto* inside = new QVBoxLayout(widget);
  inside->setContentsMargins(0, 0, 0, 0);
  inside->setSpacing(column_->spacing());
  make(inside);
  column_->insertWidget(at, widget);
  blocks_.push_back({content, widget});
  fresh_ = true;
  return widget;
}

void BlockColumn::end() {
  for (const Block& block : std::exchange(before_, {})) delete block.widget;
  atOnce([this] {
    for (const Block& block : blocks_)
      if (block.widget->isHidden()) {
        block.widget->resize(column_->contentsRect().width(), block.widget->height());
        block.widget->show();
        block.widget->layout()->activate();  // else its rows are blank until the next turn of the event loop
      }
  });
  if (fresh_) orderTabsSoon(column_->parentWidget()->window());
}

void BlockColumn::atOnce(const std::function<void()>& change) {
  column_->setEnabled(false);
  change();
  column_->setEnabled(true);
  column_->update();
}

QWidget* ledgerLine() {
  auto* line = new QWidget;
  line->setFixedHeight(1);
  line->setObjectName(QStringLiteral("ledgerLine"));
  line->setAttribute(Qt::WA_StyledBackground);
  return line;
}

}  // namespace mezzet
