#include "core/entry/reading_line.h"

#include <algorithm>
#include <charconv>
#include <cmath>

#include "core/entry/words.h"
#include "core/survey/room_survey.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr std::size_t kLongest = 200;

class RecordReader {
 public:
  RecordReader(std::string_view text, const SurveyRecord& sketch, Unit bare)
      : text_(text), sketch_(sketch), bare_(bare) {}

  Reading read(const std::optional<std::pair<CornerId, CornerId>>& expected) {
    Reading r;
    r.typed = std::string(text_);
    const std::vector<CornerId> corners = readCorners();
    const bool angle = takeWord("angle"), opening = takeWord("opening"), bow = !opening && takeWord("bow");
    if (opening || bow) {
      if (corners.empty() || corners.size() > 2)
        throw Refusal{0, opening ? "Say on which wall: A opening 32." : "Say of which wall: AB bow 4."};
      r.from = corners[0];
      r.to = sketch_.corners[(place(r.from) + 1) % sketch_.corners.size()].id;
      if (corners.size() == 2) between(r, corners[0], corners[1]);
      if (r.kind != ReadingKind::Run) throw Refusal{0, "A wall runs between two corners that follow each other."};
      r.kind = opening ? ReadingKind::Width : ReadingKind::Sagitta;
    } else if (off_) {
      if (corners.size() != 2) throw Refusal{0, "An offset goes from a corner square to a wall: C off A 45."};
      r.kind = ReadingKind::Offset;
      r.from = corners[0];
      r.to = corners[1];
      if (r.from == r.to || place(r.from) == (place(r.to) + 1) % sketch_.corners.size())
        throw Refusal{0, "This corner stands on that wall."};
    } else if (corners.empty() && !angle) {
      if (!expected) throw Refusal{0, "Every wall is read. Say between which corners: AC 268."};
      between(r, expected->first, expected->second);
    } else if (corners.size() == 1) {
      r.kind = ReadingKind::Angle;
      r.from = corners[0];
    } else if (corners.size() == 2 && !angle) {
      between(r, corners[0], corners[1]);
    } else {
      throw Refusal{
          0, angle ? "An angle stands at one corner: B angle 92.5." : "A length runs between two corners: AC 268."};
    }
    readBehind(r);
    if (r.kind == ReadingKind::Angle) readAngle(r);
    else readLength_(r);
    return r;
  }

 private:
  void skip() {
    while (at_ < text_.size() && (text_[at_] == ' ' || text_[at_] == '\t' || text_[at_] == ':' || text_[at_] == '='))
      ++at_;
  }
  [[nodiscard]] std::string_view wordHere() const {
    std::size_t end = at_;
    while (end < text_.size() && isLetter(text_[end])) ++end;
    return text_.substr(at_, end - at_);
  }
  static std::string upper(std::string_view word) {
    std::string out(word);
    for (char& c : out)
      if (c >= 'a' && c <= 'z') c = static_cast<char>(c - 'a' + 'A');
    return out;
  }
  [[nodiscard]] bool isCorner(const std::string& id) const {
    return std::any_of(sketch_.corners.begin(), sketch_.corners.end(),
                       [&](const SketchCorner& c) { return c.id.value == id; });
  }
  bool takeWord(std::string_view word) {
    skip();
    if (upper(wordHere()) != upper(word)) return false;
    at_ += word.size();
    skip();
    return true;
  }

