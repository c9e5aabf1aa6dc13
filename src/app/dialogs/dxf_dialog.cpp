#include "app/dialogs/dxf_dialog.h"

#include <QDialogButtonBox>
#include <QFileInfo>
#include <QFormLayout>
#include <QHBoxLayout>
#include <QPainter>
#include <algorithm>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/drawing/labels/labels.h"
#include "core/drawing/plan/plan.h"
#include "core/edit/edits.h"
#include "core/survey/runs.h"
#include "io/files/file_system.h"

namespace mezzet {

/// The outline that would be taken, with its lengths.
class OutlinePicture : public QWidget {
 public:
  explicit OutlinePicture(QWidget* parent = nullptr) : QWidget(parent) { setFixedSize(360, 260); }
  void show(const std::vector<Corner>& corners, LengthFormat format) {
    corners_ = corners;
    format_ = format;
    update();
  }

 protected:
  void paintEvent(QPaintEvent*) override {
    QPainter p(this);
    p.fillRect(rect(), desk::kPaper);
    if (corners_.size() < 3) return;
    Room room;
    room.id = RoomId("preview");
    room.ceilingHeight = 2500;
    room.corners = corners_;
    PlanOptions options;
    options.format = format_;
    options.grid = options.titles = false;
    Vec2 low = corners_[0].at, high = low;
    for (const Corner& c : corners_) {
      low = {std::min(low.x, c.at.x), std::min(low.y, c.at.y)};
      high = {std::max(high.x, c.at.x), std::max(high.y, c.at.y)};
    }
    // As large as leaves room for the dimensions about it.
    const double paperPerPixel = 25.4 / 96;
    options.scale = std::max((high.x - low.x) / ((width() - 150) * paperPerPixel),
                             (high.y - low.y) / ((height() - 150) * paperPerPixel));
    Drawing d = composePlan(Job{}, room, nullptr, options);
    settle(d);
    Projection projection;
    projection.perMm = std::min(width() / (d.high.x - d.low.x), height() / (d.high.y - d.low.y));
    projection.origin = QPointF(width() / 2.0 - (d.low.x + d.high.x) / 2 * projection.perMm,
                                height() / 2.0 + (d.low.y + d.high.y) / 2 * projection.perMm);
    paintDrawing(p, d, projection, {Palette::screen(), nullptr, 1, false});
  }

 private:
  std::vector<Corner> corners_;
  LengthFormat format_;
};

DxfDialog::DxfDialog(Workspace& workspace, const QString& path, QWidget* parent)
    : QDialog(parent), workspace_(workspace), path_(path) {
  setObjectName(QStringLiteral("dxfDialog"));
  setWindowTitle(tr("Outline from %1").arg(QFileInfo(path).fileName()));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 16, 18, 14);
  column->setSpacing(8);
  progress_ = new QProgressBar;
  progress_->setRange(0, 100);
  progress_->setFormat(tr("reading, %p %"));
  column->addWidget(progress_);
  auto* row = new QHBoxLayout;
  auto* form = new QFormLayout;
  layer_ = new QComboBox;
  layer_->setObjectName(QStringLiteral("dxfLayer"));
  layer_->setMinimumContentsLength(16);
  form->addRow(tr("Layer"), layer_);
  unit_ = new QComboBox;
  unit_->setObjectName(QStringLiteral("dxfUnit"));
  form->addRow(tr("Its unit"), unit_);
  gap_ = new LengthField(tr("Join ends nearer than"), [this](const QString& t) {
    const LengthReading reading = workspace_.read(t);
    if (!reading) return reading;
    tolerance_ = *reading.length;
    search();
    return reading;
  });
  gap_->setObjectName(QStringLiteral("dxfGap"));
  gap_->show(workspace_.write(tolerance_));
  form->addRow(tr("Join ends nearer than"), gap_);
  which_ = new QSpinBox;
  which_->setObjectName(QStringLiteral("dxfWhich"));
  which_->setRange(1, 1);
  form->addRow(tr("Outline, largest first"), which_);
  fresh_ = new QCheckBox(tr("As a new room"));
  fresh_->setObjectName(QStringLiteral("dxfFresh"));
  fresh_->setChecked(true);
  fresh_->setEnabled(workspace_.room() != nullptr && !workspace_.room()->survey);
  form->addRow(QString(), fresh_);
  row->addLayout(form);
  picture_ = new OutlinePicture;
  row->addWidget(picture_);
  column->addLayout(row);
  said_ = words({}, "note");
  said_->setObjectName(QStringLiteral("dxfSaid"));
  said_->setMinimumHeight(60);
  said_->setAlignment(Qt::AlignTop | Qt::AlignLeft);
  column->addWidget(said_);
  gap_->setComplaintLabel(said_);
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Ok | QDialogButtonBox::Cancel);
  take_ = buttons->button(QDialogButtonBox::Ok);
  take_->setText(tr("Take this outline"));
  take_->setObjectName(QStringLiteral("primary"));
  take_->setEnabled(false);
  connect(buttons, &QDialogButtonBox::accepted, this, &DxfDialog::takeIt);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  connect(layer_, &QComboBox::currentIndexChanged, this, &DxfDialog::search);
  connect(unit_, &QComboBox::currentIndexChanged, this, &DxfDialog::search);
  connect(which_, &QSpinBox::valueChanged, this, &DxfDialog::search);
  connect(&worker_, &Worker::progressed, this,
          [this](double share) { progress_->setValue(static_cast<int>(share * 100)); });
  connect(&worker_, &Worker::busyChanged, progress_, &QWidget::setVisible);
  read();
}

