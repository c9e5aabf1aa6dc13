#include "core/plan/changes.h"

#include <algorithm>
#include <cmath>
#include <map>
#include <set>

#include "core/decide/compare.h"
#include "core/edit/edits.h"
#include "core/hang/as_hung.h"
#include "core/units/area.h"

namespace mezzet {
namespace {

constexpr double kSameLength = 0.5, kSameOther = 1e-6;  // what reads alike is no change

const char* stageOf(const View& view) {
  return view.isWall() ? "walls" : view.isDisplay() ? "displays" : view.ceiling ? "light" : "floor";
}

/// Placements by their piece and order among the placements of it, as the schemes of a room share them.
std::map<std::string, std::string> sharedNames(const Job& job, const Scheme& scheme) {
  const PieceIndex pieces(job);
  std::map<std::string, int> count;
  std::map<std::string, std::string> out;
  for (const Placement& p : scheme.placements) {
    const Piece& piece = pieces.of(p);
    const std::string base = piece.variantOf.value_or(piece.id).value;
    out[p.id.value] = base + "#" + std::to_string(count[base]++);
  }
  return out;
}

std::string keyOf(const Finding& f, const std::map<std::string, std::string>& shared) {
  std::multiset<std::string> subjects;
  for (const std::string& s : f.subjects) {
    const std::string carrier = carrierOfSubject(s);
    const auto at = shared.find(carrier);
    subjects.insert(at == shared.end() ? s : at->second + s.substr(carrier.size()));
  }
  std::string out = f.rule;
  for (const std::string& s : subjects) out += "|" + s;
  return out;
}

/// Who it is about and what is measured, without the rule's name.
std::string wordsOf(const Finding& f, const Rule& rule, const SchemeNames& names, const Room& room) {
  std::vector<std::string> who;
  for (const std::string& s : f.subjects) {
    const std::string id = carrierOfSubject(s);
    const std::string one = names.knows(id) ? names.plain(PlacementId(id)) : thingWords(names, room, s);
    if (std::find(who.begin(), who.end(), one) == who.end()) who.push_back(one);
  }
  std::string measures = midSentence(rule.measures);
  measures = measures.substr(0, measures.find(';'));
  while (!measures.empty() && measures.back() == '.') measures.pop_back();
  if (who.empty()) return capital(measures);
  if (who.size() > 3) who = {who.front() + " and " + std::to_string(who.size() - 1) + " more"};
  return capital(listWords(who)) + ": " + measures;
}

KeyedFigure plainFigure(const Room& room, std::string id, std::string what, double value, const char* unit) {
  return {room.id.value + "|" + id, {"figure:" + id, std::move(what), room.id.value, "floor", value, unit, {}}};
}

void addOffers(const SchemeFigures& f, const Room& room, std::vector<KeyedFigure>& out) {
  out.push_back(plainFigure(room, "seats", "Seats", f.seats, "1"));
  out.push_back(plainFigure(room, "free-floor", "Free floor", f.freeFloor, "mm2"));
  if (f.storage > 0) out.push_back(plainFigure(room, "storage", "Fronts of cupboards and shelves", f.storage, "mm"));
  for (const auto& [to, width] : f.ways) {
    const Opening* o = findOpening(room, OpeningId(to));
    out.push_back(
        plainFigure(room, "way:" + to, "Way to the " + (o != nullptr ? openingName(room, *o) : to), width, "mm"));
    out.back().more = true;
  }
  for (const auto& [wall, length] : f.freeWall)
    out.push_back(plainFigure(room, "free-wall:" + wall.value, "Longest free run of wall " + wall.value, length, "mm"));
  out.push_back(plainFigure(room, "breaks", "Rules that are not met", f.breaks, "1"));
  out.back().less = true;
}

double sameWithin(const std::string& unit) { return unit == "mm" ? kSameLength : kSameOther; }

std::optional<bool> isBetter(const KeyedFigure& a, const KeyedFigure& b) {
  if (a.figure.off && b.figure.off && std::abs(*a.figure.off - *b.figure.off) > sameWithin(b.figure.unit))
    return *b.figure.off < *a.figure.off;
  if (b.less) return b.figure.value < a.figure.value;
  if (b.more) return b.figure.value > a.figure.value;
  return std::nullopt;
}

Change changeOf(const IssuedFigure& f) { return {f.id, f.what, f.room, f.stage, {}, {}, f.unit, {}}; }

std::vector<KeyedFigure> byId(const std::vector<IssuedFigure>& figures) {
  std::vector<KeyedFigure> out;
  for (const IssuedFigure& f : figures) {
    out.push_back({f.room + "|" + f.id, f});
    out.back().less = f.id == "figure:breaks";
    out.back().more = f.id.starts_with("figure:way:");
  }
  return out;
}

int stageRank(const std::string& stage) {
  constexpr const char* kStages[] = {"floor", "light", "walls", "displays"};
  return static_cast<int>(std::find(std::begin(kStages), std::end(kStages), stage) - std::begin(kStages));
}

}  // namespace

std::vector<KeyedFigure> figuresFor(const Job& job, const Rulebook& book, const SchemeId& id, LengthFormat format,
                                    const CheckWith& with) {
  std::vector<KeyedFigure> out;
  const Scheme* scheme = findScheme(job, id);
  if (scheme == nullptr) return out;
  const Room& room = roomOf(job, *scheme);
  const SchemeNames names(job, *scheme);
  const auto shared = sharedNames(job, *scheme);
  const Judged judgedScheme = judged(job, book, id, format, with);
  for (const Finding& f : judgedScheme.findings) {
    if (f.verdict == Verdict::NotMeasured || f.weight == Weight::Taste || f.quantity == Quantity::YesNo ||
        f.quantity == Quantity::Count)
      continue;
    const Rule* rule = findRule(book, f.rule);
    if (rule == nullptr) continue;
    out.push_back({room.id.value + "|" + keyOf(f, shared),
                   {f.id, wordsOf(f, *rule, names, room), room.id.value, stageOf(f.view), f.measured,
                    unitWord(f.quantity), std::max(0.0, -f.margin)}});
  }
  addOffers(judgedScheme.figures, room, out);
  return out;
}

std::vector<IssuedFigure> figuresToIssue(const Job& job, const Rulebook& book,
                                         const std::vector<const Scheme*>& schemes, LengthFormat format) {
  std::vector<IssuedFigure> out;
  for (const Scheme* scheme : schemes)
    for (KeyedFigure& f : figuresFor(job, book, scheme->id, format, {})) out.push_back(std::move(f.figure));
  return out;
}

std::vector<Change> changesBetween(const std::vector<KeyedFigure>& from, const std::vector<KeyedFigure>& to) {
  std::map<std::string, const KeyedFigure*> before, after;
  for (const KeyedFigure& f : from) before[f.key] = &f;
  for (const KeyedFigure& f : to) after[f.key] = &f;
  std::vector<Change> out;
  for (const KeyedFigure& f : to) {
    const auto was = before.find(f.key);
    if (was != before.end() && std::abs(was->second->figure.value - f.figure.value) <= sameWithin(f.figure.unit))
      continue;
    Change change = changeOf(f.figure);
    change.to = f.figure.value;
    if (was != before.end()) {
      change.from = was->second->figure.value;
      change.better = isBetter(*was->second, f);
    }
    out.push_back(std::move(change));
  }
  for (const KeyedFigure& f : from)
    if (!after.contains(f.key)) {
      Change change = changeOf(f.figure);
      change.from = f.figure.value;
      out.push_back(std::move(change));
    }
  std::stable_sort(out.begin(), out.end(), [](const Change& a, const Change& b) {
    return a.room != b.room ? a.room < b.room : stageRank(a.stage) < stageRank(b.stage);
  });
  return out;
}

std::vector<Change> changesBetween(const std::vector<IssuedFigure>& from, const std::vector<IssuedFigure>& to) {
  return changesBetween(byId(from), byId(to));
}

Job asPlanned(const Job& job) {
  Job out = job;
  for (const Order& order : job.records->orders) {
    const Piece* piece = order.asked ? findPiece(job, order.piece) : nullptr;
    if (piece == nullptr) continue;
    Piece planned = *piece;
    if (order.asked->width > 0) planned.width = order.asked->width;
    if (order.asked->depth > 0 && planned.depth) planned.depth = order.asked->depth;
    if (order.asked->height > 0 && planned.height) planned.height = order.asked->height;
    if (auto with = withPiece(out, std::move(planned)); with.ok()) out = std::move(with).value();
  }
  return out;
}

Job asBuilt(const Job& job, const std::vector<const Scheme*>& schemes) {
  Job out = job;
  for (const Scheme* scheme : schemes) out = asItHangs(out, scheme->id);
  return out;
}

std::vector<Change> plannedAndBuilt(const Job& job, const Rulebook& book, const Scheme& scheme, LengthFormat format,
                                    const CheckWith& with) {
  return changesBetween(figuresFor(asPlanned(job), book, scheme.id, format, with),
                        figuresFor(asBuilt(job, {&scheme}), book, scheme.id, format, with));
}

std::string figureText(double value, const std::string& unit, LengthFormat format, Unit units) {
  const auto decimal = [](double v, int digits) {
    const double scale = digits == 0 ? 1 : digits == 1 ? 10 : 100;
    const long long n = std::llround(v * scale);
    std::string out = std::to_string(n / static_cast<long long>(scale));
    if (digits > 0 && n % static_cast<long long>(scale) != 0) {
      std::string rest = std::to_string(std::llabs(n) % static_cast<long long>(scale));
      while (static_cast<int>(rest.size()) < digits) rest = "0" + rest;
      if (n < 0 && n > -static_cast<long long>(scale)) out = "-0";
      out += "." + rest;
    }
    return out;
  };
  if (unit == "mm") return value < 0 ? "-" + writeLength(-value, format) : writeLength(value, format);
  if (unit == "mm2") return writeArea(value, units);
  if (unit == "deg") return decimal(value, 0) + "\u00b0";
  if (unit == "lx" || unit == "K") return decimal(value, 0) + " " + unit;
  return decimal(value, 2);
}

std::string changeWords(const Change& c, LengthFormat format, Unit units) {
  const auto text = [&](double v) { return figureText(v, c.unit, format, units); };
  std::string out = c.what + ": ";
  if (c.from && c.to) out += text(*c.to) + ", was " + text(*c.from);
  else out += c.to ? text(*c.to) + ", new" : "no more, was " + text(*c.from);
  if (c.better) out += *c.better ? " (better)" : " (worse)";
  return out + ".";
}

}  // namespace mezzet
