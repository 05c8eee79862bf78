// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::optics {

/// One visitor made of a function for each kind.
template <class... Cases>
struct Overloaded : Cases... {
  using Cases::operator()...;
};
template <class... Cases>
Overloaded(Cases...) -> Overloaded<Cases...>;

}  // namespace solarchon::optics
