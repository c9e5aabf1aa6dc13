// What a workspace knows of nails: whether they are shown, and from where they are measured.
#include "app/document/workspace.h"
#include "core/rules/base/hook_school.h"

namespace mezzet {

void Workspace::showNails(bool on) {
  if (on == nails_) return;
  nails_ = on;
  if (on) foldOut(false);
  emit viewChanged();
}

std::optional<NailPlan> Workspace::nailsHere() const {
  if (!nails_ || room() == nullptr || scheme() == nullptr) return std::nullopt;
  return nailPlanHere();
}

NailPlan Workspace::nailPlanHere() const {
  return nailPlan(job(), *room(), *scheme(), book().fixings, nailAsk(), format());
}

NailAsk Workspace::nailAsk() const {
  NailAsk ask;
  ask.wall = wall();
  ask.end = nailEnd_;
  ask.line = levelLine_;
  ask.school = hookSchool(job(), book());
  return ask;
}

void Workspace::measureNails(WallEnd end, double levelLine) {
  if (end == nailEnd_ && levelLine == levelLine_) return;
  nailEnd_ = end;
  levelLine_ = levelLine;
  emit viewChanged();
}

}  // namespace mezzet
