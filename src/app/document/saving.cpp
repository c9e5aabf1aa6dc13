#include "app/document/saving.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QMessageBox>
#include <QPushButton>

namespace mezzet {

QString askedSheetPath(QWidget* parent, const QString& title, const QString& proposed) {
  const QString path =
      QFileDialog::getSaveFileName(parent, title, proposed, QObject::tr("PDF (*.pdf);;SVG (*.svg);;PNG (*.png)"));
  if (path.isEmpty() || !QFileInfo(path).suffix().isEmpty()) return path;
  return withEnding(path, QStringLiteral(".pdf"), parent);
}

QString withEnding(const QString& path, const QString& ending, QWidget* parent) {
  if (path.isEmpty() || path.endsWith(ending)) return path;
  const QString whole = path + ending;
  if (!QFileInfo::exists(whole)) return whole;
  QMessageBox box(QMessageBox::Question, QObject::tr("Not written yet"),
                  QObject::tr("%1 is there already. Writing would replace it.").arg(QFileInfo(whole).fileName()),
                  QMessageBox::NoButton, parent);
  box.setObjectName(QStringLiteral("replaceQuestion"));
  QPushButton* replace = box.addButton(QObject::tr("Replace it"), QMessageBox::DestructiveRole);
  box.setDefaultButton(box.addButton(QObject::tr("Do not write"), QMessageBox::RejectRole));
  box.exec();
  return box.clickedButton() == replace ? whole : QString();
}

QString askedPath(QWidget* parent, const QString& title, const QString& proposed, const QString& ending,
                  const QString& files) {
  const QString path =
      QFileDialog::getSaveFileName(parent, title, proposed + ending, QStringLiteral("%1 (*%2)").arg(files, ending));
  return path.isEmpty() ? path : withEnding(path, ending, parent);
}

}  // namespace mezzet
