#include "app/dialogs/candidates_dialog.h"

#include <QComboBox>
#include <QGridLayout>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QLabel>
#include <QLineEdit>
#include <QPainter>
#include <QPushButton>
#include <QSignalBlocker>
#include <QTableWidget>
#include <algorithm>
#include <tuple>

#include "app/document/today.h"
#include "app/stages/floor/cut_out.h"
#include "app/view/still_picture.h"
#include "app/widgets/layouts.h"
#include "core/base/sentence.h"
#include "core/choose/budget.h"
#include "core/edit/choosing.h"
#include "render/small_pixels.h"

namespace mezzet {
namespace {

enum Seen { kSeenName, kSeenSize, kSeenPrice, kSeenBreaks, kSeenTies, kSeenState, kSeenColumns };
constexpr QSize kSmall(58, 32);  // of a candidate alone
constexpr int kStrip = 15, kMostStrips = 6;

/// Its colours as strips; what echoes the room is framed.
QPixmap swatches(const Ties& ties, double ratio) {
  QPixmap out(QSize(kStrip * kMostStrips, kStrip) * ratio);
  out.setDevicePixelRatio(ratio);
  out.fill(Qt::transparent);
  QPainter painter(&out);
  for (std::size_t i = 0; i < ties.colours.size() && i < kMostStrips; ++i) {
    const QRect box(static_cast<int>(i) * kStrip, 1, kStrip - 3, kStrip - 3);
    painter.fillRect(box, QColor(QString::fromStdString(ties.colours[i].srgb)));
    if (ties.colours[i].tie == Tie::Echoes) {
      painter.setPen(QPen(desk::kInk, 1.6));
      painter.drawRect(box.adjusted(0, 0, -1, -1));
    }
  }
  return out;
}

/// Colours stay what they are in a row that is selected.
QIcon sameWhenSelected(const QPixmap& pixels) {
  QIcon out(pixels);
  out.addPixmap(pixels, QIcon::Selected);
  return out;
}

QString stateWords(CandidateState state) {
  switch (state) {
    case CandidateState::Open: return CandidatesDialog::tr("open");
    case CandidateState::Finalist: return CandidatesDialog::tr("finalist");
    case CandidateState::Chosen: return CandidatesDialog::tr("chosen");
    case CandidateState::Rejected: return CandidatesDialog::tr("turned down");
  }
  return {};
}

QString breaksWords(const CandidateSeen& seen) {
  const auto weight =
      std::count_if(seen.breaks.begin(), seen.breaks.end(), [](const Finding& f) { return f.weight != Weight::Taste; });
  const auto taste = static_cast<long>(seen.breaks.size()) - weight;
  if (weight == 0) return taste == 0 ? CandidatesDialog::tr("nothing") : CandidatesDialog::tr("%1 of taste").arg(taste);
  return (weight == 1 ? CandidatesDialog::tr("one rule") : CandidatesDialog::tr("%1 rules").arg(weight)) +
         (taste > 0 ? CandidatesDialog::tr(", %1 of taste").arg(taste) : QString());
}

}  // namespace

CandidatesDialog::CandidatesDialog(Workspace& workspace, PlacementId placement, QWidget* parent)
    : QDialog(parent), workspace_(workspace), placement_(std::move(placement)) {
  setObjectName(QStringLiteral("candidatesDialog"));
  const Placement* p = findPlacement(*workspace_.scheme(), placement_);
  setWindowTitle(p != nullptr ? tr("In the place of: %1").arg(workspace_.nameOf(*p)) : tr("Candidates"));
  resize(1180, 760);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(18, 14, 18, 14);
  column->setSpacing(8);
  auto* pictures = new QGridLayout;
  left_ = new StillView;
  right_ = new StillView;
  leftWords_ = words({}, "figures");
  leftWords_->setObjectName(QStringLiteral("candidateLeft"));
  rightWords_ = words({}, "figures");
  rightWords_->setObjectName(QStringLiteral("candidateRight"));
  for (QLabel* label : {leftWords_, rightWords_}) {
    label->setFixedHeight(114);  // so that the pictures stay as they are
    label->setAlignment(Qt::AlignTop);
  }
  pictures->addWidget(left_, 0, 0);
  pictures->addWidget(right_, 0, 1);
  pictures->addWidget(leftWords_, 1, 0);
  pictures->addWidget(rightWords_, 1, 1);
  pictures->setRowStretch(0, 1);
  pictures->setColumnStretch(0, 1);
  pictures->setColumnStretch(1, 1);
  column->addLayout(pictures, 8);
  seenOn_ = new QComboBox;
  seenOn_->setObjectName(QStringLiteral("candidateSeenOn"));
  seenOn_->setAccessibleName(tr("Where they are seen"));
  seenOn_->addItem(tr("drawn to scale"), QString());
  if (p != nullptr && workspace_.room() != nullptr)
    for (const Photograph* photograph : photographsBehind(*workspace_.room(), *p))
      seenOn_->addItem(photograph->note.empty()
                           ? tr("in the photograph")
                           : tr("in the photograph: %1").arg(QString::fromStdString(photograph->note)),
                       QString::fromStdString(photograph->id.value));
  connect(seenOn_, &QComboBox::currentIndexChanged, this, &CandidatesDialog::paint);
  pictures->addWidget(seenOn_, 2, 0, 1, 2, Qt::AlignLeft);
  seenOn_->setVisible(seenOn_->count() > 1);
  table_ = new QTableWidget(0, kSeenColumns);
  table_->setObjectName(QStringLiteral("candidates"));
  table_->setAccessibleName(tr("Candidates"));
  table_->setHorizontalHeaderLabels(
      {tr("Candidate"), tr("Size"), tr("Price"), tr("Breaks"), tr("Its colours here"), tr("State")});
  table_->setSelectionBehavior(QAbstractItemView::SelectRows);
  table_->setSelectionMode(QAbstractItemView::ExtendedSelection);
  table_->setEditTriggers(QAbstractItemView::NoEditTriggers);
  table_->verticalHeader()->hide();
  table_->setIconSize(QSize(kStrip * kMostStrips, kSmall.height()));
  table_->verticalHeader()->setDefaultSectionSize(kSmall.height() + 4);
  table_->horizontalHeader()->setSectionResizeMode(QHeaderView::ResizeToContents);
  table_->horizontalHeader()->setSectionResizeMode(kSeenTies, QHeaderView::Stretch);
  table_->horizontalHeader()->setSectionResizeMode(kSeenName, QHeaderView::Interactive);
  table_->setColumnWidth(kSeenName, 200);
  table_->setTabKeyNavigation(false);
  connect(table_, &QTableWidget::itemSelectionChanged, this, &CandidatesDialog::paint);
  column->addWidget(table_, 4);
  table_->setFocus();
  column->addWidget(buttonRow());
  complaint_ = words({}, "fieldComplaint");
  complaint_->hide();
  column->addWidget(complaint_);
  connect(&workspace_, &Workspace::jobChanged, this, &CandidatesDialog::judge);
  judge();
}

QWidget* CandidatesDialog::buttonRow() {
  auto* box = new QWidget;
  auto* lines = new QVBoxLayout(box);
  lines->setContentsMargins(0, 0, 0, 0);
  auto *above = new QHBoxLayout, *below = new QHBoxLayout;
  lines->addLayout(above);
  lines->addLayout(below);
  const auto button = [&](const char* name, const QString& text, const QString& tip) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setToolTip(tip);
    b->setAutoDefault(false);
    return b;
  };
  more_ = new QComboBox;
  more_->setObjectName(QStringLiteral("candidateMore"));
  more_->setAccessibleName(tr("A piece to think of here"));
  more_->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  more_->setMinimumContentsLength(22);
  auto* add = button("candidateAdd", tr("Think of it here"), tr("Hold another piece of the list in this place"));
  connect(add, &QPushButton::clicked, this, &CandidatesDialog::add);
  note_ = new QLineEdit;
  note_->setObjectName(QStringLiteral("candidateNote"));
  note_->setAccessibleName(tr("What was felt of it"));
  note_->setPlaceholderText(tr("what was felt of it: calm, but cold in the evening"));
  note_->setMaxLength(400);
  connect(note_, &QLineEdit::editingFinished, this, &CandidatesDialog::takeNote);
  why_ = new QLineEdit;
  why_->setObjectName(QStringLiteral("candidateWhy"));
  why_->setAccessibleName(tr("Why it is chosen or turned down"));
  why_->setPlaceholderText(tr("why, in a word: too small"));
  why_->setMaxLength(200);
  choose_ = button("candidateChoose", tr("Choose it"), tr("It stands there from now on"));
  finalist_ = button("candidateFinalist", tr("Finalist"), tr("Stays in the last round"));
  reject_ = button("candidateReject", tr("Turn it down"), tr("With the reason, which stays"));
  back_ = button("candidateBack", tr("Put it back"), tr("Open again"));
  connect(choose_, &QPushButton::clicked, this, &CandidatesDialog::choose);
  connect(finalist_, &QPushButton::clicked, this, [this] { say(CandidateState::Finalist); });
  connect(reject_, &QPushButton::clicked, this, [this] { say(CandidateState::Rejected); });
  connect(back_, &QPushButton::clicked, this, [this] { say(CandidateState::Open); });
  auto* close = button("candidateClose", tr("Close"), {});
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  above->addWidget(more_);
  above->addWidget(add);
  above->addWidget(note_, 1);
  below->addWidget(why_, 1);
  for (QPushButton* b : {choose_, finalist_, reject_, back_, close}) below->addWidget(b);
  return box;
}

