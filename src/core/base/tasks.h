// What a job is made of, as data: which task follows which, how long each takes.
#pragma once

#include <string>
#include <vector>

namespace mezzet {

struct TaskKind {
  std::string id, words;
  int days = 1;    ///< of work, in one room
  int drying = 0;  ///< further working days until the next may begin
  int people = 1;
  std::vector<std::string> after;
  std::string caution;
};
struct TaskTimes {
  int begins = 9, hours = 8;                                ///< of a working day
  double nail = 12, templ = 4, bookcase = 120, table = 30;  ///< minutes each
};
struct TaskList {
  TaskTimes times;
  std::vector<TaskKind> kinds;  ///< none comes after one that stands behind it
};

}  // namespace mezzet
