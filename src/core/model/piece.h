// A piece: a real or candidate thing with fixed dimensions, and its optional parts.
#pragma once

#include <map>
#include <optional>
#include <string>

#include "core/base/ids.h"
#include "core/base/range.h"
#include "core/geometry/polygon.h"
#include "core/model/display_parts.h"
#include "core/model/extra.h"
#include "core/model/part.h"
#include "core/model/records.h"
#include "core/units/length.h"

namespace mezzet {

/// Contract: an oval is an ellipse; an L has its long limb along the back and its return at one side.
/// A curve is part of a ring, open at the front: longDepth is how deep the ring is, from its back to the seat's edge.
enum class Shape { Rect, Round, Oval, L, Curve };
enum class Hand { Left, Right };

/// Where a dimension of a piece comes from, and how far it may be off.
enum class DimensionSource { Measured, Ticket, Guess, Default };
struct Doubt {
  DimensionSource source = DimensionSource::Measured;
  double u95 = 0;  ///< mm, two sigma
  bool operator==(const Doubt&) const = default;
};

/// A rule bent for one piece only: another school, or a range of its own.
struct OwnRule {
  std::optional<std::string> school;
  std::optional<Range> range;
  bool operator==(const OwnRule&) const = default;
};

// ---- parts; every field has a row in piece_fields.cpp, from which list, dialog, typed line, CSV and file are made

struct SeatPart {
  std::optional<double> height, back, arm;  ///< above the floor
  std::optional<int> people;                ///< how many sit on it; by its width until entered
  std::optional<int> cushions;              ///< loose ones that lie on it
  bool operator==(const SeatPart&) const = default;
};
/// Of an L or a curve.
struct LimbPart {
  std::optional<double> longDepth, returnWidth;  ///< a curve has no return
  Hand hand = Hand::Left;                        ///< of an L: the return as seen by someone who stands before it
  bool operator==(const LimbPart&) const = default;
};
struct LegPart {
  std::optional<double> inset;   ///< feet inside the corners; kUsualFeetInset until entered
  std::optional<double> height;  ///< of raised legs: the floor shows below
  bool operator==(const LegPart&) const = default;
};
/// What it is like in use.
struct UsePart {
  std::optional<double> opensBy;    ///< how far it comes forward: drawers, leaves, a footrest, a bed
  std::optional<double> extendsBy;  ///< how much longer a table is with its leaves in
  bool operator==(const UsePart&) const = default;
};
/// How a rug's face is made; the trade's names, in the order of their words in piece_fields.cpp.
enum class Construction { Loop, Cut, CutAndLoop, Flat };
struct RugPart {
  std::optional<double> pad;                   ///< under it
  std::optional<double> soldWidth, soldDepth;  ///< what it is sold as; width and depth are its actual size
  std::optional<double> pile;                  ///< how high it stands; a flat weave has none worth the name
  std::optional<Construction> construction;
  std::string fibre = {};  ///< an id of the rug trade's table, or the user's own word
  std::string edge = {};   ///< how its edge is finished, likewise
  Polygon outline = {};    ///< cut to a template: in the piece's own frame, anticlockwise; width x depth is its box
  bool operator==(const RugPart&) const = default;
};
/// How a light is put up, in the order of the words in piece_fields.cpp.
enum class Mount { Pendant, Surface, Recessed, Spot, Wall, Picture, Table, Floor, Strip, Candle };
struct LightPart {
  std::optional<Mount> mount;  ///< by its kind until said: mountOf()
  std::optional<double> lumens, watts, kelvin;
  std::optional<double> beam;         ///< degrees, the full angle at half the peak
  std::optional<double> shadeBottom;  ///< lower edge of the shade above the lamp's foot
  std::optional<double> cutOut;       ///< diameter of the hole in the ceiling
  std::optional<double> above;        ///< depth needed above the ceiling
  std::string photometry = {};        ///< "photometry/<sha256>" in the job file; "" for none
  bool operator==(const LightPart&) const = default;
};
struct FinishPart {
  std::string material = {};         ///< of what is seen of it: "leather", "linen", "oak"
  std::optional<bool> backFinished;  ///< whether its back may be seen
  bool operator==(const FinishPart&) const = default;
};
/// Whether the foot of a picture is dark: it then hangs higher above what is below.
enum class Foot { Dark, Light };
/// What is in the frame. width and height of the piece are the frame's outer edges.
struct FramePart {
  std::optional<double> imageWidth, imageHeight;  ///< what is seen of the picture, or of the glass
  std::optional<double> mat;                      ///< how wide the mount round it shows
  std::optional<bool> glazed;
  std::string finish = {};  ///< in a word: "black"
  std::optional<Foot> foot;
  bool operator==(const FramePart&) const = default;
};
/// What is on the back of a frame: a wire between two rings, a bar of teeth, one ring, two, a pair of cleats, keyholes.
enum class HangerKind { Wire, Sawtooth, Ring, Rings, Cleat, Keyhole };
/// How a frame hangs. Along the wall + is to the right.
struct HangerPart {
  std::optional<HangerKind> kind;
  std::optional<int> hooks;          ///< in the wall: 1 or 2; by the house's school until entered
  std::optional<double> hookSpread;  ///< of two hooks, middle to middle
  std::optional<double> drop;        ///< from the frame's top down to where the hook bears, wire taut
  std::optional<double> rings;       ///< their spread
  std::optional<double> ringDrop;    ///< below the frame's top
  std::optional<double> wire;        ///< its length from ring to ring
  double offset = 0;                 ///< of the hook, or the middle of two, from the frame's middle
  double mass = 0;                   ///< of the centre of mass from the frame's middle
  bool operator==(const HangerPart&) const = default;
};
/// What a mirror is for: the face, the whole figure, the room.
enum class LooksAs { Face, Full, Space };
struct MirrorPart {
  std::optional<LooksAs> looksAs;  ///< by its size and height until said
  bool operator==(const MirrorPart&) const = default;
};
/// The lit part of a television; kScreenEdge less than the outside each way until entered.
struct ScreenPart {
  std::optional<double> width, height;
  bool operator==(const ScreenPart&) const = default;
};
/// How it goes through doors. What comes apart goes in as the boxes that it becomes.
struct CarryPart {
  std::optional<double> diagonalDepth;  ///< the least that it takes through a door when it is turned, as measured
  std::vector<BoxSize> takesApart = {};
  bool operator==(const CarryPart&) const = default;
};
enum class Phase { Now, Later };
enum class Tier { Simple, Full };
struct ShopPart {
  std::optional<double> weight;  ///< kg
  bool owned = false;            ///< is there already; else to be bought
  std::optional<double> price;   ///< of one, in the user's currency
  std::optional<Phase> phase;    ///< now until said
  std::optional<Tier> tier;      ///< full: only in the fuller budget; in both until said
  std::optional<int> leadDays;   ///< from order to delivery
  std::string note = {};
  bool operator==(const ShopPart&) const = default;
};

/// Heights are above the floor.
struct Piece {
  PieceId id;
  std::string name;
  std::string kind;  ///< "sofa", "armchair", "low-table", "art" ...: see kinds.h
  Shape shape = Shape::Rect;
  double width = 0;
  std::optional<double> depth;   ///< front to back; a picture may leave it out
  std::optional<double> height;  ///< overall; of a picture: the frame's height
  int count = 1;
  std::optional<PieceId> variantOf;
  std::string image;  ///< name in the job file's images folder, or ""
  Extra extra;
  std::map<std::string, Doubt> doubts;      ///< by dimension: "width", "depth", "height", "seatHeight" ...
  std::map<std::string, OwnRule> ownRules;  ///< by rule id
  Part<SeatPart> seat;
  Part<LimbPart> limbs;
  Part<LegPart> legs;
  Part<UsePart> use;
  Part<RugPart> rug;
  Part<LightPart> light;
  Part<FramePart> frame;
  Part<HangerPart> hanger;
  Part<MirrorPart> mirror;
  Part<ScreenPart> screen;
  Part<SurfacePart> surfaces;
  Part<ThingPart> thing;
  Part<FinishPart> finish;
  Part<ShopPart> shop;
  Part<CarryPart> carry;
  std::string story = {};  ///< where it comes from, in the owner's words
  bool operator==(const Piece&) const = default;
};

/// How much the edge of a television takes, both sides together [D].
inline constexpr double kScreenEdge = 1 * kInch;

/// Feet stand this far inside the corners unless entered [D].
inline constexpr double kUsualFeetInset = 2 * kInch;

/// A rug cut to a template: its outline is its shape, whatever `shape` says.
[[nodiscard]] inline bool isCut(const Piece& piece) { return !piece.rug->outline.empty(); }

/// How high a piece stands at its highest, back included; none when neither was measured.
[[nodiscard]] std::optional<double> highestOf(const Piece&);

}  // namespace mezzet
