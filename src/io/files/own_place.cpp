#include "io/files/own_place.h"

#include <sys/socket.h>
#include <sys/stat.h>
#include <unistd.h>

#include <cstdlib>
#include <filesystem>

namespace mezzet {
namespace {

bool isOwnFolder(const std::string& path) {
  struct stat status {};
  return ::lstat(path.c_str(), &status) == 0 && S_ISDIR(status.st_mode) && status.st_uid == ::geteuid() &&
         (status.st_mode & 0077U) == 0;
}

}  // namespace

std::string runtimeFolder() {
  if (const char* said = std::getenv("XDG_RUNTIME_DIR"); said != nullptr && isOwnFolder(said)) return said;
  std::error_code fault;
  const std::string own =
      (std::filesystem::temp_directory_path(fault) / ("mezzet-runtime-" + std::to_string(::geteuid()))).string();
  ::mkdir(own.c_str(), 0700);
  return isOwnFolder(own) ? own : std::string();
}

std::string socketPath(const std::string& name) {
  if (name.starts_with('/')) return name;
  const std::string folder = runtimeFolder();
  return folder.empty() ? folder : folder + "/" + name;
}

bool isPeerOurs(int socketDescriptor) {
  ucred peer{};
  socklen_t size = sizeof peer;
  return ::getsockopt(socketDescriptor, SOL_SOCKET, SO_PEERCRED, &peer, &size) == 0 && peer.uid == ::geteuid();
}

}  // namespace mezzet
