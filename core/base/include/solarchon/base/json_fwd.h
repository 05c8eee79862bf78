// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

// What a public header may know of JSON: the name of the type. Whoever makes a value, or looks into
// one, includes `base/json.h`: readers and writers stand in each room's *_json.cpp, so that the
// library is parsed by few translation units.

#include <nlohmann/json_fwd.hpp>

namespace solarchon::base {

using Json = nlohmann::ordered_json;

}  // namespace solarchon::base
