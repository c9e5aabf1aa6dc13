#include "core/rules/base/names.h"

#include <cctype>

#include "core/model/kinds.h"
#include "core/space/bodies.h"

namespace mezzet {

SchemeNames::SchemeNames(const PieceIndex& pieces, const Scheme& scheme) {
  std::unordered_map<std::string_view, int> here, counted;
  for (const Placement& p : scheme.placements) ++here[pieces.of(p).name];
  for (const Placement& p : scheme.placements) {
    const std::string& name = pieces.of(p).name;
    const bool numbered = here[name] > 1;
    names_[p.id.value] = {numbered ? name + " " + std::to_string(++counted[name]) : name, numbered};
  }
}

std::string SchemeNames::plain(const PlacementId& id) const {
  const auto at = names_.find(id.value);
  return at == names_.end() ? id.value : at->second.text;
}

std::string SchemeNames::the(const PlacementId& id, bool startsSentence) const {
  const auto at = names_.find(id.value);
  if (at == names_.end()) return id.value;
  if (at->second.numbered) return startsSentence ? at->second.text : midSentence(at->second.text);
  return (startsSentence ? "The " : "the ") + midSentence(at->second.text);
}

std::string featureWords(const Room& room, const std::string& id) {
  for (const Feature& f : room.features)
    if (f.id.value == id) return std::string(featureWord(f.kind));
  return {};
}

std::string thingWords(const SchemeNames& names, const Room& room, const std::string& id) {
  if (names.knows(id)) return names.the(PlacementId(id));
  for (const Corner& corner : room.corners)
    if (id == wallKey(corner.id)) return "wall " + corner.id.value;
  if (const Opening* o = findOpening(room, OpeningId(id))) return "the " + openingName(room, *o);
  // "p5/b2": a surface of what carries.
  if (const std::size_t slash = id.find('/'); slash != std::string::npos)
    return "shelf " + id.substr(slash + 1) + " of " + thingWords(names, room, id.substr(0, slash));
  const std::string feature = featureWords(room, id);
  return feature.empty() ? id : "the " + feature;
}

std::string listWords(const std::vector<std::string>& names) {
  std::string out;
  for (std::size_t i = 0; i < names.size(); ++i)
    out += (i == 0 ? "" : i + 1 == names.size() ? " and " : ", ") + names[i];
  return out;
}

}  // namespace mezzet
