#include "app/window/last_shown.h"

#include <QSettings>
#include <algorithm>

namespace mezzet {
namespace {

constexpr const char* kKey = "lastShown";
constexpr int kMost = 20;

/// Newest first; each path, room, scheme and state.
QList<QStringList> entries() {
  QList<QStringList> out;
  for (const QVariant& one : QSettings().value(QString::fromUtf8(kKey)).toList())
    if (const QStringList entry = one.toStringList(); entry.size() == 4) out << entry;
  return out;
}

}  // namespace

void rememberShown(const QString& path, const Workspace& w) {
  if (path.isEmpty() || w.room() == nullptr) return;
  const QStringList now{path, QString::fromStdString(w.room()->id.value), QString::fromStdString(w.schemeId().value),
                        QString::number(static_cast<int>(w.useState()))};
  QList<QStringList> all = entries();
  if (!all.isEmpty() && all.front() == now) return;
  all.removeIf([&](const QStringList& entry) { return entry.front() == path; });
  all.prepend(now);
  QVariantList kept;
  for (const QStringList& entry : all.mid(0, kMost)) kept << entry;
  QSettings().setValue(QString::fromUtf8(kKey), kept);
}

std::optional<LastShown> lastShown(const QString& path) {
  for (const QStringList& entry : entries()) {
    if (entry.front() != path) continue;
    const int state = std::clamp(entry[3].toInt(), 0, static_cast<int>(UseState::Party));
    return LastShown{RoomId(entry[1].toStdString()), SchemeId(entry[2].toStdString()), static_cast<UseState>(state)};
  }
  return std::nullopt;
}

void showAgain(const LastShown& last, Workspace& w) {
  if (findRoom(w.job(), last.room) == nullptr) return;
  w.showRoom(last.room);
  if (const Scheme* scheme = findScheme(w.job(), last.scheme); scheme != nullptr && scheme->room == last.room)
    w.showScheme(last.scheme);
  w.showState(last.state);
}

}  // namespace mezzet
