#include "app/stages/brief/brief_panel.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QVBoxLayout>
#include <charconv>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "app/dialogs/rule_rows.h"
#include "core/edit/edits.h"
#include "core/rules/check.h"
#include "core/rules/registry.h"
#include "core/rules/art/rules.h"

namespace mezzet {
namespace {

struct Flag {
  const char* name;
  bool Brief::*member;
  const char* question;
  const char* effect;
};
constexpr Flag kFlags[] = {
    {"public", &Brief::isPublic, "A public room", "Pictures may then hang higher, as museums hang them."},
    {"tenant", &Brief::tenant, "Rented: no holes without asking",
     "Lean pictures on a safe angle with a stop, or keep a ledger of holes."},
    {"children", &Brief::children, "Children use it",
     "Tall pieces and leaning mirrors need restraint; blind cords out of reach."},
    {"pets", &Brief::pets, "Pets use it", "Loop rugs catch claws; cut pile does not."},
    {"access", &Brief::access, "Published access rules apply",
     "Doors, ways and turning places are then judged by them too."}};

constexpr std::pair<const char*, const char*> kPurposes[] = {
    {"", "not said"},     {"entertaining", "entertaining"}, {"reading", "quiet reading"}, {"television", "television"},
    {"dining", "dining"}, {"sleeping", "sleeping"},         {"working", "working"}};
constexpr std::pair<const char*, const char*> kHours[] = {
    {"", "not said"}, {"day", "by day"}, {"evening", "in the evening"}, {"both", "day and evening"}};

QString plainNumber(double value) { return QString::number(value, 'g', 6); }

}  // namespace

BriefPanel::BriefPanel(Workspace& workspace, QWidget* parent) : QWidget(parent), workspace_(workspace) {
  column_ = scrollingColumn(this);
  column_->setSpacing(5);
  // Once for all that changes at a time.
  const auto follow = [this] {
    pending_ = true;
    QMetaObject::invokeMethod(
        this,
        [this] {
          if (pending_ && workspace_.stage() == Stage::Brief) rebuild();
          pending_ = false;
        },
        Qt::QueuedConnection);
  };
  connect(&workspace_, &Workspace::jobChanged, this, follow);
  connect(&workspace_, &Workspace::viewChanged, this, follow);
}

// A hundred rules take a while to lay out: not before they are looked at.
void BriefPanel::showEvent(QShowEvent* event) {
  if (column_->isEmpty()) rebuild();
  QWidget::showEvent(event);
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
    constexpr double kLeast = 20 * kInch, kMost = 102 * kInch;
    if (*one.length < kLeast || *one.length > kMost)
      return {std::nullopt, 0,
              "A stature is between " + writeLength(kLeast, workspace_.format()) + " and " +
                  writeLength(kMost, workspace_.format()) + ". Part several with a semicolon."};
    statures.push_back(*one.length);
  }
  Job after = workspace_.job();
  Brief brief = after.brief;
  const bool first = brief.statures.empty() && !statures.empty();
  brief.statures = statures;
  after = withBrief(after, brief);
  // Once statures are known pictures follow the viewers' eyes; without them that school cannot be asked.
  if (const Rule* rule = findRule(workspace_.book(), std::string(kArtCentre))) {
    const auto chosen = after.houseRules.schools.find(rule->id);
    const bool followsEyes = chosen != after.houseRules.schools.end() && chosen->second == "c";
    if (first && (chosen == after.houseRules.schools.end() || chosen->second == rule->defaultSchool))
      after = withSchool(after, rule->id, "c");
    if (statures.empty() && followsEyes && rule->defaultSchool)
      after = withSchool(after, rule->id, *rule->defaultSchool);
  }
  workspace_.document().edit(tr("viewers"), std::move(after));
  return {0, 0, {}};
}

void BriefPanel::addField(QVBoxLayout* column, const QString& label, const char* name, const QString& text,
                          const QString& effect, LengthField::Commit commit) {
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
}

