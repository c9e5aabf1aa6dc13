// Locales of other countries, compiled for the test by the system's own compiler, since a machine may have none: German
// writes 1,5 for 1.5, and in Turkish the small letter of I is another than i.
#pragma once

#include <filesystem>
#include <string>

#include "support/process.h"

namespace mezzet::test {

inline constexpr const char* kLocales[] = {"de_DE", "tr_TR"};

/// Makes them in a folder, which LOCPATH is to name. The locale itself says whether that went well: see `writesComma`.
inline void makeLocales(const std::string& folder) {
  std::filesystem::create_directories(folder);
  for (const char* name : kLocales)
    static_cast<void>(
        run("localedef -i " + std::string(name) + " -f UTF-8 " + folder + "/" + name + ".UTF-8 >/dev/null 2>&1"));
}
/// Words before a command that give it a locale out of such a folder.
inline std::string inLocale(const std::string& folder, const std::string& name) {
  return "LOCPATH=" + folder + " LC_ALL=" + name + ".UTF-8 ";
}
/// Whether programs really follow it: else nothing would be tested.
inline bool writesComma(const std::string& folder, const std::string& name) {
  return run(inLocale(folder, name) + "locale decimal_point").out == ",\n";
}

}  // namespace mezzet::test
