#include "app/dialogs/piece_list.h"

#include <QClipboard>
#include <QFileDialog>
#include <QFileInfo>
#include <QGuiApplication>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QShortcut>
#include <QTableView>
#include <QVBoxLayout>

#include "app/widgets/layouts.h"
#include "app/document/saving.h"
#include "core/entry/piece_line.h"
#include "core/edit/edits.h"
#include "core/entry/piece_table.h"
#include "core/rules/check.h"
#include "io/tables/csv.h"
#include "io/files/file_system.h"
#include "io/tables/library.h"
#include "render/palette.h"

namespace mezzet {
// ---- the model

PieceTableModel::PieceTableModel(Workspace& workspace, QObject* parent)
    : QAbstractTableModel(parent), workspace_(workspace) {
  for (const PieceField& column : pieceFields())
    if (column.kind != FieldKind::Id && column.kind != FieldKind::Sources) columns_.push_back(&column);
  rows_ = static_cast<int>(workspace_.job().pieces.size()) + 1;
  connect(&workspace_, &Workspace::jobChanged, this, &PieceTableModel::follow);
}

void PieceTableModel::follow() {
  // Not a reset: that would close the cell that is being typed into and lose the place of the hand.
  const int now = static_cast<int>(workspace_.job().pieces.size()) + 1;
  if (now > rows_) {
    beginInsertRows({}, rows_ - 1, now - 2);
    rows_ = now;
    endInsertRows();
  } else if (now < rows_) {
    beginRemoveRows({}, now - 1, rows_ - 2);
    rows_ = now;
    endRemoveRows();
  }
  emit dataChanged(index(0, 0), index(rows_ - 1, columnCount() - 1));
}

int PieceTableModel::rowCount(const QModelIndex& parent) const { return parent.isValid() ? 0 : rows_; }
int PieceTableModel::columnCount(const QModelIndex& parent) const {
  return parent.isValid() ? 0 : static_cast<int>(columns_.size());
}

const Piece* PieceTableModel::pieceAt(int row) const {
  const auto& pieces = workspace_.job().pieces;
  return row >= 0 && row < static_cast<int>(pieces.size()) ? pieces[static_cast<std::size_t>(row)].get() : nullptr;
}

const PieceTableModel::Refused* PieceTableModel::refusedAt(const QModelIndex& at) const {
  if (!refused_ || refused_->column != at.column()) return nullptr;
  const Piece* piece = pieceAt(at.row());
  return refused_->piece == (piece != nullptr ? piece->id : PieceId()) ? &*refused_ : nullptr;
}

QVariant PieceTableModel::data(const QModelIndex& at, int role) const {
  const Piece* piece = pieceAt(at.row());
  const PieceField& column = *columns_[static_cast<std::size_t>(at.column())];
  const Refused* refused = refusedAt(at);
  if (role == Qt::BackgroundRole) return refused != nullptr ? QVariant(QColor(0xf6, 0xc9, 0xbf)) : QVariant();
  if (role == Qt::ForegroundRole && refused != nullptr) return desk::kInk;
  if (role == Qt::ForegroundRole && piece == nullptr && refused == nullptr)
    return QGuiApplication::palette().color(QPalette::Mid);
  if (role == Qt::TextAlignmentRole && (column.kind == FieldKind::Length || column.key == "count"))
    return int(Qt::AlignRight | Qt::AlignVCenter);
  if (role == Qt::AccessibleTextRole)
    return tr("%1, %2: %3")
        .arg(piece != nullptr ? QString::fromStdString(piece->name) : tr("new piece"), tr(column.title.data()),
             data(at, Qt::DisplayRole).toString());
  if (role != Qt::DisplayRole && role != Qt::EditRole) return {};
  if (refused != nullptr) return refused->text;
  if (piece == nullptr)
    return role == Qt::DisplayRole && at.column() == 0 ? tr("type one: sofa 84 x 36 x 33") : QString();
  return QString::fromStdString(pieceCell(*piece, column, workspace_.format()));
}

QVariant PieceTableModel::headerData(int section, Qt::Orientation orientation, int role) const {
  if (role != Qt::DisplayRole) return {};
  if (orientation == Qt::Vertical) return section + 1;
  return tr(columns_[static_cast<std::size_t>(section)]->title.data());
}

Qt::ItemFlags PieceTableModel::flags(const QModelIndex& at) const {
  const bool editable = !workspace_.document().readOnly() && (pieceAt(at.row()) != nullptr || at.column() == 0);
  return QAbstractTableModel::flags(at) | (editable ? Qt::ItemIsEditable : Qt::NoItemFlags);
}

bool PieceTableModel::addTyped(const QString& line) {
  const PieceReading read = readPieceLine(line.toStdString(), workspace_.job().units, workspace_.format());
  if (!read.piece) {
    refused_ = Refused{{}, 0, line};
    emit complained(QString::fromStdString(read.complaint));
    return false;
  }
  IdSource ids = workspace_.document().ids();
  Piece piece = *read.piece;
  piece.id = ids.take<PieceId>("piece");
  const auto after = withPiece(workspace_.job(), piece);
  if (!after) return emit complained(QString::fromStdString(after.error().text()) + QStringLiteral(".")), false;
  refused_.reset();
  if (!workspace_.document().edit(tr("add %1").arg(QString::fromStdString(midSentence(piece.name))), *after,
                                  ids.next()))
    return false;
  emit complained(onScreen(read.echo) + QStringLiteral("."));
  return true;
}

bool PieceTableModel::setData(const QModelIndex& at, const QVariant& value, int role) {
  if (role != Qt::EditRole) return false;
  const QString text = value.toString();
  const Piece* piece = pieceAt(at.row());
  if (piece == nullptr) {
    if (text.trimmed().isEmpty()) return refused_.reset(), false;
    return addTyped(text);
  }
  const PieceField& column = *columns_[static_cast<std::size_t>(at.column())];
  // What was not touched keeps its exact value, which may be finer than what is written.
  if (text == QString::fromStdString(pieceCell(*piece, column, workspace_.format()))) {
    if (refusedAt(at) != nullptr) refused_.reset();
    return true;
  }
  const auto changed = withPieceCell(*piece, column, text.toStdString(), workspace_.job().units);
  const auto after = changed ? withPiece(workspace_.job(), *changed) : Result<Job>(changed.error());
  if (!after) {
    refused_ = Refused{piece->id, at.column(), text};
    emit complained(QString::fromStdString(after.error().text()) + QStringLiteral("."));
    emit dataChanged(at, at);
    return false;
  }
  refused_.reset();
  return workspace_.document().edit(
      tr("%1 of %2").arg(tr(column.title.data()).toLower(), QString::fromStdString(midSentence(piece->name))), *after);
}

// ---- the window

PieceList::PieceList(Workspace& workspace, FileSystem& files, QWidget* parent)
    : QDialog(parent), workspace_(workspace), files_(files), model_(new PieceTableModel(workspace, this)) {
  setObjectName(QStringLiteral("pieceList"));
  setWindowTitle(tr("Piece list"));
  resize(1180, 620);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(16, 14, 16, 14);
  column->addWidget(
      words(tr("Every piece of this job, placed or not. A size can carry where it comes from and its \u00b1: 84 "
               "\u00b11 ticket, 84 guess. "
               "Rows copied from a spreadsheet can be pasted here, with or without a row that names the columns."),
            "quietNote"));
  table_ = new QTableView;
  table_->setObjectName(QStringLiteral("pieceTable"));
  table_->setAccessibleName(tr("Pieces"));
  table_->setModel(model_);
  table_->setAlternatingRowColors(true);
  table_->setEditTriggers(QAbstractItemView::DoubleClicked | QAbstractItemView::EditKeyPressed |
                          QAbstractItemView::AnyKeyPressed);
  table_->verticalHeader()->setDefaultSectionSize(28);
  table_->horizontalHeader()->setMinimumSectionSize(52);
  table_->installEventFilter(this);
  const int widths[] = {210, 96, 60, 128, 128, 118, 104, 104, 104, 58};
  for (int i = 0; i < 10; ++i) table_->setColumnWidth(i, widths[i]);
  column->addWidget(table_, 1);
  word_ = words({}, "listWord");
  word_->setMinimumHeight(40);
  word_->setAlignment(Qt::AlignTop);
  column->addWidget(word_);
  auto* row = new QHBoxLayout;
  const auto button = [&](const QString& text, const char* name, auto slot) {
    auto* b = new QPushButton(text);
    b->setObjectName(QString::fromUtf8(name));
    b->setAutoDefault(false);
    connect(b, &QPushButton::clicked, this, slot);
    row->addWidget(b);
    return b;
  };
  button(tr("Paste rows"), "pasteRows", [this] { paste(QGuiApplication::clipboard()->text()); });
  button(tr("Read CSV ..."), "readCsv", [this] {
    const QString path = QFileDialog::getOpenFileName(this, tr("Read pieces"), {}, tr("Tables (*.csv *.tsv *.txt)"));
    if (!path.isEmpty()) readFrom(path);
  });
  button(tr("Write CSV ..."), "writeCsv", [this] {
    const QString path = withEnding(
        QFileDialog::getSaveFileName(this, tr("Write the piece list"), tr("pieces.csv"), tr("Tables (*.csv)")),
        QStringLiteral(".csv"), this);
    if (!path.isEmpty()) writeTo(path);
  });
  button(tr("From a library ..."), "fromLibrary", [this] {
    const QString path = QFileDialog::getOpenFileName(this, tr("Pieces from a library"), {}, tr("Libraries (*.json)"));
    if (!path.isEmpty()) readLibraryFrom(path);
  });
  button(tr("Usual pieces"), "usualPieces", [this] { takeLibrary(usualLibrary(), tr("take the usual pieces")); });
  button(tr("As a library ..."), "asLibrary", [this] {
    const QString path = withEnding(
        QFileDialog::getSaveFileName(this, tr("Write a library"), tr("library.json"), tr("Libraries (*.json)")),
        QStringLiteral(".json"), this);
    if (!path.isEmpty()) writeLibraryTo(path);
  });
  button(tr("Take out of the job"), "removeRow", [this] { removeRow(); });
  row->addStretch(1);
  button(tr("Close"), "closeList", [this] { close(); });
  column->addLayout(row);
  connect(model_, &PieceTableModel::complained, this, [this](const QString& sentence) { say(sentence, true); });
  // The list stays open beside the window, so that its edits are taken back where they were made.
  const auto shortcut = [this](QKeySequence::StandardKey key, auto slot) {
    connect(new QShortcut(QKeySequence(key), this), &QShortcut::activated, this, slot);
  };
  shortcut(QKeySequence::Undo, [this] { workspace_.document().undoStack().undo(); });
  shortcut(QKeySequence::Redo, [this] { workspace_.document().undoStack().redo(); });
  connect(&workspace_, &Workspace::jobChanged, this, [this] { say({}); });
  table_->setCurrentIndex(model_->index(0, 0));
  table_->setFocus();
}

void PieceList::say(const QString& sentence, bool fault) {
  named(word_, fault ? "fieldComplaint" : "listWord");
  word_->setText(sentence);
}

bool PieceList::eventFilter(QObject* watched, QEvent* event) {
  if (watched == table_ && event->type() == QEvent::KeyPress) {
    auto* press = static_cast<QKeyEvent*>(event);
    if (press->matches(QKeySequence::Paste)) return paste(QGuiApplication::clipboard()->text()), true;
    if (press->matches(QKeySequence::Copy)) {
      QString out;
      const QModelIndexList chosen = table_->selectionModel()->selectedIndexes();
      int row = chosen.isEmpty() ? 0 : chosen.first().row();
      for (const QModelIndex& i : chosen) {
        if (!out.isEmpty()) out += i.row() == row ? QChar('\t') : QChar('\n');
        row = i.row();
        out += i.data(Qt::EditRole).toString();
      }
      QGuiApplication::clipboard()->setText(out);
      return true;
    }
    if (press->key() == Qt::Key_Delete) return removeRow(), true;
    // Enter in a cell's editor comes up to here, too.
    if ((press->key() == Qt::Key_Return || press->key() == Qt::Key_Enter) && table_->hasFocus()) {
      if (table_->model()->flags(table_->currentIndex()) & Qt::ItemIsEditable) table_->edit(table_->currentIndex());
      return true;
    }
  }
  return QDialog::eventFilter(watched, event);
}

void PieceList::removeRow() {
  const Piece* piece = model_->pieceAt(table_->currentIndex().row());
  if (piece == nullptr) return;
  const QString name = QString::fromStdString(piece->name);
  Job after = withoutPiece(workspace_.job(), piece->id);
  if (after == workspace_.job()) return say(tr("%1 is placed in a scheme. Take it out there first.").arg(name), true);
  workspace_.document().edit(tr("remove %1 from the job").arg(name), std::move(after));
}

void PieceList::take(const std::vector<std::vector<std::string>>& rows, const QString& undoName,
                     std::size_t headerRow) {
  if (workspace_.document().readOnly())
    return say(tr("This job is open in another window, so nothing can be changed here."), true);
  const TableReading read = readPieceTable(rows, workspace_.job().units, workspace_.job().pieces, headerRow);
  if (!read.faults.empty()) {
    QString all = tr("Nothing was taken.");
    for (const Error& fault : read.faults)
      all += QStringLiteral(" ") + tr("%1.").arg(QString::fromStdString(fault.text()));
    if (read.faulty > read.faults.size()) all += tr(" And %1 more rows.").arg(read.faulty - read.faults.size());
    return say(all, true);
  }
  IdSource ids = workspace_.document().ids();
  const auto after = withPieceTable(workspace_.job(), read.pieces, ids);
  if (!after) return say(tr("Nothing was taken. %1.").arg(QString::fromStdString(after.error().text())), true);
  if (!workspace_.document().edit(undoName, *after, ids.next())) return;
  QString sentence =
      read.pieces.size() == 1 ? tr("1 piece was read.") : tr("%1 pieces were read.").arg(read.pieces.size());
  constexpr std::size_t kMostNotes = 6;
  for (std::size_t i = 0; i < std::min(kMostNotes, read.notes.size()); ++i)
    sentence += QStringLiteral(" ") + QString::fromStdString(read.notes[i]);
  if (read.notes.size() > kMostNotes) sentence += tr(" And %1 more notes.").arg(read.notes.size() - kMostNotes);
  say(sentence);
}

void PieceList::paste(const QString& text) {
  const auto rows = readCsv(text.toStdString(), tr("what was copied").toStdString());
  if (!rows) return say(QString::fromStdString(rows.error().text()) + QStringLiteral("."), true);
  if (isHeader(rows->front())) return take(*rows, tr("paste pieces"));
  pasteCells(*rows);
}

void PieceList::pasteCells(const std::vector<std::vector<std::string>>& rows) {
  // As if typed, cell by cell, from the current one on: the columns of the table from there are the header.
  const QModelIndex from = table_->currentIndex().isValid() ? table_->currentIndex() : model_->index(0, 0);
  std::vector<std::vector<std::string>> table{{"id"}};
  std::size_t widest = 0;
  for (const auto& row : rows) widest = std::max(widest, row.size());
  for (int c = from.column(); c < model_->columnCount() && static_cast<std::size_t>(c - from.column()) < widest; ++c)
    table[0].push_back(model_->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString().toStdString());
  if (table[0].size() - 1 < widest)
    return say(tr("These rows are wider than the table from here on. Choose a cell further left."), true);
  if (from.column() > 0 && static_cast<std::size_t>(from.row()) + rows.size() > workspace_.job().pieces.size())
    return say(tr("There are more rows than pieces from here on. To add pieces, paste into the column of names."),
               true);
  for (std::size_t r = 0; r < rows.size(); ++r) {
    const Piece* piece = model_->pieceAt(from.row() + static_cast<int>(r));
    auto& row = table.emplace_back(std::vector<std::string>{piece != nullptr ? piece->id.value : std::string()});
    row.insert(row.end(), rows[r].begin(), rows[r].end());
  }
  // A header of one column and no name is no header of a file, but here its columns are known.
  table[0].push_back("name ");
  table[0].push_back("kind ");
  take(table, tr("paste into the piece list"), 0);
}

void PieceList::readFrom(const QString& path) {
  const auto bytes = readFile(path.toStdString(), kMostCsvBytes + 1);
  if (!bytes) return say(QString::fromStdString(bytes.error().text()) + QStringLiteral("."), true);
  const auto rows = readCsv(*bytes, QFileInfo(path).fileName().toStdString());
  if (!rows) return say(QString::fromStdString(rows.error().text()) + QStringLiteral("."), true);
  take(*rows, tr("read %1").arg(QFileInfo(path).fileName()));
}

void PieceList::takeLibrary(const Library& library, const QString& undoName) {
  if (workspace_.document().readOnly())
    return say(tr("This job is open in another window, so nothing can be changed here."), true);
  IdSource ids = workspace_.document().ids();
  // What the job has already, by name, is not taken twice.
  std::vector<Piece> fresh;
  for (const Piece& piece : library.pieces)
    if (std::none_of(workspace_.job().pieces.begin(), workspace_.job().pieces.end(),
                     [&](const auto& have) { return have->name == piece.name; }))
      fresh.push_back(piece);
  if (fresh.empty()) return say(tr("The job has all of these pieces already."));
  const auto after = withPieceTable(workspace_.job(), fresh, ids);
  if (!after) return say(tr("Nothing was taken. %1.").arg(QString::fromStdString(after.error().text())), true);
  if (!workspace_.document().edit(undoName, *after, ids.next())) return;
  const auto there = library.pieces.size() - fresh.size();
  QString sentence = fresh.size() == 1 ? tr("1 piece was taken.") : tr("%1 pieces were taken.").arg(fresh.size());
  if (there > 0) sentence += tr(" %1 were there already.").arg(there);
  say(sentence);
}

void PieceList::readLibraryFrom(const QString& path) {
  const auto bytes = readFile(path.toStdString(), kMostLibraryBytes + 1);
  if (!bytes) return say(QString::fromStdString(bytes.error().text()) + QStringLiteral("."), true);
  const auto library = readLibrary(*bytes, QFileInfo(path).fileName().toStdString());
  if (!library) return say(tr("Nothing was taken. %1.").arg(QString::fromStdString(library.error().text())), true);
  takeLibrary(*library, tr("read %1").arg(QFileInfo(path).fileName()));
}

void PieceList::writeLibraryTo(const QString& path) {
  if (const auto fault =
          saveAtomically(files_, path.toStdString(), writeLibrary(workspace_.job().name, workspace_.job().pieces)))
    return say(QString::fromStdString(fault->text()) + QStringLiteral("."), true);
  say(tr("Written: %1").arg(path));
}

void PieceList::writeTo(const QString& path) {
  if (const auto fault = saveAtomically(files_, path.toStdString(),
                                        writeCsv(pieceRows(workspace_.job().pieces, workspace_.job().units))))
    return say(QString::fromStdString(fault->text()) + QStringLiteral("."), true);
  say(tr("Written: %1").arg(path));
}

}  // namespace mezzet
