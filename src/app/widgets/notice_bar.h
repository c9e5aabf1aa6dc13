// A strip above the sheet for what must be said or offered, never modal.
#pragma once

#include <QWidget>
#include <functional>
#include <vector>

class QHBoxLayout;
class QLabel;

namespace mezzet {

class NoticeBar : public QWidget {
  Q_OBJECT

 public:
  struct Choice {
    QString text;
    std::function<void()> act;
  };
  explicit NoticeBar(QWidget* parent = nullptr);
  /// Shows a sentence with its choices and a way to put it off; a later one waits until this one is answered. A `cause`
  /// is named so that the notice can go when that has gone; of one cause only the newest sentence is shown.
  void say(const QString& sentence, std::vector<Choice> choices = {}, const QString& cause = {});
  /// What was said of a cause is true no more.
  void settle(const QString& cause);
  [[nodiscard]] QString sentence() const;

 private:
  struct Notice {
    QString sentence;
    std::vector<Choice> choices;
    QString cause;
  };
  void showNext();

  std::vector<Notice> waiting_;
  QLabel* label_;
  QHBoxLayout* buttons_;
};

}  // namespace mezzet
