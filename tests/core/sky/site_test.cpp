// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/sky/site.h"

#include "solarchon/base/json.h"
#include "tests/support/support.h"

namespace solarchon::sky {
namespace {

using base::ErrorCode;
using test::FailsWith;

base::Result<Site> read_back(const std::filesystem::path& file) {
  return base::parse_json(test::read_text(file), "file").and_then(site_from_file);
}

TEST(SiteFile, BringsBackTheSiteWithItsHorizon) {
  const test::TempFolder folder;
  Site site{"Pe\u00f1a del \u00c1guila", -41.3, 174.8, 95.5, "Pacific/Auckland"};
  site.horizon.points = {{10.0, 5.0, false}, {200.0, 20.0, true}};
  ASSERT_TRUE(write_site(site, folder / "site.json"));
  EXPECT_EQ(read_back(folder / "site.json").value(), site);
}

TEST(SiteFile, NamesWhatIsWrong) {
  const test::TempFolder folder;
  const auto read = [&](const std::string& text) {
    test::write_text(folder / "f", text);
    return read_back(folder / "f");
  };
  EXPECT_THAT(read("[]"), FailsWith(ErrorCode::kWrongType, "file"));
  EXPECT_THAT(read(R"({"format": "solarchon-rig", "version": 1, "site": {}})"),
              FailsWith(ErrorCode::kUnknownValue, "format"));
  EXPECT_THAT(read(R"({"format": "solarchon-site", "version": 2, "site": {}})"),
              FailsWith(ErrorCode::kVersion, "version"));
  EXPECT_THAT(read(R"({"format": "solarchon-site", "version": 1})"),
              FailsWith(ErrorCode::kMissing, "site"));
  EXPECT_THAT(read(R"({"format": "solarchon-site", "version": 1,
                       "site": {"name": "x", "latitude_deg": 91, "longitude_deg": 0}})"),
              FailsWith(ErrorCode::kOutOfRange, "site.latitude_deg"));
}

TEST(StandardPressure, FollowsTheStandardAtmosphere) {
  // ICAO Doc 7488: 0, 1000, 3000 and 5000 m.
  EXPECT_NEAR(standard_pressure_hpa(0.0), 1013.25, 0.01);
  EXPECT_NEAR(standard_pressure_hpa(1000.0), 898.75, 0.2);
  EXPECT_NEAR(standard_pressure_hpa(3000.0), 701.09, 0.3);
  EXPECT_NEAR(standard_pressure_hpa(5000.0), 540.20, 0.4);
}

}  // namespace
}  // namespace solarchon::sky
