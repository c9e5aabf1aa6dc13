#include "app/window/application.h"

#include <new>

namespace mezzet {

bool Application::notify(QObject* receiver, QEvent* event) {
  try {
    return QApplication::notify(receiver, event);
  } catch (const std::bad_alloc&) {
    // An edit is a new job beside the old one, and takes its place only when it is whole. Said once there is room to
    // say it.
    QMetaObject::invokeMethod(this, &Application::outOfMemory, Qt::QueuedConnection);
    return true;
  }
}

}  // namespace mezzet
