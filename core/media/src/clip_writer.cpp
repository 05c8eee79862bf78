// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/clip_writer.h"

#include <fcntl.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <cerrno>
#include <cstdio>
#include <cstring>
#include <utility>
#include <vector>

#include "fits.h"
#include "fits_headers.h"
#include "solarchon/base/range.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::fail_because;
using base::Result;

namespace {

constexpr auto kBlockBytes = static_cast<std::int64_t>(kFitsBlockBytes);

std::int64_t whole_blocks(std::int64_t bytes) {
  return (bytes + kBlockBytes - 1) / kBlockBytes * kBlockBytes;
}

/// An open file that closes itself.
class Descriptor {
 public:
  Descriptor() = default;
  ~Descriptor() { close(); }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  bool open(const std::filesystem::path& path, int flags) {
    constexpr mode_t kForAll = 0644;
    number_ = ::open(path.c_str(), flags | O_CLOEXEC, kForAll);
    return number_ >= 0;
  }
  void close() {
    if (number_ >= 0) {
      ::close(std::exchange(number_, -1));
    }
  }
  /// Writes all of it, or nothing that counts. False with errno set.
  [[nodiscard]] bool write(const void* data, std::size_t size, std::int64_t at) const {
    const char* from = static_cast<const char*>(data);
    while (size > 0) {
      const ssize_t done = ::pwrite(number_, from, size, at);
      if (done < 0 && errno == EINTR) {
        continue;
      }
      if (done <= 0) {
        return false;
      }
      from += done;
      at += done;
      size -= static_cast<std::size_t>(done);
    }
    return true;
  }
  [[nodiscard]] bool synced() const { return ::fdatasync(number_) == 0 || errno == EINVAL; }
  [[nodiscard]] bool cut(std::int64_t size) const { return ::ftruncate(number_, size) == 0; }

 private:
  int number_ = -1;
};

}  // namespace

std::filesystem::path times_beside(const std::filesystem::path& clip) {
  std::filesystem::path beside = clip;
  beside += ".times.csv";
  return beside;
}

struct ClipWriter::State {
  std::filesystem::path path;
  ClipFormat format;
  Descriptor file;
  Descriptor times;
  std::int64_t data = 0;   ///< where the first frame begins
  std::int64_t count = 0;  ///< where the card stands that says how many there are
  std::int64_t times_end = 0;
  int frames = 0;
  bool closed = false;
  std::vector<std::uint8_t> bytes;

  [[nodiscard]] std::int64_t frame_bytes() const {
    return static_cast<std::int64_t>(format.width) * format.height * pixel_bytes();
  }
  [[nodiscard]] int pixel_bytes() const { return format.saturation > 255 ? 2 : 1; }
  [[nodiscard]] tl::unexpected<base::Error> unwritable() const {
    return frames == 0 ? fail_because(ErrorCode::kUnwritable, path.string(),
                                      base::reported(std::strerror(errno)))
                       : fail_because(ErrorCode::kUnwritable, path.string(),
                                      base::because("kept-so-far", {static_cast<double>(frames)},
                                                    std::strerror(errno)));
  }

  /// Rows from the bottom, numbers of two bytes as FITS has them: less 32768, high byte first.
  void lay_out(const image::Frame& frame) {
    const auto width = static_cast<std::size_t>(format.width);
    bytes.resize(static_cast<std::size_t>(frame_bytes()));
    std::uint8_t* to = bytes.data();
    for (int y = format.height - 1; y >= 0; --y) {
      const std::uint16_t* row = frame.pixels.data() + static_cast<std::size_t>(y) * width;
      if (pixel_bytes() == 1) {
        for (std::size_t x = 0; x < width; ++x) {
          to[x] = static_cast<std::uint8_t>(row[x]);
        }
        to += width;
        continue;
      }
      for (std::size_t x = 0; x < width; ++x) {
        const unsigned value = row[x] ^ 0x8000U;
        to[2 * x] = static_cast<std::uint8_t>(value >> 8U);
        to[2 * x + 1] = static_cast<std::uint8_t>(value & 0xFFU);
      }
      to += 2 * width;
    }
  }

