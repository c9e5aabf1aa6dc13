#include "app/window/welcome.h"

#include <QCoreApplication>
#include <QEvent>
#include <QFileInfo>
#include <QIcon>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"

namespace mezzet {

QString demoPath() {
  const QString here = QCoreApplication::applicationDirPath();
  for (const char* place : {"/../share/mezzet/demo/ferry-house.mezzet", "/../demo/ferry-house.mezzet"})
    if (const QFileInfo file(here + QString::fromUtf8(place)); file.isReadable()) return file.canonicalFilePath();
  return {};
}

Welcome::Welcome(QWidget* parent) : QWidget(parent) {
  constexpr int kWide = 620, kButton = 250, kMark = 72;  // px
  setObjectName(QStringLiteral("welcome"));
  setAttribute(Qt::WA_StyledBackground);
  setAccessibleName(tr("Welcome"));
  auto* middle = new QWidget;
  middle->setFixedWidth(kWide);
  auto* column = new QVBoxLayout(middle);
  column->setSpacing(14);
  auto* mark = new QLabel;
  mark->setPixmap(QIcon(QStringLiteral(":/icons/mezzet.svg")).pixmap(QSize(kMark, kMark), devicePixelRatioF()));
  column->addWidget(mark);
  column->addWidget(words(tr("Plan a room to scale, and hand it over"), "welcomeTitle"));
  for (const QString& line :
       {tr("Type the walls as your tape reads them. Mezzet says which reading is wrong when they do not close."),
        tr("Place furniture, rugs, lights and pictures at true size. Every gap that matters is shown, with the trade's "
           "rules "
           "and its rival schools; when two cannot both hold, the ways out."),
        tr("Print to scale for the client, the installer, the electrician and the shop. Taste stays with you.")})
    column->addWidget(words(line, "welcomeLine"));
  column->addSpacing(10);
  const auto button = [&](const QString& text, const QString& under, const char* name, auto signal) {
    auto* row = new QHBoxLayout;
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setFixedWidth(kButton);
    b->setAutoDefault(true);
    connect(b, &QPushButton::clicked, this, signal);
    row->addWidget(b);
    row->addSpacing(8);
    row->addWidget(words(under, "quietNote"), 1);
    column->addLayout(row);
    return b;
  };
  first_ = button(tr("Measure a room"), tr("Begin with one wall; the next one follows."), "welcomeMeasure",
                  &Welcome::measureWanted);
  QPushButton* demo =
      button(tr("Look at the Ferry House"), tr("An invented guesthouse with everything in it. It opens as a copy."),
             "welcomeDemo", &Welcome::demoWanted);
  demo->setEnabled(!demoPath().isEmpty());
  button(tr("Open a job ..."), tr("A .mezzet file."), "welcomeOpen", &Welcome::openWanted);
  column->addSpacing(6);
  column->addWidget(
      words(tr("F1 shows every key. Everything works without a network, and every finished edit is kept at once."),
            "quietNote"));
  auto* across = new QHBoxLayout;
  across->addStretch(1);
  across->addWidget(middle);
  across->addStretch(1);
  auto* all = new QVBoxLayout(this);
  all->addStretch(2);
  all->addLayout(across);
  all->addStretch(3);
  parent->installEventFilter(this);
  hide();
}

void Welcome::appear() {
  setGeometry(parentWidget()->rect());
  show();
  raise();
  first_->setFocus();
}

bool Welcome::eventFilter(QObject* object, QEvent* event) {
  if (object == parent() && event->type() == QEvent::Resize) setGeometry(parentWidget()->rect());
  return QWidget::eventFilter(object, event);
}

void Welcome::keyPressEvent(QKeyEvent* event) {
  if (event->key() == Qt::Key_Escape) emit measureWanted();
  else QWidget::keyPressEvent(event);
}

}  // namespace mezzet
