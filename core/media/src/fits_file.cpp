// SPDX-License-Identifier: GPL-3.0-or-later
#include "fits_file.h"

#include <string_view>

#include "grey.h"
#include "solarchon/base/angle.h"
#include "solarchon/image/frame.h"

namespace solarchon::media {

using base::kDegPerRad;
using base::kRadPerDeg;

FitsShape open_unit(FitsFile& file, const std::filesystem::path& path, int unit) {
  FitsShape shape;
  file.open(path);
  if (file.status == 0) {
    fits_movabs_hdu(file.get(), unit, nullptr, &file.status);
    fits_get_img_equivtype(file.get(), &shape.bitpix, &file.status);
    fits_get_img_dim(file.get(), &shape.axes, &file.status);
    fits_get_img_sizell(file.get(), 3, shape.size.data(), &file.status);
  }
  return shape;
}

namespace {

constexpr double kSolarRadiusM = 6.96e8;
constexpr double kMetrePerAu = 149597870700.0;

/// Scale and orientation from the coordinate keywords, where they are helioprojective.
void read_coordinates(FitsFile& file, int height, image::FrameInfo& info) {
  if (file.text("CTYPE1").substr(0, 4) != "HPLN" || file.text("CTYPE2").substr(0, 4) != "HPLT") {
    return;
  }
  const double unit = file.text("CUNIT1").substr(0, 3) == "deg" ? 3600.0 : 1.0;
  const double cdelt_1 = file.number("CDELT1").value_or(1.0) * unit;
  const double cdelt_2 = file.number("CDELT2").value_or(1.0) * unit;
  const double rotation = file.number("CROTA2").value_or(0.0) * kRadPerDeg;
  const double ratio = cdelt_2 / cdelt_1;
  const double west_x = cdelt_1 * file.number("PC1_1").value_or(std::cos(rotation));
  const double west_y = cdelt_1 * file.number("PC1_2").value_or(-std::sin(rotation) * ratio);
  const double north_x = cdelt_2 * file.number("PC2_1").value_or(std::sin(rotation) / ratio);
  const double north_y = cdelt_2 * file.number("PC2_2").value_or(std::cos(rotation));
  const double determinant = west_x * north_y - west_y * north_x;
  if (!std::isfinite(determinant) || determinant == 0.0) {
    return;
  }
  info.plate_scale_arcsec_px = std::sqrt(std::abs(determinant));
  info.orientation = sky::PictureOrientation{
      base::wrap_360(std::atan2(north_x, north_y) * kDegPerRad), determinant < 0.0};
  const auto reference_x = file.number("CRPIX1");
  const auto reference_y = file.number("CRPIX2");
  if (reference_x && reference_y) {
    const double west = file.number("CRVAL1").value_or(0.0) * unit;
    const double north = file.number("CRVAL2").value_or(0.0) * unit;
    const double right = (-west * north_y + north * west_y) / determinant;
    const double up = (west * north_x - north * west_x) / determinant;
    info.centre_x_px = *reference_x - 1.0 + right;
    info.centre_y_px = height - *reference_y - up;
  }
}

}  // namespace

bool rows_from_top(FitsFile& file) { return file.text("ROWORDER") == "TOP-DOWN"; }

void read_info(FitsFile& file, int height, image::FrameInfo& info) {
  if (const std::string date = file.text("DATE-OBS"); !date.empty()) {
    if (const auto time = sky::parse_utc(date, "DATE-OBS")) {
      info.time = *time;
    }
  }
  if (const auto seconds = file.number("EXPTIME")) {
    info.exposure_ms = *seconds * 1000.0;
  }
  info.focal_length_mm = file.number("FOCALLEN");
  info.pixel_um = file.number("XPIXSZ");
  if (const auto wavelength = file.number("WAVELNTH")) {
    const bool angstrom = file.text("WAVEUNIT").substr(0, 8) == "Angstrom";
    const double to_nm = angstrom ? 0.1 : 1.0;
    info.wavelength_nm = *wavelength * to_nm;
    const auto from = file.number("WAVEMIN");
    const auto to = file.number("WAVEMAX");
    if (from && to && *to > *from) {
      info.band_width_nm = (*to - *from) * to_nm;
    }
  }
  info.telescope = file.text("TELESCOP");
  info.camera = file.text("INSTRUME");
  info.pedestal = file.number("PEDESTAL");
  info.simulated = file.flag("SIMULATD");
  const bool from_top = rows_from_top(file);
  // Turned over twice, for a height that is even, it is only held to be one of the patterns.
  info.bayer = from_top ? bayer_from_below(bayer_from_below(file.text("BAYERPAT"), 0), 0)
                        : bayer_from_below(file.text("BAYERPAT"), height);
  read_coordinates(file, height, info);
  if (from_top && info.orientation) {
    info.orientation->north_deg = base::wrap_360(180.0 - info.orientation->north_deg);
    info.orientation->mirrored = !info.orientation->mirrored;
  }
  if (from_top && info.centre_y_px) {
    info.centre_y_px = height - 1.0 - *info.centre_y_px;
  }
}

namespace {

/// As headers are held to: micro signs are written as u, which is the standard's own way.
std::string in_ascii(std::string text) {
  for (const std::string_view micro : {"\u00b5", "\u03bc"}) {
    for (std::size_t at = text.find(micro); at != std::string::npos; at = text.find(micro)) {
      text.replace(at, micro.size(), 1, 'u');
    }
  }
  return text;
}

void write_coordinates(FitsFile& file, const image::FrameInfo& info, int width, int height,
                       int axes) {
  // What one pixel to the right, and one up, is on the sky.
  const sky::DiscPlace right = sky::to_disc({1.0, 0.0}, *info.orientation);
  const sky::DiscPlace up = sky::to_disc({0.0, 1.0}, *info.orientation);
  const double scale = *info.plate_scale_arcsec_px;
  file.put("WCSAXES", axes, "helioprojective coordinates");
  file.put("CTYPE1", std::string("HPLN-TAN"), "towards solar west");
  file.put("CTYPE2", std::string("HPLT-TAN"), "towards solar north");
  file.put("CUNIT1", std::string("arcsec"), "");
  file.put("CUNIT2", std::string("arcsec"), "");
  file.put("CRVAL1", 0.0, "[arcsec] centre of the disc");
  file.put("CRVAL2", 0.0, "[arcsec] centre of the disc");
  file.put("CRPIX1", info.centre_x_px.value_or((width - 1) / 2.0) + 1.0, "[pixel]");
  file.put("CRPIX2", height - info.centre_y_px.value_or((height - 1) / 2.0), "[pixel]");
  file.put("CDELT1", scale, "[arcsec/pixel]");
  file.put("CDELT2", scale, "[arcsec/pixel]");
  file.put("PC1_1", right.west_arcsec, "");
  file.put("PC1_2", up.west_arcsec, "");
  file.put("PC2_1", right.north_arcsec, "");
  file.put("PC2_2", up.north_arcsec, "");
}

void write_observer(FitsFile& file, sky::UtcTime time) {
  const sky::DiscView view = sky::disc_view(time);
  file.put("DSUN_OBS", view.distance_au * kMetrePerAu, "[m] observer to centre of the Sun");
  file.put("RSUN_REF", kSolarRadiusM, "[m] radius of the photosphere");
  file.put("RSUN_OBS", sky::semidiameter_arcsec(view.distance_au), "[arcsec] its angle");
  file.put("HGLN_OBS", 0.0, "[deg] Stonyhurst longitude of the observer");
  file.put("HGLT_OBS", view.b0_deg, "[deg] heliographic latitude of the observer (B0)");
  file.put("CRLN_OBS", view.l0_deg, "[deg] Carrington longitude of the observer (L0)");
  file.put("CRLT_OBS", view.b0_deg, "[deg]");
}

}  // namespace

void write_info(FitsFile& file, const image::FrameInfo& info, int width, int height, int most) {
  file.put("OBJECT", std::string("Sun"), "");
  file.put("DATAMAX", most, "value of a full pixel");
  if (info.simulated) {
    file.put("SIMULATD", true, "no picture of the Sun: a computer made it");
  }
  if (info.pedestal) {
    file.put("PEDESTAL", *info.pedestal, "value of a pixel without light");
  }
  file.put("ROWORDER", std::string("BOTTOM-UP"), "the first row is the lowest");
  if (info.time) {
    std::string iso = sky::to_iso(*info.time);
    iso.pop_back();
    file.put("DATE-OBS", iso, "start of the exposure");
    file.put("TIMESYS", std::string("UTC"), "");
    write_observer(file, *info.time);
  }
  if (info.exposure_ms) {
    file.put("EXPTIME", *info.exposure_ms / 1000.0, "[s]");
  }
  if (!info.telescope.empty()) {
    file.put("TELESCOP", in_ascii(info.telescope), "");
  }
  if (!info.camera.empty()) {
    file.put("INSTRUME", in_ascii(info.camera), "");
  }
  if (info.focal_length_mm) {
    file.put("FOCALLEN", *info.focal_length_mm, "[mm] effective");
  }
  if (info.pixel_um) {
    file.put("XPIXSZ", *info.pixel_um, "[um]");
    file.put("YPIXSZ", *info.pixel_um, "[um]");
  }
  if (info.wavelength_nm) {
    file.put("WAVELNTH", *info.wavelength_nm, "[nm]");
    file.put("WAVEUNIT", std::string("nm"), "");
    if (info.band_width_nm) {
      file.put("WAVEMIN", *info.wavelength_nm - *info.band_width_nm / 2.0, "[nm] at half maximum");
      file.put("WAVEMAX", *info.wavelength_nm + *info.band_width_nm / 2.0, "[nm] at half maximum");
    }
  }
  if (!info.bayer.empty()) {
    file.put("BAYERPAT", bayer_from_below(info.bayer, height), "colours of the file's first rows");
  }
  if (info.plate_scale_arcsec_px && info.orientation) {
    int axes = 2;
    fits_get_img_dim(file.get(), &axes, &file.status);
    write_coordinates(file, info, width, height, axes);
  }
}

void write_pixels(FitsFile& file, const image::Frame& frame, int plane) {
  const auto width = static_cast<std::size_t>(frame.width);
  std::vector<std::uint16_t> row(width);
  const LONGLONG before = static_cast<LONGLONG>(plane) * frame.width * frame.height;
  for (int y = frame.height - 1; y >= 0 && file.status == 0; --y) {
    const auto start = frame.pixels.begin() + static_cast<std::ptrdiff_t>(y) * frame.width;
    std::copy_n(start, frame.width, row.begin());
    const LONGLONG first = before + static_cast<LONGLONG>(frame.height - 1 - y) * frame.width + 1;
    fits_write_img(file.get(), TUSHORT, first, frame.width, row.data(), &file.status);
  }
}

void turn_over(std::vector<std::uint16_t>& pixels, std::size_t width) {
  const std::size_t height = pixels.size() / width;
  for (std::size_t y = 0; y < height / 2; ++y) {
    std::swap_ranges(pixels.begin() + static_cast<std::ptrdiff_t>(y * width),
                     pixels.begin() + static_cast<std::ptrdiff_t>((y + 1) * width),
                     pixels.begin() + static_cast<std::ptrdiff_t>((height - 1 - y) * width));
  }
}

}  // namespace solarchon::media
