#include "app/dialogs/light_dialog.h"

#include <QDialogButtonBox>
#include <QFile>
#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>
#include <QPushButton>
#include <charconv>

#include "app/widgets/field_grid.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/decide/light_place.h"
#include "core/edit/edits.h"
#include "core/edit/lights.h"
#include "core/entry/piece_cell.h"
#include "core/light/circuits.h"
#include "core/light/estimate.h"
#include "core/model/kinds.h"
#include "io/photometry/ies.h"

namespace mezzet {
namespace {

/// A number as typed, with a comma or a point; none for anything else.
std::optional<double> numberIn(const QString& text) {
  const std::string plain = QString(text).trimmed().replace(QChar(','), QChar('.')).remove(QChar(0xB0)).toStdString();
  double value = 0;
  const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), value);
  return fault == std::errc{} && end == plain.data() + plain.size() ? std::optional(value) : std::nullopt;
}
QString shown(double value) { return QString::number(value, 'g', 6); }

}  // namespace

LightDialog::LightDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("lightDialog"));
  setWindowTitle(tr("Light"));
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 12);
  auto* both = new QHBoxLayout;
  both->setSpacing(26);
  left_ = new QVBoxLayout;
  right_ = new QVBoxLayout;
  both->addLayout(left_, 1);
  both->addLayout(right_, 1);
  column->addLayout(both);
  complaint_ = words({}, "fieldComplaint");
  complaint_->setMinimumHeight(20);
  column->addWidget(complaint_);
  column->addWidget(
      words(tr("Lumens, beams and files only feed the estimate: places and heights do without. Electrical work is a "
               "licensed electrician's; local codes decide."),
            "quietNote"));
  auto* buttons = new QDialogButtonBox(QDialogButtonBox::Close);
  connect(buttons, &QDialogButtonBox::rejected, this, &QDialog::reject);
  column->addWidget(buttons);
  setMinimumWidth(720);
  connect(&workspace_, &Workspace::jobChanged, this, &LightDialog::rebuild, Qt::QueuedConnection);
  rebuild();
}

const Piece* LightDialog::light() const {
  const Placement* p = workspace_.selectedPlacement();
  const Piece* piece = p != nullptr ? &pieceOf(workspace_.job(), *p) : nullptr;
  return piece != nullptr && mountOf(*piece) ? piece : nullptr;
}

void LightDialog::complain(const QString& words) { complaint_->setText(words); }

void LightDialog::take(const QString& verb, Result<Job> after) {
  if (!after) return complain(QString::fromStdString(after.error().text()) + QStringLiteral("."));
  complain({});
  workspace_.document().edit(verb, std::move(after).value(), workspace_.document().ids().next());
}

void LightDialog::rebuild() {
  emptyLayout(left_);
  emptyLayout(right_);
  addSelected(left_);
  addLaying(left_);
  left_->addStretch(1);
  addCircuits(right_);
  addTasks(right_);
  addCeiling(right_);
  right_->addStretch(1);
}

void LightDialog::addSelected(QVBoxLayout* column) {
  const Piece* piece = light();
  if (piece == nullptr) {
    column->addWidget(headed(tr("No light is selected"), words(tr("Select one to say what it gives."), "quietNote")));
    return;
  }
  FieldGrid grid;
  for (const PieceField& field : pieceFields()) {
    if (!field.key.starts_with("light.") || field.kind == FieldKind::Text) continue;
    const bool asked = field.kind == FieldKind::Amount || !field.asked(*piece).empty();
    if (!asked) continue;
    grid.text(tr(std::string(field.title).c_str()), ("light:" + std::string(field.column)).c_str(),
              QString::fromStdString(pieceCell(*piece, field, workspace_.format())),
              field.kind == FieldKind::Choice ? tr("as is usual for it") : tr("not known"),
              [this, &field](const QString& text) {
                const Piece* now = light();
                if (now == nullptr) return;
                const auto changed = withPieceCell(*now, field, text.toStdString(), workspace_.job().units);
                if (!changed) return complain(QString::fromStdString(changed.error().text()) + QStringLiteral("."));
                take(tr("what %1 gives").arg(QString::fromStdString(midSentence(now->name))),
                     withPiece(workspace_.job(), *changed));
              });
  }
  auto* file = new QPushButton(piece->light->photometry.empty() ? tr("Photometric file ...") : tr("Another file ..."));
  file->setObjectName(QStringLiteral("light:file"));
  connect(file, &QPushButton::clicked, this, [this] {
    const QString path = QFileDialog::getOpenFileName(this, tr("Photometric file"), {}, tr("IES LM-63 (*.ies *.IES)"));
    if (!path.isEmpty()) takePhotometry(path);
  });
  grid.put(tr("Measured"), file);
  if (const auto web = workspace_.photometries().find(piece->light->photometry); web != workspace_.photometries().end())
    grid.putWide(words(
        tr("%1 lm by zones, peak %2 cd").arg(std::lround(fluxOf(*web->second))).arg(std::lround(peakOf(*web->second))),
        "quietNote"));
  addAim(grid, *workspace_.selectedPlacement());
  column->addWidget(headed(QString::fromStdString(piece->name), grid.box()));
}

