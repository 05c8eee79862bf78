// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QListWidget>
#include <QPushButton>
#include <QWidget>
#include <optional>

#include "app/model/document.h"
#include "app/model/models.h"
#include "app/shell/figures.h"
#include "app/shell/number_field.h"
#include "app/views/field/headed.h"
#include "app/views/field/paper_picture.h"

namespace solarchon::app {

/// At the table: what is made of card, at true scale, and whether the glass will fog.
class PreparePage : public QWidget {
  Q_OBJECT

 public:
  PreparePage(const Models& models, QWidget* parent = nullptr);
  void follow();

 private:
  enum class What { kFilmCell, kMask, kOffAxis, kShadowCard, kFeet };
  QWidget* build_side();
  NumberField* add_size(const char* name, const QString& label, const QString& unit,
                        const QString& reason, base::Range range,
                        std::optional<double> workspace::Outside::*value, QWidget* parent);
  [[nodiscard]] What what() const;
  [[nodiscard]] const optics::Telescope* telescope() const;
  [[nodiscard]] double tube_outer_mm() const;
  [[nodiscard]] base::Result<paper::Sheet> sheet() const;
  [[nodiscard]] QString title() const;
  [[nodiscard]] QString how() const;
  void show_fields();
  void show_fog();
  void save();

  Document& document_;
  ErrorReporter& trouble_;
  Headed* head_;
  PaperPicture* picture_;
  QListWidget* list_ = nullptr;
  NumberField* outer_ = nullptr;
  NumberField* film_ = nullptr;
  NumberField* hole_ = nullptr;
  NumberField* storage_ = nullptr;
  NumberField* humidity_ = nullptr;
  Figures* fog_ = nullptr;
  QPushButton* save_ = nullptr;
  QPushButton* print_ = nullptr;
  std::optional<PaperJob> job_;
};

}  // namespace solarchon::app
