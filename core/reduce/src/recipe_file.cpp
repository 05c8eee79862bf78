// SPDX-License-Identifier: GPL-3.0-or-later
#include "recipe_file.h"

#include <functional>

#include "solarchon/base/file.h"
#include "solarchon/base/json.h"
#include "solarchon/image/interpolation.h"
#include "solarchon/image/picture.h"
#include "solarchon/media/fingerprint.h"
#include "solarchon/media/movie.h"
#include "solarchon/media/picture_file.h"
#include "solarchon/reduce/recipe.h"

namespace solarchon::reduce {

using base::ErrorCode;
using base::Json;
using base::Result;

namespace {

constexpr int kVersion = 1;
constexpr std::size_t kMostBytes = 1U << 20U;

/// Each input's name, as it stands in a recipe.
void each_name(Json& recipe, const std::function<std::string(const std::string&)>& change) {
  if (!recipe.is_object() || !recipe.contains("inputs") || !recipe["inputs"].is_object()) {
    return;
  }
  const auto one = [&](Json& input) {
    if (input.is_object() && input.contains("file") && input["file"].is_string()) {
      input["file"] = change(input["file"].get<std::string>());
    }
  };
  for (auto& [key, input] : recipe["inputs"].items()) {
    if (input.is_array()) {
      for (Json& each : input) {
        one(each);
      }
    } else {
      one(input);
    }
  }
}

Result<std::string> recipe_text(const std::filesystem::path& path) {
  const std::string ending = path.extension().string();
  if (ending == ".json") {
    return base::read_file(path, kMostBytes);
  }
  const auto inside = ending == ".mkv" || ending == ".mp4"
                          ? media::recipe_of_movie(path)
                          : media::read_picture(path).map(
                                [](const image::Picture& picture) { return picture.recipe; });
  return inside && inside->empty() ? base::read_file(recipe_beside(path), kMostBytes) : inside;
}

}  // namespace

std::string inner_text(const Json& json) {
  return json.dump(-1, ' ', true, Json::error_handler_t::replace);
}

Json new_recipe(const char* product) {
  return Json{{"solarchon_recipe", kVersion},
              {"program", "solarchon " SOLARCHON_VERSION},
              {"product", product},
              {"inputs", Json::object()},
              {"steps", Json::array()}};
}

Result<Json> input_json(const std::filesystem::path& path) {
  return media::fingerprint(path).map([&](const media::Fingerprint& print) {
    return Json{{"file", path.string()},
                {"bytes", print.bytes},
                {"sha256", print.sha256},
                {"image::sampled", print.sampled}};
  });
}

Result<std::filesystem::path> input_of(const Json& input, const std::string& name,
                                       const std::filesystem::path& folder) {
  const Json empty = Json::object();
  base::ObjectReader reader(input.is_object() ? input : empty, "inputs." + name);
  const std::filesystem::path named = reader.text("file");
  const std::string sha256 = reader.text("sha256");
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  const std::filesystem::path path = (folder / named).lexically_normal();
  const auto print = media::fingerprint(path);
  if (!print) {
    return tl::make_unexpected(print.error());
  }
  if (print->sha256 != sha256) {
    return base::fail_because(ErrorCode::kMalformed, path.string(), base::because("another-file"));
  }
  return path;
}

std::string with_step(const std::string& recipe, Json step, const char* product) {
  const auto before = base::parse_json(recipe, "recipe");
  Json json = before && before->is_object() && before->contains("steps") &&
                      (*before)["steps"].is_array() && before->contains("inputs")
                  ? *before
                  : new_recipe(product);
  json["product"] = product;
  json["steps"].push_back(std::move(step));
  return inner_text(json);
}

Json seen_from(Json recipe, const std::filesystem::path& folder) {
  each_name(recipe, [&](const std::string& name) {
    std::error_code status;
    const auto whole = std::filesystem::absolute(name, status);
    const auto seen = std::filesystem::proximate(whole, folder, status);
    return (status ? whole : seen).generic_string();
  });
  return recipe;
}

Json by_whole_paths(Json recipe, const std::filesystem::path& folder) {
  each_name(recipe, [&](const std::string& name) {
    return (folder / name).lexically_normal().generic_string();
  });
  return recipe;
}

Result<Json> read_recipe_json(const std::filesystem::path& path) {
  const auto text = recipe_text(path);
  if (!text) {
    return tl::make_unexpected(text.error());
  }
  auto json = base::parse_json(*text, path.string());
  if (!json) {
    return json;
  }
  base::ObjectReader reader(*json, "");
  const int version = reader.integer("solarchon_recipe", {1.0, 1000.0});
  if (!reader.error() && version > kVersion) {
    return base::fail(ErrorCode::kVersion, "solarchon_recipe", std::to_string(version),
                      base::wants("versions-up-to", {static_cast<double>(kVersion)}));
  }
  static_cast<void>(reader.object("inputs"));
  if (!reader.error() && (!json->contains("steps") || !(*json)["steps"].is_array())) {
    reader.fail(ErrorCode::kMissing, "steps", {}, base::wants("list"));
  }
  if (reader.error()) {
    return tl::make_unexpected(*reader.error());
  }
  // What is not known is null there, and left out for who reads it.
  for (Json& step : (*json)["steps"]) {
    for (auto member = step.begin(); step.is_object() && member != step.end();) {
      member = member->is_null() ? step.erase(member) : std::next(member);
    }
  }
  return json;
}

Result<void> write_beside(const std::filesystem::path& product, const Json& recipe) {
  const std::filesystem::path beside = recipe_beside(product);
  std::error_code status;
  const bool was_there = std::filesystem::exists(beside, status);
  auto told = base::write_file(beside, base::file_text(recipe));
  if (!told && !was_there) {
    std::filesystem::remove(product, status);
  }
  return told;
}

}  // namespace solarchon::reduce
