#include "io/files/journal_records.h"

#include <zlib.h>

#include <algorithm>
#include <cmath>

#include "core/edit/validate.h"
#include "io/json/choosing_json.h"
#include "io/json/display_json.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"
#include "io/json/records_json.h"
#include "io/json/site_json.h"

namespace mezzet {
namespace {

constexpr std::size_t kHead = 8;  // length and CRC-32, little endian
constexpr std::size_t kMostRecord = kMostRecordBytes - kHead;
constexpr int kJournalVersion = 2, kMostEdits = 1'000'000;
/// How a record begins that carries a whole job.
constexpr std::string_view kBaseBegins = "{\"mezzet-journal\"";
constexpr std::size_t kMostDraftRuns = 400;

std::string little(std::uint32_t value) {
  std::string out;
  for (int i = 0; i < 4; ++i) out += static_cast<char>((value >> (8 * i)) & 0xFFu);
  return out;
}
std::uint32_t fromLittle(const char* bytes) {
  std::uint32_t value = 0;
  for (int i = 0; i < 4; ++i) value |= static_cast<std::uint32_t>(static_cast<unsigned char>(bytes[i])) << (8 * i);
  return value;
}
std::uint32_t crcOf(std::string_view bytes) {
  return static_cast<std::uint32_t>(
      ::crc32(0, reinterpret_cast<const Bytef*>(bytes.data()), static_cast<uInt>(bytes.size())));
}

std::string record(const Json& json) {
  const std::string payload = json.dump(-1, ' ', false, Json::error_handler_t::replace);
  return little(static_cast<std::uint32_t>(payload.size())) + little(crcOf(payload)) + payload;
}

/// The next whole record from `at`, which moves past it; nothing when it is torn.
std::optional<std::string_view> nextRecord(const Bytes& bytes, std::size_t& at) {
  if (bytes.size() - at < kHead) return std::nullopt;
  const std::size_t length = fromLittle(bytes.data() + at);
  if (length == 0 || length > kMostRecord || bytes.size() - at - kHead < length) return std::nullopt;
  const std::string_view payload(bytes.data() + at + kHead, length);
  if (crcOf(payload) != fromLittle(bytes.data() + at + 4)) return std::nullopt;
  at += kHead + length;
  return payload;
}

Json toJson(const WalkDraft& draft) {
  Json out{{"room", draft.room.value}, {"ceiling", draft.ceiling}, {"runs", Json::array()}};
  for (const Run& run : draft.runs)
    out["runs"].push_back({{"length", run.length ? Json(*run.length) : Json(nullptr)}, {"turn", run.turn}});
  return out;
}
/// Nothing where it is none; throws nlohmann::json::exception.
std::optional<WalkDraft> draftFrom(const Json& json) {
  if (!json.is_object()) return std::nullopt;
  WalkDraft draft{RoomId(json.at("room").get<std::string>()), {}, json.at("ceiling").get<double>()};
  for (const Json& run : json.at("runs")) {
    if (draft.runs.size() == kMostDraftRuns) return std::nullopt;
    const Json& length = run.at("length");
    draft.runs.push_back(
        {length.is_null() ? std::nullopt : std::optional(length.get<double>()), run.at("turn").get<double>()});
    if (faultOfLength(draft.runs.back().length.value_or(1), {}) || std::abs(draft.runs.back().turn) > 180)
      return std::nullopt;
  }
  if (draft.ceiling != 0 && faultOfLength(draft.ceiling, {})) return std::nullopt;
  return draft;
}

template <class T>
void diffShared(Json& patch, const char* key, const std::vector<Shared<T>>& before,
                const std::vector<Shared<T>>& after) {
  const std::size_t common = std::min(before.size(), after.size());
  const std::string root = std::string("/") + key;
  for (std::size_t i = 0; i < common; ++i) {
    if (before[i] == after[i]) continue;
    Json steps = Json::diff(toJson(*before[i]), toJson(*after[i]), root + "/" + std::to_string(i));
    for (Json& step : steps) patch.push_back(std::move(step));
  }
  for (std::size_t i = before.size(); i > common; --i)
    patch.push_back({{"op", "remove"}, {"path", root + "/" + std::to_string(i - 1)}});
  for (std::size_t i = common; i < after.size(); ++i)
    patch.push_back({{"op", "add"}, {"path", root + "/-"}, {"value", toJson(*after[i])}});
}

void replace(Json& patch, const char* path, Json value) {
  patch.push_back({{"op", "replace"}, {"path", path}, {"value", std::move(value)}});
}

Json patchOf(const Job& before, const Job& after, long long nextId) {
  Json patch = Json::array();
  if (before.name != after.name) replace(patch, "/name", after.name);
  if (before.units != after.units) replace(patch, "/units", after.units == Unit::Inch ? "in" : "mm");
  if (before.brief != after.brief) replace(patch, "/brief", toJson(after.brief));
  if (before.houseRules != after.houseRules) replace(patch, "/houseRules", toJson(after.houseRules));
  if (before.extra != after.extra)
    patch.push_back(
        {{"op", "add"}, {"path", "/x"}, {"value", after.extra.empty() ? Json::object() : Json::parse(after.extra)}});
  if (before.carpet != after.carpet)
    patch.push_back({{"op", "add"}, {"path", "/carpet"}, {"value", toJson(after.carpet)}});
  if (before.palette != after.palette)
    patch.push_back({{"op", "add"}, {"path", "/palette"}, {"value", toJson(after.palette)}});
  if (before.budget != after.budget)
    patch.push_back({{"op", "add"}, {"path", "/budget"}, {"value", toJson(after.budget)}});
  if (before.records != after.records) {
    const Json was = recordsToJson(*before.records), now = recordsToJson(*after.records);
    for (const auto& [key, value] : was.items())
      if (!now.contains(key)) patch.push_back({{"op", "remove"}, {"path", "/" + key}});
    for (const auto& [key, value] : now.items())
      if (!was.contains(key) || was[key] != value)
        patch.push_back({{"op", "add"}, {"path", "/" + key}, {"value", value}});
  }
  if (before.storeys != after.storeys)
    patch.push_back({{"op", "add"}, {"path", "/storeys"}, {"value", toJson(after.storeys)}});
  diffShared(patch, "rooms", before.rooms, after.rooms);
  diffShared(patch, "pieces", before.pieces, after.pieces);
  diffShared(patch, "schemes", before.schemes, after.schemes);
  replace(patch, "/nextId", nextId);
  return patch;
}

/// What a record that carries a whole job says; nothing when it cannot be read.
struct Base {
  Recovered found;
  Json job;
};
std::optional<Base> baseFrom(std::string_view payload, const std::string& name) {
  try {
    const Json first = parseJson(payload);
    if (first.at("mezzet-journal").get<int>() > kJournalVersion) return std::nullopt;
    Base out;
    out.found.path = first.at("path").get<std::string>();
    out.found.savedSha = first.at("sha256").get<std::string>();
    if (first.contains("unsaved")) {
      out.found.edits = std::clamp(first["unsaved"].at("edits").get<int>(), 0, kMostEdits);
      out.found.lastEdit = first["unsaved"].at("last").get<std::string>();
    }
    if (first.contains("draft")) out.found.draft = draftFrom(first["draft"]);
    out.job = first.at("base");
    Result<JobFile> file = jobFromJson(out.job, name);
    if (!file) return std::nullopt;
    out.found.file = std::move(file).value();
    return out;
  } catch (const nlohmann::json::exception&) {
    return std::nullopt;
  }
}

/// The edits of `records` done to a base, as far as each is whole and, if `checked`, makes a job that stands.
Result<Recovered> replayed(Base base, const std::vector<std::pair<std::string_view, std::size_t>>& records,
                           const std::string& name, bool checked) {
  Recovered out = base.found;
  Json& job = base.job;
  bool any = false;
  for (const auto& [payload, end] : records) {
    try {
      const Json step = parseJson(payload);
      if (step.contains("draft")) {
        out.draft = draftFrom(step["draft"]);
      } else {
        const std::string edit = step.at("name").get<std::string>();
        Json after = checked ? job : Json();
        (checked ? after : job).patch_inplace(step.at("patch"));
        if (checked) {
          Result<JobFile> file = jobFromJson(after, name);
          if (!file) break;
          out.file = std::move(file).value();
          job = std::move(after);
        }
        any = true;
        out.edits = std::min(kMostEdits, out.edits + std::clamp(step.value("edits", 1), 1, kMostEdits));
        out.lastEdit = edit;
      }
    } catch (const nlohmann::json::exception&) {
      if (!checked) return Error{name, "holds an edit that does not fit", ""};
      break;  // what follows builds on this edit, so it ends here
    }
    out.goodBytes = end;
  }
  if (!any || checked) return out;
  Result<JobFile> latest = jobFromJson(job, name);
  if (!latest) return latest.error();
  out.file = std::move(latest).value();
  return out;
}

}  // namespace

std::string editRecord(const std::string& name, const Job& before, const Job& after, long long nextId, int edits) {
  Json edit{{"name", name}, {"patch", patchOf(before, after, nextId)}};
  if (edits != 1) edit["edits"] = edits;
  return record(edit);
}

std::string draftRecord(const std::optional<WalkDraft>& draft) {
  return record(Json{{"draft", draft ? toJson(*draft) : Json(nullptr)}});
}

std::string baseRecord(const std::string& path, const std::string& savedSha, const Unsaved& unsaved,
                       const std::optional<WalkDraft>& draft, const JobFile& base) {
  Json head{{"mezzet-journal", kJournalVersion}, {"path", path}, {"sha256", savedSha}};
  if (unsaved.edits > 0) head["unsaved"] = {{"edits", unsaved.edits}, {"last", unsaved.last}};
  if (draft) head["draft"] = toJson(*draft);
  head["base"] = toJson(base.job, base.nextId);
  return record(head);
}

std::string patchText(const Job& before, const Job& after, long long nextId) {
  return patchOf(before, after, nextId).dump();
}

Result<Recovered> readJournal(const Bytes& bytes, const std::string& name) {
  // Records by where they end; the last one that carries a whole job is where reading begins.
  std::vector<std::pair<std::string_view, std::size_t>> records;
  std::size_t at = 0;
  while (const auto payload = nextRecord(bytes, at)) records.emplace_back(*payload, at);
  for (std::size_t i = records.size(); i-- > 0;) {
    if (!records[i].first.starts_with(kBaseBegins)) continue;
    std::optional<Base> base = baseFrom(records[i].first, name);
    if (!base) continue;
    base->found.goodBytes = records[i].second;
    const std::vector<std::pair<std::string_view, std::size_t>> edits(
        records.begin() + static_cast<std::ptrdiff_t>(i) + 1, records.end());
    // In one go, and step by step only where that does not lead to a sound job.
    if (auto quick = replayed(*base, edits, name, false)) return quick;
    return replayed(std::move(*base), edits, name, true);
  }
  return Error{name, "is not a whole journal", "Nothing can be brought back from it"};
}

}  // namespace mezzet