void DxfDialog::read() {
  worker_.run<Result<DxfDrawing>>(
      [path = path_.toStdString(), name = QFileInfo(path_).fileName().toStdString()](
          std::stop_token stop, const Worker::Progress& progress) -> Result<DxfDrawing> {
        const auto bytes = readFile(path, kMostDxfBytes);
        if (!bytes) return bytes.error();
        return readDxf(*bytes, name, stop, progress);
      },
      [this](Result<DxfDrawing> drawing) {
        if (!drawing) return said_->setText(onScreen(drawing.error().text()) + QStringLiteral("."));
        fill(std::move(drawing).value());
      });
}

void DxfDialog::fill(DxfDrawing drawing) {
  drawing_ = std::make_shared<const DxfDrawing>(std::move(drawing));
  const QSignalBlocker quietLayer(layer_), quietUnit(unit_);
  std::size_t most = 0;
  for (const auto& [layer, lines] : drawing_->layers) {
    layer_->addItem(tr("%1 (%2 lines)").arg(QString::fromStdString(layer)).arg(lines.size()),
                    QString::fromStdString(layer));
    if (lines.size() > most) {
      most = lines.size();
      layer_->setCurrentIndex(layer_->count() - 1);
    }
  }
  if (drawing_->mmPerUnit > 0) unit_->addItem(tr("as the file says"), drawing_->mmPerUnit);
  else unit_->addItem(tr("choose ..."), 0.0);
  for (const char* unit : {"mm", "cm", "m", "in", "ft"}) unit_->addItem(QString::fromUtf8(unit), mmPerDxfUnit(unit));
  search();
}

void DxfDialog::search() {
  if (!drawing_) return;
  outline_.reset();
  take_->setEnabled(false);
  picture_->show({}, workspace_.format());
  const double mm = unit_->currentData().toDouble();
  if (!(mm > 0)) return said_->setText(tr("The file does not say its unit. Choose one."));
  worker_.run<Result<DxfOutline>>(
      [drawing = drawing_, layer = layer_->currentData().toString().toStdString(), mm, tolerance = tolerance_,
       loop = static_cast<std::size_t>(which_->value() - 1),
       format = workspace_.format()](std::stop_token stop, const Worker::Progress&) {
        return outlineFromDxf(*drawing, layer, mm, tolerance, loop, format, stop);
      },
      [this](Result<DxfOutline> found) {
        if (!found) return said_->setText(onScreen(found.error().text()) + QStringLiteral("."));
        outline_ = std::move(found).value();
        const QSignalBlocker quiet(which_);
        which_->setRange(1, static_cast<int>(std::max<std::size_t>(1, outline_->loops)));
        QString all;
        for (const std::string& s : outline_->sentences)
          all += (all.isEmpty() ? QString() : QStringLiteral(" ")) + onScreen(s);
        said_->setText(all.isEmpty() ? tr("The outline closes.") : all);
        picture_->show(outline_->corners, workspace_.format());
        take_->setEnabled(true);
        take_->setFocus();
      });
}

void DxfDialog::takeIt() {
  if (!outline_) return;
  const Job& job = workspace_.job();
  IdSource ids = workspace_.document().ids();
  if (!fresh_->isChecked() && workspace_.room() != nullptr) {
    const auto after = withOutline(job, workspace_.room()->id, outline_->corners);
    if (!after) return said_->setText(onScreen(after.error().text()) + QStringLiteral("."));
    workspace_.document().edit(tr("outline from a drawing"), *after);
    return accept();
  }
  Room room = freshRoom(job, ids);
  room.corners = outline_->corners;
  const RoomId id = room.id;
  const auto after = withFreshRoom(job, std::move(room), ids);
  if (!after) return said_->setText(onScreen(after.error().text()) + QStringLiteral("."));
  if (workspace_.document().edit(tr("room from a drawing"), *after, ids.next())) {
    workspace_.showRoom(id);
    workspace_.showTopic(Topic::Walls);
  }
  accept();
}

}  // namespace mezzet
