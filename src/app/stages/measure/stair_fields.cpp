// The fields of a stair in the list of fixed things.
#include <QSpinBox>

#include "app/stages/measure/fixed_list.h"
#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/site/stairs.h"
#include "core/site/fixed_things.h"

namespace mezzet {
namespace {

/// Direction of the wall that a stair stands at, degrees.
double wallDirection(const Room& room, const Feature& f) {
  const auto measures = measuresOf(room, f.outline);
  const auto* box = measures ? std::get_if<AgainstWall>(&*measures) : nullptr;
  return box != nullptr ? directionOf(findWall(room, box->wall)->along()) : 0;
}

int climbOf(const Room& room, const Feature& f) {
  const double turn = normalisedTurn(f.stair->climbs - wallDirection(room, f));
  return turn < 45 || turn > 315 ? 0 : turn < 135 ? 2 : turn < 225 ? 1 : 3;
}

}  // namespace

void FixedList::addStairFields(FieldGrid& grid, const Feature& feature) {
  const Stair& stair = *feature.stair;
  auto* count = new QSpinBox;
  count->setObjectName(QStringLiteral("stairRisers"));
  count->setAccessibleName(tr("Risers"));
  count->setRange(1, 60);
  count->setValue(stair.risers);
  connect(count, &QSpinBox::editingFinished, this, [this, feature, count] {
    if (count->value() == feature.stair->risers) return;
    Feature changed = feature;
    changed.stair->risers = count->value();
    static_cast<void>(take(changed));
  });
  grid.put(tr("Risers"), count);
  const auto field = [&](const QString& label, const char* name, double Stair::*member) {
    grid.length(label, name, workspace_.write(stair.*member), [this, feature, member](const QString& t) {
      const LengthReading reading = workspace_.read(t);
      if (!reading) return reading;
      Feature changed = feature;
      (*changed.stair).*member = *reading.length;
      return take(changed);
    });
  };
  const auto optional = [&](const QString& label, const char* name, std::optional<double> Stair::*member) {
    grid.length(label, name, stair.*member ? workspace_.write(*(stair.*member)) : QString(),
                [this, feature, member](const QString& t) {
                  Feature changed = feature;
                  (*changed.stair).*member = std::nullopt;
                  if (!t.trimmed().isEmpty()) {
                    const LengthReading reading = workspace_.read(t);
                    if (!reading) return reading;
                    (*changed.stair).*member = reading.length;
                  }
                  return take(changed);
                });
  };
  field(tr("Riser"), "stairRiser", &Stair::riser);
  field(tr("Going"), "stairGoing", &Stair::going);
  optional(tr("Floor to floor"), "stairRise", &Stair::rise);
  optional(tr("Nosing sticks out"), "stairNosing", &Stair::nosing);
  optional(tr("Handrail over nosings"), "stairHandrail", &Stair::handrail);
  optional(tr("Headroom over nosings"), "stairHeadroom", &Stair::headroom);
  grid.choice(tr("Handrail runs"), "stairRailSide", {tr("not said"), tr("on the wall"), tr("on the open side")},
              !stair.railSide                     ? 0
              : *stair.railSide == RailSide::Wall ? 1
                                                  : 2,
              [this, feature](int i) {
                Feature changed = feature;
                changed.stair->railSide.reset();
                if (i > 0) changed.stair->railSide = i == 1 ? RailSide::Wall : RailSide::Open;
                static_cast<void>(take(changed));
              });
  grid.choice(tr("Climbs"), "stairClimbs",
              {tr("along the wall"), tr("against it"), tr("away from the wall"), tr("towards it")},
              climbOf(*workspace_.room(), feature), [this, feature](int i) {
                Feature changed = feature;
                constexpr double kTurns[] = {0, 180, 90, 270};
                changed.stair->climbs = normalisedTurn(wallDirection(*workspace_.room(), feature) + kTurns[i]);
                static_cast<void>(take(changed));
              });
  for (const std::string& s : stairWords(stair, workspace_.format())) grid.putWide(words(onScreen(s), "quietNote"));
  grid.putWide(words(tr("The local code decides. A stair is changed by licensed trades."), "quietNote"));
}

}  // namespace mezzet
