#include "app/stages/measure/photographs_page.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QLineEdit>
#include <QSettings>
#include <algorithm>

#include "app/document/today.h"
#include "app/dialogs/photograph_dialog.h"
#include "app/widgets/field_grid.h"
#include "core/edit/edits.h"
#include "io/files/file_system.h"
#include "render/picture_in.h"

namespace mezzet {

PhotographsPage::PhotographsPage(Workspace& workspace, QWidget* parent)
    : SitePage(workspace, Topic::Photographs, parent) {
  head_->addWidget(words(tr("Photographs"), "panelTitle"));
  head_->addWidget(words(tr("Each belongs to a wall or a place of this room, and is kept in the job. Dimensions scaled "
                            "from one are never good enough to order from."),
                         "quietNote"));
  head_->addWidget(button(tr("Add photographs ..."), "addPhotograph", [this] {
    for (const QString& path :
         QFileDialog::getOpenFileNames(this, tr("Add photographs"), {}, tr("Photographs (*.png *.jpg *.jpeg)")))
      takeIn(path);
  }));
  progress_ = new QProgressBar;
  progress_->setRange(0, 0);
  progress_->hide();
  head_->addWidget(progress_);
  connect(&workspace_, &Workspace::readingShown, this, [this] {
    if (workspace_.topic() == Topic::Photographs && isVisible()) refresh();
  });
}

void PhotographsPage::takeIn(const QString& path) {
  const RoomId room = workspace_.room() != nullptr ? workspace_.room()->id : RoomId();
  if (room.empty()) return;
  const std::string name = QFileInfo(path).fileName().toStdString();
  // Several at once: each has a worker of its own, which goes when it is done.
  auto* worker = new Worker(this);
  progress_->show();
  worker->run<Result<PictureIn>>(
      [path, name](std::stop_token, const Worker::Progress&) -> Result<PictureIn> {
        const auto bytes = readFile(path.toStdString(), std::size_t{256} << 20);
        if (!bytes) return bytes.error();
        return pictureFrom(*bytes, name);
      },
      [this, room, worker](Result<PictureIn> picture) {
        worker->deleteLater();
        progress_->hide();
        const Room* now = findRoom(workspace_.job(), room);
        if (!picture) return complain(picture.error().text() + ".");
        if (now == nullptr) return;
        const auto image = workspace_.document().addImage(picture->bytes, picture->ending);
        if (!image) return complain(image.error().text() + ".");
        IdSource ids = workspace_.document().ids();
        Room changed = *now;
        Photograph p;
        p.id = ids.take<PhotographId>("f");
        p.image = *image;
        p.at = workspace_.spot() ? *workspace_.spot() : meanOf(outlineOf(changed));
        p.when = today();
        p.who = QSettings().value(QString::fromUtf8(kReaderKey)).toString().toStdString();
        changed.photographs.push_back(p);
        if (take(tr("add a photograph"), withRoom(workspace_.job(), changed), ids.next()))
          workspace_.showPhotograph(p.id);
      });
}

void PhotographsPage::change(const Photograph& photograph) {
  Room changed = *workspace_.room();
  for (Photograph& p : changed.photographs)
    if (p.id == photograph.id) p = photograph;
  take(tr("photograph"), withRoom(workspace_.job(), changed));
}

void PhotographsPage::rebuild() {
  const Room& room = *workspace_.room();
  int number = 0;
  for (const Photograph& p : room.photographs) {
    ++number;
    const bool open = p.id == workspace_.shownPhotograph();
    QString text = tr("%1  ").arg(number) +
                   (p.wall.empty() ? tr("in the room") : tr("wall %1").arg(QString::fromStdString(p.wall.value)));
    if (!p.note.empty()) text += tr(": %1").arg(QString::fromStdString(p.note).left(16));
    rows_->addWidget(button(text + (open ? tr(", hide") : tr(", show")), "fold",
                            [this, id = p.id, open] { workspace_.showPhotograph(open ? PhotographId() : id); }));
    if (open) addFields(p, number);
  }
}

void PhotographsPage::addFields(const Photograph& p, int number) {
  if (const QImage* image = workspace_.images().find(p.image)) {
    auto* picture = new QLabel;
    const double ratio = devicePixelRatioF();
    QPixmap sharp = QPixmap::fromImage(
        image->scaled((QSizeF(272, 220) * ratio).toSize(), Qt::KeepAspectRatio, Qt::SmoothTransformation));
    sharp.setDevicePixelRatio(ratio);
    picture->setPixmap(sharp);
    picture->setAccessibleName(tr("Photograph %1").arg(number));
    rows_->addWidget(picture);
  } else {
    rows_->addWidget(words(tr("Its picture is not in the file."), "quietNote"));
  }
  FieldGrid grid;
  QStringList walls = wallLetters();
  walls.prepend(tr("the room"));
  grid.choice(tr("Taken of"), "photographWall", walls,
              p.wall.empty() ? 0 : static_cast<int>(walls.indexOf(QString::fromStdString(p.wall.value))),
              [this, p, walls](int i) {
                Photograph changed = p;
                changed.wall = i == 0 ? CornerId() : CornerId(walls[i].toStdString());
                if (const auto wall = findWall(*workspace_.room(), changed.wall))
                  changed.at = {wall->length() / 2, 1500};
                change(changed);
              });
  auto* note = new QLineEdit(QString::fromStdString(p.note));
  note->setObjectName(QStringLiteral("photographNote"));
  note->setAccessibleName(tr("Note"));
  note->setMaxLength(500);
  connect(note, &QLineEdit::editingFinished, this, [this, p, note] {
    if (note->text().toStdString() == p.note) return;
    Photograph changed = p;
    changed.note = note->text().trimmed().toStdString();
    change(changed);
  });
  grid.put(tr("Note"), note);
  if (p.wall.empty() && workspace_.spot())
    grid.put(button(tr("Move it to the cross"), "photographHere", [this, p] {
      Photograph changed = p;
      changed.at = *workspace_.spot();
      change(changed);
    }));
  if (!p.when.empty() || !p.who.empty())
    rows_->addWidget(words((p.when.empty() ? QString() : QString::fromStdString(p.when)) +
                               (p.who.empty() ? QString() : tr(", by %1").arg(QString::fromStdString(p.who))),
                           "quietNote"));
  if (!p.wall.empty() && workspace_.images().find(p.image) != nullptr)
    grid.put(button(tr("See the plan in it ..."), "planInPhotograph",
                    [this, id = p.id] { PhotographDialog(workspace_, id, window()).exec(); }));
  grid.put(button(tr("Remove it"), "removePhotograph", [this, id = p.id] {
    Room changed = *workspace_.room();
    std::erase_if(changed.photographs, [&](const Photograph& one) { return one.id == id; });
    take(tr("remove a photograph"), withRoom(workspace_.job(), changed));
  }));
  rows_->addWidget(grid.box());
}

}  // namespace mezzet