  [[nodiscard]] bool say_count(int now) const {
    std::array<char, kFitsCardBytes + 1> card{};
    std::snprintf(card.data(), card.size(), "%-8s= %20d / %-47s", "NAXIS3", now, "frames");
    return file.write(card.data(), kFitsCardBytes, count);
  }
};

ClipWriter::ClipWriter(std::unique_ptr<State> state) : state_(std::move(state)) {}
ClipWriter::ClipWriter(ClipWriter&&) noexcept = default;
ClipWriter& ClipWriter::operator=(ClipWriter&&) noexcept = default;
ClipWriter::~ClipWriter() {
  if (state_) {
    (void)close();
  }
}

Result<ClipWriter> ClipWriter::create(const std::filesystem::path& path, const ClipFormat& format) {
  if (auto sized = image::check_size(format.width, format.height, path.string()); !sized) {
    return tl::make_unexpected(sized.error());
  }
  if (const auto rate = base::checked("rate_hz", format.rate_hz, {1e-6, 1e6}); !rate) {
    return tl::make_unexpected(rate.error());
  }
  auto state = std::make_unique<State>();
  state->path = path;
  state->format = format;
  // What stands there already belongs to somebody, links that lead nowhere too.
  std::error_code ignored;
  for (const std::filesystem::path& made : {path, times_beside(path)}) {
    if (std::filesystem::exists(std::filesystem::symlink_status(made, ignored))) {
      return fail_because(ErrorCode::kUnwritable, made.string(),
                          base::reported(std::strerror(EEXIST)));
    }
  }
  static constexpr std::string_view kHeading = "frame,seconds\n";
  const auto begun = [&]() -> Result<void> {
    const auto header = begin_cube(path, format);
    if (!header) {
      return tl::make_unexpected(header.error());
    }
    state->data = header->data;
    state->count = header->count;
    if (!state->file.open(path, O_WRONLY) ||
        !state->times.open(times_beside(path), O_WRONLY | O_CREAT | O_EXCL | O_NOFOLLOW) ||
        !state->file.cut(state->data) || !state->say_count(0) ||
        !state->times.write(kHeading.data(), kHeading.size(), 0)) {
      return state->unwritable();
    }
    return {};
  }();
  if (!begun) {  // an empty file would stand in the way of the next try
    std::filesystem::remove(path, ignored);
    std::filesystem::remove(times_beside(path), ignored);
    return tl::make_unexpected(begun.error());
  }
  state->times_end = static_cast<std::int64_t>(kHeading.size());
  return ClipWriter(std::move(state));
}

Result<void> ClipWriter::add(const image::Frame& frame, double seconds) {
  State& state = *state_;
  if (frame.width != state.format.width || frame.height != state.format.height) {
    return fail(ErrorCode::kMalformed, state.path.string(), std::to_string(state.frames));
  }
  state.lay_out(frame);
  const std::int64_t at = state.data + state.frame_bytes() * state.frames;
  std::array<char, 64> line{};
  const int length = std::snprintf(line.data(), line.size(), "%d,%.6f\n", state.frames, seconds);
  // Whole blocks at every moment: readers of FITS want them.
  if (!state.file.cut(whole_blocks(at + state.frame_bytes())) ||
      !state.file.write(state.bytes.data(), state.bytes.size(), at) ||
      !state.times.write(line.data(), static_cast<std::size_t>(length), state.times_end) ||
      !state.say_count(state.frames + 1)) {
    auto problem = state.unwritable();
    (void)state.file.cut(whole_blocks(at));
    (void)state.times.cut(state.times_end);
    return problem;
  }
  state.times_end += length;
  ++state.frames;
  return {};
}

int ClipWriter::frames() const { return state_->frames; }

std::int64_t ClipWriter::bytes() const {
  return state_->data + state_->frame_bytes() * state_->frames;
}

Result<void> ClipWriter::close() {
  State& state = *state_;
  if (std::exchange(state.closed, true)) {
    return {};
  }
  const bool synced = state.file.synced() && state.times.synced();
  auto problem = state.unwritable();
  state.file.close();
  state.times.close();
  return synced ? Result<void>() : problem;
}

}  // namespace solarchon::media
