// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/frame_ring.h"

#include <fcntl.h>
#include <sys/mman.h>
#include <sys/stat.h>
#include <unistd.h>

#include <algorithm>
#include <array>
#include <atomic>
#include <cerrno>
#include <cmath>
#include <cstring>
#include <new>
#include <system_error>
#include <utility>

#include "solarchon/base/range.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/image/frame.h"

namespace solarchon::devices {

using base::ErrorCode;
using base::Result;

namespace {

constexpr std::array<char, 8> kMark{'S', 'O', 'L', 'R', 'I', 'N', 'G', '1'};
constexpr std::size_t kPage = 4096;
constexpr base::Range kSlots{2.0, 64.0};

using Count = std::atomic<std::uint64_t>;
static_assert(Count::is_always_lock_free && sizeof(Count) == 8);

/// At the file's beginning. Numbers are the machine's own.
struct Header {
  std::array<char, 8> mark;
  std::uint32_t width;  ///< of the largest frame
  std::uint32_t height;
  std::uint32_t slots;
  std::uint32_t slot_bytes;  ///< from one slot to the next
  Count left;                ///< frames that were left: the last is in slot (left - 1) % slots
};

/// At a slot's beginning; pixels follow a page later.
struct Slot {
  Count turn;  ///< 2 n + 1 while frame n of the ring is written, 2 n + 2 once it is whole
  std::int64_t number;
  double seconds;
  double exposure_ms;  ///< 0: not told
  std::uint32_t width;
  std::uint32_t height;
  std::uint32_t saturation;
};
static_assert(sizeof(Header) <= kPage && sizeof(Slot) <= kPage);

std::size_t slot_bytes(std::size_t width, std::size_t height) {
  const std::size_t pixels = 2 * width * height;
  return kPage + (pixels + kPage - 1) / kPage * kPage;
}

tl::unexpected<base::Error> failed(ErrorCode code, const std::filesystem::path& path) {
  return base::fail_because(
      code, path.string(),
      base::reported(std::error_code(errno, std::generic_category()).message()));
}

}  // namespace

struct FrameRing::Map {
  std::filesystem::path made;  ///< the file, when it is ours
  unsigned char* bytes = nullptr;
  std::size_t size = 0;
  std::size_t width = 0;
  std::size_t height = 0;
  std::size_t slots = 0;
  std::uint64_t taken = 0;  ///< frames of the ring that were taken, or passed over

