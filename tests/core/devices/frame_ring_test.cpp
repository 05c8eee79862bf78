// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/devices/frame_ring.h"

#include <sys/stat.h>

#include <algorithm>
#include <cmath>
#include <cstring>
#include <fstream>
#include <thread>

#include "solarchon/image/frame.h"
#include "tests/support/support.h"

namespace solarchon::devices {
namespace {

using base::ErrorCode;
using test::FailsWith;

/// Every pixel holds the number.
image::Frame filled(int number, int width = 64, int height = 48) {
  image::Frame frame;
  frame.width = width;
  frame.height = height;
  frame.saturation = 4095;
  frame.info.exposure_ms = 2.5;
  frame.pixels.assign(static_cast<std::size_t>(width) * static_cast<std::size_t>(height),
                      static_cast<std::uint16_t>(number));
  return frame;
}

class Ring : public testing::Test {
 protected:
  [[nodiscard]] std::filesystem::path path() const { return folder / "frames"; }
  test::TempFolder folder;
};

TEST_F(Ring, GivesFramesInTheirOrder) {
  FrameRing camera = FrameRing::make(path(), 64, 48, 4).value();
  FrameRing eye = FrameRing::open(path()).value();
  RingFrame got;
  EXPECT_FALSE(eye.take_next(got));
  for (int i = 0; i < 3; ++i) {
    camera.leave(filled(i), 0.5 * i, 10 + i);
  }
  for (int i = 0; i < 3; ++i) {
    ASSERT_TRUE(eye.take_next(got));
    EXPECT_EQ(got.number, 10 + i);
    EXPECT_EQ(got.seconds, 0.5 * i);
    EXPECT_EQ(got.frame.pixels, filled(i).pixels);
    EXPECT_EQ(got.frame.saturation, 4095);
    EXPECT_EQ(got.frame.info.exposure_ms, 2.5);
  }
  EXPECT_FALSE(eye.take_next(got));
}

TEST_F(Ring, WhoIsSlowMissesTheOldestAndSeesIt) {
  FrameRing camera = FrameRing::make(path(), 64, 48, 4).value();
  FrameRing eye = FrameRing::open(path()).value();
  for (int i = 0; i < 20; ++i) {
    camera.leave(filled(i), i, i);
  }
  RingFrame got;
  ASSERT_TRUE(eye.take_next(got));
  EXPECT_EQ(got.number, 17);  // three of four slots are safe from being overwritten
  while (eye.take_next(got)) {
  }
  EXPECT_EQ(got.number, 19);
}

TEST_F(Ring, TakesSmallerFramesOfARegion) {
  FrameRing camera = FrameRing::make(path(), 64, 48, 2).value();
  FrameRing eye = FrameRing::open(path()).value();
  camera.leave(filled(7, 20, 10), 0.0, 0);
  RingFrame got;
  ASSERT_TRUE(eye.take_next(got));
  EXPECT_EQ(got.frame.width, 20);
  EXPECT_EQ(got.frame.height, 10);
  EXPECT_EQ(got.frame.pixels, filled(7, 20, 10).pixels);
}

TEST_F(Ring, NoFrameIsTornWhileBothSidesHurry) {
  FrameRing camera = FrameRing::make(path(), 64, 48, 3).value();
  FrameRing eye = FrameRing::open(path()).value();
  constexpr int kFrames = 20'000;
  std::jthread writer([&] {
    for (int i = 0; i < kFrames; ++i) {
      camera.leave(filled(i), i, i);
    }
  });
  RingFrame got;
  std::int64_t last = -1;
  int taken = 0;
  while (last < kFrames - 1) {
    if (!eye.take_next(got)) {
      std::this_thread::yield();
      continue;
    }
    ++taken;
    ASSERT_GT(got.number, last);
    last = got.number;
    const auto value = static_cast<std::uint16_t>(got.number);
    ASSERT_TRUE(std::all_of(got.frame.pixels.begin(), got.frame.pixels.end(),
                            [value](std::uint16_t pixel) { return pixel == value; }))
        << got.number;
    ASSERT_EQ(got.seconds, static_cast<double>(got.number));
  }
  EXPECT_GT(taken, 0);
}

TEST_F(Ring, ItsFileGoesWithTheCameraAndBelongsToOneUser) {
  {
    const FrameRing camera = FrameRing::make(path(), 8, 8, 2).value();
    struct stat facts {};
    ASSERT_EQ(stat(path().c_str(), &facts), 0);
    EXPECT_EQ(facts.st_mode & 0777U, 0600U);
  }
  EXPECT_FALSE(std::filesystem::exists(path()));
  EXPECT_THAT(FrameRing::open(path()), FailsWith(ErrorCode::kUnreadable, path().string()));
}

TEST_F(Ring, AFrameOutlivesItsCamera) {
  std::optional<FrameRing> camera = FrameRing::make(path(), 64, 48, 4).value();
  FrameRing eye = FrameRing::open(path()).value();
  camera->leave(filled(5), 0.0, 0);
  camera.reset();
  RingFrame got;
  ASSERT_TRUE(eye.take_next(got));
  EXPECT_EQ(got.frame.pixels, filled(5).pixels);
}

TEST_F(Ring, RefusesSizesThatNoPictureHas) {
  EXPECT_THAT(FrameRing::make(path(), 0, 8, 2), FailsWith(ErrorCode::kMalformed, path().string()));
  EXPECT_THAT(FrameRing::make(path(), 30'000, 8, 2),
              FailsWith(ErrorCode::kTooLarge, path().string()));
  EXPECT_THAT(FrameRing::make(path(), 8, 8, 1), FailsWith(ErrorCode::kOutOfRange, "slots"));
  EXPECT_THAT(FrameRing::make(folder / "not" / "there", 8, 8, 2),
              FailsWith(ErrorCode::kUnwritable, (folder / "not" / "there").string()));
  EXPECT_FALSE(std::filesystem::exists(path()));
}

/// A ring as another program writes it, by the words of docs/devices.md.
class ByHand {
 public:
  ByHand() : bytes_(4096 + 2 * 8192, '\0') {
    std::memcpy(bytes_.data(), "SOLRING1", 8);
    put<std::uint32_t>(8, 5);      // width
    put<std::uint32_t>(12, 3);     // height
    put<std::uint32_t>(16, 2);     // slots
    put<std::uint32_t>(20, 8192);  // of a slot
  }
  template <typename T>
  void put(std::size_t at, T value) {
    std::memcpy(bytes_.data() + at, &value, sizeof value);
  }
  void write(const std::filesystem::path& path) const {
    std::ofstream(path, std::ios::binary)
        .write(bytes_.data(), static_cast<std::streamsize>(bytes_.size()));
  }
  void cut(std::size_t bytes) { bytes_.resize(bytes); }
  void leave_one() {
    put<std::uint64_t>(24, 1);
    put<std::uint64_t>(4096, 2);  // turn: whole
    put<std::int64_t>(4104, 42);  // number
    put<double>(4112, 1.25);      // seconds
    put<double>(4120, 8.0);       // exposure
    put<std::uint32_t>(4128, 5);
    put<std::uint32_t>(4132, 3);
    put<std::uint32_t>(4136, 1023);
    for (std::size_t i = 0; i < 15; ++i) {
      put<std::uint16_t>(8192 + 2 * i, static_cast<std::uint16_t>(100 + i));
    }
  }

 private:
  std::vector<char> bytes_;
};

TEST_F(Ring, ReadsOneThatAnotherProgramWrote) {
  ByHand ring;
  ring.leave_one();
  ring.write(path());
  FrameRing eye = FrameRing::open(path()).value();
  RingFrame got;
  ASSERT_TRUE(eye.take_next(got));
  EXPECT_EQ(got.number, 42);
  EXPECT_EQ(got.seconds, 1.25);
  EXPECT_EQ(got.frame.saturation, 1023);
  EXPECT_EQ(got.frame.info.exposure_ms, 8.0);
  ASSERT_EQ(got.frame.pixels.size(), 15U);
  EXPECT_EQ(got.frame.at(4, 2), 114);
}

TEST_F(Ring, PassesOverWhatCannotBe) {
  const auto refuses = [&](const auto& spoil) {
    ByHand ring;
    ring.leave_one();
    spoil(ring);
    ring.write(path());
    FrameRing eye = FrameRing::open(path()).value();
    RingFrame got;
    return !eye.take_next(got);
  };
  EXPECT_FALSE(refuses([](ByHand&) {}));
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<std::uint64_t>(4096, 1); }));  // being written
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<std::uint32_t>(4128, 6); }));  // wider
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<std::uint32_t>(4132, 0); }));  // no rows
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<std::uint32_t>(4136, 70'000); }));
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<double>(4112, std::nan("")); }));
  EXPECT_TRUE(refuses([](ByHand& ring) { ring.put<std::uint64_t>(24, 1ULL << 60U); }));
}

TEST_F(Ring, RefusesWhatIsNoRing) {
  const auto opened = [&](const auto& spoil) {
    ByHand ring;
    spoil(ring);
    ring.write(path());
    return FrameRing::open(path());
  };
  const std::string field = path().string();
  EXPECT_THAT(opened([](ByHand& ring) { ring.put<char>(0, 'X'); }),
              FailsWith(ErrorCode::kMalformed, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.put<char>(7, '2'); }),
              FailsWith(ErrorCode::kVersion, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.cut(100); }), FailsWith(ErrorCode::kMalformed, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.cut(4096 + 8192); }),
              FailsWith(ErrorCode::kMalformed, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.put<std::uint32_t>(16, 1000); }),
              FailsWith(ErrorCode::kMalformed, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.put<std::uint32_t>(8, 4'000'000'000U); }),
              FailsWith(ErrorCode::kTooLarge, field));
  EXPECT_THAT(opened([](ByHand& ring) { ring.put<std::uint32_t>(20, 4096); }),
              FailsWith(ErrorCode::kMalformed, field));
  EXPECT_THAT(FrameRing::open(folder / ""),
              FailsWith(ErrorCode::kUnreadable, (folder / "").string()));
}

}  // namespace
}  // namespace solarchon::devices
