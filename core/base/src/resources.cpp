// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/resources.h"

#include <cstdlib>
#include <system_error>
#include <vector>

namespace solarchon::base {

Result<std::filesystem::path> shipped_file(std::string_view name) {
  std::vector<std::filesystem::path> folders;
  if (const char* named = std::getenv("SOLARCHON_SHARE"); named != nullptr) {
    folders.emplace_back(named);
  }
  std::error_code ignored;
  const auto program = std::filesystem::read_symlink("/proc/self/exe", ignored);
  if (!ignored) {
    folders.push_back(program.parent_path().parent_path() / "share" / "solarchon");
  }
  folders.emplace_back(SOLARCHON_SOURCE_DATA);
  for (const auto& folder : folders) {
    auto candidate = folder / name;
    if (std::filesystem::exists(candidate, ignored)) {
      return candidate;
    }
  }
  return fail_because(ErrorCode::kUnreadable, std::string(name), because("not-installed"));
}

}  // namespace solarchon::base
