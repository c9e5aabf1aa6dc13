// How many hooks a frame hangs on: one, centred, or two from a weight or a width on.
#include "core/hang/hooks.h"
#include "core/model/kinds.h"
#include "core/rules/art/rules.h"
#include "core/rules/base/hook_school.h"

namespace mezzet {
namespace {

void evaluateHookCount(const Situation& s, const Rule& rule, std::vector<Finding>& out) {
  for (const Placement& p : s.scheme.placements) {
    const Piece& piece = s.pieces.of(p);
    const auto* hung = onWall(p.on);
    if (hung == nullptr || !hasFrame(piece.kind) || !piece.hanger->hooks) continue;
    const Asked asked = askedOf(rule, s.job, piece);
    // Small ones may hang on one hook in any school.
    if (asked.tolerated.low && !asksTwoHooks(piece)) continue;
    Finding f = findingOf(rule, asked, {p.id.value});
    f.view = View{hung->wall};
    f.measured = *piece.hanger->hooks;
    f.at = {Vec2{hung->u, hung->v}, Vec2{hung->u, hung->v}};
    decide(f, s.scheme);
    f.marginMm = std::nullopt;
    const std::string hooks = *piece.hanger->hooks == 1 ? "one hook" : "two hooks";
    f.sentence = capital(s.names.the(p.id)) + " hangs on " + hooks +
                 (f.margin >= 0         ? "."
                  : asked.tolerated.low ? ", where two are asked from 20 lb (9 kg) or 24 in (61 cm) wide."
                                        : ", where one with bumpers is asked.");
    out.push_back(std::move(f));
  }
}

constexpr RuleRow kHookRows[] = {{"hook-count", evaluateHookCount}};

}  // namespace

RuleRows hookRules() { return kHookRows; }

}  // namespace mezzet
