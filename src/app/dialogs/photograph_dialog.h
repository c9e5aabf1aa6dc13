// A wall's photograph put in scale by four corners, with what is planned seen in it.
#pragma once

#include <QDialog>

#include "app/document/workspace.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace mezzet {

class FieldGrid;
class LengthField;

/// The photograph, as large as there is room; corners and outlines are set and moved in it by mouse and keyboard.
class PhotographView : public QWidget {
  Q_OBJECT

 public:
  explicit PhotographView(QWidget* parent = nullptr);
  /// `painted` is the photograph made smaller by `scale`; points are pixels of the photograph itself.
  void show(const QImage& painted, double scale, const std::vector<Vec2>& corners, const std::vector<Vec2>& outline);
  /// Where a point of the photograph is seen; for tests.
  [[nodiscard]] QPointF onScreen(Vec2 pixel) const;

 signals:
  void clicked(Vec2 pixel);
  void moved(std::size_t corner, Vec2 pixel);
  void dropped();  ///< the corner in the hand was let go, or nudged

 protected:
  void paintEvent(QPaintEvent*) override;
  void mousePressEvent(QMouseEvent*) override;
  void mouseMoveEvent(QMouseEvent*) override;
  void mouseReleaseEvent(QMouseEvent*) override;
  void keyPressEvent(QKeyEvent*) override;

 private:
  [[nodiscard]] double zoom() const;
  [[nodiscard]] Vec2 onPicture(QPointF) const;
  [[nodiscard]] std::optional<std::size_t> cornerAt(QPointF) const;

  QImage image_;
  double scale_ = 1;
  std::vector<Vec2> corners_, outline_;
  std::optional<std::size_t> held_;
  std::size_t chosen_ = 0;  ///< the corner that arrow keys move
};

class PhotographDialog : public QDialog {
  Q_OBJECT

 public:
  PhotographDialog(Workspace& workspace, PhotographId photograph, QWidget* parent = nullptr);
  /// As it is saved; made smaller as it is shown.
  [[nodiscard]] QImage painted(double scale = 1) const;
  [[nodiscard]] std::optional<Error> write(const QString& path) const;

 private:
  [[nodiscard]] const Photograph* photograph() const;
  void addRectangle(FieldGrid&);
  void addOutlines(QLayout*);
  void chooseOpening(int index);
  void click(Vec2 pixel);
  void put(const Photograph&, const QString& verb);
  void calibrate();
  void refresh();
  void askAndWrite();
  [[nodiscard]] QImage paintedWith(const SchemeId&, bool named, double scale) const;
  [[nodiscard]] double previewScale() const;
  void showPainted();

  Workspace& workspace_;
  PhotographId id_;
  PhotographView* view_;
  Calibration now_;            ///< with the corners picked so far
  std::vector<Vec2> outline_;  ///< of a thing before the wall, while it is drawn
  bool outlining_ = false;
  mutable QImage preview_;  ///< the photograph, smaller
  QComboBox *opening_, *with_;
  QLabel *says_, *lengths_;
  QPushButton *draw_, *save_;
  std::vector<std::pair<double Calibration::*, LengthField*>> fields_;
};

}  // namespace mezzet
