// Running the real program without hands: pictures for the documentation, and a scripted run that reports each
// finished edit (for the test that kills the program).
#pragma once

#include <QString>

namespace mezzet {

class MainWindow;

/// Writes PNGs of the main views of the open job into a folder; the paths of what was written.
QStringList takeShots(MainWindow& window, const QString& folder);

/// Makes `count` edits on the open job through the document, printing "done N" after each; never returns early.
void rehearseEdits(MainWindow& window, int count);

}  // namespace mezzet
