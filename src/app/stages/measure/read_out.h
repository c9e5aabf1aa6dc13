// The read-out of Measure: one wall at a time in figures 30 mm high, for one hand and poor light.
#pragma once

#include "app/document/workspace.h"
#include "app/widgets/figure_face.h"

class QLabel;

namespace mezzet {

/// Number pad only: what was typed, Enter takes it and goes on; + skips, - goes back and takes again, Escape ends.
class ReadOut : public FigureFace {
  Q_OBJECT

 public:
  explicit ReadOut(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void step(int by) override;
  void take() override;

 private:
  void show_();

  Workspace& workspace_;
  std::size_t at_ = 0;  ///< which corner's wall
  QLabel *last_, *echo_, *keys_;
};

}  // namespace mezzet
