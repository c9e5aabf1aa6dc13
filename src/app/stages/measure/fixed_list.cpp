#include "app/stages/measure/fixed_list.h"

#include <QHBoxLayout>
#include <QPushButton>
#include <QVBoxLayout>
#include <algorithm>

#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/edit/edits.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

constexpr FeatureKind kKinds[] = {FeatureKind::Hearth, FeatureKind::ChimneyBreast, FeatureKind::Radiator,
                                  FeatureKind::Column, FeatureKind::BuiltIn,       FeatureKind::Niche,
                                  FeatureKind::Beam,   FeatureKind::Stair};

QString kindName(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hearth: return FixedList::tr("Hearth");
    case FeatureKind::Column: return FixedList::tr("Column");
    case FeatureKind::BuiltIn: return FixedList::tr("Built-in");
    case FeatureKind::ChimneyBreast: return FixedList::tr("Chimney breast");
    case FeatureKind::Radiator: return FixedList::tr("Radiator");
    case FeatureKind::Beam: return FixedList::tr("Beam");
    case FeatureKind::Niche: return FixedList::tr("Niche");
    case FeatureKind::Stair: return FixedList::tr("Stair");
  }
  return {};
}

const char* idPrefix(FeatureKind kind) {
  switch (kind) {
    case FeatureKind::Hearth: return "hearth";
    case FeatureKind::Column: return "column";
    case FeatureKind::BuiltIn: return "built";
    case FeatureKind::ChimneyBreast: return "breast";
    case FeatureKind::Radiator: return "radiator";
    case FeatureKind::Beam: return "beam";
    case FeatureKind::Niche: return "niche";
    case FeatureKind::Stair: return "stair";
  }
  return "fixed";
}

/// Usual sizes to start from [D].
AgainstWall usualSize(FeatureKind kind) {
  struct Size {
    double width, depth;
  };
  const auto [width, depth] = [kind]() -> Size {
    switch (kind) {
      case FeatureKind::Hearth: return {48, 18};
      case FeatureKind::Column: return {12, 12};
      case FeatureKind::BuiltIn: return {36, 14};
      case FeatureKind::ChimneyBreast: return {60, 16};
      case FeatureKind::Radiator: return {40, 5};
      case FeatureKind::Beam: return {8, 120};
      case FeatureKind::Niche: return {24, 4};
      case FeatureKind::Stair: return {110, 36};
    }
    return {24, 24};
  }();
  AgainstWall out;
  out.width = width * kInch;
  out.depth = depth * kInch;
  out.off = kind == FeatureKind::Column ? 24 * kInch : 0;
  return out;
}

}  // namespace

FixedList::FixedList(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  column->addWidget(words(tr("Fixed things"), "panelTitle"));
  // Above what they add: what grows then moves nothing that is clicked.
  auto* grid = new QGridLayout;
  grid->setSpacing(5);
  int at = 0;
  for (const FeatureKind kind : kKinds) {
    auto* add = new QPushButton(tr("+ %1").arg(kindName(kind)));
    add->setAccessibleName(tr("Add: %1").arg(kindName(kind)));
    add->setObjectName(QStringLiteral("add") + kindName(kind));
    connect(add, &QPushButton::clicked, this, [this, kind] { addFeature(kind); });
    grid->addWidget(add, at / 2, at % 2);
    ++at;
  }
  column->addLayout(grid);
  rows_ = new QVBoxLayout;
  rows_->setSpacing(4);
  column->addLayout(rows_);
  complaint_ = words({}, "fieldComplaint");
  complaint_->hide();
  column->addWidget(complaint_);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) rebuild();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &FixedList::rebuild);
  rebuild();
}

LengthReading FixedList::refused(const Error& fault) { return {std::nullopt, 0, capital(fault.text() + ".")}; }

LengthReading FixedList::take(const Feature& changed) {
  const Room* room = workspace_.room();
  if (room == nullptr) return {std::nullopt, 0, "Measure the walls first."};
  const auto after = withFeature(workspace_.job(), room->id, changed);
  if (!after) return refused(after.error());
  workspace_.document().edit(kindName(changed.kind).toLower(), *after);
  return {0.0, 0, {}};
}

LengthReading FixedList::take(Feature changed, const FixedMeasures& measures) {
  const auto outline = outlineFrom(*workspace_.room(), measures, workspace_.format(), changed.kind);
  if (!outline) return refused(outline.error());
  changed.outline = *outline;
  return take(changed);
}

