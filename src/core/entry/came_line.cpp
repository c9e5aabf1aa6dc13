#include "core/entry/came_line.h"

#include <algorithm>
#include <cmath>

#include "core/base/sentence.h"
#include "core/entry/line_words.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

constexpr std::string_view kCame = " came";
constexpr double kSameSize = 0.01;

/// Where " came" stands as a word of its own; npos where it does not.
std::size_t cameAt(const std::string& low) {
  for (std::size_t at = low.find(kCame); at != std::string::npos; at = low.find(kCame, at + 1)) {
    const std::size_t end = at + kCame.size();
    if (end == low.size() || low[end] == ' ') return at;
  }
  return std::string::npos;
}

/// By name or id first, else by kind.
std::vector<const Piece*> named(const Job& job, const std::vector<PieceId>& first, const std::string& name) {
  std::vector<const Piece*> byName, byKind;
  const auto look = [&](const Piece& piece) {
    if (lower(piece.name) == name || lower(piece.id.value) == name) byName.push_back(&piece);
    else if (lower(std::string(kindWords(piece.kind))) == name) byKind.push_back(&piece);
  };
  for (const PieceId& id : first)
    if (const Piece* piece = findPiece(job, id)) look(*piece);
  if (!byName.empty()) return byName;
  if (!byKind.empty()) return byKind;
  for (const auto& piece : job.pieces) look(*piece);
  return byName.empty() ? byKind : byName;
}

std::vector<double> sizesFrom(std::string_view text, std::size_t at, Unit bare) {
  const std::string low = lower(text);
  std::vector<Typed> sizes;
  while (at < text.size()) {
    if (text[at] == ' ' || text[at] == ',') {
      ++at;
      continue;
    }
    if (low[at] == 'x' || low.compare(at, 2, "\u00d7") == 0) {
      at += low[at] == 'x' ? 1 : 2;
      continue;
    }
    if (low.compare(at, 10, "as planned") == 0) {
      at += 10;
      continue;
    }
    if (!isDigit(text[at])) throw Refusal{at, "Type sizes here: 84 1/2 x 37 x 33, or nothing where it is as planned."};
    const TypedTo one = typedLengthAt(text, low, at, bare);
    if (!(one.typed.length > 0)) throw Refusal{at, "A size is more than nothing."};
    sizes.push_back(one.typed);
    at = one.end;
  }
  if (!sizes.empty()) shareUnit(sizes, bare);
  std::vector<double> out;
  for (const Typed& size : sizes) out.push_back(size.length);
  return out;
}

std::string sizeEcho(double came, double planned, const char* word, LengthFormat format) {
  std::string out = ", " + writeLength(came > 0 ? came : planned, format) + " " + word;
  if (came > 0 && std::abs(came - planned) > kSameSize) out += " (planned " + writeLength(planned, format) + ")";
  else if (came <= 0) out += " as planned";
  return out;
}

std::string echoOf(const Piece& piece, const BoxSize& came, LengthFormat format) {
  std::string out = sizeEcho(came.width, piece.width, "wide", format);
  if (piece.depth && !isSeenUpright(piece.kind)) out += sizeEcho(came.depth, *piece.depth, "deep", format);
  if (piece.height) out += sizeEcho(came.height, *piece.height, "high", format);
  return capital(piece.name) + " came" + (out.empty() ? "" : ":" + out.substr(1));
}

}  // namespace

CameReading readCameLine(std::string_view text, const Job& job, const std::vector<PieceId>& first, Unit bare,
                         LengthFormat format) {
  CameReading out;
  const std::string low = lower(text);
  const std::size_t at = cameAt(low);
  if (at == std::string::npos) return out;
  out.meant = true;
  const std::string name = trimmed(std::string_view(low).substr(0, at));
  const std::vector<const Piece*> found = named(job, first, name);
  if (found.empty()) {
    out.complaint = "Nothing in this job is called that: " + name + ".";
    return out;
  }
  if (found.size() > 1) {
    out.complaint = "There are several: ";
    for (std::size_t i = 0; i < std::min<std::size_t>(found.size(), 4); ++i)
      out.complaint += (i > 0 ? ", " : "") + found[i]->name;
    out.complaint += ". Type the name.";
    return out;
  }
  const Piece& piece = *found.front();
  try {
    const std::vector<double> sizes = sizesFrom(text, at + kCame.size(), bare);
    const bool upright = isSeenUpright(piece.kind);
    if (sizes.size() > (upright ? 2u : 3u))
      throw Refusal{text.size(), upright ? "A picture has two sizes: 24 x 18." : "Three sizes do: 84 x 37 x 33."};
    if (!sizes.empty()) out.sizes.width = sizes[0];
    if (sizes.size() > 1) (upright ? out.sizes.height : out.sizes.depth) = sizes[1];
    if (sizes.size() > 2) out.sizes.height = sizes[2];
    out.piece = piece.id;
    out.echo = echoOf(piece, out.sizes, format);
  } catch (const Refusal& refusal) {
    out.at = characters(text, refusal.at);
    out.complaint = refusal.sentence;
  }
  return out;
}

}  // namespace mezzet
