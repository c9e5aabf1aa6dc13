#include "io/tables/library.h"

#include <stdexcept>

#include "core/edit/validate.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"
#include "rules_data.inc"

namespace mezzet {

Result<Library> readLibrary(std::string_view text, const std::string& file) {
  if (text.size() > kMostLibraryBytes) return Error{file, "is larger than 4 MB", "Split it"};
  try {
    const Json json = parseJson(text);
    if (!json.is_object() || json.value("format", Json()) != "mezzet-library")
      return Error{file, "is no library of pieces", "A library says \"format\": \"mezzet-library\""};
    ObjectReader in(json, file);
    static_cast<void>(in.text("format"));
    if (const long long version = in.whole("version", 1); version < 1 || version > kLibraryVersion)
      return Error{file, "was written by a newer Mezzet: its format is version " + std::to_string(version),
                   "Update Mezzet to read it"};
    Library library;
    library.name = in.text("name", "");
    const Json& pieces = in.list("pieces");
    if (pieces.size() > kMostLibraryPieces) return Error{file, "holds more than 5000 pieces", "Split it"};
    for (std::size_t i = 0; i < pieces.size(); ++i) {
      const std::string place = in.placeOf("pieces/" + std::to_string(i));
      for (const char* key : {"id", "count", "variantOf", "image"})
        if (pieces[i].is_object() && pieces[i].contains(key))
          return Error{place + "/" + key, "belongs to a job, not to a library", "Take it out"};
      Json one = pieces[i];
      if (one.is_object()) one["id"] = "library";
      Piece piece = pieceFromJson(one, place);
      if (const auto fault = faultOf(piece)) return Error{place + ", " + fault->where, fault->what, fault->hint};
      piece.id = {};
      library.pieces.push_back(std::move(piece));
    }
    in.finish();
    return library;
  } catch (const JsonFault& fault) {
    return fault.error;
  } catch (const nlohmann::json::parse_error& fault) {
    return notJson(fault, text, file, "Check commas and quotes there");
  } catch (const nlohmann::json::exception&) {
    return Error{file, "holds a value that cannot be read", "See docs/library.md"};
  }
}

std::string writeLibrary(const std::string& name, const std::vector<Shared<Piece>>& pieces) {
  Json out{{"format", "mezzet-library"}, {"version", kLibraryVersion}, {"name", name}, {"pieces", Json::array()}};
  for (const auto& piece : pieces) {
    if (piece->variantOf) continue;
    Piece shared = *piece;
    shared.shop.edit().owned = false;
    Json one = toJson(shared);
    for (const char* key : {"id", "count", "variantOf", "image", "x"}) one.erase(key);
    out["pieces"].push_back(std::move(one));
  }
  return out.dump(1, ' ', false, Json::error_handler_t::replace) + "\n";
}

const Library& usualLibrary() {
  static const Library library = [] {
    auto read = readLibrary(kUsualLibrary, "data/library/usual.json");
    if (!read) throw std::logic_error(read.error().text());  // a fault of the build, not of a user
    return std::move(read).value();
  }();
  return library;
}

}  // namespace mezzet
