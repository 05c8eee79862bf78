// SPDX-License-Identifier: GPL-3.0-or-later
#include "app/model/camera_choice.h"

#include <filesystem>

#include "app/model/phrases.h"
#include "solarchon/devices/local_socket.h"
#include "solarchon/media/video_feed.h"

namespace solarchon::app {

std::vector<CameraChoice> eyes() {
  std::vector<CameraChoice> found{{}};
  for (const media::VideoDevice& device : media::video_devices()) {
    found.push_back(
        {CameraChoice::Kind::kVideo, QString::fromStdString(device.path), text(device.name)});
  }
  // Somebody else's device; those that this program plays have names of their own.
  if (const auto folder = devices::socket_folder()) {
    const std::filesystem::path socket = *folder / "telescope";
    std::error_code status;
    if (std::filesystem::is_socket(socket, status)) {
      found.push_back({CameraChoice::Kind::kDevice, QString::fromStdString(socket.string()),
                       QString::fromStdString(socket.filename().string())});
    }
  }
  return found;
}

base::Result<std::unique_ptr<capture::Source>> open_eye(const CameraChoice& eye,
                                                        const capture::Known& known,
                                                        const base::Task& task) {
  constexpr double kPatience_s = 5.0;
  if (eye.kind == CameraChoice::Kind::kDevice) {
    return capture::open_telescope_source(eye.path.toStdString(), kPatience_s, known, task);
  }
  // A description of what is generated is no path.
  return capture::open_device_source(eye.path.startsWith(QLatin1String("/")) ? "v4l2" : "lavfi",
                                     {eye.path.toStdString(), eye.name.toStdString()}, known);
}

}  // namespace solarchon::app
