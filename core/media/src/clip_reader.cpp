// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/media/clip_reader.h"

#include <algorithm>
#include <array>
#include <charconv>
#include <fstream>
#include <sstream>
#include <string_view>
#include <utility>
#include <vector>

#include "clip_source.h"
#include "solarchon/base/file.h"
#include "solarchon/base/range.h"
#include "solarchon/image/frame.h"
#include "solarchon/image/rectangle.h"
#include "solarchon/media/clip_writer.h"
#include "solarchon/media/endings.h"
#include "solarchon/media/frame_file.h"

namespace solarchon::media {

using base::ErrorCode;
using base::Result;

namespace {

/// Pictures in a row.
class Series : public ClipReader::Source {
 public:
  explicit Series(std::vector<std::filesystem::path> files) : files_(std::move(files)) {}
  Result<void> pixels_of(int frame, image::Frame& into) override {
    const std::filesystem::path& file = files_[static_cast<std::size_t>(frame)];
    return read_frame(file).and_then([&](image::Frame read) -> Result<void> {
      if (facts.width != 0 && (read.width != facts.width || read.height != facts.height)) {
        return base::fail_because(ErrorCode::kMalformed, file.string(),
                                  base::because("another-size"));
      }
      into = std::move(read);
      return {};
    });
  }

