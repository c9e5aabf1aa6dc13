#include "app/brief_panel.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <charconv>
#include <cmath>

#include "app/layouts.h"
#include "app/length_field.h"
#include "core/job/edits.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

struct Flag {
  const char* name;
  bool Brief::*member;
  const char* question;
  const char* effect;
};
constexpr Flag kFlags[] = {
    {"public", &Brief::isPublic, "A public room", "School B then hangs pictures at 63 in."},
    {"tenant", &Brief::tenant, "Rented: no holes without asking", "Lean pictures on a safe angle with a stop, or keep a ledger of holes."},
    {"children", &Brief::children, "Children use it", "Tall pieces and leaning mirrors need restraint; blind cords out of reach."},
    {"pets", &Brief::pets, "Pets use it", "Loop rugs catch claws; cut pile does not."},
    {"access", &Brief::access, "Published access rules apply", "Recorded here; no rule of this version asks it yet."}};

constexpr std::pair<const char*, const char*> kPurposes[] = {
    {"", "not said"},     {"entertaining", "entertaining"}, {"reading", "quiet reading"}, {"television", "television"},
    {"dining", "dining"}, {"sleeping", "sleeping"},         {"working", "working"}};
constexpr std::pair<const char*, const char*> kHours[] = {{"", "not said"}, {"day", "by day"}, {"evening", "in the evening"}, {"both", "day and evening"}};

QString plainNumber(double value) { return QString::number(value, 'g', 6); }

}  // namespace

BriefPanel::BriefPanel(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  column_ = scrollingColumn(this);
  column_->setSpacing(5);
  for (auto signal : {&Workspace::jobChanged, &Workspace::viewChanged})
    connect(
        &workspace_, signal, this,
        [this] {
          if (workspace_.stage() == Stage::Brief) rebuild();
        },
        Qt::QueuedConnection);
  rebuild();
}

void BriefPanel::change(const QString& name, const std::function<void(Brief&)>& edit) {
  Brief brief = workspace_.job().brief;
  edit(brief);
  workspace_.document().edit(name, withBrief(workspace_.job(), std::move(brief)));
}

LengthReading BriefPanel::typeViewers(const QString& text) {
  std::vector<double> statures;
  for (const QString& part : text.split(QChar(';'), Qt::SkipEmptyParts)) {
    if (part.trimmed().isEmpty()) continue;
    const LengthReading one = workspace_.read(part.trimmed());
    if (!one) return one;
    if (*one.length < 500 || *one.length > 2600) return {std::nullopt, 0, "A stature is between 20 in and 102 in. Part several with a semicolon."};
    statures.push_back(*one.length);
  }
  Job after = workspace_.job();
  Brief brief = after.brief;
  const bool first = brief.statures.empty() && !statures.empty();
  brief.statures = statures;
  after = withBrief(after, brief);
  // Once statures are known pictures follow the viewers' eyes; without them that school cannot be asked.
  if (const Rule* rule = findRule(workspace_.book(), "art-centre")) {
    const auto chosen = after.houseRules.schools.find(rule->id);
    const bool followsEyes = chosen != after.houseRules.schools.end() && chosen->second == "c";
    if (first && (chosen == after.houseRules.schools.end() || chosen->second == rule->defaultSchool)) after = withSchool(after, rule->id, "c");
    if (statures.empty() && followsEyes && rule->defaultSchool) after = withSchool(after, rule->id, *rule->defaultSchool);
  }
  workspace_.document().edit(tr("viewers"), std::move(after));
  return {0, 0, {}};
}

LengthReading BriefPanel::typeEnd(const std::string& id, bool low, const QString& text) {
  const Rule* rule = findRule(workspace_.book(), id);
  if (rule == nullptr) return {std::nullopt, 0, "This rule is gone."};
  std::optional<double> value;
  if (!text.trimmed().isEmpty()) {
    const Quantity quantity = quantityOf(*rule);
    QString bare = text.trimmed();
    const bool negative = bare.startsWith(QChar('-'));
    if (quantity == Quantity::Length) {
      const LengthReading reading = workspace_.read(negative ? bare.mid(1) : bare);
      if (!reading) return reading;
      value = negative ? -*reading.length : *reading.length;
    } else {
      const std::string plain = bare.remove(QChar('%')).trimmed().replace(QChar(','), QChar('.')).toStdString();
      double number = 0;
      const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), number);
      if (fault != std::errc{} || end != plain.data() + plain.size()) return {std::nullopt, 0, "Type a number, for example 60 for 60 %."};
      value = quantity == Quantity::Ratio || quantity == Quantity::Share ? number / 100 : number;
    }
  }
  const Asked now = askedOf(*rule, workspace_.job());
  ChangedRange range{now.tolerated.low, now.tolerated.high};
  const auto& old = low ? range.low : range.high;
  if (old.has_value() == value.has_value() && (!value || std::abs(*old - *value) < 0.05 * (quantityOf(*rule) == Quantity::Length ? 1 : 0.01)))
    return {0, 0, {}};
  (low ? range.low : range.high) = value;
  if (range.low && range.high && *range.low > *range.high) return {std::nullopt, 0, "The lower end would lie above the upper one."};
  workspace_.document().edit(tr("house rule"), withRange(workspace_.job(), id, range));
  return {0, 0, {}};
}

