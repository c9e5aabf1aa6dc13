#include "io/tables/calendar_file.h"

#include <algorithm>

namespace mezzet {
namespace {

constexpr std::size_t kLongestCalendarLine = 75;  // bytes, RFC 5545 section 3.1

/// "20260331"
std::string compact(Day day) {
  std::string out = writeDay(day);
  std::erase(out, '-');
  return out;
}

/// RFC 5545 section 3.3.11: backslash, comma, semicolon and the end of a line are written with a backslash.
std::string escaped(const std::string& text) {
  std::string out;
  for (const char c : text) {
    if (c == '\\' || c == ',' || c == ';') out += '\\';
    if (c == '\n') out += "\\n";
    else if (static_cast<unsigned char>(c) >= 0x20) out += c;
  }
  return out;
}

void addLine(std::string& out, std::string line) {
  bool first = true;
  while (!line.empty()) {
    std::size_t take = std::min(line.size(), kLongestCalendarLine - (first ? 0 : 1));
    while (take < line.size() && take > 1 && (static_cast<unsigned char>(line[take]) & 0xC0) == 0x80) --take;
    out += (first ? "" : " ") + line.substr(0, take) + "\r\n";
    line.erase(0, take);
    first = false;
  }
}

/// Words of an id that mail systems take: letters, digits, hyphens.
std::string plainId(const std::string& text) {
  std::string out;
  for (const char c : text) {
    const bool plain = (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || (c >= '0' && c <= '9');
    out += plain ? c : '-';
  }
  return out;
}

void addEvent(std::string& out, const std::string& id, Day from, Day to, const std::string& what,
              const std::string& more, const std::string& stamp) {
  addLine(out, "BEGIN:VEVENT");
  addLine(out, "UID:" + plainId(id) + "@mezzet.invalid");
  addLine(out, "DTSTAMP:" + stamp + "T000000Z");
  addLine(out, "DTSTART;VALUE=DATE:" + compact(from));
  addLine(out, "DTEND;VALUE=DATE:" + compact(to.plus(1)));
  addLine(out, "SUMMARY:" + escaped(what));
  if (!more.empty()) addLine(out, "DESCRIPTION:" + escaped(more));
  addLine(out, "TRANSP:TRANSPARENT");
  addLine(out, "END:VEVENT");
}

std::string spareWords(const JobTask& t) {
  return t.critical() ? "No day to spare." : "Latest start " + writeDay(t.latest) + ".";
}

}  // namespace

std::string calendarText(const Dates& dates, const std::string& job, Day stamp) {
  std::string out;
  const std::string day = compact(stamp), of = plainId(job) + "-";
  addLine(out, "BEGIN:VCALENDAR");
  addLine(out, "VERSION:2.0");
  addLine(out, "PRODID:-//Mezzet//Dates//EN");
  addLine(out, "CALSCALE:GREGORIAN");
  for (const JobTask& t : dates.tasks) {
    const std::string what = t.what + " (" + job + ")";
    if (t.kind != "order") {
      addEvent(out, of + t.id, t.start, t.end, what, spareWords(t), day);
      continue;
    }
    addEvent(out, of + t.id, t.start, t.start, what, std::to_string(t.days) + " days. " + spareWords(t), day);
    const Day comes = workingFrom(t.start.plus(t.days));
    addEvent(out, of + "comes-" + t.id, comes, comes, "Comes: " + what, "", day);
  }
  addLine(out, "END:VCALENDAR");
  return out;
}

Rows datesTable(const Dates& dates) {
  Rows out{{"id", "what", "start", "end", "latest start", "days to spare", "after", "people", "minutes"}};
  for (const JobTask& t : dates.tasks) {
    std::string after;
    for (const std::string& one : t.after) after += (after.empty() ? "" : " ") + one;
    out.push_back({t.id, t.what, writeDay(t.start), writeDay(t.end), writeDay(t.latest), std::to_string(t.slack), after,
                   std::to_string(t.people), t.minutes > 0 ? std::to_string(static_cast<int>(t.minutes)) : ""});
  }
  return out;
}

}  // namespace mezzet
