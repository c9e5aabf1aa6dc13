#include "app/widgets/layouts.h"

#include <QDialogButtonBox>
#include <QEvent>
#include <QScrollBar>
#include <QApplication>
#include <QMainWindow>
#include <QRegularExpression>
#include <QScrollArea>
#include <QStyle>
#include <QTimer>
#include <algorithm>

namespace mezzet {
namespace {

/// What Tab stops at, in the order of the layouts.
void collectStops(QWidget* widget, QWidgetList& stops) {
  if (widget->testAttribute(Qt::WA_WState_ExplicitShowHide) && widget->isHidden()) return;
  if ((widget->focusPolicy() & Qt::TabFocus) != 0) return stops.append(widget);
  if (auto* scroll = qobject_cast<QScrollArea*>(widget)) {
    if (scroll->widget() != nullptr) collectStops(scroll->widget(), stops);
    return;
  }
  const auto walk = [&stops](const auto& self, QLayout* layout) -> void {
    for (int i = 0; layout != nullptr && i < layout->count(); ++i) {
      if (QWidget* inner = layout->itemAt(i)->widget()) collectStops(inner, stops);
      else self(self, layout->itemAt(i)->layout());
    }
  };
  walk(walk, widget->layout());
}

/// Keeps a column as tall as its wrapped words need: a scroll area takes the layout's own wish, which forgets them.
class TallEnough : public QObject {
 public:
  using QObject::QObject;

 protected:
  bool eventFilter(QObject* object, QEvent* event) override {
    if (event->type() == QEvent::LayoutRequest || event->type() == QEvent::Show) {
      auto* body = static_cast<QWidget*>(object);
      if (const int height = body->layout()->totalHeightForWidth(body->width());
          height > 0 && height != body->minimumHeight())
        body->setMinimumHeight(height);
    }
    return QObject::eventFilter(object, event);
  }
};

constexpr const char* kOrderPending = "tabOrderPending";

}  // namespace

void orderTabsSoon(QWidget* window) {
  if (window->property(kOrderPending).toBool()) return;
  window->setProperty(kOrderPending, true);
  QTimer::singleShot(0, window, [window] {
    window->setProperty(kOrderPending, false);
    auto* main = qobject_cast<QMainWindow*>(window);
    QWidget* root = main != nullptr ? main->centralWidget() : window;
    QWidgetList stops;
    if (root != nullptr) collectStops(root, stops);
    for (qsizetype i = 1; i < stops.size(); ++i) QWidget::setTabOrder(stops[i - 1], stops[i]);
  });
}

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
  body->installEventFilter(new TallEnough(body));
  scroll->setWidget(body);
  return column;
}

QVBoxLayout* scrollingRows(QVBoxLayout* column) {
  auto* scroll = new QScrollArea;
  scroll->setWidgetResizable(true);
  scroll->setFrameShape(QFrame::NoFrame);
  scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  auto* body = new QWidget;
  auto* rows = new QVBoxLayout(body);
  rows->setContentsMargins(0, 0, 8, 0);
  scroll->setWidget(body);
  column->addWidget(scroll, 1);
  return rows;
}

QVBoxLayout* scrollingRows(QDialog* dialog) {
  auto* column = new QVBoxLayout(dialog);
  column->setContentsMargins(18, 16, 18, 16);
  QVBoxLayout* rows = scrollingRows(column);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
  QObject::connect(buttons, &QDialogButtonBox::rejected, dialog, &QDialog::reject);
  column->addWidget(buttons);
  return rows;
}

void named(QWidget* widget, const char* name) {
  const QString text = QString::fromUtf8(name);
  if (widget->objectName() == text) return;
  widget->setObjectName(text);
  widget->style()->unpolish(widget);
  widget->style()->polish(widget);
}

namespace {

/// As high as what it holds, and its scroll bar in narrow windows.
class Across : public QScrollArea {
 public:
  Across(QWidget* bar, int narrowBelow) : narrowBelow_(narrowBelow) {
    setObjectName(QStringLiteral("across"));
    setFrameShape(QFrame::NoFrame);
    setFocusPolicy(Qt::NoFocus);
    setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setWidgetResizable(true);
    setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
    viewport()->setAutoFillBackground(false);
    setWidget(bar);
    bar->setAutoFillBackground(false);
    bar->installEventFilter(this);
    follow();
  }
  [[nodiscard]] QSize minimumSizeHint() const override { return {100, height()}; }

 protected:
  void resizeEvent(QResizeEvent* event) override {
    QScrollArea::resizeEvent(event);
    follow();
  }
  bool eventFilter(QObject* object, QEvent* event) override {
    if (object == widget() && (event->type() == QEvent::ShowToParent || event->type() == QEvent::HideToParent))
      follow();
    return QScrollArea::eventFilter(object, event);
  }

 private:
  /// By the window's width alone, never by what the bar shows just now: the sheet would move under the hand.
  void follow() {
    setVisible(!widget()->isHidden());
    const int high = std::clamp(widget()->sizeHint().height(), widget()->minimumHeight(), widget()->maximumHeight());
    setFixedHeight(
        high + (window() != this && window()->width() < narrowBelow_ ? horizontalScrollBar()->sizeHint().height() : 0));
  }
  int narrowBelow_;
};

}  // namespace

QWidget* headed(const QString& title, QWidget* body) {
  auto* box = new QWidget;
  auto* column = new QVBoxLayout(box);
  column->setContentsMargins(0, 0, 0, 8);
  column->setSpacing(3);
  column->addWidget(words(title, "subject"));
  column->addWidget(body);
  return box;
}

QWidget* scrollingAcross(QWidget* bar, int narrowBelow) { return new Across(bar, narrowBelow); }

FocusKept::FocusKept(QWidget* parent) : parent_(parent) {
  const QWidget* focus = QApplication::focusWidget();
  if (focus != nullptr && parent_->isAncestorOf(focus)) focused_ = focus->objectName();
}

FocusKept::~FocusKept() {
  if (!focused_.isEmpty()) focusFirstField(parent_, focused_);
}

void focusFirstField(QWidget* parent, const QString& name) {
  if (auto* now = parent->findChild<QWidget*>(name)) {
    now->show();  // a row just made is not on show yet, and would not take the keyboard
    now->setFocus(Qt::TabFocusReason);
  }
}

QString onScreen(const std::string& sentence) {
  static const QRegularExpression beforeFraction(QStringLiteral("(\\d) (\\d+/\\d+)")),
      beforeUnit(QStringLiteral("(\\d) (in|mm|cm|m)\\b"));
  QString text = QString::fromStdString(sentence);
  text.replace(beforeFraction, QStringLiteral("\\1\u00a0\\2"));
  text.replace(beforeUnit, QStringLiteral("\\1\u00a0\\2"));
  return text;
}
QString onScreen(const std::vector<std::string>& sentences) {
  QStringList all;
  for (const std::string& one : sentences) all << onScreen(one);
  return all.join(QLatin1Char(' '));
}

void refuseChoice(QObject* owner, QLabel* complaint, const LengthReading& taken, std::function<void()> rebuild) {
  if (taken) return;
  QMetaObject::invokeMethod(
      owner,
      [complaint, taken, rebuild = std::move(rebuild)] {
        rebuild();
        complaint->setText(QString::fromStdString(taken.complaint));
        complaint->show();
      },
      Qt::QueuedConnection);
}

}  // namespace mezzet
