// SPDX-License-Identifier: GPL-3.0-or-later
// Files that are hurt or made to do harm, through the commands that read them: an answer or one
// line.
#include <sys/resource.h>

#include <chrono>
#include <filesystem>
#include <string>
#include <vector>

#include "solarchon/base/random.h"
#include "solarchon/image/frame.h"
#include "solarchon/media/clip.h"
#include "solarchon/media/frame_file.h"
#include "solarchon/optics/rig_file.h"
#include "tests/cli/cli_support.h"
#include "tests/cli/painted_clip.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;

/// One way to hurt a file.
std::string hurt(std::string bytes, base::Random& random) {
  const auto place = [&] { return random.below(bytes.size()); };
  switch (random.below(7)) {
    case 0:  // a few letters
      for (std::size_t i = random.below(8) + 1; i > 0; --i) {
        bytes[place()] = static_cast<char>(random.below(256));
      }
      break;
    case 1:  // cut off
      bytes.resize(place());
      break;
    case 2:  // a stretch of one byte
      for (std::size_t at = place(), i = 0; i < 16 && at + i < bytes.size(); ++i) {
        bytes[at + i] = static_cast<char>(random.below(2) == 0 ? 0xFF : 0x00);
      }
      break;
    case 3: {  // a number that is too large
      const std::size_t digit = bytes.find_first_of("123456789", place());
      if (digit != std::string::npos) {
        bytes.replace(digit, 1, random.below(2) == 0 ? "9" : "99999999");
      }
      break;
    }
    case 4: {  // a stretch twice
      const std::size_t at = place();
      bytes.insert(at, bytes.substr(at, 1 + random.below(200)));
      break;
    }
    case 5: {  // a stretch lost
      const std::size_t at = place();
      bytes.erase(at, 1 + random.below(200));
      break;
    }
    default: {  // one bit
      const std::size_t at = place();
      bytes[at] = static_cast<char>(bytes[at] ^ (1U << random.below(8)));
    }
  }
  return bytes;
}

/// A file that is whole, and the commands that read it as IN; OUT is a name beside it.
struct Seed {
  std::string name;
  std::string bytes;
  std::vector<std::string> commands;
};

class Crafted : public testing::Test {
 protected:
  void SetUp() override {
    const PaintedClip clip;
    ASSERT_EQ(call({"stack", clip.file, "--out", clip.out, "--share", "0.5"}).code, 0);
    const test::Painting painting(96, 80);
    base::Random random{5};
    const auto frame = [&](int i) -> base::Result<image::Frame> {
      return painting.frame(test::glimpse_of(i), random);
    };
    const auto cube = folder / "seed.fits";
    const auto video = folder / "seed.mkv";
    const auto tiff = folder / "seed.tiff";
    const auto png = folder / "seed.png";
    const auto rig = folder / "seed.json";
    ASSERT_TRUE(media::write_fits_cube(12, 10.0, frame, cube));
    ASSERT_TRUE(media::write_video(12, 10.0, frame, video));
    ASSERT_TRUE(media::write_tiff(*frame(0), tiff));
    ASSERT_TRUE(media::write_png(*frame(0), png));
    ASSERT_TRUE(optics::write_rig(test::starter_rig(), rig));
    seeds = {{"a.fits", test::read_text(cube), {"clip IN", "grade IN", "stack IN --out OUT.fits"}},
             {"a.mkv", test::read_text(video), {"clip IN", "grade IN", "stack IN --out OUT.fits"}},
             {"a.tiff", test::read_text(tiff), {"measure IN", "finish IN --out OUT.png"}},
             {"a.png", test::read_text(png), {"measure IN", "mosaic IN IN --out OUT.fits"}},
             {"b.fits",
              test::read_text(clip.out),
              {"measure IN", "restore IN --aperture 80 --scale 1 --r0 5 --out OUT.fits",
               "stack --recipe IN --out OUT.fits"}},
             {"a.recipe.json",
              test::read_text(clip.folder / "stack.recipe.json"),
              {"stack --recipe IN --out OUT.fits", "mosaic --recipe IN --out OUT.fits",
               "animate --recipe IN --out OUT.mkv"}},
             {"rig.json", test::read_text(rig), {"rig IN"}}};
  }

  TempFolder folder;
  std::vector<Seed> seeds;
};

TEST_F(Crafted, FilesAreAnsweredOrRefusedOnOneLineInTimeAndMemory) {
  base::Random random{20270802};
  constexpr int kFiles = 2000;
  int refused = 0;
  rusage before{};
  getrusage(RUSAGE_SELF, &before);
  for (int file = 0; file < kFiles; ++file) {
    const Seed& seed = seeds[static_cast<std::size_t>(file) % seeds.size()];
    const TempFolder here;
    const auto in = here / seed.name;
    std::string bytes = hurt(seed.bytes, random);
    if (random.below(3) == 0 && !bytes.empty()) {
      bytes = hurt(bytes, random);
    }
    test::write_text(in, bytes);
    if (random.below(4) == 0) {  // what stands beside a clip may be hurt as well
      test::write_text(in.string() + ".times.csv",
                       hurt("frame,seconds\n0,0.0\n1,0.1\n2,0.2\n3,0.3\n", random));
      test::write_text(in.string() + ".json", hurt("{\"exposure_ms\": 1.5, \"r0_cm\": 4}", random));
    }
    std::vector<std::string> list = words(seed.commands[random.below(seed.commands.size())]);
    for (std::string& word : list) {
      if (word == "IN") {
        word = in.string();
      } else if (word.starts_with("OUT")) {
        word = (here / ("out" + word.substr(3))).string();
      }
    }
    testing::internal::CaptureStderr();
    const auto begun = std::chrono::steady_clock::now();
    const Outcome outcome = call(list);
    const std::chrono::duration<double> took = std::chrono::steady_clock::now() - begun;
    const std::string aside = testing::internal::GetCapturedStderr();
    const std::string what = list.front() + " of " + seed.name + ", file " + std::to_string(file);
    EXPECT_EQ(aside, "") << what;
    EXPECT_LT(took.count(), 5.0) << what;
    EXPECT_LE(std::count(outcome.err.begin(), outcome.err.end(), '\n'), 1) << what << outcome.err;
    EXPECT_TRUE(outcome.code == 0 || outcome.code == 1 || outcome.code == 2) << what;
    // A folder of a random name may well be called so.
    std::string said = outcome.out;
    for (std::size_t at = 0; (at = said.find(here.path().string())) != std::string::npos;) {
      said.erase(at, here.path().string().size());
    }
    EXPECT_EQ(said.find("nan"), std::string::npos) << what << said;
    refused += outcome.code == 0 ? 0 : 1;
    if (outcome.code != 0) {
      for (const auto& entry : std::filesystem::directory_iterator(here.path())) {
        EXPECT_NE(entry.path().extension(), ".part") << what;
      }
    }
  }
  EXPECT_GT(refused, kFiles / 5);
  rusage after{};
  getrusage(RUSAGE_SELF, &after);
  constexpr long kMostKiB = 1'000'000;
  EXPECT_LT(after.ru_maxrss - before.ru_maxrss, kMostKiB);
}

}  // namespace
}  // namespace solarchon::cli
