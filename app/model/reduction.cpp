// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/reduction.h"

#include <QDateTime>
#include <QDir>
#include <QDirIterator>
#include <QFileInfo>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/model/error_reporter.h"
#include "app/model/phrases.h"
#include "app/model/products.h"
#include "app/model/queued_progress.h"
#include "solarchon/disc/disc_size.h"
#include "solarchon/image/bayer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/psf/transfer.h"
#include "solarchon/sky/sun.h"
#include "solarchon/workspace/clips.h"
#include "solarchon/workspace/live.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::app {

using reduce::ClipGrading;

namespace {

constexpr int kSmalls = 9;
constexpr int kSmallSide = 160;

/// Some frames of a clip, evenly spread, as small pictures.
std::vector<Reduction::Small> smalls_of(const std::filesystem::path& path,
                                        const ClipGrading& grading, const base::Task& task) {
  std::vector<Reduction::Small> smalls;
  auto clip = media::ClipReader::open(path);
  if (!clip) {
    return smalls;
  }
  image::Frame frame;
  const int count = std::min<int>(kSmalls, static_cast<int>(grading.frames.size()));
  for (int i = 0; i < count && !task.stopped(); ++i) {
    const auto place =
        static_cast<std::size_t>((i + 0.5) / count * static_cast<double>(grading.frames.size()));
    const int number = grading.frames[place].frame;
    if (!clip->read(number, frame)) {
      continue;
    }
    Reduction::Small small{number, {}};
    const int step = std::max(1, std::max(frame.width, frame.height) / kSmallSide);
    small.picture.width = frame.width / step;
    small.picture.height = frame.height / step;
    small.picture.saturation = frame.saturation;
    for (int y = 0; y < small.picture.height; ++y) {
      for (int x = 0; x < small.picture.width; ++x) {
        small.picture.pixels.push_back(frame.at(x * step, y * step));
      }
    }
    smalls.push_back(std::move(small));
  }
  return smalls;
}

/// The light path that a clip was taken with: as the file beside it says, else the one in use.
std::optional<live::Setting> setting_of(const std::filesystem::path& clip,
                                        const std::filesystem::path& data,
                                        workspace::Workspace space, const log::SessionStart& usual,
                                        std::optional<double>& r0_cm) {
  sky::UtcTime time = usual.started;
  if (const auto known = workspace::clip_on_disk(clip, data, usual)) {
    space.rig = known->start.rig;
    time = known->entry.begun;
    r0_cm = known->entry.r0_cm;
  }
  const auto setting = workspace::setting_of_frames(space, space.rig, time, 0.0);
  return setting ? std::optional(*setting) : std::nullopt;
}

}  // namespace

struct Reduction::Look {
  base::Result<ClipGrading> grading;
  std::vector<Small> smalls;
  std::optional<live::Setting> setting;
  std::optional<double> scale_arcsec_px;  ///< by the clip's own header
  std::optional<double> r0_cm;
  std::optional<double> disc_size;
  int scale_px = 2;
};

