// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/text.h"

#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

#include <fstream>

#include "solarchon/base/file.h"
#include "solarchon/base/folder_lock.h"
#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::base {
namespace {

using test::FailsWith;
using test::TempFolder;

TEST(Clipped, NeverSplitsACharacter) {
  EXPECT_EQ(clipped("abc", 3), "abc");
  EXPECT_EQ(clipped("abcd", 3), "abc");
  EXPECT_EQ(clipped("a\u00f1\u00f1", 4), "a\u00f1");            // two bytes each
  EXPECT_EQ(clipped("\U0001F31E\U0001F31E", 7), "\U0001F31E");  // four
  EXPECT_EQ(clipped("\u2600", 2), "");
  EXPECT_EQ(clipped("", 0), "");
}

TEST(WithoutControls, MakesBlanksOfWhatATerminalWouldObey) {
  EXPECT_EQ(without_controls("a\x1b[31mb\nc\x7f"), "a [31mb c ");
  EXPECT_EQ(without_controls("a\u009bb"), "a b");  // C1
  EXPECT_EQ(without_controls("Punta Alcaravan, 36\u00b0, \u00f1"),
            "Punta Alcaravan, 36\u00b0, \u00f1");
}

TEST(ParseJson, RefusesANumberThatNoDoubleHolds) {
  for (const char* text : {"1e999", "[-1e400]", R"({"a": 1e309})"}) {
    const auto parsed = parse_json(text, "file");
    ASSERT_FALSE(parsed) << text;
    EXPECT_EQ(parsed.error().code, ErrorCode::kMalformed);
  }
  EXPECT_TRUE(parse_json("1e308", "file"));
}

TEST(ObjectReader, RefusesAMemberThatItDoesNotKnow) {
  const Json object{{"certified", true}, {"certfied", false}};
  ObjectReader reader(object, "elements[0]");
  reader.allow_only({"certified"});
  ASSERT_TRUE(reader.error());
  EXPECT_EQ(reader.error()->field, "elements[0].certfied");
}

TEST(FolderLock, BelongsToOneProcessAndEndsWithIt) {
  const TempFolder folder;
  EXPECT_FALSE(FolderLock::held(folder.path()));
  {
    const auto lock = FolderLock::take(folder.path());
    ASSERT_TRUE(lock);
    EXPECT_TRUE(FolderLock::held(folder.path()));
    const auto second = FolderLock::take(folder.path(), std::chrono::milliseconds(50));
    ASSERT_FALSE(second);
    EXPECT_EQ(second.error().reason, because("held-by-process", {}, std::to_string(::getpid())));
  }
  EXPECT_FALSE(FolderLock::held(folder.path()));
  // A holder that is killed holds nothing.
  const pid_t child = ::fork();
  if (child == 0) {
    const auto lock = FolderLock::take(folder.path());
    ::pause();
    std::_Exit(lock ? 0 : 1);
  }
  while (!FolderLock::held(folder.path())) {
    ::usleep(1000);
  }
  ::kill(child, SIGKILL);
  ::waitpid(child, nullptr, 0);
  EXPECT_TRUE(FolderLock::take(folder.path(), std::chrono::seconds(5)));
}

TEST(WriteFile, ReplacesNoDeviceAndNoPipe) {
  const TempFolder folder;
  const auto pipe = folder / "pipe";
  ASSERT_EQ(::mkfifo(pipe.c_str(), 0600), 0);
  const auto written = write_file(pipe, "text");
  ASSERT_FALSE(written);
  EXPECT_EQ(written.error().code, ErrorCode::kUnwritable);
  EXPECT_TRUE(std::filesystem::is_fifo(pipe));
  const auto device = folder / "device";
  std::filesystem::create_symlink("/dev/null", device);
  EXPECT_FALSE(write_file(device, "text"));
  EXPECT_TRUE(std::filesystem::is_symlink(device));
  EXPECT_TRUE(std::filesystem::is_character_file("/dev/null"));
}

TEST(WriteFile, WritesThroughALinkAndKeepsTheRightsOfWhatWasThere) {
  const TempFolder folder;
  test::write_text(folder / "real", "old");
  ASSERT_EQ(::chmod((folder / "real").c_str(), 0600), 0);
  std::filesystem::create_symlink("real", folder / "link");
  ASSERT_TRUE(write_file(folder / "link", "new"));
  EXPECT_TRUE(std::filesystem::is_symlink(folder / "link"));
  EXPECT_EQ(test::read_text(folder / "real"), "new");
  EXPECT_EQ(std::filesystem::status(folder / "real").permissions(),
            std::filesystem::perms::owner_read | std::filesystem::perms::owner_write);
  std::filesystem::create_symlink("circle", folder / "circle");
  EXPECT_FALSE(write_file(folder / "circle", "x"));
  EXPECT_FALSE(write_file("", "x"));
}

TEST(SweepHalfFiles, TakesOnlyWhatWritersLeftBehind) {
  const TempFolder folder;
  const std::string dead = "99999999";  // no process has such a number
  const auto half = folder / ("workspace.json." + dead + "-1.part");
  test::write_text(half, "half");
  test::write_text(folder / "workspace.json", "whole");
  std::filesystem::create_directory(folder / ("a." + dead + "-1.part"));
  const std::vector<std::string> others{
      "movie.mkv.part",         "a.part",    "b.12.part", "c.x-1.part", "d." + dead + "-.part",
      "e." + dead + "-1.parts", "f.1-1.part"};  // the first process writes it still
  for (const std::string& other : others) {
    if (other != "a.part") {
      test::write_text(folder / other, "theirs");
    }
  }
  EXPECT_THAT(sweep_half_files(folder.path()), testing::ElementsAre(half));
  EXPECT_TRUE(std::filesystem::exists(folder / "workspace.json"));
  for (const std::string& other : others) {
    EXPECT_EQ(std::filesystem::exists(folder / other), other != "a.part") << other;
  }
  EXPECT_TRUE(sweep_half_files(folder / "nowhere").empty());
}

TEST(CheckApart, KnowsAnInputBehindEveryKindOfLink) {
  const TempFolder folder;
  test::write_text(folder / "clip.fits", "frames");
  std::filesystem::create_symlink("clip.fits", folder / "soft");
  std::filesystem::create_hard_link(folder / "clip.fits", folder / "hard");
  std::filesystem::create_directory(folder / "inner");
  for (const std::filesystem::path& output :
       {folder / "clip.fits", folder / "soft", folder / "hard", folder / "inner/../clip.fits"}) {
    EXPECT_TRUE(same_file(output, folder / "clip.fits"));
    EXPECT_THAT(check_apart("out", output, {folder / "other", folder / "clip.fits"}),
                FailsWith(ErrorCode::kUnknownValue, "out"));
  }
  test::write_text(folder / "CLIP.fits", "another file");
  EXPECT_TRUE(check_apart("out", folder / "CLIP.fits", {folder / "clip.fits"}));
  EXPECT_TRUE(check_apart("out", folder / "new.fits", {folder / "clip.fits"}));
}

TEST(ReadFile, DoesNotWaitForAPipe) {
  const TempFolder folder;
  ASSERT_EQ(::mkfifo((folder / "pipe").c_str(), 0600), 0);
  EXPECT_THAT(read_file(folder / "pipe", 100),
              FailsWith(ErrorCode::kUnreadable, (folder / "pipe").string()));
  EXPECT_THAT(read_file("/dev/zero", 100), FailsWith(ErrorCode::kUnreadable, "/dev/zero"));
}

TEST(MakeNewFile, IsMadeOnce) {
  const TempFolder folder;
  EXPECT_TRUE(make_new_file(folder / "a").value());
  EXPECT_FALSE(make_new_file(folder / "a").value());
  EXPECT_FALSE(make_new_file(folder / "nowhere" / "a"));
}

}  // namespace
}  // namespace solarchon::base
