// Parts of a value that most values do without.
#pragma once

#include <memory>

namespace mezzet {

/// A group of fields that is shared by copies and compared by value. While nothing is set it holds nothing.
template <class T>
class Part {
 public:
  [[nodiscard]] const T& operator*() const { return value_ != nullptr ? *value_ : nothing(); }
  [[nodiscard]] const T* operator->() const { return &**this; }
  /// The fields, to be changed at once: copies made before keep theirs.
  [[nodiscard]] T& edit() {
    auto own = std::make_shared<T>(**this);
    T& out = *own;
    value_ = std::move(own);
    return out;
  }
  bool operator==(const Part& other) const { return value_ == other.value_ || **this == *other; }

 private:
  static const T& nothing() {
    static const T none{};
    return none;
  }
  std::shared_ptr<const T> value_;
};

}  // namespace mezzet
