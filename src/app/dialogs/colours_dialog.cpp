#include "app/dialogs/colours_dialog.h"

#include <QCheckBox>
#include <QFile>
#include <QFileDialog>
#include <QFormLayout>
#include <QFrame>
#include <QHBoxLayout>
#include <QLabel>
#include <QLineEdit>
#include <QPushButton>
#include <cmath>

#include "app/widgets/form_line.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/colour/names.h"
#include "core/colour/palette.h"
#include "core/display/colours.h"
#include "core/edit/displays.h"
#include "core/entry/thing_text.h"
#include "render/small_pixels.h"

namespace mezzet {
namespace {

constexpr int kSwatch = 34;  // px
constexpr qint64 kMostPicture = 64ll << 20;

}  // namespace

ColoursDialog::ColoursDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("coloursDialog"));
  setWindowTitle(tr("Colours"));
  resize(560, 380);
  auto* rows = scrollingRows(this);
  rows->addWidget(
      words(tr("One or two main colours, and a third as accent. Type black, brass, or #2b2b2b."), "quietNote"));
  auto* form = new QFormLayout;
  const auto line = [&](const char* name, const QString& title, const QString& example) {
    return addFormLine(*form, name, title, example, 400, [this] { take(); });
  };
  main_ = line("paletteMain", tr("Main colours"), tr("black, cream"));
  accent_ = line("paletteAccent", tr("Accent"), tr("brass"));
  readsAs_ = line("paletteReadsAs", tr("Read as"), tr("brown as brass, charcoal as black"));
  rows->addLayout(form);
  accepted_ = new QCheckBox(tr("Keep to it: tell what strays, and books that are not massed by colour"));
  accepted_->setObjectName(QStringLiteral("paletteAccepted"));
  connect(accepted_, &QCheckBox::clicked, this, &ColoursDialog::take);
  rows->addWidget(accepted_);
  auto* buttons = new QHBoxLayout;
  auto* there = new QPushButton(tr("Take what stands there"));
  there->setObjectName(QStringLiteral("paletteFromThings"));
  connect(there, &QPushButton::clicked, this, [this] {
    if (const auto display = workspace_.display()) put(proposedPalette(*display));
  });
  auto* picture = new QPushButton(tr("From a picture ..."));
  picture->setObjectName(QStringLiteral("paletteFromPicture"));
  connect(picture, &QPushButton::clicked, this, &ColoursDialog::fromPicture);
  buttons->addWidget(there);
  buttons->addWidget(picture);
  buttons->addStretch(1);
  rows->addLayout(buttons);
  complaint_ = words({}, "barFault");
  rows->addWidget(complaint_);
  rows->addWidget(words(tr("What stands there, by the share of what is seen"), "panelTitle"));
  auto* strip = new QWidget;
  swatches_ = new QHBoxLayout(strip);
  swatches_->setContentsMargins(0, 0, 0, 0);
  rows->addWidget(strip);
  rows->addStretch(1);
  follow();
}

void ColoursDialog::follow() {
  const auto display = workspace_.display();
  if (!display) return;
  const PaletteText text = paletteText(display->palette);
  main_->setText(QString::fromStdString(text.main));
  accent_->setText(QString::fromStdString(text.accent));
  readsAs_->setText(QString::fromStdString(text.readsAs));
  accepted_->setChecked(display->palette.accepted);
  emptyLayout(swatches_);
  const PaletteReader palette(display->palette);
  for (const SharedColour& c : coloursOf(*display)) {
    auto* column = new QVBoxLayout;
    auto* swatch = new QFrame;
    swatch->setFixedSize(kSwatch * 2, kSwatch);
    swatch->setStyleSheet(
        QStringLiteral("background: %1; border: 1px solid #1d2730;").arg(QString::fromStdString(c.srgb)));
    column->addWidget(swatch);
    const auto stray = palette.strayOf(c.srgb);
    auto* note =
        new QLabel(tr("%1 % %2").arg(std::lround(100 * c.share)).arg(QString::fromStdString(nameOfColour(c.srgb))) +
                   (stray ? tr("\noff by %1").arg(std::lround(*stray)) : QString()));
    column->addWidget(note);
    swatches_->addLayout(column);
  }
  if (swatches_->count() == 0)
    swatches_->addWidget(
        words(tr("No thing there has a colour yet: type one behind its sizes, or open its Thing ..."), "quietNote"));
  swatches_->addStretch(1);
}

void ColoursDialog::put(const ColourPalette& palette) {
  if (workspace_.scheme() == nullptr || workspace_.carrier().empty()) return;
  const DisplaySet* before = findDisplay(*workspace_.scheme(), workspace_.carrier());
  DisplaySet set = before != nullptr ? *before : DisplaySet{workspace_.carrier()};
  set.palette = palette;
  workspace_.document().edit(tr("change the colours"), withDisplay(workspace_.job(), workspace_.schemeId(), set));
  complaint_->clear();
  follow();
}

void ColoursDialog::take() {
  const auto palette =
      paletteFromText({main_->text().toStdString(), accent_->text().toStdString(), readsAs_->text().toStdString()},
                      accepted_->isChecked());
  if (!palette) {
    complaint_->setText(QString::fromStdString(capital(palette.error().text())) + QStringLiteral("."));
    return;
  }
  put(*palette);
}

void ColoursDialog::fromPicture() {
  const QString path =
      QFileDialog::getOpenFileName(this, tr("A picture to take colours from"), {}, tr("Pictures (*.png *.jpg *.jpeg)"));
  if (path.isEmpty()) return;
  QFile file(path);
  if (!file.open(QIODevice::ReadOnly) || file.size() > kMostPicture) {
    complaint_->setText(tr("%1 cannot be read, or is larger than 64 MB.").arg(path));
    return;
  }
  const QByteArray bytes = file.readAll();
  const auto pixels = smallPixels({bytes.constData(), static_cast<std::size_t>(bytes.size())}, path.toStdString());
  if (!pixels) {
    complaint_->setText(QString::fromStdString(pixels.error().text()) + QStringLiteral("."));
    return;
  }
  ColourPalette palette;
  for (const PaletteColour& c : paletteOf(*pixels, 3, 1))
    (palette.main.size() < 2 ? palette.main : palette.accent).push_back(c.srgb);
  put(palette);
}

}  // namespace mezzet
