// Small drawn parts of the ledger: the mark of a verdict and the gauge of a range.
#pragma once

#include <QWidget>

#include "core/rules/base/finding.h"

namespace mezzet {

/// Dot holds, half dot close call, cross breaks, open ring not measured, ticked box kept: by shape as well as colour.
class VerdictMark : public QWidget {
  Q_OBJECT

 public:
  explicit VerdictMark(Verdict verdict, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  Verdict verdict_;
};

/// The asked range as a bar, the measured value as a needle, its ± as the needle's width.
class Gauge : public QWidget {
  Q_OBJECT

 public:
  Gauge(const Finding& finding, LengthFormat format, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  Range asked_, ideal_;
  double measured_, u95_;
  Verdict verdict_;
  LengthFormat format_;
};

}  // namespace mezzet
