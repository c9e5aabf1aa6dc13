// On the sheet's edge in Displays: which carrier, how it is judged, its season, evening, and three ways to set it.
#pragma once

#include <QWidget>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/decide/display_set.h"

class QComboBox;
class QHBoxLayout;
class QLabel;
class QToolButton;

namespace mezzet {

class DisplayEdge : public QWidget {
  Q_OBJECT

 public:
  explicit DisplayEdge(Workspace& workspace, QWidget* parent = nullptr);
  void follow();
  /// Looks for three settings of what stands there; asked again, for three others; while it looks, stops.
  void setIt();
  [[nodiscard]] bool busy() const { return worker_.busy(); }
  [[nodiscard]] const std::vector<SetOffer>& offers() const { return offers_; }
  void take(std::size_t offer);

 signals:
  void resized();
  void coloursWanted();

 private:
  void fill(QComboBox*, const std::vector<std::pair<QString, QString>>& all, const QString& now);
  void change(const std::function<void(DisplaySet&)>& how);
  void showOffers();
  void dropOffers();

  Workspace& workspace_;
  QComboBox *carrier_, *school_, *season_;
  QToolButton *evening_, *set_, *colours_;
  QHBoxLayout* ideas_;
  QLabel* note_;
  std::vector<SetOffer> offers_;
  Job offeredFor_;
  unsigned long long seed_ = 0;
  Worker worker_;
};

}  // namespace mezzet
