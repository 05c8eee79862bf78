// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/field/prepare_page.h"

#include <QFileDialog>
#include <QHBoxLayout>
#include <QLocale>
#include <QVBoxLayout>
#include <algorithm>
#include <cmath>
#include <limits>

#include "app/model/error_reporter.h"
#include "app/model/phrases.h"
#include "app/shell/picture_with_panel.h"
#include "app/shell/plain_label.h"
#include "app/shell/theme.h"
#include "solarchon/plan/forecast.h"

namespace solarchon::app {

namespace {

/// Outside of a tube over its aperture, and of a mask's hole over it, where nobody said.
constexpr double kUsualOuter = 1.12;
constexpr double kUsualMask = 0.5;
constexpr double kHalfDayHours = 7.0;
constexpr int kShadows = 57;        // quarters of an hour, on both sides of noon
constexpr double kLongTimes = 1.6;  // against the shortest; and longer than the bead is high

paper::Page usual_page() {
  const auto territory = QLocale().territory();
  return territory == QLocale::UnitedStates || territory == QLocale::Canada ||
                 territory == QLocale::Mexico
             ? paper::kLetter
             : paper::kA4;
}

}  // namespace

PreparePage::PreparePage(const Models& models, QWidget* parent)
    : QWidget(parent),
      document_(models.document),
      trouble_(models.trouble),
      head_(new Headed(QStringLiteral("prepare"), this)),
      picture_(new PaperPicture(head_)) {
  head_->put(picture_);
  new PictureWithPanel(head_, build_side(), 330, this);
}

NumberField* PreparePage::add_size(const char* name, const QString& label, const QString& unit,
                                   const QString& reason, base::Range range,
                                   std::optional<double> workspace::Outside::*value,
                                   QWidget* parent) {
  auto* field = new NumberField(label, unit, range, false, parent);
  field->setObjectName(QLatin1String(name));
  field->setToolTip(reason);
  const auto keep = [this, value, name](std::optional<double> entered) {
    workspace::Workspace next = document_.workspace();
    next.outside.*value = entered;
    document_.edit(tr("Change a size"), next, EditKind::kSeparate, name);
  };
  connect(field, &NumberField::entered, this, [keep](double entered) { keep(entered); });
  connect(field, &NumberField::emptied, this, [keep] { keep(std::nullopt); });
  return field;
}

QWidget* PreparePage::build_side() {
  auto* side = new QWidget(this);
  auto* column = new QVBoxLayout(side);
  column->setContentsMargins(0, 0, 0, 0);
  column->setSpacing(5);
  const auto caption = [&](const QString& words) {
    auto* label = new PlainLabel(words, side);
    label->setFont(Theme::font(TextSize::kMedium, true));
    column->addWidget(label);
  };
  caption(tr("To be made of card"));
  list_ = new QListWidget(side);
  list_->setObjectName(QStringLiteral("paper-list"));
  list_->setAccessibleName(tr("To be made of card"));
  list_->addItems({tr("Cell of a front film"), tr("Aperture mask"), tr("Off-axis mask"),
                   tr("Shadow card of the day"), tr("Marks for the feet")});
  list_->setSizeAdjustPolicy(QAbstractScrollArea::AdjustToContents);
  list_->setSizePolicy(QSizePolicy::Preferred, QSizePolicy::Fixed);
  list_->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
  list_->setCurrentRow(0);
  connect(list_, &QListWidget::currentRowChanged, this, &PreparePage::follow);
  column->addWidget(list_);
  outer_ =
      add_size("tube-outer", tr("Tube, outside"), tr("mm"),
               tr("Its diameter at the front, measured with calipers or a strip of paper round "
                  "it"),
               paper::kTubeOuterRange, &workspace::Outside::tube_outer_mm, side);
  film_ = add_size("film-clear", tr("Film, clear width"), tr("mm"),
                   tr("What light passes; empty: the whole aperture"), paper::kHoleRange,
                   &workspace::Outside::film_clear_mm, side);
  hole_ = add_size("mask-hole", tr("Hole of the mask"), tr("mm"),
                   tr("The aperture that is left; empty: half of it"), paper::kHoleRange,
                   &workspace::Outside::mask_hole_mm, side);
  for (NumberField* field : {outer_, film_, hole_}) {
    column->addWidget(field);
  }
  auto* row = new QHBoxLayout;
  save_ = new QPushButton(tr("Save as PDF\u2026"), side);
  save_->setObjectName(QStringLiteral("paper-save"));
  save_->setProperty("main", true);
  print_ = new QPushButton(tr("Print\u2026"), side);
  print_->setObjectName(QStringLiteral("paper-print"));
  connect(save_, &QPushButton::clicked, this, &PreparePage::save);
  connect(print_, &QPushButton::clicked, this, [this] {
    if (job_) {
      print_paper(*job_, this);
    }
  });
  row->addWidget(save_, 1);
  row->addWidget(print_, 1);
  column->addLayout(row);
  column->addSpacing(Theme::px(8));
  caption(tr("Will the glass fog?"));
  storage_ = add_size("storage", tr("Telescope comes from"), QStringLiteral("\u00b0C"),
                      tr("The temperature of the room or car where it was kept"),
                      sky::kTemperatureRange, &workspace::Outside::storage_c, side);
  storage_->allow_empty(tr("not known"));
  humidity_ = new NumberField(tr("Humidity outside"), QStringLiteral("%"), sky::kHumidityRange,
                              false, side);
  humidity_->setObjectName(QStringLiteral("humidity"));
  humidity_->setToolTip(tr("Relative, at the site; empty: the forecast's"));
  const auto keep = [this](std::optional<double> percent) {
    workspace::Workspace next = document_.workspace();
    next.conditions.humidity_percent = percent;
    document_.edit(tr("Change: %1").arg(tr("Humidity outside")), next, EditKind::kConditions,
                   "humidity");
  };
  connect(humidity_, &NumberField::entered, this, [keep](double percent) { keep(percent); });
  connect(humidity_, &NumberField::emptied, this, [keep] { keep(std::nullopt); });
  column->addWidget(storage_);
  column->addWidget(humidity_);
  fog_ = new Figures(2, side);
  column->addWidget(fog_);
  column->addStretch(1);
  return side;
}

PreparePage::What PreparePage::what() const {
  return static_cast<What>(std::max(0, list_->currentRow()));
}

const optics::Telescope* PreparePage::telescope() const {
  for (const optics::Element& element : document_.workspace().rig.elements) {
    if (const auto* found = std::get_if<optics::Telescope>(&element.part)) {
      return found;
    }
  }
  return nullptr;
}

double PreparePage::tube_outer_mm() const {
  return document_.workspace().outside.tube_outer_mm.value_or(
      std::round(telescope()->aperture_mm * kUsualOuter));
}

base::Result<paper::Sheet> PreparePage::sheet() const {
  const workspace::Workspace& space = document_.workspace();
  const workspace::Outside& outside = space.outside;
  if (what() == What::kFeet) {
    return paper::feet_sheet(space.site.latitude_deg, outside.feet_apart_mm);
  }
  if (what() == What::kShadowCard) {
    constexpr std::int64_t kQuarterMs = 900'000;
    const sky::UtcTime first = document_.day().culmination - sky::hours(kHalfDayHours);
    auto shadows = align::plumb_shadows(
        workspace::observer_of(space), {first.unix_ms / kQuarterMs * kQuarterMs},
        sky::UtcTime{kQuarterMs} - sky::UtcTime{}, kShadows, outside.plumb_mm);
    // Long ones would make all of the others too small to be read.
    double shortest_mm = std::numeric_limits<double>::infinity();
    for (const align::PlumbShadow& shadow : shadows) {
      shortest_mm = std::min(shortest_mm, shadow.length_mm);
    }
    std::erase_if(shadows, [&](const align::PlumbShadow& shadow) {
      return shadow.length_mm > std::max(outside.plumb_mm, kLongTimes * shortest_mm);
    });
    return paper::shadow_sheet(shadows, outside.plumb_mm, usual_page());
  }
  const optics::Telescope* tube = telescope();
  if (tube == nullptr) {
    return base::fail(base::ErrorCode::kNotFound, "telescope");
  }
  if (what() == What::kOffAxis) {
    return paper::off_axis_cap(tube_outer_mm(), *tube).and_then(paper::cap_sheet);
  }
  const double hole = what() == What::kFilmCell
                          ? outside.film_clear_mm.value_or(tube->aperture_mm)
                          : outside.mask_hole_mm.value_or(tube->aperture_mm * kUsualMask);
  return paper::cap_sheet({tube_outer_mm(), hole});
}

QString PreparePage::title() const {
  return list_->currentItem() != nullptr
             ? tr("%1, %2").arg(list_->currentItem()->text(),
                                what() == What::kShadowCard
                                    ? date_at(document_.day().culmination, document_.zone())
                                    : text(document_.workspace().rig.name))
             : QString();
}

QString PreparePage::how() const {
  switch (what()) {
    case What::kFilmCell:
      return tr(
          "Cut two. The film lies flat and loose between them, its edge glued all round. Hold "
          "it against a lamp before each use: no pinhole, no crease. Tape it to the tube.");
    case What::kMask:
      return tr(
          "It goes in front of the filter or over the bare front, never in place of a "
          "filter. Tape it to the tube.");
    case What::kOffAxis:
      return tr(
          "The hole stands beside the secondary mirror and its vanes; put film in it as in a "
          "cell. Tape it to the tube.");
    case What::kShadowCard:
      return tr("Lay it level, the point under the bead. At a time that is printed turn it until "
                "the "
                "shadow's end lies on its mark: N points to true north. Times in %1.")
          .arg(QString::fromUtf8(document_.zone().id()));
    case What::kFeet:
      break;
  }
  return tr(
      "Align once with care, then lay a mark under each foot, N to true north, and fasten it. "
      "The next time the feet go back on them.");
}

void PreparePage::show_fields() {
  const workspace::Outside& outside = document_.workspace().outside;
  const optics::Telescope* tube = telescope();
  const bool cap = tube != nullptr &&
                   (what() == What::kFilmCell || what() == What::kMask || what() == What::kOffAxis);
  outer_->setVisible(cap);
  film_->setVisible(cap && what() == What::kFilmCell);
  hole_->setVisible(cap && what() == What::kMask);
  if (tube != nullptr) {
    outer_->allow_empty(number(std::round(tube->aperture_mm * kUsualOuter), 0));
    film_->allow_empty(number(tube->aperture_mm, 0));
    hole_->allow_empty(number(tube->aperture_mm * kUsualMask, 0));
  }
  const auto show = [](NumberField* field, const std::optional<double>& value) {
    value ? field->show_value(*value) : field->clear();
  };
  show(outer_, outside.tube_outer_mm);
  show(film_, outside.film_clear_mm);
  show(hole_, outside.mask_hole_mm);
  show(storage_, outside.storage_c);
}

void PreparePage::show_fog() {
  const workspace::Workspace& space = document_.workspace();
  const auto hour = space.wishes.forecast
                        ? plan::forecast_at(*space.wishes.forecast, document_.moment())
                        : std::nullopt;
  const double air_c =
      hour && hour->temperature_c ? *hour->temperature_c : space.conditions.temperature_c;
  const auto foretold = hour ? hour->humidity_percent : std::nullopt;
  const auto humidity =
      space.conditions.humidity_percent ? space.conditions.humidity_percent : foretold;
  humidity_->allow_empty(foretold ? number(*foretold, 0) : tr("not known"));
  space.conditions.humidity_percent ? humidity_->show_value(*space.conditions.humidity_percent)
                                    : humidity_->clear();
  const optics::Telescope* tube = telescope();
  if (!humidity || tube == nullptr) {
    fog_->show_rows({{tr("Dew point"), tr("not known"), tr("It wants the humidity")},
                     {tr("Front glass"), tr("not known"), {}}});
    return;
  }
  const sky::Fog fog =
      sky::fog_of(space.outside.storage_c.value_or(air_c), air_c, *humidity, tube->aperture_mm);
  fog_->show_rows(
      {{tr("Dew point"), celsius(fog.dew_point_c), tr("With air of %1").arg(celsius(air_c))},
       {tr("Front glass"),
        !space.outside.storage_c ? tr("not known")
        : !fog.fogs              ? tr("stays clear")
        : fog.clear_after_min
            ? tr("fogs, clear after %1 min").arg(number(std::ceil(*fog.clear_after_min), 0))
            : tr("stays fogged"),
        fog.fogs ? tr("Leave it covered and let it settle, or warm it gently; never wipe it. A "
                      "guess from the aperture")
                 : tr("It is warmer than the dew point")}});
}

void PreparePage::follow() {
  show_fields();
  show_fog();
  auto made = sheet();
  save_->setEnabled(made.has_value());
  print_->setEnabled(made.has_value());
  if (!made) {
    job_.reset();
    const bool none = made.error().code == base::ErrorCode::kNotFound;
    const QString why =
        !none                         ? (made.error().field == "hole_mm"
                                             ? tr("The hole does not fit: card is left round it, and beside a secondary.")
                                             : error_text(made.error()))
        : what() == What::kShadowCard ? tr("The Sun stands too low for it all day.")
                                      : tr("There is no telescope in the light path.");
    head_->say(title(), why);
    picture_->show_job(std::nullopt, why);
    return;
  }
  job_ = PaperJob{title(), how(), *std::move(made), usual_page(), document_.zone()};
  const auto pages = paper::tiles_of(job_->sheet, job_->page).size();
  head_->say(job_->title,
             (pages > 1 ? tr("On %1 pages, glued together. ").arg(pages) : QString()) + job_->how);
  picture_->show_job(job_, {});
}

void PreparePage::save() {
  if (!job_) {
    return;
  }
  const QString file = QFileDialog::getSaveFileName(
      this, tr("Save as PDF"), QStringLiteral("template.pdf"), tr("PDF (*.pdf)"));
  if (file.isEmpty()) {
    return;
  }
  if (const auto written = write_paper(*job_, file); !written) {
    trouble_.tell(written.error());
  }
}

}  // namespace solarchon::app
