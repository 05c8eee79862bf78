// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QObject>
#include <QStringList>
#include <filesystem>
#include <memory>
#include <optional>
#include <vector>

#include "app/model/document.h"
#include "app/model/latest_job.h"
#include "app/model/log_filer.h"
#include "solarchon/reduce/animation.h"

namespace solarchon::app {

/// Pictures that become an animation: which, how, a small one to look at, and the file. All work is
/// off the interface thread; a newer wish stops an older one. Changes are steps of undo.
class Movie : public QObject {
  Q_OBJECT

 public:
  enum class Stage { kNothing, kLooking, kReady, kWriting, kFailed };

  Movie(std::filesystem::path data, Document& document, LogFiler& clips, QObject* parent = nullptr);

  [[nodiscard]] QStringList pictures() const;
  /// Those that are there already are not taken again.
  void add(const QStringList& files);
  void remove(const QStringList& files);
  /// Products below the data folder, the newest first.
  [[nodiscard]] QStringList products() const;
  /// By the light that the first picture was taken in.
  [[nodiscard]] reduce::Tint usual_tint() const { return usual_tint_; }
  [[nodiscard]] const reduce::AnimationWishes& wishes() const { return recipe_.wishes; }
  void set_wishes(const reduce::AnimationWishes& wishes);
  /// Date and time are written into each picture.
  [[nodiscard]] bool stamped() const { return stamped_; }
  void set_stamped(bool stamped);

  [[nodiscard]] Stage stage() const { return stage_; }
  [[nodiscard]] double progress() const { return progress_; }
  [[nodiscard]] const QString& problem() const { return problem_; }
  /// What is known of it; none before it was looked at.
  [[nodiscard]] const std::optional<reduce::Animated>& facts() const { return facts_; }
  /// Its pictures, small, as far as they are drawn.
  [[nodiscard]] const std::vector<QImage>& smalls() const { return smalls_; }
  /// Writes it and files it in the log: `.mkv` without loss, `.mp4` for all players.
  void make(const QString& file);
  void stop();
  /// Where it was written last; empty: nowhere yet.
  [[nodiscard]] const QString& written_as() const { return written_as_; }
  [[nodiscard]] bool settled() const { return jobs_.settled(); }

 signals:
  void changed();
  void progressed(double fraction);
  void drawn();  ///< one more small picture

 private:
  class Change;
  void change(const QString& what, const reduce::AnimationRecipe& next, bool stamped);
  void adopt(const reduce::AnimationRecipe& recipe, bool stamped);
  void look();
  void file_in_log(const reduce::Animated& made);

  std::filesystem::path data_;
  Document& document_;
  LogFiler& clips_;
  reduce::AnimationRecipe recipe_;
  bool stamped_ = true;
  reduce::Tint usual_tint_ = reduce::Tint::kWhiteLight;
  Stage stage_ = Stage::kNothing;
  double progress_ = 0.0;
  QString problem_;
  std::optional<reduce::Animated> facts_;
  std::vector<QImage> smalls_;
  QString written_as_;
  int looked_ = 0;  ///< counts up: what was drawn for an older wish is not shown
  LatestJob jobs_;  // last: it has ended before anything that it delivers to is gone
};

}  // namespace solarchon::app
