// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/kit.h"

#include <SQLiteCpp/SQLiteCpp.h>

#include <QSignalSpy>

#include "app/model/in_hand.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/optics/rig_file.h"
#include "tests/app/app_support.h"

namespace solarchon::app {
namespace {

using test::wait_until;
using Names = std::vector<std::string>;

class KitTest : public testing::Test {
 protected:
  void settle() {
    ASSERT_TRUE(wait_until([&] { return queue.settled() && files.settled(); }));
  }
  log::LogBook book() { return log::LogBook::open(workspace::log_file(folder.path())).value(); }
  static sky::Site south() { return {"Southern school", -41.3, 174.8, 95.0, "Pacific/Auckland"}; }
  static sky::Site yard() { return {"Yard", 36.09, -5.61, 18.0, "Europe/Madrid"}; }

  test::TempFolder folder;
  ErrorReporter trouble;
  QSignalSpy told{&trouble, &ErrorReporter::told};
  LogQueue queue{workspace::log_file(folder.path()), trouble};
  OutsideFiles files{trouble};
  Document document{test::morning_workspace(test::starter_rig()), test::morning(), false};
  Kit kit{queue, files, document.undo(), trouble};
  SiteInHand site{document, kit.sites()};
  PathInHand path{document, kit.paths()};
};

TEST_F(KitTest, APartThatIsDroppedComesBackAsItWas) {
  optics::Element etalon = test::catalogue_part("Heated rear etalon 0.5 Å with 4.3x telecentric");
  etalon.name = "Etalon of the school";
  etalon.care.defect = "Scratched cap";
  const std::string id = kit.keep(etalon);
  ASSERT_EQ(kit.parts().size(), 1U);  // at once
  settle();
  EXPECT_EQ(book().kit().value(), kit.parts());
  const optics::Element kept = kit.parts()[0];
  EXPECT_EQ(kept.kit_id, id);
  kit.drop(id);
  EXPECT_TRUE(kit.parts().empty());
  document.undo().undo();
  settle();
  EXPECT_EQ(kit.parts(), std::vector{kept});
  EXPECT_EQ(book().kit().value(), std::vector{kept});
  document.undo().undo();  // and the keeping itself
  settle();
  EXPECT_TRUE(book().kit().value().empty());
  document.undo().redo();
  settle();
  EXPECT_EQ(book().kit().value(), std::vector{kept});
  EXPECT_EQ(told.count(), 0);
}

TEST_F(KitTest, AFileOfPartsIsOneStepOfUndo) {
  ASSERT_TRUE(optics::write_parts(
      {test::catalogue_part("Eyepiece 20 mm"), test::catalogue_part("Phone in an eyepiece holder")},
      folder / "parts.json"));
  kit.import_file(QString::fromStdString((folder / "parts.json").string()));
  settle();
  EXPECT_EQ(book().kit().value().size(), 2U);
  document.undo().undo();
  settle();
  EXPECT_TRUE(book().kit().value().empty());
}

TEST_F(KitTest, AShelfListsWhatWasUsedLastFirst) {
  kit.sites().keep(south());
  QTest::qWait(2);
  kit.sites().keep(yard());
  EXPECT_EQ(kit.sites().names(), (Names{"Yard", "Southern school"}));
  QTest::qWait(2);
  EXPECT_TRUE(site.take("Southern school"));
  settle();
  EXPECT_EQ(kit.sites().names().front(), "Southern school");
  EXPECT_EQ(book().sites().value().front().item, south());
  EXPECT_EQ(document.workspace().site, south());
  EXPECT_EQ(site.state(), OnShelf::kAsItIs);
}

TEST_F(KitTest, WhatWasNeverKeptIsKeptWhenAnotherIsTaken) {
  const std::string first = document.workspace().site.name;
  kit.sites().keep(south());
  EXPECT_EQ(site.state(), OnShelf::kNot);
  EXPECT_TRUE(site.take("Southern school"));
  EXPECT_NE(kit.sites().find(first), nullptr);
  document.undo().undo();  // one step
  EXPECT_EQ(document.workspace().site.name, first);
  EXPECT_EQ(kit.sites().find(first), nullptr);
  settle();
  EXPECT_EQ(book().sites().value().size(), 1U);
}

TEST_F(KitTest, ChangesThatAreNotOnTheShelfAreSaidWhenAnotherIsTaken) {
  site.keep();
  kit.sites().keep(south());
  workspace::Workspace next = document.workspace();
  next.site.elevation_m += 10.0;
  document.edit("Higher", next);
  EXPECT_EQ(site.state(), OnShelf::kChanged);
  EXPECT_FALSE(site.take("Southern school"));
  document.undo().undo();
  EXPECT_DOUBLE_EQ(document.workspace().site.elevation_m, next.site.elevation_m);
  site.keep();  // in the place of what has its name
  EXPECT_EQ(site.state(), OnShelf::kAsItIs);
  EXPECT_EQ(kit.sites().kept().size(), 2U);
}

TEST_F(KitTest, ThingsOfAShelfAreCopiedRenamedAndDroppedWithUndo) {
  path.keep();
  const std::string name = document.workspace().rig.name;
  kit.paths().copy(name);
  kit.paths().copy(name);
  EXPECT_NE(kit.paths().find(name + " 2"), nullptr);
  EXPECT_NE(kit.paths().find(name + " 3"), nullptr);
  EXPECT_FALSE(path.rename(name + " 2", name));  // that of another
  EXPECT_FALSE(path.rename(name + " 2", ""));
  EXPECT_TRUE(path.rename(name + " 2", "With the wedge"));
  EXPECT_TRUE(path.rename(name, "School refractor"));  // the one in hand follows
  EXPECT_EQ(document.workspace().rig.name, "School refractor");
  document.undo().undo();
  EXPECT_EQ(document.workspace().rig.name, name);
  EXPECT_NE(kit.paths().find(name), nullptr);
  kit.paths().drop("With the wedge");
  EXPECT_EQ(kit.paths().kept().size(), 2U);
  document.undo().undo();
  EXPECT_NE(kit.paths().find("With the wedge"), nullptr);
  settle();
  EXPECT_EQ(book().paths().value().size(), 3U);
  EXPECT_EQ(told.count(), 0);
}

TEST_F(KitTest, FilesOfSitesAndPathsAreReadAndWritten) {
  const auto file = [&](const char* name) {
    return QString::fromStdString((folder / name).string());
  };
  kit.sites().keep(south());
  kit.sites().export_to("Southern school", file("site.json"));
  kit.sites().import_file(file("site.json"));
  path.keep();
  kit.paths().export_to(document.workspace().rig.name, file("path.json"));
  kit.paths().import_file(file("path.json"));
  settle();
  // What has another's name gets one of its own; nothing is overwritten.
  EXPECT_NE(kit.sites().find("Southern school 2"), nullptr);
  EXPECT_EQ(kit.sites().find("Southern school 2")->latitude_deg, -41.3);
  EXPECT_EQ(kit.paths().kept().size(), 2U);
  EXPECT_EQ(optics::read_rig(folder / "path.json").value(), document.workspace().rig);
  EXPECT_EQ(told.count(), 0);
  kit.sites().import_file(file("path.json"));  // a light path is no site
  kit.paths().import_file(file("none.json"));
  settle();
  EXPECT_EQ(told.count(), 2);
  EXPECT_EQ(kit.sites().kept().size(), 2U);
}

TEST_F(KitTest, WhatCouldNotBeWrittenIsSaidAndNotShown) {
  kit.sites().keep(south());
  settle();
  const auto log = workspace::log_file(folder.path());
  for (const char* ending : {"", "-wal", "-shm"}) {
    std::filesystem::remove(log.string() + ending);
  }
  test::write_text(log, std::string(4096, 'x'));  // no log any more
  kit.sites().keep(yard());
  EXPECT_EQ(kit.sites().kept().size(), 2U);  // at once
  settle();
  EXPECT_EQ(told.count(), 1);
  EXPECT_EQ(kit.sites().names(), Names{"Southern school"});
}

TEST_F(KitTest, QuickChangesDoNotFlickerBack) {
  std::vector<std::size_t> counts;
  QObject::connect(&kit, &Kit::partsChanged, &kit, [&] { counts.push_back(kit.parts().size()); });
  for (int i = 0; i < 10; ++i) {
    kit.keep(test::catalogue_part("Eyepiece 20 mm"));
  }
  settle();
  EXPECT_TRUE(std::is_sorted(counts.begin(), counts.end()));
  EXPECT_EQ(kit.parts().size(), 10U);
  EXPECT_EQ(book().kit().value(), kit.parts());
}

}  // namespace
}  // namespace solarchon::app