  /// "AB", "A-C", "A to C", "wall B": nothing where the line begins with its value.
  std::vector<CornerId> readCorners() {
    std::vector<CornerId> out;
    skip();
    if (takeWord("wall")) {
      const std::string id = upper(wordHere());
      if (!isCorner(id)) throw Refusal{at_, "There is no wall " + id + "."};
      at_ += id.size();
      const auto here = place(CornerId(id));
      return {CornerId(id), sketch_.corners[(here + 1) % sketch_.corners.size()].id};
    }
    while (out.size() < 3) {
      skip();
      const std::size_t began = at_;
      const std::string word = upper(wordHere());
      if (word.empty() || word == "ANGLE" || word == "OPENING" || word == "BOW") break;
      if (word == "TO") {
        at_ += 2;
        continue;
      }
      if (word == "OFF") {
        off_ = true;
        at_ += 3;
        static_cast<void>(takeWord("wall"));
        continue;
      }
      if (isCorner(word)) {
        out.emplace_back(word);
        at_ += word.size();
      } else if (word.size() >= 2 && isCorner(word.substr(0, word.size() / 2)) &&
                 isCorner(word.substr(word.size() / 2))) {
        out.emplace_back(word.substr(0, word.size() / 2));
        out.emplace_back(word.substr(word.size() / 2));
        at_ += word.size();
      } else {
        throw Refusal{began, "There is no corner " + word + ". Type two letters, as AB or AC, before the reading."};
      }
      skip();
      if (at_ < text_.size() && text_[at_] == '-' && at_ + 1 < text_.size() && isLetter(text_[at_ + 1])) ++at_;
    }
    return out;
  }
  [[nodiscard]] std::size_t place(const CornerId& id) const {
    for (std::size_t i = 0; i < sketch_.corners.size(); ++i)
      if (sketch_.corners[i].id == id) return i;
    return 0;
  }
  void between(Reading& r, const CornerId& a, const CornerId& b) const {
    if (a == b) throw Refusal{0, "A length runs between two corners: AC 268."};
    const std::size_t n = sketch_.corners.size(), i = place(a), j = place(b);
    r.from = a;
    r.to = b;
    if (j == (i + 1) % n) return;
    if (i == (j + 1) % n) std::swap(r.from, r.to);
    else r.kind = ReadingKind::Corners;
  }

  /// Takes what stands behind the value off the end of the line.
  void readBehind(Reading& r) {
    skip();
    std::string_view rest = text_.substr(at_);
    if (const std::size_t quote = rest.find(" \""); quote != std::string_view::npos && rest.size() > quote + 2) {
      std::string_view note = rest.substr(quote + 2);
      if (note.ends_with('"')) note.remove_suffix(1);
      r.note = std::string(note);
      rest = rest.substr(0, quote);
    }
    const auto trim = [&] {
      while (!rest.empty() && rest.back() == ' ') rest.remove_suffix(1);
    };
    for (bool again = true; again;) {
      again = false;
      trim();
      const auto takes = [&](std::string_view word) {
        if (!rest.ends_with(word) || (rest.size() > word.size() && isLetter(rest[rest.size() - word.size() - 1])))
          return false;
        rest.remove_suffix(word.size());
        return again = true;
      };
      if (takes("tape")) r.instrument = Instrument::Tape;
      else if (takes("laser")) r.instrument = Instrument::Laser;
      else if (takes("plan")) r.instrument = Instrument::Plan;
      else if (takes("photograph") || takes("photo")) r.instrument = Instrument::Photograph;
      else if (takes("skirting")) r.takenAt = TakenAt::Skirting;
      else if (takes("ceiling")) r.takenAt = TakenAt::Ceiling;
      else if (takes("chest")) r.takenAt = TakenAt::Chest;
      else if (takes("trim")) r.atTrim = true;
      else if (takes("jamb")) r.atTrim = false;
    }
    for (const std::string_view mark : {"\u00b1", "+/-", "+-"})
      if (const std::size_t at = rest.find(mark); at != std::string_view::npos) {
        doubt_ = rest.substr(at + mark.size());
        doubtAt_ = at_ + at + mark.size();
        rest = rest.substr(0, at);
        trim();
        break;
      }
    value_ = rest;
  }

  void readLength_(Reading& r) {
    const LengthReading reading = readLength(value_, bare_);
    if (!reading) throw Refusal{at_ + reading.at, value_.empty() ? "The reading is missing." : reading.complaint};
    if (*reading.length <= 0) throw Refusal{at_, "A reading is more than 0."};
    if (*reading.length > kLongestLength) throw Refusal{at_, "No wall is that long."};
    r.value = *reading.length;
    if (doubt_.empty()) return;
    const LengthReading doubt = readLength(doubt_, bare_);
    if (!doubt || *doubt.length <= 0)
      throw Refusal{doubtAt_ + doubt.at, "This \u00b1 cannot be read. Type it as \u00b11/4."};
    r.u95 = *doubt.length;
  }

