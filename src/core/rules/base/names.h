// How things are called in sentences.
#pragma once

#include <string>
#include <unordered_map>

#include "core/base/sentence.h"
#include "core/model/job.h"

namespace mezzet {

/// How the placements of a scheme are called: the piece's name, numbered where it stands more than once.
class SchemeNames {
 public:
  SchemeNames(const Job& job, const Scheme& scheme) : SchemeNames(PieceIndex(job), scheme) {}
  SchemeNames(const PieceIndex&, const Scheme&);
  [[nodiscard]] bool knows(const std::string& id) const { return names_.contains(id); }
  [[nodiscard]] std::string plain(const PlacementId&) const;  ///< "Sofa", "Armchair 2"; the id of what is not there
  /// "the sofa", "armchair 2"; at the start of a sentence "The sofa", "Armchair 2".
  [[nodiscard]] std::string the(const PlacementId&, bool startsSentence = false) const;

 private:
  struct Name {
    std::string text;
    bool numbered = false;
  };
  std::unordered_map<std::string_view, Name> names_;
};

/// "hearth"; nothing when the id is no feature's.
[[nodiscard]] std::string featureWords(const Room&, const std::string& id);
/// What an id is called in a sentence: "the sofa", "wall A", "the hearth", "door d1".
[[nodiscard]] std::string thingWords(const SchemeNames&, const Room&, const std::string& id);
/// "the sofa and armchair 2", "a, b and c".
[[nodiscard]] std::string listWords(const std::vector<std::string>& names);

}  // namespace mezzet
