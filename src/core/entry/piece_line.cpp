#include "core/entry/piece_line.h"

#include <algorithm>
#include <charconv>
#include <cmath>
#include <utility>

#include "core/entry/completion.h"
#include "core/entry/line_words.h"
#include "core/entry/thing_words.h"
#include "core/entry/words.h"
#include "core/model/kinds.h"
#include "core/model/piece_fields.h"
#include "core/edit/displays.h"
#include "core/edit/validate.h"
#include "core/base/sentence.h"

namespace mezzet {
namespace {

class PieceReader {
 public:
  PieceReader(std::string_view text, Unit bare, bool swapped)
      : text_(text), low_(lower(text)), bare_(bare), swapped_(swapped) {}

  PieceReading read(LengthFormat format) {
    PieceReading out;
    skip();
    if (at_ == text_.size()) {
      out.complaint = "Type what it is and its sizes: sofa 84 x 36 x 33.";
      return out;
    }
    readCount();
    readKind();
    checkCount(count_, kind_);
    piece_ = usualPiece(kind_);
    if (isBookRun(kind_) && count_ > 1) piece_.thing.edit().volumes = std::exchange(count_, 1);
    if (!isKnownKind(kind_)) {
      piece_.name = name_;
      piece_.kind = kind_;
      piece_.width = 0;
    }
    if (mount_) piece_ = usuallyMounted(std::move(piece_), *mount_);
    if (shape_) setShape(*shape_);
    readSizes();
    place();
    if (!quoted_.empty()) piece_.name = quoted_;
    piece_ = withEqualBays(std::move(piece_), static_cast<int>(piece_.surfaces->all.size()));
    out.count = piece_.count = count_;
    out.over = over_;
    out.hang = hang_;
    if (!over_.empty()) out.notes.push_back("It hangs over the " + std::string(kindWords(over_)) + ".");
    out.canSwap = hangs(kind_) && !isScreen(kind_);
    out.notes = notes_;
    piece_.id = PieceId("typed");
    if (const auto fault = faultOf(piece_))
      throw Refusal{text_.size(), fault->what.empty() ? "" : capital(fault->text()) + "."};
    piece_.id = {};
    if (!isKnownKind(kind_))
      out.notes.push_back("No furniture rule judges " + withArticle(name_) + "; it is drawn and measured.");
    out.piece = piece_;
    out.echo = (count_ > 1 ? std::to_string(count_) + " of: " : "") + pieceWords(piece_, format);
    if (hang_) out.echo += wishWords(*hang_, format);
    if (sizes_.empty() && !anyNamed_) out.completion = (text_.ends_with(' ') ? "" : " ") + usualSizes(piece_, bare_);
    return out;
  }

 private:
  void skip() {
    while (at_ < text_.size() &&
           (text_[at_] == ' ' || text_[at_] == '\t' || text_[at_] == ',' || text_[at_] == ';' || text_[at_] == ':'))
      ++at_;
  }
  [[nodiscard]] std::string_view wordHere() const { return wordAt(low_, at_); }

  /// "4 chairs": a whole number before a word that is no unit; or the word for it.
  void readCount() {
    const auto here = countAt(text_, low_, at_);
    if (!here) throw Refusal{at_, "Begin with what it is: sofa, low table, rug, art ..."};
    count_ = here->count;
    at_ = here->next;
    skip();
  }

  bool readShapeWord() {
    const std::string_view word = wordHere();
    if (const auto shape = shapeWord(word)) shape_ = shape;
    else if (word == "left" || word == "left-hand") hand_ = Hand::Left;
    else if (word == "right" || word == "right-hand") hand_ = Hand::Right;
    else return false;
    at_ += word.size();
    skip();
    return true;
  }

  void readKind() {
    while (readShapeWord()) {}
    if (at_ == text_.size()) throw Refusal{at_, "Say what it is: sofa, low table, rug, art ..."};
    const std::string_view rest = std::string_view(low_).substr(at_);
    if (const auto named = kindAt(rest)) {
      kind_ = named->kind;
      mount_ = named->mount;
      name_ = kindWords(kind_);
      at_ += named->length;
      skip();
      while (readShapeWord()) {}
      return;
    }
    OwnKind own = ownKindAt(text_, at_);
    name_ = std::move(own.name);
    kind_ = std::move(own.kind);
    at_ = own.end;
  }

