// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/base/file.h"

#include <sys/resource.h>

#include <csignal>

#include "solarchon/base/resources.h"
#include "tests/support/support.h"

namespace solarchon::base {
namespace {

using test::FailsWith;
using test::TempFolder;

/// No file of this process may grow past a limit: what a full disk does to a writer.
class FullDisk {
 public:
  explicit FullDisk(rlim_t bytes) {
    std::signal(SIGXFSZ, SIG_IGN);
    ::getrlimit(RLIMIT_FSIZE, &before_);
    rlimit now = before_;
    now.rlim_cur = bytes;
    ::setrlimit(RLIMIT_FSIZE, &now);
  }
  ~FullDisk() { ::setrlimit(RLIMIT_FSIZE, &before_); }
  FullDisk(const FullDisk&) = delete;
  FullDisk& operator=(const FullDisk&) = delete;

 private:
  rlimit before_{};
};

std::size_t files_in(const std::filesystem::path& folder) {
  return static_cast<std::size_t>(std::distance(std::filesystem::directory_iterator(folder), {}));
}

TEST(WriteFile, WritesAllBytesAndNothingElse) {
  const TempFolder folder;
  const std::string bytes("a\0b\n", 4);
  ASSERT_TRUE(write_file(folder / "x", bytes));
  EXPECT_EQ(test::read_text(folder / "x"), bytes);
  EXPECT_EQ(files_in(folder.path()), 1U);
}

TEST(WriteFile, KeepsTheOldFileWhenTheDiskIsFull) {
  const TempFolder folder;
  test::write_text(folder / "x", "old");
  {
    const FullDisk full(1000);
    EXPECT_THAT(write_file(folder / "x", std::string(100'000, 'n')),
                FailsWith(ErrorCode::kUnwritable, (folder / "x").string()));
  }
  EXPECT_EQ(test::read_text(folder / "x"), "old");
  EXPECT_EQ(files_in(folder.path()), 1U) << "a half-written neighbour was left";
}

TEST(WriteFile, FailsWhereThereIsNoFolder) {
  const TempFolder folder;
  const auto path = folder / "none" / "x";
  EXPECT_THAT(write_file(path, "n"), FailsWith(ErrorCode::kUnwritable, path.string()));
}

TEST(WriteFile, LeavesNothingWhenTheTargetIsAFolder) {
  const TempFolder folder;
  std::filesystem::create_directory(folder / "x");
  EXPECT_FALSE(write_file(folder / "x", "n"));
  EXPECT_EQ(files_in(folder.path()), 1U);
}

TEST(WriteBesideThenRename, PassesOnTheWritersError) {
  const TempFolder folder;
  const auto outcome = write_beside_then_rename(
      folder / "x", [](const auto&) -> Result<void> { return fail(ErrorCode::kCancelled, "w"); });
  EXPECT_THAT(outcome, FailsWith(ErrorCode::kCancelled, "w"));
  EXPECT_EQ(files_in(folder.path()), 0U);
}

TEST(ReadFile, RefusesMoreThanAllowed) {
  const TempFolder folder;
  test::write_text(folder / "x", std::string(101, 'x'));
  EXPECT_TRUE(read_file(folder / "x", 101));
  EXPECT_THAT(read_file(folder / "x", 100),
              FailsWith(ErrorCode::kTooLarge, (folder / "x").string()));
}

TEST(ReadFile, NamesWhatCannotBeRead) {
  const TempFolder folder;
  EXPECT_THAT(read_file(folder / "none", 10),
              FailsWith(ErrorCode::kUnreadable, (folder / "none").string()));
  EXPECT_THAT(read_file(folder.path(), 10),
              FailsWith(ErrorCode::kUnreadable, folder.path().string()));
}

TEST(MakeFolder, MakesParentsAndAcceptsWhatExists) {
  const TempFolder folder;
  EXPECT_TRUE(make_folder(folder / "a" / "b"));
  EXPECT_TRUE(make_folder(folder / "a" / "b"));
  EXPECT_TRUE(std::filesystem::is_directory(folder / "a" / "b"));
}

TEST(MakeFolder, FailsUnderAFile) {
  const TempFolder folder;
  test::write_text(folder / "x", "");
  EXPECT_FALSE(make_folder(folder / "x" / "y"));
}

TEST(ShippedFile, FindsWhatShipsAndNamesWhatDoesNot) {
  EXPECT_TRUE(shipped_file("magnetic/wmm2025.wmm"));
  EXPECT_THAT(shipped_file("no/such"), FailsWith(ErrorCode::kUnreadable, "no/such"));
}

TEST(ShippedFile, PrefersTheNamedFolder) {
  const TempFolder folder;
  test::write_text(folder / "only-here", "");
  ::setenv("SOLARCHON_SHARE", folder.path().c_str(), 1);
  EXPECT_EQ(shipped_file("only-here").value(), folder / "only-here");
  ::unsetenv("SOLARCHON_SHARE");
}

TEST(FreeBytes, OfAFolderThatIsNotThereYetAreThoseAboveIt) {
  const test::TempFolder folder;
  const auto here = free_bytes(folder.path());
  const auto below = free_bytes(folder.path() / "not" / "there" / "yet");
  ASSERT_TRUE(here && below);
  EXPECT_GT(*here, 0.0);
  EXPECT_NEAR(*below, *here, 0.05 * *here);  // others write, too
}

}  // namespace
}  // namespace solarchon::base
