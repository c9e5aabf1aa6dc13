// The photometric files of a job, read.
#pragma once

#include "core/light/photometry.h"
#include "io/files/job_file.h"

namespace mezzet {

/// By the names that lights have for them; what is not there or cannot be read is left out.
[[nodiscard]] Photometries photometriesOf(const Job&, const Images&);

}  // namespace mezzet
