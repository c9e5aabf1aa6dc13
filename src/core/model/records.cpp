#include "core/model/records.h"

#include <algorithm>

namespace mezzet {
namespace {

/// Of records that may be changed and of those that may not.
template <class Orders>
auto* lastOf(Orders& orders, const PieceId& piece) {
  const auto at =
      std::find_if(orders.rbegin(), orders.rend(), [&](const Order& order) { return order.piece == piece; });
  return at == orders.rend() ? nullptr : &*at;
}

}  // namespace

const Order* orderOf(const Records& records, const PieceId& piece) { return lastOf(records.orders, piece); }
Order* orderOf(Records& records, const PieceId& piece) { return lastOf(records.orders, piece); }

}  // namespace mezzet
