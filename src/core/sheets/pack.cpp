#include "core/sheets/pack.h"

#include <algorithm>
#include <atomic>
#include <thread>

#include "core/base/sentence.h"
#include "core/model/kinds.h"
#include "core/plan/changes.h"
#include "core/plan/dates.h"
#include "core/sheets/sheet_row.h"
#include "core/space/hung.h"

namespace mezzet {
namespace {

constexpr const char* kReaderWords[] = {"owner", "installer", "electrician", "shop", "all"};
constexpr const char* kReaderTitles[] = {"For the owner", "For the installer", "For the electrician", "For the shop",
                                         "The whole set"};

bool hangsOn(const Scheme& scheme, const CornerId& wall) {
  return std::any_of(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) {
    const auto* on = onWall(p.on);
    return on != nullptr && on->wall == wall;
  });
}
bool anyOn(const Scheme& scheme, bool (*is)(const Place&)) {
  return std::any_of(scheme.placements.begin(), scheme.placements.end(), [&](const Placement& p) { return is(p.on); });
}
bool onTheFloor(const Place& on) { return onFloor(on) != nullptr; }
bool onTheWall(const Place& on) { return onWall(on) != nullptr; }
bool underCeiling(const Place& on) { return onCeiling(on) != nullptr; }

/// Collects the entries of one room.
class Collector {
 public:
  Collector(const Job& job, const Rulebook& book, const Scheme& scheme, std::vector<PackEntry>& out)
      : job_(job), book_(book), scheme_(scheme), room_(roomOf(job, scheme)), out_(out) {}

  void owner() {
    reader_ = PackReader::Owner;
    add("plan", "Floor plan");
    if (!scheme_.placements.empty()) add("fold-out", "Opened like a box");
    for (const Corner& corner : room_.corners)
      if (hangsOn(scheme_, corner.id)) add("wall:" + corner.id.value, "Wall " + corner.id.value);
    placed("display");
    if (finalists()) add("finalists", "Finalists");
    if (compared()) add("before-after", "Before and after");
    if (toBuy()) add("budget", "Budget");
  }
  void installer() {
    reader_ = PackReader::Installer;
    version_ = SheetVersion::Installer;
    if (anyOn(scheme_, onTheFloor)) {
      add("tape-out", "Footprints to tape out");
      add("plan", "Setting out");
    }
    for (const Corner& corner : room_.corners) {
      if (!hangsOn(scheme_, corner.id)) continue;
      add("wall:" + corner.id.value, "Setting out, wall " + corner.id.value);
      add("nails:" + corner.id.value, "Nails, wall " + corner.id.value);
    }
    placed("ledge");
    if (anyOn(scheme_, onTheWall)) add("day", "Hanging day");
    for (const Hung& hung : hungIn(job_, scheme_))
      if (hung.members.size() > 1) {
        const std::string kind = "templates:" + hung.wall.value;
        if (std::none_of(out_.begin(), out_.end(),
                         [&](const PackEntry& e) { return e.kind == kind && e.room == room_.id; }))
          add(kind, "Templates, wall " + hung.wall.value);
      }
    version_ = SheetVersion::Client;
  }
  void electrician() {
    reader_ = PackReader::Electrician;
    if (!anyOn(scheme_, underCeiling)) return;
    version_ = SheetVersion::Installer;
    add("ceiling", "Ceiling");
    add("fixtures", "List of lights");
    version_ = SheetVersion::Client;
  }
  void shop() {
    reader_ = PackReader::Shop;
    std::vector<PieceId> seen;
    for (const Placement& p : scheme_.placements) {
      const Piece& piece = pieceOf(job_, p);
      if (piece.shop->owned || std::find(seen.begin(), seen.end(), piece.id) != seen.end()) continue;
      if (onFloor(p.on) == nullptr && onWall(p.on) == nullptr) continue;
      seen.push_back(piece.id);
      add("card:" + p.id.value, "Size card: " + midSentence(piece.name));
    }
    if (anyOn(scheme_, onTheFloor)) add("cut-outs", "Cut-outs to push about");
    if (displays()) add("wanted", "What displays still want");
  }

 private:
  void add(std::string kind, std::string title) {
    out_.push_back({reader_, std::move(kind), std::move(title), room_.id, scheme_.id, version_});
  }
  void placed(std::string_view id) {
    for (const SheetRow* row : sheetRows())
      if (row->id == id)
        for (const SheetSubject& subject : row->placed(job_, room_, scheme_))
          add(std::string(id) + ":" + subject.id, capital(std::string(row->title)) + " " + midSentence(subject.name));
  }
  bool finalists() const {
    return std::any_of(scheme_.placements.begin(), scheme_.placements.end(), [](const Placement& p) {
      return std::count_if(p.candidates.begin(), p.candidates.end(), isInTheRunning) > 1;
    });
  }
  bool compared() const {
    for (const auto& s : job_.schemes) {
      if (s->id == scheme_.id) break;
      if (s->room == room_.id && !s->placements.empty()) return true;
    }
    return !plannedAndBuilt(job_, book_, scheme_, usualFormat(job_.units), kEveryDay).empty();
  }
  bool toBuy() const {
    return std::any_of(scheme_.placements.begin(), scheme_.placements.end(),
                       [&](const Placement& p) { return !pieceOf(job_, p).shop->owned; });
  }
  bool displays() const {
    return std::any_of(scheme_.placements.begin(), scheme_.placements.end(), [&](const Placement& p) {
      return onAnother(p.on) != nullptr && isDisplayed(pieceOf(job_, p).kind);
    });
  }

