// Runs the tests on the real window, with folders of their own for settings and journals.
#include <QApplication>
#include <QTemporaryDir>

#include "app/style.h"

int main(int argc, char** argv) {
  testing::InitGoogleTest(&argc, argv);
  QTemporaryDir own;
  qputenv("XDG_STATE_HOME", own.path().toUtf8());
  qputenv("XDG_CONFIG_HOME", own.path().toUtf8());
  mezzet::prepareEnvironment();
  QApplication app(argc, argv);
  QApplication::setApplicationName(QStringLiteral("Mezzet"));
  QApplication::setOrganizationName(QStringLiteral("Mezzet"));
  QApplication::setStyle(QStringLiteral("Fusion"));
  if (!mezzet::loadFonts()) return 3;
  app.setStyleSheet(mezzet::style::window());
  return RUN_ALL_TESTS();
}