void CandidatesDialog::judge() {
  const Scheme* scheme = workspace_.scheme();
  if (scheme == nullptr || findPlacement(*scheme, placement_) == nullptr) return reject();
  {
    const QSignalBlocker quiet(more_);
    more_->clear();
    for (const PieceId& id : couldBeThere(workspace_.job(), scheme->id, placement_))
      more_->addItem(QString::fromStdString(findPiece(workspace_.job(), id)->name), QString::fromStdString(id.value));
  }
  worker_.run<std::vector<CandidateSeen>>(
      [job = workspace_.job(), &book = workspace_.book(), id = scheme->id, placement = placement_,
       format = workspace_.format(), state = workspace_.useState(),
       images = workspace_.document().images()](const std::stop_token&, const Worker::Progress&) {
        const PicturesByName pictures = picturesOf(job, [&](const std::string& name) {
          const auto at = images.find(name);
          return at == images.end() ? std::string_view() : std::string_view(*at->second);
        });
        return candidatesSeen(job, book, id, placement, format, {state, nullptr}, pictures);
      },
      [this](std::vector<CandidateSeen> seen) {
        // What was turned down goes to the end: what is looked at is followed, not its row.
        const CandidateSeen* now = current();
        const PieceId looked = now != nullptr ? now->candidate.piece : PieceId();
        seen_ = std::move(seen);
        fill(looked);
      });
}

