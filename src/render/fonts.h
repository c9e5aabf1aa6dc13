// The fonts that ship with Mezzet: B612 for the interface, Routed Gothic for lettering on drawings.
#pragma once

#include <QFont>

namespace mezzet {

/// Before QGuiApplication: points fontconfig at our configuration, unless the user has one of their own, and gives
/// Qt the runtime folder it asks for.
void prepareEnvironment();
/// After QGuiApplication: loads the fonts from the program. False if one is missing (a fault of the build).
bool loadFonts();

/// Lettering with capitals `capital` high in device pixels, on a device of `dpi`.
[[nodiscard]] QFont letteringFont(double capital, int dpi);
[[nodiscard]] QFont interfaceFont(int pixels, bool bold = false);

}  // namespace mezzet
