#include "app/stages/measure/openings_list.h"

#include <QLabel>
#include <QPushButton>
#include <QSettings>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/walk/walk_space.h"
#include "core/edit/edits.h"
#include "core/edit/validate.h"
#include "core/site/openings.h"
#include "core/edit/openings.h"

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
  title->setObjectName(QStringLiteral("panelTitle"));
  column->addWidget(title);
  // Above what they add: what grows then moves nothing that is clicked.
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
  rows_ = new QVBoxLayout;
  rows_->setSpacing(4);
  column->addLayout(rows_);
  complaint_ = new QLabel;
  complaint_->setObjectName(QStringLiteral("fieldComplaint"));
  complaint_->setWordWrap(true);
  complaint_->hide();
  column->addWidget(complaint_);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) rebuild();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &OpeningsList::rebuild);
  rebuild();
}

LengthReading OpeningsList::take(const Opening& changed) {
  const Room* room = workspace_.room();
  if (room == nullptr) return {std::nullopt, 0, "Measure the walls first."};
  const auto after = withOpening(workspace_.job(), room->id, changed);
  if (!after) return {std::nullopt, 0, after.error().text() + "."};
  workspace_.document().edit(QString::fromStdString(openingName(*room, changed)), *after);
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
    row->setText(tr("%1, %2 wide").arg(onScreen(capital(openingName(*room, o))), workspace_.write(o.width)) +
                 (o.id == open_ ? tr(", hide") : tr(", change")));
    row->setSizePolicy(QSizePolicy::Expanding, QSizePolicy::Fixed);
    connect(row, &QPushButton::clicked, this, [this, id = o.id] {
      open_ = open_ == id ? OpeningId() : id;
      if (const Opening* now = findOpening(*workspace_.room(), open_)) workspace_.showWall(now->wall);
      QMetaObject::invokeMethod(this, &OpeningsList::rebuild, Qt::QueuedConnection);
    });
    rows_->addWidget(row);
    if (o.id == open_) addFields(o);
  }
}

/// The three readings along the wall. What was never read shows where the opening stands, and is a reading once it is
/// typed.
void OpeningsList::addReadings(FieldGrid& grid, const Opening& opening) {
  const Room& room = *workspace_.room();
  const auto closure = closureOf(room, opening.wall);
  const auto part = [&](const QString& label, const char* name, OpeningPart which, double stands) {
    const OpeningReading* known = nullptr;
    for (const OpeningReading& r : opening.readings)
      if (r.part == which && !r.taken.superseded) known = &r;
    const QString shown = known != nullptr
                              ? workspace_.write(known->taken.value) + (known->taken.atTrim ? tr(" trim") : QString())
                              : workspace_.write(stands);
    grid.length(label, name, shown, [this, opening, which, shown](const QString& t) {
      QString text = t.trimmed();
      if (text == shown) return LengthReading{0.0, 0, {}};
      // A field that goes when its row is made anew says once more what was just taken.
      if (const Opening* now = findOpening(*workspace_.room(), opening.id))
        for (const OpeningReading& r : now->readings)
          if (r.part == which && !r.taken.superseded && r.taken.typed == text.toStdString() &&
              opening.readings != now->readings)
            return LengthReading{0.0, 0, {}};
      OpeningReading r;
      // "57 1/2 trim", "1460 laser": how it was taken follows the figure.
      for (const auto& [word, set] : {std::pair{QStringLiteral("trim"), 1}, std::pair{QStringLiteral("laser"), 2},
                                      std::pair{QStringLiteral("jamb"), 0}})
        if (text.endsWith(word, Qt::CaseInsensitive)) {
          text = text.left(text.size() - word.size()).trimmed();
          if (set == 1) r.taken.atTrim = true;
          if (set == 2) r.taken.instrument = Instrument::Laser;
        }
      if (text == QStringLiteral("0") && which != OpeningPart::Width) {
        r.taken.value = 0;
      } else {
        const LengthReading reading = workspace_.read(text);
        if (!reading) return reading;
        r.taken.value = *reading.length;
      }
      IdSource ids = workspace_.document().ids();
      r.id = ids.take<ReadingId>("o");
      r.part = which;
      r.taken.typed = t.trimmed().toStdString();
      r.taken.who = QSettings().value(QString::fromUtf8(kReaderKey)).toString().toStdString();
      r.taken.when = today();
      const auto after = withOpeningReading(workspace_.job(), workspace_.room()->id, opening.id, r);
      if (!after) return LengthReading{std::nullopt, 0, after.error().text() + "."};
      workspace_.document().edit(QString::fromStdString(openingName(*workspace_.room(), opening)), *after, ids.next());
      return LengthReading{0.0, 0, {}};
    });
  };
  const double length = findWall(room, opening.wall)->length();
  part(tr("From its start corner"), "openingOffset", OpeningPart::Start, opening.offset);
  part(tr("Width"), "openingWidth", OpeningPart::Width, opening.width);
  part(tr("To its end corner"), "openingEnd", OpeningPart::End, length - opening.offset - opening.width);
  QStringList left;
  if (closure)
    for (const OpeningRow& row : closure->rows)
      if (row.opening == opening.id && !row.reading.empty() && std::abs(row.residual) >= 0.05)
        left << (row.part == OpeningPart::Start   ? tr("start %1")
                 : row.part == OpeningPart::Width ? tr("width %1")
                                                  : tr("end %1"))
                    .arg(row.residual, 0, 'f', 1);
  if (!left.isEmpty())
    grid.putWide(words(tr("Adjusted by, mm: %1.").arg(left.join(QStringLiteral(", "))), "quietNote"));
  for (const std::string& s : closureWords(room, opening.id, workspace_.format()))
    grid.putWide(words(onScreen(s), "quietNote"));
}

