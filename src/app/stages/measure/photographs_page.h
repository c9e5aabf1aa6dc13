// Photographs of walls and details, tied to where they were taken of.
#pragma once

#include <QProgressBar>

#include "app/stages/measure/site_page.h"
#include "app/document/worker.h"

namespace mezzet {

class PhotographsPage : public SitePage {
  Q_OBJECT

 public:
  explicit PhotographsPage(Workspace& workspace, QWidget* parent = nullptr);
  void takeIn(const QString& path);
  [[nodiscard]] Worker& worker() { return worker_; }

 protected:
  void rebuild() override;

 private:
  void addFields(const Photograph&, int number);
  void change(const Photograph&);

  Worker worker_;
  QProgressBar* progress_;
};

}  // namespace mezzet
