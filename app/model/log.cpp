// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/log.h"

#include <utility>

namespace solarchon::app {

namespace {

struct Lists {
  std::vector<log::SessionSummary> sessions;
  std::vector<plan::StepNote> step_notes;
  std::vector<log::RightExposure> right_exposures;
  std::vector<base::Error> damaged;
};

base::Result<Lists> lists_of(const log::LogBook& book) {
  return book.summaries().and_then([&](std::vector<log::SessionSummary> sessions) {
    return book.step_notes().and_then([&](std::vector<plan::StepNote> notes) {
      return book.right_exposures({}).and_then([&](std::vector<log::RightExposure> exposures) {
        return book.damaged().map([&](std::vector<base::Error> damaged) {
          return Lists{std::move(sessions), std::move(notes), std::move(exposures),
                       std::move(damaged)};
        });
      });
    });
  });
}

}  // namespace

Log::Log(LogQueue& queue, ErrorReporter& trouble, QObject* parent)
    : QObject(parent), queue_(queue), trouble_(trouble) {}

void Log::reload() {
  queue_.ask(this, lists_of, [this](base::Result<Lists> lists) {
    readable_ = lists.has_value();
    if (!lists) {
      emit sessionsChanged();
      trouble_.tell(lists.error());
      return;
    }
    if (!lists->damaged.empty() && !std::exchange(damage_told_, true)) {
      trouble_.tell(tr("%n entries of the log are damaged and left out. The first: %1", nullptr,
                       static_cast<int>(lists->damaged.size()))
                        .arg(error_text(lists->damaged.front())));
    }
    sessions_ = std::move(lists->sessions);
    step_notes_ = std::move(lists->step_notes);
    emit sessionsChanged();
    right_exposures_ = std::move(lists->right_exposures);
    emit stepNotesChanged();
    emit rightExposuresChanged();
  });
}

void Log::take_exposures(base::Result<std::vector<log::RightExposure>> exposures) {
  if (!exposures) {
    trouble_.tell(exposures.error());
    return;
  }
  right_exposures_ = std::move(*exposures);
  emit rightExposuresChanged();
}

void Log::note_exposure(const log::RightExposure& exposure) {
  queue_.ask(
      this,
      [exposure](log::LogBook& book) {
        return book.note_exposure(exposure).and_then(
            [&](std::int64_t) { return book.right_exposures({}); });
      },
      [this](auto exposures) { take_exposures(std::move(exposures)); });
}

void Log::drop_exposure(std::int64_t id) {
  queue_.ask(
      this,
      [id](log::LogBook& book) {
        return book.drop_exposure(id).and_then([&] { return book.right_exposures({}); });
      },
      [this](auto exposures) { take_exposures(std::move(exposures)); });
}

void Log::open(std::int64_t session) {
  wanted_ = session;
  look_up(session, this, [this](const log::Session& found) {
    if (found.id == wanted_) {
      opened_ = found;
      emit sessionOpened();
    }
  });
}

void Log::look_up(std::int64_t session, QObject* whose,
                  std::function<void(const log::Session&)> then) {
  queue_.ask(
      whose, [session](const log::LogBook& book) { return book.session(session); },
      [this, then = std::move(then)](const base::Result<log::Session>& found) {
        if (found) {
          then(*found);
        } else {
          trouble_.tell(found.error());
        }
      });
}

void Log::set_notes(std::int64_t session, const QString& notes) {
  unkept_[session] = notes;
  queue_.ask(
      this,
      [session, words = notes.toStdString()](log::LogBook& book) {
        return book.set_notes(session, words);
      },
      [this, session, notes](const base::Result<void>& written) {
        if (!written) {
          trouble_.tell(written.error());
        } else if (unkept_notes(session) == notes) {
          unkept_.erase(session);
        }
        if (written && opened_ && opened_->id == session) {
          opened_->notes = notes.toStdString();
        }
        emit notesTried(session);
      });
}

std::optional<QString> Log::unkept_notes(std::int64_t session) const {
  const auto found = unkept_.find(session);
  return found != unkept_.end() ? std::optional(found->second) : std::nullopt;
}

void Log::take_steps(base::Result<std::vector<plan::StepNote>> notes) {
  if (!notes) {
    trouble_.tell(notes.error());
    return;
  }
  step_notes_ = std::move(*notes);
  emit stepNotesChanged();
}

void Log::note_step(sky::UtcTime done, const plan::StepNote& note) {
  queue_.ask(
      this,
      [done, note](log::LogBook& book) {
        return book.note_step(done, note).and_then([&] { return book.step_notes(); });
      },
      [this](auto notes) { take_steps(std::move(notes)); });
}

void Log::drop_last_step(plan::StepKind kind) {
  queue_.ask(
      this,
      [kind](log::LogBook& book) {
        return book.drop_last_step(kind).and_then([&] { return book.step_notes(); });
      },
      [this](auto notes) { take_steps(std::move(notes)); });
}

void Log::refresh(std::int64_t session) {
  if (opened_ && opened_->id == session && wanted_ == session) {
    open(session);
  }
}

void Log::keep_ticks(std::int64_t session, const std::vector<log::LoggedTick>& ticks,
                     std::function<void()> refused) {
  queue_.ask(
      this, [session, ticks](log::LogBook& book) { return book.keep_ticks(session, ticks); },
      [this, session, refused = std::move(refused)](const base::Result<void>& written) {
        if (!written) {
          trouble_.tell(written.error());
          refused();
          return;
        }
        refresh(session);
      });
}

void Log::drop_tick(std::int64_t session, const log::LoggedTick& tick) {
  queue_.ask(
      this, [session, tick](log::LogBook& book) { return book.drop_tick(session, tick); },
      [this, session](const base::Result<void>& written) {
        if (!written) {
          trouble_.tell(written.error());
          return;
        }
        refresh(session);
      });
}

std::optional<sky::UtcTime> Log::step_begun(plan::StepKind kind) const {
  const auto found = begun_.find(kind);
  return found != begun_.end() ? std::optional(found->second) : std::nullopt;
}

void Log::time_step(plan::StepKind kind, sky::UtcTime now) {
  const auto begun = step_begun(kind);
  if (!begun) {
    begun_[kind] = now;
    return;
  }
  begun_.erase(kind);
  const double minutes = sky::in_minutes(now - *begun);
  if (minutes > 0.0 && minutes <= plan::kStepMinutesRange.high) {
    note_step(now, {kind, minutes});
  }
}

}  // namespace solarchon::app
