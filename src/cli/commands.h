// How the commands of mezzet-cli are declared. Only for files that declare some: the library of arguments is dear to
// compile.
#pragma once

#include <CLI/CLI.hpp>
#include <functional>

#include "cli/common.h"

namespace mezzet::cli {

/// A command and what it runs.
using Runs = std::vector<std::pair<CLI::App*, std::function<int()>>>;

inline CLI::App* command(CLI::App& cli, Options& o, const char* name, const char* what) {
  CLI::App* sub = cli.add_subcommand(name, what);
  sub->add_option("JOB", o.job, "A .mezzet file or a bare job.json")->required();
  return sub;
}
inline CLI::App* withPlace(CLI::App* sub, Options& o) {
  sub->add_option("--room", o.room, "Room id; the first if not given");
  sub->add_option("--scheme", o.scheme, "Scheme id; the room's first if not given");
  return sub;
}

}  // namespace mezzet::cli
