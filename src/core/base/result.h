// Result of anything that can be refused: a value, or an error that says where, what and what to do.
#pragma once

#include <string>
#include <utility>
#include <variant>

namespace mezzet {

/// A refusal in words for the person at the screen.
struct Error {
  std::string where;  ///< file, field or thing, e.g. "wall C" or "job.json /rooms/0/corners"
  std::string what;   ///< one clause, e.g. "is longer than 100 m"
  std::string hint;   ///< what to do about it; may be empty

  /// "where: what. hint"
  [[nodiscard]] std::string text() const {
    std::string all = where.empty() ? what : where + ": " + what;
    if (!hint.empty()) all += ". " + hint;
    return all;
  }
  bool operator==(const Error&) const = default;
};

/// Either a T or an Error. Reading the wrong one is a programming fault and throws std::bad_variant_access.
template <class T>
class [[nodiscard]] Result {
 public:
  Result(T value) : held_(std::in_place_index<0>, std::move(value)) {}
  Result(Error error) : held_(std::in_place_index<1>, std::move(error)) {}

  [[nodiscard]] bool ok() const { return held_.index() == 0; }
  explicit operator bool() const { return ok(); }
  [[nodiscard]] const T& value() const& { return std::get<0>(held_); }
  [[nodiscard]] T&& value() && { return std::get<0>(std::move(held_)); }
  [[nodiscard]] const Error& error() const { return std::get<1>(held_); }
  const T* operator->() const { return &std::get<0>(held_); }
  const T& operator*() const { return std::get<0>(held_); }

 private:
  std::variant<T, Error> held_;
};

}  // namespace mezzet
