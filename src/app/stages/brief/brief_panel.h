// The Brief: what the room is for and who uses it, what each answer switches on, and the house rules.
#pragma once

#include <QWidget>
#include <functional>

#include "app/document/workspace.h"
#include "app/widgets/length_field.h"

class QLabel;
class QVBoxLayout;

namespace mezzet {

class BriefPanel : public QWidget {
  Q_OBJECT

 public:
  explicit BriefPanel(Workspace& workspace, QWidget* parent = nullptr);

 protected:
  void showEvent(QShowEvent*) override;

 private:
  void rebuild();
  void addField(QVBoxLayout*, const QString& label, const char* name, const QString& text, const QString& effect,
                LengthField::Commit);
  void addBudget(QVBoxLayout*, const QString& label, const char* name, std::optional<double> Brief::*member,
                 const QString& effect);
  void addFlags(QVBoxLayout*);
  void addBrief(QVBoxLayout* column);
  void addRules(QVBoxLayout* column);
  void change(const QString& name, const std::function<void(Brief&)>& edit);
  LengthReading typeViewers(const QString& text);
  LengthReading typeEnd(const std::string& rule, bool low, const QString& text);

  Workspace& workspace_;
  QVBoxLayout* column_;
  bool pending_ = false;  ///< something changed that is not shown yet
};

}  // namespace mezzet
