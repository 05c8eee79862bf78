// SPDX-License-Identifier: GPL-3.0-or-later
#include "tests/support/support.h"

#include <unistd.h>

#include <cmath>
#include <fstream>
#include <sstream>
#include <stdexcept>

#include "solarchon/image/frame.h"
#include "solarchon/optics/catalogue.h"
#include "solarchon/workspace/answers.h"
#include "solarchon/workspace/observe.h"

namespace solarchon::test {

namespace {

constexpr double kFilmClearMm = 84.0;

}  // namespace

TempFolder::TempFolder() {
  std::string form = (std::filesystem::temp_directory_path() / "solarchon-XXXXXX").string();
  path_ = ::mkdtemp(form.data());
}

TempFolder::~TempFolder() {
  std::error_code ignored;
  std::filesystem::remove_all(path_, ignored);
}

void write_text(const std::filesystem::path& path, const std::string& text) {
  std::ofstream(path, std::ios::binary) << text;
}

std::string read_text(const std::filesystem::path& path) {
  std::ostringstream text;
  text << std::ifstream(path, std::ios::binary).rdbuf();
  return text.str();
}

optics::Rig starter_rig() {
  optics::Rig rig;
  rig.name = "Starter";
  rig.elements = {{"film", "Film", true, 0.0, optics::FrontFilm{5.0, kFilmClearMm, true}},
                  {"tube", "Tube", true, 0.0, optics::Telescope{80.0, 480.0}},
                  {"camera", "Camera", true, 12.5, optics::Camera{}}};
  return rig;
}

optics::Rig with_part(optics::Rig rig, const optics::Part& part, double length_mm) {
  rig.elements.insert(rig.elements.end() - 1, {"extra", "Extra", true, length_mm, part});
  return rig;
}

optics::Rig quick_rig() {
  optics::Rig rig = starter_rig();
  auto& camera = std::get<optics::Camera>(rig.elements.back().part);
  camera.width_px = 640;
  camera.height_px = 512;
  camera.pixel_um = 10.0;
  camera.full_well_e = 80000.0;
  return rig;
}

optics::Element catalogue_part(const std::string& name) {
  for (const optics::Element& part : optics::shipped_catalogue().value()) {
    if (part.name == name) {
      return part;
    }
  }
  throw std::invalid_argument("not in the catalogue: " + name);
}

optics::Rig rig_of(const std::vector<std::string>& names) {
  optics::Rig rig;
  for (const std::string& name : names) {
    optics::Element part = catalogue_part(name);
    part.id = optics::fresh_id(rig);
    rig.elements.push_back(std::move(part));
  }
  return rig;
}

optics::Rig usual_train(std::size_t index) { return optics::usual_trains().value().at(index); }

optics::Rig random_rig(base::Random& random) {
  const auto pick = [&](std::size_t count) { return random.below(count); };
  optics::Rig rig;
  const std::size_t parts = pick(10);
  for (std::size_t i = 0; i < parts; ++i) {
    optics::Element element;
    element.part = *optics::part_of_kind(optics::kinds().at(pick(optics::kinds().size())));
    element.id = optics::fresh_id(rig);
    element.fitted = random.uniform() < 0.85;
    element.length_mm = random.uniform(0, 300);
    element.front_face = static_cast<optics::Face>(pick(optics::kFaceWords.size()));
    element.rear_face = static_cast<optics::Face>(pick(optics::kFaceWords.size()));
    // Half of the parts keep their usual figures, so that some trains are nearly right.
    const bool usual = random.uniform() < 0.5;
    for (const optics::Parameter& entry : optics::parameters_of(element.part)) {
      if (usual && random.uniform() < 0.8) {
        continue;
      }
      const double share = std::pow(random.uniform(), 3.0);
      const double value = entry.range.low + share * (entry.range.high - entry.range.low);
      optics::set_parameter(element.part, entry.key,
                            entry.form == optics::Form::kNumber ? value : std::round(value));
    }
    const std::size_t place =
        random.uniform() < 0.7 ? optics::usual_place(rig, element.part) : rig.elements.size();
    rig.elements.insert(rig.elements.begin() + static_cast<std::ptrdiff_t>(place), element);
  }
  return rig;
}

workspace::Workspace morning_workspace(const optics::Rig& rig) {
  workspace::Workspace space;
  space.site = {"Punta Alcaravan", 36.07, -5.58, 42.0, "Europe/Madrid"};
  space.rig = rig;
  return space;
}

sky::UtcTime morning() { return utc("2027-07-17T08:40:00Z"); }

camera::Shot morning_shot(const optics::Rig& rig, std::uint32_t seed) {
  const workspace::Workspace space = morning_workspace(rig);
  const workspace::Answers answers =
      workspace::answer(space, morning(), sky::geocentric_sun(morning(), 0.0));
  return workspace::shot_for(space, answers, std::nullopt, seed).value();
}

image::Frame drawn_disc(int width, int height, const Pixel& centre, double radius_px,
                        sky::UtcTime time) {
  image::Frame frame;
  frame.width = width;
  frame.height = height;
  frame.info.time = time;
  constexpr double kSky = 200.0;
  constexpr double kMiddle = 45'000.0;
  for (int y = 0; y < height; ++y) {
    for (int x = 0; x < width; ++x) {
      const double far = std::hypot(x - centre.x, y - centre.y);
      const double share = std::min(1.0, far / radius_px);
      const double darkened = 0.35 + 0.65 * std::sqrt(1.0 - share * share);
      const double inside = 0.5 * std::erfc((far - radius_px) / std::sqrt(2.0));
      frame.pixels.push_back(
          static_cast<std::uint16_t>(std::lround(kSky + kMiddle * darkened * inside)));
    }
  }
  return frame;
}

sky::UtcTime utc(const std::string& text) { return sky::parse_utc(text, "time").value(); }

}  // namespace solarchon::test