void BriefPanel::addBudget(QVBoxLayout* column, const QString& label, const char* name,
                           std::optional<double> Brief::*member, const QString& effect) {
  const Brief& brief = workspace_.job().brief;
  addField(column, label, name, brief.*member ? plainNumber(*(brief.*member)) : QString(), effect,
           [this, member, label](const QString& t) {
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
}

void BriefPanel::addFlags(QVBoxLayout* column) {
  const Brief& brief = workspace_.job().brief;
  for (const Flag& flag : kFlags) {
    auto* box = new QCheckBox(tr(flag.question));
    box->setObjectName(QString::fromUtf8(flag.name));
    box->setChecked(brief.*(flag.member));
    connect(box, &QCheckBox::clicked, this, [this, member = flag.member, name = tr(flag.question)](bool on) {
      change(name.toLower(), [&](Brief& b) { b.*member = on; });
    });
    column->addWidget(box);
    auto* effect = words(tr(flag.effect), "quietNote");
    effect->setContentsMargins(24, 0, 0, 0);
    column->addWidget(effect);
  }
}

void BriefPanel::addBrief(QVBoxLayout* column) {
  const Brief& brief = workspace_.job().brief;
  column->addWidget(words(tr("Brief"), "panelTitle"));
  const auto choice = [&](const QString& label, const char* name, const auto& options, const std::string& now,
                          std::string Brief::*member) {
    auto* row = new QHBoxLayout;
    auto* l = new QLabel(label);
    l->setFixedWidth(96);
    row->addWidget(l);
    auto* box = new QComboBox;
    box->setObjectName(QString::fromUtf8(name));
    box->setAccessibleName(label);
    for (const auto& [key, text] : options) box->addItem(tr(text), QString::fromUtf8(key));
    box->setCurrentIndex(box->findData(QString::fromStdString(now)));
    connect(box, &QComboBox::activated, this, [this, box, member, label] {
      change(label.toLower(), [&](Brief& b) { b.*member = box->currentData().toString().toStdString(); });
    });
    row->addWidget(box, 1);
    column->addLayout(row);
  };
  choice(tr("Used for"), "purpose", kPurposes, brief.purpose, &Brief::purpose);
  choice(tr("Used"), "hours", kHours, brief.hours, &Brief::hours);

  QString statures;
  for (const double s : brief.statures)
    statures += (statures.isEmpty() ? QString() : QStringLiteral("; ")) + workspace_.write(s);
  const auto eye = meanEyeHeight(brief);
  addField(column, tr("Viewers are"), "viewers", statures,
           eye ? tr("Their mean eye height is %1; pictures can hang there.").arg(workspace_.write(*eye))
               : tr("How tall, parted by semicolons: 5' 6\"; 6'. Pictures then follow their eyes."),
           [this](const QString& t) { return typeViewers(t); });
  addField(column, tr("What stays"), "anchor", QString::fromStdString(brief.anchor),
           tr("The anchor that the room is built round."), [this](const QString& t) {
             change(tr("what stays"), [&](Brief& b) { b.anchor = t.trimmed().left(200).toStdString(); });
             return LengthReading{0, 0, {}};
           });
  addBudget(column, tr("Simple budget"), "budgetSimple", &Brief::budgetSimple, {});
  addBudget(column, tr("Full budget"), "budgetFull", &Brief::budgetFull,
            tr("A simple scheme and a harder one, in your currency."));
  addFlags(column);
}

void BriefPanel::addRules(QVBoxLayout* column) {
  column->addSpacing(10);
  column->addWidget(words(tr("House rules"), "panelTitle"));
  column->addWidget(
      words(tr("What this house asks. Empty ends are open; a changed range goes before every school."), "quietNote"));
  for (const Weight weight : {Weight::Must, Weight::Rule, Weight::Taste})
    for (const Rule& rule : workspace_.book().rules)
      if (rule.weight == weight && !rule.schools.empty() && !showsOf(rule.id, shows::kNoRange) &&
          quantityOf(rule) != Quantity::YesNo)
        addRuleRows(column, workspace_, rule,
                    {askedOf(rule, workspace_.job()), workspace_.job().houseRules.ranges.contains(rule.id), false},
                    {[this, id = rule.id](const std::string& school) {
                       workspace_.document().edit(tr("house rule"), withSchool(workspace_.job(), id, school));
                     },
                     [this, id = rule.id](const Range& range) {
                       workspace_.document().edit(tr("house rule"), withRange(workspace_.job(), id, range));
                     },
                     {}});
}

void BriefPanel::rebuild() {
  pending_ = false;
  const FocusKept kept(this);
  emptyLayout(column_);
  addBrief(column_);
  addRules(column_);
  column_->addStretch(1);
}

}  // namespace mezzet
