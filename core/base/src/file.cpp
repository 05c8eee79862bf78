// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/file.h"

#include <fcntl.h>
#include <unistd.h>

#include <cerrno>
#include <cstring>
#include <fstream>
#include <system_error>

namespace solarchon::base {

namespace {

std::string system_reason(int error_number) {
  return std::generic_category().message(error_number);
}

Result<void> flush_to_disk(const std::filesystem::path& path) {
  const int file = ::open(path.c_str(), O_RDONLY | O_CLOEXEC);
  if (file < 0) {
    return fail(ErrorCode::kUnwritable, path.string(), system_reason(errno));
  }
  const int outcome = ::fsync(file);
  const int reason = errno;
  ::close(file);
  if (outcome != 0) {
    return fail(ErrorCode::kUnwritable, path.string(), system_reason(reason));
  }
  return {};
}

}  // namespace

Result<std::string> read_file(const std::filesystem::path& path, std::size_t max_bytes) {
  std::error_code status;
  if (std::filesystem::is_directory(path, status)) {
    return fail(ErrorCode::kUnreadable, path.string(), "is a folder");
  }
  errno = 0;
  std::ifstream in(path, std::ios::binary);
  if (!in) {
    return fail(ErrorCode::kUnreadable, path.string(), system_reason(errno));
  }
  std::string bytes;
  std::string chunk(std::size_t{1} << 16U, '\0');
  while (in) {
    in.read(chunk.data(), static_cast<std::streamsize>(chunk.size()));
    bytes.append(chunk, 0, static_cast<std::size_t>(in.gcount()));
    if (bytes.size() > max_bytes) {
      return fail(ErrorCode::kTooLarge, path.string(), {},
                  "at most " + std::to_string(max_bytes) + " bytes");
    }
  }
  if (in.bad()) {
    return fail(ErrorCode::kUnreadable, path.string(), system_reason(errno));
  }
  return bytes;
}

Result<void> write_beside_then_rename(
    const std::filesystem::path& path,
    const std::function<Result<void>(const std::filesystem::path&)>& write) {
  std::filesystem::path neighbour = path;
  neighbour += "." + std::to_string(::getpid()) + ".part";
  std::error_code ignored;
  std::filesystem::remove(neighbour, ignored);
  Result<void> outcome = write(neighbour).and_then([&] { return flush_to_disk(neighbour); });
  if (outcome) {
    std::error_code problem;
    std::filesystem::rename(neighbour, path, problem);
    if (!problem) {
      return {};
    }
    outcome = fail(ErrorCode::kUnwritable, path.string(), problem.message());
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
      return fail(ErrorCode::kUnwritable, path.string(), system_reason(errno));
    }
    return {};
  });
}

Result<void> make_folder(const std::filesystem::path& path) {
  std::error_code problem;
  std::filesystem::create_directories(path, problem);
  if (problem) {
    return fail(ErrorCode::kUnwritable, path.string(), problem.message());
  }
  return {};
}

}  // namespace solarchon::base
