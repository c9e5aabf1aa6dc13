// Places and peers that belong to the user alone.
#pragma once

#include <string>

namespace mezzet {

/// $XDG_RUNTIME_DIR, where it is a folder of this user that nobody else may enter; else one made below the folder for
/// temporary files under the same condition; "" when there is none.
[[nodiscard]] std::string runtimeFolder();

/// Where a device's socket lies: an absolute name as it is, a bare one in the runtime folder; "" when there is none.
[[nodiscard]] std::string socketPath(const std::string& name);

/// Whether the other end of a connected local socket is a process of this user.
[[nodiscard]] bool isPeerOurs(int socketDescriptor);

}  // namespace mezzet
