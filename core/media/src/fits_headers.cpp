// SPDX-License-Identifier: GPL-3.0-or-later
#include "fits_headers.h"

#include <array>
#include <charconv>
#include <cstdint>
#include <fstream>
#include <optional>
#include <string>
#include <string_view>

namespace solarchon::media {

using base::ErrorCode;
using base::fail;
using base::Result;

namespace {

constexpr int kMostAxes = 9;
constexpr int kMostUnits = 100;
constexpr int kMostHeaderBlocks = 400;
constexpr std::int64_t kMostSize = std::int64_t{1} << 48U;

/// What one header says of the data behind it.
struct Header {
  std::string extension;  ///< IMAGE, BINTABLE ...; empty for the primary unit
  std::int64_t bitpix = 8;
  std::int64_t axes = 0;
  std::array<std::int64_t, kMostAxes> sizes{};
  std::int64_t groups = 1;
  std::int64_t parameters = 0;
  bool compressed = false;
  std::int64_t picture_axes = 0;  ///< of a compressed picture
};

std::string_view trimmed(std::string_view text) {
  while (!text.empty() && text.front() == ' ') {
    text.remove_prefix(1);
  }
  while (!text.empty() && text.back() == ' ') {
    text.remove_suffix(1);
  }
  return text;
}

std::optional<std::int64_t> whole(std::string_view value) {
  const std::string_view text = trimmed(value.substr(0, value.find('/')));
  std::int64_t number = 0;
  const auto [end, problem] = std::from_chars(text.data(), text.data() + text.size(), number);
  return problem == std::errc() && end == text.data() + text.size() ? std::optional(number)
                                                                    : std::nullopt;
}

/// Takes one card over. False when its number cannot be.
bool take_card(std::string_view card, Header& header) {
  const std::string_view key = trimmed(card.substr(0, 8));
  if (card.substr(8, 2) != "= ") {
    return true;
  }
  const std::string_view value = card.substr(10);
  if (key == "XTENSION") {
    const std::size_t open = value.find('\'');
    const std::size_t close = value.find('\'', open + 1);
    if (open == std::string_view::npos || close == std::string_view::npos) {
      return false;
    }
    header.extension = trimmed(value.substr(open + 1, close - open - 1));
    return true;
  }
  if (key == "ZIMAGE") {
    header.compressed = trimmed(value.substr(0, value.find('/'))) == "T";
    return true;
  }
  const auto take = [&](std::int64_t least, std::int64_t most, std::int64_t& into) {
    const auto number = whole(value);
    if (!number || *number < least || *number > most) {
      return false;
    }
    into = *number;
    return true;
  };
  if (key == "BITPIX") {
    return take(-64, 64, header.bitpix);
  }
  if (key == "NAXIS") {
    return take(0, kMostAxes, header.axes);
  }
  if (key == "ZNAXIS") {
    return take(0, kMostAxes, header.picture_axes);
  }
  if (key == "GCOUNT") {
    return take(0, kMostSize, header.groups);
  }
  if (key == "PCOUNT") {
    return take(0, kMostSize, header.parameters);
  }
  if (key.starts_with("NAXIS") && key.size() == 6 && key[5] >= '1' && key[5] <= '9') {
    return take(0, kMostSize, header.sizes.at(static_cast<std::size_t>(key[5] - '1')));
  }
  // A tenth axis and more are refused with the number of axes.
  return true;
}

/// Bytes of data behind a header; none when they overflow.
std::optional<std::int64_t> data_bytes(const Header& header) {
  if (header.axes == 0) {
    return 0;
  }
  std::int64_t product = 1;
  // Random groups have a first axis of 0, which does not count.
  const bool groups = header.extension.empty() && header.sizes[0] == 0 && header.axes > 1;
  for (std::int64_t axis = groups ? 1 : 0; axis < header.axes; ++axis) {
    if (__builtin_mul_overflow(product, header.sizes.at(static_cast<std::size_t>(axis)),
                               &product) ||
        product > kMostSize) {
      return std::nullopt;
    }
  }
  std::int64_t values = 0;
  std::int64_t bytes = 0;
  const std::int64_t each = (header.bitpix < 0 ? -header.bitpix : header.bitpix) / 8;
  if (__builtin_add_overflow(product, header.parameters, &values) ||
      __builtin_mul_overflow(values, header.groups, &bytes) ||
      __builtin_mul_overflow(bytes, each, &bytes) || bytes > kMostSize) {
    return std::nullopt;
  }
  return bytes;
}

/// Reads one header from where the file stands. None at the file's end or when it is none.
Result<std::optional<Header>> next_header(std::ifstream& in, const std::string& name) {
  Header header;
  std::array<char, kFitsBlockBytes> block{};
  for (int count = 0; count < kMostHeaderBlocks; ++count) {
    in.read(block.data(), block.size());
    if (!in) {
      if (count == 0) {
        return std::optional<Header>();
      }
      return fail_because(ErrorCode::kMalformed, name, base::because("cut-off-in-a-header"),
                          base::wants("whole-fits"));
    }
    const std::string_view text(block.data(), block.size());
    if (count == 0 && !text.starts_with("SIMPLE  =") && !text.starts_with("XTENSION=")) {
      return std::optional<Header>();  // what may follow the last unit
    }
    for (std::size_t card = 0; card < kFitsBlockBytes; card += kFitsCardBytes) {
      const std::string_view line = text.substr(card, kFitsCardBytes);
      if (trimmed(line) == "END") {
        return std::optional(header);
      }
      if (!take_card(line, header)) {
        return fail(ErrorCode::kMalformed, name, std::string(trimmed(line.substr(0, 30))),
                    base::wants("fits-number"));
      }
    }
  }
  return fail_because(ErrorCode::kTooLarge, name, base::because("header-without-an-end"),
                      base::wants("at-most-1-mb-of-header"));
}

}  // namespace

Result<int> first_picture(const std::filesystem::path& path, Length length) {
  std::ifstream in(path, std::ios::binary | std::ios::ate);
  if (!in) {
    return fail(ErrorCode::kUnreadable, path.string());
  }
  const std::int64_t file_bytes = in.tellg();
  std::int64_t at = 0;
  for (int unit = 1; unit <= kMostUnits; ++unit) {
    in.clear();
    in.seekg(at);
    const auto header = next_header(in, path.string());
    if (!header) {
      return tl::make_unexpected(header.error());
    }
    if (!*header) {
      break;
    }
    const Header& found = **header;
    const auto bytes = data_bytes(found);
    const std::int64_t begins = in.tellg();
    const bool plain = (found.extension.empty() || found.extension == "IMAGE") && found.axes >= 2 &&
                       bytes && *bytes > 0;
    const bool cut_off = !bytes || *bytes > file_bytes - begins;
    if (cut_off && !(plain && length == Length::kMayBeCutOff)) {
      return fail_because(ErrorCode::kMalformed, path.string(), base::because("cut-off"),
                          base::wants("whole-fits"));
    }
    if (plain || (found.compressed && found.picture_axes >= 2)) {
      return unit;
    }
    if (found.extension.empty() && found.axes == 1) {
      return fail_because(ErrorCode::kMalformed, path.string(), base::because("axes", {1.0}),
                          base::wants("two-axes-or-planes"));
    }
    at = begins + (*bytes + static_cast<std::int64_t>(kFitsBlockBytes) - 1) /
                      static_cast<std::int64_t>(kFitsBlockBytes) *
                      static_cast<std::int64_t>(kFitsBlockBytes);
    if (at >= file_bytes) {
      break;
    }
  }
  return fail_because(ErrorCode::kMalformed, path.string(), base::because("no-picture-in-it"),
                      base::wants("fits"));
}

}  // namespace solarchon::media