  const Job& job_;
  const Rulebook& book_;
  const Scheme& scheme_;
  const Room& room_;
  std::vector<PackEntry>& out_;
  PackReader reader_ = PackReader::Owner;
  SheetVersion version_ = SheetVersion::Client;
};

/// The paper asked for, then the larger ones of its family.
std::vector<const Paper*> papersFrom(const Paper& asked) {
  const bool metric = asked.id.starts_with("a") && asked.id != "arch-d";
  std::vector<const Paper*> out{&asked};
  for (const Paper& p : papers())
    if ((p.id.starts_with("a") && p.id != "arch-d") == metric && p.height > asked.height) out.push_back(&p);
  std::sort(out.begin() + 1, out.end(), [](const Paper* a, const Paper* b) { return a->height < b->height; });
  return out;
}

struct Planned {
  PackEntry entry;
  SheetRequest request;
  int pages = 1;
};

/// On which paper a sheet fits, and how many pages it takes there.
Result<Planned> planned(const Job& job, const PackEntry& entry, const SheetRequest& base) {
  const Room& room = *findRoom(job, entry.room);
  const Scheme* scheme = findScheme(job, entry.scheme);
  const auto kind = sheetKind(entry.kind);
  Planned out{entry, base};
  out.request.version = entry.version;
  out.request.scale = 0;
  std::optional<Error> fault;
  for (const Paper* paper : papersFrom(*base.paper)) {
    out.request.paper = paper;
    if (kind->row->page != nullptr) break;  // a list fits any paper
    const auto sheet = composeSheet(job, room, scheme, *kind, out.request);
    if (sheet.ok()) {
      fault.reset();
      break;
    }
    fault = sheet.error();
  }
  if (fault) return *fault;
  out.pages = pagesOf(job, room, scheme, *kind, out.request);
  return out;
}

PackContent contentOf(const Job& job, const Planned& p, int first, const Sheet& sheet) {
  PackContent out;
  out.first = first;
  out.pages = p.pages;
  out.title = p.entry.title;
  out.room = findRoom(job, p.entry.room)->name;
  out.reader = readerWord(p.entry.reader);
  out.scale = sheet.scale == 1 ? "1:1" : sheet.scale > 0 ? "1:" + std::to_string(sheet.scale) : "";
  out.paper = p.request.paper->name;
  out.kind = p.entry.kind;
  return out;
}

}  // namespace

const char* readerWord(PackReader r) { return kReaderWords[static_cast<std::size_t>(r)]; }
const char* readerTitle(PackReader r) { return kReaderTitles[static_cast<std::size_t>(r)]; }
std::optional<PackReader> readerNamed(const std::string& word) {
  for (std::size_t i = 0; i < std::size(kReaderWords); ++i)
    if (word == kReaderWords[i]) return static_cast<PackReader>(i);
  return std::nullopt;
}

std::vector<PackEntry> packEntries(const Job& job, const Rulebook& book, PackReader reader,
                                   const std::vector<SchemeId>& chosen) {
  std::vector<PackEntry> out;
  const std::vector<const Scheme*> schemes = schemesToBuild(job, chosen);
  const auto wanted = [&](PackReader one) { return reader == one || reader == PackReader::All; };
  const auto whole = [&](PackReader of, const char* kind, const char* title) {
    if (!schemes.empty()) out.push_back({of, kind, title, schemes.front()->room, schemes.front()->id});
  };
  if (wanted(PackReader::Owner))
    for (const Scheme* s : schemes) Collector(job, book, *s, out).owner();
  if (wanted(PackReader::Installer)) {
    if (!job.records->starts.empty()) whole(PackReader::Installer, "dates", "Dates");
    if (!job.records->legs.empty()) whole(PackReader::Installer, "delivery", "The way in");
    for (const Scheme* s : schemes) Collector(job, book, *s, out).installer();
  }
  if (wanted(PackReader::Electrician))
    for (const Scheme* s : schemes) Collector(job, book, *s, out).electrician();
  if (wanted(PackReader::Shop)) {
    if (!job.records->legs.empty() && reader == PackReader::Shop) whole(PackReader::Shop, "delivery", "The way in");
    for (const Scheme* s : schemes) Collector(job, book, *s, out).shop();
  }
  return out;
}