void OpeningsList::addLength(FieldGrid& grid, const Opening& opening, const QString& words, const char* name,
                             double Opening::*member) {
  grid.length(words, name, workspace_.write(opening.*member), [this, opening, member](const QString& t) {
    const LengthReading reading = workspace_.read(t);
    if (!reading) return reading;
    Opening o = opening;
    o.*member = *reading.length;
    return take(o);
  });
}

void OpeningsList::addOptional(FieldGrid& grid, const Opening& opening, const QString& words, const char* name,
                               std::optional<double> Opening::*member) {
  grid.length(words, name, opening.*member ? workspace_.write(*(opening.*member)) : QString(),
              [this, opening, member](const QString& t) {
                Opening o = opening;
                o.*member = std::nullopt;
                if (!t.trimmed().isEmpty()) {
                  const LengthReading reading = workspace_.read(t);
                  if (!reading) return reading;
                  o.*member = *reading.length;
                }
                const auto closed = withOpening(workspace_.job(), workspace_.room()->id, o);
                if (!closed) return LengthReading{std::nullopt, 0, closed.error().text() + "."};
                // What was read at the trim follows its width.
                auto fitted = openingsClosed(*findRoom(*closed, workspace_.room()->id));
                if (!fitted) return LengthReading{std::nullopt, 0, fitted.error().text() + "."};
                const auto after = withRoom(*closed, *fitted);
                if (!after) return LengthReading{std::nullopt, 0, after.error().text() + "."};
                workspace_.document().edit(QString::fromStdString(openingName(*workspace_.room(), o)), *after);
                return LengthReading{0.0, 0, {}};
              });
}

void OpeningsList::addWindowFields(FieldGrid& grid, const Opening& opening) {
  addLength(grid, opening, tr("Sill above the floor"), "openingSill", &Opening::sill);
  const auto among = [&](const QString& words, const char* name, const QStringList& options, int now, auto change) {
    grid.choice(words, name, options, now, [this, opening, change](int index) {
      Opening o = opening;
      change(o, index);
      static_cast<void>(take(o));
    });
  };
  among(tr("Its leaves"), "openingLeaves", {tr("fixed"), tr("sash"), tr("swing in"), tr("swing out")},
        static_cast<int>(opening.leaf), [](Opening& o, int i) { o.leaf = static_cast<WindowLeaf>(i); });
  among(tr("Outside lies"), "openingOutside", {tr("not said"), tr("a street"), tr("a view"), tr("a wall")},
        static_cast<int>(opening.outside), [](Opening& o, int i) { o.outside = static_cast<Outside>(i); });
  addOptional(grid, opening, tr("Curtains, each side"), "openingCurtain", &Opening::curtainStack);
}

void OpeningsList::addDoorFields(FieldGrid& grid, const Opening& opening) {
  addLength(grid, opening, tr("Gap under the leaf"), "openingUnder", &Opening::underLeaf);
  addLength(grid, opening, tr("Leaf thickness"), "openingLeaf", &Opening::leafThickness);
  const auto choice = [&](const QString& words, const char* name, const QString& first, const QString& second,
                          bool isSecond, auto change) {
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

void OpeningsList::addFields(const Opening& opening) {
  const Room* room = workspace_.room();
  FieldGrid grid;
  grid.text(tr("Called"), "openingName", QString::fromStdString(opening.name), kindName(opening.kind),
            [this, opening](const QString& name) {
              Opening o = opening;
              o.name = name.toStdString();
              static_cast<void>(take(o));
            });
  QStringList walls;
  for (const Corner& c : room->corners) walls << QString::fromStdString(c.id.value);
  grid.choice(tr("Wall"), "openingWall", walls,
              static_cast<int>(walls.indexOf(QString::fromStdString(opening.wall.value))),
              [this, opening, walls](int to) {
                Opening o = opening;
                o.wall = CornerId(walls[to].toStdString());
                refuseChoice(this, complaint_, take(o), [this] { rebuild(); });
              });
  addReadings(grid, opening);
  addLength(grid, opening, tr("Height"), "openingHeight", &Opening::height);
  if (opening.kind == OpeningKind::Window) addWindowFields(grid, opening);
  addOptional(grid, opening, tr("Trim round it, width"), "openingTrim", &Opening::trim);
  if (opening.kind == OpeningKind::Door) addDoorFields(grid, opening);
  if (isWalkedThrough(opening)) {
    const Opening* entry = mainEntry(*room);
    grid.choice(tr("One comes in"), "openingEntry", {tr("by this one"), tr("by another")},
                entry != nullptr && entry->id == opening.id ? 0 : 1,
                [this, id = opening.id, roomId = room->id](int index) {
                  // Another is whichever comes first again, until one is chosen there.
                  if (const auto after = withEntry(workspace_.job(), roomId, index == 0 ? id : OpeningId()))
                    workspace_.document().edit(tr("where one comes in"), *after);
                });
  }
  auto* remove = new QPushButton(tr("Remove it"));
  remove->setObjectName(QStringLiteral("removeOpening"));
  connect(remove, &QPushButton::clicked, this, [this, id = opening.id, roomId = room->id] {
    workspace_.document().edit(tr("remove an opening"), withoutOpening(workspace_.job(), roomId, id));
  });
  grid.put(remove);
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
