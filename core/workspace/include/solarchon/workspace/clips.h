// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>

#include "solarchon/base/result.h"
#include "solarchon/log/log_book.h"

namespace solarchon::workspace {

/// Clips that the program records lie below here.
[[nodiscard]] std::filesystem::path clips_folder(const std::filesystem::path& data);

/// As the log names a file: below the data folder, or with its whole path.
[[nodiscard]] std::string name_in_log(const std::filesystem::path& file,
                                      const std::filesystem::path& data);

/// What a clip on disk is to the log.
struct ClipOnDisk {
  log::SessionStart start;
  log::ClipEntry entry;
};
/// Looks at a clip and at the file beside it that tells site, light path and weather.
/// @param data   below which it is named without its whole path
/// @param usual  what holds where nothing is told; its `started` where the clip has no time
/// Errors: as media::ClipReader::open.
[[nodiscard]] base::Result<ClipOnDisk> clip_on_disk(const std::filesystem::path& file,
                                                    const std::filesystem::path& data,
                                                    const log::SessionStart& usual);

/// Files a clip as it lies on disk. @return  the session. Errors: as clip_on_disk and
/// LogBook::file_clip.
[[nodiscard]] base::Result<std::int64_t> file_clip(log::LogBook& log,
                                                   const std::filesystem::path& file,
                                                   const std::filesystem::path& data,
                                                   const log::SessionStart& usual);

/// Files the clips below a data folder that the log does not have, as a killed program leaves them.
/// Those that cannot be read are passed over. Nobody may be recording there.
/// @return  how many. Errors: as LogBook.
[[nodiscard]] base::Result<int> file_stray_clips(log::LogBook& log,
                                                 const std::filesystem::path& data,
                                                 const log::SessionStart& usual);

}  // namespace solarchon::workspace
