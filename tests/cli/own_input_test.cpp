// SPDX-License-Identifier: GPL-3.0-or-later
// No command writes over what it reads.
#include <filesystem>

#include "solarchon/optics/rig_file.h"
#include "tests/cli/cli_support.h"
#include "tests/cli/painted_clip.h"
#include "tests/support/support.h"

namespace solarchon::cli {
namespace {

using test::TempFolder;

/// Every command that writes a file which it is told, each of its inputs in turn as `IN`, the
/// output as `OUT`.
const std::vector<std::string>& commands() {
  static const std::vector<std::string> kCommands{
      "stack IN --out OUT",
      "stack other.fits IN --out OUT",
      "stack other.fits --dark IN --out OUT",
      "stack other.fits --flat IN --out OUT",
      "stack other.fits --rig IN --out OUT",
      "stack --recipe IN --out OUT",
      "restore IN --aperture 100 --scale 1 --out OUT",
      "restore other.fits --rig IN --out OUT",
      "finish IN --out OUT",
      "finish other.fits --prominences IN --out OUT",
      "mosaic other.fits IN --out OUT",
      "mosaic --recipe IN --out OUT",
      "animate other.fits IN --out OUT",
      "animate --recipe IN --out OUT",
      "simulate IN --lat 36 --lon -5 --time 2027-07-17T10:00:00Z --out OUT",
      "plan IN --date 2027-07-17 --ics OUT",
      "plan IN --date 2027-07-17 --csv OUT"};
  return kCommands;
}

std::vector<std::string> filled(const std::string& command, const std::string& in,
                                const std::string& out) {
  std::vector<std::string> list = words(command);
  for (std::string& word : list) {
    word = word == "IN" ? in : word == "OUT" ? out : word;
  }
  return list;
}

TEST(OwnInput, IsWrittenOverByNoCommandThroughNoLink) {
  const TempFolder folder;
  const auto in = folder / "input.fits";
  std::filesystem::create_directory(folder / "below");
  for (const std::string& command : commands()) {
    for (const char* name : {"input.fits", "soft.fits", "hard.fits", "below/../input.fits"}) {
      for (const char* leftover : {"soft.fits", "hard.fits"}) {
        std::filesystem::remove(folder / leftover);
      }
      test::write_text(in, "what was there");
      std::filesystem::create_symlink("input.fits", folder / "soft.fits");
      std::filesystem::create_hard_link(in, folder / "hard.fits");
      const Outcome outcome = call(filled(command, in.string(), (folder / name).string()));
      EXPECT_EQ(outcome.code, 2) << command << " " << name << ": " << outcome.err;
      EXPECT_NE(outcome.err.find("also an input"), std::string::npos)
          << command << ": " << outcome.err;
      EXPECT_EQ(std::count(outcome.err.begin(), outcome.err.end(), '\n'), 1) << outcome.err;
      EXPECT_EQ(test::read_text(in), "what was there") << command << " " << name;
    }
  }
}

TEST(OwnInput, IsWrittenOverByNoWayRoundARecipeOrASeries) {
  const PaintedClip clip;
  const std::string before = test::read_text(clip.file);
  ASSERT_EQ(call({"stack", clip.file, "--out", clip.out, "--share", "0.5"}).code, 0);
  // The clip stands in the recipe alone.
  expect_bad_input(call({"stack", "--recipe", clip.out, "--out", clip.file}), "out");
  EXPECT_EQ(test::read_text(clip.file), before);
  // The picture's recipe goes back to the clip, but the picture is what is read.
  const std::string made = test::read_text(clip.out);
  expect_bad_input(call({"finish", clip.out, "--out", clip.out}), "out");
  EXPECT_EQ(test::read_text(clip.out), made);
  // A product named as one of a series, of which another one was named.
  for (const char* name : {"s-0001.tiff", "s-0002.tiff", "s-0003.tiff"}) {
    test::write_text(clip.folder / name, "frame");
  }
  expect_bad_input(call({"stack", (clip.folder / "s-0001.tiff").string(), "--out",
                         (clip.folder / "s-0003.tiff").string()}),
                   "out");
  EXPECT_EQ(test::read_text(clip.folder / "s-0003.tiff"), "frame");
  // What is written as a series meets the rig through a link.
  const auto rig = clip.folder / "rig.json";
  ASSERT_TRUE(optics::write_rig(test::starter_rig(), rig));
  const std::string rig_text = test::read_text(rig);
  std::filesystem::create_symlink("rig.json", clip.folder / "sim-00001.tiff");
  expect_bad_input(
      call({"simulate", rig.string(), "--lat", "36", "--lon", "-5", "--time",
            "2027-07-17T10:00:00Z", "--frames", "2", "--out", (clip.folder / "sim.tiff").string()}),
      "out");
  EXPECT_EQ(test::read_text(rig), rig_text);
}

TEST(OwnInput, ClipsOfOneNameGetAProductEach) {
  const PaintedClip first;
  const PaintedClip second;
  const TempFolder out;
  const Outcome outcome =
      call({"stack", first.file, second.file, "--out", out.path().string(), "--share", "0.5"});
  ASSERT_EQ(outcome.code, 0) << outcome.err;
  const Json products = outcome.json()["products"];
  ASSERT_EQ(products.size(), 2U);
  EXPECT_NE(products[0]["out"], products[1]["out"]);
  for (const Json& product : products) {
    EXPECT_TRUE(std::filesystem::exists(product["out"].get<std::string>()));
  }
}

TEST(Commands, AreAllNamedWhereOneIsNotKnown) {
  const Outcome help = call({"--help"});
  const Outcome unknown = call({"nonsense"});
  for (const char* name : {"finish", "mosaic", "animate", "runbook", "series", "stack"}) {
    if (help.out.find(std::string("  ") + name) != std::string::npos) {
      EXPECT_NE(unknown.err.find(name), std::string::npos) << name;
    }
  }
}

}  // namespace
}  // namespace solarchon::cli
