// Long work off the interface thread: one task at a time, a newer one replaces it, a stale answer is dropped.
#pragma once

#include <QObject>
#include <QThreadPool>
#include <functional>
#include <memory>
#include <stop_token>

namespace mezzet {

class Worker : public QObject {
  Q_OBJECT

 public:
  explicit Worker(QObject* parent = nullptr) : QObject(parent) { pool_.setMaxThreadCount(1); }
  ~Worker() override {
    stop();
    pool_.waitForDone();
  }
  using Progress = std::function<void(double)>;

  /// `work` runs elsewhere; `done` gets its answer on this thread, unless something newer was asked for meanwhile.
  template <class Answer>
  void run(std::function<Answer(std::stop_token, Progress)> work, std::function<void(Answer)> done) {
    stop();
    source_ = std::stop_source();
    const long long number = ++number_;
    running_ = true;
    emit busyChanged(true);
    const std::stop_token token = source_.get_token();
    pool_.start([this, number, token, work = std::move(work), done = std::move(done)] {
      auto answer = std::make_shared<Answer>(work(token, [this, number](double share) {
        QMetaObject::invokeMethod(this, [this, number, share] {
          if (number == number_) emit progressed(share);
        });
      }));
      QMetaObject::invokeMethod(this, [this, number, answer, done] {
        if (number != number_) return;
        running_ = false;
        emit busyChanged(false);
        done(std::move(*answer));
      });
    });
  }
  /// What runs is told to stop; its answer is dropped.
  void stop() {
    source_.request_stop();
    ++number_;
    if (running_) {
      running_ = false;
      emit busyChanged(false);
    }
  }
  [[nodiscard]] bool busy() const { return running_; }

 signals:
  void progressed(double share);
  void busyChanged(bool busy);

 private:
  QThreadPool pool_;
  std::stop_source source_;
  long long number_ = 0;
  bool running_ = false;
};

}  // namespace mezzet
