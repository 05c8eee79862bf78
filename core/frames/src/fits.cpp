// SPDX-License-Identifier: GPL-3.0-or-later
#include "fits.h"

#include <fitsio.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <limits>
#include <memory>
#include <vector>

#include "clip_source.h"
#include "fits_headers.h"
#include "grey.h"
#include "solarchon/base/angle.h"
#include "solarchon/base/file.h"
#include "solarchon/frames/clip.h"

namespace solarchon::frames {

using base::ErrorCode;
using base::fail;
using base::kDegPerRad;
using base::kRadPerDeg;
using base::Result;

namespace {

constexpr double kSolarRadiusM = 6.96e8;
constexpr double kMetrePerAu = 149597870700.0;

/// An open FITS file that closes itself; remembers the first error, as the library does.
class FitsFile {
 public:
  FitsFile() = default;
  FitsFile(const FitsFile&) = delete;
  FitsFile& operator=(const FitsFile&) = delete;
  ~FitsFile() { close(); }

  void close() {
    if (file_ != nullptr) {
      fits_close_file(file_, &status);
      file_ = nullptr;
    }
  }
  void open(const std::filesystem::path& path) {
    fits_open_diskfile(&file_, path.c_str(), READONLY, &status);
  }
  void create(const std::filesystem::path& path) {
    fits_create_diskfile(&file_, path.c_str(), &status);
  }
  [[nodiscard]] fitsfile* get() const { return file_; }
  [[nodiscard]] std::string reason() const {
    std::array<char, FLEN_STATUS> text{};
    fits_get_errstatus(status, text.data());
    fits_clear_errmsg();
    return text.data();
  }

  std::optional<double> number(const char* key) {
    double value = 0.0;
    int absent = 0;
    fits_read_key(file_, TDOUBLE, key, &value, nullptr, &absent);
    fits_clear_errmsg();
    return absent == 0 && std::isfinite(value) ? std::optional(value) : std::nullopt;
  }
  std::string text(const char* key) {
    std::array<char, FLEN_VALUE> value{};
    int absent = 0;
    fits_read_key(file_, TSTRING, key, value.data(), nullptr, &absent);
    fits_clear_errmsg();
    return absent == 0 ? value.data() : "";
  }
  void put(const char* key, double value, const char* comment) {
    fits_update_key(file_, TDOUBLE, key, &value, comment, &status);
  }
  void put(const char* key, int value, const char* comment) {
    fits_update_key(file_, TINT, key, &value, comment, &status);
  }
  void put(const char* key, std::string value, const char* comment) {
    // Header text is ASCII by the standard.
    std::replace_if(
        value.begin(), value.end(), [](char c) { return c < ' ' || c > '~'; }, '?');
    fits_update_key(file_, TSTRING, key, value.data(), comment, &status);
  }

  int status = 0;

