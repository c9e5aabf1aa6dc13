// What sits in and behind a wall: material, sockets and switches, studs.
#pragma once

#include <QComboBox>
#include <QLineEdit>

#include "app/stages/measure/site_page.h"
#include "core/site/studs.h"

namespace mezzet {

class InWallPage : public SitePage {
  Q_OBJECT

 public:
  explicit InWallPage(Workspace& workspace, QWidget* parent = nullptr);
  /// A hit of a detector, along the wall shown.
  void addHit(double along, double confidence);

 protected:
  void rebuild() override;

 private:
  void addPoint(PointKind);
  void addPointFields(const WallPoint&);
  void addStuds(const Room&);
  void takeTaps();
  [[nodiscard]] StudRecord record() const;

  PointId open_;
  QLineEdit* taps_ = nullptr;
};

}  // namespace mezzet
