// The piece list: every piece of the job in a table that can be edited in place, pasted into, read from CSV and written
// to it.
#pragma once

#include <QAbstractTableModel>
#include <QDialog>

#include "app/document/workspace.h"
#include "core/entry/piece_cell.h"

class QLabel;
class QTableView;

namespace mezzet {

/// One row a piece, and an empty one at the end into which a piece can be typed: sofa 84 x 36 x 33.
class PieceTableModel : public QAbstractTableModel {
  Q_OBJECT

 public:
  explicit PieceTableModel(Workspace& workspace, QObject* parent = nullptr);
  [[nodiscard]] int rowCount(const QModelIndex& parent = {}) const override;
  [[nodiscard]] int columnCount(const QModelIndex& parent = {}) const override;
  [[nodiscard]] QVariant data(const QModelIndex&, int role) const override;
  [[nodiscard]] QVariant headerData(int section, Qt::Orientation, int role) const override;
  [[nodiscard]] Qt::ItemFlags flags(const QModelIndex&) const override;
  /// Refused text stays in its cell, marked, until it is mended; `complained` says why.
  bool setData(const QModelIndex&, const QVariant&, int role) override;
  [[nodiscard]] const Piece* pieceAt(int row) const;

 signals:
  void complained(const QString& sentence);

 private:
  struct Refused {
    PieceId piece;  ///< empty: the last row
    int column = 0;
    QString text;
  };
  [[nodiscard]] const Refused* refusedAt(const QModelIndex&) const;
  void follow();
  bool addTyped(const QString& line);

  Workspace& workspace_;
  std::vector<const PieceField*> columns_;
  int rows_ = 1;  ///< as the views know it
  std::optional<Refused> refused_;
};

class PieceList : public QDialog {
  Q_OBJECT

 public:
  PieceList(Workspace& workspace, FileSystem& files, QWidget* parent = nullptr);
  /// Puts rows of text into the table: under a header as pieces, without one into the cells from the current one on.
  void paste(const QString& text);
  void readFrom(const QString& path);
  void writeTo(const QString& path);
  void readLibraryFrom(const QString& path);
  void writeLibraryTo(const QString& path);

 private:
  void takeLibrary(const struct Library& library, const QString& undoName);
  void take(const std::vector<std::vector<std::string>>& rows, const QString& undoName, std::size_t headerRow = 1);
  void pasteCells(const std::vector<std::vector<std::string>>& rows);
  void removeRow();
  void say(const QString& sentence, bool fault = false);
  bool eventFilter(QObject* watched, QEvent* event) override;

  Workspace& workspace_;
  FileSystem& files_;
  PieceTableModel* model_;
  QTableView* table_;
  QLabel* word_;
};

}  // namespace mezzet
