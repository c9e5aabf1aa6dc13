#include "app/document/workspace.h"

#include "core/model/kinds.h"

#include <QDate>
#include <QSettings>

#include <algorithm>
#include <charconv>
#include <tuple>
#include <utility>

#include "io/photometry/ies.h"
#include "io/photometry/webs.h"
#include "core/decide/hang_again.h"
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

constexpr std::size_t kMostMarked = 60;

}  // namespace

Workspace::Workspace(Document& document, const Rulebook& book, QObject* parent)
    : QObject(parent), document_(document), book_(book), judgement_(book) {
  connect(&document_, &Document::jobChanged, this, [this] { show(changeBetween(known_, job())); });
  connect(&judgement_, &Judgement::judged, this, &Workspace::judged);
  connect(&judgement_, &Judgement::waysArrived, this, &Workspace::waysArrived);
  connect(&judgement_, &Judgement::routesChanged, this, &Workspace::layersChanged);
  connect(&judgement_, &Judgement::gaveUp, this, [this] {
    emit document_.trouble(
        tr("The ways of this room take too long to draw, and were given up. Their widths hold; take "
           "things out, or split the room."));
  });
  document_.setSettling(
      [this](const Job& before, Job after) { return hangsSettled(before, std::move(after), book_, format_); });
  connect(&estimator_, &LightEstimator::arrived, this, &Workspace::estimateChanged);
  // What is decided on may ask for ribbons that nobody drew yet.
  connect(this, &Workspace::selectionChanged, this, &Workspace::askRoutes);
  refresh();
}

const Placement* Workspace::selectedPlacement() const {
  const Scheme* s = scheme();
  return s != nullptr ? findPlacement(*s, selected_) : nullptr;
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

void Workspace::refresh() { show({}); }

void Workspace::show(const JobChange& change) {
  known_ = job();
  if (knownUnits_ != job().units || format_ == LengthFormat{}) {
    knownUnits_ = job().units;
    format_ = usualFormat(knownUnits_);
  }
  keepValid();
  for (const auto& [name, bytes] : document_.images())
    if (!isPhotometryName(name)) images_.add(name, *bytes);
  readWebs();
  ghost_.reset();
  judgement_.judge({job(), scheme_, format_, useState_, document_.ids(), webs_});
  emit jobChanged(change);
  askRoutes();
  estimator_.ask(job(), scheme_, *webs_);
}

/// Photometric files are read once, when they come.
void Workspace::readWebs() {
  Images files;
  for (const auto& piece : job().pieces)
    if (const auto file = document_.images().find(piece->light->photometry); file != document_.images().end())
      files.insert(*file);
  if (files == webFiles_) return;
  webFiles_ = std::move(files);
  webs_ = std::make_shared<const Photometries>(photometriesOf(job(), webFiles_));
}

void Workspace::showEstimate(bool on) {
  estimator_.show(on);
  estimator_.ask(job(), scheme_, *webs_);
  emit estimateChanged();
}

void Workspace::askRoutes() {
  const FloorLayers wanted = layers();
  const bool ribbons = wanted.shown.contains(FloorLayer::Ways);
  judgement_.askRoutes({useState_, ribbons, layers_.contains(FloorLayer::Ways),
                        ribbons ? wanted.only : std::set<std::string>(),
                        layers_.contains(FloorLayer::Reached) ? std::optional(reachWidth_) : std::nullopt});
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
  FloorLayers out = layersFor(findings(), selected_.value);
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
    for (const Finding& f : findings())
      if (breaksByWeight(f) && out.size() < kMostMarked &&
          chosen == (std::find(f.subjects.begin(), f.subjects.end(), selected_.value) != f.subjects.end()))
        out.push_back(f);
  };
  take(true);
  take(false);
  return out;
}

int Workspace::brokenIn(Accepts where) const {
  return static_cast<int>(std::count_if(findings().begin(), findings().end(), [&](const Finding& f) {
    return breaksByWeight(f) && acceptsOf(f.view) == where;
  }));
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
  // What is selected is what is looked at.
  if (const Placement* p = stage == Stage::Displays ? selectedPlacement() : nullptr) {
    const RootCarrier root = rootCarrierOf(*scheme(), *p);
    if (!root.id.empty()) carrier_ = root.id;
    else if (canCarry(pieceOf(job(), *p).kind)) carrier_ = p->id.value;
  }
  if (const Placement* p = selectedPlacement())
    if (!isAbout(rowOf(stage), pieceOf(job(), *p), p->on)) select({});
  emit viewChanged();
}

void Workspace::foldOut(bool on) {
  if (on == foldedOut_) return;
  foldedOut_ = on;
  emit viewChanged();
}

void Workspace::showWall(const CornerId& wall) {
  const bool unfolded = std::exchange(foldedOut_, false);
  if (wall_ == wall && !unfolded) return;
  wall_ = wall;
  if (rowOf(stage_).accepts == Accepts::Wall) select({});
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

void Workspace::selectThese(const PlacementIds& all) {
  select(all.empty() ? PlacementId() : all.front());
  for (std::size_t i = 1; i < all.size(); ++i)
    if (!has(selection(), all[i])) selectAlso(all[i]);
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
  if (stage_ == Stage::Displays) {
    if (const auto shown = display()) {
      for (const DisplayedThing& t : shown->things) here.push_back(t.placement->id);
      if (shown->carrier.placement != nullptr && !shown->carrier.placement->id.empty())
        here.push_back(shown->carrier.placement->id);
    }
    return here;
  }
  if (stage_ == Stage::HandOver) return handOrder();
  for (const Placement& p : scheme()->placements) {
    const auto view = viewOf(p.on);
    const bool onAnotherWall = rowOf(stage_).accepts == Accepts::Wall && view && view->isWall() && view->wall != wall_;
    if (!onAnotherWall && isAbout(rowOf(stage_), pieceOf(job(), p), p.on)) here.push_back(p.id);
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

}  // namespace mezzet
