#include "app/dialogs/rule_rows.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QVBoxLayout>
#include <charconv>
#include <cmath>

#include "app/widgets/layouts.h"
#include "app/widgets/length_field.h"
#include "core/rules/check.h"

namespace mezzet {
namespace {

QString words_(const char* text) { return QObject::tr(text); }

/// An end as it is typed: a length, a percentage or a plain number; empty is an open end.
LengthReading readEnd(const Workspace& workspace, Quantity quantity, const QString& text,
                      std::optional<double>& value) {
  value.reset();
  QString bare = text.trimmed();
  if (bare.isEmpty()) return {0, 0, {}};
  const bool negative = bare.startsWith(QChar('-'));
  if (quantity == Quantity::Length) {
    const LengthReading reading = workspace.read(negative ? bare.mid(1) : bare);
    if (reading) value = negative ? -*reading.length : *reading.length;
    return reading;
  }
  const std::string plain = bare.remove(QChar('%')).trimmed().replace(QChar(','), QChar('.')).toStdString();
  double number = 0;
  const auto [end, fault] = std::from_chars(plain.data(), plain.data() + plain.size(), number);
  if (fault != std::errc{} || end != plain.data() + plain.size())
    return {std::nullopt, 0, "Type a number, for example 60 for 60 %."};
  value = quantity == Quantity::Ratio || quantity == Quantity::Share ? number / 100 : number;
  return {0, 0, {}};
}

LengthReading typeEnd(const Workspace& workspace, const Rule& rule, const Asked& now, bool low, const QString& text,
                      const RuleEdits& edits) {
  const Quantity quantity = quantityOf(rule);
  std::optional<double> value;
  LengthReading reading = readEnd(workspace, quantity, text, value);
  if (!reading) return reading;
  Range range{now.tolerated.low, now.tolerated.high};
  const auto& old = low ? range.low : range.high;
  // What was only looked at stays as it was.
  if (old.has_value() == value.has_value() &&
      (!value || std::abs(*old - *value) < 0.05 * (quantity == Quantity::Length ? 1 : 0.01)))
    return {0, 0, {}};
  (low ? range.low : range.high) = value;
  if (range.low && range.high && *range.low > *range.high)
    return {std::nullopt, 0, "The lower end would lie above the upper one."};
  edits.range(range);
  return {0, 0, {}};
}

void addSchools(QVBoxLayout* column, const Workspace& workspace, const Rule& rule, const RuleState& state,
                const RuleEdits& edits) {
  auto* school = new QComboBox;
  school->setObjectName(QStringLiteral("school:") + QString::fromStdString(rule.id));
  school->setAccessibleName(words_("School of %1").arg(QString::fromStdString(rule.name)));
  school->setSizeAdjustPolicy(QComboBox::AdjustToMinimumContentsLengthWithIcon);
  const QString kHouse = QStringLiteral("house:");
  if (edits.asHouse) school->addItem(words_("as this house asks"), kHouse);
  int at = state.asHouse ? 0 : -1;
  for (const School& s : rule.schools) {
    const Asked asked = askedBySchool(s, workspace.job());
    const QString range = asked.missing.empty()
                              ? onScreen(rangeWords(asked.tolerated, quantityOf(rule), workspace.format()))
                              : words_("eye height, once known");
    school->addItem(words_("%1: %2").arg(QString::fromStdString(s.id).toUpper(), range), QString::fromStdString(s.id));
    school->setItemData(school->count() - 1, QString::fromStdString(s.why), Qt::ToolTipRole);
    if (at < 0 && !state.ownRange && state.now.school == s.id) at = school->count() - 1;
  }
  if (at < 0) {
    school->addItem(state.ownRange ? edits.asHouse ? words_("a range of its own") : words_("a range of this house")
                                   : words_("all schools together"),
                    QString());
    at = school->count() - 1;
  }
  school->setCurrentIndex(at);
  QObject::connect(school, &QComboBox::activated, school, [school, edits, kHouse] {
    const QString chosen = school->currentData().toString();
    if (chosen == kHouse) edits.asHouse();
    else if (!chosen.isEmpty()) edits.school(chosen.toStdString());
  });
  column->addWidget(school);
}

}  // namespace

void addRuleRows(QVBoxLayout* column, const Workspace& workspace, const Rule& rule, const RuleState& state,
                 RuleEdits edits) {
  column->addSpacing(4);
  auto* name = words(QString::fromStdString(rule.name), "ruleName");
  name->setStyleSheet(QStringLiteral("font-weight: bold;"));
  name->setToolTip(QString::fromStdString(rule.measures) +
                   words_(".\nSource: %1").arg(QString::fromStdString(rule.source.cite)));
  column->addWidget(name);
  if (rule.schools.size() > 1 || state.ownRange || edits.asHouse) addSchools(column, workspace, rule, state, edits);
  auto* row = new QHBoxLayout;
  auto* complaint = words({}, "fieldComplaint");
  complaint->hide();
  for (const bool low : {true, false}) {
    const auto& end = low ? state.now.tolerated.low : state.now.tolerated.high;
    row->addWidget(new QLabel(low ? words_("from") : words_("to")));
    auto* f = new LengthField((low ? words_("%1, from") : words_("%1, to")).arg(QString::fromStdString(rule.name)),
                              [&workspace, &rule, now = state.now, low, edits](const QString& t) {
                                return typeEnd(workspace, rule, now, low, t, edits);
                              });
    f->setObjectName((low ? QStringLiteral("low:") : QStringLiteral("high:")) + QString::fromStdString(rule.id));
    f->setPlaceholderText(words_("open"));
    f->setComplaintLabel(complaint);
    const QString text =
        end ? QString::fromStdString(measureWords(*end, quantityOf(rule), workspace.format())) : QString();
    f->show(text);
    f->setText(text);
    row->addWidget(f, 1);
  }
  column->addLayout(row);
  column->addWidget(complaint);
  if (const School* s = state.now.school ? findSchool(rule, *state.now.school) : nullptr)
    column->addWidget(words(QString::fromStdString(s->why), "quietNote"));
}

}  // namespace mezzet
