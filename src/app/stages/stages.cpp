#include "app/stages/stages.h"

#include <QtGlobal>
#include <array>

namespace mezzet {

std::span<const StageRow> stageRows() {
  static const std::array rows = [] {
    std::array all{briefStage(), measureStage(), floorStage(), wallsStage()};
    for (std::size_t i = 0; i < all.size(); ++i) Q_ASSERT(static_cast<std::size_t>(all[i].id) == i);
    return all;
  }();
  return rows;
}

}  // namespace mezzet
