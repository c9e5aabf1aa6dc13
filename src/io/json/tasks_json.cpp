#include "io/json/tasks_json.h"

#include <algorithm>

#include "io/json/data_json.h"

namespace mezzet {
namespace {

TaskKind readTask(const ObjectReader::Json& json, const std::string& where) {
  ObjectReader in(json, where);
  TaskKind out;
  out.id = in.text("id");
  out.words = in.text("words");
  out.days = static_cast<int>(in.whole("days", 1));
  out.drying = static_cast<int>(in.whole("drying", 0));
  out.people = static_cast<int>(in.whole("people", 1));
  for (const auto& before : in.list("after")) {
    if (!before.is_string()) in.fail("after", "must hold ids of tasks");
    out.after.push_back(before.get<std::string>());
  }
  out.caution = in.text("caution", "");
  if (out.days < 0 || out.drying < 0 || out.people < 1) in.fail("", "holds a number that cannot be", "0 or more");
  in.finish();
  return out;
}

TaskTimes readTimes(ObjectReader& data) {
  ObjectReader in(data.need("day"), data.placeOf("day"));
  TaskTimes t;
  t.begins = static_cast<int>(in.whole("begins", t.begins));
  t.hours = static_cast<int>(in.whole("hours", t.hours));
  t.nail = in.number("nailMinutes");
  t.templ = in.number("templateMinutes");
  t.bookcase = in.number("bookcaseMinutes");
  t.table = in.number("tableMinutes");
  if (t.hours < 1 || t.begins < 0 || t.begins + t.hours > 24) in.fail("hours", "are not within a day", "1 to 24");
  in.finish();
  return t;
}

}  // namespace

Result<TaskList> readTasks(std::string_view text, const std::string& name) {
  return fromData<TaskList>(text, name, [&](const ObjectReader::Json& json) {
    ObjectReader in(json, name);
    static_cast<void>(in.text("source"));
    TaskList out;
    out.times = readTimes(in);
    const auto& list = in.list("tasks");
    for (std::size_t i = 0; i < list.size(); ++i)
      out.kinds.push_back(readTask(list[i], in.placeOf("tasks/" + std::to_string(i))));
    for (std::size_t i = 0; i < out.kinds.size(); ++i)
      for (const std::string& before : out.kinds[i].after)
        if (std::none_of(out.kinds.begin(), out.kinds.begin() + static_cast<std::ptrdiff_t>(i),
                         [&](const TaskKind& kind) { return kind.id == before; }))
          in.fail("tasks", "has " + out.kinds[i].id + " after " + before + ", which does not stand before it",
                  "List tasks in their order");
    in.finish();
    return out;
  });
}

}  // namespace mezzet