Reduction::Reduction(std::filesystem::path data, Document& document, LogFiler& clips,
                     ErrorReporter& trouble, QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      document_(document),
      clips_(clips),
      trouble_(trouble),
      reducer_(std::make_shared<reduce::Reducer>()) {
  for (LatestJob* work : {&looks_, &jobs_}) {
    connect(work, &LatestJob::broke, this, [this](const QString& what) {
      stage_ = Stage::kFailed;
      problem_ = what;
      emit changed();
    });
  }
}

QStringList Reduction::recorded() const {
  constexpr int kMost = 60;
  QDirIterator files(QString::fromStdString(workspace::clips_folder(data_).string()),
                     {QStringLiteral("*.fits")}, QDir::Files, QDirIterator::Subdirectories);
  QStringList found;
  while (files.hasNext()) {
    found << files.next();
  }
  // Their folders and names begin with date and time.
  std::sort(found.begin(), found.end(), std::greater<>());
  return found.mid(0, kMost);
}

base::Task Reduction::watched(const base::Task& task) {
  return queued_progress(task, this, [this](double done) {
    progress_ = done;
    emit progressed(done);
  });
}

void Reduction::begin(const reduce::Recipe& recipe) {
  reducer_ = std::make_shared<reduce::Reducer>();
  recipe_ = recipe;
  blur_.reset();
  measured_r0_cm_.reset();
  r0_is_set_ = false;
  of_product_.reset();
  product_.reset();
  unfinished_.reset();
  disc_size_.reset();
  day_made_.reset();
  day_clips_.clear();
  grading_.reset();
  kept_.clear();
  smalls_.clear();
  shown_.reset();
  kept_as_.clear();
  problem_.clear();
  chosen_ = -1;
}

void Reduction::open(const QString& file) {
  reduce::Recipe recipe;
  recipe.clip = file.toStdString();
  begin(recipe);
  day_clips_ = list_day();
  grade();
}

void Reduction::set_panels(const QStringList& files) {
  stop();
  reduce::Recipe recipe;
  for (const QString& file : files) {
    recipe.panels.emplace_back(file.toStdString());
  }
  begin(recipe);
  stage_ = files.isEmpty() ? Stage::kNothing : Stage::kGraded;
  emit changed();
  emit frameChanged();
}

QStringList Reduction::panels() const {
  QStringList files;
  for (const std::filesystem::path& panel : recipe_.panels) {
    files << QString::fromStdString(panel.string());
  }
  return files;
}

void Reduction::take(const QString& file) {
  reduce::Recipe recipe;
  recipe.picture = file.toStdString();
  begin(recipe);
  stage_ = Stage::kGraded;
  emit changed();
  emit frameChanged();
  // It is shown as it is.
  make();
}

Reduction::Source Reduction::source() const {
  return !recipe_.panels.empty()    ? Source::kPanels
         : !recipe_.picture.empty() ? Source::kPicture
                                    : Source::kClip;
}

bool Reduction::ready() const {
  switch (source()) {
    case Source::kPanels:
      return recipe_.panels.size() > 1;
    case Source::kPicture:
      return true;
    case Source::kClip:
      break;
  }
  return grading_ && !kept_.empty();
}

void Reduction::grade() {
  stage_ = Stage::kGrading;
  progress_ = 0.0;
  problem_.clear();
  emit changed();
  emit frameChanged();
  jobs_.wish(
      [this, reducer = reducer_, recipe = recipe_, data = data_, space = document_.workspace(),
       usual = workspace::session_start(document_.workspace(), document_.moment())](
          const base::Task& task) mutable -> Worker::Delivery {
        auto look = std::make_shared<Look>();
        look->setting = setting_of(recipe.clip, data, space, usual, look->r0_cm);
        if (auto clip = media::ClipReader::open(recipe.clip)) {
          look->scale_arcsec_px = clip->facts().info.plate_scale_arcsec_px;
          image::Frame first;
          if (look->setting && clip->read(0, first)) {
            image::to_grey(first);
            look->disc_size = disc::disc_over_expected(
                first, look->setting->imaging.scale_arcsec_px, {task.stop, {}});
          }
        }
        if (look->setting) {
          look->setting->imaging.scale_arcsec_px =
              look->scale_arcsec_px.value_or(look->setting->imaging.scale_arcsec_px);
          recipe.grade.scale_px = psf::detail_scale_px(look->setting->imaging);
        }
        look->scale_px = recipe.grade.scale_px;
        look->grading = reducer->grade(recipe, watched(task)).map([](const ClipGrading* made) {
          return *made;
        });
        if (look->grading) {
          look->smalls = smalls_of(recipe.clip, *look->grading, task);
        }
        return [this, look, reducer] {
          if (reducer == reducer_) {
            graded(*look);
          }
        };
      },
      LatestJob::Old::kStops);
}

void Reduction::fail(const base::Error& error) {
  if (error.code == base::ErrorCode::kCancelled) {
    stage_ = grading_ || source() != Source::kClip ? Stage::kGraded : Stage::kNothing;
  } else {
    stage_ = Stage::kFailed;
    // A field that is no file says nothing to people where there is a reason.
    const bool names_file = error.field.find('.') != std::string::npos;
    problem_ =
        !names_file && !error.reason.id.empty() ? beside_field_text(error) : error_text(error);
  }
  emit changed();
}

void Reduction::graded(const Look& look) {
  recipe_.grade.scale_px = look.scale_px;
  disc_size_ = look.disc_size;
  if (look.setting) {
    reduce::RestoreWishes blur;
    blur.imaging = look.setting->imaging;
    blur_ = blur;
    measured_r0_cm_ = look.r0_cm;
  }
  if (!look.grading) {
    fail(look.grading.error());
    return;
  }
  grading_ = std::make_shared<const ClipGrading>(*look.grading);
  smalls_ = look.smalls;
  proposal_ = reduce::propose(*grading_);
  if (!recipe_.keep) {
    reduce::KeepWish wish;
    wish.share = proposed_share();
    recipe_.keep = wish;
  }
  stage_ = Stage::kGraded;
  choose_frames();
  const auto reference =
      std::find_if(grading_->frames.begin(), grading_->frames.end(),
                   [&](const auto& frame) { return frame.frame == grading_->reference; });
  choose(static_cast<int>(reference - grading_->frames.begin()));
}

void Reduction::choose_frames() {
  kept_ = reduce::kept(*grading_, keep());
  gain_ = reduce::gain_of(*grading_, kept_);
  if (recipe_.restore && !r0_is_set_) {
    recipe_.restore->r0_cm = r0_of_kept();
  }
  emit changed();
}

void Reduction::choose(int place) {
  if (!grading_ || grading_->frames.empty()) {
    return;
  }
  place = std::clamp(place, 0, static_cast<int>(grading_->frames.size()) - 1);
  if (place == chosen_ && shown_) {
    return;
  }
  chosen_ = place;
  emit frameChanged();
  const int number = grading_->frames[static_cast<std::size_t>(place)].frame;
  looks_.wish([this, number, clip = recipe_.clip](const base::Task&) -> Worker::Delivery {
    auto frame = std::make_shared<image::Frame>();
    const auto read = media::ClipReader::open(clip).and_then(
        [&](media::ClipReader reader) { return reader.read(number, *frame); });
    image::to_grey(*frame);
    return [this, frame, clip, good = read.has_value()] {
      if (good && clip == recipe_.clip) {
        shown_ = frame;
        emit frameChanged();
      }
    };
  });
}

void Reduction::make() {
  if (!ready() || stage_ == Stage::kStacking) {
    return;
  }
  stage_ = Stage::kStacking;
  progress_ = 0.0;
  problem_.clear();
  day_made_.reset();
  emit changed();
  jobs_.wish(
      [this, reducer = reducer_, recipe = recipe_](const base::Task& task) -> Worker::Delivery {
        auto product = reducer->make(recipe, watched(task));
        auto made = product ? std::make_shared<const reduce::Product>(std::move(*product))
                            : std::shared_ptr<const reduce::Product>();
        const base::Error error = product ? base::Error{} : product.error();
        std::shared_ptr<const image::Picture> unfinished;
        if (made && recipe.finish) {
          // It is there still: nothing is done again.
          reduce::Recipe before = recipe;
          before.finish.reset();
          before.prominences.clear();
          if (auto plain = reducer->make(before, {task.stop, {}})) {
            unfinished = std::make_shared<const image::Picture>(std::move(plain->picture));
          }
        }
        return [this, made, unfinished, error, recipe, reducer] {
          if (reducer != reducer_) {
            return;
          }
          if (!made) {
            fail(error);
            return;
          }
          product_ = made;
          unfinished_ = unfinished;
          of_product_ = recipe;
          kept_as_.clear();
          stage_ = Stage::kGraded;
          emit changed();
        };
      },
      LatestJob::Old::kStops);
}

QStringList Reduction::list_day() const {
  QStringList clips;
  const QString own = QString::fromStdString(recipe_.clip.string());
  const QString day = QFileInfo(own).absolutePath();
  const QStringList all = recorded();
  if (!own.isEmpty() && all.contains(own)) {
    for (const QString& clip : all) {
      if (QFileInfo(clip).absolutePath() == day) {
        clips.prepend(clip);
      }
    }
  }
  return clips;
}

void Reduction::make_day() {
  const QStringList clips = day_clips_ = list_day();
  if (clips.isEmpty() || !ready() || stage_ == Stage::kStacking) {
    return;
  }
  stage_ = Stage::kStacking;
  progress_ = 0.0;
  problem_.clear();
  day_made_.reset();
  emit changed();
  jobs_.wish(
      [this, recipe = recipe_, clips, data = data_, captioned = captioned_,
       space = document_.workspace(),
       usually = document_.moment()](const base::Task& task) -> Worker::Delivery {
        auto entries = std::make_shared<std::vector<log::FrameEntry>>();
        DayMade made;
        const base::Task whole = watched(task);
        for (int i = 0; i < clips.size() && !task.stopped(); ++i) {
          reduce::Recipe own = recipe;
          own.clip = clips[i].toStdString();
          const base::Task part{task.stop, [&, i](double done) {
                                  whole.report((i + done) / static_cast<double>(clips.size()));
                                }};
          auto product = reduce::Reducer().make(own, part);
          const auto entry =
              product ? keep_in(data, space, usually, *product, own, captioned)
                      : base::Result<log::FrameEntry>(tl::make_unexpected(product.error()));
          if (entry) {
            entries->push_back(*entry);
            ++made.kept;
          } else if (entry.error().code != base::ErrorCode::kCancelled) {
            made.failed << QFileInfo(clips[i]).fileName();
          }
        }
        return [this, entries, made] {
          for (const log::FrameEntry& entry : *entries) {
            clips_.file(entry);
          }
          day_made_ = made;
          stage_ = Stage::kGraded;
          emit changed();
        };
      },
      LatestJob::Old::kStops);
}

void Reduction::stop() {
  jobs_.wish([](const base::Task&) -> Worker::Delivery { return [] {}; }, LatestJob::Old::kStops);
}

bool Reduction::stale() const { return product_ && of_product_ && !(*of_product_ == recipe_); }

void Reduction::keep_product() {
  if (!product_) {
    return;
  }
  jobs_.wish([this, product = product_, recipe = of_product_.value_or(recipe_), data = data_,
              space = document_.workspace(), usually = document_.moment(),
              captioned = captioned_](const base::Task&) -> Worker::Delivery {
    const auto entry = keep_in(data, space, usually, *product, recipe, captioned);
    return [this, entry] {
      if (!entry) {
        trouble_.tell(entry.error());
        return;
      }
      kept_as_ = QString::fromStdString((data_ / entry->file).string());
      clips_.file(*entry);
      emit keptAs(kept_as_);
      emit changed();
    };
  });
}

void Reduction::save_to(const QString& file) {
  if (!product_) {
    return;
  }
  jobs_.wish([this, product = product_, path = std::filesystem::path(file.toStdString()),
              captioned = captioned_](const base::Task&) -> Worker::Delivery {
    const auto written = write_captioned(*product, path, captioned);
    return [this, written, path] {
      if (!written) {
        trouble_.tell(written.error());
        return;
      }
      kept_as_ = QString::fromStdString(path.string());
      emit changed();
    };
  });
}

}  // namespace solarchon::app
