#!/usr/bin/env python3
"""Writes tests/reference/*.h: values from libraries that share no code with the core's own use of
them (astropy with sunpy for places and the disc, PyEphem for rise and set) and the World Magnetic
Model's published test values (as shipped with the npm package `geomagnetism`).

Needs python3-astropy, python3-sunpy, python3-ephem. Use: make_references.py VALUES_CSV OUTDIR
The tests read the committed files; this is run again only to add rows.
"""
import datetime
import math
import pathlib
import random
import sys
import warnings

warnings.filterwarnings("ignore")
import astropy.units as u  # noqa: E402
import ephem  # noqa: E402
import sunpy.coordinates.sun as solar  # noqa: E402
from astropy.coordinates import TETE, AltAz, EarthLocation, SkyCoord, get_body  # noqa: E402
from astropy.time import Time  # noqa: E402
from astropy.utils import iers  # noqa: E402
from sunpy.coordinates import HeliographicCarrington, Helioprojective, get_earth  # noqa: E402

iers.conf.auto_download = False
iers.conf.auto_max_age = None
HEAD = "// SPDX-License-Identifier: GPL-3.0-or-later\n// Written by tools/make_references.py.\n#pragma once\n\n"
draw = random.Random(20270802)


def moment():
    t = Time("2024-01-01T00:00:00") + draw.uniform(0, 11 * 365.25) * u.day
    t = Time(t.isot[:19], scale="utc")
    t.delta_ut1_utc = 0.0
    return t


def sun_rows(count):
    for _ in range(count):
        t = moment()
        lat, lon = round(draw.uniform(-88, 88), 3), round(draw.uniform(-180, 180), 3)
        elev = round(draw.uniform(0, 3000))
        place = EarthLocation.from_geodetic(lon * u.deg, lat * u.deg, elev * u.m)
        gcrs = get_body("sun", t)
        of_date = gcrs.transform_to(TETE(obstime=t))
        local = get_body("sun", t, place).transform_to(
            AltAz(obstime=t, location=place, pressure=0 * u.hPa))
        l0 = solar.L0(t, light_travel_time_correction=True, nearest_point=True,
                      aberration_correction=False)
        yield (f'    {{"{t.isot[:19]}Z", {lat}, {lon}, {elev}, {of_date.ra.deg:.6f}, '
               f'{of_date.dec.deg:.6f}, {gcrs.distance.au:.8f}, {local.az.deg:.5f}, '
               f'{local.alt.deg:.5f}, {solar.P(t).deg:.4f}, {solar.B0(t).deg:.4f}, {l0.deg:.4f}, '
               f'{float(solar.carrington_rotation_number(t)):.5f}}},')


def event(observer, body, start, end, rising):
    observer.date = start
    try:
        when = observer.next_rising(body) if rising else observer.next_setting(body)
    except ephem.CircumpolarError:
        return None
    return when if when < end else None


def day_rows(count):
    for index in range(count):
        t = moment()
        date = t.isot[:10]
        lat = round(draw.uniform(-89, 89) if index % 3 else draw.choice([-1, 1]) * draw.uniform(60, 85), 3)
        lon = round(draw.uniform(-180, 180), 3)
        noon = ephem.Date(date.replace("-", "/") + " 12:00:00") - lon / 360.0
        observer = ephem.Observer()
        observer.lat, observer.lon, observer.elevation = str(lat), str(lon), 0
        observer.pressure, observer.horizon = 0, "-0:34"
        body = ephem.Sun()
        rise = event(observer, body, noon - 0.5, noon + 0.5, True)
        down = event(observer, body, noon - 0.5, noon + 0.5, False)
        observer.date = noon - 0.5
        transit = observer.next_transit(body)
        texts = []
        for when in (rise, transit, down):
            texts.append("" if when is None else
                         Time(2415020.0 + float(when), format="jd").isot[:19] + "Z")
        yield f'    {{"{date}", {lat}, {lon}, "{texts[0]}", "{texts[1]}", "{texts[2]}"}},'


def crossing(observer, start, end, degrees, rising):
    """First passage of the centre through a height, from the library's places: its own search for
    events gives up where the Sun only grazes that height."""
    def height(when):
        observer.date = when
        return float(ephem.Sun(observer).alt) * 180.0 / math.pi - degrees

    step = (end - start) / 288.0
    for i in range(288):
        low, high = start + i * step, start + (i + 1) * step
        if (height(low) < 0.0) == rising and (height(high) >= 0.0) == rising:
            for _ in range(40):
                middle = 0.5 * (low + high)
                low, high = (low, middle) if (height(middle) >= 0.0) == rising else (middle, high)
            return high
    return None


