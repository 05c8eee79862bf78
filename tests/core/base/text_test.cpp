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
  test::write_text(folder / "workspace.json.4711-1.part", "half");
  test::write_text(folder / "workspace.json", "whole");
  std::filesystem::create_directory(folder / "a.part");
  EXPECT_EQ(sweep_half_files(folder.path()), 1U);
  EXPECT_TRUE(std::filesystem::exists(folder / "workspace.json"));
  EXPECT_TRUE(std::filesystem::exists(folder / "a.part"));
  EXPECT_EQ(sweep_half_files(folder / "nowhere"), 0U);
}

TEST(MakeNewFile, IsMadeOnce) {
  const TempFolder folder;
  EXPECT_TRUE(make_new_file(folder / "a").value());
  EXPECT_FALSE(make_new_file(folder / "a").value());
  EXPECT_FALSE(make_new_file(folder / "nowhere" / "a"));
}

}  // namespace
}  // namespace solarchon::base
