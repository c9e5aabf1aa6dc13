#include "app/dialogs/shortcut_sheet.h"

#include <QGridLayout>
#include <QKeySequence>
#include <QLabel>
#include <QPushButton>
#include <QScrollArea>
#include <map>

#include "app/window/actions.h"

namespace mezzet {
namespace {

/// Keys that belong to the drawing and to the typed line, not to a menu.
constexpr std::pair<const char*, const char*> kHands[] = {
    {"Tab", "The next piece on the drawing"},        {"Arrow", "Type into the tape on that side"},
    {"Ctrl+Arrow", "Move by 1 in or 1 cm"},          {"Ctrl+Shift+Arrow", "Move by 1/16 in or 1 mm"},
    {"Escape", "Let go; close what is being typed"}, {"Enter", "On a cut-out: place it"},
    {"Ctrl+Enter", "In the line: place it at once"}, {"F8", "In the line: swap a picture's sizes"}};

}  // namespace

ShortcutSheet::ShortcutSheet(QWidget* parent) : QDialog(parent) {
  setObjectName(QStringLiteral("shortcutSheet"));
  setWindowTitle(tr("Keys"));
  auto* column = new QVBoxLayout(this);
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("panelBody"));
  auto* across = new QHBoxLayout(body);
  across->setSpacing(20);
  std::map<QString, QGridLayout*> grids;
  QVBoxLayout* stack = nullptr;
  int rows = 100;
  const auto gridFor = [&](const QString& title) {
    QGridLayout*& grid = grids[title];
    if (grid == nullptr) {
      if (rows > 17) {  // a short group shares its column with the next
        stack = new QVBoxLayout;
        stack->setSpacing(2);
        across->addLayout(stack);
        rows = 0;
      }
      auto* heading = new QLabel(title);
      heading->setObjectName(QStringLiteral("subject"));
      stack->addWidget(heading);
      grid = new QGridLayout;
      grid->setHorizontalSpacing(10);
      grid->setVerticalSpacing(2);
      grid->setColumnStretch(1, 1);
      stack->addLayout(grid);
      stack->addSpacing(6);
    }
    return grid;
  };
  const auto add = [&](QGridLayout* grid, const QString& keys, const QString& what) {
    const int row = grid->rowCount();
    auto* key = new QLabel(keys);
    key->setObjectName(QStringLiteral("keyCap"));
    grid->addWidget(key, row, 0, Qt::AlignLeft);
    grid->addWidget(new QLabel(what), row, 1);
    ++rows;
  };
  for (const ActionRow& row : actionTable())
    if (std::string(row.id) != "-" && *row.shortcut != 0)
      add(gridFor(tr(row.menu)), QKeySequence(QString::fromUtf8(row.shortcut)).toString(QKeySequence::NativeText),
          tr(row.text).remove(QStringLiteral(" ...")));
  for (const auto& [keys, what] : kHands) add(gridFor(tr("Drawing and tray")), tr(keys), tr(what));
  for (QVBoxLayout* one : body->findChildren<QVBoxLayout*>()) one->addStretch(1);
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setWidget(body);
  column->addWidget(scroll);
  auto* close = new QPushButton(tr("Close"));
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close, 0, Qt::AlignRight);
  resize(1250, 740);
}

}  // namespace mezzet
