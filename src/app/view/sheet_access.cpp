#include "app/view/sheet_access.h"

#include <QAccessible>
#include <QAccessibleWidget>
#include <map>
#include <memory>

#include "app/widgets/layouts.h"
#include "app/view/sheet_view.h"
#include "core/plan/carrying.h"
#include "core/drawing/base/working.h"
#include "core/entry/piece_line.h"
#include "core/rules/base/finding.h"

namespace mezzet {
namespace {

/// What a placement's tapes read: "front 16 in, right 23 1/16 in".
QString readings(const Workspace& work, const PlacementId& id) {
  QString out;
  for (const Tape& tape : work.tapesHere(id)) {
    if (!out.isEmpty()) out += QStringLiteral(", ");
    out += QString::fromUtf8(sideName(tape.side)) + QStringLiteral(" ") + work.write(tape.length);
  }
  return out;
}

/// In Hand over: "3 of 8, not there yet".
QString turnOf(const Workspace& work, const Placement& p) {
  const PlacementIds order = work.handOrder();
  const auto at = std::find(order.begin(), order.end(), p.id) - order.begin();
  return SheetView::tr("%1 of %2, %3")
      .arg(at + 1)
      .arg(order.size())
      .arg(isDone(work.job(), p) ? SheetView::tr("is there") : SheetView::tr("not there yet"));
}

/// What breaks, is close or could not be measured; "All that is judged of it holds."
QString verdicts(const Workspace& work, const PlacementId& id) {
  QString out;
  bool judged = false;
  for (const Finding& f : work.findings()) {
    if (std::find(f.subjects.begin(), f.subjects.end(), id.value) == f.subjects.end() || f.weight == Weight::Taste)
      continue;
    judged = true;
    if (f.verdict != Verdict::Holds)
      out += QStringLiteral(" %1: %2").arg(QString::fromUtf8(verdictWord(f.verdict)).replace(QChar('_'), QChar(' ')),
                                           QString::fromStdString(f.sentence));
  }
  if (!judged) return SheetView::tr("Nothing is judged of it.");
  return out.isEmpty() ? SheetView::tr("All that is judged of it holds.") : out.trimmed();
}

/// One piece on the sheet.
class PieceAccess : public QAccessibleInterface, public QAccessibleActionInterface {
 public:
  PieceAccess(SheetView* sheet, PlacementId id) : sheet_(sheet), id_(std::move(id)) {}

  [[nodiscard]] bool isValid() const override { return sheet_ != nullptr && placement() != nullptr; }
  [[nodiscard]] QObject* object() const override { return nullptr; }
  [[nodiscard]] QAccessibleInterface* childAt(int, int) const override { return nullptr; }
  [[nodiscard]] QAccessibleInterface* parent() const override { return QAccessible::queryAccessibleInterface(sheet_); }
  [[nodiscard]] QAccessibleInterface* child(int) const override { return nullptr; }
  [[nodiscard]] int childCount() const override { return 0; }
  [[nodiscard]] int indexOfChild(const QAccessibleInterface*) const override { return -1; }
  void setText(QAccessible::Text, const QString&) override {}
  [[nodiscard]] QRect rect() const override {
    const QRect here = sheet_->rectOf(id_);
    return {sheet_->mapToGlobal(here.topLeft()), here.size()};
  }
  [[nodiscard]] QAccessible::Role role() const override { return QAccessible::ListItem; }
  [[nodiscard]] QString text(QAccessible::Text kind) const override {
    const Placement* p = placement();
    if (p == nullptr) return {};
    Workspace& work = sheet_->workspace();
    switch (kind) {
      case QAccessible::Name: return work.nameOf(*p);
      case QAccessible::Value: return work.stage() == Stage::HandOver ? turnOf(work, *p) : readings(work, id_);
      case QAccessible::Description:
        return onScreen(pieceWords(pieceOf(work.job(), *p), work.format())) + QStringLiteral(". ") +
               verdicts(work, id_);
      case QAccessible::Help:
        if (work.stage() == Stage::HandOver)
          return SheetView::tr("Enter says that it is as planned; a digit begins what the tape reads.");
        return SheetView::tr("An arrow key opens the tape on that side.");
      default: return {};
    }
  }
  [[nodiscard]] QAccessible::State state() const override {
    QAccessible::State s;
    const Placement* p = placement();
    s.focusable = s.selectable = s.multiSelectable = true;
    if (p == nullptr) return s;
    const PlacementIds chosen = sheet_->workspace().selection();
    s.selected = std::find(chosen.begin(), chosen.end(), id_) != chosen.end();
    s.focused = sheet_->hasFocus() && sheet_->workspace().selected() == id_;
    s.movable = !p->locked;
    return s;
  }
  void* interface_cast(QAccessible::InterfaceType type) override {
    return type == QAccessible::ActionInterface ? static_cast<QAccessibleActionInterface*>(this) : nullptr;
  }
  [[nodiscard]] QStringList actionNames() const override { return {setFocusAction()}; }
  void doAction(const QString& name) override {
    if (name != setFocusAction() || placement() == nullptr) return;
    sheet_->setFocus();
    sheet_->workspace().select(id_);
  }
  [[nodiscard]] QStringList keyBindingsForAction(const QString&) const override { return {}; }

