#include "app/dialogs/rug_dialog.h"

#include <QCheckBox>
#include <QGridLayout>
#include <QLabel>
#include <QLocale>
#include <QPushButton>
#include <QScrollArea>
#include <QTabWidget>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>

#include "app/widgets/field_grid.h"
#include "app/widgets/ghost_button.h"
#include "app/widgets/layouts.h"
#include "core/edit/edits.h"
#include "core/entry/piece_cell.h"
#include "core/rugs/carpet_words.h"
#include "core/rugs/fibres.h"
#include "core/rugs/stop_lines.h"
#include "core/rugs/template_rug.h"

namespace mezzet {
namespace {

QWidget* pageOf(QVBoxLayout*& column) {
  auto* page = new QScrollArea;
  page->setWidgetResizable(true);
  page->setFrameShape(QFrame::NoFrame);
  page->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  page->setFocusPolicy(Qt::NoFocus);
  auto* body = new QWidget;
  column = new QVBoxLayout(body);
  page->setWidget(body);
  column->setContentsMargins(14, 12, 14, 12);
  column->setSpacing(8);
  return page;
}
QString joined(const std::vector<std::string>& lines) {
  QStringList out;
  for (const std::string& line : lines) out << onScreen(line);
  return out.join(QStringLiteral("\n\n"));
}

}  // namespace

RugDialog::RugDialog(Workspace& workspace, QWidget* parent) : QDialog(parent), workspace_(workspace) {
  setObjectName(QStringLiteral("rugDialog"));
  setWindowTitle(tr("Rugs and carpet"));
  setMinimumSize(640, 600);
  auto* column = new QVBoxLayout(this);
  column->setContentsMargins(14, 12, 14, 12);
  auto* pages = new QTabWidget;
  pages->setObjectName(QStringLiteral("rugPages"));
  pages->addTab(groupPage(), tr("Which rug"));
  pages->addTab(stopPage(), tr("Where it ends"));
  pages->addTab(rollPage(), tr("Off the roll"));
  pages->addTab(fibrePage(), tr("What it is made of"));
  column->addWidget(pages);
  column->addWidget(words(tr("A rug's edge is a trip: lay it on a pad an inch less all round, and tape it where people "
                             "walk. Leaves must pass over it."),
                          "quietNote"));
  auto* close = new QPushButton(tr("Close"));
  connect(close, &QPushButton::clicked, this, &QDialog::accept);
  column->addWidget(close, 0, Qt::AlignRight);
}

RugDialog::~RugDialog() { workspace_.showGhost(std::nullopt); }

QWidget* RugDialog::groupPage() {
  QVBoxLayout* column = nullptr;
  QWidget* page = pageOf(column);
  which_ = words(tr("Working out which rug takes them ..."), "rugWords");
  which_->setTextInteractionFlags(Qt::TextSelectableByMouse | Qt::TextSelectableByKeyboard);
  PlacementIds group = workspace_.selection();
  if (group.empty() && workspace_.scheme() != nullptr)
    for (const Placement& p : workspace_.scheme()->placements) group.push_back(p.id);
  if (workspace_.scheme() != nullptr) group = rugGroupOf(workspace_.job(), workspace_.schemeId(), group);
  QStringList names;
  for (const PlacementId& id : group)
    if (const Placement* p = findPlacement(*workspace_.scheme(), id)) names << workspace_.nameOf(*p);
  constexpr int kNamed = 6;
  const auto more = names.size() - kNamed;
  if (more > 0) names = names.mid(0, kNamed) << tr("and %1 more").arg(more);
  column->addWidget(words(names.isEmpty() ? tr("Nothing is selected, and nothing stands here.")
                                          : tr("For %1.").arg(names.join(QStringLiteral(", "))),
                          "subject"));
  column->addWidget(which_);
  laying_ = new QVBoxLayout;
  column->addLayout(laying_);
  column->addStretch(1);
  if (workspace_.scheme() == nullptr) {
    which_->setText(tr("There is no scheme yet."));
    return page;
  }
  using Answer = std::optional<WhichRug>;
  const RouteFacts routes = workspace_.routes() != nullptr ? *workspace_.routes() : RouteFacts{};
  const bool drawn = workspace_.routes() != nullptr;
  worker_.run<Answer>(
      [job = workspace_.job(), &book = workspace_.book(), scheme = workspace_.schemeId(), group,
       format = workspace_.format(), state = workspace_.useState(), routes,
       drawn](const std::stop_token&, const Worker::Progress&) -> Answer {
        return whichRug(job, book, scheme, group, format, {state, drawn ? &routes : nullptr});
      },
      [this](Answer which) { showWhich(which); });
  return page;
}

void RugDialog::addLaying(QVBoxLayout* column, const QString& text, const char* name, const Piece& piece,
                          const FloorPlace& at) {
  if (auto* button = laying(text, name, piece, at)) column->addWidget(button, 0, Qt::AlignLeft);
}

QPushButton* RugDialog::laying(const QString& text, const char* name, const Piece& piece, const FloorPlace& at) {
  IdSource ids = workspace_.document().ids();
  PlacementId placed;
  const auto laid = withRugLaid(workspace_.job(), workspace_.schemeId(), piece, at, ids, placed);
  if (!laid) return nullptr;
  auto* button = new GhostButton(text, workspace_, *laid);
  button->setObjectName(QString::fromUtf8(name));
  connect(button, &QPushButton::clicked, this, [this, job = *laid, next = ids.next(), placed] {
    workspace_.showGhost(std::nullopt);
    workspace_.document().edit(tr("lay a rug"), job, next);
    workspace_.select(placed);
    accept();
  });
  return button;
}

void RugDialog::showWhich(const std::optional<WhichRug>& which) {
  if (!which)
    return which_->setText(tr("Select a seat, a low table or a dining table: the rug is found for its group."));
  which_->setText(joined(whichRugWords(*which, workspace_.job().units, workspace_.format())));
  const auto lay = [&](const QString& text, const char* name, const std::optional<RugFit>& fit) {
    if (fit) addLaying(laying_, text, name, fit->piece, fit->at);
  };
  lay(which->dining ? tr("Lay it under the table") : tr("Lay the one for the front feet"), "layFront", which->front);
  if (!which->dining) lay(tr("Lay the one for all feet"), "layAll", which->all);
  if (which->cut.empty()) return;
  FloorPlace at;
  const Piece piece = templatePiece(which->cut, at);
  addLaying(laying_, tr("Cut one to a template round them"), "layTemplate", piece, at);
}

QWidget* RugDialog::stopPage() {
  QVBoxLayout* column = nullptr;
  QWidget* page = pageOf(column);
  const Scheme* scheme = workspace_.scheme();
  const std::vector<StopLine> stops =
      scheme != nullptr ? stopLinesOf(workspace_.job(), *scheme) : std::vector<StopLine>();
  column->addWidget(words(stops.empty()
                              ? tr("The room has no door to come in by yet.")
                              : tr("A hall's carpet ends on a line of the room, with room to stand on it inside the "
                                   "entry. From the entry inwards:"),
                          "quietNote"));
  auto* grid = new QGridLayout;
  grid->setHorizontalSpacing(14);
  grid->setVerticalSpacing(6);
  grid->setColumnStretch(0, 1);
  const auto cell = [&](int row, int at, const QString& text, const char* name) {
    auto* label = words(text, name);
    label->setAlignment(at == 0 || at == 4 ? Qt::AlignLeft | Qt::AlignVCenter : Qt::AlignRight | Qt::AlignVCenter);
    grid->addWidget(label, row, at);
  };
  int row = 0;
  if (!stops.empty()) {
    const QString titles[] = {tr("It ends at"), tr("Long"), tr("Area"), tr("To stand on"), tr("Leaves over it")};
    for (int i = 0; i < 5; ++i) cell(row, i, titles[i], "quietNote");
  }
  for (const StopLine& stop : stops) {
    ++row;
    const auto text = [&](double mm) { return onScreen(writeLength(mm, workspace_.format())); };
    QStringList leaves;
    for (const std::string& leaf : stop.leaves) leaves << onScreen(leafWords(leaf, workspace_.job(), *scheme));
    cell(row, 0, onScreen(stop.linesUp), "stopLine");
    cell(row, 1, text(stop.length), "stopLine");
    cell(row, 2, onScreen(writeArea(stop.area, workspace_.job().units)), "stopLine");
    cell(row, 3, stop.enough ? text(stop.standing) : tr("%1, too little").arg(text(stop.standing)), "stopLine");
    cell(row, 4, leaves.isEmpty() ? tr("none") : leaves.join(QStringLiteral(", ")), "stopLine");
    FloorPlace at;
    Piece piece = templatePiece(stop.carpet, at);
    piece.name = "Hall carpet";
    if (auto* button = laying(tr("Lay it"), ("layStop" + std::to_string(row)).c_str(), piece, at))
      grid->addWidget(button, row, 5);
  }
  column->addLayout(grid);
  column->addStretch(1);
  return page;
}

QWidget* RugDialog::rollPage() {
  QWidget* page = pageOf(roll_);
  showRoll();
  return page;
}

void RugDialog::setCarpet(std::optional<Broadloom> cloth) {
  if (const auto after = withCarpet(workspace_.job(), workspace_.schemeId(), cloth))
    workspace_.document().edit(cloth ? tr("cut the carpet") : tr("take the carpet out"), *after);
  showRoll();
}

void RugDialog::addBegin(const Room& room, const std::vector<double>& rolls) {
  roll_->addWidget(
      words(tr("Fitted carpet for the whole floor: strips, seams out of the ways, what is bought."), "quietNote"));
  auto* begin = new QPushButton(tr("Cut it from the best roll"));
  begin->setObjectName(QStringLiteral("cutCarpet"));
  connect(begin, &QPushButton::clicked, this,
          [this, room, rolls] { setCarpet(bestCarpet(room, rolls, workspace_.routeLines())); });
  roll_->addWidget(begin, 0, Qt::AlignLeft);
  roll_->addStretch(1);
}

void RugDialog::addPrices() {
  const Job& job = workspace_.job();
  FieldGrid prices;
  const bool inches = job.units == Unit::Inch;
  const double per = inches ? kFoot / 1000 : 1;  // metres in what the user prices
  for (const EdgeFinish& finish : workspace_.book().rugs.edges) {
    const auto price = job.carpet.edgePrices.find(finish.id);
    const QString now =
        price == job.carpet.edgePrices.end() ? QString() : QString::fromStdString(numberText(price->second * per, 1));
    prices.text(
        (inches ? tr("%1, a foot of edge") : tr("%1, a metre of edge")).arg(QString::fromStdString(finish.name)),
        ("edgePrice-" + finish.id).c_str(), now, tr("no price"), [this, id = finish.id, per](const QString& typed) {
          CarpetList list = workspace_.job().carpet;
          bool number = false;
          const double value = QLocale::c().toDouble(typed, &number);
          if (typed.isEmpty()) list.edgePrices.erase(id);
          else if (number) list.edgePrices[id] = value / per;
          else return;
          if (const auto after = withCarpetList(workspace_.job(), list))
            workspace_.document().edit(tr("price an edge"), *after);
          QMetaObject::invokeMethod(
              this, [this] { showRoll(); }, Qt::QueuedConnection);
        });
  }
  roll_->addWidget(prices.box());
}

void RugDialog::showRoll() {
  const FocusKept kept(this);
  emptyLayout(roll_);
  const Scheme* scheme = workspace_.scheme();
  const Room* room = workspace_.room();
  if (scheme == nullptr || room == nullptr) {
    roll_->addWidget(words(tr("There is no scheme yet."), "quietNote"));
    return;
  }
  const Job& job = workspace_.job();
  const RugTrade& trade = workspace_.book().rugs;
  const std::vector<double>& rolls = job.carpet.rolls.empty() ? trade.rolls(job.units) : job.carpet.rolls;
  if (!scheme->carpet) {
    addBegin(*room, rolls);
    return;
  }
  const Broadloom cloth = *scheme->carpet;
  const auto text = [&](double mm) { return QString::fromStdString(writeLength(mm, workspace_.format())); };
  FieldGrid grid;
  const auto length = [&](const QString& label, const char* name, const QString& now, auto set) {
    grid.length(label, name, now, [this, cloth, set](const QString& typed) -> LengthReading {
      // What is emptied is none, or stays as it was where there must be one.
      const bool none = typed.trimmed().isEmpty();
      LengthReading read = readLength(typed.toStdString(), workspace_.job().units);
      if (none) read = {0.0, 0, {}};
      if (!read) return read;
      Broadloom changed = cloth;
      set(changed, none ? std::nullopt : read.length);
      QMetaObject::invokeMethod(
          this, [this, changed] { setCarpet(changed); }, Qt::QueuedConnection);
      return read;
    });
  };
  length(tr("The roll is wide"), "rollWidth", text(cloth.roll),
         [](Broadloom& b, std::optional<double> v) { b.roll = v.value_or(b.roll); });
  QStringList usual;
  for (const double roll : rolls) usual << text(roll);
  grid.putWide(words(tr("Usual widths: %1.").arg(usual.join(QStringLiteral(", "))), "quietNote"));
  const std::vector<PileDirection> directions = pileDirections(*room);
  QStringList ways;
  int chosen = static_cast<int>(directions.size());
  for (std::size_t i = 0; i < directions.size(); ++i) {
    ways << tr("along wall %1").arg(QString::fromStdString(directions[i].wall.value));
    if (std::abs(directions[i].degrees - cloth.pile) < 1e-6) chosen = static_cast<int>(i);
  }
  if (chosen == ways.size()) ways << tr("at %1 degrees").arg(cloth.pile);
  grid.choice(tr("The pile runs"), "pile", ways, chosen, [this, cloth, directions](int which) {
    Broadloom changed = cloth;
    if (which < static_cast<int>(directions.size())) changed.pile = directions[static_cast<std::size_t>(which)].degrees;
    QMetaObject::invokeMethod(
        this, [this, changed] { setCarpet(changed); }, Qt::QueuedConnection);
  });
  length(tr("Repeat of its pattern"), "repeat", cloth.repeat ? text(*cloth.repeat) : QString(),
         [](Broadloom& b, std::optional<double> v) { b.repeat = v; });
  length(tr("To trim at a cut edge"), "trim", text(cloth.trim),
         [](Broadloom& b, std::optional<double> v) { b.trim = v.value_or(b.trim); });
  roll_->addWidget(grid.box());
  if (const auto cut = cutCarpet(carpetedFloor(*room), cloth, workspace_.routeLines())) {
    roll_->addWidget(words(joined(carpetWords(*cut, cloth, job, trade, workspace_.format())), "carpetWords"));
    for (const std::string& runner : runnerWords(*room, workspace_.format()))
      roll_->addWidget(words(onScreen(runner), "quietNote"));
    addPrices();
  } else {
    roll_->addWidget(
        words(tr("It would be cut into more than %1 strips: check the width of the roll.").arg(kMostStrips),
              "fieldComplaint"));
  }
  auto* none = new QPushButton(tr("No fitted carpet"));
  none->setObjectName(QStringLiteral("noCarpet"));
  connect(none, &QPushButton::clicked, this, [this] { setCarpet(std::nullopt); });
  roll_->addWidget(none, 0, Qt::AlignLeft);
  roll_->addStretch(1);
}

QWidget* RugDialog::fibrePage() {
  QVBoxLayout* column = nullptr;
  QWidget* page = pageOf(column);
  column->addWidget(
      words(tr("What it must bear here; the brief and the room have ticked what they know:"), "quietNote"));
  if (const Room* room = workspace_.room()) uses_ = usesOf(workspace_.job().brief, *room);
  auto* row = new QHBoxLayout;
  for (int i = 0; i < kRugUses; ++i) {
    const auto use = static_cast<RugUse>(i);
    const std::string_view word = useWords(use);
    auto* box = new QCheckBox(QString::fromUtf8(word.data(), static_cast<qsizetype>(word.size())));
    box->setObjectName(QStringLiteral("use-") + box->text());
    box->setChecked(std::find(uses_.begin(), uses_.end(), use) != uses_.end());
    connect(box, &QCheckBox::toggled, this, [this, use](bool on) {
      std::erase(uses_, use);
      if (on) uses_.push_back(use);
      showFibres();
    });
    row->addWidget(box);
  }
  row->addStretch(1);
  column->addLayout(row);
  fibres_ = words({}, "fibreWords");
  fibres_->setTextFormat(Qt::RichText);
  column->addWidget(fibres_);
  column->addStretch(1);
  showFibres();
  return page;
}

void RugDialog::showFibres() {
  const auto escaped = [](const std::string& text) { return QString::fromStdString(text).toHtmlEscaped(); };
  QString html = QStringLiteral("<table cellspacing='0' cellpadding='3'>");
  bool fibres = true;
  for (const RugAdvice& a : adviceFor(workspace_.book().rugs, uses_)) {
    if (fibres && !a.stuff->fibre) html += QStringLiteral("<tr><td colspan='3'>&nbsp;</td></tr>");
    fibres = a.stuff->fibre;
    QStringList reasons;
    for (const std::string& reason : a.reasons) reasons << escaped(reason);
    const QString verdict = a.out             ? tr("out: %1").arg(reasons.join(QStringLiteral("; ")))
                            : reasons.empty() ? tr("bears it all")
                                              : tr("with care: %1").arg(reasons.join(QStringLiteral("; ")));
    const QString name = a.out ? escaped(a.stuff->name) : QStringLiteral("<b>%1</b>").arg(escaped(a.stuff->name));
    const QString cost = a.stuff->cost > 0 ? tr("cost class %1").arg(a.stuff->cost) : QString();
    html += QStringLiteral("<tr><td>%1</td><td>%2</td><td>%3. %4 %5</td></tr>")
                .arg(name, cost, verdict, escaped(a.stuff->says), a.out ? QString() : escaped(a.stuff->care));
  }
  fibres_->setText(html + QStringLiteral("</table>"));
}

}  // namespace mezzet
