// The day, as records are dated: 2026-03-31.
#pragma once

#include <QDate>
#include <string>

#include "core/base/calendar.h"

namespace mezzet {

[[nodiscard]] inline std::string today() { return QDate::currentDate().toString(Qt::ISODate).toStdString(); }

[[nodiscard]] inline Day thisDay() { return *readDay(today()); }

}  // namespace mezzet
