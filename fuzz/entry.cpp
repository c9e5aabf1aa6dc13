// The fuzzer's way in; MEZZET_FUZZ_TARGET names one function of targets.h.
#include "targets.h"

// NOLINTNEXTLINE(readability-identifier-naming): libFuzzer's own name.
extern "C" int LLVMFuzzerTestOneInput(const std::uint8_t* data, std::size_t size) {
  mezzet::fuzz::MEZZET_FUZZ_TARGET({reinterpret_cast<const char*>(data), size});
  return 0;
}
