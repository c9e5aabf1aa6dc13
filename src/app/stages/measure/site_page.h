// A page of the Measure stage: a scrolling column that shows one part of the site's record.
#pragma once

#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <QWidget>

#include "app/widgets/layouts.h"
#include "app/document/workspace.h"

namespace mezzet {

class SitePage : public QWidget {
  Q_OBJECT

 public:
  SitePage(Workspace& workspace, Topic topic, QWidget* parent = nullptr);

 protected:
  /// Rows made anew; called when the job or the view has changed and this page is on show.
  virtual void rebuild() = 0;
  void refresh();
  void showEvent(QShowEvent*) override;

  /// A sentence under the rows, until the next change.
  void complain(const std::string& sentence);
  /// Takes an edit, or says why not.
  bool take(const QString& name, const Result<Job>& after, long long nextId = 0);
  /// The same for a field.
  [[nodiscard]] LengthReading taken(const QString& name, const Result<Job>& after, long long nextId = 0);
  /// Reads a length, hands it to `edit`, and takes the job that comes back. An empty text gives nothing.
  template <class Edit>
  LengthReading typed(const QString& text, const QString& name, Edit edit) {
    std::optional<double> length;
    if (!text.trimmed().isEmpty()) {
      const LengthReading reading = workspace_.read(text);
      if (!reading) return reading;
      length = reading.length;
    }
    return taken(name, edit(length));
  }
  QPushButton* button(const QString& text, const char* name, std::function<void()> act);
  /// Sentences of the core as quiet notes.
  void say(const std::vector<std::string>& sentences);
  [[nodiscard]] QString written(const std::optional<double>& length) const {
    return length ? workspace_.write(*length) : QString();
  }
  [[nodiscard]] QStringList wallLetters() const;

  Workspace& workspace_;
  QVBoxLayout* head_;  ///< stays
  QVBoxLayout* rows_;  ///< made anew
  QLabel* complaint_;

 private:
  Topic topic_;
};

}  // namespace mezzet
