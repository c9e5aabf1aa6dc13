#include "app/stages/measure/meter_link.h"

#include "io/files/own_place.h"

namespace mezzet {
namespace {

constexpr int kLookAgain = 1500;  // ms between two tries to find the device
constexpr qint64 kMostAtOnce =
    64 * 1024;  // bytes taken in one turn of the event loop: a burst must not freeze the window
constexpr std::size_t kMostRemembered = 1000;
constexpr std::size_t kMostReadingsAtOnce = 50;  // of one turn; a device that sends more is broken

}  // namespace

MeterLink::MeterLink(QObject* parent) : QObject(parent) {
  again_.setSingleShot(true);
  connect(&again_, &QTimer::timeout, this, [this] {
    if (wanted_ && socket_.state() == QLocalSocket::UnconnectedState) socket_.connectToServer(name_);
  });
  connect(&socket_, &QLocalSocket::connected, this, [this] {
    if (!isPeerOurs(static_cast<int>(socket_.socketDescriptor()))) {
      close();
      emit trouble(tr("A program of another user stands where the meter should be; it was not listened to"));
      return;
    }
    lines_ = {};
    greeted_ = false;
    seen_.clear();
  });
  connect(&socket_, &QLocalSocket::readyRead, this, &MeterLink::arrived);
  connect(&socket_, &QLocalSocket::disconnected, this, [this] { lookAgain(); });
  connect(&socket_, &QLocalSocket::errorOccurred, this, [this] {
    if (socket_.state() == QLocalSocket::UnconnectedState) lookAgain();
  });
}

void MeterLink::open(const QString& socket) {
  close();
  name_ = QString::fromStdString(socketPath(socket.toStdString()));
  if (name_.isEmpty()) {
    emit trouble(tr("There is no folder of your own for the meter's socket: set XDG_RUNTIME_DIR"));
    return;
  }
  wanted_ = true;
  set(State::Looking);
  socket_.connectToServer(name_);
}

void MeterLink::close() {
  wanted_ = false;
  again_.stop();
  socket_.abort();
  set(State::Off);
}

void MeterLink::press() {
  if (state_ == State::On) socket_.write("take\n");
}

void MeterLink::lookAgain() {
  if (!wanted_) return;
  set(state_ == State::On || state_ == State::Lost ? State::Lost : State::Looking);
  again_.start(kLookAgain);
}

void MeterLink::set(State state) {
  if (state_ == state) return;
  state_ = state;
  emit stateChanged();
}

void MeterLink::arrived() {
  const QByteArray bytes = socket_.read(kMostAtOnce);
  std::optional<double> last;  // of many live values only the newest shows
  std::size_t taken = 0;
  for (const MeterMessage& message : lines_.take({bytes.constData(), static_cast<std::size_t>(bytes.size())})) {
    if (const auto* hello = std::get_if<MeterHello>(&message)) {
      kind_ = hello->kind;
      device_ = QString::fromStdString(hello->name);
      greeted_ = true;
      set(State::On);
      continue;
    }
    if (!greeted_) continue;
    if (const auto* now = std::get_if<MeterLive>(&message)) last = now->value;
    if (const auto* fault = std::get_if<MeterTrouble>(&message)) emit trouble(QString::fromStdString(fault->words));
    const auto fresh = [&](long long number) {
      if (seen_.size() > kMostRemembered) seen_.erase(seen_.begin());
      return taken < kMostReadingsAtOnce && seen_.insert(number).second && ++taken > 0;
    };
    if (const auto* r = std::get_if<MeterReading>(&message); r != nullptr && fresh(r->number))
      emit reading(r->value, r->u95);
    if (const auto* h = std::get_if<MeterHit>(&message); h != nullptr && fresh(h->number))
      emit hit(h->along, h->confidence);
  }
  if (last) emit live(*last);
  if (socket_.bytesAvailable() > 0) QMetaObject::invokeMethod(this, &MeterLink::arrived, Qt::QueuedConnection);
}

}  // namespace mezzet