void FixedList::addFeature(FeatureKind kind) {
  const Room* room = workspace_.room();
  const auto complain = [this](const std::string& sentence) {
    complaint_->setText(QString::fromStdString(sentence));
    complaint_->show();
  };
  if (room == nullptr) return complain("Measure the walls first.");
  // In the middle of the longest wall, until its own measures are typed.
  AgainstWall measures = usualSize(kind);
  double longest = 0;
  for (const Wall& wall : wallsOf(*room))
    if (wall.length() > longest) {
      longest = wall.length();
      measures.wall = wall.id;
    }
  measures.width = std::min(measures.width, longest);
  measures.offset = (longest - measures.width) / 2;
  const auto outline = outlineFrom(*room, measures, workspace_.format(), kind);
  if (!outline) return complain(refused(outline.error()).complaint);
  IdSource ids = workspace_.document().ids();
  Feature feature{ids.take<FeatureId>(idPrefix(kind)), kind, *outline, {}, {}};
  // Usual measures to start from [D].
  if (kind == FeatureKind::Radiator) {
    feature.base = 4 * kInch;
    feature.height = 24 * kInch;
  } else if (kind == FeatureKind::Niche) {
    feature.base = 40 * kInch;
    feature.height = 24 * kInch;
  } else if (kind == FeatureKind::Beam) {
    feature.base = std::max(0.0, room->ceilingHeight - 8 * kInch);
    feature.height = 8 * kInch;
  } else if (kind == FeatureKind::Stair) {
    Stair stair;
    stair.risers = 13;
    stair.riser = 7.5 * kInch;
    stair.going = 10 * kInch;
    stair.climbs = normalisedTurn(directionOf(findWall(*room, measures.wall)->along()));
    feature.stair = stair;
  }
  const auto after = withFeature(workspace_.job(), room->id, feature);
  if (!after) return complain(refused(after.error()).complaint);
  open_ = feature.id;
  workspace_.document().edit(tr("add a %1").arg(kindName(kind).toLower()), *after, ids.next());
  focusFirstField(this, QStringLiteral("fixedStands"));
}

void FixedList::rebuild() {
  const FocusKept kept(this);
  emptyLayout(rows_);
  complaint_->hide();
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  const auto fold = [this](const QString& text, const QString& name, auto toggle) {
    auto* row = new QPushButton(text);
    row->setObjectName(name);
    row->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(row, &QPushButton::clicked, this, [this, toggle] {
      toggle();
      QMetaObject::invokeMethod(this, &FixedList::rebuild, Qt::QueuedConnection);
    });
    rows_->addWidget(row);
  };
  for (const Feature& f : room->features) {
    const auto measures = measuresOf(*room, f.outline);
    QString where;
    if (const auto* box = measures ? std::get_if<AgainstWall>(&*measures) : nullptr)
      where = tr("%1 on wall %2, %3 wide")
                  .arg(kindName(f.kind), QString::fromStdString(box->wall.value), workspace_.write(box->width));
    else if (measures)
      where = tr("%1 across corner %2")
                  .arg(kindName(f.kind), QString::fromStdString(std::get<AcrossCorner>(*measures).corner.value));
    else where = tr("%1 of its own outline").arg(kindName(f.kind));
    fold(where + (f.id == open_ ? tr(", hide") : tr(", change")), QStringLiteral("fold"),
         [this, id = f.id] { open_ = open_ == id ? FeatureId() : id; });
    if (f.id == open_) addFields(f);
  }
  fold(thicknesses_ ? tr("Thickness of the walls, hide") : tr("Thickness of the walls, change"), QStringLiteral("fold"),
       [this] { thicknesses_ = !thicknesses_; });
  if (thicknesses_) addThicknesses(*room);
}

void FixedList::addThicknesses(const Room& room) {
  FieldGrid grid;
  for (const Corner& c : room.corners) {
    const QString letter = QString::fromStdString(c.id.value);
    grid.length(tr("Wall %1").arg(letter), ("thick" + c.id.value).c_str(),
                c.wallThickness ? workspace_.write(*c.wallThickness) : QString(),
                [this, id = c.id, roomId = room.id](const QString& t) {
                  std::optional<double> thickness;
                  if (!t.trimmed().isEmpty()) {
                    const LengthReading reading = workspace_.read(t);
                    if (!reading) return reading;
                    thickness = reading.length;
                  }
                  const auto after = withWallThickness(workspace_.job(), roomId, id, thickness);
                  if (!after) return refused(after.error());
                  workspace_.document().edit(tr("thickness of wall %1").arg(QString::fromStdString(id.value)), *after);
                  return LengthReading{0.0, 0, {}};
                });
  }
  rows_->addWidget(words(tr("Drawn %1 thick where nothing is typed.").arg(workspace_.write(kUsualWall)), "quietNote"));
  rows_->addWidget(grid.box());
}