 private:
  std::vector<std::filesystem::path> files_;
};

/// `name-` of `name-00012.tiff`; empty where no digits stand at the end.
std::string stem_of_series(const std::filesystem::path& path) {
  std::string stem = path.stem().string();
  const std::size_t whole = stem.size();
  while (!stem.empty() && stem.back() >= '0' && stem.back() <= '9') {
    stem.pop_back();
  }
  return stem.size() < whole ? stem : std::string();
}

/// The other pictures of its series, or of the folder, in the order of their names.
std::vector<std::filesystem::path> series_of(const std::filesystem::path& path) {
  std::error_code status;
  const bool folder = std::filesystem::is_directory(path, status);
  const std::string stem = folder ? std::string() : stem_of_series(path);
  if (!folder && stem.empty()) {
    return {path};
  }
  std::vector<std::filesystem::path> files;
  const auto inside = folder ? path : path.parent_path().empty() ? "." : path.parent_path();
  for (const auto& entry : std::filesystem::directory_iterator(inside, status)) {
    const std::filesystem::path& other = entry.path();
    const bool belongs =
        folder ? named_as_picture(other)
               : other.extension() == path.extension() && stem_of_series(other) == stem;
    if (belongs && entry.is_regular_file(status)) {
      files.push_back(other);
    }
  }
  // Longer numbers are larger ones.
  std::sort(files.begin(), files.end(), [folder](const auto& a, const auto& b) {
    const std::string first = a.filename().string();
    const std::string second = b.filename().string();
    return folder || first.size() == second.size() ? first < second : first.size() < second.size();
  });
  return files;
}

ClipSource open_series(const std::filesystem::path& path) {
  std::vector<std::filesystem::path> files = series_of(path);
  if (files.empty()) {
    return base::fail_because(ErrorCode::kUnreadable, path.string(), base::because("no-such-file"));
  }
  const int count = static_cast<int>(files.size());
  auto series = std::make_unique<Series>(std::move(files));
  image::Frame first;
  if (const auto read = series->pixels_of(0, first); !read) {
    return tl::make_unexpected(read.error());
  }
  series->facts = {first.width,      first.height, count,     count,
                   first.saturation, std::nullopt, first.info};
  return series;
}

/// The times of a clip's frames beside it; empty where they are not there, or do not fit.
std::vector<double> times_of(const std::filesystem::path& clip, int frames) {
  constexpr std::size_t kMostLineBytes = 64;
  constexpr std::size_t kMostBytes = std::size_t{256} << 20U;
  const auto text = base::read_file(
      times_beside(clip),
      std::min(kMostBytes, kMostLineBytes * (static_cast<std::size_t>(frames) + 1)));
  if (!text) {
    return {};
  }
  std::istringstream in(*text);
  std::string line;
  std::vector<double> seconds;
  std::getline(in, line);
  while (static_cast<int>(seconds.size()) < frames && std::getline(in, line)) {
    const std::size_t comma = line.find(',');
    double value = 0.0;
    if (comma == std::string::npos) {
      return {};
    }
    const auto [end, problem] =
        std::from_chars(line.data() + comma + 1, line.data() + line.size(), value);
    const bool grows = seconds.empty() ? value >= 0.0 : value >= seconds.back();
    if (problem != std::errc() || end != line.data() + line.size() || !grows) {
      return {};
    }
    seconds.push_back(value);
  }
  return static_cast<int>(seconds.size()) == frames ? seconds : std::vector<double>();
}

ClipSource source_of(const std::filesystem::path& path, std::stop_token stop) {
  std::error_code status;
  if (std::filesystem::is_directory(path, status)) {
    return open_series(path);
  }
  if (!std::filesystem::is_regular_file(path, status)) {
    return base::fail_because(ErrorCode::kUnreadable, path.string(), base::because("no-such-file"));
  }
  std::ifstream in(path, std::ios::binary);
  std::array<char, 9> first{};
  in.read(first.data(), first.size());
  if (!in) {
    return base::fail_because(ErrorCode::kMalformed, path.string(),
                              base::because("too-short-or-unreadable"));
  }
  const std::string_view mark(first.data(), first.size());
  if (mark.starts_with("SIMPLE  =")) {
    return open_fits_clip(path);
  }
  return named_as_picture(path) ? open_series(path) : open_video(path, std::move(stop));
}

}  // namespace

ClipReader::ClipReader(std::unique_ptr<Source> source) : source_(std::move(source)) {}
ClipReader::~ClipReader() = default;
ClipReader::ClipReader(ClipReader&&) noexcept = default;
ClipReader& ClipReader::operator=(ClipReader&&) noexcept = default;

std::vector<std::filesystem::path> files_of_clip(const std::filesystem::path& path) {
  std::error_code status;
  std::vector<std::filesystem::path> files;
  if (std::filesystem::is_directory(path, status) || named_as_picture(path)) {
    files = series_of(path);
  }
  std::filesystem::path facts = path;
  for (std::filesystem::path one :
       {path, times_beside(path), std::filesystem::path(facts += ".json")}) {
    files.push_back(std::move(one));
  }
  return files;
}

Result<ClipReader> ClipReader::open(const std::filesystem::path& path, std::stop_token stop) {
  return source_of(path, std::move(stop))
      .and_then([&](std::unique_ptr<Source> source) -> Result<ClipReader> {
        if (source->facts.frames < 1) {
          return base::fail_because(ErrorCode::kMalformed, path.string(),
                                    base::because("no-whole-frame"));
        }
        source->facts.seconds = times_of(path, source->facts.frames);
        return ClipReader(std::move(source));
      });
}

const ClipFacts& ClipReader::facts() const { return source_->facts; }

std::optional<double> ClipReader::seconds_of(int frame) const {
  const ClipFacts& facts = source_->facts;
  if (!facts.seconds.empty()) {
    return facts.seconds.at(static_cast<std::size_t>(frame));
  }
  return facts.rate_hz ? std::optional(frame / *facts.rate_hz) : std::nullopt;
}

Result<void> ClipReader::Source::pixels_of_part(int frame, const image::Rectangle& part,
                                                image::Frame& into) {
  whole_.width = facts.width;
  whole_.height = facts.height;
  whole_.saturation = facts.saturation;
  whole_.info = into.info;
  whole_.pixels.resize(static_cast<std::size_t>(facts.width) *
                       static_cast<std::size_t>(facts.height));
  return pixels_of(frame, whole_).map([&] { image::cut(whole_, part, into); });
}

Result<void> ClipReader::read(int frame, image::Frame& into) {
  return read_as(frame, {0, 0, facts().width, facts().height}, into, true);
}

Result<void> ClipReader::read_part(int frame, const image::Rectangle& part, image::Frame& into) {
  if (!image::lies_within(part, facts().width, facts().height)) {
    return base::fail(ErrorCode::kOutOfRange, "part");
  }
  return read_as(frame, part, into, false);
}

Result<void> ClipReader::read_as(int frame, const image::Rectangle& part, image::Frame& into,
                                 bool whole) {
  const ClipFacts& facts = source_->facts;
  const auto checked = base::checked("frame", frame, {0.0, facts.frames - 1.0});
  if (!checked) {
    return tl::make_unexpected(checked.error());
  }
  into.width = part.width_px;
  into.height = part.height_px;
  into.saturation = facts.saturation;
  into.info = facts.info;
  into.pixels.resize(static_cast<std::size_t>(part.width_px) *
                     static_cast<std::size_t>(part.height_px));
  const auto pixels =
      whole ? source_->pixels_of(frame, into) : source_->pixels_of_part(frame, part, into);
  return pixels.map([&] {
    const auto seconds = seconds_of(frame);
    if (facts.info.time && seconds) {
      into.info.time = *facts.info.time + sky::seconds(*seconds);
    }
  });
}

}  // namespace solarchon::media
