#include "app/layouts.h"

#include <QRegularExpression>

namespace mezzet {

QString onScreen(const std::string& sentence) {
  static const QRegularExpression beforeFraction(QStringLiteral("(\\d) (\\d+/\\d+)")), beforeUnit(QStringLiteral("(\\d) (in|mm|cm|m)\\b"));
  QString text = QString::fromStdString(sentence);
  text.replace(beforeFraction, QStringLiteral("\\1\u00a0\\2"));
  text.replace(beforeUnit, QStringLiteral("\\1\u00a0\\2"));
  return text;
}

}  // namespace mezzet
