// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/capture/watch.h"

#include <algorithm>

#include "solarchon/media/endings.h"

namespace solarchon::capture {

namespace {

bool by_its_ending(const std::filesystem::path& path) {
  return media::named_as_picture(path) || media::named_as_video(path);
}

}  // namespace

base::Result<std::vector<std::filesystem::path>> WatchedFolder::look(Clock::time_point now) {
  std::error_code status;
  const auto inside = std::filesystem::directory_iterator(folder_, status);
  if (status) {
    return base::fail_because(base::ErrorCode::kUnreadable, folder_.string(),
                              base::because("no-such-file"));
  }
  std::vector<std::filesystem::path> whole;
  std::map<std::filesystem::path, Growing> growing;
  for (const auto& entry : inside) {
    const std::filesystem::path& path = entry.path();
    if (!by_its_ending(path) || seen_.contains(path) || !entry.is_regular_file(status)) {
      continue;
    }
    if (!looked_) {
      seen_.insert(path);
      continue;
    }
    const std::uintmax_t bytes = entry.file_size(status);
    if (status) {
      continue;
    }
    const auto before = growing_.find(path);
    const bool same = before != growing_.end() && before->second.bytes == bytes;
    const auto since = same ? before->second.since : now;
    if (same && bytes > 0 && now - since >= settles_) {
      seen_.insert(path);
      whole.push_back(path);
    } else {
      growing[path] = {bytes, since};
    }
  }
  growing_ = std::move(growing);
  looked_ = true;
  std::sort(whole.begin(), whole.end());
  return whole;
}

}  // namespace solarchon::capture
