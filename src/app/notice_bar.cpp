#include "app/notice_bar.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>

#include "app/layouts.h"

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

void NoticeBar::say(const QString& sentence, std::vector<Choice> choices) {
  for (const Notice& n : waiting_)
    if (n.sentence == sentence) return;
  waiting_.push_back({sentence, std::move(choices)});
  if (waiting_.size() == 1) showNext();
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
  for (const Choice& c : now.choices) add(c.text, c.act);
  add(now.choices.empty() ? tr("Understood") : tr("Later"), {});
}

}  // namespace mezzet
