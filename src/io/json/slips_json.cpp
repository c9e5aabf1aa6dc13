#include "io/json/slips_json.h"

#include <stdexcept>

#include "io/json/data_json.h"
#include "rules_data.inc"

namespace mezzet {
namespace {

using Json = ObjectReader::Json;

Slip readSlip(const Json& json, const std::string& where) {
  ObjectReader in(json, where);
  Slip slip;
  slip.id = in.text("id");
  slip.words = in.text("words");
  const std::string kind = in.text("kind");
  if (kind == "add") slip.kind = SlipKind::Add;
  else if (kind == "scale") slip.kind = SlipKind::Scale;
  else if (kind == "swap-digits") slip.kind = SlipKind::SwapDigits;
  else if (kind == "other-digit") slip.kind = SlipKind::OtherDigit;
  else if (kind == "inches-as-feet") slip.kind = SlipKind::InchesAsFeet;
  else in.fail("kind", "is not a kind of slip");
  slip.amount = in.number("amount", 0);
  if (const std::string d = in.text("digit", ""); !d.empty()) slip.digit = d[0];
  if (const std::string d = in.text("other", ""); !d.empty()) slip.other = d[0];
  if (const std::string u = in.text("units", ""); !u.empty()) slip.units = u == "in" ? Unit::Inch : Unit::Millimetre;
  static_cast<void>(in.text("source", ""));
  in.finish();
  return slip;
}

}  // namespace

Result<std::vector<Slip>> readSlips(std::string_view text, const std::string& name) {
  return fromData<std::vector<Slip>>(text, name, [&](const Json& json) {
    std::vector<Slip> out;
    for (std::size_t i = 0; i < json.size(); ++i) out.push_back(readSlip(json[i], name + "/" + std::to_string(i)));
    return out;
  });
}

const std::vector<Slip>& builtInSlips() {
  static const std::vector<Slip> slips = [] {
    auto read = readSlips(kSlips, "data/survey/slips.json");
    if (!read) throw std::logic_error(read.error().text());  // a fault of the build, not of a user
    return std::move(read).value();
  }();
  return slips;
}

}  // namespace mezzet
