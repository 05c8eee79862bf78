// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/fingerprint.h"

extern "C" {
#include <libavutil/mem.h>
#include <libavutil/sha.h>
}

#include <algorithm>
#include <array>
#include <fstream>
#include <memory>
#include <vector>

namespace solarchon::media {

using base::Result;

namespace {

class Sha256 {
 public:
  Sha256() : state_(av_sha_alloc(), &av_free) { av_sha_init(state_.get(), kBits); }
  void add(const char* bytes, std::size_t count) {
    av_sha_update(state_.get(), reinterpret_cast<const std::uint8_t*>(bytes), count);
  }
  [[nodiscard]] std::string digits() {
    std::array<std::uint8_t, kBits / 8> sum{};
    av_sha_final(state_.get(), sum.data());
    constexpr const char* kDigits = "0123456789abcdef";
    std::string text;
    for (const std::uint8_t byte : sum) {
      text += kDigits[byte >> 4U];
      text += kDigits[byte & 15U];
    }
    return text;
  }

 private:
  static constexpr int kBits = 256;
  std::unique_ptr<AVSHA, void (*)(void*)> state_;
};

constexpr std::int64_t kStretch = 1 << 20;
constexpr std::int64_t kStretches = 64;

/// Stretches of a file; false when it does not give them.
bool add_file(Sha256& sha, const std::filesystem::path& path, std::int64_t bytes,
              std::int64_t most_stretches) {
  std::ifstream in(path, std::ios::binary);
  std::vector<char> buffer(static_cast<std::size_t>(kStretch));
  const bool sampled = bytes > kStretch * most_stretches;
  const std::int64_t count = sampled ? most_stretches : (bytes + kStretch - 1) / kStretch;
  for (std::int64_t i = 0; i < count; ++i) {
    const std::int64_t from =
        sampled ? (bytes - kStretch) * i / std::max<std::int64_t>(1, count - 1) : i * kStretch;
    const std::int64_t wanted = std::min(kStretch, bytes - from);
    in.seekg(from);
    in.read(buffer.data(), wanted);
    if (!in) {
      return false;
    }
    sha.add(buffer.data(), static_cast<std::size_t>(wanted));
  }
  return true;
}

}  // namespace

Result<Fingerprint> fingerprint(const std::filesystem::path& path) {
  std::error_code status;
  Sha256 sha;
  Fingerprint print;
  const auto unreadable = [&] {
    return base::fail_because(base::ErrorCode::kUnreadable, path.string(),
                              base::because("no-such-file"));
  };
  if (std::filesystem::is_directory(path, status)) {
    std::vector<std::filesystem::path> files;
    for (const auto& entry : std::filesystem::directory_iterator(path, status)) {
      if (entry.is_regular_file(status)) {
        files.push_back(entry.path());
      }
    }
    std::sort(files.begin(), files.end());
    for (const auto& file : files) {
      const auto bytes = static_cast<std::int64_t>(std::filesystem::file_size(file, status));
      const std::string head = file.filename().string() + '\n' + std::to_string(bytes) + '\n';
      sha.add(head.data(), head.size());
      if (!add_file(sha, file, std::min(bytes, kStretch), 1)) {
        return unreadable();
      }
      print.bytes += bytes;
    }
    print.sampled = true;
  } else {
    if (!std::filesystem::is_regular_file(path, status)) {
      return unreadable();
    }
    print.bytes = static_cast<std::int64_t>(std::filesystem::file_size(path, status));
    print.sampled = print.bytes > kStretch * kStretches;
    if (!add_file(sha, path, print.bytes, kStretches)) {
      return unreadable();
    }
  }
  print.sha256 = sha.digits();
  return print;
}

}  // namespace solarchon::media