  void setShape(Shape shape) { piece_ = usuallyShaped(std::move(piece_), shape); }

  /// A length from here to the next "x", word or end.
  Typed readLengthHere() {
    const TypedTo read = typedLengthAt(text_, low_, at_, bare_);
    at_ = read.end;
    skip();
    return read.typed;
  }

  bool readTimes() {
    skip();
    if (at_ >= text_.size()) return false;
    if (low_[at_] == 'x' && (at_ + 1 >= low_.size() || !isLetter(low_[at_ + 1]))) ++at_;
    else if (text_.substr(at_).starts_with("\xC3\x97")) at_ += 2;
    else if (text_[at_] == '*') ++at_;
    else if (wordHere() == "by") at_ += 2;
    else return false;
    skip();
    return true;
  }

  void readSizes() {
    skip();
    while (at_ < text_.size()) {
      if (text_[at_] == '"') {
        const std::size_t end = text_.find('"', at_ + 1);
        if (end == std::string_view::npos) throw Refusal{at_, "Close the name with a second quote."};
        quoted_ = std::string(text_.substr(at_ + 1, end - at_ - 1));
        if (quoted_.empty()) throw Refusal{at_, "A name cannot be empty."};
        at_ = end + 1;
      } else if (const std::size_t length = readThingWord(text_, low_, at_, piece_)) {
        at_ += length;
      } else if (isDigit(text_[at_]) || text_[at_] == '.' || letterAt(low_, at_, true) != 0) {
        if (!sizes_.empty() || lettered_) readTrailing();
        else readChain();
      } else if (!wordHere().empty()) {
        readWord();
      } else {
        throw Refusal{at_, "This cannot be read. Sizes look like 84 x 36 x 33."};
      }
      skip();
    }
  }

  Typed readLettered(char& letter) {
    letter = letterAt(low_, at_, true);
    if (letter != 0) ++at_;
    skip();
    if (at_ >= text_.size()) throw Refusal{at_, "A size is missing after the x."};
    Typed typed = readLengthHere();
    if (letter == 0 && (letter = letterAt(low_, at_, false)) != 0) ++at_;
    skip();
    return typed;
  }
  /// "84 x 36 x 33", "86w x 37d x 33h", "H 33 x W 86 x D 37".
  void readChain() {
    std::string letters;
    do {
      if (at_ >= text_.size()) throw Refusal{at_, "A size is missing after the x."};
      if (sizes_.size() == 3)
        throw Refusal{at_, "Three sizes are enough: width x depth x height. Say seat, arm or back for others."};
      char letter = 0;
      sizes_.push_back(readLettered(letter));
      if (letter != 0 && letters.find(letter) != std::string::npos)
        throw Refusal{sizes_.back().at, std::string("There are two sizes with ") + letter + "."};
      letters += letter == 0 ? '?' : letter;
    } while (readTimes() || (!letters.empty() && letters.back() != '?' && letterAt(low_, at_, true) != 0));
    shareUnit(sizes_, bare_);
    lettered_ = letters.find_first_not_of('?') != std::string::npos;
    if (!lettered_) {
      // "20 dia", "18 x 22 high": the word may stand behind the last size.
      if (!wordHere().empty() && readNamedAfter(sizes_.back())) sizes_.pop_back();
      return;
    }
    // What carries no letter is what is left, in the usual order.
    const std::vector<Typed> typed = std::exchange(sizes_, {});
    for (std::size_t i = 0; i < typed.size(); ++i) {
      char letter = letters[i];
      for (const char usual : {'w', 'd', 'h'})
        if (letter == '?' && letters.find(usual) == std::string::npos) letters[i] = letter = usual;
      named(letter == 'w'   ? (piece_.shape == Shape::Round ? kDiameter : std::string_view(kWidthKey))
            : letter == 'd' ? std::string_view(kDepthKey)
                            : std::string_view(kHeightKey),
            typed[i]);
    }
  }