 private:
  fitsfile* file_ = nullptr;
};

/// Scale and orientation from the coordinate keywords, where they are helioprojective.
void read_coordinates(FitsFile& file, int height, FrameInfo& info) {
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

void read_info(FitsFile& file, int height, FrameInfo& info) {
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
  info.bayer = bayer_from_below(file.text("BAYERPAT"), height);
  read_coordinates(file, height, info);
}

void write_coordinates(FitsFile& file, const Frame& frame) {
  const FrameInfo& info = frame.info;
  // What one pixel to the right, and one up, is on the sky.
  const sky::DiscPlace right = sky::to_disc({1.0, 0.0}, *info.orientation);
  const sky::DiscPlace up = sky::to_disc({0.0, 1.0}, *info.orientation);
  const double scale = *info.plate_scale_arcsec_px;
  file.put("WCSAXES", 2, "helioprojective coordinates");
  file.put("CTYPE1", std::string("HPLN-TAN"), "towards solar west");
  file.put("CTYPE2", std::string("HPLT-TAN"), "towards solar north");
  file.put("CUNIT1", std::string("arcsec"), "");
  file.put("CUNIT2", std::string("arcsec"), "");
  file.put("CRVAL1", 0.0, "[arcsec] centre of the disc");
  file.put("CRVAL2", 0.0, "[arcsec] centre of the disc");
  file.put("CRPIX1", info.centre_x_px.value_or((frame.width - 1) / 2.0) + 1.0, "[pixel]");
  file.put("CRPIX2", frame.height - info.centre_y_px.value_or((frame.height - 1) / 2.0), "[pixel]");
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

void write_info(FitsFile& file, const Frame& frame) {
  const FrameInfo& info = frame.info;
  file.put("OBJECT", std::string("Sun"), "");
  file.put("DATAMAX", frame.saturation, "value of a full pixel");
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
    file.put("TELESCOP", info.telescope, "");
  }
  if (!info.camera.empty()) {
    file.put("INSTRUME", info.camera, "");
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
    file.put("BAYERPAT", bayer_from_below(info.bayer, frame.height),
             "colours of the file's first rows");
  }
  if (info.plate_scale_arcsec_px && info.orientation) {
    write_coordinates(file, frame);
  }
}

/// The pictures of the planes averaged, bottom row first as in the file; a value that is blank in
/// any plane is blank.
std::vector<float> read_planes(FitsFile& file, std::size_t width, std::size_t height,
                               std::size_t planes) {
  std::vector<float> mean(width * height, 0.0F);
  std::vector<float> row(width);
  float blank = std::numeric_limits<float>::quiet_NaN();
  int any_blank = 0;
  LONGLONG first = 1;
  for (std::size_t plane = 0; plane < planes; ++plane) {
    for (std::size_t y = 0; y < height && file.status == 0; ++y) {
      fits_read_img(file.get(), TFLOAT, first, static_cast<LONGLONG>(width), &blank, row.data(),
                    &any_blank, &file.status);
      first += static_cast<LONGLONG>(width);
      for (std::size_t x = 0; x < width; ++x) {
        mean[y * width + x] += row[x] / static_cast<float>(planes);
      }
    }
  }
  return mean;
}

/// Turns the rows over, so that the top one comes first.
void turn_over(std::vector<std::uint16_t>& pixels, std::size_t width) {
  const std::size_t height = pixels.size() / width;
  for (std::size_t y = 0; y < height / 2; ++y) {
    std::swap_ranges(pixels.begin() + static_cast<std::ptrdiff_t>(y * width),
                     pixels.begin() + static_cast<std::ptrdiff_t>((y + 1) * width),
                     pixels.begin() + static_cast<std::ptrdiff_t>((height - 1 - y) * width));
  }
}

/// Whole numbers as they stand; blank ones are 0.
std::vector<std::uint16_t> as_they_stand(const std::vector<float>& values) {
  std::vector<std::uint16_t> pixels;
  pixels.reserve(values.size());
  for (const float value : values) {
    const float number = std::isfinite(value) ? std::clamp(value, 0.0F, 65535.0F) : 0.0F;
    pixels.push_back(static_cast<std::uint16_t>(std::lround(number)));
  }
  return pixels;
}

}  // namespace

Result<Frame> read_fits(const std::filesystem::path& path) {
  const auto unit = first_picture(path);
  if (!unit) {
    return tl::make_unexpected(unit.error());
  }
  FitsFile file;
  file.open(path);
  int bitpix = 0;
  int naxis = 0;
  std::array<LONGLONG, 3> size{1, 1, 1};
  if (file.status == 0) {
    fits_movabs_hdu(file.get(), *unit, nullptr, &file.status);
    fits_get_img_equivtype(file.get(), &bitpix, &file.status);
    fits_get_img_dim(file.get(), &naxis, &file.status);
    fits_get_img_sizell(file.get(), 3, size.data(), &file.status);
  }
  if (file.status != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::reported(file.reason()),
                        base::wants("fits"));
  }
  if (naxis != 2 && !(naxis == 3 && size[2] >= 1 && size[2] <= 4)) {
    return fail_because(ErrorCode::kMalformed, path.string(),
                        base::because("axes", {static_cast<double>(naxis)}),
                        base::wants("two-axes-or-planes"));
  }
  if (const auto sized = check_size(size[0], size[1], path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  // A compressed picture may claim any size: not more than compression can make of the file.
  constexpr std::uintmax_t kMostPixelsPerByte = 2000;
  std::error_code ignored;
  const std::uintmax_t bytes = std::filesystem::file_size(path, ignored);
  if (static_cast<std::uintmax_t>(size[0] * size[1]) / kMostPixelsPerByte > bytes) {
    return fail_because(ErrorCode::kMalformed, path.string(),
                        base::because("claims-more-than-it-holds"), base::wants("whole-fits"));
  }
  Frame frame;
  frame.width = static_cast<int>(size[0]);
  frame.height = static_cast<int>(size[1]);
  const auto width = static_cast<std::size_t>(size[0]);
  std::vector<float> values = read_planes(file, width, static_cast<std::size_t>(size[1]),
                                          static_cast<std::size_t>(size[2]));
  if (file.status != 0) {
    return fail_because(ErrorCode::kMalformed, path.string(), base::reported(file.reason()),
                        base::wants("whole-fits"));
  }
  const bool fits_16_bit = bitpix == BYTE_IMG || bitpix == SHORT_IMG || bitpix == USHORT_IMG;
  frame.pixels = fits_16_bit ? as_they_stand(values) : scaled_to_16_bits(values);
  turn_over(frame.pixels, width);
  frame.saturation = bitpix == BYTE_IMG ? 255 : (bitpix == SHORT_IMG ? 32767 : 65535);
  if (const auto most = file.number("DATAMAX"); most && fits_16_bit && *most >= 1.0) {
    frame.saturation = static_cast<int>(std::min(*most, 65535.0));
  }
  read_info(file, frame.height, frame.info);
  if (naxis == 2 && (!file.text("BAYERPAT").empty() || looks_like_mosaic(frame))) {
    average_mosaic(frame);
  }
  return frame;
}

namespace {

/// A cube, plane by plane; a plain picture is one plane.
class Cube : public ClipReader::Source {
 public:
  Result<void> open(const std::filesystem::path& path) {
    path_ = path.string();
    const auto unit = first_picture(path, Length::kMayBeCutOff);
    if (!unit) {
      return tl::make_unexpected(unit.error());
    }
    file_.open(path);
    int naxis = 0;
    std::array<LONGLONG, 3> size{1, 1, 1};
    if (file_.status == 0) {
      fits_movabs_hdu(file_.get(), *unit, nullptr, &file_.status);
      fits_get_img_equivtype(file_.get(), &bitpix_, &file_.status);
      fits_get_img_dim(file_.get(), &naxis, &file_.status);
      fits_get_img_sizell(file_.get(), 3, size.data(), &file_.status);
    }
    if (file_.status != 0) {
      return damaged();
    }
    if (naxis < 2 || naxis > 3) {
      return fail_because(ErrorCode::kMalformed, path_,
                          base::because("axes", {static_cast<double>(naxis)}));
    }
    if (bitpix_ != BYTE_IMG && bitpix_ != SHORT_IMG && bitpix_ != USHORT_IMG) {
      return fail_because(ErrorCode::kMalformed, path_, base::because("another-layout-of-pixels"));
    }
    if (auto sized = check_size(size[0], size[1], path_); !sized) {
      return sized;
    }
    constexpr LONGLONG kMostFrames = 100'000'000;
    facts.width = static_cast<int>(size[0]);
    facts.height = static_cast<int>(size[1]);
    facts.promised = static_cast<int>(std::clamp<LONGLONG>(size[2], 0, kMostFrames));
    facts.frames = static_cast<int>(std::min<LONGLONG>(facts.promised, whole_planes(path)));
    facts.saturation = bitpix_ == BYTE_IMG ? 255 : (bitpix_ == SHORT_IMG ? 32767 : 65535);
    if (const auto most = file_.number("DATAMAX"); most && *most >= 1.0) {
      facts.saturation = static_cast<int>(std::min(*most, 65535.0));
    }
    read_info(file_, facts.height, facts.info);
    const auto step_s = file_.number("CDELT3");
    if (file_.text("CTYPE3") == "TIME" && step_s && *step_s > 0.0) {
      facts.rate_hz = 1.0 / *step_s;
    }
    return {};
  }

  Result<void> pixels_of(int frame, Frame& into) override {
    const auto pixels =
        static_cast<std::size_t>(facts.width) * static_cast<std::size_t>(facts.height);
    std::uint16_t blank = 0;
    int any_blank = 0;
    file_.status = 0;
    fits_read_img(file_.get(), TUSHORT, 1 + static_cast<LONGLONG>(pixels) * frame,
                  static_cast<LONGLONG>(pixels), &blank, into.pixels.data(), &any_blank,
                  &file_.status);
    // Negative numbers come as 0.
    if (file_.status != 0 && file_.status != NUM_OVERFLOW) {
      return damaged();
    }
    turn_over(into.pixels, static_cast<std::size_t>(facts.width));
    return {};
  }

  Result<void> pixels_of_part(int frame, const Part& part, Frame& into) override {
    // Rows are counted from below, and all from 1.
    const long below = facts.height - part.top_px - part.height_px;
    std::array<long, 3> first{part.left_px + 1L, below + 1, frame + 1L};
    std::array<long, 3> last{static_cast<long>(part.left_px) + part.width_px,
                             below + part.height_px, frame + 1L};
    std::array<long, 3> step{1, 1, 1};
    std::uint16_t blank = 0;
    int any_blank = 0;
    file_.status = 0;
    fits_read_subset(file_.get(), TUSHORT, first.data(), last.data(), step.data(), &blank,
                     into.pixels.data(), &any_blank, &file_.status);
    if (file_.status != 0 && file_.status != NUM_OVERFLOW) {
      return damaged();
    }
    turn_over(into.pixels, static_cast<std::size_t>(part.width_px));
    return {};
  }

 private:
  [[nodiscard]] tl::unexpected<base::Error> damaged() const {
    return fail_because(ErrorCode::kMalformed, path_, base::reported(file_.reason()),
                        base::wants("whole-fits"));
  }
  /// Planes that the file has room for; a compressed cube is taken at its word.
  LONGLONG whole_planes(const std::filesystem::path& path) {
    int status = 0;
    LONGLONG data = 0;
    if (fits_is_compressed_image(file_.get(), &status) != 0 ||
        fits_get_hduaddrll(file_.get(), nullptr, &data, nullptr, &status) != 0) {
      return facts.promised;
    }
    std::error_code ignored;
    // The library reads whole blocks.
    constexpr LONGLONG kBlock = 2880;
    const auto bytes =
        static_cast<LONGLONG>(std::filesystem::file_size(path, ignored)) / kBlock * kBlock;
    const LONGLONG plane =
        static_cast<LONGLONG>(facts.width) * facts.height * (bitpix_ == BYTE_IMG ? 1 : 2);
    return std::max<LONGLONG>(0, bytes - data) / plane;
  }

  FitsFile file_;
  std::string path_;
  int bitpix_ = 0;
};

}  // namespace

ClipSource open_fits_clip(const std::filesystem::path& path) {
  auto cube = std::make_unique<Cube>();
  return cube->open(path).map([&] { return std::unique_ptr<ClipReader::Source>(std::move(cube)); });
}

namespace {

void put_time_axis(FitsFile& file, double rate_hz) {
  file.put("CTYPE3", std::string("TIME"), "");
  file.put("CUNIT3", std::string("s"), "");
  file.put("CRPIX3", 1.0, "");
  file.put("CRVAL3", 0.0, "from the first frame");
  file.put("CDELT3", 1.0 / rate_hz, "[s]");
}

/// Writes the pixels of a plane, bottom row first.
/// @param plane  from 0
void write_pixels(FitsFile& file, const Frame& frame, int plane) {
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

}  // namespace

Result<void> write_fits(const Frame& frame, const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        FitsFile file;
        file.create(target);
        std::array<long, 2> size{frame.width, frame.height};
        fits_create_img(file.get(), USHORT_IMG, 2, size.data(), &file.status);
        if (file.status == 0) {
          write_info(file, frame);
        }
        write_pixels(file, frame, 0);
        file.close();
        if (file.status != 0) {
          return fail_because(ErrorCode::kUnwritable, path.string(), base::reported(file.reason()));
        }
        return {};
      });
}

Result<void> write_fits_cube(int count, double rate_hz, const FrameSource& source,
                             const std::filesystem::path& path) {
  return base::write_beside_then_rename(
      path, [&](const std::filesystem::path& target) -> Result<void> {
        FitsFile file;
        file.create(target);
        std::array<long, 3> size{0, 0, count};
        for (int i = 0; i < count; ++i) {
          const auto frame = source(i);
          if (!frame) {
            return tl::make_unexpected(frame.error());
          }
          if (i == 0) {
            size = {frame->width, frame->height, count};
            fits_create_img(file.get(), USHORT_IMG, 3, size.data(), &file.status);
            if (file.status == 0) {
              write_info(file, *frame);
              put_time_axis(file, rate_hz);
            }
          } else if (frame->width != size[0] || frame->height != size[1]) {
            return fail(ErrorCode::kMalformed, path.string(), std::to_string(i));
          }
          write_pixels(file, *frame, i);
          if (file.status != 0) {
            break;
          }
        }
        file.close();
        if (file.status != 0) {
          return fail_because(ErrorCode::kUnwritable, path.string(), base::reported(file.reason()));
        }
        return {};
      });
}

Result<CubeHeader> begin_cube(const std::filesystem::path& path, const ClipFormat& format) {
  FitsFile file;
  file.create(path);
  std::array<long, 3> size{format.width, format.height, 0};
  fits_create_img(file.get(), format.saturation > 255 ? USHORT_IMG : BYTE_IMG, 3, size.data(),
                  &file.status);
  if (file.status == 0) {
    Frame facts;
    facts.width = format.width;
    facts.height = format.height;
    facts.saturation = format.saturation;
    facts.info = format.info;
    write_info(file, facts);
    put_time_axis(file, format.rate_hz);
  }
  file.close();
  if (file.status != 0) {
    return fail_because(ErrorCode::kUnwritable, path.string(), base::reported(file.reason()));
  }
  constexpr std::size_t kMostHeader = 1U << 20U;
  const auto bytes = base::read_file(path, kMostHeader);
  if (!bytes) {
    return tl::make_unexpected(bytes.error());
  }
  const std::size_t card = bytes->find("NAXIS3  =");
  if (card == std::string::npos) {
    return fail(ErrorCode::kUnwritable, path.string());
  }
  return CubeHeader{static_cast<std::int64_t>(bytes->size()), static_cast<std::int64_t>(card)};
}

}  // namespace solarchon::frames