void CandidatesDialog::fill(const PieceId& looked) {
  const auto at =
      std::find_if(seen_.begin(), seen_.end(), [&](const CandidateSeen& c) { return c.candidate.piece == looked; });
  // At first beside what stands there: a finalist, or another.
  const auto other = std::find_if(seen_.begin(), seen_.end(), [](const CandidateSeen& c) { return !c.shown; });
  const auto last = std::find_if(seen_.begin(), seen_.end(), [](const CandidateSeen& c) {
    return !c.shown && c.candidate.state == CandidateState::Finalist;
  });
  const auto first = last != seen_.end() ? last : other;
  const int row = static_cast<int>((at != seen_.end()      ? at
                                    : first != seen_.end() ? first
                                                           : seen_.begin()) -
                                   seen_.begin());
  const QSignalBlocker quiet(table_);
  table_->setRowCount(static_cast<int>(seen_.size()));
  // Each alone, all at one scale.
  std::vector<const Piece*> pieces;
  for (const CandidateSeen& c : seen_) pieces.push_back(findPiece(workspace_.job(), c.candidate.piece));
  std::erase(pieces, nullptr);
  const double perMm = cutOutScale(pieces, kSmall.toSizeF() - QSizeF(2, 2));
  for (std::size_t i = 0; i < seen_.size(); ++i) {
    const CandidateSeen& c = seen_[i];
    const Piece* piece = findPiece(workspace_.job(), c.candidate.piece);
    const QString words[kSeenColumns] = {
        piece != nullptr ? QString::fromStdString(piece->name) : QString(),
        onScreen(c.size),
        c.price ? QString::fromStdString(moneyText(workspace_.job(), *c.price)) : tr("no price"),
        breaksWords(c),
        onScreen(c.tieWords),
        stateWords(c.candidate.state) +
            (c.candidate.why.empty() ? QString() : QStringLiteral(": ") + QString::fromStdString(c.candidate.why))};
    for (int col = 0; col < kSeenColumns; ++col) {
      auto* item = new QTableWidgetItem(words[col]);
      item->setToolTip(words[col]);
      if (col == kSeenName && piece != nullptr)
        item->setIcon(sameWhenSelected(cutOutPicture(workspace_, *piece, perMm, kSmall, devicePixelRatioF())));
      if (col == kSeenTies) item->setIcon(sameWhenSelected(swatches(c.ties, devicePixelRatioF())));
      table_->setItem(static_cast<int>(i), col, item);
    }
  }
  if (!seen_.empty()) table_->selectRow(row);
  paint();
}

const CandidateSeen* CandidatesDialog::current() const {
  const int row = table_->currentRow();
  return row >= 0 && row < static_cast<int>(seen_.size()) ? &seen_[static_cast<std::size_t>(row)] : nullptr;
}

