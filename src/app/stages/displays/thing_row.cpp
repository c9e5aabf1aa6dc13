// The bar's row for a thing of a display, and for the case that carries it.
#include <QHBoxLayout>

#include "app/stages/floor/piece_bar.h"
#include "app/widgets/layouts.h"
#include "core/decide/display_words.h"
#include "core/drawing/base/working.h"
#include "core/drawing/display/display_drawing.h"

namespace mezzet {

void PieceBar::showThing(const std::function<void(const QString&, const ItemId&)>& tape) {
  tape(tr("left"), tapeItem(Side::Left));
  tape(tr("right"), tapeItem(Side::Right));
  tape(tr("over"), tapeItem(Side::Up));
  tape(tr("behind the edge"), tapeItem(Side::Front));
}

void PieceBar::showCase(const Placement& p) {
  const auto display = workspace_.display();
  label(workspace_.nameOf(p), "barName");
  if (display)
    for (const Bay& bay : display->bays) {
      if (bay.surface == nullptr || !bay.top || fields_.size() == 6) continue;
      const ItemId item = shelfTape(bay.id);
      fields_.emplace_back(item, field(tr("shelf %1").arg(QString::fromStdString(bay.id)),
                                       QStringLiteral("shelf:") + QString::fromStdString(bay.id), 84,
                                       [this, item](const QString& t) { return workspace_.typeTape(item, t); }));
    }
  row_->addStretch(0);
  hint(tr("Each shelf by what it stands above the foot. Shift+B puts an upright into the widest bay."));
  showLinks(p);
  refresh();
}

QString PieceBar::thingWords() const {
  const auto display = workspace_.display();
  if (!display) return {};
  const PlacementIds selected = workspace_.selection();
  if (selected.size() > 1) {
    // What has moved while cleaning is clicked; this is where it goes.
    std::vector<std::string> back;
    for (const PlacementId& id : selected)
      if (const DisplayedThing* t = display->shown(id))
        back.push_back(putBackWords(*display, *t, workspace_.format()) + ".");
    return tr("Put back: %1").arg(onScreen(back));
  }
  const DisplayedThing* t = display->shown(workspace_.selected());
  return t != nullptr ? onScreen(toldOfThing(*display, *t, workspace_.format())) : QString();
}

}  // namespace mezzet
