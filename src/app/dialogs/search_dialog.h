// Layouts of the room searched: what is wanted, the best so far as it improves, some that differ to choose from.
#pragma once

#include <QDialog>
#include <QElapsedTimer>
#include <QTimer>

#include "app/document/worker.h"
#include "app/document/workspace.h"
#include "core/search/search.h"

class QComboBox;
class QHBoxLayout;
class QLabel;
class QPushButton;
class QSlider;

namespace mezzet {

class StillView;

class SearchDialog : public QDialog {
  Q_OBJECT

 public:
  explicit SearchDialog(Workspace& workspace, QWidget* parent = nullptr);
  ~SearchDialog() override;
  [[nodiscard]] bool working() const { return worker_.busy(); }
  /// Ends after so many layouts instead of after some seconds: for tests and pictures, which are the same every time.
  void endAfter(long long candidates) { candidates_ = candidates; }
  void begin();

 public slots:
  /// While it is searched: ends it, and the best is kept. Else it closes.
  void reject() override;

 private:
  QWidget* wishes();
  [[nodiscard]] SearchAsk asked() const;
  void beginOrStop();
  void heard(const SearchProgress&);
  void tell();
  void showOffers();
  void choose(std::size_t offer);
  void paint();
  void take();

  Workspace& workspace_;
  std::vector<std::pair<QSlider*, int Wishes::*>> sliders_;
  QComboBox *walls_, *anchor_;
  QPushButton *begin_, *take_;
  StillView* picture_;
  QLabel *line_, *why_, *figures_;
  QHBoxLayout* cards_;
  Worker worker_;
  std::stop_source over_;
  QTimer clock_;
  QElapsedTimer since_;
  SearchAsk ask_;
  Job searched_;
  SearchProgress progress_;
  std::optional<Job> shown_;
  std::vector<SearchOffer> offers_;
  std::vector<SchemeId> taken_;  // of each offer; empty until it is one
  std::size_t chosen_ = 0;
  std::uint64_t seed_ = 0;
  long long candidates_ = 0;
};

}  // namespace mezzet
