// A small form of labelled rows inside a panel: the fields of one opening, of one fixed thing.
#pragma once

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QWidget>

#include "app/widgets/length_field.h"

namespace mezzet {

class FieldGrid {
 public:
  FieldGrid() : box_(new QWidget), grid_(new QGridLayout(box_)) {
    grid_->setContentsMargins(10, 0, 0, 4);
    grid_->setHorizontalSpacing(8);
    grid_->setVerticalSpacing(4);
    grid_->setColumnStretch(1, 1);
  }
  [[nodiscard]] QWidget* box() const { return box_; }

  void put(const QString& words, QWidget* field) {
    auto* label = new QLabel(words);
    label->setObjectName(QStringLiteral("quietNote"));
    grid_->addWidget(label, row_, 0);
    grid_->addWidget(field, row_++, 1);
  }
  /// A button or the like, in the column of fields.
  void put(QWidget* widget) { grid_->addWidget(widget, row_++, 1); }
  /// Words over both columns.
  void putWide(QWidget* widget) { grid_->addWidget(widget, row_++, 0, 1, 2); }
  void length(const QString& words, const char* name, const QString& text, LengthField::Commit commit) {
    auto* field = new LengthField(words, std::move(commit));
    field->setObjectName(QString::fromUtf8(name));
    field->show(text);
    put(words, field);
    // A complaint stands right under its own field.
    auto* complaint = new QLabel;
    complaint->setObjectName(QStringLiteral("fieldComplaint"));
    complaint->setWordWrap(true);
    complaint->hide();
    field->setComplaintLabel(complaint);
    putWide(complaint);
  }
  /// Any words; `changed` gets them, trimmed, when they are another.
  template <class Changed>
  void text(const QString& words, const char* name, const QString& now, const QString& hint, Changed changed) {
    auto* field = new QLineEdit(now);
    field->setObjectName(QString::fromUtf8(name));
    field->setAccessibleName(words);
    field->setPlaceholderText(hint);
    field->setMaxLength(200);
    QObject::connect(field, &QLineEdit::editingFinished, box_, [field, now, changed] {
      if (field->text().trimmed() != now) changed(field->text().trimmed());
    });
    put(words, field);
  }
  /// `changed` gets the index that was chosen.
  template <class Changed>
  void choice(const QString& words, const char* name, const QStringList& options, int now, Changed changed) {
    auto* combo = new QComboBox;
    combo->setObjectName(QString::fromUtf8(name));
    combo->setAccessibleName(words);
    combo->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
    combo->setMinimumContentsLength(6);
    combo->addItems(options);
    combo->setCurrentIndex(now);
    QObject::connect(combo, &QComboBox::currentIndexChanged, box_, changed);
    put(words, combo);
  }

 private:
  QWidget* box_;
  QGridLayout* grid_;
  int row_ = 0;
};

}  // namespace mezzet
