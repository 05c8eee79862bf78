// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <fitsio.h>

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdint>
#include <filesystem>
#include <optional>
#include <string>
#include <vector>

#include "solarchon/image/frame.h"

namespace solarchon::media {

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
  /// False where it is not there.
  bool flag(const char* key) {
    int value = 0;
    int status_of_key = 0;
    fits_read_key(get(), TLOGICAL, key, &value, nullptr, &status_of_key);
    return status_of_key == 0 && value != 0;
  }
  void put(const char* key, bool value, const char* comment) {
    int logical = value ? 1 : 0;
    fits_update_key(get(), TLOGICAL, key, &logical, comment, &status);
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

  /// Text of any length, over as many cards as it takes.
  void put_long(const char* key, std::string value) {
    std::replace_if(
        value.begin(), value.end(), [](char c) { return c < ' ' || c > '~'; }, '?');
    fits_write_key_longwarn(file_, &status);
    fits_update_key_longstr(file_, key, value.data(), nullptr, &status);
  }
  std::optional<std::string> long_text(const char* key) {
    char* value = nullptr;
    int absent = 0;
    fits_read_key_longstr(file_, key, &value, nullptr, &absent);
    fits_clear_errmsg();
    std::optional<std::string> text;
    if (absent == 0 && value != nullptr) {
      text = value;
    }
    int ignored = 0;
    fits_free_memory(value, &ignored);
    return text;
  }

  int status = 0;

 private:
  fitsfile* file_ = nullptr;
};

/// What kind of picture a unit holds.
struct FitsShape {
  int bitpix = 0;  ///< as the library names it, scaling by the header's figures included
  int axes = 0;
  std::array<LONGLONG, 3> size{1, 1, 1};
};
/// Opens a file at one of its units; whether that went well, `file.status` says.
[[nodiscard]] FitsShape open_unit(FitsFile& file, const std::filesystem::path& path, int unit);

/// Whether the first row of the file is the top one; by the standard's advice it is the lowest.
[[nodiscard]] bool rows_from_top(FitsFile& file);
/// What a header says of a picture. @param height  of it (px)
void read_info(FitsFile& file, int height, image::FrameInfo& info);
/// Writes into the header what is known of a picture of that size.
/// @param most  value of a full pixel
void write_info(FitsFile& file, const image::FrameInfo& info, int width, int height, int most);
/// Writes the pixels of a plane, bottom row first. @param plane  from 0
void write_pixels(FitsFile& file, const image::Frame& frame, int plane);
/// Turns the rows over, so that the top one comes first.
void turn_over(std::vector<std::uint16_t>& pixels, std::size_t width);

}  // namespace solarchon::media
