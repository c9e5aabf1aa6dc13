#include "app/openings_list.h"

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/field_grid.h"
#include "app/layouts.h"
#include "core/job/edits.h"
#include "core/job/validate.h"

namespace mezzet {
namespace {

QString kindName(OpeningKind kind) {
  switch (kind) {
    case OpeningKind::Door: return OpeningsList::tr("Door");
    case OpeningKind::Sliding: return OpeningsList::tr("Sliding door");
    case OpeningKind::Window: return OpeningsList::tr("Window");
    case OpeningKind::Arch: return OpeningsList::tr("Arch");
  }
  return {};
}

}  // namespace

OpeningsList::OpeningsList(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  auto* title = new QLabel(tr("Doors and windows"));
  title->setObjectName(QStringLiteral("subject"));
  column->addWidget(title);
  rows_ = new QVBoxLayout;
  rows_->setSpacing(4);
  column->addLayout(rows_);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("fieldComplaint"));
  complaint_->setWordWrap(true);
  complaint_->hide();
  column->addWidget(complaint_);
  auto* buttons = new QHBoxLayout;
  for (const OpeningKind kind : {OpeningKind::Door, OpeningKind::Window, OpeningKind::Arch}) {
    auto* add = new QPushButton(tr("+ %1").arg(kindName(kind)));
    add->setAccessibleName(tr("Add: %1").arg(kindName(kind)));
    add->setObjectName(QStringLiteral("add") + kindName(kind));
    connect(add, &QPushButton::clicked, this, [this, kind] { addOpening(kind); });
    buttons->addWidget(add);
  }
  buttons->addStretch(1);
  column->addLayout(buttons);
  connect(&workspace_, &Workspace::jobChanged, this, &OpeningsList::rebuild);
  connect(&workspace_, &Workspace::viewChanged, this, &OpeningsList::rebuild);
  rebuild();
}

LengthReading OpeningsList::take(const Opening& changed) {
  const Room* room = workspace_.room();
  if (room == nullptr) return {std::nullopt, 0, "Measure the walls first."};
  const auto after = withOpening(workspace_.job(), room->id, changed);
  if (!after) return {std::nullopt, 0, after.error().text() + "."};
  workspace_.document().edit(QString::fromStdString(openingName(changed)), *after);
  return {0.0, 0, {}};
}

void OpeningsList::addOpening(OpeningKind kind) {
  const Room* room = workspace_.room();
  if (room == nullptr) {
    complaint_->setText(tr("Measure the walls first."));
    complaint_->show();
    return;
  }
  IdSource ids = workspace_.document().ids();
  Opening o;
  o.id = ids.take<OpeningId>(kind == OpeningKind::Window ? "w" : "d");
  o.kind = kind;
  // Usual sizes to start from [D]; tried on each wall in turn, in the middle, until one takes it.
  o.width = (kind == OpeningKind::Window ? 48 : 32) * kInch;
  o.sill = kind == OpeningKind::Window ? 30 * kInch : 0;
  o.height = std::min((kind == OpeningKind::Window ? 48 : 80) * kInch, room->ceilingHeight - o.sill);
  LengthReading last{std::nullopt, 0, "No wall is long enough."};
  for (const Wall& wall : wallsOf(*room)) {
    o.wall = wall.id;
    o.width = std::min(o.width, wall.length());
    for (const double share : {0.5, 0.1, 0.9}) {
      o.offset = (wall.length() - o.width) * share;
      const auto after = withOpening(workspace_.job(), room->id, o);
      if (!after) {
        last.complaint = after.error().text() + ".";
        continue;
      }
      open_ = o.id;
      complaint_->hide();
      workspace_.document().edit(tr("add a %1").arg(kindName(kind).toLower()), *after, ids.next());
      focusFirstField(this, QStringLiteral("openingWall"));
      return;
    }
  }
  complaint_->setText(QString::fromStdString(last.complaint));
  complaint_->show();
}

void OpeningsList::rebuild() {
  const FocusKept kept(this);
  emptyLayout(rows_);
  complaint_->hide();
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  for (const Opening& o : room->openings) {
    auto* row = new QPushButton;
    row->setObjectName(QStringLiteral("fold"));
    row->setText(tr("%1 on wall %2, %3 wide").arg(kindName(o.kind), QString::fromStdString(o.wall.value), workspace_.write(o.width)) +
                 (o.id == open_ ? tr(", hide") : tr(", change")));
    row->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(row, &QPushButton::clicked, this, [this, id = o.id] {
      open_ = open_ == id ? OpeningId() : id;
      QMetaObject::invokeMethod(this, &OpeningsList::rebuild, Qt::QueuedConnection);
    });
    rows_->addWidget(row);
    if (o.id == open_) addFields(o);
  }
}

void OpeningsList::addFields(const Opening& opening) {
  const Room* room = workspace_.room();
  FieldGrid grid(complaint_);
  QStringList walls;
  for (const Corner& c : room->corners) walls << QString::fromStdString(c.id.value);
  grid.choice(tr("Wall"), "openingWall", walls, static_cast<int>(walls.indexOf(QString::fromStdString(opening.wall.value))), [this, opening, walls](int to) {
    Opening o = opening;
    o.wall = CornerId(walls[to].toStdString());
    const LengthReading taken = take(o);
    if (taken) return;
    QMetaObject::invokeMethod(
        this,
        [this, taken] {
          rebuild();
          complaint_->setText(QString::fromStdString(taken.complaint));
          complaint_->show();
        },
        Qt::QueuedConnection);
  });
  const auto field = [&](const QString& words, const char* name, double Opening::*member) {
    grid.length(words, name, workspace_.write(opening.*member), [this, opening, member](const QString& t) {
      const LengthReading reading = workspace_.read(t);
      if (!reading) return reading;
      Opening o = opening;
      o.*member = *reading.length;
      return take(o);
    });
  };
  field(tr("From its start corner"), "openingOffset", &Opening::offset);
  field(tr("Width"), "openingWidth", &Opening::width);
  field(tr("Height"), "openingHeight", &Opening::height);
  if (opening.kind == OpeningKind::Window) field(tr("Sill above the floor"), "openingSill", &Opening::sill);
  if (opening.kind == OpeningKind::Door) {
    field(tr("Gap under the leaf"), "openingUnder", &Opening::underLeaf);
    field(tr("Leaf thickness"), "openingLeaf", &Opening::leafThickness);
    const auto choice = [&](const QString& words, const char* name, const QString& first, const QString& second, bool isSecond, auto change) {
      grid.choice(words, name, {first, second}, isSecond ? 1 : 0, [this, opening, change](int index) {
        Opening o = opening;
        change(o, index == 1);
        static_cast<void>(take(o));
      });
    };
    choice(tr("Hinges, from inside"), "openingHinge", tr("on the right"), tr("on the left"), opening.hinge == Hinge::End,
           [](Opening& o, bool second) { o.hinge = second ? Hinge::End : Hinge::Start; });
    choice(tr("Swings"), "openingSwing", tr("inwards"), tr("outwards"), opening.swing == Swing::Out,
           [](Opening& o, bool second) { o.swing = second ? Swing::Out : Swing::In; });
  }
  auto* remove = new QPushButton(tr("Remove it"));
  remove->setObjectName(QStringLiteral("removeOpening"));
  connect(remove, &QPushButton::clicked, this,
          [this, id = opening.id, roomId = room->id] { workspace_.document().edit(tr("remove an opening"), withoutOpening(workspace_.job(), roomId, id)); });
  grid.put(remove);
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
