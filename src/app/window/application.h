// The program's application object: what runs out of memory ends there, and the job stays as it was.
#pragma once

#include <QApplication>

namespace mezzet {

class Application : public QApplication {
  Q_OBJECT

 public:
  using QApplication::QApplication;
  bool notify(QObject* receiver, QEvent* event) override;

 signals:
  /// Something could not be done for want of memory; nothing of it was.
  void outOfMemory();
};

}  // namespace mezzet
