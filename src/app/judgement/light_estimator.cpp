#include "app/judgement/light_estimator.h"

namespace mezzet {

void LightEstimator::ask(const Job& job, const SchemeId& id, const Photometries& webs) {
  if (!shown_) return worker_.stop();
  worker_.run<LightEstimate>(
      [job, id, webs](std::stop_token stop, const Worker::Progress&) {
        const Scheme* scheme = findScheme(job, id);
        return scheme != nullptr ? estimateLight(job, *scheme, webs, {}, stop) : LightEstimate{};
      },
      [this](LightEstimate answer) {
        estimate_ = std::move(answer);
        emit arrived();
      });
}

}  // namespace mezzet
