// A wall's photograph with what is planned for it painted in, in perspective.
#pragma once

#include <QImage>
#include <vector>

#include "core/model/site.h"
#include "core/sight/wall_photograph.h"
#include "render/painter.h"

namespace mezzet {

/// What stands before the wall is left as it is. Marked "planned, not hung" at its foot, with `words` after it.
[[nodiscard]] QImage photographWith(const QImage& photograph, const std::vector<PhotographPiece>&,
                                    const std::vector<std::vector<Vec2>>& before, const ImageStore& images,
                                    const QString& words);
/// The same of what a scheme hangs on the photograph's wall. `image` is the photograph made smaller by `scale`. It is
/// returned as it is where its calibration makes no wall.
[[nodiscard]] QImage photographOf(const QImage& image, double scale, Photograph, const Job&, const Scheme&,
                                  const ImageStore& images, const QString& words);
/// Two of them beside each other, of one height.
[[nodiscard]] QImage besideEachOther(const QImage& left, const QImage& right);

}  // namespace mezzet
