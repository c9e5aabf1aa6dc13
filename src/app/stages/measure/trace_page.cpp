#include "app/stages/measure/trace_page.h"

#include <QFileDialog>
#include <QFileInfo>
#include <QHBoxLayout>

#include "app/widgets/length_field.h"
#include "core/edit/edits.h"
#include "core/survey/trace.h"
#include "core/edit/site.h"
#include "io/files/file_system.h"
#include "render/picture_in.h"

namespace mezzet {
namespace {

struct TakenIn {
  Result<PictureIn> picture = Error{};
  int pages = 0;
};

}  // namespace

TracePage::TracePage(Workspace& workspace, TraceView& view, QWidget* parent)
    : SitePage(workspace, Topic::Picture, parent), view_(view) {
  head_->addWidget(words(tr("Plan picture"), "panelTitle"));
  head_->addWidget(button(tr("Take in a picture or PDF ..."), "takePicture", [this] { choose(); }));
  progress_ = new QProgressBar;
  progress_->setRange(0, 0);
  progress_->hide();
  stop_ = button(tr("Stop"), "stopPicture", [this] { worker_.stop(); });
  stop_->hide();
  auto* busy = new QHBoxLayout;
  busy->addWidget(progress_, 1);
  busy->addWidget(stop_);
  head_->addLayout(busy);
  connect(&worker_, &Worker::busyChanged, this, [this](bool now) {
    progress_->setVisible(now);
    stop_->setVisible(now);
  });
  hand_ = new QComboBox;
  hand_->setObjectName(QStringLiteral("traceHand"));
  hand_->setAccessibleName(tr("What a click on the picture sets"));
  hand_->addItems({tr("1  Set a known length"), tr("2  Straighten by four corners"), tr("3  Trace the room")});
  connect(hand_, &QComboBox::currentIndexChanged, this, [this](int i) { view_.setHand(static_cast<TraceHand>(i)); });
  head_->addWidget(hand_);
  setting_ = new QWidget;
  auto* column = new QVBoxLayout(setting_);
  column->setContentsMargins(0, 0, 0, 0);
  settingWords_ = words({}, "quietNote");
  column->addWidget(settingWords_);
  auto* row = new QHBoxLayout;
  first_ = new LengthField(tr("The length"), [this](const QString& t) {
    if (t.trimmed().isEmpty()) return LengthReading{0.0, 0, {}};
    if (view_.hand() == TraceHand::KnownLength) return setKnown(t);
    const LengthReading reading = workspace_.read(t);
    if (reading) {
      frameWidth_ = *reading.length;
      if (second_->text().trimmed().isEmpty()) second_->setFocus(Qt::TabFocusReason);
      else return setFrame(t, second_->text());
    }
    return reading;
  });
  first_->setObjectName(QStringLiteral("traceFirst"));
  first_->setComplaintLabel(complaint_);
  second_ = new LengthField(tr("The height of the rectangle"), [this](const QString& t) {
    return t.trimmed().isEmpty() ? LengthReading{0.0, 0, {}} : setFrame(first_->text(), t);
  });
  second_->setObjectName(QStringLiteral("traceSecond"));
  second_->setComplaintLabel(complaint_);
  row->addWidget(first_);
  row->addWidget(second_);
  column->addLayout(row);
  head_->addWidget(setting_);
  connect(&view_, &TraceView::pointsChanged, this, &TracePage::showSetting);
  connect(&view_, &TraceView::traced, this, &TracePage::setTrace);
  connect(&view_, &TraceView::closed, this, &TracePage::makeRoom);
  showSetting();
}

void TracePage::choose() {
  const QString path =
      QFileDialog::getOpenFileName(this, tr("Take in a plan"), {}, tr("Plans (*.png *.jpg *.jpeg *.pdf)"));
  if (!path.isEmpty()) takeIn(path);
}

void TracePage::takeIn(const QString& path, int page) {
  const RoomId room = workspace_.room() != nullptr ? workspace_.room()->id : RoomId();
  complaint_->hide();
  const std::string name = QFileInfo(path).fileName().toStdString();
  worker_.run<TakenIn>(
      [path, page, name](const std::stop_token& stop, const Worker::Progress&) {
        TakenIn out;
        const auto bytes = readFile(path.toStdString(), std::size_t{256} << 20);
        if (!bytes) {
          out.picture = bytes.error();
        } else if (isPdf(*bytes)) {
          const auto pages = pdfPages(*bytes, name, stop);
          out.pages = pages ? *pages : 0;
          out.picture = pages ? pictureOfPdf(*bytes, name, page, stop) : Result<PictureIn>(pages.error());
        } else {
          out.picture = pictureFrom(*bytes, name);
        }
        return out;
      },
      [this, room, path, page, name](TakenIn in) {
        if (!in.picture) return complain(in.picture.error().text() + ".");
        if ((workspace_.room() != nullptr ? workspace_.room()->id : RoomId()) != room) return;
        pdf_ = in.pages > 1 ? path : QString();
        pages_ = in.pages;
        const auto image = workspace_.document().addImage(in.picture->bytes, in.picture->ending);
        if (!image) return complain(image.error().text() + ".");
        Underlay u;
        u.image = *image;
        u.source = name + (in.pages > 1 ? ", page " + std::to_string(page + 1) : "");
        u.width = in.picture->width;
        u.height = in.picture->height;
        if (room.empty() ? beginRoom(u) : take(tr("plan picture"), withUnderlay(workspace_.job(), room, u))) {
          hand_->setCurrentIndex(0);
          if (in.picture->madeSmaller) complain("It was made smaller: its long side is kept at 4096 pixels.");
          view_.setFocus();
        }
      });
}

bool TracePage::beginRoom(const Underlay& underlay) {
  // A place to keep the picture until its trace says where the corners are.
  IdSource ids = workspace_.document().ids();
  Room fresh = freshRoom(workspace_.job(), ids);
  fresh.corners = {
      {cornerName(0), {0, 0}}, {cornerName(1), {4000, 0}}, {cornerName(2), {4000, 3000}}, {cornerName(3), {0, 3000}}};
  fresh.underlay = underlay;
  const RoomId id = fresh.id;
  const auto after = withFreshRoom(workspace_.job(), std::move(fresh), ids);
  if (!take(tr("begin a room from its plan"), after, ids.next())) return false;
  workspace_.showRoom(id);
  workspace_.showTopic(Topic::Picture);
  return true;
}

LengthReading TracePage::takeUnderlay(const QString& name, Underlay u) {
  return taken(name, withUnderlay(workspace_.job(), workspace_.room()->id, std::move(u)));
}

LengthReading TracePage::setKnown(const QString& text) {
  const LengthReading reading = workspace_.read(text);
  if (!reading) return reading;
  if (workspace_.room() == nullptr || !workspace_.room()->underlay)
    return {std::nullopt, 0, "Take in a picture first."};
  if (view_.points().size() != 2) return {std::nullopt, 0, "Click both ends of it on the picture first."};
  Underlay u = *workspace_.room()->underlay;
  u.known.push_back({view_.points()[0], view_.points()[1], *reading.length, text.trimmed().toStdString()});
  const LengthReading out = takeUnderlay(tr("known length"), std::move(u));
  if (!out) return out;
  first_->show({});
  first_->setText({});
  view_.clearPoints();
  view_.setFocus();
  return out;
}

LengthReading TracePage::setFrame(const QString& width, const QString& height) {
  const LengthReading w = workspace_.read(width), h = workspace_.read(height);
  if (!w) return w;
  if (!h) return h;
  if (workspace_.room() == nullptr || !workspace_.room()->underlay)
    return {std::nullopt, 0, "Take in a picture first."};
  if (view_.points().size() != 4)
    return {std::nullopt, 0, "Click the rectangle's four corners first, from its lower left round by its lower right."};
  Underlay u = *workspace_.room()->underlay;
  u.frame = Straightened{view_.points(), *w.length, *h.length};
  if (const auto scale = scaleOf(u); !scale) return {std::nullopt, 0, scale.error().text() + "."};
  const LengthReading out = takeUnderlay(tr("straighten the picture"), std::move(u));
  if (!out) return out;
  for (LengthField* f : {first_, second_}) {
    f->show({});
    f->setText({});
  }
  view_.clearPoints();
  hand_->setCurrentIndex(2);
  return out;
}

void TracePage::showSetting() {
  const TraceHand hand = view_.hand();
  if (hand_->currentIndex() != static_cast<int>(hand)) hand_->setCurrentIndex(static_cast<int>(hand));
  const std::size_t set = view_.points().size();
  first_->setVisible(hand != TraceHand::Trace);
  second_->setVisible(hand == TraceHand::Straighten);
  if (hand == TraceHand::KnownLength) {
    settingWords_->setText(set < 2 ? tr("Click both ends of a length you know.") : tr("How long is it?"));
    first_->setPlaceholderText(tr("length"));
    first_->setEnabled(set == 2);
    if (set == 2) first_->setFocus(Qt::OtherFocusReason);
  } else if (hand == TraceHand::Straighten) {
    settingWords_->setText(set < 4 ? tr("Click four corners of something that is a rectangle: lower left, lower right, "
                                        "upper right, upper left (%1 of 4).")
                                         .arg(set)
                                   : tr("How wide and how high is it?"));
    first_->setPlaceholderText(tr("width"));
    second_->setPlaceholderText(tr("height"));
    for (LengthField* f : {first_, second_}) f->setEnabled(set == 4);
    if (set == 4) first_->setFocus(Qt::OtherFocusReason);
  } else {
    settingWords_->setText(
        tr("Click the room's inner corners one after the other, and the first again. Drag a corner to move it; "
           "Backspace takes the last away; Alt holds off "
           "the lines."));
  }
}

void TracePage::setTrace(const std::vector<Vec2>& trace) {
  if (workspace_.room() == nullptr || !workspace_.room()->underlay) return;
  Underlay u = *workspace_.room()->underlay;
  u.trace = trace;
  take(tr("trace"), withUnderlay(workspace_.job(), workspace_.room()->id, std::move(u)));
}

void TracePage::makeRoom() {
  const Room* room = workspace_.room();
  if (room == nullptr) return;
  IdSource ids = workspace_.document().ids();
  const auto made = traced(*room, ids);
  if (!made) return complain(made.error().text() + ".");
  take(tr("take the trace"), withRoom(workspace_.job(), *made), ids.next());
}

void TracePage::rebuild() {
  const Room& room = *workspace_.room();
  if (pages_ > 1 && !pdf_.isEmpty()) {
    auto* row = new QHBoxLayout;
    auto* page = new QSpinBox;
    page->setObjectName(QStringLiteral("pdfPage"));
    page->setAccessibleName(tr("Page of the PDF"));
    page->setRange(1, pages_);
    row->addWidget(words(tr("Page of %1").arg(pages_), "quietNote"), 1);
    row->addWidget(page);
    row->addWidget(button(tr("Take it"), "takePage", [this, page] { takeIn(pdf_, page->value() - 1); }));
    rows_->addLayout(row);
  }
  setting_->setVisible(room.underlay.has_value());
  hand_->setVisible(room.underlay.has_value());
  if (!room.underlay) {
    rows_->addWidget(words(tr("A plan that exists can be traced. What is traced carries the picture's doubt, and a "
                              "tape always outranks it."),
                           "quietNote"));
    return;
  }
  const Underlay& u = *room.underlay;
  rows_->addWidget(words(QString::fromStdString(u.source), "note"));
  say(scaleWords(u, workspace_.format()));
  const auto scale = scaleOf(u);
  for (std::size_t i = 0; i < u.known.size(); ++i) {
    auto* row = new QHBoxLayout;
    QString text = workspace_.write(u.known[i].length);
    if (scale && scale->checked)
      text += tr(", left over %1%2 mm")
                  .arg(scale->residuals[i] < 0 ? QStringLiteral("-") : QString())
                  .arg(std::abs(scale->residuals[i]), 0, 'f', 1);
    row->addWidget(words(text, "note"), 1);
    auto* remove = button(QStringLiteral("\u00d7"), "removeKnown", [this, i] {
      Underlay changed = *workspace_.room()->underlay;
      changed.known.erase(changed.known.begin() + static_cast<std::ptrdiff_t>(i));
      take(tr("take a known length out"), withUnderlay(workspace_.job(), workspace_.room()->id, changed));
    });
    remove->setAccessibleName(tr("Take out the known length %1").arg(workspace_.write(u.known[i].length)));
    remove->setObjectName(QStringLiteral("cross"));
    remove->setFixedWidth(30);
    row->addWidget(remove);
    rows_->addLayout(row);
  }
  if (u.frame)
    rows_->addWidget(button(tr("Not straightened any more"), "removeFrame", [this] {
      Underlay changed = *workspace_.room()->underlay;
      changed.frame.reset();
      take(tr("straightening"), withUnderlay(workspace_.job(), workspace_.room()->id, changed));
    }));
  if (u.trace.size() >= 3) {
    auto* make = button(room.survey ? tr("Take the trace as readings") : tr("Make the room from the trace"), "primary",
                        [this] { makeRoom(); });
    rows_->addWidget(make);
    rows_->addWidget(button(tr("Clear the trace"), "clearTrace", [this] { setTrace({}); }));
  }
  const auto differences = traceDifferences(room, workspace_.format());
  if (!differences.empty()) {
    rows_->addWidget(words(tr("Plan against tape"), "subject"));
    for (const TraceDifference& d : differences) rows_->addWidget(words(onScreen(d.sentence), "note"));
  }
  rows_->addWidget(button(tr("Take the picture out"), "removePicture", [this] {
    take(tr("take the picture out"), withUnderlay(workspace_.job(), workspace_.room()->id, std::nullopt));
  }));
}

}  // namespace mezzet
