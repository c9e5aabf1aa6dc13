// A wall's photograph put in scale by four corners, with what is planned seen in it.
#pragma once

#include <QDialog>

#include "app/dialogs/photograph_view.h"
#include "app/document/workspace.h"

class QComboBox;
class QLabel;
class QPushButton;

namespace mezzet {

class FieldGrid;
class LengthField;

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
