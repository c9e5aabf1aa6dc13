#include "app/stages/measure/in_wall_page.h"

#include <QHBoxLayout>
#include <QRegularExpression>
#include <algorithm>

#include "app/widgets/field_grid.h"
#include "core/drawing/plan/fixed_plan.h"
#include "core/edit/edits.h"
#include "core/edit/site.h"

namespace mezzet {
namespace {

constexpr PointKind kPointKinds[] = {PointKind::Socket, PointKind::Switch,     PointKind::WallLight,
                                     PointKind::Vent,   PointKind::Thermostat, PointKind::Detector};

QString nameOf(PointKind kind) {
  QString name = QString::fromUtf8(pointWord(kind));
  name[0] = name[0].toUpper();
  return name;
}

/// Usual heights to start from [D]: mounting heights of practice.
double usualHeight(PointKind kind) {
  switch (kind) {
    case PointKind::Socket: return 12 * kInch;
    case PointKind::Switch: return 48 * kInch;
    case PointKind::WallLight: return 68 * kInch;
    case PointKind::Vent: return 8 * kInch;
    case PointKind::Thermostat: return 54 * kInch;
    case PointKind::Detector: return 0;
  }
  return 0;
}

constexpr std::pair<WallMaterial, const char*> kMaterials[] = {
    {WallMaterial::Unknown, QT_TRANSLATE_NOOP("InWallPage", "not known")},
    {WallMaterial::BoardOnStuds, QT_TRANSLATE_NOOP("InWallPage", "board on studs")},
    {WallMaterial::LathAndPlaster, QT_TRANSLATE_NOOP("InWallPage", "lath and plaster")},
    {WallMaterial::Brick, QT_TRANSLATE_NOOP("InWallPage", "brick")},
    {WallMaterial::Block, QT_TRANSLATE_NOOP("InWallPage", "block")},
    {WallMaterial::Concrete, QT_TRANSLATE_NOOP("InWallPage", "concrete")},
    {WallMaterial::Stone, QT_TRANSLATE_NOOP("InWallPage", "stone")},
    {WallMaterial::Timber, QT_TRANSLATE_NOOP("InWallPage", "timber")}};

QString fixingWords(WallMaterial material) {
  switch (material) {
    case WallMaterial::Unknown:
      return InWallPage::tr("Knock or drill a trial hole where it will be covered: the fixing is chosen by the wall.");
    case WallMaterial::BoardOnStuds:
    case WallMaterial::LathAndPlaster:
      return InWallPage::tr(
          "Heavy things go into studs, or on fixings rated for the load in this board. Old plaster: lead or asbestos "
          "survey before cutting.");
    case WallMaterial::Brick:
    case WallMaterial::Block:
    case WallMaterial::Concrete:
    case WallMaterial::Stone:
      return InWallPage::tr("Plugs and screws rated for the load in this wall, into the unit and not its joint.");
    case WallMaterial::Timber: return InWallPage::tr("Screws rated for the load, pre-drilled in hard wood.");
  }
  return {};
}

}  // namespace

InWallPage::InWallPage(Workspace& workspace, QWidget* parent) : SitePage(workspace, Topic::InWall, parent) {
  head_->addWidget(words(tr("In the wall"), "panelTitle"));
  connect(&workspace_, &Workspace::readingShown, this, [this] {
    // What is open follows the pointer.
    if (!workspace_.spot() || open_.empty() || workspace_.topic() != Topic::InWall || workspace_.room() == nullptr)
      return;
    Room room = *workspace_.room();
    const auto wall = findWall(room, workspace_.wall());
    for (WallPoint& p : room.points)
      if (p.id == open_ && wall && p.wall == wall->id) {
        p.along = std::clamp(wall->length() - workspace_.spot()->x, 0.0, wall->length());
        p.height = std::max(0.0, workspace_.spot()->y);
        take(tr("move a %1").arg(QString::fromUtf8(pointWord(p.kind))), withRoom(workspace_.job(), room));
        return;
      }
  });
}

StudRecord InWallPage::record() const {
  const StudRecord* known = studsOf(*workspace_.room(), workspace_.wall());
  return known != nullptr ? *known : StudRecord{workspace_.wall(), {}, std::nullopt};
}

void InWallPage::addHit(double along, double confidence) {
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  IdSource ids = workspace_.document().ids();
  StudRecord studs = record();
  studs.hits.push_back({ids.take<ReadingId>("k"), along, confidence, true});
  take(tr("stud hit"), withStuds(workspace_.job(), room->id, studs), ids.next());
}

void InWallPage::rebuild() {
  taps_ = nullptr;
  const Room& room = *workspace_.room();
  auto* row = new QHBoxLayout;
  auto* before = button(tr("Wall before"), "siteWallBefore", [this] { workspace_.stepWall(-1); });
  auto* after = button(tr("Next wall"), "siteWallAfter", [this] { workspace_.stepWall(1); });
  row->addWidget(words(tr("Wall %1").arg(QString::fromStdString(workspace_.wall().value)), "subject"), 1);
  row->addWidget(before);
  row->addWidget(after);
  rows_->addLayout(row);
  WallMaterial material = WallMaterial::Unknown;
  const Corner* corner = findCorner(room, workspace_.wall());
  if (corner != nullptr) material = corner->material;
  FieldGrid made;
  QStringList materials;
  int now = 0;
  for (std::size_t i = 0; i < std::size(kMaterials); ++i) {
    materials << tr(kMaterials[i].second);
    if (kMaterials[i].first == material) now = static_cast<int>(i);
  }
  made.choice(tr("Made of"), "wallMaterial", materials, now, [this, id = room.id](int i) {
    Room changed = *findRoom(workspace_.job(), id);
    for (Corner& c : changed.corners)
      if (c.id == workspace_.wall()) c.material = kMaterials[static_cast<std::size_t>(i)].first;
    take(tr("what the wall is made of"), withRoom(workspace_.job(), changed));
  });
  const QString colour = corner != nullptr ? QString::fromStdString(corner->colour) : QString();
  made.text(tr("Colour"), "wallColour", colour, tr("#f4efe6"), [this, id = room.id](const QString& text) {
    Room changed = *findRoom(workspace_.job(), id);
    for (Corner& c : changed.corners)
      if (c.id == workspace_.wall()) c.colour = text.toStdString();
    take(tr("colour of wall %1").arg(QString::fromStdString(workspace_.wall().value)),
         withRoom(workspace_.job(), changed));
  });
  rows_->addWidget(made.box());
  rows_->addWidget(words(fixingWords(material), "quietNote"));

  rows_->addWidget(words(tr("Sockets and the like"), "subject"));
  auto* grid = new QGridLayout;
  grid->setSpacing(5);
  int at = 0;
  for (const PointKind kind : kPointKinds) {
    auto* add = button(tr("+ %1").arg(nameOf(kind)), "addPoint", [this, kind] { addPoint(kind); });
    add->setObjectName(QStringLiteral("add-") + QString::fromUtf8(pointWord(kind)));
    add->setAccessibleName(tr("Add: %1").arg(nameOf(kind)));
    grid->addWidget(add, at / 2, at % 2);
    ++at;
  }
  rows_->addLayout(grid);
  for (const WallPoint& p : room.points) {
    if (!p.wall.empty() && p.wall != workspace_.wall()) continue;
    const QString where = p.wall.empty() ? tr("%1 in the ceiling").arg(nameOf(p.kind))
                                         : tr("%1, %2 up").arg(nameOf(p.kind), workspace_.write(p.height));
    rows_->addWidget(button(where + (p.id == open_ ? tr(", hide") : tr(", change")), "fold", [this, id = p.id] {
      open_ = open_ == id ? PointId() : id;
      QMetaObject::invokeMethod(
          this, [this] { refresh(); }, Qt::QueuedConnection);
    }));
    if (p.id == open_) addPointFields(p);
  }
  rows_->addWidget(words(tr("Cables are likely straight above, below and beside a point: a regional convention, no "
                            "proof of safety. Electrical work: a licensed electrician."),
                         "quietNote"));
  addStuds(room);
}

void InWallPage::addPoint(PointKind kind) {
  const Room& room = *workspace_.room();
  IdSource ids = workspace_.document().ids();
  Room changed = room;
  WallPoint p;
  p.id = ids.take<PointId>("x");
  p.kind = kind;
  const auto wall = findWall(room, workspace_.wall());
  if (kind == PointKind::Detector || !wall) {
    p.at = meanOf(outlineOf(room));
  } else {
    p.wall = wall->id;
    p.along =
        workspace_.spot() ? std::clamp(wall->length() - workspace_.spot()->x, 0.0, wall->length()) : wall->length() / 2;
    p.height = workspace_.spot() ? std::max(0.0, workspace_.spot()->y) : usualHeight(kind);
  }
  changed.points.push_back(p);
  open_ = p.id;
  if (take(tr("add a %1").arg(QString::fromUtf8(pointWord(kind))), withRoom(workspace_.job(), changed), ids.next()))
    focusFirstField(this, kind == PointKind::Detector ? QStringLiteral("pointX") : QStringLiteral("pointAlong"));
}

void InWallPage::addPointFields(const WallPoint& point) {
  FieldGrid grid;
  const auto field = [&](const QString& label, const char* name, double value, auto set) {
    grid.length(label, name, workspace_.write(value), [this, point, set](const QString& t) {
      return typed(t, tr("move a %1").arg(QString::fromUtf8(pointWord(point.kind))),
                   [&](std::optional<double> length) -> Result<Job> {
                     Room changed = *workspace_.room();
                     for (WallPoint& p : changed.points)
                       if (p.id == point.id) set(p, length.value_or(0));
                     return withRoom(workspace_.job(), changed);
                   });
    });
  };
  if (point.wall.empty()) {
    field(tr("From corner A along wall A"), "pointX", point.at.x, [](WallPoint& p, double v) { p.at.x = v; });
    field(tr("Off wall A"), "pointY", point.at.y, [](WallPoint& p, double v) { p.at.y = v; });
  } else {
    field(tr("From its start corner"), "pointAlong", point.along, [](WallPoint& p, double v) { p.along = v; });
    field(tr("Up to its centre"), "pointHeight", point.height, [](WallPoint& p, double v) { p.height = v; });
  }
  grid.put(button(tr("Remove it"), "removePoint", [this, id = point.id] {
    Room changed = *workspace_.room();
    std::erase_if(changed.points, [&](const WallPoint& p) { return p.id == id; });
    take(tr("remove a point"), withRoom(workspace_.job(), changed));
  }));
  rows_->addWidget(grid.box());
}

void InWallPage::addStuds(const Room& room) {
  rows_->addWidget(words(tr("Studs"), "subject"));
  const StudRecord studs = record();
  const auto wall = findWall(room, workspace_.wall());
  taps_ = new QLineEdit;
  taps_->setObjectName(QStringLiteral("stud-taps"));
  taps_->setAccessibleName(tr("Where something solid is, from the wall's start corner"));
  taps_->setPlaceholderText(workspace_.job().units == Unit::Inch ? tr("taps from the start corner: 5, 21 1/4, 37")
                                                                 : tr("taps from the start corner: 120, 530, 930"));
  connect(taps_, &QLineEdit::returnPressed, this, &InWallPage::takeTaps);
  rows_->addWidget(taps_);
  FieldGrid grid;
  grid.length(tr("Pitch, if known"), "studPitch", written(studs.pitch), [this, id = room.id](const QString& t) {
    return typed(t, tr("pitch of the studs"), [&](std::optional<double> length) {
      StudRecord changed = record();
      changed.pitch = length;
      return withStuds(workspace_.job(), id, changed);
    });
  });
  rows_->addWidget(grid.box());
  const auto fit = wall ? fitStuds(studs, wall->length()) : std::nullopt;
  say(studWords(studs, fit, workspace_.format()));
  for (const StudHit& h : studs.hits) {
    auto* row = new QHBoxLayout;
    const bool odd = fit && std::find(fit->odd.begin(), fit->odd.end(), h.id) != fit->odd.end();
    QString text = workspace_.write(h.along) + (h.detector ? tr(", detector") : tr(", knocked"));
    if (h.confidence < 0.995) text += tr(", %1 % sure").arg(std::lround(h.confidence * 100));
    if (odd) text += tr(": fits no stud");
    row->addWidget(words(text, "note"), 1);
    auto* remove = button(QStringLiteral("\u00d7"), "removeHit", [this, id = h.id, roomId = room.id] {
      StudRecord changed = record();
      std::erase_if(changed.hits, [&](const StudHit& one) { return one.id == id; });
      take(tr("take a hit out"), withStuds(workspace_.job(), roomId, changed));
    });
    remove->setAccessibleName(tr("Take out the hit at %1").arg(workspace_.write(h.along)));
    remove->setObjectName(QStringLiteral("cross"));
    remove->setFixedWidth(30);
    row->addWidget(remove);
    rows_->addLayout(row);
  }
}

void InWallPage::takeTaps() {
  IdSource ids = workspace_.document().ids();
  StudRecord studs = record();
  // In metric a comma between digits is a decimal comma.
  const QRegularExpression between(workspace_.job().units == Unit::Inch ? QStringLiteral("[,;]")
                                                                        : QStringLiteral(";|,\\s+"));
  const QStringList parts = taps_->text().split(between, Qt::SkipEmptyParts);
  for (const QString& part : parts) {
    const LengthReading reading = workspace_.read(part.trimmed());
    if (!reading) return complain("\"" + part.trimmed().toStdString() + "\": " + reading.complaint);
    studs.hits.push_back({ids.take<ReadingId>("k"), *reading.length, 0.8, false});
  }
  if (parts.isEmpty()) return;
  const auto after = withStuds(workspace_.job(), workspace_.room()->id, studs);
  if (!after) return complain(after.error().text() + ".");
  taps_->clear();
  take(tr("stud taps"), after, ids.next());
  focusFirstField(this, QStringLiteral("stud-taps"));
}

}  // namespace mezzet
