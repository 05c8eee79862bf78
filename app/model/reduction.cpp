// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/reduction.h"

#include <QDateTime>
#include <QDir>
#include <QDirIterator>
#include <QFileInfo>
#include <algorithm>
#include <cmath>
#include <utility>

#include "app/model/phrases.h"
#include "app/model/trouble.h"
#include "solarchon/base/file.h"
#include "solarchon/live/sharpness.h"
#include "solarchon/seeing/air.h"
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
  auto clip = frames::ClipReader::open(path);
  if (!clip) {
    return smalls;
  }
  frames::Frame frame;
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
  const auto answers = workspace::answer(space, time, sky::geocentric_sun(time, 0.0));
  const auto setting = workspace::live_setting(space, answers, {}, 0.0);
  return setting ? std::optional(*setting) : std::nullopt;
}

}  // namespace

struct Reduction::Look {
  base::Result<ClipGrading> grading;
  std::vector<Small> smalls;
  std::optional<live::Setting> setting;
  std::optional<double> scale_arcsec_px;  ///< by the clip's own header
  std::optional<double> r0_cm;
  int scale_px = 2;
};

Reduction::Reduction(std::filesystem::path data, Document& document, Clips& clips, Trouble& trouble,
                     QObject* parent)
    : QObject(parent),
      data_(std::move(data)),
      document_(document),
      clips_(clips),
      trouble_(trouble),
      reducer_(std::make_shared<reduce::Reducer>()) {
  for (NewestWins* work : {&looks_, &jobs_}) {
    connect(work, &NewestWins::broke, this, [this](const QString& what) {
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
  // Told by the hundredth: each is a message to the interface thread.
  auto last = std::make_shared<double>(-1.0);
  return {task.stop, [this, last](double done) {
            constexpr double kStep = 0.01;
            if (done - *last < kStep && done < 1.0) {
              return;
            }
            *last = done;
            QMetaObject::invokeMethod(
                this,
                [this, done] {
                  progress_ = done;
                  emit progressed(done);
                },
                Qt::QueuedConnection);
          }};
}

void Reduction::open(const QString& file) {
  reducer_ = std::make_shared<reduce::Reducer>();
  recipe_ = {};
  recipe_.clip = file.toStdString();
  blur_.reset();
  measured_r0_cm_.reset();
  r0_is_set_ = false;
  of_product_.reset();
  product_.reset();
  grading_.reset();
  kept_.clear();
  smalls_.clear();
  shown_.reset();
  kept_as_.clear();
  chosen_ = -1;
  grade();
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
        if (const auto clip = frames::ClipReader::open(recipe.clip)) {
          look->scale_arcsec_px = clip->facts().info.plate_scale_arcsec_px;
        }
        if (look->setting) {
          look->setting->plate_scale_arcsec_px =
              look->scale_arcsec_px.value_or(look->setting->plate_scale_arcsec_px);
          recipe.grade.scale_px = live::detail_scale_px(*look->setting);
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
      NewestWins::Old::kStops);
}

void Reduction::fail(const base::Error& error) {
  if (error.code == base::ErrorCode::kCancelled) {
    stage_ = grading_ ? Stage::kGraded : Stage::kNothing;
  } else {
    stage_ = Stage::kFailed;
    problem_ = error_text(error);
  }
  emit changed();
}

void Reduction::graded(const Look& look) {
  recipe_.grade.scale_px = look.scale_px;
  if (look.setting) {
    reduce::RestoreWishes blur;
    blur.aperture_mm = look.setting->aperture_mm;
    blur.obstruction = look.setting->obstruction;
    blur.wavelength_nm = look.setting->wavelength_nm;
    blur.scale_arcsec_px = look.setting->plate_scale_arcsec_px;
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

std::optional<double> Reduction::r0_of_kept() const {
  if (!measured_r0_cm_ || !blur_) {
    return std::nullopt;
  }
  // Detail of that frequency counts in grading, as a share of the aperture's cutoff.
  constexpr double kGraded = 0.36;
  const double before = seeing::short_exposure_transfer(kGraded, *measured_r0_cm_,
                                                        blur_->wavelength_nm, blur_->aperture_mm);
  double r0_cm = *measured_r0_cm_;
  constexpr double kStep = 1.02;
  constexpr double kMost_cm = 40.0;
  while (r0_cm < kMost_cm &&
         seeing::short_exposure_transfer(kGraded, r0_cm, blur_->wavelength_nm, blur_->aperture_mm) <
             before * gain_.detail) {
    r0_cm *= kStep;
  }
  constexpr double kTenths = 10.0;
  return std::round(r0_cm * kTenths) / kTenths;
}

void Reduction::set_restoring(bool restores) {
  recipe_.restore = restores ? blur_ : std::nullopt;
  if (recipe_.restore) {
    recipe_.restore->r0_cm = r0_of_kept();
  }
  r0_is_set_ = false;
  changed_recipe();
}

void Reduction::set_r0(std::optional<double> r0_cm) {
  if (recipe_.restore) {
    recipe_.restore->r0_cm = r0_cm;
    r0_is_set_ = true;
    changed_recipe();
  }
}

double Reduction::proposed_share() const {
  // In whole per cent where these are fine enough.
  const double share = proposal_.gain.share;
  constexpr double kFew = 0.05;
  const double steps = share < kFew ? 1000.0 : 100.0;
  return std::max(0.001, std::round(share * steps) / steps);
}

reduce::KeepWish Reduction::keep() const { return recipe_.keep.value_or(reduce::KeepWish{}); }

void Reduction::changed_recipe() {
  problem_.clear();
  if (stage_ == Stage::kFailed && grading_) {
    stage_ = Stage::kGraded;
  }
  emit changed();
}

void Reduction::set_keep(const reduce::KeepWish& keep) {
  recipe_.keep = keep;
  if (grading_) {
    choose_frames();
  }
  changed_recipe();
}

void Reduction::set_local(bool local) {
  recipe_.local = local;
  changed_recipe();
}

void Reduction::set_rejecting(bool rejects) {
  recipe_.clip_sigma = rejects ? reduce::Recipe{}.clip_sigma : 0.0;
  changed_recipe();
}

void Reduction::set_finer(int finer) {
  recipe_.finer = finer;
  changed_recipe();
}

void Reduction::set_dark(const QString& file) {
  recipe_.dark = file.toStdString();
  changed_recipe();
}

void Reduction::set_flat(const QString& file) {
  recipe_.flat = file.toStdString();
  changed_recipe();
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
    auto frame = std::make_shared<frames::Frame>();
    const auto read = frames::ClipReader::open(clip).and_then(
        [&](frames::ClipReader reader) { return reader.read(number, *frame); });
    return [this, frame, clip, good = read.has_value()] {
      if (good && clip == recipe_.clip) {
        shown_ = frame;
        emit frameChanged();
      }
    };
  });
}

void Reduction::make() {
  if (!grading_ || stage_ == Stage::kStacking) {
    return;
  }
  stage_ = Stage::kStacking;
  progress_ = 0.0;
  problem_.clear();
  emit changed();
  jobs_.wish(
      [this, reducer = reducer_, recipe = recipe_](const base::Task& task) -> Worker::Delivery {
        auto product = reducer->make(recipe, watched(task));
        auto made = product ? std::make_shared<const reduce::Product>(std::move(*product))
                            : std::shared_ptr<const reduce::Product>();
        const base::Error error = product ? base::Error{} : product.error();
        return [this, made, error, recipe, reducer] {
          if (reducer != reducer_) {
            return;
          }
          if (!made) {
            fail(error);
            return;
          }
          product_ = made;
          of_product_ = recipe;
          kept_as_.clear();
          stage_ = Stage::kGraded;
          emit changed();
        };
      },
      NewestWins::Old::kStops);
}

void Reduction::stop() {
  jobs_.wish([](const base::Task&) -> Worker::Delivery { return [] {}; }, NewestWins::Old::kStops);
}

bool Reduction::stale() const { return product_ && of_product_ && !(*of_product_ == recipe_); }

void Reduction::keep_product() {
  if (!product_) {
    return;
  }
  const frames::FrameInfo& info = product_->picture.info;
  const sky::UtcTime taken = info.time.value_or(document_.moment());
  const std::string day = sky::to_iso(taken).substr(0, 10);
  const auto folder = data_ / "products" / day;
  const std::string stem =
      recipe_.clip.stem().string() + (product_->restored ? "-sharp" : "-stack");
  std::filesystem::path file = folder / (stem + ".fits");
  std::error_code ignored;
  for (int i = 2; std::filesystem::exists(file, ignored); ++i) {
    file = folder / (stem + "-" + std::to_string(i) + ".fits");
  }
  write(file, true);
}

void Reduction::save_to(const QString& file) { write(file.toStdString(), false); }

void Reduction::write(const std::filesystem::path& file, bool files) {
  if (!product_) {
    return;
  }
  log::FrameEntry entry;
  entry.taken = product_->picture.info.time.value_or(document_.moment());
  entry.exposure_ms = product_->picture.info.exposure_ms.value_or(0.0);
  entry.file = file.lexically_relative(data_).generic_string();
  const log::SessionStart usual = workspace::session_start(document_.workspace(), entry.taken);
  entry.sun_altitude_deg =
      sky::local_sun(sky::geocentric_sun(entry.taken, 0.0), usual.site, usual.weather).altitude_deg;
  jobs_.wish([this, file, entry, files, product = product_](const base::Task&) -> Worker::Delivery {
    auto written = files ? base::make_folder(file.parent_path()) : base::Result<void>();
    if (written) {
      written = reduce::write_product(*product, file);
    }
    return [this, written, file, entry, files] {
      if (!written) {
        trouble_.tell(written.error());
        return;
      }
      kept_as_ = QString::fromStdString(file.string());
      if (files) {
        clips_.file(entry);
      }
      emit changed();
    };
  });
}

}  // namespace solarchon::app
