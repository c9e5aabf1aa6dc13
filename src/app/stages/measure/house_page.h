// The house: storeys, doors that belong to two rooms, the walls between them.
#pragma once

#include "app/stages/measure/site_page.h"
#include "core/site/house.h"

namespace mezzet {

class HousePage : public SitePage {
  Q_OBJECT

 public:
  explicit HousePage(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void rebuild() override;

 private:
  void addDoor(const Room&, const Opening&);
  void addStoreys(const Room&);
};

}  // namespace mezzet
