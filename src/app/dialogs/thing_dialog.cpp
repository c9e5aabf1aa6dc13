#include "app/dialogs/thing_dialog.h"

#include <QFormLayout>
#include <QLabel>
#include <QLineEdit>
#include <QVBoxLayout>

#include "app/widgets/form_line.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/display/colours.h"
#include "core/edit/edits.h"
#include "core/entry/thing_text.h"
#include "core/model/kinds.h"

namespace mezzet {

ThingDialog::ThingDialog(Workspace& workspace, PieceId id, QWidget* parent)
    : QDialog(parent), workspace_(workspace), piece_(std::move(id)) {
  setObjectName(QStringLiteral("thingDialog"));
  const Piece& piece = *findPiece(workspace_.job(), piece_);
  setWindowTitle(QString::fromStdString(piece.name));
  resize(620, canBeThing(piece.kind) ? 430 : 220);
  auto* rows = scrollingRows(this);
  auto* form = new QFormLayout;
  const auto line = [&](const char* name, const QString& title, const QString& example) {
    return addFormLine(*form, name, title, example, 1000, [this] { take(); });
  };
  const bool inches = workspace_.job().units == Unit::Inch;
  colours_ = line("thingColours", tr("Colours"), tr("black 70, brass 30"));
  story_ = line("thingStory", tr("Its story"), tr("where it comes from, in the owner's words; ask again in ten years"));
  if (canBeThing(piece.kind)) {
    family_ = line("thingFamily", tr("Family"), tr("brass, shells ..."));
    collection_ = line("thingCollection", tr("Collection"), tr("what is spread about"));
    seasons_ = line("thingSeasons", tr("Seasons"), tr("autumn, winter; empty: always"));
  }
  if (isStack(piece.kind))
    items_ = line("thingItems", tr("In the stack, from the bottom"),
                  inches ? tr("10 x 7 x 1 1/2; 9 x 6 x 1") : tr("260 x 180 x 40; 230 x 150 x 25"));
  if (isBox(piece.kind)) {
    inside_ = line("thingInside", tr("Inside"), inches ? tr("9 x 6 x 3") : tr("230 x 150 x 80"));
    holds_ = line("thingHolds", tr("Holds"),
                  inches ? tr("remote 8 x 2 x 1; candles 6 x 4 x 4") : tr("remote 200 x 50 x 25"));
  }
  rows->addLayout(form);
  complaint_ = words({}, "barFault");
  rows->addWidget(complaint_);
  if (isBookLike(piece.kind) && piece.height && piece.depth) {
    const CoverPaper paper = coverPaper(*piece.height, *piece.depth, 1 * kInch);
    rows->addWidget(
        words(tr("Paper to cover one of its books with a spine of %1: %2 by %3.")
                  .arg(workspace_.write(1 * kInch), workspace_.write(paper.height), workspace_.write(paper.width)),
              "quietNote"));
  }
  rows->addStretch(1);
  follow();
}

void ThingDialog::follow() {
  const Piece* piece = findPiece(workspace_.job(), piece_);
  if (piece == nullptr) return;
  const ThingText text = thingText(*piece->thing, workspace_.format());
  const auto put = [](QLineEdit* edit, const std::string& said) {
    if (edit != nullptr) edit->setText(QString::fromStdString(said));
  };
  put(colours_, text.colours);
  put(story_, piece->story);
  put(family_, piece->thing->family);
  put(collection_, piece->thing->collection);
  put(seasons_, text.seasons);
  put(items_, text.items);
  put(inside_, text.inside);
  put(holds_, text.holds);
}

void ThingDialog::take() {
  const Piece* piece = findPiece(workspace_.job(), piece_);
  if (piece == nullptr) return;
  const auto said = [](QLineEdit* edit) { return edit != nullptr ? edit->text().toStdString() : std::string(); };
  const auto part =
      withThingText(*piece->thing, {said(colours_), said(seasons_), said(items_), said(inside_), said(holds_)},
                    workspace_.job().units);
  Result<Job> after = part ? Result<Job>(workspace_.job()) : Result<Job>(part.error());
  if (part) {
    Piece changed = *piece;
    changed.story = story_->text().trimmed().toStdString();
    ThingPart thing = *part;
    if (family_ != nullptr) thing.family = family_->text().trimmed().toStdString();
    if (collection_ != nullptr) thing.collection = collection_->text().trimmed().toStdString();
    if (!(thing == *piece->thing)) changed.thing.edit() = std::move(thing);
    if (changed == *piece) return complaint_->clear();
    after = withPiece(workspace_.job(), std::move(changed));
  }
  if (!after) {
    complaint_->setText(QString::fromStdString(capital(after.error().text())) + QStringLiteral("."));
    return;
  }
  complaint_->clear();
  workspace_.document().edit(tr("change %1").arg(QString::fromStdString(midSentence(piece->name))), *after);
  follow();
}

}  // namespace mezzet
