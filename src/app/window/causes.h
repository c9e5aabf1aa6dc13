// Causes of notices, which go when their cause does.
#pragma once

#include <QLatin1String>
#include <QString>

#include "core/base/result.h"

namespace mezzet {

namespace cause {
inline constexpr QLatin1String kRefused("refused"), kUnkept("unkept"), kNotSaved("not saved"), kNotOpened("not opened"),
    kLeftBehind("left behind "), kCame("came");
}
[[nodiscard]] inline QString sentenceOf(const Error& fault) {
  return QString::fromStdString(fault.text()) + QStringLiteral(".");
}

}  // namespace mezzet