def twilight_rows(count):
    """The centre of the Sun 6 degrees under the horizon; no air."""
    own = random.Random(6)  # the other tables stay as they are
    for index in range(count):
        date = f"{own.randint(2024, 2034)}-{own.randint(1, 12):02}-{own.randint(1, 28):02}"
        lat = round(own.uniform(-60, 60) if index % 3 else own.choice([-1, 1]) * own.uniform(60, 89), 3)
        lon = round(own.uniform(-180, 180), 3)
        noon = ephem.Date(date.replace("-", "/") + " 12:00:00") - lon / 360.0
        observer = ephem.Observer()
        observer.lat, observer.lon, observer.elevation = str(lat), str(lon), 0
        observer.pressure = 0
        texts = []
        for rising in (True, False):
            when = crossing(observer, noon - 0.5, noon + 0.5, -6.0, rising)
            texts.append("" if when is None else
                         Time(2415020.0 + float(when), format="jd").isot[:19] + "Z")
        yield f'    {{"{date}", {lat}, {lon}, "{texts[0]}", "{texts[1]}"}},'


def rotation_rows():
    """Carrington rotations that begin in 2024 to 2034."""
    for rotation in range(2280, 2427):
        yield f'    {{{rotation}, "{solar.carrington_rotation_time(rotation).isot[:19]}Z"}},'


def disc_rows(count):
    for _ in range(count):
        t = moment()
        share, angle = math.sqrt(draw.uniform(0, 0.95)), draw.uniform(0, 2 * math.pi)
        west = round(930 * share * math.sin(angle), 2)
        north = round(930 * share * math.cos(angle), 2)
        earth = get_earth(t)
        point = SkyCoord(west * u.arcsec, north * u.arcsec,
                         frame=Helioprojective(obstime=t, observer=earth, rsun=696000 * u.km))
        there = point.transform_to(HeliographicCarrington(obstime=t, observer=earth))
        yield (f'    {{"{t.isot[:19]}Z", {west}, {north}, {there.lat.deg:.3f}, '
               f'{there.lon.deg:.3f}}},')


def magnetic_rows(csv):
    for line in pathlib.Path(csv).read_text().splitlines()[1:]:
        cells = line.split(",")
        if float(cells[0]) >= 2025.0:
            date, alt, lat, lon, decl = cells[0], cells[1], cells[2], cells[3], cells[10]
            yield f"    {{{float(date)}, {alt}, {lat}, {lon}, {decl}}},"


def body_rows(count):
    """Half a degree of the Moon in an hour: times to the second, places to 0.1 arcsec."""
    bodies = {"moon": ephem.Moon, "mercury": ephem.Mercury, "venus": ephem.Venus,
              "mars": ephem.Mars, "jupiter": ephem.Jupiter, "saturn": ephem.Saturn}
    degrees = 180.0 / math.pi
    for index in range(count):
        name = list(bodies)[index % len(bodies)]
        observer = ephem.Observer()
        lat, lon = round(draw.uniform(-89, 89), 3), round(draw.uniform(-180, 180), 3)
        observer.lat, observer.lon = str(lat), str(lon)
        observer.elevation, observer.pressure = 0, 0
        day = ephem.Date(draw.uniform(ephem.Date("2024/1/1"), ephem.Date("2040/12/31")))
        observer.date = ephem.Date(round(day * 86400.0) / 86400.0)
        body, sun = bodies[name](observer), ephem.Sun(observer)
        when = observer.date.datetime()
        # The library gives hours that were cut, not rounded.
        text = (when + datetime.timedelta(milliseconds=500)).strftime("%Y-%m-%dT%H:%M:%SZ")
        numbers = [lat, lon] + [round(float(angle) * degrees, 5) for angle in (
            body.g_ra, body.g_dec, body.az, body.alt, sun.a_ra, sun.a_dec)]
        yield f'    {{"{name}", "{text}", ' + ", ".join(f"{n}" for n in numbers) + "},"


