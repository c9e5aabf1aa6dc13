#include "app/workspace.h"

#include <algorithm>
#include <charconv>

#include "core/clearance/bodies.h"
#include "core/drawing/elevation.h"
#include "core/drawing/working.h"
#include "core/job/edits.h"
#include "core/rules/check.h"

namespace mezzet {

Workspace::Workspace(Document& document, const Rulebook& book, QObject* parent) : QObject(parent), document_(document), book_(book) {
  connect(&document_, &Document::jobChanged, this, &Workspace::refresh);
  refresh();
}

const Placement* Workspace::selectedPlacement() const {
  const Scheme* s = scheme();
  return s != nullptr ? findPlacement(*s, selected_) : nullptr;
}

void Workspace::keepValid() {
  if (room() == nullptr) room_ = job().rooms.empty() ? RoomId() : job().rooms.front()->id;
  if (const Scheme* s = scheme(); s == nullptr || s->room != room_) {
    scheme_ = {};
    for (const auto& one : job().schemes)
      if (scheme_.empty() && one->room == room_) scheme_ = one->id;
  }
  if (const Room* r = room(); r != nullptr && !findWall(*r, wall_)) {
    wall_ = r->corners.front().id;
    // Begin at a wall where something hangs.
    if (const Scheme* s = scheme())
      for (const Placement& p : s->placements)
        if (const auto* hung = std::get_if<WallPlace>(&p.on)) wall_ = hung->wall;
  }
  if (selectedPlacement() == nullptr) selected_ = {};
}

void Workspace::refresh() {
  if (knownUnits_ != job().units || format_ == LengthFormat{}) {
    knownUnits_ = job().units;
    format_ = usualFormat(knownUnits_);
  }
  keepValid();
  for (const auto& [name, bytes] : document_.images()) images_.add(name, *bytes);
  ghost_.reset();
  findings_ = check(job(), book_, scheme_, format_);
  decisions_ = decisionsOf(findings_, job(), book_, scheme_, format_);
  emit jobChanged();
}

int Workspace::brokenIn(Stage stage) const {
  return static_cast<int>(std::count_if(findings_.begin(), findings_.end(), [&](const Finding& f) {
    return breaksByWeight(f) && (stage == Stage::Floor) == (f.view == "plan") && (stage == Stage::Floor || stage == Stage::Walls);
  }));
}

std::vector<WayOut> Workspace::waysOutOf(const Decision& decision) const {
  return mezzet::waysOutOf(decision, findings_, job(), book_, scheme_, document_.ids(), format_);
}

void Workspace::showRoom(const RoomId& id) {
  if (room_ == id) return;
  room_ = id;
  selected_ = {};
  refresh();
  emit viewChanged();
  emit selectionChanged();
}

void Workspace::showScheme(const SchemeId& id) {
  const Scheme* s = findScheme(job(), id);
  if (s == nullptr || scheme_ == id) return;
  scheme_ = id;
  room_ = s->room;
  selected_ = {};
  refresh();
  emit viewChanged();
  emit selectionChanged();
}

void Workspace::showStage(Stage stage) {
  if (stage_ == stage) return;
  stage_ = stage;
  if (const Placement* p = selectedPlacement())
    if (std::holds_alternative<WallPlace>(p->on) != (stage == Stage::Walls)) select({});
  emit viewChanged();
}

void Workspace::showWall(const CornerId& wall) {
  if (wall_ == wall) return;
  wall_ = wall;
  if (stage_ == Stage::Walls) select({});
  emit viewChanged();
}

void Workspace::stepWall(int by) {
  const Room* r = room();
  if (r == nullptr) return;
  const int n = static_cast<int>(r->corners.size());
  for (int i = 0; i < n; ++i)
    if (r->corners[static_cast<std::size_t>(i)].id == wall_) {
      showWall(r->corners[static_cast<std::size_t>((i + by + n) % n)].id);
      return;
    }
}

void Workspace::select(const PlacementId& id) {
  if (selected_ == id) return;
  selected_ = id;
  emit selectionChanged();
}

void Workspace::setFormat(LengthFormat format) {
  format_ = format;
  refresh();
  emit viewChanged();
}

bool Workspace::selectNext(bool forward) {
  const Scheme* s = scheme();
  if (s == nullptr) return false;
  std::vector<PlacementId> here;
  for (const Placement& p : s->placements) {
    const auto* hung = std::get_if<WallPlace>(&p.on);
    if (stage_ == Stage::Walls ? hung != nullptr && hung->wall == wall_ : std::holds_alternative<FloorPlace>(p.on)) here.push_back(p.id);
  }
  const auto at = std::find(here.begin(), here.end(), selected_);
  if (here.empty()) return false;
  if (at == here.end()) return select(forward ? here.front() : here.back()), true;
  if (forward ? at + 1 == here.end() : at == here.begin()) return select({}), false;
  select(forward ? *(at + 1) : *(at - 1));
  return true;
}

void Workspace::showGhost(std::optional<Job> job) {
  if (!job && !ghost_) return;
  ghost_ = std::move(job);
  emit ghostChanged();
}

QString Workspace::nameOf(const Placement& p) const { return QString::fromStdString(SchemeNames(job(), *scheme()).plain(p.id)); }

void Workspace::place(const QString& verb, const Place& place) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  if (p->locked) {
    emit document_.trouble(tr("%1 is locked. Press L to unlock it.").arg(nameOf(*p)));
    return;
  }
  const QString name = verb + QStringLiteral(" ") + QString::fromStdString(midSentence(nameOf(*p).toStdString()));
  document_.edit(name, placed(job(), scheme_, p->id, place));
}

