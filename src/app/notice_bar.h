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
  /// Shows a sentence with its choices and a way to put it off; a later one waits until this one is answered.
  void say(const QString& sentence, std::vector<Choice> choices = {});
  [[nodiscard]] QString sentence() const;

 private:
  struct Notice {
    QString sentence;
    std::vector<Choice> choices;
  };
  void showNext();

  std::vector<Notice> waiting_;
  QLabel* label_;
  QHBoxLayout* buttons_;
};

}  // namespace mezzet
