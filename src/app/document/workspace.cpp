#include "app/document/workspace.h"

#include <QDate>
#include <QSettings>

#include <algorithm>
#include <charconv>
#include <tuple>

#include "core/site/heights.h"
#include "core/space/bodies.h"
#include "core/drawing/wall/elevation.h"
#include "core/drawing/base/working.h"
#include "core/entry/reading_line.h"
#include "core/edit/edits.h"
#include "core/use/chairs.h"
#include "core/rules/check.h"
#include "core/rules/base/way_words.h"
#include "core/edit/readings.h"
#include "io/json/slips_json.h"

namespace mezzet {
namespace {

/// Schemes with more placements are judged beside the interface, and those with more than the second have their ways
/// out looked for there: each re-check is a judging.
constexpr std::size_t kJudgedAtOnce = 100, kWaysAtOnce = 40;
constexpr std::size_t kMostMarked = 60;
constexpr int kLongestRoutes = 30'000;  // ms
/// Squares of placements that ways out may be re-checked over: a second or two of a crowded room.
constexpr long long kMostTries = 2'000'000;

}  // namespace

Workspace::Workspace(Document& document, const Rulebook& book, QObject* parent)
    : QObject(parent), document_(document), book_(book) {
  connect(&document_, &Document::jobChanged, this, &Workspace::refresh);
  routesLate_.setSingleShot(true);
  routesLate_.setInterval(kLongestRoutes);
  connect(&routesLate_, &QTimer::timeout, this, [this] {
    if (!worker_.busy()) return;
    worker_.stop();
    emit document_.trouble(
        tr("The ways of this room take too long to draw, and were given up. Their widths hold; take things out, or "
           "split the room."));
    emit layersChanged();
  });
  // What is decided on may ask for ribbons that nobody drew yet.
  connect(this, &Workspace::selectionChanged, this, &Workspace::askRoutes);
  refresh();
}

const Placement* Workspace::selectedPlacement() const {
  const Scheme* s = scheme();
  return s != nullptr ? findPlacement(*s, selected_) : nullptr;
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

void Workspace::toggleUsedHere() {
  const Placement* p = selectedPlacement();
  const auto* place = p != nullptr ? onFloor(p->on) : nullptr;
  if (place == nullptr) return;
  document_.edit(p->usedAt ? tr("forget where %1 is drawn up").arg(nameOf(*p))
                           : tr("draw %1 up to here in company").arg(nameOf(*p)),
                 withUsedAt(job(), scheme_, p->id, p->usedAt ? std::nullopt : std::optional(*place)));
}

void Workspace::keepValid() {
  if (room() == nullptr && !beginning_) room_ = job().rooms.empty() ? RoomId() : job().rooms.front()->id;
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
        if (const auto* hung = onWall(p.on)) {
          wall_ = hung->wall;
          break;
        }
  }
  if (selectedPlacement() == nullptr) selected_ = {};
  std::erase_if(marked_,
                [&](const PlacementId& id) { return scheme() == nullptr || findPlacement(*scheme(), id) == nullptr; });
}

PlacementIds Workspace::selection() const {
  const Scheme* s = scheme();
  if (s == nullptr || selected_.empty()) return {};
  PlacementIds all = marked_;
  all.push_back(selected_);
  all = withGroupMates(*s, all);
  std::stable_partition(all.begin(), all.end(), [&](const PlacementId& id) { return id == selected_; });
  return all;
}

void Workspace::refresh() {
  if (knownUnits_ != job().units || format_ == LengthFormat{}) {
    knownUnits_ = job().units;
    format_ = usualFormat(knownUnits_);
  }
  keepValid();
  for (const auto& [name, bytes] : document_.images()) images_.add(name, *bytes);
  ghost_.reset();
  judge();
  emit jobChanged();
  askRoutes();
}

void Workspace::takeFindings(std::vector<Finding> findings, std::vector<Decision> decisions) {
  findings_ = std::move(findings);
  decisions_ = std::move(decisions);
  ways_.clear();
  waysLooked_ = false;
  waysFinder_.stop();
}

void Workspace::judge() {
  if (!crowded(kJudgedAtOnce)) {
    judge_.stop();
    std::vector<Finding> found = check(job(), book_, scheme_, format_, {useState_, routes()});
    std::vector<Decision> decisions = decisionsOf(found, job(), book_, scheme_, format_);
    return takeFindings(std::move(found), std::move(decisions));
  }
  takeFindings({}, {});
  using Judgement = std::pair<std::vector<Finding>, std::vector<Decision>>;
  const std::shared_ptr<const RouteFacts> known = routesScheme_ == scheme_ ? routes_ : nullptr;
  judge_.run<Judgement>(
      [job = job(), &book = book_, id = scheme_, format = format_, state = useState_, known](const std::stop_token&,
                                                                                             const Worker::Progress&) {
        Judgement out;
        out.first = check(job, book, id, format, {state, known.get()});
        out.second = decisionsOf(out.first, job, book, id, format);
        return out;
      },
      [this](Judgement found) {
        takeFindings(std::move(found.first), std::move(found.second));
        emit judged();
        emit layersChanged();
      });
}

const std::vector<WayOut>* Workspace::waysShown(const Decision& decision) {
  if (!crowded(kWaysAtOnce)) return &ways_.try_emplace(decision.subject, waysOutOf(decision)).first->second;
  if (!waysLooked_) lookForWays();
  const auto at = ways_.find(decision.subject);
  return at == ways_.end() ? nullptr : &at->second;
}

void Workspace::lookForWays() {
  waysLooked_ = true;
  using Found = std::map<std::string, std::vector<WayOut>>;
  waysFinder_.run<Found>(
      [job = job(), &book = book_, id = scheme_, format = format_, ids = document_.ids(), findings = findings_,
       decisions = decisions_](const std::stop_token& stop, const Worker::Progress&) {
        Found out;
        Tries tries{kMostTries, stop};
        // The ledger shows five, those of the stage first.
        const std::size_t most = std::min(decisions.size(), 2 * kMostDecisions);
        for (std::size_t i = 0; i < most; ++i)
          out[decisions[i].subject] = mezzet::waysOutOf(decisions[i], findings, job, book, id, ids, format, {}, &tries);
        return out;
      },
      [this](Found found) {
        ways_ = std::move(found);
        for (const Decision& d : decisions_) ways_.try_emplace(d.subject);  // none looked for: none shown
        emit waysArrived();
      });
}

void Workspace::askRoutes() {
  const Scheme* s = scheme();
  if (s == nullptr) return worker_.stop();
  const FloorLayers wanted = layers();
  const bool ribbons = wanted.shown.contains(FloorLayer::Ways);
  const RouteAsk ask{useState_, ribbons, layers_.contains(FloorLayer::Ways),
                     ribbons ? wanted.only : std::set<std::string>(),
                     layers_.contains(FloorLayer::Reached) ? std::optional(reachWidth_) : std::nullopt};
  if (routes() != nullptr && routesAsk_ == ask && !worker_.busy() && routesJob_ == job()) return;
  routesLate_.start();
  worker_.run<std::shared_ptr<const RouteFacts>>(
      [job = job(), id = scheme_, ask](std::stop_token stop, const Worker::Progress&) {
        return std::make_shared<const RouteFacts>(routeFactsOf(job, id, ask, stop));
      },
      [this, job = job(), id = scheme_, ask](std::shared_ptr<const RouteFacts> facts) {
        routes_ = std::move(facts);
        routesScheme_ = id;
        routesJob_ = job;
        routesAsk_ = ask;
        // Only what waited for the routes can have changed.
        const auto verdicts = [this] {
          std::vector<std::tuple<std::string, Verdict, double>> out;
          for (const Finding& f : findings_) out.emplace_back(f.id, f.verdict, f.measured);
          return out;
        };
        if (crowded(kJudgedAtOnce)) {
          judge();  // and says when
        } else {
          const auto before = verdicts();
          judge();
          if (verdicts() != before) emit judged();
          else if (crowded(kWaysAtOnce))
            emit waysArrived();  // those that were looked for belong to the findings before
        }
        emit layersChanged();
      });
  emit layersChanged();
}

QString Workspace::wayBetween() const {
  const PlacementIds chosen = selection();
  if (scheme() == nullptr || chosen.size() != 2) return {};
  return QString::fromStdString(mezzet::wayBetween(job(), *scheme(), useState_, chosen[0], chosen[1], format_));
}

void Workspace::showState(UseState state) {
  if (useState_ == state) return;
  useState_ = state;
  refresh();
}

FloorLayers Workspace::layers() const {
  FloorLayers out = layersFor(findings_, selected_.value);
  if (!layers_.empty() && layers_.contains(FloorLayer::Ways)) out.only.clear();
  for (const FloorLayer layer : layers_) out.shown.insert(layer);
  if (layers_.contains(FloorLayer::Talk)) out.shown.insert(FloorLayer::Reach);
  return out;
}

void Workspace::showLayer(FloorLayer layer, bool on) {
  if (on) layers_.insert(layer);
  else layers_.erase(layer);
  askRoutes();
  emit layersChanged();
}

void Workspace::setReachWidth(double width) {
  if (width == reachWidth_) return;
  reachWidth_ = width;
  askRoutes();
  emit layersChanged();
}

std::vector<Finding> Workspace::marked() const {
  std::vector<Finding> out;
  const auto take = [&](bool chosen) {
    for (const Finding& f : findings_)
      if (breaksByWeight(f) && out.size() < kMostMarked &&
          chosen == (std::find(f.subjects.begin(), f.subjects.end(), selected_.value) != f.subjects.end()))
        out.push_back(f);
  };
  take(true);
  take(false);
  return out;
}

int Workspace::brokenIn(Stage stage) const {
  if (stage == Stage::Measure) {
    if (room() == nullptr || !room()->survey) return 0;
    const auto& report = survey();
    if (!report) return 1;
    return std::max(static_cast<int>(report->named.size()), report->suspects.detected || report->refused ? 1 : 0);
  }
  return static_cast<int>(std::count_if(findings_.begin(), findings_.end(), [&](const Finding& f) {
    return breaksByWeight(f) && (stage == Stage::Floor) == f.view.isPlan() &&
           (stage == Stage::Floor || stage == Stage::Walls);
  }));
}

std::vector<WayOut> Workspace::waysOutOf(const Decision& decision) const {
  return mezzet::waysOutOf(decision, findings_, job(), book_, scheme_, document_.ids(), format_);
}

const Workspace::SurveyMemo& Workspace::surveyMemo() const {
  const auto at = std::find_if(job().rooms.begin(), job().rooms.end(), [&](const auto& r) { return r->id == room_; });
  if (at == job().rooms.end() || !(*at)->survey) {
    surveyMemo_ = {};
  } else if (surveyMemo_.room != *at || !(surveyMemo_.format == format_)) {
    surveyMemo_ = {*at, format_, networkOf(*(*at)->survey), reportOf(*(*at)->survey, builtInSlips(), format_)};
  }
  return surveyMemo_;
}
const SurveyNetwork& Workspace::surveyNetwork() const { return surveyMemo().network; }
const Result<SurveyReport>& Workspace::survey() const { return surveyMemo().report; }

void Workspace::showReading(const ReadingId& id) {
  if (shownReading_ == id) return;
  shownReading_ = id;
  emit readingShown();
}
void Workspace::showTopic(Topic topic) {
  if (topic_ == topic && stage_ == Stage::Measure) return;
  topic_ = topic;
  spot_.reset();
  stage_ = Stage::Measure;
  selected_ = {};
  marked_.clear();
  emit viewChanged();
}
void Workspace::showSpot(std::optional<Vec2> spot) {
  spot_ = spot;
  emit readingShown();
}
void Workspace::showPhotograph(const PhotographId& id) {
  shownPhotograph_ = id;
  emit readingShown();
}
void Workspace::showEllipses(bool show) {
  ellipses_ = show;
  emit readingShown();
}

std::optional<Error> Workspace::read(Reading reading, const ReadingId& again) {
  IdSource ids = document_.ids();
  reading.id = ids.take<ReadingId>("r");
  reading.when = QDate::currentDate().toString(Qt::ISODate).toStdString();
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

void Workspace::showRoom(const RoomId& id) {
  if (room_ == id) return;
  beginning_ = false;
  room_ = id;
  selected_ = {};
  refresh();
  emit viewChanged();
  emit selectionChanged();
}

void Workspace::beginRoom() {
  beginning_ = true;
  room_ = {};
  selected_ = {};
  stage_ = Stage::Measure;
  refresh();
  emit viewChanged();
  emit selectionChanged();
}

void Workspace::showScheme(const SchemeId& id) {
  const Scheme* s = findScheme(job(), id);
  if (s == nullptr || scheme_ == id) return;
  scheme_ = id;
  beginning_ = false;
  room_ = s->room;
  selected_ = {};
  refresh();
  emit viewChanged();
  emit selectionChanged();
}

void Workspace::showStage(Stage stage) {
  if (stage_ == stage) return;
  stage_ = stage;
  spot_.reset();
  if (const Placement* p = selectedPlacement())
    if ((onWall(p->on) != nullptr) != (stage == Stage::Walls)) select({});
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
  if (selected_ == id && (!id.empty() || marked_.empty())) return;
  // A thing of the selection that is taken again leads it; anything else begins a new one.
  if (id.empty() || std::find(marked_.begin(), marked_.end(), id) == marked_.end()) marked_.clear();
  else marked_.push_back(selected_);
  std::erase(marked_, id);
  selected_ = id;
  emit selectionChanged();
}

void Workspace::selectAlso(const PlacementId& id) {
  if (id == selected_) {
    // The last one marked leads what is left.
    selected_ = marked_.empty() ? PlacementId() : marked_.back();
    if (!marked_.empty()) marked_.pop_back();
  } else if (std::erase(marked_, id) == 0) {
    if (!selected_.empty()) marked_.push_back(selected_);
    selected_ = id;
  }
  emit selectionChanged();
}

void Workspace::selectAll() {
  const PlacementIds here = placementsHere();
  if (here.empty()) return;
  if (std::find(here.begin(), here.end(), selected_) == here.end()) selected_ = here.front();
  marked_ = here;
  std::erase(marked_, selected_);
  emit selectionChanged();
}

void Workspace::mark() {
  if (selected_.empty()) return;
  if (std::erase(marked_, selected_) == 0) marked_.push_back(selected_);
  emit selectionChanged();
}

void Workspace::setFormat(LengthFormat format) {
  format_ = format;
  refresh();
  emit viewChanged();
}

PlacementIds Workspace::placementsHere() const {
  PlacementIds here;
  if (scheme() == nullptr) return here;
  for (const Placement& p : scheme()->placements) {
    const auto* hung = onWall(p.on);
    if (stage_ == Stage::Walls ? hung != nullptr && hung->wall == wall_ : onFloor(p.on) != nullptr)
      here.push_back(p.id);
  }
  return here;
}

bool Workspace::selectNext(bool forward) {
  const PlacementIds here = placementsHere();
  const auto at = std::find(here.begin(), here.end(), selected_);
  if (here.empty()) return false;
  const auto go = [&](const PlacementId& id) {
    // What was marked stays selected while the hand goes on.
    selected_ = id;
    emit selectionChanged();
    return true;
  };
  if (at == here.end()) return go(forward ? here.front() : here.back());
  if (forward ? at + 1 == here.end() : at == here.begin())
    return marked_.empty() ? (select({}), false) : go(forward ? here.front() : here.back());
  return go(forward ? *(at + 1) : *(at - 1));
}

void Workspace::showGhost(std::optional<Job> job) {
  if (!job && !ghost_) return;
  ghost_ = std::move(job);
  emit ghostChanged();
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

LengthReading Workspace::typeTape(const std::string& key, const QString& text) {
  const LengthReading reading = read(text);
  const Placement* p = selectedPlacement();
  if (!reading || p == nullptr) return reading;
  if (*reading.length > kLongestLength) return {std::nullopt, 0, "This is longer than 100 m."};
  if (key == kCentreKey) {
    if (const auto* hung = onWall(p->on)) {
      WallPlace there = *hung;
      there.v = *reading.length + floorUnder(*room(), *hung);
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

void Workspace::copySelected() {
  const Placement* p = selectedPlacement();
  if (p == nullptr || !viewOf(p->on)) return;
  IdSource ids = document_.ids();
  Placement copy = *p;
  copy.id = ids.take<PlacementId>("p");
  copy.locked = false;
  copy.group.clear();
  // Beside the first one, a little way off, so that both can be seen.
  const double off = 12 * handStep() * 4;
  copy.on = moved(copy.on, onWall(copy.on) != nullptr ? Vec2{off, 0} : Vec2{off, off});
  if (auto* hung = onWall(copy.on)) hung->group.reset();
  // One more stands here: the piece exists once more, unless the tray still has one.
  Job after = withPlacement(job(), scheme_, copy);
  const Piece& piece = pieceOf(job(), *p);
  const auto placed = std::count_if(scheme()->placements.begin(), scheme()->placements.end(),
                                    [&](const Placement& q) { return q.piece == piece.id; });
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
