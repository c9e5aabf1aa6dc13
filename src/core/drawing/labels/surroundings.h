// What words must keep clear of, and what they should: texts, walls and leaders; lines and other things' faces.
#pragma once

#include <array>
#include <cstdint>
#include <span>
#include <vector>

#include "core/drawing/base/drawing.h"
#include "core/drawing/labels/grid.h"
#include "core/geometry/convex.h"

namespace mezzet {

/// A rectangle, turned as words are; corners anticlockwise.
struct Quad {
  std::array<Vec2, 4> corners;
};
[[nodiscard]] Quad squareRound(Vec2 middle, double half);
/// Whether they overlap, or come nearer than `apart`.
[[nodiscard]] bool meets(const Quad&, const Quad&, double apart = 0);
/// Whether a line enters it.
[[nodiscard]] bool meets(const Quad&, Vec2 a, Vec2 b);
[[nodiscard]] bool meets(const Quad&, const Polygon&);

class Surroundings {
 public:
  /// Of these drawings, and of what lies under them, which must outlive it.
  explicit Surroundings(std::span<const Drawing* const>, const Surroundings* under = nullptr);

  /// By words, a mark, a wall's fill or a leader; or, where that counts, it lies outside the first drawing's
  /// bounds.
  [[nodiscard]] bool blocks(const Quad&, const ItemId& own, double apart, bool bounded) const;
  /// How many lines of others cross it, each weighed by how heavy it is; and faces of others that it lies on.
  [[nodiscard]] double crossed(const Quad&, const ItemId& own) const;
  /// Whether a leader would cross words.
  [[nodiscard]] bool hidesWords(Vec2 a, Vec2 b) const;
  /// Lines of others that a leader crosses, weighed.
  [[nodiscard]] double crossedBy(Vec2 a, Vec2 b, const ItemId& own) const;
  /// Words that were placed, with their leaders.
  void add(const ItemId& id, const std::vector<Item>&, double scale);

 private:
  struct Words {
    Quad body;
    Box box;
    ItemId mark;  ///< of a dot or circle: its own words may stand on it
  };
  struct Line {
    Vec2 a, b;
    Box box;
    double weight = 1;
    ItemId id;
    bool leader = false;
  };
  struct Face {
    Polygon outline;
    Box box;
    ItemId id;
    bool wall = false;
  };
  void addItem(const Item&, double scale);
  void addWords(Words);
  void addLine(Line);
  void addFace(Face);

  const Surroundings* under_ = nullptr;
  bool bounded_ = false;
  Box bounds_{};
  std::vector<Words> words_;
  std::vector<Line> lines_;
  std::vector<Face> faces_;
  BoxGrid wordsAt_, linesAt_, facesAt_;
};

}  // namespace mezzet
