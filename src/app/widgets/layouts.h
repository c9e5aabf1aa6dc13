// Rebuilding rows of widgets.
#pragma once

#include <functional>
#include <QDialog>
#include <QLabel>
#include <QLayout>
#include <QString>
#include <QVBoxLayout>
#include <QWidget>
#include <string>
#include <vector>

#include "core/units/length.h"

namespace mezzet {

/// Soon, once for all rows that are being made: Tab goes through the window as it is read. New widgets would come last.
void orderTabsSoon(QWidget* window);

/// Takes everything out of a layout. The widgets vanish at once, lose their names and are deleted later, so that one of
/// them may be the sender of the signal that led here.
inline void emptyLayout(QLayout* layout) {
  if (layout->parentWidget() != nullptr) orderTabsSoon(layout->parentWidget()->window());
  while (QLayoutItem* item = layout->takeAt(0)) {
    if (item->layout() != nullptr) emptyLayout(item->layout());
    if (item->widget() != nullptr) {
      for (QWidget* inner : item->widget()->findChildren<QWidget*>()) inner->setObjectName({});
      item->widget()->setObjectName({});
      item->widget()->hide();
      item->widget()->deleteLater();
    }
    if (item->layout() == nullptr) delete item;
    else item->layout()->deleteLater();
  }
}

/// Makes a panel of the right-hand side: a column that scrolls up and down only, however wide its rows want to be.
[[nodiscard]] QVBoxLayout* scrollingColumn(QWidget* panel);

/// Makes a dialog of rows that scroll up and down, as wide as it is, with Close under them.
[[nodiscard]] QVBoxLayout* scrollingRows(QDialog*);
/// Rows that scroll, in a column of something larger.
[[nodiscard]] QVBoxLayout* scrollingRows(QVBoxLayout* column);

/// A body under its title.
[[nodiscard]] QWidget* headed(const QString& title, QWidget* body);

/// A bar that scrolls sideways in windows narrower than `narrowBelow`.
[[nodiscard]] QWidget* scrollingAcross(QWidget* bar, int narrowBelow);

/// While rows are rebuilt: the keyboard stays on the field of the same name.
class FocusKept {
 public:
  explicit FocusKept(QWidget* parent);
  ~FocusKept();
  FocusKept(const FocusKept&) = delete;
  FocusKept& operator=(const FocusKept&) = delete;

 private:
  QWidget* parent_;
  QString focused_;
};

/// Puts the keyboard into the field of that name, where a row was just added.
void focusFirstField(QWidget* parent, const QString& name);

/// Plain words that wrap, named for the style sheet.
[[nodiscard]] inline QLabel* words(const QString& text, const char* name) {
  auto* label = new QLabel(text);
  label->setObjectName(QString::fromUtf8(name));
  label->setWordWrap(true);
  label->setTextFormat(Qt::PlainText);
  return label;
}

/// Gives a widget another name for the style sheet, and its looks with it.
void named(QWidget* widget, const char* name);

/// A sentence of the core for the screen: a number keeps its fraction and its unit on one line.
[[nodiscard]] QString onScreen(const std::string& sentence);
/// Several, one after the other.
[[nodiscard]] QString onScreen(const std::vector<std::string>& sentences);

/// A choice that is refused shows what is there again, with the reason.
void refuseChoice(QObject* owner, QLabel* complaint, const LengthReading& taken, std::function<void()> rebuild);

}  // namespace mezzet
