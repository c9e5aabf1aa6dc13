// A way out, as the ledger offers it.
#pragma once

#include "app/widgets/ghost_button.h"

namespace mezzet {

inline constexpr int kLedgerText = 24;     ///< px from the ledger's edge to its words
inline constexpr int kLedgerColumn = 264;  ///< px of the ledger's column beside its scroll bar

/// A way out: what moves which way, and what it gives. Hovering or focusing it shows the ghost.
class WayButton : public GhostButton {
  Q_OBJECT

 public:
  WayButton(WayOut way, Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void paintEvent(QPaintEvent*) override;

 private:
  [[nodiscard]] int heightFor(int width) const;

  WayOut way_;
  Job from_;  ///< the job it was computed from; after any other edit it no longer applies
};

}  // namespace mezzet
