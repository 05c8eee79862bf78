// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace solarchon::app {

/// Sounds the alarm once and returns when it has ended; the process is ended by the system after
/// ten seconds, whatever the sound system does. For a process that does nothing else.
/// @return  exit code: 0 when it was played, 1 when there is no sound or no device
int ring_alarm(int argc, char** argv);

}  // namespace solarchon::app
