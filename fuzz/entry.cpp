// The fuzzer's way in; MEZZET_FUZZ_TARGET names one function of targets.h or pictures.h.
#ifdef MEZZET_FUZZ_PICTURES
#include <cstddef>

#include "pictures.h"
#else
#include "targets.h"
#endif

// NOLINTNEXTLINE(readability-identifier-naming): libFuzzer's own name.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  mezzet::fuzz::MEZZET_FUZZ_TARGET({reinterpret_cast<const char*>(data), size});
  return 0;
}
