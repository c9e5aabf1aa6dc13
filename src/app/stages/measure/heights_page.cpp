#include "app/stages/measure/heights_page.h"

#include <QHBoxLayout>
#include <QSettings>
#include <algorithm>

#include "app/document/today.h"
#include "app/widgets/field_grid.h"
#include "app/widgets/length_field.h"
#include "app/stages/measure/residual_bar.h"
#include "core/edit/edits.h"
#include "core/edit/heights.h"
#include "core/site/fixed_things.h"

namespace mezzet {
namespace {

constexpr double kInCorner = 150;  // a height "at a corner" is taken this far into the room, along both walls

QString kindWords(HeightKind kind) {
  switch (kind) {
    case HeightKind::Clear: return HeightsPage::tr("floor to ceiling");
    case HeightKind::ToFloor: return HeightsPage::tr("level line down to floor");
    case HeightKind::ToCeiling: return HeightsPage::tr("level line up to ceiling");
  }
  return {};
}

Vec2 nearCorner(const Room& room, std::size_t i) {
  const std::size_t n = room.corners.size();
  const Vec2 here = room.corners[i].at, after = room.corners[(i + 1) % n].at, before = room.corners[(i + n - 1) % n].at;
  const Polygon outline = outlineOf(room);
  for (const double side : {1.0, -1.0}) {
    const Vec2 p = here + (unit(after - here) + unit(before - here)) * (side * kInCorner);
    if (contains(outline, p)) return p;
  }
  return here;
}

/// "near A", "middle", "60 | 75": the corner within a pace, else how far along and off wall A.
QString placeWords(const Workspace& workspace, const Room& room, Vec2 at) {
  constexpr double kPace = 750;
  if (distance(meanOf(outlineOf(room)), at) < 150) return HeightsPage::tr("middle");
  const Corner* nearest = nullptr;
  for (const Corner& c : room.corners)
    if (distance(c.at, at) < kPace && (nearest == nullptr || distance(c.at, at) < distance(nearest->at, at)))
      nearest = &c;
  if (nearest != nullptr) return HeightsPage::tr("near %1").arg(QString::fromStdString(nearest->id.value));
  LengthFormat bare = workspace.format();
  bare.withUnit = false;
  bare.denominator = 4;
  return QString::fromStdString(writeLength(std::abs(at.x), bare) + " | " + writeLength(std::abs(at.y), bare));
}

}  // namespace

HeightsPage::HeightsPage(Workspace& workspace, QWidget* parent) : SitePage(workspace, Topic::Heights, parent) {
  head_->addWidget(words(tr("Heights"), "panelTitle"));
  head_->addWidget(
      words(tr("Take the ceiling at more than one point. A level line shows which way the floor falls."), "quietNote"));
  kind_ = new QComboBox;
  kind_->setObjectName(QStringLiteral("heightKind"));
  kind_->setAccessibleName(tr("What is measured"));
  for (const HeightKind kind : {HeightKind::Clear, HeightKind::ToFloor, HeightKind::ToCeiling})
    kind_->addItem(kindWords(kind));
  head_->addWidget(kind_);
  auto* row = new QHBoxLayout;
  place_ = new QComboBox;
  place_->setObjectName(QStringLiteral("heightPlace"));
  place_->setAccessibleName(tr("Where"));
  place_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  place_->setMinimumContentsLength(10);
  row->addWidget(place_, 1);
  figure_ = new LengthField(tr("The height"), [this](const QString& t) {
    return t.trimmed().isEmpty() ? LengthReading{0.0, 0, {}} : add(t);
  });
  figure_->setObjectName(QStringLiteral("heightFigure"));
  figure_->setPlaceholderText(tr("tape reads"));
  figure_->setComplaintLabel(complaint_);
  figure_->setFixedWidth(116);
  row->addWidget(figure_);
  head_->addLayout(row);
  connect(&workspace_, &Workspace::readingShown, this, [this] {
    // Only what was pointed at just now, for this page.
    if (workspace_.topic() != Topic::Heights || !workspace_.spot() || workspace_.spot() == pointed_) return;
    pointed_ = workspace_.spot();
    fillPlaces();
    place_->setCurrentIndex(place_->count() - 1);
    figure_->setFocus(Qt::OtherFocusReason);
  });
}

void HeightsPage::fillPlaces() {
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  const int now = place_->currentIndex();
  place_->clear();
  for (std::size_t i = 0; i < room->corners.size(); ++i) {
    const Vec2 p = nearCorner(*room, i);
    place_->addItem(tr("at corner %1").arg(QString::fromStdString(room->corners[i].id.value)), QPointF(p.x, p.y));
  }
  const Vec2 middle = meanOf(outlineOf(*room));
  place_->addItem(tr("in the middle"), QPointF(middle.x, middle.y));
  if (const auto& spot = workspace_.spot())
    place_->addItem(tr("at %1, %2").arg(workspace_.write(std::abs(spot->x)), workspace_.write(std::abs(spot->y))),
                    QPointF(spot->x, spot->y));
  place_->setCurrentIndex(std::clamp(now, 0, place_->count() - 1));
}

std::optional<Vec2> HeightsPage::chosenPlace() const {
  if (place_->currentIndex() < 0) return std::nullopt;
  const QPointF p = place_->currentData().toPointF();
  return Vec2{p.x(), p.y()};
}

LengthReading HeightsPage::add(const QString& text) {
  const Room* room = workspace_.room();
  const auto at = chosenPlace();
  if (room == nullptr || !at) return {std::nullopt, 0, "Measure the walls first."};
  const LengthReading reading = workspace_.read(text);
  if (!reading) return reading;
  IdSource ids = workspace_.document().ids();
  HeightReading h;
  h.id = ids.take<ReadingId>("h");
  h.kind = static_cast<HeightKind>(kind_->currentIndex());
  h.at = *at;
  h.taken.value = *reading.length;
  h.taken.typed = text.trimmed().toStdString();
  if (text.endsWith(QStringLiteral("laser"))) h.taken.instrument = Instrument::Laser;
  h.taken.who = QSettings().value(QString::fromUtf8(kReaderKey)).toString().toStdString();
  h.taken.when = today();
  const LengthReading out = taken(tr("height"), withHeight(workspace_.job(), room->id, h), ids.next());
  if (!out) return out;
  // On to the next corner, as one does when walking round.
  if (place_->currentIndex() + 1 < static_cast<int>(room->corners.size()) + 1)
    place_->setCurrentIndex(place_->currentIndex() + 1);
  figure_->show({});
  figure_->setText({});
  return out;
}

void HeightsPage::rebuild() {
  fillPlaces();
  const Room& room = *workspace_.room();
  const HeightReport report = heightReport(room, workspace_.format());
  if (!room.heights.empty())
    rows_->addWidget(words(onScreen(ceilingWords(room, workspace_.format()) + "."), "closure"));
  say(report.sentences);
  for (const HeightReading& h : room.heights) addReadingRow(h, report);
  auto* shape = new QComboBox;
  shape->setObjectName(QStringLiteral("ceilingShape"));
  shape->setAccessibleName(tr("The ceiling"));
  shape->addItems({tr("flat"), tr("sloped")});
  shape->setCurrentIndex(room.ceiling == CeilingShape::Sloped ? 1 : 0);
  connect(shape, &QComboBox::currentIndexChanged, this, [this, id = room.id](int i) {
    take(tr("shape of the ceiling"),
         withCeilingShape(workspace_.job(), id, i == 1 ? CeilingShape::Sloped : CeilingShape::Flat));
  });
  auto* row = new QHBoxLayout;
  row->addWidget(
      words(room.ceilingAreas.empty() ? tr("The ceiling is") : tr("The rest of the ceiling is"), "quietNote"), 1);
  row->addWidget(shape);
  rows_->addLayout(row);
  rows_->addWidget(
      button(partsOpen_ ? tr("Steps in the ceiling, hide") : tr("Steps in the ceiling, change"), "fold", [this] {
        partsOpen_ = !partsOpen_;
        QMetaObject::invokeMethod(
            this, [this] { refresh(); }, Qt::QueuedConnection);
      }));
  if (partsOpen_) addParts(room);
  rows_->addWidget(
      button(trimOpen_ ? tr("Skirting, cornice, rail, hide") : tr("Skirting, cornice, rail, change"), "fold", [this] {
        trimOpen_ = !trimOpen_;
        QMetaObject::invokeMethod(
            this, [this] { refresh(); }, Qt::QueuedConnection);
      }));
  if (trimOpen_) addTrim(room);
}

void HeightsPage::addReadingRow(const HeightReading& h, const HeightReport& report) {
  auto* row = new QHBoxLayout;
  row->setSpacing(6);
  const Room& room = *workspace_.room();
  const QString where = placeWords(workspace_, room, h.at);
  const QString sign = h.kind == HeightKind::ToFloor     ? QStringLiteral("\u2193 ")
                       : h.kind == HeightKind::ToCeiling ? QStringLiteral("\u2191 ")
                                                         : QString();
  auto* label = new QLabel(sign + where);
  label->setMinimumWidth(84);
  row->addWidget(label);
  auto* field = new LengthField(tr("%1, %2").arg(kindWords(h.kind), where), [this, h, id = room.id](const QString& t) {
    return typed(t, tr("height"), [&](std::optional<double> length) -> Result<Job> {
      if (!length) return withoutHeight(workspace_.job(), id, h.id);
      HeightReading again = h;
      again.taken.value = *length;
      again.taken.typed = t.toStdString();
      return withHeight(workspace_.job(), id, again);
    });
  });
  field->setObjectName(QStringLiteral("height-") + QString::fromStdString(h.id.value));
  field->setComplaintLabel(complaint_);
  field->show(workspace_.write(h.taken.value));
  field->setFixedWidth(88);
  row->addWidget(field);
  const auto said =
      std::find_if(report.rows.begin(), report.rows.end(), [&](const HeightRow& r) { return r.reading == h.id; });
  const double w = said != report.rows.end() && said->sigma > 0 ? said->residual / said->sigma : 0;
  row->addWidget(new ResidualBar(w, said == report.rows.end() ? ReadingStatus::Unchecked
                                    : std::abs(w) > 3.29      ? ReadingStatus::Suspect
                                                              : ReadingStatus::Ok));
  auto* remove = button(QStringLiteral("\u00d7"), "removeHeight", [this, id = h.id, roomId = room.id] {
    take(tr("take a height out"), withoutHeight(workspace_.job(), roomId, id));
  });
  remove->setAccessibleName(tr("Take out %1").arg(where));
  remove->setObjectName(QStringLiteral("cross"));
  remove->setFixedWidth(30);
  row->addWidget(remove);
  rows_->addLayout(row);
}

void HeightsPage::addParts(const Room& room) {
  rows_->addWidget(words(tr("Heights inside a part are its own."), "quietNote"));
  rows_->addWidget(button(tr("+ A part along a wall"), "addPart", [this, id = room.id] {
    const Room& now = *workspace_.room();
    const Wall wall = wallsOf(now).front();
    const auto outline = outlineFrom(now, AgainstWall{wall.id, 0, 0, wall.length(), 600}, workspace_.format());
    if (!outline) return complain(outline.error().text() + ".");
    IdSource ids = workspace_.document().ids();
    take(tr("part of the ceiling"),
         withCeilingArea(workspace_.job(), id, {ids.take<CeilingId>("c"), *outline, CeilingShape::Flat}), ids.next());
  }));
  for (const CeilingArea& a : room.ceilingAreas) {
    FieldGrid grid;
    const auto measures = measuresOf(room, a.outline);
    const auto* box = measures ? std::get_if<AgainstWall>(&*measures) : nullptr;
    const QString name = tr("Part %1").arg(QString::fromStdString(a.id.value));
    rows_->addWidget(words(name, "subject"));
    if (box != nullptr) {
      const QStringList walls = wallLetters();
      const auto change = [this, a, id = room.id](const AgainstWall& now) -> Result<Job> {
        const auto outline = outlineFrom(*workspace_.room(), now, workspace_.format());
        if (!outline) return outline.error();
        CeilingArea changed = a;
        changed.outline = *outline;
        return withCeilingArea(workspace_.job(), id, changed);
      };
      grid.choice(tr("Along wall"), "partWall", walls,
                  static_cast<int>(walls.indexOf(QString::fromStdString(box->wall.value))),
                  [this, now = *box, change, walls](int i) {
                    AgainstWall other = now;
                    other.wall = CornerId(walls[i].toStdString());
                    const auto wall = findWall(*workspace_.room(), other.wall);
                    other.offset = 0;
                    other.width = wall->length();
                    take(tr("part of the ceiling"), change(other));
                  });
      const auto field = [&](const QString& label, const char* id, double AgainstWall::*member) {
        grid.length(label, id, workspace_.write((*box).*member), [this, now = *box, member, change](const QString& t) {
          return typed(t, tr("part of the ceiling"), [&](std::optional<double> length) {
            AgainstWall other = now;
            other.*member = length.value_or(0);
            return change(other);
          });
        });
      };
      field(tr("From its start corner"), "partOffset", &AgainstWall::offset);
      field(tr("Off the wall"), "partOff", &AgainstWall::off);
      field(tr("Width"), "partWidth", &AgainstWall::width);
      field(tr("Depth"), "partDepth", &AgainstWall::depth);
    }
    grid.choice(tr("It is"), "partShape", {tr("flat"), tr("sloped")}, a.shape == CeilingShape::Sloped ? 1 : 0,
                [this, a, id = room.id](int i) {
                  CeilingArea changed = a;
                  changed.shape = i == 1 ? CeilingShape::Sloped : CeilingShape::Flat;
                  take(tr("part of the ceiling"), withCeilingArea(workspace_.job(), id, changed));
                });
    grid.put(button(tr("Remove it"), "removePart", [this, part = a.id, id = room.id] {
      take(tr("remove a part of the ceiling"), withoutCeilingArea(workspace_.job(), id, part));
    }));
    rows_->addWidget(grid.box());
  }
}

void HeightsPage::addTrim(const Room& room) {
  FieldGrid grid;
  const auto field = [&](const QString& label, const char* name, std::optional<double> RoomTrim::*member) {
    grid.length(label, name, written(room.trim.*member), [this, member, id = room.id](const QString& t) {
      return typed(t, tr("trim"), [&](std::optional<double> length) -> Result<Job> {
        Room changed = *findRoom(workspace_.job(), id);
        changed.trim.*member = length;
        return withRoom(workspace_.job(), std::move(changed));
      });
    });
  };
  field(tr("Skirting, height"), "trimSkirting", &RoomTrim::skirting);
  field(tr("Skirting, off the wall"), "trimSkirtingDepth", &RoomTrim::skirtingDepth);
  field(tr("Cornice, down from ceiling"), "trimCornice", &RoomTrim::cornice);
  field(tr("Cornice, off the wall"), "trimCorniceDepth", &RoomTrim::corniceDepth);
  field(tr("Picture rail above floor"), "trimRail", &RoomTrim::pictureRail);
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
