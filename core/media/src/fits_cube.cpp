// SPDX-License-Identifier: GPL-3.0-or-later
// Clips as FITS cubes.
#include <algorithm>
#include <array>
#include <memory>

#include "clip_source.h"
#include "fits.h"
#include "fits_file.h"
#include "fits_headers.h"
#include "grey.h"
#include "raw_planes.h"
#include "solarchon/base/file.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

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
    const FitsShape shape = open_unit(file_, path, *unit);
    bitpix_ = shape.bitpix;
    const int naxis = shape.axes;
    const auto& size = shape.size;
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
    if (auto sized = image::check_size(size[0], size[1], path_); !sized) {
      return sized;
    }
    constexpr LONGLONG kMostFrames = 100'000'000;
    facts.width = static_cast<int>(size[0]);
    facts.height = static_cast<int>(size[1]);
    facts.promised = static_cast<int>(std::clamp<LONGLONG>(size[2], 0, kMostFrames));
    facts.frames = static_cast<int>(std::min<LONGLONG>(facts.promised, whole_planes(path)));
    std::error_code ignored;
    if (auto held = check_held(size[0], size[1] * std::max<LONGLONG>(1, facts.frames),
                               std::filesystem::file_size(path, ignored), path_);
        !held) {
      return held;
    }
    facts.saturation = bitpix_ == BYTE_IMG ? 255 : (bitpix_ == SHORT_IMG ? 32767 : 65535);
    if (const auto most = file_.number("DATAMAX"); most && *most >= 1.0) {
      facts.saturation = static_cast<int>(std::min(*most, 65535.0));
    }
    read_info(file_, facts.height, facts.info);
    from_top_ = rows_from_top(file_);
    const auto step_s = file_.number("CDELT3");
    if (file_.text("CTYPE3") == "TIME" && step_s && *step_s > 0.0) {
      facts.rate_hz = 1.0 / *step_s;
    }
    open_raw(path);
    if (!file_.number("DATAMAX") && bitpix_ != BYTE_IMG && facts.frames > 0) {
      image::Frame first;
      first.pixels.resize(static_cast<std::size_t>(facts.width) *
                          static_cast<std::size_t>(facts.height));
      if (pixels_of(0, first)) {
        facts.saturation = std::min(facts.saturation, full_of_sixteen(first.pixels));
      }
    }
    return {};
  }

  Result<void> pixels_of(int frame, image::Frame& into) override {
    if (raw_) {
      return raw_->read(frame, {0, 0, facts.width, facts.height}, into) ? Result<void>()
                                                                        : Result<void>(cut_off());
    }
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
    if (!from_top_) {
      turn_over(into.pixels, static_cast<std::size_t>(facts.width));
    }
    return {};
  }

  Result<void> pixels_of_part(int frame, const image::Rectangle& part,
                              image::Frame& into) override {
    if (raw_) {
      return raw_->read(frame, part, into) ? Result<void>() : Result<void>(cut_off());
    }
    // All is counted from 1.
    const long before = from_top_ ? part.top_px : facts.height - part.top_px - part.height_px;
    std::array<long, 3> first{part.left_px + 1L, before + 1, frame + 1L};
    std::array<long, 3> last{static_cast<long>(part.left_px) + part.width_px,
                             before + part.height_px, frame + 1L};
    std::array<long, 3> step{1, 1, 1};
    std::uint16_t blank = 0;
    int any_blank = 0;
    file_.status = 0;
    fits_read_subset(file_.get(), TUSHORT, first.data(), last.data(), step.data(), &blank,
                     into.pixels.data(), &any_blank, &file_.status);
    if (file_.status != 0 && file_.status != NUM_OVERFLOW) {
      return damaged();
    }
    if (!from_top_) {
      turn_over(into.pixels, static_cast<std::size_t>(part.width_px));
    }
    return {};
  }

 private:
  [[nodiscard]] tl::unexpected<base::Error> damaged() const {
    return fail_because(ErrorCode::kMalformed, path_, base::reported(file_.reason()),
                        base::wants("whole-fits"));
  }
  [[nodiscard]] tl::unexpected<base::Error> cut_off() const {
    return fail_because(ErrorCode::kMalformed, path_, base::because("cut-off-or-damaged"),
                        base::wants("whole-fits"));
  }
  /// Whole numbers without blanks, scaled by nothing, can be read as they lie in the file.
  void open_raw(const std::filesystem::path& path) {
    int status = 0;
    LONGLONG data = 0;
    const double zero = file_.number("BZERO").value_or(0.0);
    const double expected = bitpix_ == USHORT_IMG ? 32768.0 : 0.0;
    const bool plain = file_.number("BSCALE").value_or(1.0) == 1.0 && zero == expected &&
                       !file_.number("BLANK") && bitpix_ != SHORT_IMG;
    if (plain && fits_is_compressed_image(file_.get(), &status) == 0 &&
        fits_get_hduaddrll(file_.get(), nullptr, &data, nullptr, &status) == 0) {
      raw_ = RawPlanes::open(path, data, facts.width, facts.height, bitpix_ == BYTE_IMG ? 1 : 2,
                             from_top_);
      facts.parts_alone = raw_.has_value();
    }
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
    constexpr auto kBlock = static_cast<LONGLONG>(kFitsBlockBytes);
    const auto bytes =
        static_cast<LONGLONG>(std::filesystem::file_size(path, ignored)) / kBlock * kBlock;
    const LONGLONG plane =
        static_cast<LONGLONG>(facts.width) * facts.height * (bitpix_ == BYTE_IMG ? 1 : 2);
    return std::max<LONGLONG>(0, bytes - data) / plane;
  }

  FitsFile file_;
  std::optional<RawPlanes> raw_;
  std::string path_;
  int bitpix_ = 0;
  bool from_top_ = false;
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

}  // namespace

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
              write_info(file, frame->info, frame->width, frame->height, frame->saturation);
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
    write_info(file, format.info, format.width, format.height, format.saturation);
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

}  // namespace solarchon::media
