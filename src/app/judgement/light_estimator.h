// How much light there is, worked out beside the interface while it is shown.
#pragma once

#include <QObject>

#include "app/document/worker.h"
#include "core/light/estimate.h"

namespace mezzet {

class LightEstimator : public QObject {
  Q_OBJECT

 public:
  using QObject::QObject;
  void show(bool on) { shown_ = on; }
  [[nodiscard]] bool shown() const { return shown_; }
  /// Of this scheme; a newer question replaces an older one.
  void ask(const Job&, const SchemeId&, const Photometries&);
  /// Null while it is not shown or not worked out yet.
  [[nodiscard]] const LightEstimate* estimate() const { return shown_ && estimate_ ? &*estimate_ : nullptr; }
  [[nodiscard]] bool pending() const { return worker_.busy(); }

 signals:
  void arrived();

 private:
  Worker worker_;
  bool shown_ = false;
  std::optional<LightEstimate> estimate_;
};

}  // namespace mezzet
