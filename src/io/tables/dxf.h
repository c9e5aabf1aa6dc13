// Drawing exchange files (DXF): outlines in, a room out. What comes in is hostile until parsed.
#pragma once

#include <functional>
#include <map>
#include <stop_token>
#include <string>
#include <vector>

#include "core/model/job.h"
#include "core/base/result.h"
#include "core/survey/loops.h"
#include "io/files/job_file.h"

namespace mezzet {

inline constexpr std::size_t kMostDxfBytes = 64u << 20;
inline constexpr std::size_t kMostDxfLines = 400'000;  ///< straight lines, polylines and arcs taken apart

struct DxfDrawing {
  std::map<std::string, std::vector<LooseLine>>
      layers;                                  ///< lines, polylines and arcs as straight pieces, in the drawing's unit
  double mmPerUnit = 0;                        ///< 0: the file does not say
  std::size_t entities = 0;                    ///< that were read
  std::map<std::string, std::size_t> skipped;  ///< kinds of entity that are no lines, and how many
};
/// `progress` is told from 0 to 1. A stopped reading is an error that says so.
[[nodiscard]] Result<DxfDrawing> readDxf(const Bytes&, const std::string& name, std::stop_token stop = {},
                                         const std::function<void(double)>& progress = {});

/// A unit by its name: "in", "ft", "mm", "cm", "m"; 0 for others.
[[nodiscard]] double mmPerDxfUnit(const std::string& name);

struct DxfOutline {
  std::vector<Corner> corners;         ///< of the chosen loop, the first at (0, 0), the second on +x
  std::vector<std::string> sentences;  ///< what was closed, how far, what was left out
  std::size_t loops = 0;
};
/// The loop-th largest outline of a layer. `tolerance` in mm: ends nearer than that are joined, and it is said.
[[nodiscard]] Result<DxfOutline> outlineFromDxf(const DxfDrawing&, const std::string& layer, double mmPerUnit,
                                                double tolerance, std::size_t loop, LengthFormat,
                                                std::stop_token stop = {});

/// The room in mm (the file says so) on the layers WALLS, OPENINGS, FEATURES, DIMENSIONS and, with a scheme, FURNITURE.
[[nodiscard]] Bytes writeDxf(const Job&, const Room&, const Scheme*, LengthFormat);

}  // namespace mezzet