  static std::optional<double> number(std::string_view text) {
    std::string plain(text);
    std::replace(plain.begin(), plain.end(), ',', '.');
    for (const std::string_view unit : {"\u00b0", "degrees", "deg"})
      if (plain.ends_with(unit)) plain.erase(plain.size() - unit.size());
    while (!plain.empty() && plain.back() == ' ') plain.pop_back();
    while (!plain.empty() && plain.front() == ' ') plain.erase(plain.begin());
    double value = 0;
    const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), value);
    return fault == std::errc{} && end == plain.data() + plain.size() && std::isfinite(value) ? std::optional(value)
                                                                                              : std::nullopt;
  }
  void readAngle(Reading& r) {
    const auto degrees = number(value_);
    if (!degrees || !(*degrees > 0 && *degrees < 360))
      throw Refusal{at_, "An angle inside a corner is more than 0 and less than 360 degrees."};
    r.value = *degrees;
    if (doubt_.empty()) return;
    const auto doubt = number(doubt_);
    if (!doubt || !(*doubt > 0 && *doubt < 90))
      throw Refusal{doubtAt_, "This \u00b1 cannot be read. Type it in degrees, as \u00b10.5."};
    r.u95 = *doubt;
  }

  std::string_view text_, value_, doubt_;
  const SurveyRecord& sketch_;
  Unit bare_;
  std::size_t at_ = 0, doubtAt_ = 0;
  bool off_ = false;  // "C off A"
};

}  // namespace

std::string readingName(const Reading& r) {
  switch (r.kind) {
    case ReadingKind::Run: return "wall " + r.from.value;
    case ReadingKind::Corners: return r.from.value + " to " + r.to.value;
    case ReadingKind::Angle: return "the angle at " + r.from.value;
    case ReadingKind::Offset: return r.from.value + " off wall " + r.to.value;
    case ReadingKind::Width: return "an opening on wall " + r.from.value;
    case ReadingKind::Sagitta: return "the bow of wall " + r.from.value;
  }
  return {};
}

std::string linePlace(const Reading& r) {
  switch (r.kind) {
    case ReadingKind::Run:
    case ReadingKind::Corners: return r.from.value + " to " + r.to.value + " ";
    case ReadingKind::Angle: return r.from.value + " angle ";
    case ReadingKind::Offset: return r.from.value + " off " + r.to.value + " ";
    case ReadingKind::Width: return r.from.value + " opening ";
    case ReadingKind::Sagitta: return r.from.value + " bow ";
  }
  return {};
}

std::optional<std::pair<CornerId, CornerId>> expectedRun(const SurveyRecord& record) {
  const std::size_t n = record.corners.size();
  for (std::size_t i = 0; i < n; ++i) {
    const CornerId& id = record.corners[i].id;
    if (std::none_of(record.readings.begin(), record.readings.end(),
                     [&](const Reading& r) { return r.kind == ReadingKind::Run && r.from == id && !r.superseded; }))
      return std::pair{id, record.corners[(i + 1) % n].id};
  }
  return std::nullopt;
}

ReadingLine readReadingLine(std::string_view text, const SurveyRecord& record,
                            const std::optional<std::pair<CornerId, CornerId>>& expected, Unit bare,
                            LengthFormat format) {
  ReadingLine out;
  if (text.size() > kLongest) {
    out.at = kLongest;
    out.complaint = "This line is too long to be one reading.";
    return out;
  }
  if (text.find_first_not_of(" \t") == std::string_view::npos) return out;
  try {
    const Reading r = RecordReader(text, record, bare).read(expected);
    out.reading = r;
    const double u95 = u95Of(r);
    const auto tenths = [](double v) {
      const long t = std::lround(v * 10);
      return std::to_string(t / 10) + "." + std::to_string(t % 10) + "\u00b0";
    };
    out.echo = capital(readingName(r)) + ", " +
               (r.kind == ReadingKind::Angle ? tenths(r.value) + ", \u00b1" + tenths(u95)
                                             : writeLength(r.value, format) + ", \u00b1" + writeLength(u95, format));
    if (r.instrument != Instrument::Tape)
      out.echo += r.instrument == Instrument::Laser  ? ", laser"
                  : r.instrument == Instrument::Plan ? ", from a plan"
                                                     : ", from a photograph";
    if (r.takenAt != TakenAt::Chest)
      out.echo += r.takenAt == TakenAt::Skirting ? ", at the skirting" : ", at the ceiling";
  } catch (const Refusal& refusal) {
    out.at = refusal.at;
    out.complaint = refusal.sentence;
  }
  return out;
}

}  // namespace mezzet