void LightDialog::addAim(FieldGrid& grid, const Placement& p) {
  const auto mount = mountOf(pieceOf(workspace_.job(), p));
  if (mount != Mount::Spot && mount != Mount::Recessed) return;
  const auto aim = [this](bool tilt) {
    return [this, tilt](const QString& text) {
      const Placement* now = workspace_.selectedPlacement();
      if (now == nullptr) return;
      std::optional<Aim> aimed = now->aim;
      if (text.isEmpty()) aimed.reset();
      else {
        const auto value = numberIn(text);
        if (!value) return complain(tr("Type degrees, for example 30."));
        if (!aimed) aimed = Aim{};
        (tilt ? aimed->tilt : aimed->bearing) = *value;
      }
      take(tr("aim %1").arg(workspace_.nameOf(*now)), withAim(workspace_.job(), workspace_.schemeId(), now->id, aimed));
    };
  };
  grid.text(tr("Aimed, from straight down"), "light:tilt", p.aim ? shown(p.aim->tilt) + QChar(0xB0) : QString(),
            tr("straight down"), aim(true));
  grid.text(tr("Towards, in the plan"), "light:bearing", p.aim ? shown(p.aim->bearing) + QChar(0xB0) : QString(),
            tr("0 is to the right, 90 up the plan"), aim(false));
}

bool LightDialog::takePhotometry(const QString& path) {
  const Piece* piece = light();
  if (piece == nullptr) return false;
  QFile file(path);
  if (!file.open(QIODevice::ReadOnly)) return complain(tr("%1 cannot be read.").arg(QFileInfo(path).fileName())), false;
  const std::string bytes = file.read(static_cast<qint64>(kMostIesBytes) + 1).toStdString();
  const auto web = readIes(bytes, QFileInfo(path).fileName().toStdString());
  if (!web) return complain(QString::fromStdString(web.error().text()) + QStringLiteral(".")), false;
  const auto name = workspace_.document().addPhotometry(bytes);
  if (!name) return complain(QString::fromStdString(name.error().text()) + QStringLiteral(".")), false;
  Piece changed = *piece;
  LightPart& part = changed.light.edit();
  part.photometry = *name;
  if (!part.watts && web->watts > 0) part.watts = web->watts;
  take(tr("photometric file of %1").arg(QString::fromStdString(midSentence(piece->name))),
       withPiece(workspace_.job(), changed));
  QString said;
  for (const std::string& line : web->says) said += QString::fromStdString(line) + QStringLiteral(" ");
  complain(said);
  return true;
}

/// With the selected light where it is of the kind, else the job's first of it, else a usual one.
void LightDialog::putUp(const QString& verb, std::string_view kind,
                        const std::function<Result<Added>(const Job&, const PieceId&, IdSource&)>& how) {
  Job job = workspace_.job();
  IdSource ids = workspace_.document().ids();
  const Piece* chosen = light();
  if (chosen == nullptr || chosen->kind != kind) {
    chosen = nullptr;
    for (const auto& piece : job.pieces)
      if (chosen == nullptr && piece->kind == kind) chosen = piece.get();
  }
  PieceId id = chosen != nullptr ? chosen->id : PieceId();
  if (chosen == nullptr) {
    Piece usual = usualPiece(kind);
    usual.id = id = ids.take<PieceId>("piece");
    auto with = withPiece(job, std::move(usual));
    if (!with) return take({}, with.error());
    job = std::move(with).value();
  }
  const auto added = how(job, id, ids);
  if (!added) return complain(QString::fromStdString(capital(added.error().text())) + QStringLiteral("."));
  complain({});
  workspace_.document().edit(verb, added->job, ids.next());
}

