// A line of text in a form, named for those who cannot see it and for tests.
#pragma once

#include <QFormLayout>
#include <QLineEdit>

namespace mezzet {

/// `example` stands in it while it is empty; `take` is called when it was typed into and is left.
template <class Take>
QLineEdit* addFormLine(QFormLayout& form, const char* name, const QString& title, const QString& example, int longest,
                       Take take) {
  auto* edit = new QLineEdit;
  edit->setObjectName(QString::fromUtf8(name));
  edit->setAccessibleName(title);
  edit->setPlaceholderText(example);
  edit->setMaxLength(longest);
  QObject::connect(edit, &QLineEdit::editingFinished, edit, take);
  form.addRow(title, edit);
  return edit;
}

}  // namespace mezzet
