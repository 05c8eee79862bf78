// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <filesystem>
#include <string>

#include "solarchon/base/result.h"

namespace solarchon::media {

/// By which a file is known again, whatever it is called.
struct Fingerprint {
  std::int64_t bytes = 0;
  std::string sha256;  ///< in hexadecimal digits
  /// Of large files not all bytes went into it: 64 stretches of a mebibyte, evenly spread from the
  /// first to the last.
  bool sampled = false;
  bool operator==(const Fingerprint&) const = default;
};

/// @param path  a file; or a folder of pictures, of which names, sizes and first bytes count
/// Errors: kUnreadable.
/// Accuracy: files of up to 64 MiB whole; of larger ones a change between the stretches is not
/// seen. Source: SHA-256 by FIPS 180-4.
[[nodiscard]] base::Result<Fingerprint> fingerprint(const std::filesystem::path& path);

}  // namespace solarchon::media
