#include "app/window/actions.h"

#include <QKeySequence>
#include <QMenu>
#include <QMenuBar>

namespace mezzet {

const std::vector<ActionRow>& actionTable() {
  static const std::vector<ActionRow> rows{
      {"new", "Job", "New job", "Ctrl+N", "Start with an empty room to measure"},
      {"open", "Job", "Open a job ...", "Ctrl+O", "Open a .mezzet file"},
      {"recent", "Job", "Recent jobs", "", "Jobs opened lately"},
      {"-", "Job", "", "", ""},
      {"save", "Job", "Save", "Ctrl+S", "Save the job"},
      {"save-as", "Job", "Save under another name ...", "Ctrl+Shift+S", "Save a copy and go on with it"},
      {"-", "Job", "", "", ""},
      {"print-plan", "Job", "Print to scale ...", "Ctrl+P", "Plan, wall or list of pieces as PDF, SVG or PNG"},
      {"-", "Job", "", "", ""},
      {"dxf-in", "Job", "Outline from a drawing ...", "Ctrl+I", "A room's outline from a DXF file"},
      {"dxf-out", "Job", "Room as a drawing ...", "Ctrl+Shift+E",
       "Walls, openings, features and dimensions as a DXF file"},
      {"-", "Job", "", "", ""},
      {"close", "Job", "Close", "Ctrl+Q", "Close this window"},
      {"undo", "Edit", "Undo", "Ctrl+Z", "Take back the last edit"},
      {"redo", "Edit", "Redo", "Ctrl+Shift+Z", "Make it again"},
      {"-", "Edit", "", "", ""},
      {"type-piece", "Edit", "Type a piece", "A", "Go to the line below the drawing: side table 18 x 18 x 22"},
      {"add", "Edit", "Add a piece ...", "Insert", "Add a piece to the floor, or a picture to the wall"},
      {"piece-list", "Edit", "Piece list ...", "Ctrl+L", "Every piece in a table: edit, paste, read and write CSV"},
      {"sizes", "Edit", "Its sizes ...", "E", "Change the sizes of the selected piece"},
      {"piece-rules", "Edit", "Rules for it alone ...", "Ctrl+R",
       "Another school or range for the selected piece only"},
      {"copy-piece", "Edit", "One more of it", "Ctrl+C", "Place the selected piece once more"},
      {"lock", "Edit", "Lock or unlock it", "L", "A locked piece stays where it is"},
      {"remove", "Edit", "Take it out", "Delete", "Take the selected piece out of this scheme"},
      {"set-out", "Edit", "Set out from ...", "Ctrl+T", "Which two walls the selected piece is measured from"},
      {"-", "Edit", "", "", ""},
      {"turn-left", "Edit", "Quarter turn left", "R", "Turn the selected piece a quarter anticlockwise"},
      {"turn-right", "Edit", "Quarter turn right", "Shift+R", "Turn the selected piece a quarter clockwise"},
      {"turn-typed", "Edit", "Type its angle", "T", "Go to the angle of the selected piece"},
      {"chairs", "Arrange", "Set its chairs", "Ctrl+H", "Chairs set themselves evenly round the selected dining table"},
      {"chair-more", "Arrange", "One chair more", "Ctrl+Shift+H", "Another chair at the selected dining table"},
      {"in-use", "Arrange", "In use every day, or not", "U",
       "A drawer left open, a chair left pulled out, a footrest left out"},
      {"used-here", "Arrange", "Here in company", "Shift+U",
       "The selected piece is drawn up to where it stands now; again forgets it"},
      {"-", "Arrange", "", "", ""},
      {"select-all", "Arrange", "Select everything here", "Ctrl+A", "Every piece of this view"},
      {"mark", "Arrange", "Keep it selected", "M",
       "It stays selected while Tab goes on to others; again lets go of it"},
      {"group", "Arrange", "Group", "Ctrl+G", "What is grouped moves together; pictures hang as one"},
      {"ungroup", "Arrange", "Part the group", "Ctrl+Shift+G", "Each piece by itself again"},
      {"-", "Arrange", "", "", ""},
      {"align-left", "Arrange", "Line up left edges", "Alt+Left", "To the piece with the tapes, which stays"},
      {"align-right", "Arrange", "Line up right edges", "Alt+Right", "To the piece with the tapes, which stays"},
      {"align-top", "Arrange", "Line up upper edges", "Alt+Up", "To the piece with the tapes, which stays"},
      {"align-bottom", "Arrange", "Line up lower edges", "Alt+Down", "To the piece with the tapes, which stays"},
      {"align-centre", "Arrange", "Centres above each other", "Alt+C", "To the piece with the tapes, which stays"},
      {"align-middle", "Arrange", "Centres side by side", "Alt+M", "To the piece with the tapes, which stays"},
      {"-", "Arrange", "", "", ""},
      {"spread-across", "Arrange", "Equal gaps to the side", "Alt+H", "Three or more: the outermost two stay"},
      {"spread-up", "Arrange", "Equal gaps upwards", "Alt+V", "Three or more: the outermost two stay"},
      {"-", "Edit", "", "", ""},
      {"house-rules", "Edit", "House rules", "", "Which school this house follows"},
      {"names", "Edit", "Names ...", "Ctrl+E", "The names of the job, the room and the scheme"},
      {"units", "Edit", "Inches or metric", "Ctrl+U", "Switch the unit of the job"},
      {"feet", "Edit", "Feet and inches", "Ctrl+Shift+U", "Write inches as feet and inches"},
      {"stage-brief", "Look", "Brief", "F9", "Who the room is for, and the house rules"},
      {"stage-measure", "Look", "Measure", "F2", "Runs and turns, openings, heights"},
      {"stage-floor", "Look", "Floor", "F3", "The plan with its furniture"},
      {"stage-walls", "Look", "Walls", "F4", "One wall seen from the room"},
      {"-", "Look", "", "", ""},
      {"use-state", "Look", "Everyday, occupied, party", "Y",
       "How the room is used: chairs in, people at the tables, or company"},
      {"layer-ways", "Look", "Ways", "W", "Ways as ribbons of their clear width, with their narrowest place"},
      {"way-between", "Look", "Way between two", "Shift+W",
       "How wide the way is between the two things that are selected"},
      {"layer-reached", "Look", "Floor that is reached", "F",
       "What someone of the width given can reach from the entry"},
      {"layer-talk", "Look", "Talk and reach", "K", "Who talks to whom, and how far a hand reaches from each seat"},
      {"layer-sight", "Look", "Sight", "I", "What is seen first from the entry, and which backs show"},
      {"-", "Look", "", "", ""},
      {"wall-next", "Look", "Next wall", "]", "The next wall, going round with the room on the left"},
      {"wall-previous", "Look", "Previous wall", "[", "The wall before"},
      {"desk", "Look", "Desk: slate, light or dark", "Ctrl+Shift+L", "What the sheet lies on; the paper stays paper"},
      {"keys", "Look", "Keys", "F1", "Every action with its keys"},
      {"-", "Look", "", "", ""},
      {"zoom-in", "Look", "Nearer", "+", "Zoom in"},
      {"zoom-out", "Look", "Further", "-", "Zoom out"},
      {"zoom-fit", "Look", "Whole sheet", "0", "Fit the drawing to the window"},
      {"ledger", "Look", "Go to the decisions", "F6", "Put the keyboard into the ledger"},
      {"sheet", "Look", "Go to the drawing", "F7", "Put the keyboard onto the sheet"},
      {"site-room", "Site", "Walls", "Ctrl+1", "Every wall and corner, with what checks them"},
      {"site-openings", "Site", "Openings", "Ctrl+2", "Doors, windows and arches along their walls"},
      {"site-heights", "Site", "Heights", "Ctrl+3", "Ceiling and floor at several points, trim"},
      {"site-fixed", "Site", "Fixed things", "Ctrl+4", "Hearths, breasts, radiators, columns, beams, niches, stairs"},
      {"site-walls", "Site", "In walls", "Ctrl+5", "Sockets, switches, studs, what a wall is made of"},
      {"site-trace", "Site", "Tracing", "Ctrl+6", "A picture or PDF of a plan, scaled and traced"},
      {"site-photos", "Site", "Photographs", "Ctrl+7", "Pictures of walls and details"},
      {"site-house", "Site", "House", "Ctrl+8", "How the rooms lie, storeys, doors between rooms"},
      {"-", "Site", "", "", ""},
      {"meter", "Site", "Laser meter on or off", "Ctrl+M", "Looks for a meter on this machine, or lets it go"},
      {"meter-take", "Site", "Take its reading", "F12", "The meter's value goes into the field with the keyboard"},
      {"room-new", "Rooms", "Measure another room", "Ctrl+Shift+M",
       "A second room of this job, measured like the first"},
      {"read-out", "Rooms", "Read-out ...", "F5", "One wall at a time in large figures, number pad only"},
      {"room-next", "Rooms", "Next room", "Ctrl+PgDown", "Look at another room of this job"},
      {"-", "Rooms", "", "", ""},
      {"scheme-new", "Rooms", "New scheme", "Ctrl+Shift+N", "An empty scheme for this room"},
      {"scheme-copy", "Rooms", "Copy this scheme", "Ctrl+D", "A copy to change, beside this one"},
      {"scheme-remove", "Rooms", "Take this scheme out", "", "Remove this scheme from the job"},
      {"-", "Rooms", "", "", ""},
      {"scheme-next", "Rooms", "Next scheme", "Ctrl+Tab", "Look at another scheme of this room"},
      {"compare", "Rooms", "Beside another ...", "Ctrl+B", "Two schemes with the list of measured differences"},
  };
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

}  // namespace mezzet
