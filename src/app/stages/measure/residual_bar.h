// A reading's residual, drawn.
#pragma once

#include <QWidget>

#include "core/survey/report.h"

namespace mezzet {

[[nodiscard]] QString wordsOf(ReadingStatus);

/// How far a reading is off, over what its tape allows: a bar left or right of the middle; a cross when it does not
/// fit.
class ResidualBar : public QWidget {
  Q_OBJECT

 public:
  ResidualBar(double w, ReadingStatus status, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  double w_;
  ReadingStatus status_;
};

}  // namespace mezzet
