// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig_file.h"

#include <cmath>
#include <set>

#include "solarchon/base/file.h"

namespace solarchon::optics {

using base::ErrorCode;
using base::fail;
using base::Json;
using base::ObjectReader;
using base::Result;

namespace {

constexpr const char* kFormatName = "solarchon-rig";
constexpr base::Range kLengthRange{0.0, 5000.0};

const std::vector<std::string>& kinds() {
  static const std::vector<std::string> kKinds = [] {
    std::vector<std::string> list;
    for (const Element& element : generic_parts()) {
      list.emplace_back(kind_of(element.part));
    }
    return list;
  }();
  return kKinds;
}

Result<Element> element_from_json(const Json& json, const std::string& path) {
  ObjectReader reader(json, path);
  const std::size_t kind = reader.choice("kind", kinds());
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  Element element = generic_parts()[kind];
  element.id = reader.text_or("id", "");
  element.name = reader.text_or("name", element.name);
  element.fitted = reader.flag_or("fitted", true);
  element.length_mm = reader.number_or("length_mm", kLengthRange, element.length_mm);
  for (const Parameter& entry : parameters_of(element.part)) {
    const bool required = std::isnan(entry.fallback);
    const bool read = required || reader.has(entry.key);
    const double value = !read ? entry.fallback
                               : (entry.whole ? reader.integer(entry.key, entry.range)
                                              : reader.number(entry.key, entry.range));
    set_parameter(element.part, entry.key, value);
  }
  if (auto* film = std::get_if<FrontFilm>(&element.part)) {
    film->certified = reader.flag_or("certified", false);  // nothing is certified by silence
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  return element;
}

}  // namespace

Json to_json(const Rig& rig) {
  Json elements = Json::array();
  for (const Element& element : rig.elements) {
    Json entry{{"kind", kind_of(element.part)},
               {"id", element.id},
               {"name", element.name},
               {"fitted", element.fitted},
               {"length_mm", element.length_mm}};
    for (const Parameter& item : parameters_of(element.part)) {
      const double value = parameter(element.part, item.key);
      if (item.whole) {
        entry[std::string(item.key)] = static_cast<int>(value);
      } else {
        entry[std::string(item.key)] = value;
      }
    }
    if (const auto* film = std::get_if<FrontFilm>(&element.part)) {
      entry["certified"] = film->certified;
    }
    elements.push_back(std::move(entry));
  }
  return {{"format", kFormatName},
          {"version", kRigVersion},
          {"name", rig.name},
          {"elements", std::move(elements)}};
}

Result<Rig> rig_from_json(const Json& json) {
  ObjectReader reader(json, "");
  (void)reader.choice("format", {kFormatName});
  const int version = reader.integer("version", {1, 1'000'000});
  Rig rig;
  rig.name = reader.text("name");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (version > kRigVersion) {
    return fail(ErrorCode::kVersion, "version", std::to_string(version),
                "1 to " + std::to_string(kRigVersion));
  }
  if (!reader.has("elements")) {
    return fail(ErrorCode::kMissing, "elements");
  }
  const Json& elements = json.at("elements");
  if (!elements.is_array()) {
    return fail(ErrorCode::kWrongType, "elements", {}, "a list");
  }
  if (elements.size() > kMostElements) {
    return fail(ErrorCode::kTooLarge, "elements", std::to_string(elements.size()),
                "at most " + std::to_string(kMostElements));
  }
  std::set<std::string> ids;
  for (std::size_t i = 0; i < elements.size(); ++i) {
    const std::string path = "elements[" + std::to_string(i) + "]";
    auto element = element_from_json(elements[i], path);
    if (!element) {
      return tl::make_unexpected(element.error());
    }
    if (!element->id.empty() && !ids.insert(element->id).second) {
      return fail(ErrorCode::kUnknownValue, path + ".id", element->id,
                  "an id that no other element has");
    }
    rig.elements.push_back(std::move(*element));
  }
  for (Element& element : rig.elements) {
    if (element.id.empty()) {
      element.id = fresh_id(rig);
    }
  }
  return rig;
}

Result<Rig> read_rig(const std::filesystem::path& path) {
  return base::read_file(path, kMostBytes)
      .and_then([&](const std::string& text) { return base::parse_json(text, path.string()); })
      .and_then([](const Json& json) { return rig_from_json(json); });
}

Result<void> write_rig(const Rig& rig, const std::filesystem::path& path) {
  return base::write_file(path,
                          to_json(rig).dump(2, ' ', false, Json::error_handler_t::replace) + "\n");
}

}  // namespace solarchon::optics
