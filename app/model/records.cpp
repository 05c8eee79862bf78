// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/records.h"

#include <QDateTime>
#include <chrono>
#include <utility>

#include "app/model/phrases.h"
#include "solarchon/base/file.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/workspace/demo.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

namespace {

/// How long the hand waits for a log that another process holds.
constexpr std::chrono::milliseconds kHandPatience{300};

/// What is read of the log in one go.
struct Lists {
  std::vector<log::SessionSummary> sessions;
  std::vector<optics::Element> kit;
  std::vector<plan::StepNote> step_notes;
};

base::Result<Lists> read_lists(const std::filesystem::path& data) {
  return log::LogBook::open_to_read(workspace::log_file(data))
      .and_then([](const log::LogBook& book) -> base::Result<Lists> {
        auto sessions = book.summaries();
        auto kit = book.kit();
        auto steps = book.step_notes();
        if (!sessions || !kit || !steps) {
          return tl::make_unexpected(!sessions ? sessions.error()
                                     : !kit    ? kit.error()
                                               : steps.error());
        }
        return Lists{std::move(*sessions), std::move(*kit), std::move(*steps)};
      });
}

}  // namespace

Records::Records(std::filesystem::path data, QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      seed_(static_cast<std::uint32_t>(QDateTime::currentSecsSinceEpoch())) {
  const auto say = [this](const QString& what) {
    emit failed(tr("The work ended before it was done: %1").arg(what));
  };
  connect(&worker_, &Worker::broke, this, say);
  connect(&reader_, &Worker::broke, this, say);
  connect(&lists_, &NewestWins::broke, this, say);
  connect(&reader_, &Worker::busyChanged, this, [this](bool busy) {
    if (!busy) {
      read_next();
    }
  });
}

void Records::report(const base::Error& error) {
  if (error.code != base::ErrorCode::kCancelled) {
    emit failed(error_text(error));
  }
}

bool Records::settled() const { return lists_.settled() && !reader_.busy() && outside_.empty(); }

void Records::start(Worker::Work work) {
  if (!worker_.start(std::move(work))) {
    emit failed(tr("Other work is not done yet; wait for it or cancel it first."));
  }
}

void Records::read_outside(const QString& file, std::size_t most_bytes,
                           std::function<Made(const base::Result<std::string>&)> make) {
  outside_.push_back([path = file.toStdString(), most_bytes,
                      make = std::move(make)](const base::Task&) -> Worker::Delivery {
    return make(base::read_file(path, most_bytes));
  });
  if (!reader_.busy()) {
    read_next();
  }
}

void Records::read_next() {
  if (!outside_.empty() && reader_.start(outside_.front())) {
    outside_.pop_front();
  }
}

void Records::reload() {
  lists_.wish([this, data = data_](const base::Task&) -> Worker::Delivery {
    auto lists = std::make_shared<base::Result<Lists>>(read_lists(data));
    return [this, lists] {
      readable_ = lists->has_value();
      if (!*lists) {
        emit sessionsChanged();
        report(lists->error());
        return;
      }
      sessions_ = std::move((*lists)->sessions);
      kit_ = std::move((*lists)->kit);
      step_notes_ = std::move((*lists)->step_notes);
      emit sessionsChanged();
      emit kitChanged();
      emit stepNotesChanged();
    };
  });
}

void Records::reload_step_notes() {
  const auto notes = log::LogBook::open_to_read(workspace::log_file(data_), kHandPatience)
                         .and_then([](const log::LogBook& book) { return book.step_notes(); });
  if (!notes) {
    report(notes.error());
    return;
  }
  step_notes_ = *notes;
  emit stepNotesChanged();
}

void Records::note_step(sky::UtcTime done, const plan::StepNote& note) {
  const auto noted = log::LogBook::open(workspace::log_file(data_), kHandPatience)
                         .and_then([&](log::LogBook book) { return book.note_step(done, note); });
  if (!noted) {
    report(noted.error());
  }
  reload_step_notes();
}

void Records::drop_last_step(plan::StepKind kind) {
  const auto dropped = log::LogBook::open(workspace::log_file(data_), kHandPatience)
                           .and_then([&](log::LogBook book) { return book.drop_last_step(kind); });
  if (!dropped) {
    report(dropped.error());
  }
  reload_step_notes();
}

void Records::reload_kit() {
  const auto kit = log::LogBook::open_to_read(workspace::log_file(data_), kHandPatience)
                       .and_then([](const log::LogBook& book) { return book.kit(); });
  if (!kit) {
    report(kit.error());
    return;
  }
  kit_ = *kit;
  emit kitChanged();
}

std::string Records::keep_in_kit(const optics::Element& part) {
  const auto kept = log::LogBook::open(workspace::log_file(data_), kHandPatience)
                        .and_then([&](log::LogBook book) { return book.keep_in_kit(part); });
  if (!kept) {
    report(kept.error());
    return {};
  }
  reload_kit();
  return *kept;
}

void Records::drop_from_kit(const std::string& kit_id) {
  const auto dropped = log::LogBook::open(workspace::log_file(data_), kHandPatience)
                           .and_then([&](log::LogBook book) { return book.drop_from_kit(kit_id); });
  if (!dropped) {
    report(dropped.error());
  }
  reload_kit();
}

void Records::import_kit(const QString& file) {
  read_outside(file, optics::kMostPartsBytes, [this, file](const base::Result<std::string>& text) {
    auto parts = std::make_shared<base::Result<std::vector<optics::Element>>>(
        text.and_then(
                [&](const std::string& read) { return base::parse_json(read, file.toStdString()); })
            .and_then(optics::parts_from_json));
    return [this, parts] {
      if (!*parts) {
        report(parts->error());
        return;
      }
      keep_all(**parts);
    };
  });
}

void Records::keep_all(const std::vector<optics::Element>& parts) {
  auto book = log::LogBook::open(workspace::log_file(data_), kHandPatience);
  if (!book) {
    report(book.error());
    return;
  }
  for (optics::Element part : parts) {
    part.kit_id.clear();  // ids of another kit mean nothing here
    if (const auto kept = book->keep_in_kit(part); !kept) {
      report(kept.error());
      break;
    }
  }
  reload_kit();
}

void Records::export_kit(const QString& file) {
  if (const auto written = optics::write_parts(kit_, file.toStdString()); !written) {
    report(written.error());
  }
}

std::optional<log::Session> Records::session(std::int64_t id) {
  const auto found = log::LogBook::open_to_read(workspace::log_file(data_), kHandPatience)
                         .and_then([&](const log::LogBook& book) { return book.session(id); });
  if (!found) {
    report(found.error());
    return std::nullopt;
  }
  return *found;
}

bool Records::set_notes(std::int64_t session, const QString& notes) {
  const auto written = log::LogBook::open(workspace::log_file(data_), kHandPatience)
                           .and_then([&](log::LogBook book) {
                             return book.set_notes(session, notes.toStdString());
                           });
  if (!written) {
    report(written.error());
  }
  return written.has_value();
}

void Records::show(std::shared_ptr<const ShownFrame> frame) {
  shown_ = std::move(frame);
  emit shownChanged();
}

void Records::take_frame(const workspace::Workspace& workspace, const workspace::Answers& answers,
                         std::optional<double> exposure_ms) {
  auto shot = workspace::shot_for(workspace, answers, exposure_ms, ++seed_);
  if (!shot) {
    report(shot.error());
    return;
  }
  // Another site, rig or target is another session; so is another day.
  log::SessionStart begin = workspace::session_start(workspace, answers.time);
  const bool same_day =
      current_start_ &&
      std::chrono::abs(begin.started - current_start_->started) < sky::hours(12.0);
  if (same_day) {
    begin.started = current_start_->started;
  }
  const bool continues = same_day && begin == *current_start_;
  const auto session = continues ? current_ : std::nullopt;
  start([this, workspace, shot = std::move(*shot), session, begin,
         data = data_](const base::Task& task) -> Worker::Delivery {
    auto book = log::LogBook::open(workspace::log_file(data));
    auto taken = book ? workspace::take_frame(workspace, shot, *book, session, data, task)
                      : base::Result<workspace::Taken>(tl::make_unexpected(book.error()));
    if (!taken) {
      return [this, error = taken.error()] { report(error); };
    }
    auto shown = std::make_shared<ShownFrame>();
    shown->frame = std::move(taken->recording.frame);
    shown->measurement = std::move(taken->measurement);
    shown->file = QString::fromStdString((data / taken->entry.file).string());
    if (taken->not_measured) {
      shown->problem = error_text(*taken->not_measured);
    }
    return [this, shown, begin, id = taken->session] {
      current_ = id;
      current_start_ = begin;
      show(shown);
      reload();
    };
  });
}

void Records::open_frame(const QString& file) {
  start([this, file](const base::Task& task) -> Worker::Delivery {
    auto frame = frames::read_frame(file.toStdString());
    if (!frame) {
      return [this, error = frame.error()] { report(error); };
    }
    auto shown = std::make_shared<ShownFrame>();
    shown->file = file;
    shown->frame = std::move(*frame);
    auto measured = measure::measure_disc(shown->frame, {}, task);
    if (!measured && measured.error().code == base::ErrorCode::kCancelled) {
      return {};
    }
    if (measured) {
      shown->measurement = std::move(*measured);
    } else {
      shown->problem = error_text(measured.error());
    }
    return [this, shown] { show(shown); };
  });
}

void Records::fill_with_demo() {
  start([this, data = data_](const base::Task& task) -> Worker::Delivery {
    const auto filled = workspace::fill_demo(data, task);
    return [this, filled] {
      if (!filled) {
        report(filled.error());
      }
      reload();
    };
  });
}

}  // namespace solarchon::app