void FixedList::addHeights(FieldGrid& grid, const Feature& feature) {
  const auto optional = [&](const QString& label, const char* name, std::optional<double> Feature::*member,
                            const QString& shown) {
    grid.length(label, name, shown, [this, feature, member](const QString& t) {
      Feature changed = feature;
      changed.*member = std::nullopt;
      if (!t.trimmed().isEmpty()) {
        const LengthReading reading = workspace_.read(t);
        if (!reading) return reading;
        changed.*member = reading.length;
      }
      return take(changed);
    });
  };
  if (feature.kind == FeatureKind::Radiator || feature.kind == FeatureKind::Niche ||
      feature.kind == FeatureKind::Beam || feature.base)
    optional(tr("Underside above floor"), "fixedBase", &Feature::base,
             feature.base ? workspace_.write(*feature.base) : QString());
  if (!feature.stair)
    optional(tr("Height"), "fixedHeight", &Feature::height,
             feature.height ? workspace_.write(*feature.height) : QString());
  if (feature.kind == FeatureKind::Hearth) {
    optional(tr("Keep clear round it"), "fixedClear", &Feature::clear,
             workspace_.write(feature.clear.value_or(kHearthClear)));
    optional(tr("Shelf above floor"), "fixedMantel", &Feature::mantel,
             feature.mantel ? workspace_.write(*feature.mantel) : QString());
    grid.putWide(words(tr("Distances to a fire are its maker's and the local code's."), "quietNote"));
  }
}

void FixedList::addNotes(FieldGrid& grid, const Room& room, const Feature& feature) {
  if (feature.kind == FeatureKind::Column || feature.kind == FeatureKind::ChimneyBreast ||
      feature.kind == FeatureKind::Beam)
    grid.putWide(words(tr("Structure: changing it needs an engineer and permission."), "quietNote"));
  if (feature.kind == FeatureKind::Radiator)
    grid.putWide(words(tr("Keep it free: its maker and the local code say how far."), "quietNote"));
  for (const Alcove& alcove : alcovesBeside(room, feature))
    grid.putWide(words(tr("An alcove beside it, %1 wide and %2 deep.")
                           .arg(workspace_.write(alcove.width), workspace_.write(alcove.depth)),
                       "quietNote"));
}

void FixedList::addFields(const Feature& feature) {
  const Room& room = *workspace_.room();
  FieldGrid grid;
  const auto measures = measuresOf(room, feature.outline);
  const auto* box = measures ? std::get_if<AgainstWall>(&*measures) : nullptr;
  const auto* across = measures ? std::get_if<AcrossCorner>(&*measures) : nullptr;
  QStringList letters;
  for (const Corner& c : room.corners) letters << QString::fromStdString(c.id.value);
  const auto chosen = [this](const LengthReading& taken) {
    refuseChoice(this, complaint_, taken, [this] { rebuild(); });
  };
  grid.choice(tr("Stands"), "fixedStands", {tr("at a wall"), tr("in a corner")}, across != nullptr ? 1 : 0,
              [this, feature, chosen, first = room.corners.front().id](int to) {
                const AgainstWall usual = usualSize(feature.kind);
                AgainstWall against = usual;
                against.wall = first;
                chosen(to == 1 ? take(feature, AcrossCorner{first, usual.width, usual.width}) : take(feature, against));
              });
  const auto field = [&](const QString& label, const char* name, const auto& now, auto member) {
    grid.length(label, name, workspace_.write(now.*member), [this, feature, now, member](const QString& t) {
      const LengthReading reading = workspace_.read(t);
      if (!reading) return reading;
      auto changed = now;
      changed.*member = *reading.length;
      return take(feature, changed);
    });
  };
  const auto letter = [&](const QString& label, const char* name, const auto& now, auto member) {
    grid.choice(label, name, letters, static_cast<int>(letters.indexOf(QString::fromStdString((now.*member).value))),
                [this, feature, now, member, letters, chosen](int to) {
                  auto changed = now;
                  changed.*member = CornerId(letters[to].toStdString());
                  chosen(take(feature, changed));
                });
  };
  if (box != nullptr) {
    letter(tr("Wall"), "fixedWall", *box, &AgainstWall::wall);
    field(tr("From its start corner"), "fixedOffset", *box, &AgainstWall::offset);
    field(tr("Off the wall"), "fixedOff", *box, &AgainstWall::off);
    field(tr("Width"), "fixedWidth", *box, &AgainstWall::width);
    field(tr("Depth"), "fixedDepth", *box, &AgainstWall::depth);
  } else if (across != nullptr) {
    letter(tr("Corner"), "fixedCorner", *across, &AcrossCorner::corner);
    field(tr("Along wall before it"), "fixedBefore", *across, &AcrossCorner::before);
    field(tr("Along wall after it"), "fixedAfter", *across, &AcrossCorner::after);
  }
  addHeights(grid, feature);
  addNotes(grid, room, feature);
  if (feature.stair) addStairFields(grid, feature);
  auto* remove = new QPushButton(tr("Remove it"));
  remove->setObjectName(QStringLiteral("removeFixed"));
  connect(remove, &QPushButton::clicked, this, [this, id = feature.id, roomId = room.id] {
    workspace_.document().edit(tr("remove a fixed thing"), withoutFeature(workspace_.job(), roomId, id));
  });
  grid.put(remove);
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