namespace {

/// One page that is to be composed, and what it becomes.
struct PagePlan {
  const Planned* of;
  int page = 0, number = 0;
  std::optional<Result<Sheet>> made = {};
};

/// All pages, side by side: they are functions of the job alone.
void composePages(const Job& job, std::vector<PagePlan>& pages, int total, const std::stop_token& stop,
                  const PackProgress& progress) {
  std::atomic<std::size_t> next = 0;
  std::atomic<int> done = 0;
  const auto work = [&] {
    for (std::size_t i = next++; i < pages.size() && !stop.stop_requested(); i = next++) {
      PagePlan& one = pages[i];
      SheetRequest request = one.of->request;
      request.number = one.number;
      request.of = total;
      const PackEntry& entry = one.of->entry;
      one.made = composeSheet(job, *findRoom(job, entry.room), findScheme(job, entry.scheme), *sheetKind(entry.kind),
                              request, one.page);
      if (progress) progress(++done, static_cast<int>(pages.size()));
    }
  };
  std::vector<std::jthread> helpers;
  const unsigned processors = std::max(1u, std::thread::hardware_concurrency());
  for (unsigned i = 1; i < std::min<std::size_t>(processors, pages.size()); ++i) helpers.emplace_back(work);
  work();
}

/// What each entry becomes on its paper; nothing when it was stopped.
Result<std::vector<Planned>> planAll(const Job& job, const std::vector<PackEntry>& entries, const SheetRequest& base,
                                     const std::stop_token& stop, std::vector<std::string>& notes) {
  std::vector<Planned> all;
  for (const PackEntry& entry : entries) {
    if (stop.stop_requested()) return std::vector<Planned>();
    auto one = planned(job, entry, base);
    if (!one) return one.error();
    all.push_back(std::move(one).value());
    if (all.back().request.paper != base.paper)
      notes.push_back(entry.title + ", " + midSentence(findRoom(job, entry.room)->name) + ": on " +
                      all.back().request.paper->name + ", it does not fit " + base.paper->name + ".");
  }
  return all;
}

/// The cover is as long as it will be, whatever the numbers in its list.
int coverPages(const Job& job, const PackRequest& request, const std::vector<const Scheme*>& schemes,
               const std::vector<Planned>& all) {
  std::vector<PackContent> draft(all.size() + 1);
  for (std::size_t i = 0; i < all.size(); ++i) {
    draft[i + 1].reader = readerWord(all[i].entry.reader);
    draft[i + 1].room = findRoom(job, all[i].entry.room)->name;
  }
  return static_cast<int>(composeCover(job, request, schemes, draft).size());
}

}  // namespace

Result<Pack> composePack(const Job& job, const PackRequest& request, const std::stop_token& stop,
                         const PackProgress& progress) {
  const std::vector<PackEntry> entries = packEntries(job, *request.sheet.book, request.reader, request.schemes);
  if (entries.empty())
    return Error{readerTitle(request.reader), "has nothing to hand over yet", "Place what this reader works on"};
  Pack pack;
  SheetRequest base = request.sheet;
  base.schemes = request.schemes;
  const auto all = planAll(job, entries, base, stop, pack.notes);
  if (!all) return all.error();
  const std::vector<const Scheme*> schemes = schemesToBuild(job, request.schemes);
  const int cover = coverPages(job, request, schemes, *all);
  std::vector<PagePlan> pages;
  for (const Planned& one : *all)
    for (int page = 0; page < one.pages; ++page)
      pages.push_back({&one, page, cover + static_cast<int>(pages.size()) + 1});
  const int total = cover + static_cast<int>(pages.size());
  composePages(job, pages, total, stop, progress);
  if (stop.stop_requested()) return Pack{};
  pack.contents.push_back({1, cover, "Cover", "", readerWord(request.reader), "", base.paper->name, "cover"});
  pack.bookmarks.push_back({"Cover", 0, 0});
  std::string section;
  for (const PagePlan& one : pages) {
    if (!one.made->ok()) return one.made->error();
    if (one.page > 0) continue;
    const PackEntry& entry = one.of->entry;
    const std::string reader = request.reader == PackReader::All ? readerTitle(entry.reader) + std::string(": ") : "";
    const std::string under = reader + findRoom(job, entry.room)->name;
    if (under != section) pack.bookmarks.push_back({under, one.number - 1, 0});
    section = under;
    pack.contents.push_back(contentOf(job, *one.of, one.number, **one.made));
    pack.bookmarks.push_back({std::to_string(one.number) + "  " + entry.title, one.number - 1, 1});
  }
  PackRequest named = request;
  named.sheet.of = total;
  pack.pages = composeCover(job, named, schemes, pack.contents);
  for (PagePlan& one : pages) pack.pages.push_back(std::move(*one.made).value());
  return pack;
}

}  // namespace mezzet
