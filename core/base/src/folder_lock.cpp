// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/folder_lock.h"

#include <fcntl.h>
#include <sys/file.h>
#include <unistd.h>

#include <array>
#include <cerrno>
#include <cstring>
#include <string>
#include <system_error>
#include <thread>
#include <utility>

#include "solarchon/base/file.h"
#include "solarchon/base/text.h"

namespace solarchon::base {

namespace {

std::filesystem::path lock_file(const std::filesystem::path& folder) { return folder / ".lock"; }

/// The number that the holder wrote; empty when there is none.
std::string holder(int file) {
  std::array<char, 32> text{};
  const ssize_t count = ::pread(file, text.data(), text.size(), 0);
  return count > 0 ? without_controls({text.data(), static_cast<std::size_t>(count)})
                   : std::string();
}

}  // namespace

Result<FolderLock> FolderLock::take(const std::filesystem::path& folder,
                                    std::chrono::milliseconds patience) {
  if (auto made = make_folder(folder); !made) {
    return tl::make_unexpected(made.error());
  }
  const int file =
      ::open(lock_file(folder).c_str(), O_RDWR | O_CREAT | O_CLOEXEC | O_NOFOLLOW, 0600);
  if (file < 0) {
    return fail_because(ErrorCode::kUnwritable, folder.string(),
                        reported(std::generic_category().message(errno)));
  }
  FolderLock lock(file);
  const auto until = std::chrono::steady_clock::now() + patience;
  while (::flock(file, LOCK_EX | LOCK_NB) != 0) {
    if (std::chrono::steady_clock::now() >= until) {
      const std::string who = holder(file);
      ::close(std::exchange(lock.file_, -1));
      return fail_because(
          ErrorCode::kUnwritable, folder.string(),
          who.empty() ? because("held-by-another-process") : because("held-by-process", {}, who));
    }
    constexpr std::chrono::milliseconds kAgain{20};
    std::this_thread::sleep_for(kAgain);
  }
  const std::string self = std::to_string(::getpid());
  // Who holds it is told for courtesy: a failure here takes nothing away from the lock.
  [[maybe_unused]] const int cut = ::ftruncate(file, 0);
  [[maybe_unused]] const ssize_t told = ::pwrite(file, self.data(), self.size(), 0);
  return lock;
}

FolderLock::~FolderLock() {
  if (file_ >= 0) {
    ::close(file_);
  }
}

FolderLock::FolderLock(FolderLock&& other) noexcept : file_(std::exchange(other.file_, -1)) {}

FolderLock& FolderLock::operator=(FolderLock&& other) noexcept {
  std::swap(file_, other.file_);
  return *this;
}

bool FolderLock::held(const std::filesystem::path& folder) {
  const int file = ::open(lock_file(folder).c_str(), O_RDONLY | O_CLOEXEC | O_NOFOLLOW);
  if (file < 0) {
    return false;
  }
  const bool free = ::flock(file, LOCK_SH | LOCK_NB) == 0;
  ::close(file);
  return !free;
}

}  // namespace solarchon::base
