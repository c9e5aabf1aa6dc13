#include "io/photometry/webs.h"

#include "io/photometry/ies.h"

namespace mezzet {

Photometries photometriesOf(const Job& job, const Images& files) {
  Photometries out;
  for (const auto& piece : job.pieces) {
    const std::string& name = piece->light->photometry;
    const auto file = files.find(name);
    if (name.empty() || out.contains(name) || file == files.end()) continue;
    if (auto web = readIes(*file->second, name)) out[name] = std::make_shared<const Photometry>(std::move(web).value());
  }
  return out;
}

}  // namespace mezzet
