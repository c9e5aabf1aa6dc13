// Ways out as rules propose them. Whether one is offered is decided where it is proven (core/decide/ways_out).
#pragma once

#include <functional>
#include <string>
#include <vector>

#include "core/rules/base/finding.h"
#include "core/rules/base/names.h"

namespace mezzet {

struct WayOut {
  std::string id;        ///< "other-gap:b", "second-piece" ...
  std::string sentence;  ///< what moves which way: "Move the low table 6 in nearer"
  std::string gives;     ///< what it gives: "reach 18 in"
  Job job;               ///< the job after it
  long long nextId = 1;  ///< the id source's next number after it
};

/// Where two rules pull apart, a compromise may leave these broken for this subject.
struct Excused {
  std::vector<std::string_view> rules = {};
  std::string subject = {};
};

/// One broken finding, and a hand to offer changes with. Holds references: all of them must outlive it.
class Proposals {
 public:
  /// Re-checks a change and takes it if it proves good.
  using Prove = std::function<bool(WayOut, const Excused&)>;
  Proposals(const Finding&, const Job&, const Rulebook&, const Scheme&, IdSource, LengthFormat, Prove);

  const Finding& target;
  const Job& job;
  const Rulebook& book;
  const Scheme& scheme;
  SchemeNames names;
  IdSource ids;  ///< a proposal that needs new ids copies it
  LengthFormat format;

  /// True when the re-check says that it works.
  bool offer(std::string id, std::string sentence, std::string gives, Job after) {
    return offer(std::move(id), std::move(sentence), std::move(gives), std::move(after), ids);
  }
  bool offer(std::string id, std::string sentence, std::string gives, Job after, const IdSource& used);
  /// One that leaves something broken, so that two rules are missed by as little as can be.
  bool offerCompromise(std::string id, std::string sentence, std::string gives, Job after, const Excused&);

  // ---- what several rules propose
  /// A placement on the floor, moved by a vector.
  void moveFloor(const Placement&, Vec2 by);
  /// Away from what the subjects are too near, along the line between the witness points.
  void moveClear();
  /// Also along the walls, by the least whole inch or centimetre that clears it.
  void moveClearOrAlongWalls();
  /// One side of a pinch away from the other, by what the way is short of.
  void widen();
  /// The house follows another school of the target's rule, and nothing moves.
  void otherSchools(const std::string& gives);

  [[nodiscard]] std::string length(double l) const { return writeLength(l, format); }
  [[nodiscard]] std::string name(const Placement& p) const { return names.the(p.id); }
  [[nodiscard]] const Placement* placement(const std::string& id) const {
    return findPlacement(scheme, PlacementId(id));
  }
  /// Sizes are bought in whole inches or centimetres.
  [[nodiscard]] double shopStep() const { return job.units == Unit::Inch ? kInch : 10.0; }

 private:
  void moveClear(bool alongWalls);
  Prove prove_;
};

}  // namespace mezzet
