// Printing from the command line.
#pragma once

#include "cli/commands.h"
#include "core/sheets/sheet.h"
#include "render/painter.h"

namespace mezzet::cli {

void addSheetCommands(CLI::App&, Options&, Runs&, int& argc, char** argv);

/// A paper by its id; refused in words.
[[nodiscard]] const Paper& paperNamed(const std::string& id);
/// The pictures of a job, for drawing; photometric files are none.
[[nodiscard]] ImageStore imagesIn(const JobFile&);

}  // namespace mezzet::cli
