// A plan picture: take it in, straighten it, give it known lengths, trace the room, and see what the tape says since.
#pragma once

#include <QComboBox>
#include <QProgressBar>
#include <QSpinBox>

#include "app/stages/measure/site_page.h"
#include "app/stages/measure/trace_view.h"
#include "app/document/worker.h"

namespace mezzet {

class LengthField;

class TracePage : public SitePage {
  Q_OBJECT

 public:
  TracePage(Workspace& workspace, TraceView& view, QWidget* parent = nullptr);
  /// Takes a file in as the underlay, off this thread. `page` of a PDF, from 0.
  void takeIn(const QString& path, int page = 0);
  [[nodiscard]] Worker& worker() { return worker_; }

 protected:
  void rebuild() override;

 private:
  void choose();
  [[nodiscard]] bool beginRoom(const Underlay&);
  void setTrace(const std::vector<Vec2>& trace);
  void makeRoom();
  void showSetting();
  [[nodiscard]] LengthReading setKnown(const QString& text);
  [[nodiscard]] LengthReading setFrame(const QString& width, const QString& height);
  [[nodiscard]] LengthReading takeUnderlay(const QString& name, Underlay);

  TraceView& view_;
  Worker worker_;
  QComboBox* hand_;
  QWidget* setting_;
  QLabel* settingWords_;
  LengthField* first_;
  LengthField* second_;
  QProgressBar* progress_;
  QPushButton* stop_;
  QString pdf_;  // the PDF that was taken in last, for another page of it
  int pages_ = 0;
  double frameWidth_ = 0;
};

}  // namespace mezzet
