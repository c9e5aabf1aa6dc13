#include "app/document/today.h"
#include "app/document/workspace.h"

#include <QSettings>
#include <charconv>

#include "core/base/sentence.h"
#include "core/display/placing.h"
#include "core/display/shelves.h"
#include "core/drawing/display/display_drawing.h"
#include "core/space/hung.h"
#include "core/drawing/base/working.h"
#include "core/drawing/wall/elevation.h"
#include "core/edit/edits.h"
#include "core/edit/hangs.h"
#include "core/edit/lights.h"
#include "core/edit/readings.h"
#include "core/model/kinds.h"
#include "core/rules/base/names.h"
#include "core/rules/check.h"
#include "core/entry/reading_line.h"
#include "core/site/heights.h"
#include "core/use/chairs.h"

// What is edited from the window: each a function of the core, put into the document as one step of undo.
namespace mezzet {

std::optional<Error> Workspace::read(Reading reading, const ReadingId& again) {
  IdSource ids = document_.ids();
  reading.id = ids.take<ReadingId>("r");
  reading.when = today();
  reading.who = QSettings().value(kReaderKey).toString().toStdString();
  const QString name = QString::fromStdString(readingName(reading));
  const ReadingId id = reading.id;
  auto after = withReading(job(), room_, std::move(reading), again);
  if (!after) return after.error();
  shownReading_ = id;
  document_.edit(tr("read %1").arg(name), std::move(after).value(), ids.next());
  return std::nullopt;
}
void Workspace::takeReadingOut(const ReadingId& id) {
  if (auto after = withoutReading(job(), room_, id)) document_.edit(tr("take a reading out"), std::move(after).value());
  else emit document_.trouble(QString::fromStdString(after.error().text()) + QStringLiteral("."));
}
void Workspace::takeAsSquare(const CornerId& id, bool square) {
  if (auto after = withSquare(job(), room_, id, square))
    document_.edit(
        (square ? tr("corner %1 is square") : tr("corner %1 is not square")).arg(QString::fromStdString(id.value)),
        std::move(after).value());
  else emit document_.trouble(QString::fromStdString(after.error().text()) + QStringLiteral("."));
}

std::optional<Error> Workspace::setChairs(bool oneMore) {
  IdSource ids = document_.ids();
  const std::optional<int> count = oneMore ? std::optional(chairsAt(job(), scheme_, selected_) + 1) : std::nullopt;
  auto after = withChairsSet(job(), scheme_, selected_, count, ids);
  if (!after) return after.error();
  document_.edit(oneMore ? tr("one chair more") : tr("set the chairs"), std::move(after).value(), ids.next());
  return std::nullopt;
}

void Workspace::toggleInUse() {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  document_.edit(p->inUse ? tr("put %1 away").arg(nameOf(*p)) : tr("leave %1 in use").arg(nameOf(*p)),
                 withInUse(job(), scheme_, p->id, !p->inUse));
}

std::vector<std::vector<Vec2>> Workspace::routeLines() const {
  std::vector<std::vector<Vec2>> out;
  if (const RouteFacts* drawn = routes())
    for (const auto& [to, way] : drawn->ways) out.push_back(way.line);
  return out;
}

void Workspace::toggleTaped() {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  document_.edit(p->taped ? tr("take the tape off %1").arg(nameOf(*p)) : tr("tape %1 down").arg(nameOf(*p)),
                 withTaped(job(), scheme_, p->id, !p->taped));
}

void Workspace::toggleOptional() {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  document_.edit(p->optional ? tr("need %1").arg(nameOf(*p)) : tr("let %1 be left out").arg(nameOf(*p)),
                 withOptional(job(), scheme_, p->id, !p->optional));
}

void Workspace::nextCircuit() {
  const Placement* p = selectedPlacement();
  if (p == nullptr || !mountOf(pieceOf(job(), *p))) return;
  IdSource ids = document_.ids();
  document_.edit(tr("another circuit for %1").arg(nameOfSelection()),
                 onNextCircuit(job(), scheme_, p->id, selection(), ids), ids.next());
}

void Workspace::freshCircuit() {
  if (selectedPlacement() == nullptr) return;
  IdSource ids = document_.ids();
  const Circuit fresh{ids.take<CircuitId>("k"), freshLetter(*scheme())};
  document_.edit(tr("another circuit for %1").arg(nameOfSelection()),
                 onCircuit(withCircuit(job(), scheme_, fresh), scheme_, selection(), fresh.id), ids.next());
}

void Workspace::putOnCircuit(const CircuitId& circuit) {
  if (selectedPlacement() == nullptr) return;
  document_.edit(tr("another circuit for %1").arg(nameOfSelection()), onCircuit(job(), scheme_, selection(), circuit));
}

void Workspace::toggleUsedHere() {
  const Placement* p = selectedPlacement();
  const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
  if (place == nullptr) return;
  document_.edit(p->usedAt ? tr("forget where %1 is drawn up").arg(nameOf(*p))
                           : tr("draw %1 up to here in company").arg(nameOf(*p)),
                 withUsedAt(job(), scheme_, p->id, p->usedAt ? std::nullopt : std::optional(*place)));
}

QString Workspace::nameOf(const Placement& p) const {
  return QString::fromStdString(SchemeNames(job(), *scheme()).plain(p.id));
}

void Workspace::place(const QString& verb, const Place& place) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  if (p->locked) {
    emit document_.trouble(tr("%1 is locked. Press L to unlock it.").arg(nameOf(*p)));
    return;
  }
  document_.edit(verb + QStringLiteral(" ") + nameOfSelection(), placedTogether(job(), *p, place));
}

