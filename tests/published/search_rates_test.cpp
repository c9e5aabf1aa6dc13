// The stated rates of the search for layouts, on seeded rooms that are known to have a sound one, each offer judged
// anew from outside. More rooms and real seconds: MEZZET_SEARCH_ROOMS=40 MEZZET_SEARCH_SECONDS=10.
#include <gtest/gtest.h>

#include <chrono>
#include <condition_variable>
#include <cstdlib>
#include <iostream>
#include <mutex>
#include <thread>

#include "core/search/search.h"
#include "io/json/rulebook_json.h"
#include "support/furnished_rooms.h"

namespace mezzet {
namespace search_rates_test {
using namespace test;

long long fromEnvironment(const char* name, long long otherwise) {
  const char* text = std::getenv(name);
  return text != nullptr ? std::atoll(text) : otherwise;
}

/// A search that ends after some seconds.
SearchResult searchedFor(const Job& job, SearchAsk ask, double seconds) {
  std::stop_source over;
  std::mutex mutex;
  std::condition_variable_any done;
  std::jthread clock([&](const std::stop_token& ended) {
    std::unique_lock lock(mutex);
    if (!done.wait_for(lock, ended, std::chrono::duration<double>(seconds), [] { return false; })) over.request_stop();
  });
  return searchLayouts(job, builtInRulebook(), ask, usualFormat(Unit::Inch), over.get_token());
}

TEST(SearchRates, EmptiedRoomsAreFurnishedSoundlyAgain) {
  constexpr std::uint64_t kSeed = 20261128;
  const long long rooms = fromEnvironment("MEZZET_SEARCH_ROOMS", 10),
                  seconds = fromEnvironment("MEZZET_SEARCH_SECONDS", 0);
  Chance chance(kSeed);
  int drawn = 0, sound = 0, three = 0;
  long long judged = 0;
  for (long long i = 0; i < rooms; ++i) {
    const Job furnished = soundRoom(chance, builtInRulebook(), drawn);
    ASSERT_TRUE(isSound(furnished, builtInRulebook()));
    const Job job = emptied(furnished);
    SearchAsk ask;
    ask.scheme = kFurnished;
    ask.seed = kSeed + static_cast<std::uint64_t>(i);
    ask.candidates = seconds > 0 ? 0 : 3'000;
    const SearchResult result = seconds > 0 ? searchedFor(job, ask, static_cast<double>(seconds))
                                            : searchLayouts(job, builtInRulebook(), ask, usualFormat(Unit::Inch));
    judged += result.judged;
    const auto good = std::count_if(result.offers.begin(), result.offers.end(),
                                    [&](const SearchOffer& offer) { return isSound(offer.job, builtInRulebook()); });
    sound += good > 0;
    three += good >= 3;
  }
  std::cout << "seed " << kSeed << ": of " << rooms << " rooms (" << drawn << " drawn) " << sound
            << " have a sound layout, " << three << " have three that differ; " << judged << " layouts judged\n";
  EXPECT_GE(100 * sound, 75 * rooms) << "seed " << kSeed;
  EXPECT_GE(100 * three, 60 * rooms) << "seed " << kSeed;
}

}  // namespace search_rates_test
}  // namespace mezzet
