#include "app/stages/measure/house_page.h"

#include <QLineEdit>
#include <algorithm>

#include "app/widgets/field_grid.h"
#include "core/edit/edits.h"
#include "core/edit/validate.h"
#include "core/edit/house.h"
#include "core/walk/together.h"

namespace mezzet {
namespace {

QString doorName(const Room& room, const Opening& o) {
  QString name = QString::fromStdString(openingName(room, o));
  name[0] = name[0].toUpper();
  return name;
}

}  // namespace

HousePage::HousePage(Workspace& workspace, QWidget* parent) : SitePage(workspace, Topic::House, parent) {
  head_->addWidget(words(tr("The house"), "panelTitle"));
  head_->addWidget(
      words(tr("Say where each door leads, and the rooms come together. Measure the wall between them in the doorway."),
            "quietNote"));
}

void HousePage::rebuild() {
  const Room& room = *workspace_.room();
  rows_->addWidget(words(QString::fromStdString(room.name), "subject"));
  bool any = false;
  for (const Opening& o : room.openings)
    if (o.kind != OpeningKind::Window) {
      addDoor(room, o);
      any = true;
    }
  if (!any) rows_->addWidget(words(tr("This room has no door or arch yet. Add one under Room."), "quietNote"));
  for (const HouseStorey& storey : layoutOf(workspace_.job(), workspace_.format()))
    if (storey.id == room.storey) say(storey.sentences);
  // Rooms that doors join can be walked as one.
  std::vector<RoomId> together{room.id};
  for (std::size_t i = 0; i < together.size(); ++i)
    for (const Opening& o : findRoom(workspace_.job(), together[i])->openings)
      if (o.leadsTo && std::find(together.begin(), together.end(), o.leadsTo->room) == together.end() &&
          findRoom(workspace_.job(), o.leadsTo->room)->storey == room.storey)
        together.push_back(o.leadsTo->room);
  if (together.size() > 1) {
    const auto both = walkedTogether(workspace_.job(), together);
    rows_->addWidget(
        words(both ? tr("Walked together, %1 rooms make one outline of %2 corners with their doorways as necks.")
                         .arg(together.size())
                         .arg(both->corners.size())
                   : onScreen(both.error().text()) + QStringLiteral("."),
              "quietNote"));
  }
  addStoreys(room);
}

void HousePage::addDoor(const Room& room, const Opening& opening) {
  const Job& job = workspace_.job();
  rows_->addWidget(words(tr("%1, %2 wide").arg(doorName(room, opening), workspace_.write(opening.width)), "note"));
  FieldGrid grid;
  QStringList words{tr("nowhere known")};
  std::vector<LeadsTo> places;
  int now = 0;
  for (const auto& other : job.rooms)
    if (other->id != room.id)
      for (const Opening& o : other->openings) {
        if (o.kind == OpeningKind::Window) continue;
        places.push_back({other->id, o.id});
        words << QString::fromStdString(other->name + ", " + openingName(*other, o));
        if (opening.leadsTo == places.back()) now = static_cast<int>(places.size());
      }
  const std::string key = "leads-" + opening.id.value;
  grid.choice(tr("Leads to"), key.c_str(), words, now, [this, id = room.id, door = opening.id, places](int i) {
    if (i == 0) return static_cast<void>(take(tr("where a door leads"), withDoorParted(workspace_.job(), id, door)));
    take(tr("where a door leads"), withDoorJoined(workspace_.job(), id, door, places[static_cast<std::size_t>(i - 1)]));
  });
  if (opening.leadsTo) {
    const Between between = thicknessAt(job, room, opening);
    grid.length(tr("Wall between"), ("between-" + opening.id.value).c_str(),
                between.measured ? workspace_.write(between.thickness) : QString(),
                [this, id = room.id, door = opening.id, to = *opening.leadsTo](const QString& t) {
                  return typed(t, tr("thickness of a wall"), [&](std::optional<double> length) -> Result<Job> {
                    if (!length) return workspace_.job();
                    return withDoorJoined(workspace_.job(), id, door, to, length);
                  });
                });
  }
  rows_->addWidget(grid.box());
}

void HousePage::addStoreys(const Room& room) {
  const Job& job = workspace_.job();
  rows_->addWidget(words(tr("Storeys"), "subject"));
  rows_->addWidget(button(tr("+ Storey"), "addStorey", [this] {
    IdSource ids = workspace_.document().ids();
    double top = 0;
    for (const Storey& s : workspace_.job().storeys) top = std::max(top, s.level);
    const bool first = workspace_.job().storeys.empty();
    take(tr("add a storey"),
         withStorey(workspace_.job(),
                    {ids.take<StoreyId>("e"), first ? "Ground floor" : "Upper floor", first ? 0 : top + 2700}),
         ids.next());
  }));
  FieldGrid grid;
  QStringList names{tr("the only one")};
  int now = 0;
  for (const Storey& s : job.storeys) {
    names << QString::fromStdString(s.name);
    if (s.id == room.storey) now = static_cast<int>(names.size()) - 1;
  }
  grid.choice(tr("This room is on"), "roomStorey", names, now, [this, id = room.id, storeys = job.storeys](int i) {
    take(tr("storey"),
         withRoomOnStorey(workspace_.job(), id, i == 0 ? StoreyId() : storeys[static_cast<std::size_t>(i - 1)].id));
  });
  for (const Storey& s : job.storeys) {
    auto* name = new QLineEdit(QString::fromStdString(s.name));
    name->setObjectName(QStringLiteral("storeyName-") + QString::fromStdString(s.id.value));
    name->setAccessibleName(tr("Name of the storey"));
    name->setMaxLength(60);
    connect(name, &QLineEdit::editingFinished, this, [this, s, name] {
      if (name->text().toStdString() == s.name || name->text().trimmed().isEmpty()) return;
      Storey changed = s;
      changed.name = name->text().trimmed().toStdString();
      take(tr("name of a storey"), withStorey(workspace_.job(), changed));
    });
    grid.put(tr("Name"), name);
    const std::string key = "storeyLevel-" + s.id.value;
    grid.length(tr("Floor level"), key.c_str(), workspace_.write(s.level), [this, s](const QString& t) {
      return typed(t, tr("level of a storey"), [&](std::optional<double> length) -> Result<Job> {
        Storey changed = s;
        changed.level = length.value_or(0);
        return withStorey(workspace_.job(), changed);
      });
    });
    grid.put(button(tr("Remove it"), "removeStorey",
                    [this, id = s.id] { take(tr("remove a storey"), withoutStorey(workspace_.job(), id)); }));
  }
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