def seen_from(draw, lat=89):
    """Somewhere at sea level without air, some second of 2024 to 2040; with the time as text."""
    observer = ephem.Observer()
    lat, lon = round(draw.uniform(-lat, lat), 3), round(draw.uniform(-180, 180), 3)
    observer.lat, observer.lon = str(lat), str(lon)
    observer.elevation, observer.pressure = 0, 0
    day = ephem.Date(draw.uniform(ephem.Date("2024/1/1"), ephem.Date("2040/12/31")))
    observer.date = ephem.Date(round(day * 86400.0) / 86400.0)
    when = observer.date.datetime() + datetime.timedelta(milliseconds=500)
    return observer, lat, lon, when.strftime("%Y-%m-%dT%H:%M:%SZ")


def neighbour_rows(count):
    """Places as the site sees them; every second one is the Moon."""
    own = random.Random(20260801)
    bodies = [ephem.Moon, ephem.Mercury, ephem.Moon, ephem.Venus, ephem.Moon, ephem.Mars,
              ephem.Moon, ephem.Jupiter, ephem.Moon, ephem.Saturn]
    for index in range(count):
        observer, lat, lon, text = seen_from(own)
        body, sun = bodies[index % len(bodies)](observer), ephem.Sun(observer)
        name = type(body).__name__.lower()
        apart = float(ephem.separation((body.ra, body.dec), (sun.ra, sun.dec)))
        along = (float(body.ra) - float(sun.ra) + math.pi) % (2.0 * math.pi) - math.pi
        numbers = [lat, lon] + [round(math.degrees(angle), 5) for angle in (
            apart, along, float(body.dec) - float(sun.dec))]
        yield f'    {{"{name}", "{text}", ' + ", ".join(f"{n}" for n in numbers) + "},"


def parallactic_rows(count):
    """Of the Sun over days; positive west of the meridian."""
    own = random.Random(20260802)
    for _ in range(count):
        observer, lat, lon, text = seen_from(own, 80)
        sun = ephem.Sun(observer)
        # The library's own parallactic angle is of the year 2000: this one is of its place of date.
        hour, dec, height = observer.sidereal_time() - sun.ra, float(sun.dec), float(observer.lat)
        angle = math.atan2(math.sin(hour), math.tan(height) * math.cos(dec)
                           - math.sin(dec) * math.cos(hour))
        numbers = [lat, lon, round(math.degrees(angle), 5), round(math.degrees(float(sun.alt)), 5)]
        yield f'    {{"{text}", ' + ", ".join(f"{n}" for n in numbers) + "},"


def share_covered(own, other, apart):
    if apart >= own + other:
        return 0.0
    if apart <= abs(own - other):
        return min(1.0, (other / own) ** 2)
    first = math.acos((apart**2 + own**2 - other**2) / (2 * apart * own))
    second = math.acos((apart**2 + other**2 - own**2) / (2 * apart * other))
    lens = own**2 * (first - math.sin(first) * math.cos(first))
    lens += other**2 * (second - math.sin(second) * math.cos(second))
    return lens / (math.pi * own**2)


def moon_cover_rows(each):
    """The Moon before the Sun, and beside it, from seeded places at seeded instants of eclipses."""
    own_draw = random.Random(36)
    for greatest in ["1999/8/11 11:00", "2006/3/29 10:15", "2012/5/20 23:50", "2015/3/20 9:45",
                     "2017/8/21 18:20", "2020/6/21 6:40", "2023/10/14 18:00", "2024/4/8 18:20",
                     "2026/8/12 17:45", "2027/8/2 9:50", "2028/1/26 16:00", "2030/11/25 7:00",
                     "2034/3/20 10:20", "2045/8/12 17:40"]:
        found = 0
        while found < each:
            observer = ephem.Observer()
            observer.lat = str(own_draw.uniform(-70, 75))
            observer.lon = str(own_draw.uniform(-180, 180))
            observer.elevation = own_draw.choice([0, 200, 2400])
            observer.pressure = 0
            when = ephem.Date(greatest) + own_draw.uniform(-1.8, 1.8) / 24
            observer.date = ephem.Date(round(float(when) * 86400) / 86400)
            sun, moon = ephem.Sun(observer), ephem.Moon(observer)
            arcsec = math.degrees(1) * 3600
            apart = float(ephem.separation((sun.ra, sun.dec), (moon.ra, moon.dec))) * arcsec
            own, other = sun.radius * arcsec, moon.radius * arcsec
            share = share_covered(own, other, apart)
            beside = own + other < apart < own + other + 600
            if math.degrees(sun.alt) < 2 or (share <= 0.005 if found < each - 1 else not beside):
                continue
            found += 1
            text = observer.date.datetime().strftime("%Y-%m-%dT%H:%M:%SZ")
            numbers = [round(math.degrees(observer.lat), 3), round(math.degrees(observer.lon), 3),
                       observer.elevation, round(apart, 1), round(other, 1), round(share, 4)]
            yield f'    {{"{text}", ' + ", ".join(f"{n}" for n in numbers) + "},"