  Map() = default;
  Map(const Map&) = delete;
  Map& operator=(const Map&) = delete;
  Map(Map&&) = delete;
  Map& operator=(Map&&) = delete;
  ~Map() {
    if (bytes != nullptr) {
      munmap(bytes, size);
    }
    if (!made.empty()) {
      std::error_code ignored;
      std::filesystem::remove(made, ignored);
    }
  }
  [[nodiscard]] Header& header() const { return *reinterpret_cast<Header*>(bytes); }
  [[nodiscard]] unsigned char* slot_at(std::uint64_t place) const {
    return bytes + kPage + (place % slots) * slot_bytes(width, height);
  }
  [[nodiscard]] Slot& slot(std::uint64_t place) const {
    return *reinterpret_cast<Slot*>(slot_at(place));
  }
  [[nodiscard]] bool map(int descriptor, std::size_t length, bool write) {
    void* at = mmap(nullptr, length, write ? PROT_READ | PROT_WRITE : PROT_READ, MAP_SHARED,
                    descriptor, 0);
    if (at == MAP_FAILED) {
      return false;
    }
    bytes = static_cast<unsigned char*>(at);
    size = length;
    return true;
  }
};

FrameRing::FrameRing(std::unique_ptr<Map> map) : map_(std::move(map)) {}
FrameRing::FrameRing(FrameRing&& other) noexcept = default;
FrameRing::~FrameRing() = default;

Result<FrameRing> FrameRing::make(const std::filesystem::path& path, int width, int height,
                                  int slots) {
  if (const auto size = image::check_size(width, height, path.string()); !size) {
    return tl::make_unexpected(size.error());
  }
  if (const auto count = base::checked("slots", slots, kSlots); !count) {
    return tl::make_unexpected(count.error());
  }
  auto map = std::make_unique<Map>();
  map->width = static_cast<std::size_t>(width);
  map->height = static_cast<std::size_t>(height);
  map->slots = static_cast<std::size_t>(slots);
  const std::size_t length = kPage + map->slots * slot_bytes(map->width, map->height);
  // A reader of the one before keeps what it has mapped.
  std::error_code ignored;
  std::filesystem::remove(path, ignored);
  const Socket file(
      ::open(path.c_str(), O_RDWR | O_CREAT | O_EXCL | O_CLOEXEC | O_NOFOLLOW, S_IRUSR | S_IWUSR));
  if (!file.open()) {
    return failed(ErrorCode::kUnwritable, path);
  }
  map->made = path;
  // Room is taken now: a full memory file system would kill the writer later.
  if (const int no = posix_fallocate(file.descriptor(), 0, static_cast<off_t>(length)); no != 0) {
    errno = no;
    return failed(ErrorCode::kUnwritable, path);
  }
  if (!map->map(file.descriptor(), length, true)) {
    return failed(ErrorCode::kUnwritable, path);
  }
  Header& header = *new (map->bytes) Header{};
  header.width = static_cast<std::uint32_t>(width);
  header.height = static_cast<std::uint32_t>(height);
  header.slots = static_cast<std::uint32_t>(slots);
  header.slot_bytes = static_cast<std::uint32_t>(slot_bytes(map->width, map->height));
  for (std::size_t i = 0; i < map->slots; ++i) {
    new (map->slot_at(i)) Slot{};
  }
  header.mark = kMark;
  return FrameRing(std::move(map));
}

Result<FrameRing> FrameRing::open(const std::filesystem::path& path) {
  const Socket file(::open(path.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK));
  if (!file.open()) {
    return failed(ErrorCode::kUnreadable, path);
  }
  struct stat facts {};
  if (fstat(file.descriptor(), &facts) != 0) {
    return failed(ErrorCode::kUnreadable, path);
  }
  if (facts.st_uid != getuid() || !S_ISREG(facts.st_mode)) {
    errno = EACCES;
    return failed(ErrorCode::kUnreadable, path);
  }
  const auto length = static_cast<std::size_t>(facts.st_size);
  auto map = std::make_unique<Map>();
  if (length < kPage || !map->map(file.descriptor(), length, false)) {
    return base::fail(ErrorCode::kMalformed, path.string());
  }
  const Header& header = map->header();
  if (header.mark != kMark) {
    const bool other = std::equal(kMark.begin(), kMark.end() - 1, header.mark.begin());
    return base::fail(other ? ErrorCode::kVersion : ErrorCode::kMalformed, path.string());
  }
  // Read once: whoever wrote them may change them.
  map->width = header.width;
  map->height = header.height;
  map->slots = header.slots;
  if (const auto size = image::check_size(static_cast<std::int64_t>(map->width),
                                          static_cast<std::int64_t>(map->height), path.string());
      !size) {
    return tl::make_unexpected(size.error());
  }
  if (!base::checked("slots", static_cast<double>(map->slots), kSlots) ||
      header.slot_bytes != slot_bytes(map->width, map->height) ||
      length < kPage + map->slots * slot_bytes(map->width, map->height)) {
    return base::fail(ErrorCode::kMalformed, path.string());
  }
  return FrameRing(std::move(map));
}

void FrameRing::leave(const image::Frame& frame, double seconds, std::int64_t number) {
  Header& header = map_->header();
  const std::uint64_t place = header.left.load(std::memory_order_relaxed);
  Slot& slot = map_->slot(place);
  slot.turn.store(2 * place + 1, std::memory_order_relaxed);
  std::atomic_thread_fence(std::memory_order_release);
  slot.number = number;
  slot.seconds = seconds;
  slot.exposure_ms = frame.info.exposure_ms.value_or(0.0);
  slot.width = static_cast<std::uint32_t>(frame.width);
  slot.height = static_cast<std::uint32_t>(frame.height);
  slot.saturation = static_cast<std::uint32_t>(frame.saturation);
  const std::size_t bytes =
      std::min(2 * frame.pixels.size(), slot_bytes(map_->width, map_->height) - kPage);
  std::memcpy(map_->slot_at(place) + kPage, frame.pixels.data(), bytes);
  slot.turn.store(2 * place + 2, std::memory_order_release);
  header.left.store(place + 1, std::memory_order_release);
}

bool FrameRing::take(std::uint64_t place, RingFrame& into) {
  const Slot& slot = map_->slot(place);
  const std::uint64_t whole = 2 * place + 2;
  if (slot.turn.load(std::memory_order_acquire) != whole) {
    return false;
  }
  const auto width = static_cast<std::size_t>(slot.width);
  const auto height = static_cast<std::size_t>(slot.height);
  const double exposure_ms = slot.exposure_ms;
  const std::uint32_t saturation = slot.saturation;
  into.number = slot.number;
  into.seconds = slot.seconds;
  if (width < 1 || height < 1 || width > map_->width || height > map_->height || saturation < 1 ||
      saturation > 65535 || !std::isfinite(into.seconds)) {
    return false;  // a camera that says so has lost its way
  }
  into.frame.width = static_cast<int>(width);
  into.frame.height = static_cast<int>(height);
  into.frame.saturation = static_cast<int>(saturation);
  into.frame.info = {};
  if (std::isfinite(exposure_ms) && exposure_ms > 0.0) {
    into.frame.info.exposure_ms = exposure_ms;
  }
  into.frame.pixels.resize(width * height);
  std::memcpy(into.frame.pixels.data(), map_->slot_at(place) + kPage, 2 * width * height);
  std::atomic_thread_fence(std::memory_order_acquire);
  return slot.turn.load(std::memory_order_relaxed) == whole;
}

bool FrameRing::take_next(RingFrame& into) {
  const std::uint64_t left = map_->header().left.load(std::memory_order_acquire);
  // The oldest is about to be overwritten.
  std::uint64_t place = map_->taken;
  if (left > place + map_->slots - 1) {
    place = left - map_->slots + 1;
  }
  for (; place < left; ++place) {
    if (take(place, into)) {
      map_->taken = place + 1;
      return true;
    }
  }
  return false;
}

}  // namespace solarchon::devices