  /// "22 high": the size came first.
  bool readNamedAfter(const Typed& typed) {
    const auto word = sizeWord(wordHere());
    if (!word) return false;
    const std::size_t here = at_;
    at_ += word->said.word.size();
    skip();
    // "18 seat 17" would be two sizes for one word: then the word belongs to what follows.
    if (at_ < text_.size() && isDigit(text_[at_]) && !(word->said.behind && sizes_.size() < 2)) {
      at_ = here;
      return false;
    }
    named(word->key, typed);
    return true;
  }
  void readTrailing() {
    const std::size_t began = at_;
    const Typed typed = readLengthHere();
    if (!readNamedAfter(typed))
      throw Refusal{began, "What is this size? Put an x between sizes, or say seat, arm, back or high."};
  }

  /// "over table", "over the island": what a light is hung over.
  bool readOver() {
    if (wordHere() != "over" || !goesOnCeiling(kind_)) return false;
    const auto top = topAfterOver(low_, at_);
    if (!top) throw Refusal{at_, "Over what: a table, a desk, a counter or an island?"};
    over_ = top->kind;
    at_ += top->length;
    return true;
  }

  /// "row 2", "salon": how several are hung, and the gap between them.
  bool readHang() {
    const auto as = hangs(kind_) ? hangAsWord(wordHere()) : std::nullopt;
    if (!as) return false;
    hang_ = HangWish{*as};
    at_ += wordHere().size();
    skip();
    if (at_ < text_.size() && isDigit(text_[at_])) hang_->gap = readLengthHere().length;
    return true;
  }

  void readWord() {
    const std::string_view word = wordHere();
    if (readOver() || readHang()) return;
    if (const auto size = sizeWord(word)) {
      const std::size_t here = at_;
      at_ += word.size();
      skip();
      if (at_ >= text_.size() || !(isDigit(text_[at_]) || text_[at_] == '.'))
        throw Refusal{here, "A size is missing after \"" + std::string(word) + "\"."};
      named(size->key, readLengthHere());
      return;
    }
    if (word == "left" || word == "right") {
      hand_ = word == "left" ? Hand::Left : Hand::Right;
      at_ += word.size();
      return;
    }
    if (word == "round" || word == "oval") {
      shape_ = word == "round" ? Shape::Round : Shape::Oval;
      setShape(*shape_);
      at_ += word.size();
      return;
    }
    throw Refusal{
        at_, "\"" + std::string(word) + "\" is not a size word: use seat, arm, back, high, pad, dia, left or right."};
  }

  void set(std::string_view key, double length) {
    findField(key)->setNumber(piece_, length);
    piece_.doubts.erase(std::string(key));
  }
  void named(std::string_view dimension, const Typed& typed) {
    anyNamed_ = true;
    const double length = rugLength(typed, dimension);
    if (dimension == kDiameter) {
      piece_.shape = Shape::Round;
      set(kWidthKey, length);
      set(hangs(kind_) ? kHeightKey : kDepthKey, length);
    } else {
      set(dimension, length);
      if (dimension == kHeightKey) heightTyped_ = true;
      if (dimension == kBackKey) backTyped_ = true;
    }
  }

  double rugLength(const Typed& typed, std::string_view dimension) {
    const bool flat = isRug(kind_) && dimension != kHeightKey && dimension != "pad";
    return flat ? rugSize(typed, bare_, notes_) : typed.length;
  }

