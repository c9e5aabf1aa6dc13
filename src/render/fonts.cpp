#include "render/fonts.h"

#include <QDir>
#include <QFontDatabase>
#include <sys/stat.h>
#include <unistd.h>

#include <filesystem>
#include <system_error>

#include "core/drawing/base/drawing.h"

static void initResources() { Q_INIT_RESOURCE(fonts); }

namespace mezzet {

void prepareEnvironment() {
  // Without it Qt picks this folder itself, and says so on standard error.
  if (!qEnvironmentVariableIsSet("XDG_RUNTIME_DIR")) {
    const QByteArray folder = (QDir::tempPath() + QStringLiteral("/mezzet-runtime-%1").arg(::geteuid())).toLocal8Bit();
    ::mkdir(folder.constData(), 0700);
    qputenv("XDG_RUNTIME_DIR", folder);
  }
  if (qEnvironmentVariableIsSet("FONTCONFIG_FILE")) return;
  // Beside the program, installed or built: ../share/mezzet/fonts seen from its folder.
  std::error_code fault;
  const std::filesystem::path program = std::filesystem::read_symlink("/proc/self/exe", fault);
  const std::filesystem::path conf = program.parent_path().parent_path() / "share/mezzet/fonts/fonts.conf";
  if (!fault && std::filesystem::exists(conf, fault))
    qputenv("FONTCONFIG_FILE", QByteArray::fromStdString(conf.string()));
}

bool loadFonts() {
  initResources();
  bool all = true;
  for (const char* name : {"B612-Regular.otf", "B612-Bold.otf", "B612-Italic.otf", "routed-gothic.ttf"})
    all = QFontDatabase::addApplicationFont(QStringLiteral(":/fonts/") + QString::fromUtf8(name)) >= 0 && all;
  return all;
}

QFont letteringFont(double capital, int dpi) {
  QFont font(QStringLiteral("Routed Gothic"));
  font.setPointSizeF(std::max(0.5, capital * emOverCapital() * 72.0 / dpi));
  font.setKerning(false);  // widths come from the core's table of plain advances
  font.setHintingPreference(QFont::PreferNoHinting);
  return font;
}

QFont interfaceFont(int pixels, bool bold) {
  QFont font(QStringLiteral("B612"));
  font.setPixelSize(pixels);
  font.setBold(bold);
  return font;
}

}  // namespace mezzet
