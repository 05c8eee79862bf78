// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/file.h"

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

#include <atomic>
#include <cerrno>
#include <charconv>
#include <csignal>
#include <cstring>
#include <fstream>
#include <system_error>

namespace solarchon::base {

namespace {

std::string system_reason(int error_number) {
  return std::generic_category().message(error_number);
}

/// An open file that closes itself.
class Descriptor {
 public:
  explicit Descriptor(int number) : number_(number) {}
  ~Descriptor() {
    if (number_ >= 0) {
      ::close(number_);
    }
  }
  Descriptor(const Descriptor&) = delete;
  Descriptor& operator=(const Descriptor&) = delete;
  [[nodiscard]] int number() const { return number_; }

 private:
  int number_;
};

/// Of a file, or of a folder: the names in it.
Result<void> flush_to_disk(const std::filesystem::path& path) {
  const int file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
  if (file < 0) {
    return fail_because(ErrorCode::kUnwritable, path.string(), reported(system_reason(errno)));
  }
  const int outcome = ::fsync(file);
  const int reason = errno;
  ::close(file);
  if (outcome != 0 && reason != EINVAL) {  // some file systems cannot flush a folder
    return fail_because(ErrorCode::kUnwritable, path.string(), reported(system_reason(reason)));
  }
  return {};
}

/// Where a write to this path must go: behind symbolic links, to a plain file or to nothing yet.
Result<std::filesystem::path> real_target(const std::filesystem::path& path) {
  if (path.empty() || !path.has_filename()) {
    return fail_because(ErrorCode::kUnwritable, path.empty() ? "file" : path.string(),
                        because("no-file-name"));
  }
  std::filesystem::path target = path;
  std::error_code problem;
  constexpr int kMostLinks = 40;
  for (int links = 0; std::filesystem::is_symlink(target, problem); ++links) {
    if (links >= kMostLinks) {
      return fail_because(ErrorCode::kUnwritable, path.string(), reported(system_reason(ELOOP)));
    }
    const std::filesystem::path next = std::filesystem::read_symlink(target, problem);
    if (problem) {
      return fail_because(ErrorCode::kUnwritable, path.string(), reported(problem.message()));
    }
    target = next.is_absolute() ? next : target.parent_path() / next;
  }
  const auto status = std::filesystem::status(target, problem);
  if (std::filesystem::exists(status) && !std::filesystem::is_regular_file(status)) {
    return fail_because(ErrorCode::kUnwritable, path.string(), because("not-a-plain-file"));
  }
  return target;
}

std::filesystem::path folder_of(const std::filesystem::path& file) {
  return file.has_parent_path() ? file.parent_path() : std::filesystem::path(".");
}

constexpr const char* kHalf = ".part";

/// Every write of a process has a neighbour of its own.
std::filesystem::path neighbour_of(const std::filesystem::path& target) {
  static std::atomic<unsigned> count{0};
  std::filesystem::path neighbour = target;
  neighbour += '.';
  neighbour += std::to_string(::getpid());
  neighbour += '-';
  neighbour += std::to_string(++count);
  return neighbour += kHalf;
}

/// The process that wrote a neighbour, by its name; none where it is another file.
std::optional<pid_t> writer_of(const std::filesystem::path& file) {
  if (file.extension() != kHalf) {
    return std::nullopt;
  }
  const std::string number = file.stem().extension().string();  // .PID-NUMBER
  pid_t process = 0;
  unsigned count = 0;
  const char* end = number.data() + number.size();
  if (number.empty()) {
    return std::nullopt;
  }
  const auto first = std::from_chars(number.data() + 1, end, process);
  if (first.ec != std::errc() || first.ptr == end || *first.ptr != '-' || process <= 0) {
    return std::nullopt;
  }
  const auto second = std::from_chars(first.ptr + 1, end, count);
  return second.ec == std::errc() && second.ptr == end ? std::optional(process) : std::nullopt;
}

}  // namespace

Result<std::string> read_file(const std::filesystem::path& path, std::size_t max_bytes) {
  const auto unreadable = [&](int reason) {
    return fail_because(ErrorCode::kUnreadable, path.string(), reported(system_reason(reason)));
  };
  // A pipe that nobody writes to must not hold us while it is opened.
  const Descriptor file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
  if (file.number() < 0) {
    return unreadable(errno);
  }
  struct stat facts {};
  if (::fstat(file.number(), &facts) != 0) {
    return unreadable(errno);
  }
  if (S_ISDIR(facts.st_mode)) {
    return fail_because(ErrorCode::kUnreadable, path.string(), because("is-a-folder"));
  }
  if (!S_ISREG(facts.st_mode)) {
    return fail_because(ErrorCode::kUnreadable, path.string(), because("not-a-plain-file"));
  }
  std::string bytes;
  std::string chunk(std::size_t{1} << 16U, '\0');
  for (;;) {
    const ssize_t got = ::read(file.number(), chunk.data(), chunk.size());
    if (got < 0 && errno == EINTR) {
      continue;
    }
    if (got < 0) {
      return unreadable(errno);
    }
    if (got == 0) {
      return bytes;
    }
    bytes.append(chunk, 0, static_cast<std::size_t>(got));
    if (bytes.size() > max_bytes) {
      return fail(ErrorCode::kTooLarge, path.string(), {},
                  wants("at-most-bytes", {static_cast<double>(max_bytes)}));
    }
  }
}

Result<void> write_beside_then_rename(
    const std::filesystem::path& path,
    const std::function<Result<void>(const std::filesystem::path&)>& write) {
  const auto target = real_target(path);
  if (!target) {
    return tl::make_unexpected(target.error());
  }
  const std::filesystem::path neighbour = neighbour_of(*target);
  std::error_code ignored;
  std::filesystem::remove(neighbour, ignored);
  Result<void> outcome = write(neighbour).and_then([&] { return flush_to_disk(neighbour); });
  if (outcome) {
    std::error_code problem;
    if (const auto old = std::filesystem::status(*target, problem); std::filesystem::exists(old)) {
      std::filesystem::permissions(neighbour, old.permissions(), ignored);
    }
    std::filesystem::rename(neighbour, *target, problem);
    if (!problem) {
      // The file is whole and in its place: a folder that cannot be flushed takes nothing away.
      (void)flush_to_disk(folder_of(*target));
      return {};
    }
    outcome = fail_because(ErrorCode::kUnwritable, path.string(), reported(problem.message()));
  }
  std::filesystem::remove(neighbour, ignored);
  return outcome;
}

Result<void> write_file(const std::filesystem::path& path, std::string_view bytes) {
  return write_beside_then_rename(path, [&](const std::filesystem::path& target) -> Result<void> {
    errno = 0;
    std::ofstream out(target, std::ios::binary | std::ios::trunc);
    out.write(bytes.data(), static_cast<std::streamsize>(bytes.size()));
    out.close();
    if (!out) {
      return fail_because(ErrorCode::kUnwritable, path.string(), reported(system_reason(errno)));
    }
    return {};
  });
}

std::vector<std::filesystem::path> sweep_half_files(const std::filesystem::path& folder) {
  std::vector<std::filesystem::path> swept;
  std::error_code problem;
  for (std::filesystem::directory_iterator entry(folder, problem), end; !problem && entry != end;
       entry.increment(problem)) {
    const std::filesystem::path& path = entry->path();
    std::error_code ignored;
    const auto writer = writer_of(path);
    const bool writes = writer && (::kill(*writer, 0) == 0 || errno == EPERM);
    if (writer && (!writes || *writer == ::getpid()) &&
        entry->symlink_status(ignored).type() == std::filesystem::file_type::regular &&
        std::filesystem::remove(path, ignored)) {
      swept.push_back(path);
    }
  }
  return swept;
}

bool same_file(const std::filesystem::path& one, const std::filesystem::path& other) {
  std::error_code problem;
  return std::filesystem::equivalent(one, other, problem) && !problem;
}

Result<void> check_apart(const std::string& field, const std::filesystem::path& output,
                         const std::vector<std::filesystem::path>& inputs) {
  for (const std::filesystem::path& input : inputs) {
    if (same_file(output, input)) {
      return fail_because(ErrorCode::kUnknownValue, field, because("is-read"));
    }
  }
  return {};
}

Result<bool> make_new_file(const std::filesystem::path& path) {
  constexpr mode_t kRights = 0666;  // what the user's mask leaves of it
  const int file = ::open(path.c_str(), O_WRONLY | O_CREAT | O_EXCL | O_CLOEXEC, kRights);
  if (file >= 0) {
    ::close(file);
    return true;
  }
  if (errno == EEXIST) {
    return false;
  }
  return fail_because(ErrorCode::kUnwritable, path.string(), reported(system_reason(errno)));
}

Result<void> make_folder(const std::filesystem::path& path) {
  std::error_code problem;
  std::filesystem::create_directories(path, problem);
  if (problem) {
    return fail_because(ErrorCode::kUnwritable, path.string(), reported(problem.message()));
  }
  return {};
}

std::optional<double> free_bytes(const std::filesystem::path& folder) {
  std::error_code problem;
  for (std::filesystem::path at = folder; !at.empty(); at = at.parent_path()) {
    const auto space = std::filesystem::space(at, problem);
    if (!problem) {
      return static_cast<double>(space.available);
    }
    if (at == at.parent_path()) {
      break;
    }
  }
  return std::nullopt;
}

}  // namespace solarchon::base
