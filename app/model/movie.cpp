// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/movie.h"

#include <QDirIterator>
#include <QUndoCommand>
#include <algorithm>
#include <utility>

#include "app/model/caption.h"
#include "app/model/phrases.h"
#include "app/model/products.h"
#include "app/model/queued_progress.h"
#include "solarchon/image/picture.h"
#include "solarchon/workspace/clips.h"

namespace solarchon::app {

namespace {

constexpr double kSmallRadius_px = 170.0;
constexpr int kSmallSide_px = 420;

/// A picture as it is shown, no larger than a small one.
QImage small_image(const image::Picture& picture) {
  const int step = std::max(1, std::max(picture.width, picture.height) / kSmallSide_px);
  QImage image(picture.width / step, picture.height / step, QImage::Format_RGB32);
  for (int y = 0; y < image.height(); ++y) {
    auto* line = reinterpret_cast<QRgb*>(image.scanLine(y));
    for (int x = 0; x < image.width(); ++x) {
      const auto level = [&](int plane) {
        const float value = picture.at(x * step, y * step, std::min(plane, picture.planes - 1));
        return static_cast<int>(std::lround(255.0F * std::clamp(value, 0.0F, 1.0F)));
      };
      line[x] = qRgb(level(0), level(1), level(2));
    }
  }
  return image;
}

}  // namespace

class Movie::Change : public QUndoCommand {
 public:
  Change(const QString& what, Movie& movie, reduce::AnimationRecipe next, bool stamped)
      : QUndoCommand(what),
        movie_(movie),
        before_(movie.recipe_),
        after_(std::move(next)),
        stamped_before_(movie.stamped_),
        stamped_after_(stamped) {}
  void undo() override { movie_.adopt(before_, stamped_before_); }
  void redo() override { movie_.adopt(after_, stamped_after_); }

