// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/window/options.h"

#include "app/window/places.h"

#include "app/model/part_words.h"
#include "app/model/phrases.h"
#include "solarchon/optics/rig_file.h"
#include "tests/support/support.h"

namespace solarchon::app {
namespace {

using base::ErrorCode;
using test::FailsWith;

TEST(ReadOptions, ReadsThemAll) {
  const auto options = read_options({"solarchon", "--demo", "--data", "/d", "--view", "match",
                                     "--screenshot", "f.png", "--size", "1024x700", "--theme",
                                     "indoors", "--time", "2027-07-14T10:30:00Z"})
                           .value();
  EXPECT_TRUE(options.demo);
  EXPECT_EQ(options.data, "/d");
  EXPECT_EQ(options.view, "match");
  EXPECT_EQ(options.screenshot, "f.png");
  EXPECT_EQ(options.size, QSize(1024, 700));
  EXPECT_EQ(options.look, Look::kIndoors);
  EXPECT_EQ(options.time, test::utc("2027-07-14T10:30:00Z"));
}

TEST(ReadOptions, NamesTheBadOne) {
  EXPECT_THAT(read_options({"s", "--view", "moon"}), FailsWith(ErrorCode::kUnknownValue, "view"));
  EXPECT_THAT(read_options({"s", "--size", "big"}), FailsWith(ErrorCode::kMalformed, "size"));
  EXPECT_THAT(read_options({"s", "--theme", "pink"}), FailsWith(ErrorCode::kUnknownValue, "theme"));
  EXPECT_THAT(read_options({"s", "--time", "now"}), FailsWith(ErrorCode::kMalformed, "time"));
  EXPECT_THAT(read_options({"s", "--nonsense"}), FailsWith(ErrorCode::kUnknownValue, "option"));
  EXPECT_THAT(read_options({"s", "stray"}), FailsWith(ErrorCode::kNotFound, "file"));
  EXPECT_THAT(read_options({"s", "/", "/"}), FailsWith(ErrorCode::kUnknownValue, "option"));
  EXPECT_THAT(read_options({"s", "/"}), FailsWith(ErrorCode::kNotFound, "file"));
}

TEST(ReadOptions, TakesOneFileByItsWholePath) {
  const test::TempFolder folder;
  const auto file = folder.path() / "a path, with blanks.rig.json";
  ASSERT_TRUE(optics::write_rig(test::starter_rig(), file));
  const auto before = std::filesystem::current_path();
  std::filesystem::current_path(folder.path());
  const auto options = read_options({"solarchon", "a path, with blanks.rig.json"});
  std::filesystem::current_path(before);
  EXPECT_EQ(std::filesystem::canonical(options.value().file.toStdString()),
            std::filesystem::canonical(file));
  EXPECT_TRUE(read_options({"solarchon"}).value().file.isEmpty());
}

TEST(ReadOptions, HelpNamesEveryView) {
  for (const QString& name : place_ids()) {
    EXPECT_TRUE(help_text().contains(name)) << name.toStdString();
  }
}

TEST(Phrases, NumbersHaveATrueMinusAndNoMinusZero) {
  EXPECT_EQ(number(-1.25, 2), QString(QChar(0x2212)) + "1.25");
  EXPECT_EQ(number(-0.001, 2), "0.00");
  EXPECT_EQ(figure(0.0, 3), "0");
  EXPECT_EQ(figure(0.17255, 3), "0.173");
  EXPECT_EQ(figure(12345.0, 2), QLocale().toString(12345.0, 'f', 0));
}

TEST(Phrases, PowersTakeThePrefixThatSuits) {
  EXPECT_EQ(with_prefix(5.03, "W"), "5.0 W");
  EXPECT_EQ(with_prefix(0.1, "W/cm2"), "100 mW/cm2");
  EXPECT_EQ(with_prefix(4.9e-5, "W"), QString::fromUtf8("49 \u00b5W"));
  EXPECT_EQ(with_prefix(3e-9, "W"), "3.0 nW");
  EXPECT_EQ(with_prefix(0.0, "W"), "0 nW");
}

TEST(Phrases, ExposuresChangeToSecondsAtHalfASecond) {
  EXPECT_EQ(exposure_text(0.17255), "0.173 ms");
  EXPECT_EQ(exposure_text(1.1e-5), "11 ns");
  EXPECT_EQ(exposure_text(499.0), "499 ms");
  EXPECT_EQ(exposure_text(1500.0), "1.50 s");
}

TEST(Phrases, CompassPointsWrapAround) {
  EXPECT_EQ(compass_point(0.0), "N");
  EXPECT_EQ(compass_point(359.0), "N");
  EXPECT_EQ(compass_point(90.4), "E");
  EXPECT_EQ(compass_point(225.0), "SW");
}

TEST(Phrases, EveryPartAndParameterHasWords) {
  for (const std::string& kind : optics::kinds()) {
    const optics::Part part = *optics::part_of_kind(kind);
    EXPECT_FALSE(kind_name(part).isEmpty());
    for (const optics::Parameter& entry : optics::parameters_of(part)) {
      const ParameterWords words = parameter_words(entry.key);
      EXPECT_NE(words.label, text(entry.key)) << entry.key;
      EXPECT_FALSE(words.reason.isEmpty()) << entry.key;
    }
  }
}

TEST(Places, AFitsFileOpensWhereWhatItHoldsIsUsed) {
  const test::TempFolder folder;
  const auto goes_to = [&](const char* name, int planes) {
    const auto card = [](const std::string& key, int value) {
      std::string text = key + std::string(8 - key.size(), ' ') + "= " +
                         (QString::number(value).rightJustified(20)).toStdString();
      return text + std::string(80 - text.size(), ' ');
    };
    std::string header = card("SIMPLE", 1) + card("BITPIX", 16) +
                         card("NAXIS", planes > 1 ? 3 : 2) + card("NAXIS1", 64) +
                         card("NAXIS2", 64);
    header += planes > 1 ? card("NAXIS3", planes) : "";
    test::write_text(folder / name, header);
    const FileHead head = head_of(QString::fromStdString((folder / name).string()));
    for (const Place& place : places()) {
      for (const TakenFile& taken : place.files) {
        if (taken.takes(head)) {
          return taken.place;
        }
      }
    }
    return QString();
  };
  EXPECT_EQ(goes_to("clip.fits", 60), "reduce");
  EXPECT_EQ(goes_to("clip.FIT", 5), "reduce");
  EXPECT_EQ(goes_to("colour.fits", 3), "measure");
  EXPECT_EQ(goes_to("disc.fits", 1), "measure");
}

}  // namespace
}  // namespace solarchon::app
