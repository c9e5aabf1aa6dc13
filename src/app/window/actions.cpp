#include "app/window/actions.h"

#include <QKeySequence>
#include <QMenu>
#include <QMenuBar>
#include <algorithm>

#include "app/document/workspace.h"
#include "app/stages/stages.h"
#include "core/model/kinds.h"

namespace mezzet {
namespace {

// ---- enabled when
bool anyRoom(const Workspace& w) { return w.room() != nullptr; }
bool anotherRoom(const Workspace& w) { return w.job().rooms.size() > (anyRoom(w) ? 1U : 0U); }
bool inches(const Workspace& w) { return w.job().units == Unit::Inch; }
bool anyScheme(const Workspace& w) { return w.scheme() != nullptr; }
bool anyPlace(const Workspace& w) { return anyScheme(w); }  // also listed for what is selected
bool severalSchemes(const Workspace& w) {
  const auto here = [&](const auto& s) { return w.room() != nullptr && s->room == w.room()->id; };
  return std::count_if(w.job().schemes.begin(), w.job().schemes.end(), here) > 1;
}
bool anyPiece(const Workspace& w) { return w.selectedPlacement() != nullptr; }
bool floorPiece(const Workspace& w) { return anyPiece(w) && onFloor(w.selectedPlacement()->on) != nullptr; }
bool wallPiece(const Workspace& w) { return anyPiece(w) && onWall(w.selectedPlacement()->on) != nullptr; }
bool onAWall(const Workspace& w) {
  return wallPiece(w) || (anyPiece(w) && leaning(w.selectedPlacement()->on) != nullptr);
}
bool anyRug(const Workspace& w) { return floorPiece(w) && isRug(pieceOf(w.job(), *w.selectedPlacement()).kind); }
bool anyLight(const Workspace& w) {
  return anyPiece(w) && mountOf(pieceOf(w.job(), *w.selectedPlacement())).has_value();
}
bool hangingLight(const Workspace& w) {
  return anyLight(w) && onCeiling(w.selectedPlacement()->on) != nullptr &&
         mountOf(pieceOf(w.job(), *w.selectedPlacement())) != Mount::Recessed;
}
bool dropOrDepth(const Workspace& w) {
  return w.stage() == Stage::Displays ? anyPiece(w) && onAnother(w.selectedPlacement()->on) != nullptr
                                      : hangingLight(w);
}
bool diningTable(const Workspace& w) {
  return floorPiece(w) && isDiningTable(pieceOf(w.job(), *w.selectedPlacement()).kind);
}
bool grouped(const Workspace& w) { return anyPiece(w) && !groupOf(*w.selectedPlacement()).empty(); }
template <std::size_t Count>
bool atLeast(const Workspace& w) {
  return w.selection().size() >= Count;
}
bool marked(const Workspace& w) { return atLeast<1>(w); }
bool twoOnTheFloor(const Workspace& w) { return w.selection().size() == 2 && floorPiece(w); }

/// A line between two groups of a menu.
ActionRow gap(const char* menu) { return {"-", menu, "", "", ""}; }

std::vector<ActionRow> jobRows() {
  return {
      {"new", "Job", "New job", "Ctrl+N", "Start with an empty room to measure"},
      {"open", "Job", "Open a job ...", "Ctrl+O", "Open a .mezzet file"},
      {"recent", "Job", "Recent jobs", "", "Jobs opened lately"},
      gap("Job"),
      {"save", "Job", "Save", "Ctrl+S", "Save the job"},
      {"save-as", "Job", "Save under another name ...", "Ctrl+Shift+S", "Save a copy and go on with it"},
      gap("Job"),
      {"print-plan", "Job", "Print to scale ...", "Ctrl+P", "Plan, wall or list of pieces as PDF, SVG or PNG", anyRoom},
      gap("Job"),
      {"orders", "Job", "Orders ...", "Ctrl+Shift+O", "What was ordered, what came, from whom and when", anyScheme},
      {"delivery", "Job", "The way in ...", "Ctrl+Shift+W",
       "Whether pieces come round the corners, and what would help", anyScheme},
      {"dates", "Job", "Dates ...", "Ctrl+Shift+D", "When what is done, what holds it, calendars", anyScheme},
      {"pack", "Job", "The pack ...", "Ctrl+Shift+P", "All sheets for one reader behind a cover; records an issue",
       anyScheme},
      {"years", "Job", "The years after ...", "Ctrl+Shift+Y", "What is looked at again, and when", anyScheme},

      {"built", "Job", "This scheme is built, or not", "Ctrl+Shift+K",
       "Dates, packs and orders are of the schemes that are built", anyScheme},
      gap("Job"),
      {"dxf-in", "Job", "Outline from a drawing ...", "Ctrl+I", "A room's outline from a DXF file"},
      {"dxf-out", "Job", "Room as a drawing ...", "Ctrl+Shift+E",
       "Walls, openings, features and dimensions as a DXF file"},
      gap("Job"),
      {"close", "Job", "Close", "Ctrl+Q", "Close this window"},
  };
}

std::vector<ActionRow> editRows() {
  return {
      {"undo", "Edit", "Undo", "Ctrl+Z", "Take back the last edit"},
      {"redo", "Edit", "Redo", "Ctrl+Shift+Z", "Make it again"},
      gap("Edit"),
      {"type-piece", "Edit", "Type a piece", "A", "Go to the line below the drawing: side table 18 x 18 x 22"},
      {"add", "Edit", "Add a piece ...", "Insert", "Add a piece to the floor, or a picture to the wall"},
      {"piece-list", "Edit", "Piece list ...", "Ctrl+L", "Every piece in a table: edit, paste, read and write CSV"},
      {"sizes", "Edit", "Its sizes ...", "E", "Change the sizes of the selected piece", anyPiece},
      {"size-card", "Edit", "What size ...", "X",
       "From what to what sizes may be here, and what sets each end: of the selected piece, or of one to come",
       anyPlace},
      {"candidates", "Edit", "In its place ...", "Shift+G",
       "Candidates for the place of the selected thing: each judged there, two beside each other", anyPiece},
      {"rugs", "Edit", "Rugs and carpet ...", "C",
       "Which rug takes the group, where a hall's carpet ends, how it is cut, what it is made of", anyPlace},
      {"light-more", "Edit", "Lights ...", "Shift+O",
       "What a light gives and where it is aimed, circuits and switches, light asked for, joists", anyScheme},
      {"piece-rules", "Edit", "Rules for it alone ...", "Ctrl+R", "Another school or range for the selected piece only",
       anyPiece},
      {"copy-piece", "Edit", "One more of it", "Ctrl+C", "Place the selected piece once more", anyPiece},
      {"lock", "Edit", "Lock or unlock it", "L", "A locked piece stays where it is", anyPiece},
      {"remove", "Edit", "Take it out", "Delete", "Take the selected piece out of this scheme", anyPiece},
      {"set-out", "Edit", "Set out from ...", "Ctrl+T", "Which two walls the selected piece is measured from",
       floorPiece},
      gap("Edit"),
      {"turn-left", "Edit", "Quarter turn left", "R", "Turn the selected piece a quarter anticlockwise", floorPiece},
      {"turn-right", "Edit", "Quarter turn right", "Shift+R", "Turn the selected piece a quarter clockwise",
       floorPiece},
      {"turn-typed", "Edit", "Type its angle", "T", "Go to the angle of the selected piece", floorPiece},
  };
}

std::vector<ActionRow> arrangeRows() {
  return {
      {"chairs", "Arrange", "Set its chairs", "Ctrl+H", "Chairs set themselves evenly round the selected dining table",
       diningTable},
      {"chair-more", "Arrange", "One chair more", "Ctrl+Shift+H", "Another chair at the selected dining table",
       diningTable},
      {"in-use", "Arrange", "In use every day, or not", "U",
       "A drawer left open, a chair left pulled out, a footrest left out", floorPiece},
      {"taped", "Arrange", "Taped down, or not", "Shift+T", "A rug whose edges are taped is no trip in a route",
       anyRug},
      {"optional", "Arrange", "May be left out, or not", "Shift+L",
       "Ways out may leave it out where it stands in the way of what must be", anyPiece},
      {"circuit", "Arrange", "Its next circuit", "Z",
       "The selected lights on the next circuit by letter, at last on none", anyLight},
      {"drop", "Arrange", "Type its drop or depth", "D",
       "How far the selected light hangs from the ceiling; how far a thing stands behind its shelf's edge",
       dropOrDepth},
      {"search", "Arrange", "Layouts for this room ...", "G",
       "Searches sound layouts of what stands on the floor, each another idea", anyScheme},
      {"areas", "Arrange", "Areas of the room ...", "Shift+A",
       "What each part of the room is for; columns and walls that the scheme takes out", anyScheme},
      {"display-set", "Arrange", "Set a display", "S", "Three ways to set what stands there; what is locked stays",
       anyScheme},
      {"display-colours", "Arrange", "Colours of a display ...", "J",
       "The palette it is kept to, from what is there or a picture", anyScheme},
      {"thing", "Arrange", "What it is like ...", "B",
       "Colours, its story; of small things family, seasons, what a stack or a box holds", anyPiece},
      {"upright", "Arrange", "Upright in its bay", "Shift+B",
       "An upright at the middle of the bay, so that its board sags less", anyScheme},
      {"display-clear", "Arrange", "Clear a display", "", "Takes everything off that is not locked, and notes it",
       anyScheme},
      {"tie", "Arrange", "Tied to the wall, or not", "", "A tall case that is tied cannot tip", floorPiece},
      {"used-here", "Arrange", "Here in company", "Shift+U",
       "The selected piece is drawn up to where it stands now; again forgets it", floorPiece},
      gap("Arrange"),
      {"select-all", "Arrange", "Select everything here", "Ctrl+A", "Every piece of this view"},
      {"mark", "Arrange", "Keep it selected", "M", "It stays selected while Tab goes on to others; again lets go of it",
       marked},
      {"group", "Arrange", "Group", "Ctrl+G", "What is grouped moves together; pictures hang as one", atLeast<2>},
      {"apart", "Arrange", "Hang it apart, or not", "Shift+P",
       "However near it hangs, it is judged by itself; again, with its neighbours", wallPiece},
      {"lean", "Arrange", "Lean it, or hang it", "H", "What hangs leans on what is below it; what leans is hung",
       onAWall},
      {"ungroup", "Arrange", "Part the group", "Ctrl+Shift+G", "Each piece by itself again", grouped},
      gap("Arrange"),
      {"align-left", "Arrange", "Line up left edges", "Alt+Left", "To the piece with the tapes, which stays",
       atLeast<2>},
      {"align-right", "Arrange", "Line up right edges", "Alt+Right", "To the piece with the tapes, which stays",
       atLeast<2>},
      {"align-top", "Arrange", "Line up upper edges", "Alt+Up", "To the piece with the tapes, which stays", atLeast<2>},
      {"align-bottom", "Arrange", "Line up lower edges", "Alt+Down", "To the piece with the tapes, which stays",
       atLeast<2>},
      {"align-centre", "Arrange", "Centres above each other", "Alt+C", "To the piece with the tapes, which stays",
       atLeast<2>},
      {"align-middle", "Arrange", "Centres side by side", "Alt+M", "To the piece with the tapes, which stays",
       atLeast<2>},
      gap("Arrange"),
      {"spread-across", "Arrange", "Equal gaps to the side", "Alt+H", "Three or more: the outermost two stay",
       atLeast<3>},
      {"spread-up", "Arrange", "Equal gaps upwards", "Alt+V", "Three or more: the outermost two stay", atLeast<3>},
  };
}

std::vector<ActionRow> houseRows() {
  return {
      gap("Edit"),
      {"house-rules", "Edit", "House rules", "", "Which school this house follows"},
      {"budget", "Edit", "Budget ...", "Ctrl+Shift+B", "What the scheme costs, now and later, simple and fuller",
       anyScheme},
      {"names", "Edit", "Names ...", "Ctrl+E", "The names of the job, the room and the scheme"},
      {"units", "Edit", "Inches or metric", "Ctrl+U", "Switch the unit of the job"},
      {"feet", "Edit", "Feet and inches", "Ctrl+Shift+U", "Write inches as feet and inches", inches},
  };
}

std::vector<ActionRow> lookRows() {
  return {
      gap("Look"),
      {"use-state", "Look", "Everyday, occupied, party", "Y",
       "How the room is used: chairs in, people at the tables, or company"},
      {"layer-ways", "Look", "Ways", "W", "Ways as ribbons of their clear width, with their narrowest place"},
      {"way-between", "Look", "Way between two", "Shift+W",
       "How wide the way is between the two things that are selected", twoOnTheFloor},
      {"layer-reached", "Look", "Floor that is reached", "F",
       "What someone of the width given can reach from the entry"},
      {"layer-talk", "Look", "Talk and reach", "K", "Who talks to whom, and how far a hand reaches from each seat"},
      {"layer-sight", "Look", "Sight", "I", "What is seen first from the entry, and which backs show"},
      {"light-estimate", "Look", "Estimate of light", "V",
       "Lines of equal light on a plane 30 in up, as far as lumens are known", anyScheme},
      gap("Look"),
      {"nails", "Look", "Nails", "N", "Where each nail goes: hooks, loads, fixings, studs", anyScheme},
      {"hanger", "Look", "How it hangs ...", "Shift+N",
       "Its hooks, every fixing with why it fits or not, what was detected", wallPiece},
      {"hung", "Look", "Hung and holes ...", "Shift+H", "What hangs otherwise than planned, holes made and filled",
       anyScheme},
      {"fold-out", "Look", "Open the room like a box", "O", "The plan with every wall laid flat beside its edge"},
      {"display-evening", "Look", "Evening", "Q", "In Displays: bays that no light reaches go dark", anyScheme},
      {"wall-next", "Look", "Next wall", "]", "The next wall, going round with the room on the left"},
      {"wall-previous", "Look", "Previous wall", "[", "The wall before"},
      {"desk", "Look", "Desk: slate, light or dark", "Ctrl+Shift+L", "What the sheet lies on; the paper stays paper"},
      {"keys", "Look", "Keys", "F1", "Every action with its keys"},
      gap("Look"),
      {"zoom-in", "Look", "Nearer", "+", "Zoom in"},
      {"zoom-out", "Look", "Further", "-", "Zoom out"},
      {"zoom-fit", "Look", "Whole sheet", "0", "Fit the drawing to the window"},
      {"ledger", "Look", "Go to the decisions", "F6", "Put the keyboard into the ledger"},
      {"sheet", "Look", "Go to the drawing", "F7", "Put the keyboard onto the sheet"},
  };
}

std::vector<ActionRow> siteRows() {
  return {
      {"site-room", "Site", "Walls", "Ctrl+1", "Every wall and corner, with what checks them"},
      {"site-openings", "Site", "Openings", "Ctrl+2", "Doors, windows and arches along their walls"},
      {"site-heights", "Site", "Heights", "Ctrl+3", "Ceiling and floor at several points, trim"},
      {"site-fixed", "Site", "Fixed things", "Ctrl+4", "Hearths, breasts, radiators, columns, beams, niches, stairs"},
      {"site-walls", "Site", "In walls", "Ctrl+5", "Sockets, switches, studs, what a wall is made of"},
      {"site-trace", "Site", "Tracing", "Ctrl+6", "A picture or PDF of a plan, scaled and traced"},
      {"site-photos", "Site", "Photographs", "Ctrl+7", "Pictures of walls and details"},
      {"site-house", "Site", "House", "Ctrl+8", "How the rooms lie, storeys, doors between rooms"},
      gap("Site"),
      {"meter", "Site", "Laser meter on or off", "Ctrl+M", "Looks for a meter on this machine, or lets it go"},
      {"meter-take", "Site", "Take its reading", "F12", "The meter's value goes into the field with the keyboard"},
      {"room-new", "Rooms", "Measure another room", "Ctrl+Shift+M",
       "A second room of this job, measured like the first", anyRoom},
      {"read-out", "Rooms", "Read-out ...", "F5",
       "Readings of Measure, or the nails of a wall, one at a time in large figures by the number pad"},
      {"room-next", "Rooms", "Next room", "Ctrl+PgDown", "Look at another room of this job", anotherRoom},
      gap("Rooms"),
      {"scheme-new", "Rooms", "New scheme", "Ctrl+Shift+N", "An empty scheme for this room", anyScheme},
      {"scheme-copy", "Rooms", "Copy this scheme", "Ctrl+D", "A copy to change, beside this one", anyScheme},
      {"scheme-remove", "Rooms", "Take this scheme out", "", "Remove this scheme from the job", severalSchemes},
      gap("Rooms"),
      {"scheme-next", "Rooms", "Next scheme", "Ctrl+Tab", "Look at another scheme of this room"},
      {"compare", "Rooms", "Beside another ...", "Ctrl+B", "Two schemes with the list of measured differences",
       anyScheme},
  };
}

/// The stages of the job, from their own rows.
std::vector<ActionRow> stageActions() {
  std::vector<ActionRow> out;
  for (const StageRow& stage : stageRows()) out.push_back({stage.action, "Look", stage.name, stage.key, stage.tip});
  return out;
}

}  // namespace

const std::vector<ActionRow>& actionTable() {
  static const std::vector<ActionRow> rows = [] {
    std::vector<ActionRow> all;
    for (const auto& part : {jobRows(), editRows(), arrangeRows(), houseRows(), stageActions(), lookRows(), siteRows()})
      all.insert(all.end(), part.begin(), part.end());
    return all;
  }();
  return rows;
}

Actions::Actions(QWidget* window, QMenuBar* bar) {
  std::map<std::string, QMenu*> menus;
  for (const ActionRow& row : actionTable()) {
    QMenu*& menu = menus[row.menu];
    if (menu == nullptr) menu = bar->addMenu(QObject::tr(row.menu));
    if (std::string(row.id) == "-") {
      menu->addSeparator();
      continue;
    }
    auto* action = new QAction(QObject::tr(row.text), window);
    action->setObjectName(QString::fromUtf8(row.id));
    action->setShortcut(QKeySequence(QString::fromUtf8(row.shortcut)));
    action->setStatusTip(QObject::tr(row.tip));
    action->setToolTip(QObject::tr(row.tip));
    if (std::string(row.id) == "zoom-in")
      action->setShortcuts({QKeySequence(Qt::Key_Plus), QKeySequence(Qt::Key_Equal)});
    menu->addAction(action);
    window->addAction(action);
    actions_[row.id] = action;
  }
}

void Actions::fill(QMenu& menu, const Workspace& workspace) const {
  constexpr bool (*kOfSelection[])(const Workspace&) = {anyPiece, floorPiece, anyPlace,   anyRug,        diningTable,
                                                        grouped,  atLeast<2>, atLeast<3>, twoOnTheFloor, marked};
  const auto ofSelection = [&](const ActionRow& row) {
    return std::find(std::begin(kOfSelection), std::end(kOfSelection), row.enabled) != std::end(kOfSelection);
  };
  const bool selected = !workspace.selection().empty();
  constexpr std::string_view kOfSheet[] = {"undo", "redo", "type-piece", "add", "select-all", "zoom-fit", "print-plan"};
  bool line = false;  // wanted before the next one
  for (const ActionRow& row : actionTable()) {
    if (std::string_view(row.id) == "-") {
      line = true;
      continue;
    }
    const bool here =
        selected ? ofSelection(row) : std::find(std::begin(kOfSheet), std::end(kOfSheet), row.id) != std::end(kOfSheet);
    QAction* action = actions_.at(row.id);
    if (!here || !action->isEnabled()) continue;
    if (line && !menu.isEmpty()) menu.addSeparator();
    line = false;
    menu.addAction(action);
  }
}

void Actions::follow(const Workspace& workspace) {
  for (const ActionRow& row : actionTable())
    if (row.enabled != nullptr) actions_.at(row.id)->setEnabled(row.enabled(workspace));
}

}  // namespace mezzet
