#include "app/layouts.h"

#include <QApplication>
#include <QRegularExpression>
#include <QScrollArea>
#include <QStyle>

namespace mezzet {

QVBoxLayout* scrollingColumn(QWidget* panel) {
  constexpr int kWidth = 308;  // of the panel beside its scroll bar
  panel->setObjectName(QStringLiteral("panel"));
  panel->setAttribute(Qt::WA_StyledBackground);
  auto* all = new QVBoxLayout(panel);
  all->setContentsMargins(0, 0, 0, 0);
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  scroll->setFocusPolicy(Qt::NoFocus);
  all->addWidget(scroll);
  auto* body = new QWidget;
  body->setObjectName(QStringLiteral("panelBody"));
  body->setFixedWidth(kWidth);
  auto* column = new QVBoxLayout(body);
  column->setContentsMargins(14, 12, 12, 14);
  scroll->setWidget(body);
  return column;
}

void named(QWidget* widget, const char* name) {
  const QString text = QString::fromUtf8(name);
  if (widget->objectName() == text) return;
  widget->setObjectName(text);
  widget->style()->unpolish(widget);
  widget->style()->polish(widget);
}

FocusKept::FocusKept(QWidget* parent) : parent_(parent) {
  const QWidget* focus = QApplication::focusWidget();
  if (focus != nullptr && parent_->isAncestorOf(focus)) focused_ = focus->objectName();
}

FocusKept::~FocusKept() {
  if (focused_.isEmpty()) return;
  if (auto* now = parent_->findChild<QWidget*>(focused_)) {
    now->show();  // a row just made is not on show yet, and would not take the keyboard
    now->setFocus();
  }
}

QString onScreen(const std::string& sentence) {
  static const QRegularExpression beforeFraction(QStringLiteral("(\\d) (\\d+/\\d+)")), beforeUnit(QStringLiteral("(\\d) (in|mm|cm|m)\\b"));
  QString text = QString::fromStdString(sentence);
  text.replace(beforeFraction, QStringLiteral("\\1\u00a0\\2"));
  text.replace(beforeUnit, QStringLiteral("\\1\u00a0\\2"));
  return text;
}

}  // namespace mezzet
