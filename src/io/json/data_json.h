// Data files of ours and of the user: what goes wrong in them, told once.
#pragma once

#include "core/base/result.h"
#include "io/json/job_json.h"
#include "io/json/json_reader.h"

namespace mezzet {

/// What `read` makes of the text; what it throws becomes the error.
template <class T, class Read>
Result<T> fromData(std::string_view text, const std::string& name, Read read) {
  try {
    return T(read(parseJson(text)));
  } catch (const JsonFault& fault) {
    return fault.error;
  } catch (const nlohmann::json::parse_error& fault) {
    return notJson(fault, text, name, "Check commas and quotes there");
  } catch (const nlohmann::json::exception&) {
    return Error{name, "holds a value that cannot be read", "Check it against the files in data"};
  }
}

}  // namespace mezzet
