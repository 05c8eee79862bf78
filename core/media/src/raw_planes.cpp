// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw_planes.h"

#include <fcntl.h>
#include <unistd.h>

#include <utility>

#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::media {

std::optional<RawPlanes> RawPlanes::open(const std::filesystem::path& path, std::int64_t data,
                                         int width, int height, int bytes, bool from_top) {
  const int file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
  return file < 0 ? std::nullopt
                  : std::optional(RawPlanes(file, data, width, height, bytes, from_top));
}

RawPlanes::~RawPlanes() {
  if (file_ >= 0) {
    ::close(file_);
  }
}
RawPlanes::RawPlanes(RawPlanes&& other) noexcept
    : file_(std::exchange(other.file_, -1)),
      data_(other.data_),
      width_(other.width_),
      height_(other.height_),
      bytes_(other.bytes_),
      from_top_(other.from_top_),
      buffer_(std::move(other.buffer_)) {}
RawPlanes& RawPlanes::operator=(RawPlanes&& other) noexcept {
  std::swap(file_, other.file_);
  data_ = other.data_;
  width_ = other.width_;
  height_ = other.height_;
  bytes_ = other.bytes_;
  from_top_ = other.from_top_;
  buffer_ = std::move(other.buffer_);
  return *this;
}

namespace {

bool fill(int file, unsigned char* into, std::size_t bytes, std::int64_t from) {
  while (bytes > 0) {
    const ssize_t got = ::pread(file, into, bytes, from);
    if (got <= 0) {
      return false;
    }
    into += got;
    from += got;
    bytes -= static_cast<std::size_t>(got);
  }
  return true;
}

}  // namespace

bool RawPlanes::read(std::int64_t plane, const image::Rectangle& part, image::Frame& into) {
  // Asking for another row takes as long as reading some thousand bytes more: where less lies
  // beside the part, it is read along.
  constexpr int kBytesPerAsking = 3000;
  const bool in_one = (width_ - part.width_px) * bytes_ <= kBytesPerAsking;
  const auto rows = static_cast<std::size_t>(part.height_px);
  const auto columns = static_cast<std::size_t>(in_one ? width_ : part.width_px);
  const auto row_bytes = columns * static_cast<std::size_t>(bytes_);
  buffer_.resize(rows * row_bytes);
  const std::int64_t before = from_top_ ? part.top_px : height_ - part.top_px - part.height_px;
  const std::int64_t first =
      data_ + ((plane * height_ + before) * width_ + (in_one ? 0 : part.left_px)) * bytes_;
  if (in_one) {
    if (!fill(file_, buffer_.data(), buffer_.size(), first)) {
      return false;
    }
  } else {
    for (std::size_t y = 0; y < rows; ++y) {
      const auto skipped = static_cast<std::int64_t>(y) * width_ * bytes_;
      if (!fill(file_, buffer_.data() + y * row_bytes, row_bytes, first + skipped)) {
        return false;
      }
    }
  }
  const std::size_t skip = in_one ? static_cast<std::size_t>(part.left_px) : 0;
  const auto width = static_cast<std::size_t>(part.width_px);
  for (std::size_t y = 0; y < rows; ++y) {
    const std::size_t row = from_top_ ? y : rows - 1 - y;
    const unsigned char* from =
        buffer_.data() + row * row_bytes + skip * static_cast<std::size_t>(bytes_);
    std::uint16_t* to = into.pixels.data() + y * width;
    if (bytes_ == 1) {
      for (std::size_t x = 0; x < width; ++x) {
        to[x] = from[x];
      }
    } else {
      constexpr unsigned kZeroAt = 0x8000U;
      for (std::size_t x = 0; x < width; ++x) {
        to[x] = static_cast<std::uint16_t>(((from[2 * x] << 8U) | from[2 * x + 1]) ^ kZeroAt);
      }
    }
  }
  return true;
}

}  // namespace solarchon::media
