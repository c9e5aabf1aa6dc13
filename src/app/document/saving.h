// Names that files are written under.
#pragma once

#include <QString>

class QWidget;

namespace mezzet {

/// The path with its ending. With the ending it is another name than the one that a file dialog asked about: where such
/// a file is there already the user is asked, and "" means that it stays.
[[nodiscard]] QString withEnding(const QString& path, const QString& ending, QWidget* parent);

}  // namespace mezzet
