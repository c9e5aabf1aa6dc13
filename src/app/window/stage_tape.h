// The measuring tape across the top: the stages of the job, drawn out as far as the room has got.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"

namespace mezzet {

class StageTape : public QWidget {
  Q_OBJECT

 public:
  explicit StageTape(Workspace& workspace, QWidget* parent = nullptr);
  [[nodiscard]] QSize sizeHint() const override { return {800, 40}; }

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  void describe();
  [[nodiscard]] int bladeStages() const;  ///< how many stages the blade covers
  [[nodiscard]] QRectF stageRect(int index) const;
  [[nodiscard]] double stageWidth() const;  ///< all of them fit the window

  Workspace& workspace_;
};

}  // namespace mezzet
