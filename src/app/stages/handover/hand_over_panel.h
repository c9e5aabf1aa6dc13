// Beside the sheet in Hand over: the next date at risk, what is stale, what waits for a tape, what changed since the
// last issue; and from there to orders, the way in, dates, the pack and the years after.
#pragma once

#include <QWidget>

#include "app/document/workspace.h"
#include "app/judgement/outlook.h"
#include "app/ledger/block_column.h"

namespace mezzet {

class HandOverPanel : public QWidget {
  Q_OBJECT

 public:
  explicit HandOverPanel(Workspace& workspace, QWidget* parent = nullptr);
  [[nodiscard]] const Outlook& outlook() const { return outlook_; }

 signals:
  /// One of the window's actions, by its id.
  void actionWanted(const char* id);

 private:
  void follow();
  void rebuild();
  void addNext(const OutlookFacts&);
  void addStale(const OutlookFacts&);
  void addWaiting(const OutlookFacts&);
  void addHard(const OutlookFacts&);
  void addChanges(const OutlookFacts&);
  void go(const Waiting&);

  Workspace& workspace_;
  Outlook outlook_;
  BlockColumn column_;
};

}  // namespace mezzet
