// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/worker.h"

#include <QSignalSpy>
#include <QThread>
#include <atomic>
#include <stdexcept>

#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;

TEST(Worker, DeliversOnTheInterfaceThreadWhatItMadeElsewhere) {
  Worker worker;
  QThread* made_on = nullptr;
  QThread* delivered_on = nullptr;
  const QSignalSpy progressed(&worker, &Worker::progressed);
  ASSERT_TRUE(worker.start([&](const base::Task& task) -> Worker::Delivery {
    made_on = QThread::currentThread();
    task.report(0.5);
    return [&] { delivered_on = QThread::currentThread(); };
  }));
  EXPECT_TRUE(worker.busy());
  ASSERT_TRUE(wait_until([&] { return !worker.busy(); }));
  EXPECT_EQ(delivered_on, QThread::currentThread());
  EXPECT_NE(made_on, QThread::currentThread());
  EXPECT_EQ(progressed.count(), 1);
}

TEST(Worker, TakesOneJobAtATimeAndSaysSo) {
  Worker worker;
  std::atomic<bool> go{false};
  ASSERT_TRUE(worker.start([&](const base::Task&) -> Worker::Delivery {
    while (!go) {
      QThread::msleep(1);
    }
    return {};
  }));
  EXPECT_FALSE(worker.start([](const base::Task&) -> Worker::Delivery { return {}; }));
  go = true;
  ASSERT_TRUE(wait_until([&] { return !worker.busy(); }));
  EXPECT_TRUE(worker.start([](const base::Task&) -> Worker::Delivery { return {}; }));
}

TEST(Worker, StopsWhenItIsCancelledAndWhenItGoes) {
  for (const bool cancelled : {true, false}) {
    std::atomic<bool> stopped{false};
    auto worker = std::make_unique<Worker>();
    ASSERT_TRUE(worker->start([&](const base::Task& task) -> Worker::Delivery {
      while (!task.stopped()) {
        QThread::msleep(1);
      }
      stopped = true;
      return {};
    }));
    if (cancelled) {
      worker->cancel();
      ASSERT_TRUE(wait_until([&] { return !worker->busy(); }));
    }
    worker.reset();
    EXPECT_TRUE(stopped);
  }
}

TEST(Worker, SurvivesWorkThatThrows) {
  Worker worker;
  const QSignalSpy broke(&worker, &Worker::broke);
  ASSERT_TRUE(worker.start([](const base::Task&) -> Worker::Delivery {
    throw std::runtime_error("a library's surprise");
  }));
  ASSERT_TRUE(wait_until([&] { return !worker.busy(); }));
  ASSERT_EQ(broke.count(), 1);
  EXPECT_EQ(broke[0][0].toString(), "a library's surprise");
  EXPECT_TRUE(worker.start([](const base::Task&) -> Worker::Delivery { return {}; }));
}

}  // namespace
}  // namespace solarchon::app
