#include "app/stages/measure/site_page.h"

#include "core/base/sentence.h"

namespace mezzet {

SitePage::SitePage(Workspace& workspace, Topic topic, QWidget* parent)
    : QWidget(parent), workspace_(workspace), topic_(topic) {
  auto* column = scrollingColumn(this);
  column->setSpacing(6);
  head_ = new QVBoxLayout;
  head_->setSpacing(6);
  column->addLayout(head_);
  complaint_ = words({}, "fieldComplaint");
  complaint_->hide();
  column->addWidget(complaint_);
  rows_ = new QVBoxLayout;
  rows_->setSpacing(5);
  column->addLayout(rows_);
  column->addStretch(1);
  connect(&workspace_, &Workspace::jobChanged, this, [this](const JobChange& what) {
    if (what.rooms || what.house) refresh();
  });
  connect(&workspace_, &Workspace::viewChanged, this, &SitePage::refresh);
}

void SitePage::refresh() {
  if (workspace_.topic() != topic_ || workspace_.stage() != Stage::Measure) return;
  const FocusKept kept(this);
  complaint_->hide();
  emptyLayout(rows_);
  if (workspace_.room() == nullptr) {
    rows_->addWidget(words(
        topic_ == Topic::Picture
            ? tr("A room can begin with its plan: take a picture in, scale it by known lengths, and trace the corners.")
            : tr("Measure the walls of a room first."),
        "quietNote"));
    return;
  }
  rebuild();
}

void SitePage::showEvent(QShowEvent* event) {
  QWidget::showEvent(event);
  if (rows_->isEmpty()) refresh();
}

void SitePage::complain(const std::string& sentence) {
  complaint_->setText(onScreen(capital(sentence)));
  complaint_->show();
}

bool SitePage::take(const QString& name, const Result<Job>& after, long long nextId) {
  if (!after) {
    complain(after.error().text() + ".");
    return false;
  }
  return nextId > 0 ? workspace_.document().edit(name, *after, nextId) : workspace_.document().edit(name, *after);
}

LengthReading SitePage::taken(const QString& name, const Result<Job>& after, long long nextId) {
  if (!after) return {std::nullopt, 0, capital(after.error().text() + ".")};
  if (nextId > 0) workspace_.document().edit(name, *after, nextId);
  else workspace_.document().edit(name, *after);
  return {0.0, 0, {}};
}

QPushButton* SitePage::button(const QString& text, const char* name, std::function<void()> act) {
  auto* b = new QPushButton(text);
  b->setObjectName(QString::fromUtf8(name));
  connect(b, &QPushButton::clicked, this, [act = std::move(act)] { act(); });
  return b;
}

void SitePage::say(const std::vector<std::string>& sentences) {
  for (const std::string& s : sentences) rows_->addWidget(words(onScreen(s), "quietNote"));
}

QStringList SitePage::wallLetters() const {
  QStringList out;
  if (const Room* room = workspace_.room())
    for (const Corner& c : room->corners) out << QString::fromStdString(c.id.value);
  return out;
}

}  // namespace mezzet
