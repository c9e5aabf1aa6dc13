// The read-out of hanging: one nail at a time in figures 30 mm high; what is done is recorded as it goes.
#pragma once

#include <map>
#include <optional>

#include "app/document/workspace.h"
#include "app/widgets/figure_face.h"

class QLabel;

namespace mezzet {

/// Enter in an empty line: the nail is in where it was planned. Lengths typed: where it really landed, first from the
/// end, then from the level line. + next, - back, * the spot was detected and is clear.
class NailReadOut : public FigureFace {
  Q_OBJECT

 public:
  explicit NailReadOut(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void take() override;
  void step(int by) override;
  bool pressed(int key) override;

 private:
  void show_();
  void record(Vec2 landed);
  void change(const QString& verb, const Job& after);
  [[nodiscard]] QString stateWords(const Nail&) const;

  Workspace& workspace_;
  NailPlan plan_;
  std::size_t at_ = 0;
  std::optional<double> fromEnd_;                       ///< typed of this nail, the other length is next
  std::map<std::pair<PlacementId, int>, Vec2> landed_;  ///< by frame and hook
  QLabel *across_, *acrossOf_, *up_, *upOf_, *echo_, *keys_;
};

}  // namespace mezzet
