#include "io/files/pack_folder.h"

#include <filesystem>

#include "io/tables/csv.h"

namespace mezzet {
namespace {

/// Small letters, digits and hyphens.
std::string fileWords(const std::string& text) {
  std::string out;
  for (const char c : text) {
    const char low = c >= 'A' && c <= 'Z' ? static_cast<char>(c - 'A' + 'a') : c;
    const bool plain = (low >= 'a' && low <= 'z') || (low >= '0' && low <= '9');
    if (plain) out += low;
    else if (!out.empty() && out.back() != '-') out += '-';
  }
  while (!out.empty() && out.back() == '-') out.pop_back();
  return out;
}

std::vector<std::string> namesOf(const Pack& pack) {
  std::vector<std::string> out;
  for (const PackContent& c : pack.contents) {
    const std::string number = (c.first < 10 ? "0" : "") + std::to_string(c.first);
    out.push_back(number + "-" + fileWords(c.title + " " + c.room) + ".pdf");
  }
  return out;
}

Rows tableOf(const Pack& pack, const std::vector<std::string>& names) {
  Rows out{{"sheet", "pages", "title", "room", "reader", "scale", "paper", "file"}};
  for (std::size_t i = 0; i < pack.contents.size(); ++i) {
    const PackContent& c = pack.contents[i];
    out.push_back(
        {std::to_string(c.first), std::to_string(c.pages), c.title, c.room, c.reader, c.scale, c.paper, names[i]});
  }
  return out;
}

}  // namespace

std::optional<Error> savePackFolder(FileSystem& system, const std::string& folder, const Pack& pack,
                                    const std::vector<std::string>& files) {
  std::error_code fault;
  std::filesystem::create_directories(folder, fault);
  if (fault) return Error{folder, "could not be made", "Choose a folder that can be written, or name a .pdf"};
  const std::vector<std::string> names = namesOf(pack);
  for (std::size_t i = 0; i < files.size(); ++i)
    if (auto failed = saveAtomically(system, folder + "/" + names[i], files[i])) return failed;
  return saveAtomically(system, folder + "/contents.csv", writeCsv(tableOf(pack, names)));
}

}  // namespace mezzet
