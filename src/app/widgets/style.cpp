#include "app/widgets/style.h"

#include <QApplication>
#include <QPalette>
#include <algorithm>
#include <string_view>
#include <vector>

static void initIcons() { Q_INIT_RESOURCE(icons); }

namespace mezzet::style {

namespace {

struct Token {
  const char* name;
  const char *slate, *light, *dark;
};
// What each part of the window is coloured with on each desk. The sheet itself is paper everywhere.
constexpr Token kTokens[] = {
    {"@desk", "#46545f", "#cfcabd", "#161b1f"},        {"@header", "#39464f", "#e4dfd2", "#10151a"},
    {"@well", "#2b353c", "#f4f0e5", "#232b31"},        {"@wellEdge", "#56646f", "#8d8f8b", "#46545f"},
    {"@bar", "#56646f", "#dcd6c8", "#232b31"},         {"@onDeskFault", "#ffd9d0", "#8c2a1c", "#ffc3b5"},
    {"@onDeskQuiet", "#c6cfd5", "#4a545c", "#b6c0c7"}, {"@onDesk", "#f3f1ea", "#1d2730", "#e9e7df"},
    {"@panel", "#fffef9", "#fffef9", "#20272d"},       {"@edge", "#39464f", "#39464f", "#56646f"},
    {"@ink", "#1d2730", "#1d2730", "#eceae2"},         {"@quiet", "#56606a", "#56606a", "#b4bcc2"},
    {"@disabled", "#6d767d", "#6d767d", "#8b959c"},    {"@rule", "#d9d5c8", "#d9d5c8", "#3a454d"},
    {"@fieldFocus", "#fff8df", "#fff8df", "#3b3a26"},  {"@fieldEdge", "#7c8891", "#7c8891", "#7c8891"},
    {"@field", "#ffffff", "#ffffff", "#171d21"},       {"@buttonHover", "#e4dfd0", "#e4dfd0", "#46545f"},
    {"@button", "#efece2", "#efece2", "#323c44"},      {"@primaryHover", "#39464f", "#39464f", "#ffffff"},
    {"@primary", "#1d2730", "#1d2730", "#e9e7df"},     {"@onPrimary", "#f8f4ea", "#f8f4ea", "#1d2730"},
    {"@fault", "#8c2a1c", "#8c2a1c", "#ffb3a3"},       {"@focus", "#f4c430", "#1d2730", "#f4c430"},
    {"@way", "#6b4a00", "#6b4a00", "#f0cf6b"},         {"@hover", "#fff3cf", "#fff3cf", "#3b3a26"}};

QString colourOf(Desk desk, const char* name) {
  for (const Token& t : kTokens)
    if (std::string_view(t.name) == name)
      return QString::fromUtf8(desk == Desk::Slate ? t.slate : desk == Desk::Light ? t.light : t.dark);
  return {};
}

constexpr const char* kSheet = R"(
QWidget { font-family: "B612"; font-size: 13px; color: @ink; }
QMainWindow, #desk { background: @desk; }
#header { background: @header; }
#header QLabel { color: @onDesk; }
#header #jobName { font-weight: bold; font-size: 15px; }
#header #quiet { color: @onDeskQuiet; }
QMenuBar { background: transparent; color: @onDesk; }
QMenuBar::item { padding: 6px 9px; background: transparent; border-radius: 3px; }
QMenuBar::item:selected, QMenuBar::item:pressed { background: @bar; }
QMenu { background: @panel; border: 1px solid @edge; padding: 4px; }
QMenu::item { padding: 6px 26px 6px 14px; }
QMenu::item:selected { background: #f4c430; color: #1d2730; }
QMenu::item:disabled { color: @disabled; }
QMenu::separator { height: 1px; background: @rule; margin: 4px 8px; }
#header QComboBox { combobox-popup: 0; background: @well; color: @onDesk; border: 1px solid @wellEdge; border-radius: 3px; padding: 4px 24px 4px 9px; min-height: 18px; }
#header QComboBox:focus { border: 2px solid @focus; padding: 3px 23px 3px 8px; }
QComboBox::drop-down { border: none; width: 22px; }
#header QComboBox::down-arrow { image: url(:/icons/arrow-light.xpm); width: 10px; height: 6px; }
QComboBox::down-arrow { image: url(:/icons/arrow-dark.xpm); width: 10px; height: 6px; }
#header QComboBox QAbstractItemView { background: @panel; color: @ink; selection-background-color: #f4c430; selection-color: #1d2730; }
#sheetEdge { background: @bar; border-radius: 3px; }
#sheetEdge QLabel { color: @onDesk; }
#sheetEdge QToolButton { color: @onDesk; background: @well; border: 1px solid @wellEdge; border-radius: 3px; padding: 2px 8px; }
#sheetEdge QToolButton:hover { border: 1px solid @focus; }
#sheetEdge QToolButton:checked { background: #f4c430; color: #1d2730; border: 1px solid #1d2730; }
#sheetEdge QToolButton:focus { border: 2px solid @focus; padding: 1px 7px; }
#across { background: transparent; }
#sheetEdge QComboBox, #sheetEdge QLineEdit, #bar QComboBox { padding: 1px 18px 1px 6px; min-height: 18px; }
#sheetEdge QLineEdit { padding: 1px 5px; }
#sheetEdge QComboBox:focus, #bar QComboBox:focus { padding: 0px 17px 0px 5px; }
#sheetEdge QLineEdit:focus { padding: 0px 4px; }
#tray QToolButton, #handRow QToolButton { color: @onDesk; background: @well; border: 1px solid @wellEdge; border-radius: 3px; padding: 0 7px; }
#tray QToolButton:hover, #tray QToolButton:focus, #handRow QToolButton:hover, #handRow QToolButton:focus { border: 1px solid @focus; }
#tray QToolButton:checked, #handRow QToolButton:checked { background: #f4c430; color: #1d2730; border: 1px solid #1d2730; }
#header QToolButton { color: @onDesk; background: @well; border: 1px solid @wellEdge; border-radius: 3px; padding: 5px 10px; }
#header QToolButton:hover { background: @bar; }
#header QToolButton:focus { border: 2px solid @focus; padding: 4px 9px; }
#panel, #panel QScrollArea, #panelBody { background: @panel; border: none; }
#panelTitle { font-size: 16px; font-weight: bold; }
#welcome { background: @panel; }
#welcomeTitle { font-size: 24px; font-weight: bold; }
#welcomeLine { font-size: 15px; }
#welcome QPushButton { padding: 9px 14px; font-size: 14px; }
#welcome QPushButton:focus { padding: 8px 13px; }
#subject { font-size: 14px; font-weight: bold; }
#rival, #note, #quietNote { color: @quiet; }
#conflict { color: @ink; }
#closure { font-size: 14px; }
QLineEdit { background: @field; border: 1px solid @fieldEdge; border-radius: 3px; padding: 3px 6px; min-height: 20px; selection-background-color: #f4c430; selection-color: #1d2730; }
QLineEdit:focus { border: 2px solid @ink; padding: 2px 5px; background: @fieldFocus; }
QLineEdit:disabled { background: @button; color: @quiet; }
QComboBox { combobox-popup: 0; background: @field; border: 1px solid @fieldEdge; border-radius: 3px; padding: 3px 20px 3px 7px; min-height: 20px; }
QComboBox:focus { border: 2px solid @ink; padding: 2px 19px 2px 6px; background: @fieldFocus; }
QComboBox QAbstractItemView::item { min-height: 22px; padding: 0 4px; }
QComboBox QAbstractItemView { background: @panel; color: @ink; selection-background-color: #f4c430; selection-color: #1d2730; }
QPushButton { background: @button; border: 1px solid @fieldEdge; border-radius: 3px; padding: 5px 12px; }
QPushButton:hover { background: @buttonHover; }
QPushButton:focus { border: 2px solid @ink; padding: 4px 11px; background: @fieldFocus; }
QPushButton:disabled { color: @disabled; border-color: @rule; }
#bar QPushButton:checked { background: #f4c430; color: #1d2730; border: 1px solid #1d2730; }
QPushButton#primary { background: @primary; color: @onPrimary; border-color: @primary; font-weight: bold; }
QPushButton#primary:hover { background: @primaryHover; }
QPushButton#primary:focus { border: 2px solid #f4c430; }
QPushButton#primary:disabled { background: @rule; color: @quiet; border-color: @rule; }
QPushButton#fold { background: transparent; border: none; padding: 4px 4px; text-align: left; }
QPushButton[leads="true"] { background: transparent; border: none; padding: 2px 4px; text-align: left; text-decoration: underline; }
QPushButton[leads="true"]:hover { background: @button; }
QPushButton[leads="true"]:focus { border: 2px solid @ink; padding: 0px 2px; }
QPushButton#fold:hover { background: @button; }
QPushButton#keep, QPushButton#judgeAgain { background: transparent; border: none; padding: 2px 2px 2px 24px; text-align: left; color: @quiet; text-decoration: underline; }
QPushButton#keep:hover, QPushButton#judgeAgain:hover { background: @button; }
QPushButton#keep:focus, QPushButton#judgeAgain:focus { border: 2px solid @ink; padding: 0px 0px 0px 22px; }
QCheckBox { spacing: 8px; }
QCheckBox:focus { background: @fieldFocus; }
QPushButton#fold:focus { border: 2px solid @ink; border-radius: 3px; padding: 2px 2px; }
#bar, #tray, #handRow { background: @bar; }
#tray QLabel, #handRow QLabel { color: @onDesk; }
#tray QScrollArea, #trayBody { background: transparent; border: none; }
#bar QLabel { color: @onDesk; }
#bar #barName { font-weight: bold; font-size: 14px; }
#bar #barHint { color: @onDesk; }
#bar #barFault, #tray #barFault, #handRow #barFault { color: @onDeskFault; font-weight: bold; }
QPushButton#barLink { background: transparent; border: 1px solid transparent; color: @onDesk; padding: 0px 6px; text-decoration: underline; }
QPushButton#barLink:hover { background: #f4c430; color: #1d2730; }
QPushButton#barLink:focus { border: 1px solid #f4c430; }
#notice { background: #fff3cf; border-bottom: 2px solid #1d2730; }
#notice QLabel { color: #1d2730; }
#fieldComplaint { color: @fault; }
QPushButton#cross { padding: 4px 0; }
QPushButton#cross:focus { padding: 3px 0; }
QPushButton#topic { padding: 4px 2px; background: transparent; border: 1px solid transparent; border-bottom: 2px solid @rule; border-radius: 0; }
QPushButton#topic:hover { background: @buttonHover; }
QPushButton#topic:checked { border-bottom: 3px solid @ink; font-weight: bold; }
QPushButton#topic:focus { border: 2px solid @ink; }
#meterStrip { background: @button; border-top: 1px solid @rule; }
QProgressBar { border: 1px solid @fieldEdge; border-radius: 3px; background: @field; text-align: center; min-height: 16px; }
QProgressBar::chunk { background: @rule; }
QScrollBar:vertical { background: transparent; width: 10px; margin: 0; }
QScrollBar::handle:vertical { background: @fieldEdge; border-radius: 4px; min-height: 30px; }
QScrollBar::add-line:vertical, QScrollBar::sub-line:vertical { height: 0; }
QToolTip { background: @panel; color: @ink; border: 1px solid @edge; padding: 4px; }
QDialog, QMessageBox { background: @panel; }
QScrollArea, QScrollArea > QWidget > QWidget { background: @panel; }
QListWidget { background: @panel; border: 1px solid @fieldEdge; }
QListWidget::item { padding: 2px 4px; color: @ink; }
QListWidget::item:selected { background: #fbe29a; color: #1d2730; }
#ledgerLine { background: @rule; }
#keyCap { background: @button; border: 1px solid @fieldEdge; border-radius: 3px; padding: 0 6px; }
QTableView { background: @panel; alternate-background-color: @button; gridline-color: @rule; selection-background-color: #fbe29a; selection-color: #1d2730; }
QTableView::item:focus { border: 2px solid @ink; }
QHeaderView::section { background: @buttonHover; color: @ink; border: none; border-right: 1px solid @rule; border-bottom: 1px solid @fieldEdge; padding: 4px 6px; font-weight: bold; }
QTableView QLineEdit { border: 2px solid @ink; border-radius: 0; padding: 0 2px; min-height: 0; background: @fieldFocus; }
QTableView QTableCornerButton::section { background: @buttonHover; border: none; }
QDialogButtonBox { dialogbuttonbox-buttons-have-icons: 0; }
QStatusBar { background: @well; color: @onDesk; }
)";

}  // namespace

QString window(Desk desk) {
  initIcons();
  QString sheet = QString::fromUtf8(kSheet);
  // Longer names first: @field is also how @fieldEdge begins.
  std::vector<Token> tokens(std::begin(kTokens), std::end(kTokens));
  std::sort(tokens.begin(), tokens.end(), [](const Token& a, const Token& b) {
    return std::string_view(a.name).size() > std::string_view(b.name).size();
  });
  for (const Token& t : tokens) sheet.replace(QString::fromUtf8(t.name), colourOf(desk, t.name));
  if (desk == Desk::Light) sheet.replace(QStringLiteral("arrow-light"), QStringLiteral("arrow-dark"));
  else if (desk == Desk::Dark) sheet.replace(QStringLiteral("arrow-dark"), QStringLiteral("arrow-light"));
  return sheet;
}

void apply(QApplication& app, Desk desk) {
  // What paints itself asks the palette.
  QPalette palette;
  palette.setColor(QPalette::WindowText, colourOf(desk, "@ink"));
  palette.setColor(QPalette::Mid, colourOf(desk, "@quiet"));
  palette.setColor(QPalette::Link, colourOf(desk, "@way"));
  palette.setColor(QPalette::AlternateBase, colourOf(desk, "@hover"));
  palette.setColor(QPalette::Shadow, colourOf(desk, "@well"));
  palette.setColor(QPalette::BrightText, colourOf(desk, "@onDesk"));
  QApplication::setPalette(palette);
  app.setStyleSheet(window(desk));
}

Desk deskNamed(const QString& name) {
  return name == QStringLiteral("light") ? Desk::Light : name == QStringLiteral("dark") ? Desk::Dark : Desk::Slate;
}
QString nameOf(Desk desk) {
  return desk == Desk::Light  ? QStringLiteral("light")
         : desk == Desk::Dark ? QStringLiteral("dark")
                              : QStringLiteral("slate");
}

QString tapeEditor() {
  return QStringLiteral(
      "QLineEdit { font-family: \"Routed Gothic\"; font-size: 17px; background: #f4c430; color: #1d2730; border: 2px "
      "solid #1d2730; border-radius: 3px; "
      "padding: 0 4px; selection-background-color: #1d2730; selection-color: #f4c430; }");
}

QString complaint() {
  return QStringLiteral(
      "QLabel { background: #fffef9; color: #1d2730; border: 1px solid #b23f2e; border-left: 5px solid #b23f2e; "
      "border-radius: 2px; padding: 6px 8px; }");
}

}  // namespace mezzet::style