QString Workspace::nameOfSelection() const {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return {};
  const QString name = QString::fromStdString(midSentence(nameOf(*p).toStdString()));
  const std::size_t others = selection().size() - 1;
  return others == 0 ? name : tr("%1 and %2 more").arg(name).arg(others);
}

Job Workspace::placedTogether(const Job& before, const Placement& p, const Place& there) const {
  Job after = placed(before, scheme_, p.id, there);
  PlacementIds others = selection();
  std::erase(others, p.id);
  const Vec2 by = between(p.on, there).value_or(Vec2{});
  // Cords of what moves together are cut together.
  const auto *up = onCeiling(p.on), *now = onCeiling(there);
  if (up != nullptr && now != nullptr && up->drop != now->drop)
    after = withLongerCords(after, scheme_, others, now->drop - up->drop);
  return others.empty() || norm(by) == 0 ? after : movedTogether(after, scheme_, others, by);
}

Job Workspace::preview(const Job& before, const Place& there) const {
  const Scheme* s = findScheme(before, scheme_);
  const Placement* p = s != nullptr ? findPlacement(*s, selected_) : nullptr;
  return p != nullptr ? placedTogether(before, *p, there) : before;
}

void Workspace::align(Line line) {
  document_.edit(tr("line up %1").arg(nameOfSelection()), aligned(job(), scheme_, selection(), line));
}

void Workspace::spreadOut(bool across) {
  document_.edit(tr("spread %1").arg(nameOfSelection()), spread(job(), scheme_, selection(), across));
}

void Workspace::group() {
  IdSource ids = document_.ids();
  Job after = grouped(job(), scheme_, selection(), ids);
  document_.edit(tr("group %1").arg(nameOfSelection()), std::move(after), ids.next());
  marked_.clear();  // the group itself keeps them together
  emit selectionChanged();
}

void Workspace::ungroup() {
  const PlacementIds all = selection();
  document_.edit(tr("part %1").arg(nameOfSelection()), ungrouped(job(), scheme_, all));
}

LengthReading Workspace::read(const QString& text) const { return readLength(text.toStdString(), job().units); }

LengthReading Workspace::typeTape(const ItemId& key, const QString& text) {
  const LengthReading reading = read(text);
  const Placement* p = selectedPlacement();
  if (!reading || p == nullptr) return reading;
  if (*reading.length > kLongestLength) return {std::nullopt, 0, "This is longer than 100 m (328 ft)."};
  if (key == centreTape()) {
    if (const auto* hung = onWall(p->on)) {
      WallPlace there = *hung;
      const double centre = selectedWhole(job(), *scheme(), p->id, selection().size()).centreHeight();
      there.v += *reading.length + floorUnder(*room(), *hung) - centre;
      place(tr("hang"), there);
    }
    return reading;
  }
  if (const std::string shelf = shelfOfTape(key); !shelf.empty()) {
    const auto after = withShelfAt(job(), scheme_, p->id, shelf, *reading.length);
    if (!after) return {std::nullopt, 0, capital(after.error().text()) + "."};
    document_.edit(tr("move shelf %1").arg(QString::fromStdString(shelf)), *after);
    return reading;
  }
  for (const Tape& tape : tapesHere())
    if (tapeItem(tape.side) == key) {
      if (onAnother(p->on) != nullptr) {
        const auto shown = display();
        const DisplayedThing* t = shown ? shown->shown(p->id) : nullptr;
        const auto there = t != nullptr ? placeForTape(*shown, *t, tape, *reading.length) : std::nullopt;
        if (!there) return {std::nullopt, 0, "Its height, or the shelf over it, decides what is left there."};
        place(tr("move"), *there);
        return reading;
      }
      place(tr("move"), placeReading(p->on, tape, *reading.length));
      return reading;
    }
  return {std::nullopt, 0, "Nothing stops this side, so there is nothing to measure to."};
}

