// The field that opens on a tape or on a finding's gap, to be typed into.
#pragma once

#include <QObject>
#include <QPointF>
#include <functional>

#include "core/drawing/base/item_id.h"
#include "core/units/length.h"

class QLabel;
class QLineEdit;
class QWidget;

namespace mezzet {

class TapeEditor : public QObject {
  Q_OBJECT

 public:
  /// `take`: takes what was typed; what it refuses is said below the field, which stays open.
  using Take = std::function<LengthReading(const ItemId&, const QString&)>;
  TapeEditor(QWidget& on, Take take);

  void open(const ItemId&, QPointF at, const QString& text);
  /// Gives the keyboard back to the sheet if it had it, or if `keepFocus`.
  void close(bool keepFocus);
  [[nodiscard]] bool isOpen() const { return field_ != nullptr; }
  /// What is typed into; empty while it is closed.
  [[nodiscard]] ItemId item() const { return isOpen() ? item_ : ItemId(); }

 signals:
  void changed();  ///< opened or closed

 private:
  void commit();
  void complain(const LengthReading&);

  QWidget& on_;
  Take take_;
  QLineEdit* field_ = nullptr;
  QLabel* complaint_ = nullptr;
  ItemId item_;
};

}  // namespace mezzet