void BriefPanel::addBrief(QVBoxLayout* column) {
  const Brief& brief = workspace_.job().brief;
  column->addWidget(words(tr("Brief"), "panelTitle"));
  const auto choice = [&](const QString& label, const char* name, const auto& options, const std::string& now, std::string Brief::*member) {
    auto* row = new QHBoxLayout;
    auto* l = new QLabel(label);
    l->setFixedWidth(96);
    row->addWidget(l);
    auto* box = new QComboBox;
    box->setObjectName(QString::fromUtf8(name));
    box->setAccessibleName(label);
    for (const auto& [key, text] : options) box->addItem(tr(text), QString::fromUtf8(key));
    box->setCurrentIndex(box->findData(QString::fromStdString(now)));
    connect(box, &QComboBox::activated, this,
            [this, box, member, label] { change(label.toLower(), [&](Brief& b) { b.*member = box->currentData().toString().toStdString(); }); });
    row->addWidget(box, 1);
    column->addLayout(row);
  };
  choice(tr("Used for"), "purpose", kPurposes, brief.purpose, &Brief::purpose);
  choice(tr("Used"), "hours", kHours, brief.hours, &Brief::hours);

  const auto field = [&](const QString& label, const char* name, const QString& text, const QString& effect, LengthField::Commit commit) {
    auto* row = new QHBoxLayout;
    auto* l = new QLabel(label);
    l->setFixedWidth(96);
    row->addWidget(l);
    auto* f = new LengthField(label, std::move(commit));
    f->setObjectName(QString::fromUtf8(name));
    f->show(text);
    f->setText(text);
    row->addWidget(f, 1);
    column->addLayout(row);
    auto* complaint = words({}, "fieldComplaint");
    complaint->hide();
    f->setComplaintLabel(complaint);
    column->addWidget(complaint);
    if (!effect.isEmpty()) column->addWidget(words(effect, "quietNote"));
  };
  QString statures;
  for (const double s : brief.statures) statures += (statures.isEmpty() ? QString() : QStringLiteral("; ")) + workspace_.write(s);
  const auto eye = meanEyeHeight(brief);
  field(tr("Viewers are"), "viewers", statures,
        eye ? tr("Their mean eye height is %1; school C hangs pictures there.").arg(workspace_.write(*eye))
            : tr("How tall, parted by semicolons: 5' 6\"; 6'. Pictures then follow their eyes."),
        [this](const QString& t) { return typeViewers(t); });
  field(tr("What stays"), "anchor", QString::fromStdString(brief.anchor), tr("The anchor that the room is built round."), [this](const QString& t) {
    change(tr("what stays"), [&](Brief& b) { b.anchor = t.trimmed().left(200).toStdString(); });
    return LengthReading{0, 0, {}};
  });
  const auto budget = [&](const QString& label, const char* name, std::optional<double> Brief::*member, const QString& effect) {
    field(label, name, brief.*member ? plainNumber(*(brief.*member)) : QString(), effect, [this, member, label](const QString& t) {
      std::optional<double> amount;
      if (const std::string plain = t.trimmed().replace(QChar(','), QChar('.')).toStdString(); !plain.empty()) {
        double number = 0;
        const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), number);
        if (fault != std::errc{} || end != plain.data() + plain.size() || number < 0 || number > 1e12)
          return LengthReading{std::nullopt, 0, "Type an amount, for example 2400."};
        amount = number;
      }
      change(label.toLower(), [&](Brief& b) { b.*member = amount; });
      return LengthReading{0, 0, {}};
    });
  };
  budget(tr("Simple budget"), "budgetSimple", &Brief::budgetSimple, {});
  budget(tr("Full budget"), "budgetFull", &Brief::budgetFull, tr("A simple scheme and a harder one, in your currency."));
  for (const Flag& flag : kFlags) {
    auto* box = new QCheckBox(tr(flag.question));
    box->setObjectName(QString::fromUtf8(flag.name));
    box->setChecked(brief.*(flag.member));
    connect(box, &QCheckBox::clicked, this,
            [this, member = flag.member, name = tr(flag.question)](bool on) { change(name.toLower(), [&](Brief& b) { b.*member = on; }); });
    column->addWidget(box);
    auto* effect = words(tr(flag.effect), "quietNote");
    effect->setContentsMargins(24, 0, 0, 0);
    column->addWidget(effect);
  }
}

