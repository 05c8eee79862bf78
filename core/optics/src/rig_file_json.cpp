// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/rig_file.h"

#include <cmath>
#include <set>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/sky/time.h"

namespace solarchon::optics {

using base::ErrorCode;
using base::fail;
using base::Json;
using base::ObjectReader;
using base::Result;

namespace {

constexpr const char* kRigFormat = "solarchon-rig";
constexpr base::Range kLengthRange{0.0, 5000.0};
constexpr std::size_t kMostTuningNotes = 1000;

/// An object's members in a row, behind those that it has already.
void append(Json& object, const Json& more) {
  for (const auto& [key, value] : more.items()) {
    object[key] = value;
  }
}

Json parameters_to_json(const Part& part) {
  Json json = Json::object();
  for (const Parameter& item : parameters_of(part)) {
    const double value = parameter(part, item.key);
    Json& entry = json[std::string(item.key)];
    switch (item.form) {
      case Form::kNumber:
        entry = value;
        break;
      case Form::kWhole:
        entry = static_cast<int>(value);
        break;
      case Form::kFlag:
        entry = value != 0.0;
        break;
      case Form::kChoice:
        entry = item.words.at(static_cast<std::size_t>(value));
        break;
    }
  }
  return json;
}

double read_parameter(ObjectReader& reader, const Parameter& entry) {
  if (!std::isnan(entry.fallback) && !reader.has(entry.key)) {
    return entry.fallback;
  }
  switch (entry.form) {
    case Form::kWhole:
      return reader.integer(entry.key, entry.range);
    case Form::kFlag:
      return reader.flag_or(entry.key, false) ? 1.0 : 0.0;
    case Form::kChoice:
      return static_cast<double>(reader.choice(entry.key, entry.words));
    case Form::kNumber:
      break;
  }
  return reader.number(entry.key, entry.range);
}

Json tuning_to_json(const std::vector<TuningNote>& tuning) {
  Json list = Json::array();
  for (const TuningNote& note : tuning) {
    list.push_back(
        {{"date", note.date}, {"setting_angstrom", note.setting_angstrom}, {"note", note.note}});
  }
  return list;
}

Result<std::vector<TuningNote>> tuning_from_json(const Json& json, const std::string& path) {
  std::vector<TuningNote> tuning;
  if (!json.is_array() || json.size() > kMostTuningNotes) {
    return fail(ErrorCode::kWrongType, path, {}, base::wants("list-of-at-most", {1000.0}));
  }
  for (std::size_t i = 0; i < json.size(); ++i) {
    ObjectReader reader(json[i], path + "[" + std::to_string(i) + "]");
    tuning.push_back({reader.text_or("date", ""), reader.number("setting_angstrom", {-50.0, 50.0}),
                      reader.text_or("note", "")});
    if (reader.error()) {
      return tl::make_unexpected(*reader.error());
    }
  }
  return tuning;
}

/// What every element may have, whatever its kind.
const std::vector<std::string_view>& shared_members() {
  static const std::vector<std::string_view> kMembers{
      "kind",   "id",    "name",      "fitted", "length_mm", "front_face",    "rear_face",
      "serial", "notes", "inspected", "defect", "kit_id",    "tuning_history"};
  return kMembers;
}

/// What this program does not know of an element, without what every element has.
UnknownPart unknown_part(const std::string& kind, const Json& json) {
  Json own = json;
  for (const std::string_view shared : shared_members()) {
    own.erase(std::string(shared));
  }
  return {kind, std::move(own)};
}

/// A misspelt danger must not read as no danger: of a kind that is known, every member is known.
void refuse_unknown_members(const Part& part, ObjectReader& reader) {
  std::vector<std::string_view> members = shared_members();
  for (const Parameter& entry : parameters_of(part)) {
    members.push_back(entry.key);
  }
  reader.allow_only(members);
}

/// Version 1 knew one telescope, the refractor, which was a doublet.
void bring_from_1_to_2(Json& rig) {
  for (Json& element : rig["elements"]) {
    if (element.is_object() && element.value("kind", Json()) == "refractor") {
      element["kind"] = "telescope";
      element["design"] = "doublet";
    }
  }
}

}  // namespace

Json to_json(const Element& element) {
  Json entry = Json::object();
  if (const auto* unknown = std::get_if<UnknownPart>(&element.part)) {
    entry = unknown->original.get();
  }
  append(entry, {{"kind", kind_of(element.part)},
                 {"id", element.id},
                 {"name", element.name},
                 {"fitted", element.fitted},
                 {"length_mm", element.length_mm}});
  append(entry, parameters_to_json(element.part));
  const auto face = [](Face side) { return kFaceWords.of(side); };
  entry["front_face"] = face(element.front_face);
  entry["rear_face"] = face(element.rear_face);
  const auto add_text = [&](const char* key, const std::string& value) {
    if (!value.empty()) {
      entry[key] = value;
    } else {
      entry.erase(key);
    }
  };
  add_text("serial", element.care.serial);
  add_text("notes", element.care.notes);
  add_text("inspected", element.care.inspected);
  add_text("defect", element.care.defect);
  add_text("kit_id", element.kit_id);
  if (!element.care.tuning.empty()) {
    entry["tuning_history"] = tuning_to_json(element.care.tuning);
  }
  return entry;
}

Result<Element> element_from_json(const Json& json, const std::string& path) {
  ObjectReader reader(json, path);
  const std::string kind = reader.text("kind");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  Element element;
  const auto known = part_of_kind(kind);
  element.part = known ? *known : Part(unknown_part(kind, json));
  if (known) {
    refuse_unknown_members(element.part, reader);
  }
  element.id = reader.text_or("id", "");
  element.name = reader.text_or("name", kind);
  element.fitted = reader.flag_or("fitted", true);
  element.length_mm = reader.number_or("length_mm", kLengthRange, 0.0);
  for (const Parameter& entry : parameters_of(element.part)) {
    set_parameter(element.part, entry.key, read_parameter(reader, entry));
  }
  element.front_face = reader.choice_or("front_face", kFaceWords, Face::kNone);
  element.rear_face = reader.choice_or("rear_face", kFaceWords, Face::kNone);
  element.care.serial = reader.text_or("serial", "");
  element.care.notes = reader.text_or("notes", "");
  element.care.inspected = reader.text_or("inspected", "");
  element.care.defect = reader.text_or("defect", "");
  element.kit_id = reader.text_or("kit_id", "");
  if (!element.care.inspected.empty() && !sky::parse_date(element.care.inspected, "inspected")) {
    reader.fail(ErrorCode::kMalformed, "inspected", element.care.inspected, base::wants("date"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (reader.has("tuning_history")) {
    auto tuning = tuning_from_json(json.at("tuning_history"), path + ".tuning_history");
    if (!tuning) {
      return tl::make_unexpected(tuning.error());
    }
    element.care.tuning = std::move(*tuning);
  }
  return element;
}

Json to_json(const Rig& rig) {
  Json elements = Json::array();
  for (const Element& element : rig.elements) {
    elements.push_back(to_json(element));
  }
  return {{"format", kRigFormat},
          {"version", kRigVersion},
          {"name", rig.name},
          {"elements", std::move(elements)}};
}

Result<Rig> rig_from_json(const Json& json) {
  ObjectReader reader(json, "");
  (void)reader.choice("format", {kRigFormat});
  const int version = reader.integer("version", {1, 1'000'000});
  Rig rig;
  rig.name = reader.text("name");
  if (version <= kRigVersion) {
    reader.allow_only({"format", "version", "name", "elements"});
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  if (version > kRigVersion) {
    return fail(ErrorCode::kVersion, "version", std::to_string(version),
                base::wants("versions-up-to", {static_cast<double>(kRigVersion)}));
  }
  if (!reader.has("elements")) {
    return fail(ErrorCode::kMissing, "elements");
  }
  if (version < kRigVersion) {
    Json newer = json;
    newer["version"] = version + 1;
    if (newer["elements"].is_array()) {
      bring_from_1_to_2(newer);
    }
    return rig_from_json(newer);
  }
  const Json& elements = json.at("elements");
  if (!elements.is_array()) {
    return fail(ErrorCode::kWrongType, "elements", {}, base::wants("list"));
  }
  if (elements.size() > kMostElements) {
    return fail(ErrorCode::kTooLarge, "elements", std::to_string(elements.size()),
                base::wants("at-most", {static_cast<double>(kMostElements)}));
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
                  base::wants("id-of-its-own"));
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
  return base::write_file(path, base::file_text(to_json(rig)));
}

}  // namespace solarchon::optics
