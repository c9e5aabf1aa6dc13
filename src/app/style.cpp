#include "app/style.h"

static void initIcons() { Q_INIT_RESOURCE(icons); }

namespace mezzet::style {

QString window() {
  initIcons();
  return QStringLiteral(R"(
QWidget { font-family: "B612"; font-size: 13px; color: #1d2730; }
QMainWindow, #desk { background: #46545f; }
#header { background: #39464f; }
#header QLabel { color: #f3f1ea; }
#header #jobName { font-weight: bold; font-size: 15px; }
#header #quiet { color: #c6cfd5; }
QMenuBar { background: transparent; color: #f3f1ea; }
QMenuBar::item { padding: 6px 9px; background: transparent; border-radius: 3px; }
QMenuBar::item:selected, QMenuBar::item:pressed { background: #56646f; }
QMenu { background: #fffef9; border: 1px solid #39464f; padding: 4px; }
QMenu::item { padding: 6px 26px 6px 14px; }
QMenu::item:selected { background: #f4c430; color: #1d2730; }
QMenu::item:disabled { color: #6d767d; }
QMenu::separator { height: 1px; background: #d9d5c8; margin: 4px 8px; }
#header QComboBox { background: #2b353c; color: #f3f1ea; border: 1px solid #56646f; border-radius: 3px; padding: 4px 24px 4px 9px; min-height: 18px; }
#header QComboBox:focus { border: 2px solid #f4c430; padding: 3px 23px 3px 8px; }
QComboBox::drop-down { border: none; width: 22px; }
#header QComboBox::down-arrow { image: url(:/icons/arrow-light.xpm); width: 10px; height: 6px; }
QComboBox::down-arrow { image: url(:/icons/arrow-dark.xpm); width: 10px; height: 6px; }
#header QComboBox QAbstractItemView { background: #fffef9; color: #1d2730; selection-background-color: #f4c430; selection-color: #1d2730; }
#header QToolButton { color: #f3f1ea; background: #2b353c; border: 1px solid #56646f; border-radius: 3px; padding: 5px 10px; }
#header QToolButton:hover { background: #56646f; }
#header QToolButton:focus { border: 2px solid #f4c430; padding: 4px 9px; }
#panel, #panel QScrollArea, #panelBody { background: #fffef9; border: none; }
#panelTitle { font-size: 16px; font-weight: bold; }
#subject { font-size: 14px; font-weight: bold; }
#rival, #note, #quietNote { color: #56606a; }
#conflict { color: #1d2730; }
QLineEdit { background: white; border: 1px solid #7c8891; border-radius: 3px; padding: 3px 6px; min-height: 20px; selection-background-color: #f4c430; selection-color: #1d2730; }
QLineEdit:focus { border: 2px solid #1d2730; padding: 2px 5px; background: #fff8df; }
QLineEdit:disabled { background: #efece2; color: #56606a; }
QComboBox { background: white; border: 1px solid #7c8891; border-radius: 3px; padding: 3px 20px 3px 7px; min-height: 20px; }
QComboBox:focus { border: 2px solid #1d2730; padding: 2px 19px 2px 6px; background: #fff8df; }
QComboBox QAbstractItemView { background: #fffef9; selection-background-color: #f4c430; selection-color: #1d2730; }
QPushButton { background: #efece2; border: 1px solid #7c8891; border-radius: 3px; padding: 5px 12px; }
QPushButton:hover { background: #e4dfd0; }
QPushButton:focus { border: 2px solid #1d2730; padding: 4px 11px; background: #fff8df; }
QPushButton:disabled { color: #6d767d; border-color: #c9c6bc; }
QPushButton#primary { background: #1d2730; color: #f8f4ea; border-color: #1d2730; font-weight: bold; }
QPushButton#primary:hover { background: #39464f; }
QPushButton#primary:focus { border: 2px solid #f4c430; }
QPushButton#primary:disabled { background: #d9d5c8; color: #56606a; border-color: #d9d5c8; }
QPushButton#fold { background: transparent; border: none; padding: 4px 4px; text-align: left; }
QPushButton#fold:hover { background: #efece2; }
QPushButton#keep, QPushButton#judgeAgain { background: transparent; border: none; padding: 2px 2px 2px 24px; text-align: left; color: #56606a; text-decoration: underline; }
QPushButton#keep:hover, QPushButton#judgeAgain:hover { background: #efece2; }
QPushButton#keep:focus, QPushButton#judgeAgain:focus { border: 2px solid #1d2730; padding: 0px 0px 0px 22px; }
QCheckBox { spacing: 8px; }
QCheckBox:focus { background: #fff3cf; }
QPushButton#fold:focus { border: 2px solid #1d2730; border-radius: 3px; padding: 2px 2px; }
#bar, #tray { background: #56646f; }
#tray QLabel { color: #f3f1ea; }
#tray QScrollArea, #trayBody { background: transparent; border: none; }
#bar QLabel { color: #f3f1ea; }
#bar #barName { font-weight: bold; font-size: 14px; }
#bar #barHint { color: #dfe4e7; }
#notice { background: #fff3cf; border-bottom: 2px solid #1d2730; }
#fieldComplaint { color: #8c2a1c; }
QScrollBar:vertical { background: transparent; width: 10px; margin: 0; }
QScrollBar::handle:vertical { background: #b9bdb9; border-radius: 4px; min-height: 30px; }
QScrollBar::add-line:vertical, QScrollBar::sub-line:vertical { height: 0; }
QToolTip { background: #fffef9; color: #1d2730; border: 1px solid #39464f; padding: 4px; }
QDialog, QMessageBox { background: #fffef9; }
QDialogButtonBox { dialogbuttonbox-buttons-have-icons: 0; }
QStatusBar { background: #2b353c; color: #f3f1ea; }
)");
}

QString tapeEditor() {
  return QStringLiteral(
      "QLineEdit { font-family: \"Routed Gothic\"; font-size: 17px; background: #f4c430; color: #1d2730; border: 2px solid #1d2730; border-radius: 3px; "
      "padding: 0 4px; selection-background-color: #1d2730; selection-color: #f4c430; }");
}

QString complaint() {
  return QStringLiteral(
      "QLabel { background: #fffef9; color: #1d2730; border: 1px solid #b23f2e; border-left: 5px solid #b23f2e; border-radius: 2px; padding: 6px 8px; }");
}

}  // namespace mezzet::style