void BriefPanel::addRule(QVBoxLayout* column, const Rule& rule) {
  const Asked now = askedOf(rule, workspace_.job());
  const Quantity quantity = quantityOf(rule);
  column->addSpacing(4);
  auto* name = words(QString::fromStdString(rule.name), "ruleName");
  name->setStyleSheet(QStringLiteral("font-weight: bold;"));
  name->setToolTip(QString::fromStdString(rule.measures) + tr(".\nSource: %1").arg(QString::fromStdString(rule.source.cite)));
  column->addWidget(name);
  const bool own = workspace_.job().houseRules.ranges.contains(rule.id);
  if (rule.schools.size() > 1 || own) {
    auto* school = new QComboBox;
    school->setObjectName(QStringLiteral("school:") + QString::fromStdString(rule.id));
    school->setAccessibleName(tr("School of %1").arg(QString::fromStdString(rule.name)));
    int at = -1;
    for (const School& s : rule.schools) {
      const Asked asked = askedBySchool(s, workspace_.job());
      const QString range = asked.missing.empty() ? onScreen(rangeWords(asked.tolerated, quantity, workspace_.format())) : tr("eye height, once known");
      school->addItem(tr("%1: %2").arg(QString::fromStdString(s.id).toUpper(), range), QString::fromStdString(s.id));
      school->setItemData(school->count() - 1, QString::fromStdString(s.why), Qt::ToolTipRole);
      if (now.school == s.id) at = school->count() - 1;
    }
    if (at < 0) {
      school->addItem(own ? tr("a range of this house") : tr("all schools together"), QString());
      at = school->count() - 1;
    }
    school->setCurrentIndex(at);
    connect(school, &QComboBox::activated, this, [this, school, id = rule.id] {
      const std::string chosen = school->currentData().toString().toStdString();
      if (!chosen.empty()) workspace_.document().edit(tr("house rule"), withSchool(workspace_.job(), id, chosen));
    });
    column->addWidget(school);
  }
  auto* row = new QHBoxLayout;
  auto* complaint = words({}, "fieldComplaint");
  complaint->hide();
  for (const bool low : {true, false}) {
    const auto& end = low ? now.tolerated.low : now.tolerated.high;
    row->addWidget(new QLabel(low ? tr("from") : tr("to")));
    auto* f = new LengthField(low ? tr("%1, from").arg(QString::fromStdString(rule.name)) : tr("%1, to").arg(QString::fromStdString(rule.name)),
                              [this, id = rule.id, low](const QString& t) { return typeEnd(id, low, t); });
    f->setObjectName((low ? QStringLiteral("low:") : QStringLiteral("high:")) + QString::fromStdString(rule.id));
    f->setPlaceholderText(tr("open"));
    f->setComplaintLabel(complaint);
    const QString text = end ? QString::fromStdString(measureWords(*end, quantity, workspace_.format())) : QString();
    f->show(text);
    f->setText(text);
    row->addWidget(f, 1);
  }
  column->addLayout(row);
  column->addWidget(complaint);
  if (const School* s = now.school ? findSchool(rule, *now.school) : nullptr) column->addWidget(words(QString::fromStdString(s->why), "quietNote"));
}

void BriefPanel::addRules(QVBoxLayout* column) {
  column->addSpacing(10);
  column->addWidget(words(tr("House rules"), "panelTitle"));
  column->addWidget(words(tr("What this house asks. Empty ends are open; a changed range goes before every school."), "quietNote"));
  for (const Weight weight : {Weight::Must, Weight::Rule, Weight::Taste})
    for (const Rule& rule : workspace_.book().rules)
      if (rule.weight == weight && !rule.schools.empty() && rule.id != "overlap" && rule.id != "outside-room" && quantityOf(rule) != Quantity::YesNo)
        addRule(column, rule);
}

void BriefPanel::rebuild() {
  const FocusKept kept(this);
  emptyLayout(column_);
  addBrief(column_);
  addRules(column_);
  column_->addStretch(1);
}

}  // namespace mezzet
