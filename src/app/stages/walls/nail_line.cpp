#include "app/stages/walls/nail_line.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/widgets/length_field.h"

namespace mezzet {
namespace {

constexpr int kLine = 84;  // px
constexpr double kHighestLine = 20'000;

}  // namespace

NailLine::NailLine(Workspace& workspace, QWidget* parent) : QWidget(parent) {
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(0, 0, 0, 0);
  row->setSpacing(8);
  const auto title = [&](const QString& words) {
    auto* label = new QLabel(words);
    label->setObjectName(QStringLiteral("barHint"));
    row->addWidget(label);
  };
  const auto plan = workspace.nailsHere();
  auto* count = new QLabel(tr("%1 nails").arg(plan ? plan->nails.size() : 0));
  count->setObjectName(QStringLiteral("barName"));
  row->addWidget(count);
  title(tr("from the"));
  auto* end = new QComboBox;
  end->setObjectName(QStringLiteral("nails:end"));
  end->setAccessibleName(tr("Which end of the wall nails are measured from"));
  end->addItems({tr("left"), tr("right")});
  end->setCurrentIndex(workspace.nailAsk().end == WallEnd::Left ? 0 : 1);
  connect(end, &QComboBox::activated, this, [&workspace](int i) {
    // The bar is built anew by it, and this with it.
    QMetaObject::invokeMethod(
        &workspace,
        [&workspace, i] { workspace.measureNails(i == 0 ? WallEnd::Left : WallEnd::Right, workspace.nailAsk().line); },
        Qt::QueuedConnection);
  });
  row->addWidget(end);
  title(tr("level line at"));
  auto* line = new LengthField(
      tr("Height of the level line above the floor at the lowest point measured from"),
      [this, &workspace](const QString& text) {
        LengthReading reading = workspace.read(text);
        if (reading && *reading.length > kHighestLine)
          reading = {std::nullopt, 0, "A level line is at most 20 m (65 ft) up."};
        if (!reading) emit complained(QString::fromStdString(reading.complaint));
        else
          QMetaObject::invokeMethod(
              &workspace, [&workspace, at = *reading.length] { workspace.measureNails(workspace.nailAsk().end, at); },
              Qt::QueuedConnection);
        return reading;
      });
  line->setObjectName(QStringLiteral("nails:line"));
  line->setFixedWidth(kLine);
  line->show(workspace.write(workspace.nailAsk().line));
  line->setText(workspace.write(workspace.nailAsk().line));
  row->addWidget(line);
  const auto act = [&](const QString& words, const char* name, const char* id) {
    auto* button = new QPushButton(words);
    button->setObjectName(QString::fromUtf8(name));
    connect(button, &QPushButton::clicked, this, [this, id] { emit actionWanted(id); });
    row->addWidget(button);
  };
  act(tr("Read out ..."), "nails:readOut", "read-out");
  act(tr("Hung and holes ..."), "nails:hung", "hung");
  act(tr("Print ..."), "nails:print", "print-plan");
}

}  // namespace mezzet
