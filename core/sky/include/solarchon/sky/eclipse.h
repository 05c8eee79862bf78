// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

#include "solarchon/base/enum_words.h"
#include "solarchon/base/json_fwd.h"
#include "solarchon/base/task.h"
#include "solarchon/sky/bodies.h"
#include "solarchon/sky/day.h"
#include "solarchon/sky/site.h"
#include "solarchon/sky/time.h"

namespace solarchon::sky {

/// One instant at which two edges meet, or are nearest to each other's middle.
struct Contact {
  UtcTime time;
  double altitude_deg = 0.0;        ///< of the Sun's middle, refracted
  double azimuth_deg = 0.0;         ///< from north through east, [0, 360)
  double position_angle_deg = 0.0;  ///< on the Sun's limb, from celestial north through east
  double from_zenith_deg = 0.0;     ///< the same place from the limb's highest point, [0, 360)
  bool seen = false;                ///< some of the disc stands over the site's skyline
};

/// The course of a body over the Sun, as a site has it.
struct Crossing {
  Contact first;                  ///< outer edges meet
  std::optional<Contact> second;  ///< inner contact: the body is wholly before the Sun, or hides it
  Contact greatest;               ///< middles nearest; the angle is that of the body
  std::optional<Contact> third;
  Contact last;
  double separation_arcsec = 0.0;  ///< of the middles, at greatest
  double sun_semidiameter_arcsec = 0.0;
  double body_semidiameter_arcsec = 0.0;  ///< at greatest
  std::vector<Window> seen = {};          ///< some of the disc stands over the skyline
};

/// By what a site sees of it.
enum class EclipseKind { kNone, kPartial, kAnnular, kTotal };
inline constexpr base::EnumWords<EclipseKind, 4> kEclipseKindWords{
    {"none", "partial", "annular", "total"}};

struct SolarEclipse {
  EclipseKind kind = EclipseKind::kNone;
  Crossing crossing;
  double magnitude = 0.0;    ///< share of the Sun's diameter at greatest; over 1 where it is total
  double obscuration = 0.0;  ///< share of its area
  double seen_magnitude = 0.0;  ///< the greatest with the Sun over the skyline
  double seen_obscuration = 0.0;
  UtcTime seen_greatest;
};

/// What of a transit is seen: nothing, a planet that never stands wholly before the Sun, all of it.
enum class TransitKind { kNone, kGrazing, kFull };
inline constexpr base::EnumWords<TransitKind, 3> kTransitKindWords{{"none", "grazing", "full"}};

struct Transit {
  Body planet = Body::kMercury;  ///< or Venus
  TransitKind kind = TransitKind::kNone;
  Crossing crossing;
  /// Outer contacts with the chromosphere, whose edge in hydrogen alpha stands 5 Mm further out.
  UtcTime first_hydrogen_alpha;
  UtcTime last_hydrogen_alpha;
};

/// Every eclipse of the Sun of which the site sees some, by the instant of its greatest phase
/// there.
/// @param from, to  kFirstEclipseTime to kLastEclipseTime
/// @return          in order of time; what was found so far when the task was stopped
/// Accuracy: contacts 5 s where the dUT1 is known (one second of it moves the shadow by up to
/// 0.5 km), position angles 0.2 degree, magnitude 0.001. The Moon's limb is smooth: its mountains
/// move second and third contact by up to some seconds, and make beads. One lunar radius serves all
/// contacts. Where a central phase lies wholly under the skyline, what is seen is partial.
/// Source: topocentric separation against semidiameters at each new Moon near a node; Moon and Sun
/// as body_place and geocentric_sun.
[[nodiscard]] std::vector<SolarEclipse> solar_eclipses(UtcTime from, UtcTime to,
                                                       const Observer& observer,
                                                       const base::Task& task = {});

/// Every transit of Mercury and Venus, in the same way.
/// Accuracy: contacts 10 s; a grazing one less, since it lasts so long.
[[nodiscard]] std::vector<Transit> transits(UtcTime from, UtcTime to, const Observer& observer,
                                            const base::Task& task = {});

/// Instants from the start to the end of a date by the site's mean time or by UTC, whichever is
/// earlier or later: an event may be known by either date.
[[nodiscard]] Window around_date(const CivilDate& date, double longitude_deg);

/// As docs/cli.md tells; of kind `none` every other member is null, 0 or empty.
[[nodiscard]] base::Json to_json(const SolarEclipse& eclipse);
[[nodiscard]] base::Json to_json(const Transit& transit);

}  // namespace solarchon::sky
