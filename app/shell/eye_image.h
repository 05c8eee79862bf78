// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QImage>
#include <QString>

#include "solarchon/camera/eyepiece.h"

namespace solarchon::app {

/// What an eye sees, in its own colour, and as bright as a screen can tell: dim fields darker.
[[nodiscard]] QImage eye_image(const camera::EyeSight& sight);

/// How bright that is for an eye, in words.
[[nodiscard]] QString glare_words(const camera::EyeSight& sight);

}  // namespace solarchon::app
