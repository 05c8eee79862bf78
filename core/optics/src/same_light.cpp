// SPDX-License-Identifier: GPL-3.0-or-later
#include "solarchon/optics/same_light.h"

namespace solarchon::optics {

bool same_light(Rig a, Rig b) {
  for (Rig* rig : {&a, &b}) {
    for (Element& element : rig->elements) {
      element.care = {};
      element.kit_id.clear();
    }
  }
  return a == b;
}

}  // namespace solarchon::optics
