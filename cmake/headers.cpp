// SPDX-License-Identifier: GPL-3.0-or-later
// Nothing but what cmake/Headers.cmake compiles ahead of the rest.