LengthReading Workspace::typeFinding(const std::string& id, const QString& text) {
  const LengthReading reading = read(text);
  if (!reading) return reading;
  for (const Decision& decision : decisions())
    for (const std::size_t i : decision.findings) {
      const Finding& f = findings()[i];
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
  if (fault != std::errc{} || end != plain.data() + plain.size() || !std::isfinite(degrees) ||
      std::abs(degrees) > 100'000)
    return {std::nullopt, static_cast<std::size_t>(end - plain.data()),
            "Type an angle in degrees, for example 90 or 22.5."};
  if (const Placement* p = selectedPlacement())
    if (const auto* floor = onFloor(p->on)) {
      if (selection().size() == 1) place(tr("turn"), FloorPlace{floor->at, degrees});
      else turnBy(degrees - floor->turn);
    }
  return {degrees, 0, {}};
}

void Workspace::turnBy(double degrees) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  const auto* floor = onFloor(p->on);
  if (floor == nullptr) return;
  if (selection().size() == 1) return place(tr("turn"), FloorPlace{floor->at, floor->turn + degrees});
  document_.edit(tr("turn %1").arg(nameOfSelection()), turnedTogether(job(), scheme_, selection(), degrees));
}

void Workspace::nudge(Vec2 by) {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  if (onAnother(p->on) != nullptr) {
    // On its shelf: to the side, and with up and down back and forward.
    const auto shown = display();
    const DisplayedThing* t = shown ? shown->shown(p->id) : nullptr;
    if (const auto there = t != nullptr ? movedOn(*shown, *t, by.x, by.y) : std::nullopt) place(tr("move"), *there);
    return;
  }
  place(tr("move"), moved(p->on, by));
}

void Workspace::take(const WayOut& way) {
  const WayOut taken = way;  // the edit rebuilds what owns it
  document_.edit(QString::fromStdString(midSentence(taken.sentence)), taken.job, taken.nextId);
}

void Workspace::toggleLock() {
  const Placement* p = selectedPlacement();
  if (p == nullptr) return;
  Job after = job();
  for (const PlacementId& id : selection()) after = withLock(after, scheme_, id, !p->locked);
  document_.edit((p->locked ? tr("unlock %1") : tr("lock %1")).arg(nameOfSelection()), std::move(after));
}

void Workspace::toggleApart() {
  const Placement* p = selectedPlacement();
  const auto* place = p != nullptr ? onWall(p->on) : nullptr;
  if (place == nullptr) return;
  const bool apart = !place->apart;
  Job after = job();
  for (const PlacementId& id : selection()) after = withApart(after, scheme_, id, apart);
  document_.edit((apart ? tr("hang %1 apart") : tr("hang %1 with its neighbours")).arg(nameOfSelection()),
                 std::move(after));
}

void Workspace::copySelected() {
  const Placement* p = selectedPlacement();
  if (p == nullptr || !viewOf(p->on)) return;
  IdSource ids = document_.ids();
  PlacementId copy;
  // Beside the first one, a little way off, so that both can be seen.
  Job after = withOneMore(job(), scheme_, p->id, 12 * handStep() * 4, ids, copy);
  const Piece& piece = pieceOf(job(), *p);
  document_.edit(tr("one more %1").arg(QString::fromStdString(midSentence(piece.name))), std::move(after), ids.next());
  select(copy);
}

void Workspace::newScheme(bool copy) {
  if (room() == nullptr) return;
  IdSource ids = document_.ids();
  SchemeId fresh;
  Job after = withNextScheme(job(), room_, copy ? scheme_ : SchemeId(), ids, fresh);
  if (document_.edit(copy ? tr("copy the scheme") : tr("new scheme"), std::move(after), ids.next())) showScheme(fresh);
}

void Workspace::removeSelected() {
  if (selectedPlacement() == nullptr) return;
  Job after = job();
  for (const PlacementId& id : selection()) after = withoutPlacement(after, scheme_, id);
  document_.edit(tr("take out %1").arg(nameOfSelection()), std::move(after));
}

void Workspace::switchUnits() {
  document_.edit(job().units == Unit::Inch ? tr("switch to metric") : tr("switch to inches"),
                 withUnits(job(), job().units == Unit::Inch ? Unit::Millimetre : Unit::Inch));
}

}  // namespace mezzet
