// The pack: every sheet that one reader works from, behind a cover, numbered, in one file.
#pragma once

#include <functional>
#include <stop_token>

#include "core/sheets/bookmark.h"
#include "core/sheets/sheet.h"

namespace mezzet {

enum class PackReader { Owner, Installer, Electrician, Shop, All };
[[nodiscard]] const char* readerWord(PackReader);   ///< "owner"
[[nodiscard]] const char* readerTitle(PackReader);  ///< "For the owner"
[[nodiscard]] std::optional<PackReader> readerNamed(const std::string& word);

/// One kind of sheet of one room in a pack.
struct PackEntry {
  PackReader reader = PackReader::Owner;
  std::string kind, title;  ///< "wall:A", "Wall A"
  RoomId room;
  SchemeId scheme;
  SheetVersion version = SheetVersion::Client;
};
/// What belongs into a reader's pack, room by room; sheets that would say nothing are left out. One scheme a room:
/// those of `chosen`, else the first.
[[nodiscard]] std::vector<PackEntry> packEntries(const Job&, const Rulebook&, PackReader,
                                                 const std::vector<SchemeId>& chosen);

/// A line of the list on the cover and of the contents of a folder.
struct PackContent {
  int first = 1, pages = 1;  ///< sheet numbers, the cover is 1
  std::string title, room, reader, scale, paper, kind;
};
struct Pack {
  std::vector<Sheet> pages;
  std::vector<PackContent> contents;  ///< the cover first
  std::vector<PackBookmark> bookmarks;
  std::vector<std::string> notes;  ///< sheets that took a larger paper
};

struct PackRequest {
  PackReader reader = PackReader::Owner;
  SheetRequest sheet;                     ///< paper, format, date, issue, rulebook
  std::vector<SchemeId> schemes = {};     ///< one a room, where not its first
  std::vector<std::string> changes = {};  ///< since the last issue, for the cover
  std::string digest = {};                ///< of the job, for the cover
};
/// Refused where there is nothing to hand over, or where a sheet fits no paper. A sheet that does not fit the paper
/// takes the next larger one. Stopped: what was composed is dropped, and the pack has no pages.
/// Sheets are composed on as many threads as there are processors; `progress` is told from any of them how many of all
/// are done.
using PackProgress = std::function<void(int done, int all)>;
[[nodiscard]] Result<Pack> composePack(const Job&, const PackRequest&, const std::stop_token& = {},
                                       const PackProgress& progress = {});

/// The cover alone: names, issue, small plans, the list of sheets.
[[nodiscard]] std::vector<Sheet> composeCover(const Job&, const PackRequest&, const std::vector<const Scheme*>&,
                                              const std::vector<PackContent>&);

}  // namespace mezzet
