// Heights: floor to ceiling at several points, the floor against a level line, parts of a stepped ceiling, trim round
// the walls.
#pragma once

#include <QComboBox>

#include "app/stages/measure/site_page.h"
#include "core/site/heights.h"

namespace mezzet {

class LengthField;

class HeightsPage : public SitePage {
  Q_OBJECT

 public:
  explicit HeightsPage(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void rebuild() override;

 private:
  void fillPlaces();
  [[nodiscard]] std::optional<Vec2> chosenPlace() const;
  [[nodiscard]] LengthReading add(const QString& text);
  void addReadingRow(const HeightReading&, const HeightReport&);
  void addParts(const Room&);
  void addTrim(const Room&);

  QComboBox* kind_;
  QComboBox* place_;
  LengthField* figure_;
  std::optional<Vec2> pointed_;
  bool trimOpen_ = false, partsOpen_ = false;
};

}  // namespace mezzet
