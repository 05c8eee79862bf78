// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/views/light_path/train_figures.h"

#include <QObject>
#include <algorithm>
#include <cmath>

#include "app/model/phrases.h"

namespace solarchon::app {

namespace {

using Rows = std::vector<Figures::Row>;

const QString& dash() {
  static const QString kDash = QStringLiteral("\u2013");
  return kDash;
}

void add_focal(const optics::Train& train, Rows& rows) {
  const auto shown = [](const std::optional<double>& value, int decimals, const QString& form) {
    return value ? form.arg(number(*value, decimals)) : dash();
  };
  rows.push_back({QObject::tr("Focal length"),
                  shown(train.effective_focal_length_mm, 0, QObject::tr("%1 mm")),
                  QObject::tr("Of the telescope with everything that lengthens or shortens it")});
  rows.push_back({QObject::tr("Focal ratio"), shown(train.focal_ratio, 1, QObject::tr("f/%1")),
                  QObject::tr("Focal length over aperture: exposure goes with its square")});
  rows.push_back({QObject::tr("Image of the Sun"),
                  shown(train.solar_image_mm, 2, QObject::tr("%1 mm")),
                  QObject::tr("About a 107th of the focal length")});
  if (train.sampling_arcsec_px) {
    return;  // the finest detail is said beside the sampling
  }
  rows.push_back({QObject::tr("Finest detail of the lens"),
                  shown(train.diffraction_cutoff_arcsec, 2, QStringLiteral("%1\u2033")),
                  QObject::tr("Diffraction cutoff: wavelength over aperture, at %1 nm")
                      .arg(number(train.band.wavelength_nm, 0))});
}

void add_sensor(const optics::Train& train, Rows& rows) {
  if (!train.sampling_arcsec_px) {
    return;
  }
  rows.push_back(
      {QObject::tr("Sampling"),
       QObject::tr("%1\u2033 per pixel").arg(number(*train.sampling_arcsec_px, 2)),
       QObject::tr("%1 pixels per finest detail of the lens, which is %2\u2033 at %3 nm; two would "
                   "catch all of it")
           .arg(number(*train.sampling_px_per_cutoff, 2),
                number(*train.diffraction_cutoff_arcsec, 2), number(train.band.wavelength_nm, 0))});
  rows.push_back(
      {QObject::tr("Field"),
       QObject::tr("%1\u2032 \u00d7 %2\u2032")
           .arg(number(*train.field_width_arcmin, 1), number(*train.field_height_arcmin, 1)),
       QObject::tr("The Sun is about 32\u2032 wide")});
  rows.push_back(
      {QObject::tr("Whole Sun"),
       *train.disc_fits ? QObject::tr("fits the sensor") : QObject::tr("is cut by the sensor"),
       QObject::tr("Against the shorter side of the sensor")});
}

void add_look(const optics::Train& train, Rows& rows) {
  if (!train.look || train.sampling_arcsec_px) {
    return;
  }
  rows.push_back({QObject::tr("Magnification"),
                  QObject::tr("%1\u00d7").arg(number(train.look->magnification, 0)),
                  QObject::tr("Focal length over that of the eyepiece")});
  rows.push_back({QObject::tr("Exit pupil"),
                  QObject::tr("%1 mm").arg(number(train.look->exit_pupil_mm, 1)),
                  train.look->secondary_shadow_mm > 0.0
                      ? QObject::tr("The secondary's shadow in it is %1 mm wide")
                            .arg(number(train.look->secondary_shadow_mm, 1))
                      : QObject::tr("Width of the light that leaves the eyepiece")});
  rows.push_back({QObject::tr("True field"),
                  QObject::tr("%1\u00b0").arg(number(train.look->true_field_deg, 2)),
                  QObject::tr("The Sun is about half a degree wide")});
}

void add_line(const optics::Train& train, Rows& rows) {
  if (train.etalon) {
    const optics::EtalonFigures& etalon = *train.etalon;
    QString reason = etalon.focal_ratio > 0.0
                         ? QObject::tr("In a cone of f/%1").arg(number(etalon.focal_ratio, 1))
                         : QObject::tr("Off band by %1 \u00c5 at the limb")
                               .arg(number(etalon.limb_shift_angstrom, 3));
    if (etalon.pressure_shift_angstrom != 0.0) {
      reason += '\n' + QObject::tr("%1 \u00c5 by the air at this height")
                           .arg(number(etalon.pressure_shift_angstrom, 2));
    }
    rows.push_back({QObject::tr("Passband"),
                    QObject::tr("%1 \u00c5").arg(number(etalon.bandwidth_angstrom, 2)), reason});
  }
  if (train.blocking_margin_mm) {
    const double margin = *train.blocking_margin_mm;
    rows.push_back({QObject::tr("Blocking filter"),
                    margin >= 0.0 ? QObject::tr("%1 mm to spare").arg(number(margin, 1))
                                  : QObject::tr("%1 mm too small").arg(number(-margin, 1)),
                    QObject::tr("Clear width less the image of the Sun there")});
  }
  if (train.fringes) {
    const optics::Fringes& fringes = *train.fringes;
    rows.push_back(
        {QObject::tr("Tilt against bands"),
         fringes.at_odds()
             ? QObject::tr("none suits")
             : QObject::tr("%1\u00b0 to %2\u00b0")
                   .arg(number(fringes.least_tilt_deg, 1), number(fringes.most_tilt_deg, 1)),
         QObject::tr("From where the bands are too fine to see, to where the edge blurs")});
  }
}

void add_fit(const optics::Train& train, Rows& rows) {
  if (train.focus) {
    const optics::Focus& focus = *train.focus;
    QString words = QObject::tr("%1 mm in, %2 mm out")
                        .arg(number(focus.inward_spare_mm, 0), number(focus.outward_spare_mm, 0));
    if (focus.inward_spare_mm < 0.0) {
      words = QObject::tr("%1 mm too long").arg(number(-focus.inward_spare_mm, 0));
    } else if (focus.outward_spare_mm < 0.0) {
      words = QObject::tr("%1 mm too short").arg(number(-focus.outward_spare_mm, 0));
    }
    rows.push_back({QObject::tr("Focus to spare"), words,
                    QObject::tr("Travel left to the focuser; the drawtube stands %1 mm out")
                        .arg(number(focus.racked_out_mm, 0))});
  }
  constexpr double kNothingLost = 0.995;
  if (train.vignetting && train.vignetting->limb_share < kNothingLost) {
    rows.push_back({QObject::tr("Light at the limb"),
                    QObject::tr("%1 %").arg(number(100.0 * train.vignetting->limb_share, 0)),
                    QObject::tr("Of the middle; an opening on the way takes the rest")});
  }
  if (train.supply) {
    rows.push_back({QObject::tr("Heater"),
                    QObject::tr("%1 of %2 W")
                        .arg(number(train.supply->needed_w, 1), number(train.supply->offered_w, 1)),
                    QObject::tr("Needed, of what the supplies listed offer at its voltage")});
  }
}

void add_frame_rate(const optics::Rig& rig, Rows& rows) {
  const auto sensor = optics::sensor_of(rig);
  if (!sensor) {
    return;
  }
  const optics::Camera& camera = sensor->camera;
  const auto rate = [&](int share, int bits) {
    return number(
        optics::frame_rate_hz(camera, camera.width_px / share, camera.height_px / share, bits), 0);
  };
  rows.push_back(
      {QObject::tr("Frames a second"),
       QObject::tr("%1; half the side %2").arg(rate(1, camera.bits), rate(2, camera.bits)),
       QObject::tr("At %1 bits, as sensor and cable allow; with 8 bits %2, and %3 for a region of "
                   "half the side")
           .arg(camera.bits)
           .arg(rate(1, 8), rate(2, 8))});
}

}  // namespace

std::vector<Figures::Row> train_figures(const optics::Rig& rig, const optics::Train& train,
                                        const std::optional<light::DiscExposure>& exposure) {
  Rows rows;
  add_focal(train, rows);
  add_sensor(train, rows);
  add_look(train, rows);
  add_line(train, rows);
  add_fit(train, rows);
  add_frame_rate(rig, rows);
  if (exposure && train.sampling_arcsec_px) {
    rows.push_back({QObject::tr("Exposure now"), exposure_text(exposure->exposure_ms),
                    QObject::tr("For the middle of the disc, at the Sun's height now")});
  }
  return rows;
}

std::vector<Figures::Row> compared_figures(const std::vector<Figures::Row>& first,
                                           const std::vector<Figures::Row>& second) {
  Rows rows;
  const auto value_in = [](const Rows& list, const QString& name) {
    const auto found = std::find_if(list.begin(), list.end(),
                                    [&](const Figures::Row& row) { return row.name == name; });
    return found != list.end() ? found->value : dash();
  };
  const auto add = [&](const Figures::Row& row, const QString& upper, const QString& lower) {
    if (upper != lower) {
      rows.push_back(
          {row.name, QStringLiteral("\u25b4 %1\n\u25be %2").arg(upper, lower), row.reason});
    }
  };
  for (const Figures::Row& row : first) {
    add(row, row.value, value_in(second, row.name));
  }
  for (const Figures::Row& row : second) {
    if (value_in(first, row.name) == dash()) {
      add(row, dash(), row.value);
    }
  }
  return rows;
}

}  // namespace solarchon::app
