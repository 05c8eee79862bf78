// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>
#include <QStringList>
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/log_filer.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/picture.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::app {

/// What of a recipe is changed by hand. Changes of the same, one after another, are one step of
/// undo.
enum class RecipeStep {
  kKeep = 1,
  kFollowing,
  kStrays,
  kGrid,
  kColours,
  kDark,
  kFlat,
  kRestoring,
  kAir,
  kProminences,
  kNoise,
  kLimb,
  kNorth,
  kRadius,
  kTint,
  kFinestDetail,  ///< and the coarser ones, up to
  kCoarsestDetail = kFinestDetail + 3
};

/// What is being made into a picture, a clip, the panels of a mosaic or a picture that is there
/// already: its grading, the recipe, what it keeps, and what was made. All work is off the
/// interface thread; a newer wish stops an older one. Changes of the recipe are steps of undo.
class Reduction : public QObject {
  Q_OBJECT

 public:
  enum class Stage { kNothing, kGrading, kGraded, kStacking, kFailed };
  enum class Source { kClip, kPanels, kPicture };
  /// A frame, small, for a row of them.
  struct Small {
    int frame = 0;
    image::Frame picture;
  };

  Reduction(std::filesystem::path data, Document& document, LogFiler& clips, ErrorReporter& trouble,
            QObject* parent = nullptr);

  /// Takes a clip and grades it.
  void open(const QString& file);
  [[nodiscard]] const std::filesystem::path& clip() const { return recipe_.clip; }
  /// Takes the panels of a mosaic, in place of whatever there was.
  void set_panels(const QStringList& files);
  [[nodiscard]] QStringList panels() const;
  /// Takes a picture that is there already.
  void take(const QString& file);
  [[nodiscard]] Source source() const;
  /// There is something that a picture can be made of.
  [[nodiscard]] bool ready() const;
  /// Clips below the data folder, the newest first: their paths.
  [[nodiscard]] QStringList recorded() const;

  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] double progress() const { return progress_; }
  [[nodiscard]] const QString& problem() const { return problem_; }
  [[nodiscard]] const std::shared_ptr<const reduce::ClipGrading>& grading() const {
    return grading_;
  }
  [[nodiscard]] const reduce::Proposal& proposal() const { return proposal_; }
  /// Rounded, for people.
  [[nodiscard]] double proposed_share() const;
  /// Places in the grading's frames that the recipe keeps.
  [[nodiscard]] const std::vector<std::size_t>& kept() const { return kept_; }
  [[nodiscard]] const reduce::Gain& gain() const { return gain_; }
  [[nodiscard]] const std::vector<Small>& smalls() const { return smalls_; }

  [[nodiscard]] const reduce::Recipe& recipe() const { return recipe_; }
  [[nodiscard]] reduce::KeepWish keep() const;
  void set_keep(const reduce::KeepWish& keep);
  void set_local(bool local);
  void set_rejecting(bool rejects);
  void set_finer(int finer);
  void set_red_alone(bool red);
  /// The light path that the clip was taken with is known, as far as its blur goes.
  [[nodiscard]] bool can_restore() const { return blur_.has_value(); }
  void set_restoring(bool restores);
  /// Of the kept frames; none: by the limb. Before it is set, as it was measured with the clip.
  void set_r0(std::optional<double> r0_cm);
  /// Empty: none.
  void set_dark(const QString& file);
  void set_flat(const QString& file);

  [[nodiscard]] reduce::FinishWishes finish() const {
    return recipe_.finish.value_or(reduce::FinishWishes{});
  }
  /// @param what  is changed, in the words of the user
  void set_finish(RecipeStep step, const reduce::FinishWishes& wishes, const QString& what);
  /// A longer exposure, to be laid about the disc; empty: none.
  void set_prominences(const QString& file);
  /// What is written has a strip below it that says what it shows.
  [[nodiscard]] bool captioned() const { return captioned_; }
  void set_captioned(bool captioned);
  /// How large the clip's disc is over what its light path draws; none where that cannot be told.
  [[nodiscard]] std::optional<double> disc_size() const { return disc_size_; }
  /// Before finishing, where that has changed it.
  [[nodiscard]] const std::shared_ptr<const image::Picture>& unfinished() const {
    return unfinished_;
  }

  /// The frame that is looked at, once it was read.
  [[nodiscard]] const std::shared_ptr<const image::Frame>& shown() const { return shown_; }
  [[nodiscard]] int chosen() const { return chosen_; }
  /// @param place  in the grading's frames
  void choose(int place);

  void make();
  void stop();
  [[nodiscard]] const std::shared_ptr<const reduce::Product>& product() const { return product_; }
  /// The recipe was changed since the product was made.
  [[nodiscard]] bool stale() const;
  /// Writes the product below the data folder and files it in the log.
  void keep_product();
  /// Writes it elsewhere, with its recipe beside it.
  void save_to(const QString& file);
  /// Makes every clip of the day's folder that the clip lies in by this recipe, one after another,
  /// and keeps the pictures. What fails stops nothing.
  void make_day();
  /// Clips of that day; empty where the clip is none of the recorded.
  [[nodiscard]] const QStringList& clips_of_day() const { return day_clips_; }
  /// What came of make_day: pictures that were kept, and clips that gave none.
  struct DayMade {
    int kept = 0;
    QStringList failed;
  };
  [[nodiscard]] const std::optional<DayMade>& day_made() const { return day_made_; }
  /// Where the product was written last; empty: nowhere yet.
  [[nodiscard]] const QString& kept_as() const { return kept_as_; }
  [[nodiscard]] bool settled() const { return jobs_.settled() && looks_.settled(); }

 signals:
  void changed();
  void progressed(double fraction);
  void frameChanged();
  void keptAs(const QString& file);  ///< a picture was written into the log

 private:
  /// What a job found out about a clip.
  struct Look;
  class Change;
  /// Another recipe, as a step of undo.
  void change(RecipeStep step, const QString& what, const reduce::Recipe& next);
  void adopt(const reduce::Recipe& recipe);
  void begin(const reduce::Recipe& recipe);
  [[nodiscard]] QStringList list_day() const;
  void grade();
  void graded(const Look& look);
  /// Of the kept frames, by what was measured over the whole clip and how much sharper they are.
  [[nodiscard]] std::optional<double> r0_of_kept() const;
  void choose_frames();
  void fail(const base::Error& error);
  [[nodiscard]] base::Task watched(const base::Task& task);

  std::filesystem::path data_;
  Document& document_;
  LogFiler& clips_;
  ErrorReporter& trouble_;
  std::shared_ptr<reduce::Reducer> reducer_;
  reduce::Recipe recipe_;
  std::optional<reduce::RestoreWishes> blur_;  ///< of the clip's light path; its air left out
  std::optional<double> measured_r0_cm_;       ///< with the clip
  bool r0_is_set_ = false;
  std::optional<reduce::Recipe> of_product_;
  Stage stage_ = Stage::kNothing;
  double progress_ = 0.0;
  QString problem_;
  std::shared_ptr<const reduce::ClipGrading> grading_;
  reduce::Proposal proposal_;
  std::vector<std::size_t> kept_;
  reduce::Gain gain_;
  std::vector<Small> smalls_;
  std::shared_ptr<const image::Frame> shown_;
  int chosen_ = -1;
  std::shared_ptr<const reduce::Product> product_;
  std::shared_ptr<const image::Picture> unfinished_;
  std::optional<double> disc_size_;
  std::optional<DayMade> day_made_;
  QStringList day_clips_;  ///< as they were when the clip was opened
  bool captioned_ = false;
  QString kept_as_;
  LatestJob looks_;
  LatestJob jobs_;  // last: they have ended before anything that they deliver to is gone
};

}  // namespace solarchon::app
