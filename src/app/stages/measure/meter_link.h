// A measuring device on a local socket (docs/meter-protocol.md): connects, takes what it says, bears what it should not
// say.
#pragma once

#include <QLocalSocket>
#include <QObject>
#include <QTimer>
#include <set>

#include "io/meter/meter_line.h"

namespace mezzet {

/// Where a device listens unless another name is said; in the user's runtime folder.
inline constexpr const char* kMeterSocket = "mezzet-meter";

class MeterLink : public QObject {
  Q_OBJECT

 public:
  explicit MeterLink(QObject* parent = nullptr);
  enum class State { Off, Looking, On, Lost };
  [[nodiscard]] State state() const { return state_; }
  [[nodiscard]] MeterKind kind() const { return kind_; }
  [[nodiscard]] QString device() const { return device_; }
  /// Looks for the device until it is there, or until closed; a lost one is looked for again.
  void open(const QString& socket = QString::fromUtf8(kMeterSocket));
  void close();
  /// "take": as if its button had been pressed.
  void press();

 signals:
  void stateChanged();
  void live(double value);
  void reading(double value, double u95);
  void hit(double along, double confidence);
  void trouble(const QString& words);

 private:
  void arrived();
  void set(State);
  void lookAgain();

  QLocalSocket socket_;
  QString name_;
  QTimer again_;
  MeterLines lines_;
  State state_ = State::Off;
  bool greeted_ = false, wanted_ = false;
  MeterKind kind_ = MeterKind::Laser;
  QString device_;
  std::set<long long> seen_;  // numbers of readings that were taken: a burst that repeats one adds nothing
};

}  // namespace mezzet
