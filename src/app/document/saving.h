// Names that files are written under.
#pragma once

#include <QString>

class QWidget;

namespace mezzet {

/// Where a sheet is to be written, asked of the user: a PDF, SVG or PNG; empty when they think better of it.
[[nodiscard]] QString askedSheetPath(QWidget* parent, const QString& title, const QString& proposed);
/// Where another file is to be written, with this ending; likewise empty.
[[nodiscard]] QString askedPath(QWidget* parent, const QString& title, const QString& proposed, const QString& ending,
                                const QString& files);
/// The path with its ending. With the ending it is another name than the one that a file dialog asked about: where such
/// a file is there already the user is asked, and "" means that it stays.
[[nodiscard]] QString withEnding(const QString& path, const QString& ending, QWidget* parent);

}  // namespace mezzet
