// mezzet-laser: a stand-in for a wireless laser meter or a stud detector. Listens on a local socket and speaks the
// protocol of docs/meter-protocol.md: plays a script, the walls of a room, or what is typed.
#include <CLI/CLI.hpp>
#include <QCoreApplication>
#include <QLocalServer>
#include <QLocalSocket>
#include <QSocketNotifier>
#include <QTimer>
#include <sys/stat.h>

#include <cmath>
#include <cstdio>
#include <fstream>
#include <iostream>
#include <random>

#include "io/files/file_system.h"
#include "io/files/job_file.h"
#include "io/meter/meter_line.h"
#include "io/files/own_place.h"
#include "meter/script.h"

namespace {

using namespace mezzet;

constexpr int kUnusable = 2;
constexpr int kLiveEvery = 250;  // ms

class Device : public QObject {
 public:
  Device(MeterKind kind, std::vector<ScriptStep> steps, double noise, unsigned seed, int every)
      : kind_(kind), steps_(std::move(steps)), random_(seed), noise_(0, noise), every_(every) {
    connect(&server_, &QLocalServer::newConnection, this, [this] { greet(); });
    connect(&live_, &QTimer::timeout, this, [this] {
      if (kind_ == MeterKind::Laser && at_ < steps_.size() && steps_[at_].kind == ScriptStep::Reading)
        send(MeterLive{std::max(0.0, steps_[at_].value + noise_(random_))});
    });
    live_.start(kLiveEvery);
    if (every_ > 0) {
      connect(&auto_, &QTimer::timeout, this, [this] { step(); });
      auto_.start(every_);
    }
  }
  bool listen(const std::string& name) {
    // A socket that a killed device left is taken over; any other file of that name is not ours to remove.
    const std::string path = socketPath(name);
    struct stat known {};
    if (path.empty() || (::lstat(path.c_str(), &known) == 0 && !S_ISSOCK(known.st_mode))) return false;
    QLocalServer::removeServer(QString::fromStdString(path));
    server_.setSocketOptions(QLocalServer::UserAccessOption);
    return server_.listen(QString::fromStdString(path));
  }
  QString fault() const { return server_.errorString(); }
  /// The button: the next step of the script.
  void step() {
    if (at_ >= steps_.size()) return;
    const ScriptStep now = steps_[at_++];
    switch (now.kind) {
      case ScriptStep::Reading:
        if (kind_ == MeterKind::Stud) send(MeterHit{++number_, std::max(0.0, now.value + noise_(random_)), now.share});
        else
          send(MeterReading{++number_, std::max(1.0, now.value + noise_(random_)), std::max(0.1, 2 * noise_.stddev())});
        break;
      case ScriptStep::Garbage: raw("\x01\x7f#?live x\nreading banana\n" + std::string(500, 'z') + "\n"); break;
      case ScriptStep::Burst:
        for (int i = 0; i < 5000; ++i) send(MeterLive{1000.0 + i});
        break;
      case ScriptStep::Drop:
        for (QLocalSocket* s : server_.findChildren<QLocalSocket*>()) s->abort();
        break;
    }
  }
  void type(double value) {
    steps_.insert(steps_.begin() + static_cast<std::ptrdiff_t>(at_), {ScriptStep::Reading, value, 0.9});
    step();
  }

 private:
  void greet() {
    while (QLocalSocket* socket = server_.nextPendingConnection()) {
      if (!isPeerOurs(static_cast<int>(socket->socketDescriptor()))) {
        socket->abort();
        socket->deleteLater();
        continue;
      }
      connect(socket, &QLocalSocket::disconnected, socket, &QObject::deleteLater);
      connect(socket, &QLocalSocket::readyRead, this, [this, socket] {
        // Only one word is understood; whatever else comes is thrown away.
        if (socket->bytesAvailable() > 4096) socket->readAll();
        while (socket->canReadLine())
          if (socket->readLine(64).trimmed() == "take") step();
      });
      socket->write(QByteArray::fromStdString(
          meterLine(MeterHello{kind_, kind_ == MeterKind::Stud ? "Stud stand-in" : "Laser stand-in"})));
    }
  }
  void send(const MeterMessage& message) { raw(meterLine(message)); }
  void raw(const std::string& bytes) {
    for (QLocalSocket* s : server_.findChildren<QLocalSocket*>())
      s->write(bytes.data(), static_cast<qint64>(bytes.size()));
    if (!bytes.starts_with("live")) std::cout << bytes.substr(0, 120) << std::flush;
  }

