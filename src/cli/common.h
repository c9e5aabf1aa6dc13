// What the commands of mezzet-cli share: their options, and how a job, a room and a scheme are chosen.
#pragma once

#include <chrono>
#include <condition_variable>
#include <mutex>
#include <optional>
#include <stop_token>
#include <string>
#include <thread>
#include <vector>

#include "core/hang/as_hung.h"
#include "core/rules/check.h"
#include "core/use/use_zones.h"
#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/json/rulebook_json.h"
#include "io/photometry/webs.h"

namespace mezzet::cli {

inline constexpr int kAnswered = 0, kBreaks = 1, kUnusable = 2;

struct Refused {
  Error error;
};

struct Options {
  std::string job, room, scheme, placement, from, to, state = "everyday", kind = "plan", scale = "1:48",
                                                      paper = "letter", version = "client", out, layer, unit, finding,
                                                      way, forPlacement, sizeKind;
  std::string wall, as, line = "centre", like, ratio, within, eye;
  std::string end;  ///< of a wall, for nails
  std::optional<double> levelLine;
  std::string photograph, withScheme;
  bool whole = false, asHung = false;
  std::vector<std::string> group, circuits, placements;
  std::optional<double> gap;
  int rows = 0, columns = 0, treads = 0;
  std::optional<int> restarts;
  long long seed = 1;
  std::string school = "a";
  std::optional<int> count;
  std::optional<double> roll, pile, repeat, trim;
  std::vector<double> stock;
  double kerf = 3.175;
  std::vector<std::string> together;
  double tolerance = 10, width = 0;
  std::size_t loop = 1;
  bool json = false, strict = false;
  std::string walls = "both", anchor;
  std::string piece, ics;
  std::vector<std::string> keep, wishes;
  long long candidates = 0;
  double seconds = 0;
};

template <class T>
T orRefuse(Result<T> result) {
  if (!result) throw Refused{result.error()};
  return std::move(result).value();
}

inline JobFile load(const Options& o) {
  const std::string bytes = orRefuse(readFile(o.job, std::size_t{1} << 30));
  return orRefuse(readJobBytes(bytes, o.job));
}

inline const Room& chosenRoom(const Job& job, const Options& o) {
  if (!o.scheme.empty() && o.room.empty())
    if (const Scheme* scheme = findScheme(job, SchemeId(o.scheme))) return roomOf(job, *scheme);
  if (o.room.empty()) {
    if (job.rooms.empty()) throw Refused{{o.job, "has no room", "Measure one first"}};
    return *job.rooms.front();
  }
  if (const Room* room = findRoom(job, RoomId(o.room))) return *room;
  throw Refused{{o.job, "has no room " + o.room, "See the ids in job.json"}};
}

inline const Scheme& chosenScheme(const Job& job, const Room& room, const Options& o) {
  for (const auto& scheme : job.schemes)
    if (scheme->room == room.id && (o.scheme.empty() || scheme->id.value == o.scheme)) return *scheme;
  throw Refused{{o.job,
                 o.scheme.empty() ? "has no scheme for room " + room.id.value
                                  : "has no scheme " + o.scheme + " for room " + room.id.value,
                 "See the ids in job.json"}};
}

/// Work that may have no end in sight is given up after so long, in words.
class Patience {
 public:
  explicit Patience(std::string what)
      : what_(std::move(what)), waiting_([this](const std::stop_token& over) {
          std::unique_lock lock(mutex_);
          if (!done_.wait_for(lock, over, kLongest, [] { return false; }) && !over.stop_requested())
            source_.request_stop();
        }) {}
  [[nodiscard]] std::stop_token token() const { return source_.get_token(); }
  /// Throws when it took too long.
  void check() const {
    if (source_.stop_requested())
      throw Refused{
          {what_, "took longer than half a minute and was given up", "Take things out of the room, or split it"}};
  }

 private:
  static constexpr std::chrono::seconds kLongest{30};
  std::string what_;
  std::stop_source source_;
  std::mutex mutex_;
  std::condition_variable_any done_;
  std::jthread waiting_;
};

inline UseState stateNamed(const std::string& word) {
  if (word == "everyday") return UseState::Everyday;
  if (word == "occupied") return UseState::Occupied;
  if (word == "party") return UseState::Party;
  throw Refused{{"--state " + word, "is not a way a room is used", "Use everyday, occupied or party"}};
}

/// A scheme with its findings in a state of use, routes drawn.
struct CheckedScheme {
  JobFile file;
  const Room& room;
  const Scheme& scheme;
  LengthFormat format;
  UseState state;
  RouteFacts routes;
  Photometries webs;
  std::vector<Finding> findings;
  std::vector<Deviation> asHung;  ///< from the plan, where it was judged as it hangs
  [[nodiscard]] CheckWith with() const { return {state, &routes, &webs}; }
};
inline CheckedScheme checkedScheme(const Options& o, const std::string& what) {
  JobFile file = load(o);
  const Room& room = chosenRoom(file.job, o);
  std::vector<Deviation> asHung;
  if (o.asHung) {
    const Scheme& planned = chosenScheme(file.job, room, o);
    asHung = deviations(PieceIndex(file.job), planned);
    file.job = asItHangs(file.job, planned.id);
  }
  const Scheme& scheme = chosenScheme(file.job, room, o);
  const UseState state = stateNamed(o.state);
  const LengthFormat format = usualFormat(file.job.units);
  const Patience patience(what);
  RouteFacts routes = routeFactsOf(file.job, scheme.id, RouteAsk{state}, patience.token());
  patience.check();
  Photometries webs = photometriesOf(file.job, file.images);
  std::vector<Finding> findings = check(file.job, builtInRulebook(), scheme.id, format, {state, &routes, &webs});
  // Rooms and schemes are held by the job, wherever that goes.
  return {std::move(file),  room, scheme, format, state, std::move(routes), std::move(webs), std::move(findings),
          std::move(asHung)};
}

}  // namespace mezzet::cli
