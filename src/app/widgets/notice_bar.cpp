#include "app/widgets/notice_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <algorithm>

#include "app/widgets/layouts.h"

namespace mezzet {

NoticeBar::NoticeBar(QWidget* parent) : QWidget(parent) {
  setObjectName(QStringLiteral("notice"));
  setAttribute(Qt::WA_StyledBackground);
  auto* row = new QHBoxLayout(this);
  row->setContentsMargins(16, 7, 12, 7);
  label_ = new QLabel;
  label_->setObjectName(QStringLiteral("noticeText"));
  label_->setWordWrap(true);
  label_->setTextFormat(Qt::PlainText);
  row->addWidget(label_, 1);
  buttons_ = new QHBoxLayout;
  row->addLayout(buttons_);
  hide();
}

QString NoticeBar::sentence() const { return isHidden() ? QString() : label_->text(); }

void NoticeBar::say(const QString& sentence, std::vector<Choice> choices, const QString& cause) {
  for (const Notice& n : waiting_)
    if (n.sentence == sentence) return;
  const auto same = std::find_if(waiting_.begin(), waiting_.end(),
                                 [&](const Notice& n) { return !cause.isEmpty() && n.cause == cause; });
  const bool shown = waiting_.empty() || same == waiting_.begin();
  if (same != waiting_.end()) *same = {sentence, std::move(choices), cause};
  else waiting_.push_back({sentence, std::move(choices), cause});
  if (shown) showNext();
}

void NoticeBar::settle(const QString& cause) {
  const auto shown = std::erase_if(waiting_, [&](const Notice& n) { return n.cause == cause; });
  if (shown > 0) showNext();
}

void NoticeBar::showNext() {
  emptyLayout(buttons_);
  setVisible(!waiting_.empty());
  if (waiting_.empty()) return;
  const Notice& now = waiting_.front();
  label_->setText(now.sentence);
  const auto add = [&](const QString& text, const std::function<void()>& act) {
    auto* button = new QPushButton(text);
    connect(button, &QPushButton::clicked, this, [this, act] {
      waiting_.erase(waiting_.begin());
      showNext();
      if (act) act();
    });
    buttons_->addWidget(button);
  };
  const std::vector<Choice> choices = now.choices;
  for (const Choice& c : choices) add(c.text, c.act);
  add(choices.empty() ? tr("Understood") : tr("Later"), {});
}

}  // namespace mezzet