void CandidatesDialog::paint() {
  // Left what stands there, right what is looked at; two that are selected stand beside each other.
  const CandidateSeen *left = nullptr, *right = current();
  std::vector<const CandidateSeen*> marked;
  for (const QModelIndex& index : table_->selectionModel()->selectedRows())
    if (index.row() < static_cast<int>(seen_.size())) marked.push_back(&seen_[static_cast<std::size_t>(index.row())]);
  if (marked.size() == 2) std::tie(left, right) = std::minmax(marked[0], marked[1]);
  else
    for (const CandidateSeen& c : seen_)
      if (c.shown) left = &c;
  const PhotographId photograph(seenOn_->currentData().toString().toStdString());
  const auto show = [&](const CandidateSeen* c, StillView* picture, QLabel* text) {
    if (c == nullptr) {
      picture->showNothing();
      return text->clear();
    }
    picture->show([this, job = c->job, photograph](QSize size, double ratio) {
      return photograph.empty() ? pictureOf(workspace_, job, workspace_.schemeId(), placement_, size, ratio)
                                : photographPicture(workspace_, job, workspace_.schemeId(), photograph, size, ratio);
    });
    const Piece* piece = findPiece(workspace_.job(), c->candidate.piece);
    QStringList lines{(piece != nullptr ? QString::fromStdString(piece->name) : QString()) + QStringLiteral(", ") +
                      onScreen(c->size) + (c->shown ? tr(": stands there now.") : QStringLiteral("."))};
    if (!c->breaks.empty()) lines << onScreen(c->breaks.front().sentence);
    if (!c->changes.empty()) lines << tr("Changes: %1.").arg(onScreen(c->changes.front()));
    if (!c->tieWords.empty()) lines << onScreen(c->tieWords);
    for (const std::string& s : c->ties.says) lines << onScreen(s);
    if (!c->candidate.note.empty()) lines << tr("Felt: %1").arg(QString::fromStdString(c->candidate.note));
    text->setText(lines.join(QStringLiteral("\n")));
  };
  show(left, left_, leftWords_);
  show(right, right_, rightWords_);
  tellChosen();
}

void CandidatesDialog::tellChosen() {
  const CandidateSeen* c = current();
  const bool may = c != nullptr && !workspace_.document().readOnly();
  choose_->setEnabled(may && !c->shown);
  finalist_->setEnabled(may && !c->shown && c->candidate.state != CandidateState::Finalist);
  reject_->setEnabled(may && !c->shown && c->candidate.state != CandidateState::Rejected);
  back_->setEnabled(may && !c->shown && c->candidate.state != CandidateState::Open);
  note_->setEnabled(may);
  if (c != nullptr && !note_->hasFocus()) note_->setText(QString::fromStdString(c->candidate.note));
}

void CandidatesDialog::add() {
  const std::string id = more_->currentData().toString().toStdString();
  if (id.empty())
    return complain({"", "Every piece of the list that goes here is thought of", "Add one to the piece list"});
  edit(tr("think of it here"), withCandidate(workspace_.job(), workspace_.schemeId(), placement_, PieceId(id)));
}

void CandidatesDialog::say(CandidateState state) {
  const CandidateSeen* c = current();
  if (c == nullptr) return;
  Candidate said = c->candidate;
  said.state = state;
  said.date = today();
  if (state == CandidateState::Rejected) said.why = why_->text().trimmed().toStdString();
  else if (state == CandidateState::Open) said.why.clear();
  edit(state == CandidateState::Rejected   ? tr("turn it down")
       : state == CandidateState::Finalist ? tr("make it a finalist")
                                           : tr("put it back"),
       withCandidateSaid(workspace_.job(), workspace_.schemeId(), placement_, std::move(said)));
}

void CandidatesDialog::takeNote() {
  const CandidateSeen* c = current();
  const std::string text = note_->text().trimmed().toStdString();
  if (c == nullptr || c->candidate.note == text) return;
  Candidate said = c->candidate;
  said.note = text;
  said.date = today();
  edit(tr("note what was felt"),
       withCandidateSaid(workspace_.job(), workspace_.schemeId(), placement_, std::move(said)));
}

void CandidatesDialog::choose() {
  const CandidateSeen* c = current();
  if (c == nullptr) return;
  edit(tr("choose it"), withChosen(workspace_.job(), workspace_.book(), workspace_.schemeId(), placement_,
                                   c->candidate.piece, why_->text().trimmed().toStdString(), today()));
}

void CandidatesDialog::complain(const Error& e) {
  complaint_->setText(onScreen(e.text()) + QStringLiteral("."));
  complaint_->show();
}

void CandidatesDialog::edit(const QString& what, const Result<Job>& after) {
  complaint_->hide();
  if (!after) return complain(after.error());
  why_->clear();
  workspace_.document().edit(what, *after);
}

}  // namespace mezzet