LengthReading Workspace::read(const QString& text) const { return readLength(text.toStdString(), job().units); }

LengthReading Workspace::typeTape(const std::string& key, const QString& text) {
  const LengthReading reading = read(text);
  const Placement* p = selectedPlacement();
  if (!reading || p == nullptr) return reading;
  if (*reading.length > kLongestLength) return {std::nullopt, 0, "This is longer than 100 m."};
  if (key == kCentreKey) {
    if (const auto* hung = std::get_if<WallPlace>(&p->on)) {
      WallPlace there = *hung;
      there.v = *reading.length;
      place(tr("hang"), there);
    }
    return reading;
  }
  for (const Tape& tape : tapesOf(job(), *scheme(), p->id))
    if (tapeKey(tape.side) == key) {
      place(tr("move"), placeReading(p->on, tape, *reading.length));
      return reading;
    }
  return {std::nullopt, 0, "Nothing stops this side, so there is nothing to measure to."};
}

LengthReading Workspace::typeFinding(const std::string& id, const QString& text) {
  const LengthReading reading = read(text);
  if (!reading) return reading;
  for (const Decision& decision : decisions_)
    for (const std::size_t i : decision.findings) {
      const Finding& f = findings_[i];
      if (f.id != id) continue;
      const bool chosen = std::find(f.subjects.begin(), f.subjects.end(), selected_.value) != f.subjects.end();
      const PlacementId mover = chosen ? selected_ : PlacementId(decision.subject);
      const auto there = placeForGap(job(), *scheme(), f, mover, *reading.length);
      if (!there) return {std::nullopt, 0, "This gap cannot be set by moving one piece. Drag it instead."};
      select(mover);
      place(tr("move"), *there);
      return reading;
    }
  return {std::nullopt, 0, "This has just changed. Click it again."};
}

LengthReading Workspace::typeTurn(const QString& text) {
  const std::string plain = text.trimmed().remove(QChar(0xB0)).replace(QChar(','), QChar('.')).trimmed().toStdString();
  double degrees = 0;
  const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), degrees);
  if (fault != std::errc{} || end != plain.data() + plain.size() || !std::isfinite(degrees) || std::abs(degrees) > 100'000)
    return {std::nullopt, static_cast<std::size_t>(end - plain.data()), "Type an angle in degrees, for example 90 or 22.5."};
  if (const Placement* p = selectedPlacement())
    if (const auto* floor = std::get_if<FloorPlace>(&p->on)) place(tr("turn"), FloorPlace{floor->at, degrees});
  return {degrees, 0, {}};
}

