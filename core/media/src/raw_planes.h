// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <optional>
#include <vector>

#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"

namespace solarchon::media {

/// The planes of an uncompressed cube of whole numbers, read as they lie in the file: quicker than
/// through the library, which goes over every pixel several times.
class RawPlanes {
 public:
  /// @param data   where the first plane begins
  /// @param bytes  of a pixel: 1, or 2 for big-endian numbers with 32768 taken off
  /// @param from_top  the first row of the file is the top one
  /// @return       none when the file cannot be opened
  [[nodiscard]] static std::optional<RawPlanes> open(const std::filesystem::path& path,
                                                     std::int64_t data, int width, int height,
                                                     int bytes, bool from_top);
  ~RawPlanes();
  RawPlanes(RawPlanes&& other) noexcept;
  RawPlanes& operator=(RawPlanes&& other) noexcept;
  RawPlanes(const RawPlanes&) = delete;
  RawPlanes& operator=(const RawPlanes&) = delete;

  /// @param part  within the plane, rows from the top
  /// @param into  its pixels have the part's size
  /// @return      false when the file does not give them
  [[nodiscard]] bool read(std::int64_t plane, const image::Rectangle& part, image::Frame& into);

 private:
  RawPlanes(int file, std::int64_t data, int width, int height, int bytes, bool from_top)
      : file_(file),
        data_(data),
        width_(width),
        height_(height),
        bytes_(bytes),
        from_top_(from_top) {}
  int file_;
  std::int64_t data_;
  int width_;
  int height_;
  int bytes_;
  bool from_top_;
  std::vector<unsigned char> buffer_;
};

}  // namespace solarchon::media
