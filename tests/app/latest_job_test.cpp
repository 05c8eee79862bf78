// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/latest_job.h"

#include <QSignalSpy>
#include <QThread>
#include <atomic>
#include <stdexcept>
#include <vector>

#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;

class Newest : public testing::Test {
 protected:
  /// Work that lasts until it may go, or is stopped, and tells its number.
  Worker::Work numbered(int number) {
    return [this, number](const base::Task& task) -> Worker::Delivery {
      begun.push_back(number);
      ++started;
      while (!go && !task.stopped()) {
        QThread::msleep(1);
      }
      const bool whole = !task.stopped();
      return [this, number, whole] { delivered.push_back(whole ? number : -number); };
    };
  }
  bool ended() {
    return wait_until([&] { return wishes.settled(); });
  }

  std::atomic<bool> go{false};
  std::atomic<int> started{0};
  std::vector<int> begun;  ///< looked at when nothing works
  std::vector<int> delivered;
  LatestJob wishes;
};

TEST_F(Newest, IsTheOnlyOneThatFollows) {
  for (int number = 1; number <= 5; ++number) {
    wishes.wish(numbered(number));
  }
  EXPECT_TRUE(wishes.busy());
  EXPECT_TRUE(wishes.waiting());
  EXPECT_FALSE(wishes.settled());
  go = true;
  ASSERT_TRUE(ended());
  EXPECT_EQ(begun, (std::vector<int>{1, 5}));
  EXPECT_EQ(delivered, (std::vector<int>{1, 5}));
}

TEST_F(Newest, CanStopTheOldOne) {
  wishes.wish(numbered(1));
  ASSERT_TRUE(wait_until([&] { return started == 1; }));
  wishes.wish(numbered(2), LatestJob::Old::kStops);
  ASSERT_TRUE(wait_until([&] { return started == 2; }));
  go = true;
  ASSERT_TRUE(ended());
  EXPECT_EQ(delivered, (std::vector<int>{-1, 2}));
}

TEST_F(Newest, MayBeWishedForByADelivery) {
  go = true;
  wishes.wish([this](const base::Task&) -> Worker::Delivery {
    return [this] { wishes.wish(numbered(7)); };
  });
  ASSERT_TRUE(wait_until([&] { return !delivered.empty(); }));
  EXPECT_EQ(delivered, std::vector<int>{7});
  ASSERT_TRUE(ended());
}

TEST_F(Newest, HasItsTurnAfterWorkThatThrew) {
  const QSignalSpy broke(&wishes, &LatestJob::broke);
  go = true;
  wishes.wish([](const base::Task&) -> Worker::Delivery { throw std::runtime_error("no"); });
  wishes.wish(numbered(2));
  ASSERT_TRUE(ended());
  EXPECT_EQ(broke.count(), 1);
  EXPECT_EQ(delivered, std::vector<int>{2});
}

TEST_F(Newest, IsNotDeliveredToWhatIsGone) {
  auto gone = std::make_unique<LatestJob>();
  gone->wish(numbered(1));
  gone->wish(numbered(2));
  ASSERT_TRUE(wait_until([&] { return started == 1; }));
  gone.reset();  // stops and waits
  QCoreApplication::processEvents();
  EXPECT_TRUE(delivered.empty());
  EXPECT_EQ(begun, std::vector<int>{1});
}

}  // namespace
}  // namespace solarchon::app
