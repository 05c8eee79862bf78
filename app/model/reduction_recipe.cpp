// SPDX-License-Identifier: GPL-3.0-or-later
// How the recipe of what is in hand is changed, and changed back.
#include <QUndoCommand>
#include <cmath>
#include <utility>

#include "app/model/reduction.h"

namespace solarchon::app {

/// One recipe instead of another, while they are of the same source.
class Reduction::Change : public QUndoCommand {
 public:
  Change(RecipeStep step, const QString& what, Reduction& reduction, reduce::Recipe next)
      : QUndoCommand(what),
        step_(step),
        reduction_(reduction),
        before_(reduction.recipe_),
        after_(std::move(next)) {}
  void undo() override { adopt(before_); }
  void redo() override { adopt(after_); }
  [[nodiscard]] int id() const override { return static_cast<int>(step_); }
  bool mergeWith(const QUndoCommand* other) override {
    const auto* later = dynamic_cast<const Change*>(other);
    if (later == nullptr || !of_same_source(later->before_)) {
      return false;
    }
    after_ = later->after_;
    setObsolete(after_ == before_);
    return true;
  }

 private:
  [[nodiscard]] bool of_same_source(const reduce::Recipe& recipe) const {
    return recipe.clip == before_.clip && recipe.picture == before_.picture &&
           recipe.panels == before_.panels;
  }
  void adopt(const reduce::Recipe& recipe) {
    if (of_same_source(reduction_.recipe_)) {
      reduction_.adopt(recipe);
    } else {
      setObsolete(true);
    }
  }
  RecipeStep step_;
  Reduction& reduction_;
  reduce::Recipe before_;
  reduce::Recipe after_;
};

std::optional<double> Reduction::r0_of_kept() const {
  if (!measured_r0_cm_ || !blur_) {
    return std::nullopt;
  }
  return reduce::r0_of_kept(*measured_r0_cm_, blur_->imaging, gain_.detail);
}

void Reduction::set_restoring(bool restores) {
  reduce::Recipe next = recipe_;
  next.restore = restores ? blur_ : std::nullopt;
  if (next.restore) {
    next.restore->r0_cm = r0_of_kept();
  }
  r0_is_set_ = false;
  change(RecipeStep::kRestoring, tr("Restore"), next);
}

void Reduction::set_r0(std::optional<double> r0_cm) {
  if (recipe_.restore) {
    reduce::Recipe next = recipe_;
    next.restore->r0_cm = r0_cm;
    r0_is_set_ = true;
    change(RecipeStep::kAir, tr("Air"), next);
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

void Reduction::change(RecipeStep step, const QString& what, const reduce::Recipe& next) {
  if (!(next == recipe_)) {
    document_.undo().push(new Change(step, what, *this, next));
  }
}

void Reduction::adopt(const reduce::Recipe& recipe) {
  recipe_ = recipe;
  problem_.clear();
  day_made_.reset();
  if (stage_ == Stage::kFailed && (grading_ || source() != Source::kClip)) {
    stage_ = Stage::kGraded;
  }
  if (grading_) {
    choose_frames();
  } else {
    emit changed();
  }
}

void Reduction::set_keep(const reduce::KeepWish& keep) {
  reduce::Recipe next = recipe_;
  next.keep = keep;
  change(RecipeStep::kKeep, tr("Frames that are kept"), next);
}

void Reduction::set_local(bool local) {
  reduce::Recipe next = recipe_;
  next.local = local;
  change(RecipeStep::kFollowing, tr("Follow detail"), next);
}

void Reduction::set_rejecting(bool rejects) {
  reduce::Recipe next = recipe_;
  next.clip_sigma = rejects ? reduce::Recipe{}.clip_sigma : 0.0;
  change(RecipeStep::kStrays, tr("Leave out strays"), next);
}

void Reduction::set_finer(int finer) {
  reduce::Recipe next = recipe_;
  next.finer = finer;
  change(RecipeStep::kGrid, tr("Finer grid"), next);
}

void Reduction::set_red_alone(bool red) {
  reduce::Recipe next = recipe_;
  next.colours = red ? reduce::ColourUse::kRed : reduce::ColourUse::kAll;
  change(RecipeStep::kColours, tr("Red pixels only"), next);
}

void Reduction::set_dark(const QString& file) {
  reduce::Recipe next = recipe_;
  next.dark = file.toStdString();
  change(RecipeStep::kDark, tr("Dark"), next);
}

void Reduction::set_flat(const QString& file) {
  reduce::Recipe next = recipe_;
  next.flat = file.toStdString();
  change(RecipeStep::kFlat, tr("Flat"), next);
}

void Reduction::set_finish(RecipeStep step, const reduce::FinishWishes& wishes,
                           const QString& what) {
  reduce::Recipe next = recipe_;
  const bool needed = !(wishes == reduce::FinishWishes{}) || !recipe_.prominences.empty();
  next.finish = needed ? std::optional(wishes) : std::nullopt;
  change(step, what, next);
}

void Reduction::set_prominences(const QString& file) {
  reduce::Recipe next = recipe_;
  next.prominences = file.toStdString();
  const reduce::FinishWishes wishes = finish();
  const bool needed = !(wishes == reduce::FinishWishes{}) || !file.isEmpty();
  next.finish = needed ? std::optional(wishes) : std::nullopt;
  change(RecipeStep::kProminences, tr("Prominences"), next);
}

void Reduction::set_captioned(bool captioned) {
  captioned_ = captioned;
  kept_as_.clear();
  emit changed();
}

}  // namespace solarchon::app
