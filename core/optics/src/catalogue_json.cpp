// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/catalogue.h"

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/base/resources.h"
#include "solarchon/optics/rig_file.h"

namespace solarchon::optics {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr const char* kCatalogueFormat = "solarchon-catalogue";
constexpr int kVersion = 1;
constexpr std::size_t kMostParts = 5000;

}  // namespace

Result<std::vector<Element>> parts_from_json(const Json& json) {
  base::ObjectReader reader(json, "");
  (void)reader.choice("format", {kCatalogueFormat});
  const int version = reader.integer("version", {1, 1'000'000});
  if (!reader.error() && version > kVersion) {
    reader.fail(ErrorCode::kVersion, "version", std::to_string(version),
                base::wants("versions-up-to", {1.0}));
  }
  if (!reader.error() && !(reader.has("parts") && json.at("parts").is_array())) {
    reader.fail(ErrorCode::kMissing, "parts", {}, base::wants("list"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  const Json& list = json.at("parts");
  if (list.size() > kMostParts) {
    return base::fail(ErrorCode::kTooLarge, "parts", std::to_string(list.size()),
                      base::wants("at-most", {static_cast<double>(kMostParts)}));
  }
  std::vector<Element> parts;
  for (std::size_t i = 0; i < list.size(); ++i) {
    auto part = element_from_json(list[i], "parts[" + std::to_string(i) + "]");
    if (!part) {
      return tl::make_unexpected(part.error());
    }
    parts.push_back(std::move(*part));
  }
  return parts;
}

Json parts_to_json(const std::vector<Element>& parts) {
  Json list = Json::array();
  for (const Element& part : parts) {
    list.push_back(to_json(part));
  }
  return {{"format", kCatalogueFormat}, {"version", kVersion}, {"parts", std::move(list)}};
}

Result<std::vector<Element>> read_parts(const std::filesystem::path& path) {
  return base::read_file(path, kMostPartsBytes)
      .and_then([&](const std::string& text) { return base::parse_json(text, path.string()); })
      .and_then(parts_from_json);
}

Result<void> write_parts(const std::vector<Element>& parts, const std::filesystem::path& path) {
  return base::write_file(path, base::file_text(parts_to_json(parts)));
}

const Result<std::vector<Element>>& shipped_catalogue() {
  static const Result<std::vector<Element>> kCatalogue =
      base::shipped_file("kit/catalogue.json").and_then(read_parts);
  return kCatalogue;
}

const Result<std::vector<Rig>>& usual_trains() {
  static const Result<std::vector<Rig>> kTrains =
      base::shipped_file("kit/trains.json")
          .and_then([](const auto& path) {
            return base::read_file(path, kMostBytes).and_then([&](const std::string& text) {
              return base::parse_json(text, path.string());
            });
          })
          .and_then([](const Json& json) -> Result<std::vector<Rig>> {
            std::vector<Rig> trains;
            if (!json.is_object() || !json.contains("trains") || !json.at("trains").is_array()) {
              return base::fail(ErrorCode::kMissing, "trains", {}, base::wants("list"));
            }
            for (const Json& item : json.at("trains")) {
              auto rig = rig_from_json(item);
              if (!rig) {
                return tl::make_unexpected(rig.error());
              }
              trains.push_back(std::move(*rig));
            }
            return trains;
          });
  return kTrains;
}

}  // namespace solarchon::optics
