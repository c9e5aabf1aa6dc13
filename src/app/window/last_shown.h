// What was looked at last in a job: it comes back when the job is opened again.
#pragma once

#include "app/document/workspace.h"

namespace mezzet {

struct LastShown {
  RoomId room;
  SchemeId scheme;
  UseState state = UseState::Everyday;
};
/// Keeps room, scheme and state of use for a job's file; only the newest few jobs are remembered.
void rememberShown(const QString& path, const Workspace&);
/// What is remembered of a file; nothing of one that was never shown.
[[nodiscard]] std::optional<LastShown> lastShown(const QString& path);
/// Shows it again, as far as it is still there.
void showAgain(const LastShown&, Workspace&);

}  // namespace mezzet
