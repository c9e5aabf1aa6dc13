#include "app/stages/walls/nail_read_out.h"

#include <QGridLayout>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/document/today.h"
#include "app/widgets/layouts.h"
#include "core/hang/as_hung.h"
#include "core/rules/base/hook_school.h"
#include "core/site/stair_wall.h"

namespace mezzet {
namespace {

QLabel* shownFigure(const char* accessible) {
  auto* label = new QLabel;
  label->setObjectName(QStringLiteral("shown"));
  label->setAccessibleName(QObject::tr(accessible));
  return label;
}

}  // namespace

NailReadOut::NailReadOut(Workspace& workspace, QWidget* parent)
    : FigureFace("nailReadOut", tr("Nails, read out"), parent), workspace_(workspace) {
  auto* figures = new QGridLayout;
  figures->setHorizontalSpacing(24);
  figures->setVerticalSpacing(0);
  figures->setColumnStretch(1, 1);
  across_ = shownFigure("Along the wall");
  up_ = shownFigure("Up the wall");
  acrossOf_ = words({}, "caption");
  upOf_ = words({}, "caption");
  // Figures have no tails: the line's own room below them is not needed.
  for (QLabel* figure : {across_, up_}) figure->setFixedHeight(pixelsFor(kFigure, this));
  figures->addWidget(across_, 0, 0);
  figures->addWidget(acrossOf_, 0, 1);
  figures->addWidget(up_, 1, 0);
  figures->addWidget(upOf_, 1, 1);
  column_->addLayout(figures, 1);
  echo_ = words({}, "echo");
  echo_->setMinimumHeight(pixelsFor(kEcho, this) * 2);
  column_->addWidget(echo_);
  addTyped(column_, tr("Where the nail landed"), kTyped);
  keys_ =
      words(tr("Enter: done     numbers: as hung     *: detected, clear     +: next     -: back     Esc: end"), "keys");
  column_->addWidget(keys_);
  plan_ = workspace_.nailPlanHere();
  // Begin at the first that is not hung yet.
  for (std::size_t i = plan_.nails.size(); i-- > 0;)
    if (!findPlacement(*workspace_.scheme(), plan_.nails[i].placement)->asHung) at_ = i;
  show_();
}

QString NailReadOut::stateWords(const Nail& nail) const {
  QStringList out;
  for (const Deviation& d : deviations(PieceIndex(workspace_.job()), *workspace_.scheme()))
    if (d.placement == nail.placement)
      out << tr("Hung %1: %2%3.")
                 .arg(QString::fromStdString(findPlacement(*workspace_.scheme(), nail.placement)->asHung->date),
                      QString::fromStdString(deviationWords(d, workspace_.format())),
                      d.over() ? tr(", more than %1").arg(workspace_.write(d.limit)) : QString());
  if (!nail.near.empty()) out << tr("Cables may run here: detect, then *.");
  if (!nail.clear.empty()) out << tr("Detected, clear %1.").arg(QString::fromStdString(nail.clear));
  if (nail.aboveFloor > kLadderFrom) out << tr("A stair ladder or a tower, and a second person.");
  return out.join(QStringLiteral("  "));
}

void NailReadOut::show_() {
  figure_->setFocus();
  if (plan_.nails.empty()) {
    place_->setText(tr("No nail is known on wall %1").arg(QString::fromStdString(workspace_.wall().value)));
    echo_->setText(tr("Say how its frames hang first: Esc, then N."));
    figure_->setEnabled(false);
    return;
  }
  at_ = std::min(at_, plan_.nails.size() - 1);
  const Nail& nail = plan_.nails[at_];
  const Placement& p = *findPlacement(*workspace_.scheme(), nail.placement);
  const bool two = std::count_if(plan_.nails.begin(), plan_.nails.end(),
                                 [&](const Nail& n) { return n.placement == nail.placement; }) > 1;
  place_->setText(tr("Nail %1 of %2: %3%4")
                      .arg(nail.order)
                      .arg(plan_.nails.size())
                      .arg(workspace_.nameOf(p), !two             ? QString()
                                                 : nail.hook == 1 ? tr(", left hook")
                                                                  : tr(", right hook")));
  LengthFormat bare = workspace_.format();
  bare.withUnit = false;
  across_->setText(QString::fromStdString(writeLength(nail.fromEnd, bare)));
  up_->setText(QString::fromStdString(writeLength(std::abs(nail.aboveLine), bare)));
  const Room& room = *workspace_.room();
  const auto flights = stairsAlong(room, heightsOf(room), *findWall(room, workspace_.wall()));
  const bool flight = flightAt(flights, nail.u) != nullptr;
  const QString unit = workspace_.job().units == Unit::Inch ? tr("in") : tr("mm");
  acrossOf_->setText(tr("%1 from the %2 end").arg(unit, plan_.end == WallEnd::Left ? tr("left") : tr("right")));
  upOf_->setText(
      (flight ? tr("%1 %2 the level line\n%3 above the tread") : tr("%1 %2 the level line\n%3 above the floor"))
          .arg(unit, nail.aboveLine < 0 ? tr("below") : tr("above"), workspace_.write(nail.aboveFloor)));
  figure_->clear();
  figure_->setPlaceholderText(!fromEnd_            ? tr("as hung: from the end")
                              : nail.aboveLine < 0 ? tr("and below the line")
                                                   : tr("and above the line"));
  echo_->setText(stateWords(nail));
}

/// What is recorded may take a mark off a nail: they are worked out again.
void NailReadOut::change(const QString& verb, const Job& after) {
  workspace_.document().edit(verb, after);
  plan_ = workspace_.nailPlanHere();
}

void NailReadOut::record(Vec2 landed) {
  const Nail nail = plan_.nails[at_];
  const Placement& p = *findPlacement(*workspace_.scheme(), nail.placement);
  const Piece& piece = pieceOf(workspace_.job(), p);
  const auto hooks = hooksOf(piece, hookSchool(workspace_.job(), workspace_.book()), workspace_.format()).hooks;
  if (!hooks) return;
  landed_[{nail.placement, nail.hook}] = landed;
  // Of two hooks the frame hangs where both say, in the middle.
  Vec2 sum;
  int count = 0;
  for (const auto& [of, where] : landed_)
    if (of.first == nail.placement) {
      sum += hungWhere(piece, *hooks, of.second, where);
      ++count;
    }
  const Vec2 middle = sum * (1.0 / count);
  Job after =
      withAsHung(workspace_.job(), workspace_.schemeId(), nail.placement, AsHung{middle.x, middle.y, today(), {}, {}});
  const Fixing* fixing = nail.fixings.empty() ? nullptr : findFixing(workspace_.book().fixings, nail.fixings.front());
  if (fixing == nullptr || fixing->hole > 0)
    after = withHole(after, workspace_.room()->id,
                     {workspace_.wall(), landed.x, landed.y, fixing != nullptr ? fixing->hole : 0, today(), {}});
  change(tr("nail %1 in").arg(nail.order), after);
}

void NailReadOut::take() {
  if (plan_.nails.empty()) return;
  const Nail& nail = plan_.nails[at_];
  const QString typed = figure_->text().trimmed();
  double value = 0;
  if (!typed.isEmpty()) {
    const LengthReading reading = workspace_.read(typed);
    if (!reading || *reading.length > kLongestLength)
      return echo_->setText(reading ? tr("This is longer than 100 m (328 ft).")
                                    : QString::fromStdString(reading.complaint));
    value = *reading.length;
  }
  if (!fromEnd_ && !typed.isEmpty()) {
    fromEnd_ = value;
    return show_();
  }
  const Wall wall = *findWall(*workspace_.room(), workspace_.wall());
  const double up = typed.isEmpty() ? nail.aboveLine : nail.aboveLine < 0 ? -value : value;
  const Vec2 landed = landedAt(wall, workspace_.nailAsk(), fromEnd_.value_or(nail.fromEnd), up);
  if (landed.x < 0 || landed.x > wall.length()) {
    fromEnd_.reset();
    show_();
    return echo_->setText(tr("That is not on this wall: type it again."));
  }
  fromEnd_.reset();
  record(landed);
  if (at_ + 1 < plan_.nails.size()) step(1);
  else show_();
}

void NailReadOut::step(int by) {
  if (plan_.nails.empty()) return;
  const int n = static_cast<int>(plan_.nails.size());
  at_ = static_cast<std::size_t>((static_cast<int>(at_) + by + n) % n);
  fromEnd_.reset();
  show_();
}

bool NailReadOut::pressed(int key) {
  if (key != Qt::Key_Asterisk || plan_.nails.empty()) return false;
  const Nail& nail = plan_.nails[at_];
  change(tr("detected, clear"),
         withClearSpot(workspace_.job(), workspace_.room()->id,
                       {workspace_.wall(), nail.u, nail.v, nail.clear.empty() ? today() : std::string()}));
  show_();
  return true;
}

}  // namespace mezzet
