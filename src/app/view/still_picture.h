// A plan or a wall of some job as a picture that stays as it is: in dialogs that hold several beside each other.
#pragma once

#include <QLabel>
#include <QPixmap>
#include <functional>

#include "app/document/workspace.h"

namespace mezzet {

/// What such a picture is shown in, as large as there is room: drawn again when that changes.
class StillView : public QLabel {
 public:
  /// Of a size and the pixels per point.
  using Draws = std::function<QPixmap(QSize, double)>;
  explicit StillView(QWidget* parent = nullptr);
  void show(Draws);
  void showNothing();

 protected:
  /// From the view's edge to its picture, px.
  static constexpr int kEdge = 2;
  [[nodiscard]] QSize pictureSize() const { return size() - QSize(2 * kEdge, 2 * kEdge); }
  void resizeEvent(QResizeEvent*) override;

 private:
  void draw();

  Draws draws_;
};

/// What is composed at a scale, as large as fits.
[[nodiscard]] QPixmap drawingPicture(const Workspace&, QSize, double pixelRatio,
                                     const std::function<Drawing(double scale)>& compose);
/// The plan of a scheme, as large as fits; `bare` without words.
[[nodiscard]] QPixmap planPicture(const Workspace&, const Job&, const SchemeId&, QSize, double pixelRatio,
                                  bool bare = false);
/// Where it lies in that picture.
[[nodiscard]] Projection planProjection(const Workspace&, const Job&, const SchemeId&, QSize);
/// A wall of it, as large as fits.
[[nodiscard]] QPixmap wallPicture(const Workspace&, const Job&, const SchemeId&, const CornerId&, QSize,
                                  double pixelRatio);
/// The view in which a placement is seen: its wall, or the plan.
[[nodiscard]] QPixmap pictureOf(const Workspace&, const Job&, const SchemeId&, const PlacementId&, QSize,
                                double pixelRatio);

/// The calibrated photographs of the wall that a placement hangs on.
[[nodiscard]] std::vector<const Photograph*> photographsBehind(const Room&, const Placement&);
/// Such a photograph with what the scheme hangs there.
[[nodiscard]] QPixmap photographPicture(const Workspace&, const Job&, const SchemeId&, const PhotographId&, QSize,
                                        double pixelRatio);

}  // namespace mezzet
