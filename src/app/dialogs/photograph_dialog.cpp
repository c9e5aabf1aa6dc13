#include "app/dialogs/photograph_dialog.h"

#include <QBuffer>
#include <QComboBox>
#include <QFileDialog>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>

#include "app/document/saving.h"
#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/decide/wall_words.h"
#include "core/edit/edits.h"
#include "core/edit/put.h"
#include "core/rules/base/names.h"
#include "render/photograph.h"

namespace mezzet {
namespace {

constexpr int kPanel = 300;
constexpr double kPreview = 1400;  // px on the long side, of what is shown while it is worked on

}  // namespace

PhotographDialog::PhotographDialog(Workspace& workspace, PhotographId photographId, QWidget* parent)
    : QDialog(parent), workspace_(workspace), id_(std::move(photographId)) {
  setObjectName(QStringLiteral("photographDialog"));
  setWindowTitle(tr("The plan in a photograph"));
  resize(1180, 720);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(16, 14, 16, 14);
  row->setSpacing(14);
  view_ = new PhotographView;
  row->addWidget(view_, 1);
  auto* panel = new QWidget;
  panel->setFixedWidth(kPanel);
  auto* column = new QVBoxLayout(panel);
  column->setContentsMargins(0, 0, 0, 0);
  row->addWidget(panel);
  says_ = words({}, "photographSays");
  column->addWidget(says_);
  if (const Photograph* p = photograph(); p != nullptr && p->calibration) now_ = *p->calibration;
  FieldGrid grid;
  addRectangle(grid);
  column->addWidget(grid.box());
  addOutlines(column);
  with_ = new QComboBox;
  with_->setObjectName(QStringLiteral("photographWith"));
  with_->addItem(tr("this scheme alone"), QString());
  for (const auto& s : workspace_.job().schemes)
    if (workspace_.room() != nullptr && s->room == workspace_.room()->id && s->id != workspace_.schemeId())
      with_->addItem(tr("beside %1").arg(QString::fromStdString(s->name)), QString::fromStdString(s->id.value));
  with_->setAccessibleName(tr("A second scheme beside it"));
  with_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  connect(with_, &QComboBox::currentIndexChanged, this, &PhotographDialog::refresh);
  column->addWidget(with_);
  lengths_ = words({}, "quietNote");
  column->addWidget(lengths_);
  column->addStretch(1);
  save_ = new QPushButton(tr("Save as a picture ..."));
  save_->setObjectName(QStringLiteral("primary"));
  connect(save_, &QPushButton::clicked, this, &PhotographDialog::askAndWrite);
  auto* close = new QPushButton(tr("Close"));
  connect(close, &QPushButton::clicked, this, &QDialog::reject);
  for (QPushButton* one : {save_, close}) one->setAutoDefault(false);
  column->addWidget(save_);
  column->addWidget(close);
  connect(view_, &PhotographView::clicked, this, &PhotographDialog::click);
  connect(view_, &PhotographView::moved, this, [this](std::size_t corner, Vec2 pixel) {
    if (corner >= now_.corners.size()) return;
    now_.corners[corner] = pixel;
    showPainted();
  });
  connect(view_, &PhotographView::dropped, this, &PhotographDialog::calibrate);
  refresh();
  view_->setFocus();
}

const Photograph* PhotographDialog::photograph() const {
  if (workspace_.room() != nullptr)
    for (const Photograph& p : workspace_.room()->photographs)
      if (p.id == id_) return &p;
  return nullptr;
}

/// The rectangle whose size is known: an opening of the wall, or what was taped on it.
void PhotographDialog::addRectangle(FieldGrid& grid) {
  opening_ = new QComboBox;
  opening_->setObjectName(QStringLiteral("photographOpening"));
  opening_->setAccessibleName(tr("Which rectangle its corners are"));
  opening_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  opening_->addItem(tr("a rectangle of my own"), QString());
  const Photograph* p = photograph();
  if (p != nullptr)
    for (const Opening& o : workspace_.room()->openings)
      if (o.wall == p->wall)
        opening_->addItem(QString::fromStdString(openingName(*workspace_.room(), o)),
                          QString::fromStdString(o.id.value));
  connect(opening_, &QComboBox::activated, this, &PhotographDialog::chooseOpening);
  grid.putWide(opening_);
  const auto field = [&](const QString& title, const char* name, double Calibration::*member) {
    auto* f = new LengthField(title, [this, member](const QString& text) {
      LengthReading reading = workspace_.read(text);
      if (!reading) return reading;
      now_.*member = *reading.length;
      opening_->setCurrentIndex(0);
      calibrate();
      return reading;
    });
    f->setObjectName(QString::fromUtf8(name));
    fields_.emplace_back(member, f);
    grid.put(title, f);
  };
  field(tr("Wide"), "photographWidth", &Calibration::width);
  field(tr("High"), "photographHeight", &Calibration::height);
  field(tr("From the wall's left end"), "photographU", &Calibration::u);
  field(tr("Its foot above the floor"), "photographV", &Calibration::v);
}

void PhotographDialog::addOutlines(QLayout* column) {
  draw_ = new QPushButton(tr("Draw round what stands before it"));
  draw_->setObjectName(QStringLiteral("photographBefore"));
  draw_->setCheckable(true);
  draw_->setAutoDefault(false);
  connect(draw_, &QPushButton::toggled, this, [this](bool on) {
    outlining_ = on;
    if (on) view_->setFocus();
    const Photograph* p = photograph();
    if (!on && outline_.size() >= 3 && p != nullptr) {
      Photograph changed = *p;
      changed.before.push_back(outline_);
      put(changed, tr("what stands before"));
    }
    outline_.clear();
    refresh();
  });
  column->addWidget(draw_);
  auto* clear = new QPushButton(tr("Take these outlines out"));
  clear->setObjectName(QStringLiteral("photographClear"));
  clear->setAutoDefault(false);
  connect(clear, &QPushButton::clicked, this, [this] {
    const Photograph* p = photograph();
    if (p == nullptr || p->before.empty()) return;
    Photograph changed = *p;
    changed.before.clear();
    put(changed, tr("what stands before"));
    refresh();
  });
  column->addWidget(clear);
}

void PhotographDialog::chooseOpening(int index) {
  const Opening* o = findOpening(*workspace_.room(), OpeningId(opening_->itemData(index).toString().toStdString()));
  const auto wall = o != nullptr ? findWall(*workspace_.room(), o->wall) : std::nullopt;
  if (!wall) return;
  now_.width = o->width;
  now_.height = o->height;
  now_.u = wall->length() - o->offset - o->width;
  now_.v = o->sill;
  calibrate();
}

void PhotographDialog::click(Vec2 pixel) {
  if (outlining_) {
    outline_.push_back(pixel);
  } else if (now_.corners.size() < 4) {
    now_.corners.push_back(pixel);
    return calibrate();
  } else {
    return;
  }
  refresh();
}

void PhotographDialog::put(const Photograph& changed, const QString& verb) {
  Room room = *workspace_.room();
  putValue(room.photographs, changed);
  const auto after = withRoom(workspace_.job(), room);
  if (after) workspace_.document().edit(verb, *after);
  else says_->setText(QString::fromStdString(after.error().text()) + QStringLiteral("."));
}

/// Kept as soon as it is whole and sound; until then only in this dialog.
void PhotographDialog::calibrate() {
  const Photograph* p = photograph();
  refresh();
  if (p == nullptr || now_.corners.size() != 4 || now_.width <= 0 || now_.height <= 0) return;
  Photograph changed = *p;
  changed.calibration = now_;
  put(changed, tr("scale of a photograph"));
  if (photograph() != nullptr && photograph()->calibration == now_) refresh();
}

double PhotographDialog::previewScale() const {
  const Photograph* p = photograph();
  const QImage* image = p != nullptr ? workspace_.images().find(p->image) : nullptr;
  return image == nullptr ? 1 : std::min(1.0, kPreview / std::max(image->width(), image->height()));
}

/// At the photograph's own size, or smaller: what is dragged is painted in no time.
QImage PhotographDialog::paintedWith(const SchemeId& id, bool namesScheme, double scale) const {
  const Photograph* p = photograph();
  const QImage* image = p != nullptr ? workspace_.images().find(p->image) : nullptr;
  const Scheme* scheme = findScheme(workspace_.job(), id);
  if (image == nullptr) return {};
  if (scale < 1 && preview_.isNull())
    preview_ = image->scaled(image->size() * scale, Qt::IgnoreAspectRatio, Qt::SmoothTransformation);
  if (scale < 1) image = &preview_;
  if (scheme == nullptr) return *image;
  Photograph shown = *p;
  shown.calibration = now_;
  return photographOf(*image, scale, std::move(shown), workspace_.job(), *scheme, workspace_.images(),
                      namesScheme ? QString::fromStdString(scheme->name) : QString());
}

QImage PhotographDialog::painted(double scale) const {
  const SchemeId other(with_->currentData().toString().toStdString());
  if (other.empty()) return paintedWith(workspace_.schemeId(), false, scale);
  return besideEachOther(paintedWith(workspace_.schemeId(), true, scale), paintedWith(other, true, scale));
}

void PhotographDialog::showPainted() {
  const double scale = previewScale();
  view_->show(painted(scale), scale, now_.corners, outline_, outlining_);
}

void PhotographDialog::refresh() {
  const Photograph* p = photograph();
  if (p == nullptr) return reject();
  static constexpr const char* kCorner[] = {QT_TR_NOOP("lower left"), QT_TR_NOOP("lower right"),
                                            QT_TR_NOOP("upper right"), QT_TR_NOOP("upper left")};
  const bool sized = now_.width > 0 && now_.height > 0;
  const auto map = wallToPhotograph(now_);
  QString say;
  if (outlining_) say = tr("Click round it, or arrows and Enter; press the button again to close the outline.");
  else if (now_.corners.size() < 4)
    say = tr("Click the %1 corner of a rectangle whose size you know, a window or a taped sheet.")
              .arg(tr(kCorner[now_.corners.size()]));
  else if (!sized) say = tr("Say how wide and high it is, and where on the wall.");
  else if (!map) say = QString::fromStdString(map.error().text()) + QStringLiteral(".");
  else say = tr("Drag the corners until they fit, or Space and arrows. Planned, not hung.");
  says_->setText(say);
  for (const auto& [member, field] : fields_) {
    field->show(workspace_.write(now_.*member));
    if (!field->isModified()) field->setText(workspace_.write(now_.*member));
  }
  QString lengths;
  if (map && sized && workspace_.scheme() != nullptr) {
    Photograph shown = *p;
    shown.calibration = now_;
    lengths = onScreen(photographWords(piecesIn(workspace_.job(), *workspace_.scheme(), shown, *map),
                                       SchemeNames(workspace_.job(), *workspace_.scheme()), workspace_.format()));
  }
  lengths_->setText(lengths);
  save_->setEnabled(map.ok() && sized);
  showPainted();
}

std::optional<Error> PhotographDialog::write(const QString& path) const {
  QByteArray bytes;
  QBuffer buffer(&bytes);
  buffer.open(QIODevice::WriteOnly);
  if (!painted().save(&buffer, "PNG")) return Error{path.toStdString(), "could not be painted", "Try it again"};
  FileSystem files;
  return saveAtomically(files, path.toStdString(), bytes.toStdString());
}

void PhotographDialog::askAndWrite() {
  const QString path = QFileDialog::getSaveFileName(this, tr("Save as a picture"), QStringLiteral("planned.png"),
                                                    tr("Pictures (*.png)"));
  if (path.isEmpty()) return;
  if (const auto fault = write(path.endsWith(QStringLiteral(".png")) ? path : path + QStringLiteral(".png")))
    says_->setText(QString::fromStdString(fault->text()) + QStringLiteral("."));
}

}  // namespace mezzet
