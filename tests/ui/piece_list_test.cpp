#include "app/dialogs/piece_list.h"

#include <QTableView>

#include "ui/support.h"

namespace mezzet {
namespace piece_list_test {

class PieceListTest : public test::WindowTest {
 protected:
  void SetUp() override {
    test::WindowTest::SetUp();
    list_ = new PieceList(work(), files_, window_.get());
    list_->setAttribute(Qt::WA_DeleteOnClose);
    list_->show();
    list_->activateWindow();
    ASSERT_TRUE(QTest::qWaitForWindowActive(list_));
    table_ = list_->findChild<QTableView*>(QStringLiteral("pieceTable"));
    columns_ = table_->model();
  }
  [[nodiscard]] QModelIndex cell(int row, const char* title) {
    for (int c = 0; c < columns_->columnCount(); ++c)
      if (columns_->headerData(c, Qt::Horizontal, Qt::DisplayRole).toString() == QString::fromUtf8(title))
        return columns_->index(row, c);
    return {};
  }
  [[nodiscard]] QString shown(int row, const char* title) { return cell(row, title).data().toString(); }
  [[nodiscard]] QString said() {
    for (const char* name : {"listWord", "fieldComplaint"})
      if (const auto* label = list_->findChild<QLabel*>(QString::fromUtf8(name))) return label->text();
    return {};
  }
  [[nodiscard]] int rows() { return columns_->rowCount() - 1; }

  PieceList* list_ = nullptr;
  QTableView* table_ = nullptr;
  QAbstractItemModel* columns_ = nullptr;
};

TEST_F(PieceListTest, ACellTypedIntoChangesThePieceAsOneEdit) {
  table_->setFocus();
  table_->setCurrentIndex(cell(0, "Width"));
  table_->edit(cell(0, "Width"));
  auto* editor = table_->viewport()->findChild<QLineEdit*>();
  ASSERT_NE(editor, nullptr);
  QTest::keyClicks(editor, QStringLiteral("85 +-1 ticket"));
  QTest::keyClick(editor, Qt::Key_Return);
  QApplication::processEvents();  // the table takes it with the next event
  EXPECT_DOUBLE_EQ(job().pieces[0]->width, 85 * kInch);
  EXPECT_DOUBLE_EQ(job().pieces[0]->doubts.at("width").u95, kInch);
  EXPECT_EQ(shown(0, "Width"), QStringLiteral("85 in \u00b11 in ticket"));
  undo();
  EXPECT_EQ(shown(0, "Width"), QStringLiteral("84 in"));
}

TEST_F(PieceListTest, RefusedTextStaysInItsCellUntilItIsMended) {
  const Job before = job();
  EXPECT_FALSE(columns_->setData(cell(1, "Depth"), QStringLiteral("wide"), Qt::EditRole));
  EXPECT_EQ(job(), before);
  EXPECT_EQ(shown(1, "Depth"), QStringLiteral("wide"));
  EXPECT_TRUE(said().startsWith(QStringLiteral("Depth: cannot be read: \"wide\"."))) << said().toStdString();
  EXPECT_TRUE(columns_->setData(cell(1, "Depth"), QStringLiteral("25"), Qt::EditRole));
  EXPECT_EQ(shown(1, "Depth"), QStringLiteral("25 in"));
  EXPECT_EQ(said(), QString());
}

TEST_F(PieceListTest, TheLastRowTakesATypedPiece) {
  const int before = rows();
  EXPECT_TRUE(columns_->setData(columns_->index(before, 0), QStringLiteral("bench 48 x 15 x 18"), Qt::EditRole));
  EXPECT_EQ(rows(), before + 1);
  EXPECT_EQ(shown(before, "Kind"), QStringLiteral("bench"));
}

TEST_F(PieceListTest, RowsWithAHeaderBecomePieces) {
  const int before = rows();
  list_->paste(QStringLiteral("Item\tW\tD\tQty\nFerry bench\t48\t15\t2\nStool\t15\t15\t1\n"));
  EXPECT_EQ(rows(), before + 2);
  EXPECT_EQ(shown(before, "Count"), QStringLiteral("2"));
  EXPECT_EQ(said(), QStringLiteral("2 pieces were read."));
  undo();
  EXPECT_EQ(rows(), before);
}

TEST_F(PieceListTest, CellsWithoutAHeaderGoWhereTheHandIs) {
  table_->setCurrentIndex(cell(0, "Width"));
  list_->paste(QStringLiteral("90\t38\n50\t22\n"));
  EXPECT_EQ(shown(0, "Width"), QStringLiteral("90 in"));
  EXPECT_EQ(shown(1, "Depth"), QStringLiteral("22 in"));
  EXPECT_EQ(shown(0, "Name"), QStringLiteral("Sofa"));
}

TEST_F(PieceListTest, AFaultInPastedCellsTakesNothing) {
  const Job before = job();
  table_->setCurrentIndex(cell(0, "Width"));
  list_->paste(QStringLiteral("90\n-4\n"));
  EXPECT_EQ(job(), before);
  EXPECT_TRUE(said().startsWith(QStringLiteral("Nothing was taken. row 2, Width"))) << said().toStdString();
}

TEST_F(PieceListTest, AThousandRowsArePastedAsOneEdit) {
  QString text = QStringLiteral("name,kind,width,depth,height\n");
  for (int i = 0; i < 1000; ++i) text += QStringLiteral("Chair %1,chair,18,20,34\n").arg(i);
  const int before = rows();
  list_->paste(text);
  EXPECT_EQ(rows(), before + 1000);
  undo();
  EXPECT_EQ(rows(), before);
}

TEST_F(PieceListTest, WrittenAndReadAgainNothingChanges) {
  const QString file = folder_.path() + QStringLiteral("/pieces.csv");
  const Job before = job();
  list_->writeTo(file);
  list_->readFrom(file);
  EXPECT_EQ(job(), before);
}

TEST_F(PieceListTest, ANonsenseFileSaysSo) {
  const QString file = folder_.path() + QStringLiteral("/nonsense.csv");
  QFile out(file);
  ASSERT_TRUE(out.open(QIODevice::WriteOnly));
  out.write("\x89PNG\r\n\x1a\n\x00\x00", 10);
  out.close();
  const Job before = job();
  list_->readFrom(file);
  EXPECT_EQ(job(), before);
  EXPECT_EQ(said(), QStringLiteral("nonsense.csv: is not a table in UTF-8. Save it as CSV in UTF-8."));
}

TEST_F(PieceListTest, APlacedPieceStaysInTheJob) {
  table_->setCurrentIndex(cell(0, "Name"));
  list_->findChild<QPushButton*>(QStringLiteral("removeRow"))->click();
  EXPECT_EQ(said(), QStringLiteral("Sofa is placed in a scheme. Take it out there first."));
}

}  // namespace piece_list_test
}  // namespace mezzet