 private:
  [[nodiscard]] const Placement* placement() const {
    const Scheme* scheme = sheet_->workspace().scheme();
    return scheme != nullptr ? findPlacement(*scheme, id_) : nullptr;
  }
  SheetView* sheet_;
  PlacementId id_;
};

/// The sheet as a list of what it shows.
class SheetAccess : public QAccessibleWidget {
 public:
  explicit SheetAccess(SheetView* sheet) : QAccessibleWidget(sheet, QAccessible::List), sheet_(sheet) {}
  ~SheetAccess() override {
    for (const auto& [id, key] : made_) QAccessible::deleteAccessibleInterface(key);
  }

  [[nodiscard]] int childCount() const override {
    return static_cast<int>(sheet_->workspace().placementsHere().size());
  }
  [[nodiscard]] QAccessibleInterface* child(int index) const override {
    const PlacementIds here = sheet_->workspace().placementsHere();
    if (index < 0 || index >= static_cast<int>(here.size())) return nullptr;
    const PlacementId& id = here[static_cast<std::size_t>(index)];
    auto known = made_.find(id);
    if (known == made_.end())
      known = made_.emplace(id, QAccessible::registerAccessibleInterface(new PieceAccess(sheet_, id))).first;
    return QAccessible::accessibleInterface(known->second);
  }
  [[nodiscard]] int indexOfChild(const QAccessibleInterface* child) const override {
    for (int i = 0; i < childCount(); ++i)
      if (this->child(i) == child) return i;
    return -1;
  }
  [[nodiscard]] QAccessibleInterface* childAt(int x, int y) const override {
    for (int i = childCount() - 1; i >= 0; --i)
      if (QAccessibleInterface* one = child(i); one->rect().contains(x, y)) return one;
    return nullptr;
  }
  [[nodiscard]] QAccessibleInterface* focusChild() const override {
    const PlacementIds here = sheet_->workspace().placementsHere();
    const auto at = std::find(here.begin(), here.end(), sheet_->workspace().selected());
    return at == here.end() ? nullptr : child(static_cast<int>(at - here.begin()));
  }
  [[nodiscard]] QString text(QAccessible::Text kind) const override {
    if (kind != QAccessible::Value) return QAccessibleWidget::text(kind);
    const int broken = rowOf(sheet_->workspace().stage()).broken(sheet_->workspace());
    return SheetView::tr("%1 pieces, %2 broken rules").arg(childCount()).arg(broken);
  }

 private:
  SheetView* sheet_;
  mutable std::map<PlacementId, QAccessible::Id> made_;
};

QAccessibleInterface* sheetAccess(const QString&, QObject* object) {
  auto* sheet = qobject_cast<SheetView*>(object);
  return sheet != nullptr ? new SheetAccess(sheet) : nullptr;
}

}  // namespace

void installSheetAccess() { QAccessible::installFactory(sheetAccess); }

}  // namespace mezzet
