// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>
#include <QTimeZone>
#include <optional>
#include <string_view>
#include <vector>

#include "solarchon/base/result.h"
#include "solarchon/sky/time.h"

namespace solarchon::base {
struct RefusedLine;
}
namespace solarchon::match {
enum class Target;
}
namespace solarchon::safety {
struct Finding;
enum class Severity;
}  // namespace solarchon::safety
namespace solarchon::words {
class Voice;
}

namespace solarchon::app {

// Numbers, times and names as people read them, in the user's locale, with a true minus sign.

/// Of one: what shares are shown in.
inline constexpr double kPercent = 100.0;

[[nodiscard]] QString number(double value, int decimals);
/// `7h 41m 12s` of an angle, and `+21° 28′ 10″`; as hand controllers show them.
[[nodiscard]] QString in_hours(double angle_deg);
[[nodiscard]] QString in_degrees(double angle_deg);
/// With that many significant figures, for values of unknown size such as watts.
[[nodiscard]] QString figure(double value, int significant);
/// A power or irradiance with the prefix that suits it: `49 µW`.
[[nodiscard]] QString with_prefix(double value, const QString& unit);
/// A temperature with its unit.
[[nodiscard]] QString celsius(double degrees);
[[nodiscard]] QString clock_at(sky::UtcTime time, const QTimeZone& zone, bool seconds = false);
/// `7:12` of minutes and seconds, `1:05:00` from an hour on.
[[nodiscard]] QString time_left(sky::Duration length);
/// `45 s`, `12 min`, `2.5 h`; a dash for what is not finite.
[[nodiscard]] QString duration_words(double seconds);
[[nodiscard]] QString gigabytes(double bytes);
/// What a step that runs by itself is called beside its time: `Warm-up`.
[[nodiscard]] QString timer_name(std::string_view step);
[[nodiscard]] QString date_at(sky::UtcTime time, const QTimeZone& zone);
/// `2027-07-12 09:00 UTC`, the same in every language: for pictures that are passed on.
[[nodiscard]] QString utc_minutes(sky::UtcTime time);
/// `N`, `NE`, ... of an azimuth.
[[nodiscard]] QString compass_point(double azimuth_deg);
/// Milliseconds, or seconds from half a second up.
[[nodiscard]] QString exposure_text(double exposure_ms);

/// `line 3: …; line 7: …`, the first few of the lines that were not taken.
[[nodiscard]] QString refused_words(const std::vector<base::RefusedLine>& refused);

[[nodiscard]] QString name_of(match::Target target);
[[nodiscard]] QString name_of(safety::Severity severity);
/// A name, or another text of the core or of words/, which is UTF-8.
[[nodiscard]] QString text(std::string_view utf8);

/// The words' voice in the language of the program.
[[nodiscard]] const words::Voice& voice();
/// What a rule says can happen, why, and the next safe step.
[[nodiscard]] QString what_can_happen(const safety::Finding& finding);
[[nodiscard]] QString why_of(const safety::Finding& finding);
[[nodiscard]] QString next_step_of(const safety::Finding& finding);
/// An error as one line, and the same without its field, for a message beside it.
[[nodiscard]] QString error_text(const base::Error& error);
[[nodiscard]] QString beside_field_text(const base::Error& error);

}  // namespace solarchon::app
