// The floor plan.
#include "core/drawing/plan/plan.h"
#include "core/sheets/frame.h"
#include "core/sheets/set_out.h"
#include "core/sheets/sheet_row.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

Drawing composePlan(const SheetSource& s, int scale) {
  PlanOptions options = planOptions(scale, s.request.format);
  options.named = s.request.version == SheetVersion::Client;
  Drawing d = composePlan(s.job, s.room, s.scheme, options);
  if (s.request.version == SheetVersion::Installer && s.scheme != nullptr)
    addPlanSetOut(d, s.job, *s.scheme, s.request.format);
  return d;
}

std::string headingPlan(const SheetSource& s) { return "Floor plan. " + ceilingWords(s.room, s.request.format); }

}  // namespace

const SheetRow& planSheetRow() {
  static constexpr SheetRow row{.id = "plan", .title = "floor plan", .compose = composePlan, .heading = headingPlan};
  return row;
}

}  // namespace mezzet