  void place() {
    if (hand_ != piece_.limbs->hand) piece_.limbs.edit().hand = hand_;
    const bool flat = hangs(kind_);
    for (std::size_t i = 0; i < sizes_.size(); ++i) {
      const double length = i < 2 ? rugLength(sizes_[i], kWidthKey) : sizes_[i].length;
      if (flat && piece_.shape == Shape::Round) {
        // Round on the wall: one size across, then how deep it is.
        const bool again = i == 1 && std::abs(sizes_[0].length - sizes_[1].length) < 0.01;
        if (i == 0) {
          set(kWidthKey, length);
          set(kHeightKey, length);
        } else if (!again) set(kDepthKey, length);
      } else if (flat)
        set(i == 0   ? (swapped_ ? kHeightKey : kWidthKey)
            : i == 1 ? (swapped_ ? kWidthKey : kHeightKey)
                     : kDepthKey,
            length);
      else if (piece_.shape == Shape::Round) {
        // A round thing has one size across; the next is its height, unless two equal ones were typed.
        const bool twice = sizes_.size() > 1 && std::abs(sizes_[0].length - sizes_[1].length) < 0.01;
        if (i == 0) {
          set(kWidthKey, length);
          set(kDepthKey, length);
        } else if (i == 1 && !twice) {
          if (sizes_.size() == 3)
            throw Refusal{sizes_[1].at,
                          "A round piece has one diameter: round table 30 x 17 high, or oval table 48 x 30 x 17."};
          if (shape_ || isDisplayed(kind_)) set(kHeightKey, length);
          else {
            piece_.shape = Shape::Rect;
            set(kDepthKey, length);
          }
        } else if (i == 2) set(kHeightKey, length);
      } else set(i == 0 ? kWidthKey : i == 1 ? kDepthKey : kHeightKey, length);
      if (i == 2 && !flat) heightTyped_ = true;
    }
    if (sizes_.size() == 2 && piece_.shape == Shape::Round && !isRug(kind_) && !isDisplayed(kind_) && !shape_)
      piece_.shape = Shape::Rect;
    // A typed square of a kind that is usually round stays round only when nothing else was said of it.
    const bool square = sizes_.size() == 3 && std::abs(sizes_[0].length - sizes_[1].length) < 0.01;
    if (sizes_.size() == 3 && piece_.shape == Shape::Round && !shape_ && !(square && isDisplayed(kind_)))
      piece_.shape = Shape::Rect;
    if (isRug(kind_) && !sizes_.empty()) {
      piece_.rug.edit().soldWidth = piece_.width;
      piece_.rug.edit().soldDepth = piece_.depth;
    }
    // The back of a seat is as high as the whole, until it is said.
    if (heightTyped_ && !backTyped_ && piece_.seat->back) {
      piece_.seat.edit().back = piece_.height;
      piece_.doubts.erase(std::string(kBackKey));
    }
    if (heightTyped_ && backTyped_ && piece_.seat->back && piece_.height && *piece_.seat->back > *piece_.height + 0.01)
      throw Refusal{text_.size(), "Its back would be higher than the whole: say which of the two is meant."};
    const bool said = !sizes_.empty() || anyNamed_;
    if ((piece_.width <= 0 && !said) || !(piece_.depth || flat))
      throw Refusal{text_.size(), "Type its sizes: width x depth x height."};
    if (flat && !piece_.height) throw Refusal{text_.size(), "Type its width and its height."};
  }

  std::string_view text_;
  std::string low_;
  Unit bare_;
  bool swapped_;
  std::size_t at_ = 0;
  int count_ = 1;
  std::string kind_, name_, quoted_, over_;
  std::optional<HangWish> hang_;
  std::optional<Mount> mount_;
  std::optional<Shape> shape_;
  Hand hand_ = Hand::Left;
  std::vector<Typed> sizes_;
  bool lettered_ = false;  // sizes carried w, d or h
  bool anyNamed_ = false, heightTyped_ = false, backTyped_ = false;
  std::vector<std::string> notes_;
  Piece piece_;
};

}  // namespace

PieceReading readPieceLine(std::string_view text, Unit bare, LengthFormat format, bool swapped) {
  constexpr std::size_t kLongest = 300;
  PieceReading out;
  if (text.size() > kLongest) {
    out.complaint = "This line is too long to be one piece.";
    out.at = kLongest;
    return out;
  }
  try {
    out = PieceReader(text, bare, swapped).read(format);
  } catch (const Refusal& refusal) {
    out = {};
    out.complaint = refusal.sentence;
    out.at = characters(text, refusal.at);
  }
  if (out.completion.empty()) out.completion = kindCompletion(text);
  return out;
}

}  // namespace mezzet