void LightDialog::addLaying(QVBoxLayout* column) {
  if (workspace_.scheme() == nullptr) return;
  FieldGrid grid;
  auto* school = new QComboBox;
  school->setObjectName(QStringLiteral("lay:school"));
  school->addItems({tr("a box at the seats' front"), tr("half a space off the walls")});
  auto* count = new QLineEdit;
  count->setObjectName(QStringLiteral("lay:count"));
  count->setPlaceholderText(tr("by the floor's area"));
  auto* lay = new QPushButton(tr("Lay them"));
  lay->setObjectName(QStringLiteral("lay:do"));
  grid.put(tr("Evenly, in rows:"), school);
  grid.put(tr("How many"), count);
  grid.put(lay);
  connect(lay, &QPushButton::clicked, this, [this, school, count] {
    const auto many = numberIn(count->text());
    if (!count->text().trimmed().isEmpty() && !(many && *many >= 1 && *many <= 100 && *many == std::floor(*many)))
      return complain(tr("Type how many, from 1 to 100, or nothing."));
    std::vector<std::string> says;
    putUp(tr("lay lights evenly"), kRecessedLight, [&](const Job& job, const PieceId& id, IdSource& ids) {
      return withDownlightsLaid(job, workspace_.schemeId(), id,
                                many ? std::optional(static_cast<int>(*many)) : std::nullopt,
                                school->currentIndex() == 1, ids, workspace_.format(), &says);
    });
    QString said;
    for (const std::string& line : says) said += QString::fromStdString(line) + QStringLiteral(" ");
    if (!said.isEmpty()) complain(said);
  });
  auto* tasks = new QPushButton(tr("One over each task"));
  tasks->setObjectName(QStringLiteral("lay:tasks"));
  connect(tasks, &QPushButton::clicked, this, [this] {
    putUp(tr("a light over each task"), kRecessedLight, [&](const Job& job, const PieceId& id, IdSource& ids) {
      return withTaskLights(job, workspace_.schemeId(), id, ids);
    });
  });
  auto* art = new QPushButton(tr("One aimed at each picture"));
  art->setObjectName(QStringLiteral("lay:art"));
  connect(art, &QPushButton::clicked, this, [this] {
    putUp(tr("a light for each picture"), kSpotLight, [&](const Job& job, const PieceId& id, IdSource& ids) {
      return withArtLights(job, workspace_.schemeId(), id, ids);
    });
  });
  grid.put(tasks);
  grid.put(art);
  column->addWidget(headed(tr("Lights put up in one go"), grid.box()));
}

void LightDialog::addCeiling(QVBoxLayout* column) {
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  FieldGrid grid;
  const Joists usual{16 * kInch, 8 * kInch, PlanAxis::X, 1.5 * kInch};
  const auto joists = [this, usual](double Joists::*member) {
    return [this, usual, member](const QString& text) {
      std::optional<Joists> now = workspace_.room()->joists;
      if (text.isEmpty()) now.reset();
      else {
        const LengthReading read = workspace_.read(text);
        if (!read) return complain(QString::fromStdString(read.complaint));
        if (!now) now = usual;
        (*now).*member = *read.length;
      }
      take(tr("joists"), withJoists(workspace_.job(), workspace_.room()->id, now));
    };
  };
  const auto& j = room->joists;
  const auto text = [&](double Joists::*member) { return j ? workspace_.write((*j).*member) : QString(); };
  grid.text(tr("Joists, every"), "joists:pitch", text(&Joists::pitch), tr("not known"), joists(&Joists::pitch));
  grid.text(tr("the first at"), "joists:first", text(&Joists::first), tr("from corner A"), joists(&Joists::first));
  grid.text(tr("each so wide"), "joists:width", text(&Joists::width), tr("not known"), joists(&Joists::width));
  auto* along = new QComboBox;
  along->setObjectName(QStringLiteral("joists:along"));
  along->addItems({tr("along wall A"), tr("across it")});
  along->setCurrentIndex(j && j->along == PlanAxis::Y ? 1 : 0);
  along->setEnabled(j.has_value());
  connect(along, &QComboBox::activated, this, [this](int i) {
    std::optional<Joists> now = workspace_.room()->joists;
    if (!now) return;
    now->along = i == 1 ? PlanAxis::Y : PlanAxis::X;
    take(tr("joists"), withJoists(workspace_.job(), workspace_.room()->id, now));
  });
  grid.put(tr("They run"), along);
  const auto shares = [this](double Reflectance::*member) {
    return [this, member](const QString& typed) {
      Reflectance now = workspace_.room()->reflectance.value_or(Reflectance{});
      const auto value = numberIn(QString(typed).remove(QChar('%')));
      if (!value) return complain(tr("Type a share from 0 to 99 %."));
      now.*member = *value > 1 ? *value / 100 : *value;
      take(tr("what the room throws back"), withReflectance(workspace_.job(), workspace_.room()->id, now));
    };
  };
  const Reflectance r = room->reflectance.value_or(Reflectance{});
  const std::pair<const char*, double Reflectance::*> faces[] = {
      {"ceiling", &Reflectance::ceiling}, {"walls", &Reflectance::walls}, {"floor", &Reflectance::floor}};
  for (const auto& [name, member] : faces)
    grid.text(tr("Light thrown back, %1").arg(QString::fromUtf8(name)), (std::string("reflects:") + name).c_str(),
              tr("%1 %").arg(std::lround(r.*member * 100)), {}, shares(member));
  column->addWidget(headed(tr("The room"), grid.box()));
}

}  // namespace mezzet