void Workspace::turnBy(double degrees) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  if (const auto* floor = std::get_if<FloorPlace>(&p->on)) place(tr("turn"), FloorPlace{floor->at, floor->turn + degrees});
}

void Workspace::nudge(Vec2 by) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  Place there = p->on;
  if (auto* floor = std::get_if<FloorPlace>(&there)) floor->at += by;
  if (auto* hung = std::get_if<WallPlace>(&there)) {
    hung->u += by.x;
    hung->v += by.y;
  }
  place(tr("move"), there);
}

void Workspace::take(const WayOut& way) {
  const WayOut taken = way;  // the edit rebuilds what owns it
  document_.edit(QString::fromStdString(midSentence(taken.sentence)), taken.job, taken.nextId);
}

void Workspace::toggleLock() {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  const QString name = QString::fromStdString(midSentence(nameOf(*p).toStdString()));
  document_.edit((p->locked ? tr("unlock %1") : tr("lock %1")).arg(name), withLock(job(), scheme_, p->id, !p->locked));
}

void Workspace::copySelected() {
  const Placement* p = selectedPlacement();
  if (p == nullptr || std::holds_alternative<CarriedPlace>(p->on)) return;
  IdSource ids = document_.ids();
  Placement copy = *p;
  copy.id = ids.take<PlacementId>("p");
  copy.locked = false;
  // Beside the first one, a little way off, so that both can be seen.
  const double off = 12 * handStep() * 4;
  if (auto* floor = std::get_if<FloorPlace>(&copy.on)) floor->at += Vec2{off, off};
  if (auto* hung = std::get_if<WallPlace>(&copy.on)) {
    hung->u += off;
    hung->group.reset();
  }
  // One more stands here: the piece exists once more, unless the tray still has one.
  Job after = withPlacement(job(), scheme_, copy);
  const Piece& piece = pieceOf(job(), *p);
  const auto placed = std::count_if(scheme()->placements.begin(), scheme()->placements.end(), [&](const Placement& q) { return q.piece == piece.id; });
  if (placed + 1 > piece.count) {
    Piece more = piece;
    more.count = static_cast<int>(placed) + 1;
    if (auto with = withPiece(after, std::move(more))) after = *with;
  }
  document_.edit(tr("one more %1").arg(QString::fromStdString(midSentence(piece.name))), std::move(after), ids.next());
  select(copy.id);
}

void Workspace::newScheme(bool copy) {
  const Room* r = room();
  if (r == nullptr) return;
  IdSource ids = document_.ids();
  std::size_t number = 0;
  for (const auto& s : job().schemes) number += s->room == r->id;
  const std::string name = cornerName(number).value;
  SchemeId fresh;
  Job after = job();
  if (copy && scheme() != nullptr) {
    after = withSchemeCopied(after, scheme_, name + ", from " + scheme()->name, ids, fresh);
  } else {
    fresh = ids.take<SchemeId>("s");
    after = withScheme(after, Scheme{fresh, r->id, name, {}, {}, {}});
  }
  if (document_.edit(copy ? tr("copy the scheme") : tr("new scheme"), std::move(after), ids.next())) showScheme(fresh);
}

void Workspace::removeSelected() {
  if (const Placement* p = selectedPlacement())
    document_.edit(tr("take out %1").arg(QString::fromStdString(midSentence(nameOf(*p).toStdString()))), withoutPlacement(job(), scheme_, p->id));
}

void Workspace::switchUnits() {
  document_.edit(job().units == Unit::Inch ? tr("switch to metric") : tr("switch to inches"),
                 withUnits(job(), job().units == Unit::Inch ? Unit::Millimetre : Unit::Inch));
}

}  // namespace mezzet
