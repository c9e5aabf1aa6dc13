// Runs the tests on the real window, with folders of their own for settings and journals.
#include <QApplication>
#include <QTemporaryDir>

#include "app/window/application.h"
#include "app/view/sheet_access.h"
#include "app/widgets/style.h"

int main(int argc, char** argv) {
  testing::InitGoogleTest(&argc, argv);
  QTemporaryDir own;
  qputenv("XDG_STATE_HOME", own.path().toUtf8());
  qputenv("XDG_CONFIG_HOME", own.path().toUtf8());
  mezzet::prepareEnvironment();
  mezzet::Application app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("Mezzet"));
  QApplication::setOrganizationName(QStringLiteral("Mezzet"));
  QApplication::setStyle(QStringLiteral("Fusion"));
  if (!mezzet::loadFonts()) return 3;
  mezzet::installSheetAccess();
  mezzet::style::apply(app, mezzet::style::Desk::Slate);
  return RUN_ALL_TESTS();
}