 private:
  Movie& movie_;
  reduce::AnimationRecipe before_;
  reduce::AnimationRecipe after_;
  bool stamped_before_;
  bool stamped_after_;
};

Movie::Movie(std::filesystem::path data, Document& document, LogFiler& clips, QObject* parent)
    : QObject(parent), data_(std::move(data)), document_(document), clips_(clips) {
  connect(&jobs_, &LatestJob::broke, this, [this](const QString& what) {
    stage_ = Stage::kFailed;
    problem_ = what;
    emit changed();
  });
}

QStringList Movie::pictures() const {
  QStringList files;
  for (const std::filesystem::path& picture : recipe_.pictures) {
    files << QString::fromStdString(picture.string());
  }
  return files;
}

QStringList Movie::products() const {
  constexpr int kMost = 200;
  QDirIterator files(QString::fromStdString(products_folder(data_).string()),
                     {QStringLiteral("*.fits")}, QDir::Files, QDirIterator::Subdirectories);
  QStringList found;
  while (files.hasNext()) {
    found << files.next();
  }
  std::sort(found.begin(), found.end(), std::greater<>());
  return found.mid(0, kMost);
}

void Movie::add(const QStringList& files) {
  reduce::AnimationRecipe next = recipe_;
  for (const QString& file : files) {
    const std::filesystem::path path = file.toStdString();
    if (std::find(next.pictures.begin(), next.pictures.end(), path) == next.pictures.end()) {
      next.pictures.push_back(path);
    }
  }
  change(tr("Pictures of the movie"), next, stamped_);
}

void Movie::remove(const QStringList& files) {
  reduce::AnimationRecipe next = recipe_;
  std::erase_if(next.pictures, [&](const std::filesystem::path& picture) {
    return files.contains(QString::fromStdString(picture.string()));
  });
  change(tr("Pictures of the movie"), next, stamped_);
}

void Movie::set_wishes(const reduce::AnimationWishes& wishes) {
  reduce::AnimationRecipe next = recipe_;
  next.wishes = wishes;
  change(tr("How the movie is made"), next, stamped_);
}

void Movie::set_stamped(bool stamped) { change(tr("Date in the pictures"), recipe_, stamped); }

void Movie::change(const QString& what, const reduce::AnimationRecipe& next, bool stamped) {
  if (!(next == recipe_) || stamped != stamped_) {
    document_.undo().push(new Change(what, *this, next, stamped));
  }
}

void Movie::adopt(const reduce::AnimationRecipe& recipe, bool stamped) {
  recipe_ = recipe;
  stamped_ = stamped;
  written_as_.clear();
  look();
}

void Movie::look() {
  ++looked_;
  facts_.reset();
  smalls_.clear();
  problem_.clear();
  progress_ = 0.0;
  if (recipe_.pictures.size() < 2) {
    stop();
    stage_ = Stage::kNothing;
    emit changed();
    return;
  }
  stage_ = Stage::kLooking;
  emit changed();
  reduce::AnimationRecipe small = recipe_;
  if (small.wishes.hold == reduce::Hold::kDisc) {
    small.wishes.radius_px = kSmallRadius_px;
  }
  jobs_.wish(
      [this, small, stamped = stamped_,
       looked = looked_](const base::Task& task) -> Worker::Delivery {
        auto animation = reduce::Animation::plan(small, task);
        if (!animation) {
          return [this, looked, error = animation.error()] {
            if (looked != looked_ || error.code == base::ErrorCode::kCancelled) {
              return;
            }
            stage_ = Stage::kFailed;
            // A field that is no file says nothing to people where there is a reason.
            const bool names_file = error.field.find('.') != std::string::npos;
            problem_ = !names_file && !error.reason.id.empty() ? beside_field_text(error)
                                                               : error_text(error);
            emit changed();
          };
        }
        const reduce::Animated facts = animation->facts();
        // As many as memory has room for at ease.
        constexpr int kMost = 400;
        // Of a movie that goes back only the way there is drawn.
        const int count = std::min(kMost, small.wishes.back ? facts.shown / 2 + 1 : facts.shown);
        QMetaObject::invokeMethod(
            this,
            [this, looked, facts, tint = reduce::tint_for(animation->info())] {
              if (looked == looked_) {
                facts_ = facts;
                usual_tint_ = tint;
                emit changed();
              }
            },
            Qt::QueuedConnection);
        for (int number = 0; number < count && !task.stopped(); ++number) {
          auto picture = animation->picture(number, task);
          if (!picture) {
            break;
          }
          if (stamped) {
            stamp_time(*picture);
          }
          QMetaObject::invokeMethod(
              this,
              [this, looked, image = small_image(*picture)] {
                if (looked == looked_) {
                  smalls_.push_back(image);
                  emit drawn();
                }
              },
              Qt::QueuedConnection);
        }
        return [this, looked] {
          if (looked == looked_ && stage_ == Stage::kLooking) {
            stage_ = Stage::kReady;
            emit changed();
          }
        };
      },
      LatestJob::Old::kStops);
}

void Movie::make(const QString& file) {
  if (recipe_.pictures.size() < 2 || stage_ == Stage::kWriting || file.isEmpty()) {
    return;
  }
  stage_ = Stage::kWriting;
  progress_ = 0.0;
  problem_.clear();
  written_as_.clear();
  emit changed();
  jobs_.wish(
      [this, recipe = recipe_, stamped = stamped_, looked = looked_,
       path =
           std::filesystem::path(file.toStdString())](const base::Task& task) -> Worker::Delivery {
        const base::Task watched = queued_progress(task, this, [this](double done) {
          progress_ = done;
          emit progressed(done);
        });
        const auto made =
            reduce::animate(recipe, path, stamped ? stamp_time : reduce::Decorate(), watched);
        return [this, made, path, looked] {
          if (looked != looked_) {
            return;
          }
          if (made) {
            stage_ = Stage::kReady;
            written_as_ = QString::fromStdString(path.string());
            file_in_log(*made);
          } else if (made.error().code == base::ErrorCode::kCancelled) {
            stage_ = Stage::kReady;
          } else {
            stage_ = Stage::kFailed;
            problem_ = error_text(made.error());
          }
          emit changed();
        };
      },
      LatestJob::Old::kStops);
}

void Movie::file_in_log(const reduce::Animated& made) {
  log::ClipEntry entry;
  entry.movie = true;
  entry.begun = made.times.empty() ? document_.moment()
                                   : *std::max_element(made.times.begin(), made.times.end());
  entry.file = workspace::name_in_log(written_as_.toStdString(), data_);
  entry.frames = made.shown;
  entry.simulated = made.simulated;
  for (const std::filesystem::path& picture : recipe_.pictures) {
    if (std::find(made.left_out.begin(), made.left_out.end(), picture) == made.left_out.end()) {
      entry.made_of.push_back(workspace::name_in_log(picture, data_));
    }
  }
  entry.seconds = made.shown / recipe_.wishes.rate_hz;
  clips_.file(entry);
}

void Movie::stop() {
  jobs_.wish(
      [this, looked = looked_](const base::Task&) -> Worker::Delivery {
        return [this, looked] {
          if (looked != looked_) {
            return;
          }
          // Also where what was to be stopped had not begun.
          if (stage_ == Stage::kWriting || stage_ == Stage::kLooking) {
            stage_ = facts_ ? Stage::kReady : Stage::kNothing;
            emit changed();
          }
        };
      },
      LatestJob::Old::kStops);
}

}  // namespace solarchon::app
