// One wall, seen from the room.
#include "core/rules/base/hook_school.h"
#include "core/sheets/set_out.h"
#include "core/sheets/wall_subject.h"
#include "core/site/heights.h"

namespace mezzet {
namespace {

Drawing composeWall(const SheetSource& s, int scale) {
  const bool installer = s.request.version == SheetVersion::Installer;
  const CornerId wall(s.subject);
  Drawing d = composeSheetWall(s, scale, installer, true);
  if (installer && s.scheme != nullptr) addWallSetOut(d, s.job, s.room, *s.scheme, wall, s.request.format);
  if (!installer && s.scheme != nullptr) addWallList(d, s.job, s.room, *s.scheme, wall, s.request.format);
  return d;
}

std::string headingWall(const SheetSource& s) {
  return "Wall " + s.subject + " from the room. " + ceilingWords(s.room, s.request.format);
}

}  // namespace

std::vector<std::string> wallSubjects(const Room& room) {
  std::vector<std::string> out;
  for (const Corner& corner : room.corners) out.push_back(corner.id.value);
  return out;
}

NailPlan sheetNails(const SheetSource& s, const CornerId& wall) {
  static const std::vector<Fixing> none;
  NailAsk ask;
  ask.wall = wall;
  ask.end = s.request.nailsFromRight ? WallEnd::Right : WallEnd::Left;
  ask.line = s.request.levelLine.value_or(kLevelLine);
  if (s.request.book != nullptr) ask.school = hookSchool(s.job, *s.request.book);
  return nailPlan(s.job, s.room, *s.scheme, s.request.book != nullptr ? s.request.book->fixings : none, ask,
                  s.request.format);
}

bool anythingHangs(const Job& job) {
  return std::any_of(job.schemes.begin(), job.schemes.end(),
                     [&](const auto& scheme) { return !hungIn(job, *scheme).empty(); });
}

Drawing composeSheetWall(const SheetSource& s, int scale, bool services, bool strip) {
  ElevationOptions options;
  options.scale = scale;
  options.format = s.request.format;
  options.grid = false;
  options.titles = false;
  options.services = services;
  options.strip = strip;
  return composeElevation(s.job, s.room, s.scheme, CornerId(s.subject), options);
}

const SheetRow& wallSheetRow() {
  static constexpr SheetRow row{
      .id = "wall", .title = "wall", .compose = composeWall, .heading = headingWall, .subjects = wallSubjects};
  return row;
}

}  // namespace mezzet
