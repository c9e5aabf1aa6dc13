// The line protocol of measuring devices (docs/meter-protocol.md): one line of text a message, both ways. Whatever
// comes down the line is hostile: it may be cut, garbled, endless.
#pragma once

#include <optional>
#include <string>
#include <string_view>
#include <variant>
#include <vector>

namespace mezzet {

inline constexpr std::string_view kMeterHello = "mezzet-meter 1";
inline constexpr std::size_t kMostMeterLine = 200;  ///< bytes; a longer line is dropped whole

enum class MeterKind { Laser, Stud };
/// "mezzet-meter 1 laser": the device says what it is. Before it nothing else counts.
struct MeterHello {
  MeterKind kind = MeterKind::Laser;
  std::string name;
};
/// "live 4231.5": what it sees now; comes often, and nobody keeps it.
struct MeterLive {
  double value = 0;
};
/// "reading 17 4231.5 1.5": its button was pressed: number, mm, u95 in mm. A number that was seen before is the same
/// reading.
struct MeterReading {
  long long number = 0;
  double value = 0, u95 = 0;
};
/// "hit 18 1219.2 0.8": a stud detector: number, mm along the wall from its start corner, confidence.
struct MeterHit {
  long long number = 0;
  double along = 0, confidence = 1;
};
/// "error too far": in words.
struct MeterTrouble {
  std::string words;
};
using MeterMessage = std::variant<MeterHello, MeterLive, MeterReading, MeterHit, MeterTrouble>;

/// One line without its end. Nothing when it is no message, or a figure no device gives.
[[nodiscard]] std::optional<MeterMessage> readMeterLine(std::string_view line);
[[nodiscard]] std::string meterLine(const MeterMessage&);  ///< with its line end

/// Cuts what arrives into lines, however it was torn; overlong lines are dropped up to their end.
class MeterLines {
 public:
  /// At most `most` messages; what is no message is counted.
  [[nodiscard]] std::vector<MeterMessage> take(std::string_view bytes);
  [[nodiscard]] std::size_t garbled() const { return garbled_; }

 private:
  std::string rest_;
  bool dropping_ = false;
  std::size_t garbled_ = 0;
};

}  // namespace mezzet