def table(out, name, about, members, rows):
    text = HEAD + f"namespace solarchon::reference {{\n\n/// {about}\nstruct {name} {{\n"
    text += "".join(f"  {kind} {member};\n" for kind, member in members)
    text += "};\n\n" + f"// clang-format off\ninline constexpr {name} k{name}s[] = {{\n"
    text += "\n".join(rows) + "\n};\n// clang-format on\n\n}  // namespace solarchon::reference\n"
    pathlib.Path(out).write_text(text)


def main():
    csv, folder = sys.argv[1], pathlib.Path(sys.argv[2])
    number, word = "double", "const char*"
    table(folder / "sun.h", "SunRow", "astropy (place) and sunpy (disc), dUT1 taken as 0.",
          [(word, "time"), (number, "latitude_deg"), (number, "longitude_deg"),
           (number, "elevation_m"), (number, "right_ascension_deg"), (number, "declination_deg"),
           (number, "distance_au"), (number, "azimuth_deg"), (number, "altitude_airless_deg"),
           (number, "p_deg"), (number, "b0_deg"), (number, "l0_deg"),
           (number, "carrington_rotation")], sun_rows(100))
    table(folder / "day.h", "DayRow", "PyEphem: upper limb, 34 arcmin, sea level; empty: none.",
          [(word, "date"), (number, "latitude_deg"), (number, "longitude_deg"),
           (word, "sunrise"), (word, "transit"), (word, "sunset")], day_rows(90))
    table(folder / "twilight.h", "TwilightRow", "PyEphem: centre 6 degrees under; empty: none.",
          [(word, "date"), (number, "latitude_deg"), (number, "longitude_deg"),
           (word, "dawn"), (word, "dusk")], twilight_rows(90))
    table(folder / "rotation.h", "RotationRow", "sunpy: beginnings of Carrington rotations.",
          [("int", "rotation"), (word, "start")], rotation_rows())
    table(folder / "disc.h", "DiscRow", "sunpy: helioprojective offset to the surface.",
          [(word, "time"), (number, "west_arcsec"), (number, "north_arcsec"),
           (number, "latitude_deg"), (number, "carrington_longitude_deg")], disc_rows(60))
    table(folder / "magnetic.h", "MagneticRow", "Published test values of WMM2025.",
          [(number, "year"), (number, "altitude_km"), (number, "latitude_deg"),
           (number, "longitude_deg"), (number, "declination_deg")], magnetic_rows(csv))
    table(folder / "bodies.h", "BodyRow",
          "PyEphem: apparent geocentric, airless topocentric; the Sun astrometric of J2000.",
          [(word, "body"), (word, "time"), (number, "latitude_deg"), (number, "longitude_deg"),
           (number, "right_ascension_deg"), (number, "declination_deg"), (number, "azimuth_deg"),
           (number, "altitude_airless_deg"), (number, "sun_right_ascension_j2000_deg"),
           (number, "sun_declination_j2000_deg")], body_rows(90))
    own_tables(folder)


def own_tables(folder):
    number, word = "double", "const char*"
    table(folder / "neighbours.h", "NeighbourRow",
          "PyEphem: bodies against the Sun, apparent and topocentric, airless.",
          [(word, "body"), (word, "time"), (number, "latitude_deg"), (number, "longitude_deg"),
           (number, "separation_deg"), (number, "right_ascension_offset_deg"),
           (number, "declination_offset_deg")], neighbour_rows(200))
    table(folder / "parallactic.h", "ParallacticRow", "PyEphem: the Sun's parallactic angle, by its apparent place.",
          [(word, "time"), (number, "latitude_deg"), (number, "longitude_deg"),
           (number, "parallactic_angle_deg"), (number, "altitude_airless_deg")],
          parallactic_rows(120))
    table(folder / "moon_cover.h", "MoonCoverRow",
          "PyEphem: the Moon before the Sun and, where nothing is covered, beside it; airless.",
          [(word, "time"), (number, "latitude_deg"), (number, "longitude_deg"),
           (number, "elevation_m"), (number, "separation_arcsec"),
           (number, "moon_semidiameter_arcsec"), (number, "obscuration")], moon_cover_rows(4))


main()
