// SPDX-License-Identifier: GPL-3.0-or-later
#include <SQLiteCpp/SQLiteCpp.h>

#include <QSignalSpy>
#include <QThread>
#include <atomic>
#include <set>
#include <stdexcept>
#include <thread>
#include <vector>

#include "app/model/log_queue.h"
#include "app/model/serial_queue.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;

TEST(SerialQueue, KeepsTheOrderOnOneThreadAndDropsNothing) {
  SerialQueue queue;
  const QSignalSpy emptied(&queue, &SerialQueue::emptied);
  constexpr int kPieces = 200;
  std::vector<int> done;
  std::vector<int> delivered;
  std::set<QThread*> threads;
  for (int i = 0; i < kPieces; ++i) {
    queue.ask([&, i]() -> SerialQueue::Delivery {
      done.push_back(i);
      threads.insert(QThread::currentThread());
      return [&, i] {
        EXPECT_EQ(QThread::currentThread(), qApp->thread());
        delivered.push_back(i);
      };
    });
  }
  EXPECT_FALSE(queue.settled());
  ASSERT_TRUE(wait_until([&] { return queue.settled(); }));
  std::vector<int> all(kPieces);
  std::iota(all.begin(), all.end(), 0);
  EXPECT_EQ(done, all);
  EXPECT_EQ(delivered, all);
  ASSERT_EQ(threads.size(), 1U);
  EXPECT_NE(*threads.begin(), qApp->thread());
  EXPECT_GE(emptied.count(), 1);
}

TEST(SerialQueue, DoesWhatWasAskedForBeforeItGoes) {
  std::atomic<int> done{0};
  int delivered = 0;
  {
    SerialQueue queue;
    for (int i = 0; i < 20; ++i) {
      queue.ask([&]() -> SerialQueue::Delivery {
        QThread::msleep(2);
        ++done;
        return [&] { ++delivered; };
      });
    }
  }
  EXPECT_EQ(done, 20);
  QCoreApplication::processEvents();
  EXPECT_EQ(delivered, 0);
}

TEST(SerialQueue, GoesOnAfterWorkThatThrew) {
  SerialQueue queue;
  const QSignalSpy broke(&queue, &SerialQueue::broke);
  bool next = false;
  queue.ask([]() -> SerialQueue::Delivery { throw std::runtime_error("a surprise"); });
  queue.ask([&]() -> SerialQueue::Delivery { return [&] { next = true; }; });
  ASSERT_TRUE(wait_until([&] { return queue.settled(); }));
  ASSERT_EQ(broke.count(), 1);
  EXPECT_EQ(broke[0][0].toString(), "a surprise");
  EXPECT_TRUE(next);
}

TEST(SerialQueue, TakesWorkFromDeliveriesAndFromOtherThreads) {
  SerialQueue queue;
  std::atomic<int> done{0};
  queue.ask([&]() -> SerialQueue::Delivery {
    return [&] {
      queue.ask([&]() -> SerialQueue::Delivery {
        ++done;
        return {};
      });
    };
  });
  std::jthread other([&] {
    for (int i = 0; i < 50; ++i) {
      queue.ask([&]() -> SerialQueue::Delivery {
        ++done;
        return {};
      });
    }
  });
  other.join();
  ASSERT_TRUE(wait_until([&] { return queue.settled(); }));
  EXPECT_EQ(done, 51);
}

class LogQueueTest : public testing::Test {
 protected:
  test::TempFolder folder;
  ErrorReporter trouble;
  std::unique_ptr<LogQueue> queue =
      std::make_unique<LogQueue>(workspace::log_file(folder.path()), trouble);
};

TEST_F(LogQueueTest, WritesThenReadsInTheOrderOfAsking) {
  for (int i = 1; i <= 5; ++i) {
    queue->ask(
        &trouble,
        [i](log::LogBook& book) {
          return book.note_step(test::morning(), {plan::StepKind::kAlign, 1.0 * i});
        },
        [](const base::Result<void>& written) { EXPECT_TRUE(written); });
  }
  std::vector<plan::StepNote> notes;
  queue->ask(
      &trouble, [](const log::LogBook& book) { return book.step_notes(); },
      [&](base::Result<std::vector<plan::StepNote>> read) { notes = read.value(); });
  ASSERT_TRUE(wait_until([&] { return queue->settled(); }));
  ASSERT_EQ(notes.size(), 5U);
  EXPECT_DOUBLE_EQ(notes.back().minutes, 5.0);
}

TEST_F(LogQueueTest, TellsWhyTheLogCouldNotBeOpened) {
  test::write_text(workspace::log_file(folder.path()), std::string(4096, 'x'));
  std::optional<base::Error> why;
  queue->ask(
      &trouble, [](const log::LogBook& book) { return book.summaries(); },
      [&](const base::Result<std::vector<log::SessionSummary>>& read) { why = read.error(); });
  ASSERT_TRUE(wait_until([&] { return queue->settled(); }));
  ASSERT_TRUE(why);
  EXPECT_EQ(why->code, base::ErrorCode::kMalformed);
}

TEST_F(LogQueueTest, DeliversNothingToWhoIsGoneAndWritesAllTheSame) {
  auto whose = std::make_unique<QObject>();
  bool called = false;
  queue->ask(
      whose.get(),
      [](log::LogBook& book) {
        return book.note_step(test::morning(), {plan::StepKind::kDrive, 30.0});
      },
      [&](const base::Result<void>&) { called = true; });
  whose.reset();
  ASSERT_TRUE(wait_until([&] { return queue->settled(); }));
  EXPECT_FALSE(called);
  EXPECT_EQ(
      log::LogBook::open(workspace::log_file(folder.path())).value().step_notes().value().size(),
      1U);
}

TEST_F(LogQueueTest, LetsAnotherThreadWaitItsTurn) {
  const auto with_log = queue->with_log();
  base::Result<void> noted;
  std::jthread other([&] {
    noted = with_log([](log::LogBook& book) {
      return book.note_step(test::morning(), {plan::StepKind::kFocus, 4.0});
    });
  });
  other.join();  // without the interface thread's help
  EXPECT_TRUE(noted);
  ASSERT_TRUE(wait_until([&] { return queue->settled(); }));
}

TEST_F(LogQueueTest, NeverKeepsTheInterfaceWaiting) {
  (void)log::LogBook::open(workspace::log_file(folder.path())).value();
  SQLite::Database holder(workspace::log_file(folder.path()).string(), SQLite::OPEN_READWRITE);
  holder.exec("BEGIN IMMEDIATE");
  std::optional<base::Result<void>> written;
  queue->ask(
      &trouble,
      [](log::LogBook& book) {
        return book.note_step(test::morning(), {plan::StepKind::kFocus, 4.0});
      },
      [&](const base::Result<void>& outcome) { written = outcome; });
  QCoreApplication::processEvents();
  EXPECT_FALSE(written);  // asked for, and we are here again
  holder.exec("ROLLBACK");
  ASSERT_TRUE(wait_until([&] { return written.has_value(); }));
  EXPECT_TRUE(*written);
}

}  // namespace
}  // namespace solarchon::app
