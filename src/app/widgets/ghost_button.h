// A button whose outcome is shown on the plan while it is pointed at or has the keyboard.
#pragma once

#include <QEvent>
#include <QPushButton>

#include "app/document/workspace.h"

namespace mezzet {

class GhostButton : public QPushButton {
 public:
  GhostButton(const QString& text, Workspace& workspace, Job outcome, QWidget* parent = nullptr)
      : QPushButton(text, parent), workspace_(workspace), outcome_(std::move(outcome)) {}

 protected:
  bool event(QEvent* event) override {
    if (event->type() == QEvent::Enter || event->type() == QEvent::FocusIn) workspace_.showGhost(outcome_);
    if (event->type() == QEvent::Leave || event->type() == QEvent::FocusOut) workspace_.showGhost(std::nullopt);
    return QPushButton::event(event);
  }
  Workspace& workspace_;

 private:
  Job outcome_;
};

}  // namespace mezzet