  MeterKind kind_;
  std::vector<ScriptStep> steps_;
  std::size_t at_ = 0;
  std::mt19937 random_;
  std::normal_distribution<double> noise_;
  int every_;
  long long number_ = 0;
  QLocalServer server_;
  QTimer live_, auto_;
};

}  // namespace

int main(int argc, char** argv) {
  CLI::App cli{"A stand-in for a laser meter or a stud detector. See docs/meter-protocol.md."};
  std::string socket = "mezzet-meter", script, job, room;
  double noise = 0.8;
  unsigned seed = 1;
  int every = 0;
  bool detector = false;
  cli.add_option("--socket", socket, "Name of the local socket");
  cli.add_option("--script", script, "A file with one step a line: a figure in mm, garbage, burst or drop");
  cli.add_option("--job", job, "A job whose room is played: its walls, then its diagonals");
  cli.add_option("--room", room, "Room of the job; the first if not given");
  cli.add_option("--noise", noise, "Standard deviation of a reading, mm")->check(CLI::Range(0.0, 1000.0));
  cli.add_option("--seed", seed, "Of the noise");
  cli.add_option("--every", every, "Press the button by itself, every so many ms")->check(CLI::Range(0, 3'600'000));
  cli.add_flag("--detector", detector, "A stud detector: figures are hits along a wall");
  try {
    cli.parse(argc, argv);
  } catch (const CLI::ParseError& fault) {
    return cli.exit(fault, std::cout, std::cerr) == 0 ? 0 : kUnusable;
  }
  QCoreApplication app(argc, argv);
  std::vector<ScriptStep> steps;
  const auto refuse = [](const Error& fault) {
    std::cerr << fault.text() << "\n";
    return kUnusable;
  };
  if (!script.empty()) {
    const auto text = readFile(script, std::size_t{1} << 20);
    if (!text) return refuse(text.error());
    auto read = readScript(*text, script);
    if (!read) return refuse(read.error());
    steps = std::move(read).value();
  } else if (!job.empty()) {
    const auto bytes = readFile(job, std::size_t{1} << 30);
    if (!bytes) return refuse(bytes.error());
    const auto file = readJobBytes(*bytes, job);
    if (!file) return refuse(file.error());
    const Room* played = room.empty() ? (file->job.rooms.empty() ? nullptr : file->job.rooms.front().get())
                                      : findRoom(file->job, RoomId(room));
    if (played == nullptr) return refuse({job, "has no such room", "See the ids in job.json"});
    steps = detector ? studsOfRoom(*played) : scriptOfRoom(*played);
  }
  Device device(detector ? MeterKind::Stud : MeterKind::Laser, std::move(steps), noise, seed, every);
  if (!device.listen(socket))
    return refuse({"socket " + socket,
                   "cannot be listened on" + (device.fault().isEmpty() ? "" : ": " + device.fault().toStdString()),
                   "Another device or file may have it; choose another name"});
  std::cout << "listening on " << socket << (detector ? ", a stud detector" : ", a laser meter")
            << "; type a figure in mm, or Enter for the next of the script\n"
            << std::flush;
  QSocketNotifier typed(0, QSocketNotifier::Read);
  QObject::connect(&typed, &QSocketNotifier::activated, &device, [&] {
    std::string line;
    if (!std::getline(std::cin, line)) return typed.setEnabled(false);
    if (line.empty()) return device.step();
    const auto one = readScript(line, "typed");
    if (!one || one->empty() || one->front().kind != ScriptStep::Reading) {
      std::cout << "a figure in mm, please\n" << std::flush;
      return;
    }
    device.type(one->front().value);
  });
  return app.exec();
}
