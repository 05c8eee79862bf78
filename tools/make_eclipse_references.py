#!/usr/bin/env python3
"""Eclipses and transits at places, from PyEphem's Sun, Moon and planets as they are seen from the
centre of the Earth; the site's parallax and all contacts are worked out here.

    make_eclipse_references.py FOLDER     writes FOLDER/eclipses.h

Needs python3-ephem. Times are UTC from 1972 on and UT1 before, with dUT1 taken as 0.
"""
import datetime
import math
import pathlib
import random
import sys

import ephem

HEAD = ("// SPDX-License-Identifier: GPL-3.0-or-later\n"
        "// Written by tools/make_eclipse_references.py.\n#pragma once\n\n")
LEAPS = ["1972-01-01", "1972-07-01", "1973-01-01", "1974-01-01", "1975-01-01", "1976-01-01",
         "1977-01-01", "1978-01-01", "1979-01-01", "1980-01-01", "1981-07-01", "1982-07-01",
         "1983-07-01", "1985-07-01", "1988-01-01", "1990-01-01", "1991-01-01", "1992-07-01",
         "1993-07-01", "1994-07-01", "1996-01-01", "1997-07-01", "1999-01-01", "2006-01-01",
         "2009-01-01", "2012-07-01", "2015-07-01", "2017-01-01"]
LEAP_DATES = [float(ephem.Date(day.replace("-", "/"))) for day in LEAPS]
ARCSEC = 3600 * math.degrees(1)
EQUATOR_M = 6378137.0
AU_M = 149597870700.0
RADII_M = {"moon": 0.2725076 * EQUATOR_M, "mercury": 2439.7e3, "venus": 6051.8e3}
MAKERS = {"moon": ephem.Moon, "mercury": ephem.Mercury, "venus": ephem.Venus}


def delta_t(date):
    """TT - UT1 (s) of a date in PyEphem's days."""
    passed = sum(date >= day for day in LEAP_DATES)
    if passed:
        return 32.184 + 9 + passed
    year = 2000 + (date - float(ephem.Date("2000/1/1"))) / 365.2425
    if year < 1961:
        t = year - 1950
        return 29.07 + 0.407 * t - t * t / 233 + t ** 3 / 2547
    t = year - 1975
    return 45.45 + 1.067 * t - t * t / 260 - t ** 3 / 718


def vector(body):
    ra, dec, far = float(body.g_ra), float(body.g_dec), body.earth_distance
    return (far * math.cos(dec) * math.cos(ra), far * math.cos(dec) * math.sin(ra),
            far * math.sin(dec))


def site_vector(date, lat, lon, elevation):
    days = date - float(ephem.Date("2000/1/1 12:00"))
    century = days / 36525
    node = math.radians(125.04 - 1934.136 * century)
    turn = math.radians(280.46061837 + 360.98564736629 * days + 0.000387933 * century ** 2
                        - 17.2 / 3600 * math.sin(node) * math.cos(math.radians(23.44)) + lon)
    flat = 1 / 298.257223563
    squared = flat * (2 - flat)
    curve = EQUATOR_M / math.sqrt(1 - squared * math.sin(math.radians(lat)) ** 2)
    across = (curve + elevation) * math.cos(math.radians(lat)) / AU_M
    up = (curve * (1 - squared) + elevation) * math.sin(math.radians(lat)) / AU_M
    return (across * math.cos(turn), across * math.sin(turn), up), turn


def pair(name, date, site):
    """Separation, the two semidiameters (arcsec), position angle and the Sun's height (degree)."""
    ephemeris_date = date + (delta_t(date) - ephem.delta_t(date)) / 86400
    at, turn = site_vector(date, *site)
    sun_body, other_body = ephem.Sun(ephemeris_date), MAKERS[name](ephemeris_date)
    sun = [a - b for a, b in zip(vector(sun_body), at)]
    other = [a - b for a, b in zip(vector(other_body), at)]

    def angles(v):
        return math.atan2(v[1], v[0]), math.atan2(v[2], math.hypot(v[0], v[1]))
    (ra1, dec1), (ra2, dec2) = angles(sun), angles(other)
    apart = float(ephem.separation((ra1, dec1), (ra2, dec2))) * ARCSEC
    angle = math.degrees(math.atan2(
        math.sin(ra2 - ra1) * math.cos(dec2),
        math.cos(dec1) * math.sin(dec2) - math.sin(dec1) * math.cos(dec2) * math.cos(ra2 - ra1)))
    far = math.sqrt(sum(c * c for c in other)) * AU_M
    lat = math.radians(site[0])
    height = math.degrees(math.asin(math.sin(lat) * math.sin(dec1)
                                    + math.cos(lat) * math.cos(dec1) * math.cos(turn - ra1)))
    return (apart, 959.63 / sun_body.earth_distance, math.asin(RADII_M[name] / far) * ARCSEC,
            angle % 360, height)


def course(name, centre, half_hours, site):
    """Everything about a crossing near an instant; None where the two do not touch."""
    def outer(date):
        apart, own, other, _, _ = pair(name, date, site)
        return apart - own - other

    def inner(date):
        apart, own, other, _, _ = pair(name, date, site)
        return apart - abs(own - other)
    step = 4 / 1440
    steps = int(half_hours / 24 / step)
    best = min((centre + i * step for i in range(-steps, steps + 1)), key=outer)
    start, end = best - step, best + step
    for _ in range(60):
        left, right = start + 0.382 * (end - start), end - 0.382 * (end - start)
        if outer(left) < outer(right):
            end = right
        else:
            start = left
    greatest = 0.5 * (start + end)
    if outer(greatest) >= 0:
        return None

    def contact(gap, way):
        inside, outside = greatest, greatest + way * step
        while gap(outside) < 0:
            inside, outside = outside, outside + way * step
        for _ in range(40):
            middle = 0.5 * (inside + outside)
            if gap(middle) < 0:
                inside = middle
            else:
                outside = middle
        return inside
    apart, own, other, angle, height = pair(name, greatest, site)
    found = {"max": greatest, "kind": 1, "height": height, "angle_max": angle,
             "magnitude": (own + other - apart) / (2 * own),
             "c1": contact(outer, -1), "c4": contact(outer, 1), "c2": 0, "c3": 0, "depth": -1}
    found["depth"] = abs(own - other) - apart
    if inner(greatest) < 0:
        found["kind"] = 3 if other > own else 2
        found["c2"], found["c3"] = contact(inner, -1), contact(inner, 1)
    for name_of in ("c1", "c4"):
        at = pair(name, found[name_of], site)
        found["angle_" + name_of], found["height_" + name_of] = at[3], at[4]
    return found


def ms(date):
    return round((date - float(ephem.Date("1970/1/1"))) * 86400 * 1000) if date else 0


def row(date_text, kind_name, site, found):
    numbers = [site[0], site[1], site[2], found["kind"]]
    numbers += [ms(found[key]) for key in ("c1", "c2", "max", "c3", "c4")]
    numbers += [round(found["magnitude"], 5), round(found["angle_c1"], 3),
                round(found["angle_c4"], 3), round(found["height_c1"], 3),
                round(found["height"], 3), round(found["height_c4"], 3)]
    return f'    {{"{date_text}", "{kind_name}", ' + ", ".join(f"{n}" for n in numbers) + "},"


def day_text(date):
    return ephem.Date(date).datetime().strftime("%Y-%m-%d")


def deepest_site(centre):
    """A place from which the Moon covers most, by climbing."""
    draw = random.Random(round(centre))
    best = None
    for _ in range(60):
        site = (draw.uniform(-80, 80), draw.uniform(-180, 180), 0.0)
        for hours in (-1.5, 0, 1.5):
            apart, own, other, _, height = pair("moon", centre + hours / 24, site)
            if height > 10 and (best is None or apart < best[0]):
                best = (apart, site, centre + hours / 24)
    if best is None:
        return None
    reach = 20.0
    while reach > 0.02:
        apart, site, date = best
        for _ in range(24):
            near = (max(-80, min(80, site[0] + draw.gauss(0, reach))),
                    (site[1] + draw.gauss(0, reach) + 180) % 360 - 180, 0.0)
            now = pair("moon", date, near)
            if now[4] > 8 and now[0] < best[0]:
                best = (now[0], near, date)
        reach *= 0.75
    return tuple(round(v, 4) for v in best[1])


def eclipse_rows():
    draw = random.Random(1950)
    date = ephem.Date("1950/1/5")
    rows = []
    while date < ephem.Date("2100/12/1"):
        date = ephem.next_new_moon(date)
        moon = ephem.Moon(date)
        sun = ephem.Sun(date)
        if float(ephem.separation((moon.g_ra, moon.g_dec), (sun.g_ra, sun.g_dec))) > \
                math.radians(1.4) or draw.random() > 0.2:
            date = ephem.Date(date + 20)
            continue
        places = [deepest_site(float(date))]
        places += [(round(draw.uniform(-75, 75), 3), round(draw.uniform(-180, 180), 3),
                    draw.choice([0.0, 400.0, 2400.0])) for _ in range(4)]
        for site in places:
            found = site and course("moon", float(date), 6, site)
            # What only grazes the disc, or the rim of the shadow, hangs on tenths of an arcsecond.
            if found and found["magnitude"] > 0.03 and abs(found["depth"]) > 3 \
                    and max(found["height_c1"], found["height"], found["height_c4"]) > -12:
                rows.append(row(day_text(found["max"]), "moon", site, found))
        date = ephem.Date(date + 20)
    return rows


def transit_rows():
    rows = []
    sites = [(36.07, -5.58, 42.0), (-41.3, 174.8, 10.0), (19.82, -155.47, 4200.0),
             (64.1, -21.9, 30.0)]
    for name, node_days in (("mercury", (127, 312)), ("venus", (157, 341))):
        for year in range(1950, 2101):
            for node_day in node_days:
                start = float(ephem.Date(f"{year}/1/1")) + node_day - 14

                def apart(date):
                    body, sun = MAKERS[name](date), ephem.Sun(date)
                    return float(ephem.separation((body.g_ra, body.g_dec), (sun.g_ra, sun.g_dec)))
                best = min((start + i / 8 for i in range(28 * 8)), key=apart)
                body = MAKERS[name](best)
                if apart(best) > math.radians(0.6) or body.earth_distance > 1:
                    continue
                for site in sites:
                    found = course(name, best, 9, site)
                    if found:
                        rows.append(row(day_text(found["max"]), name, site, found))
    return rows


def main():
    folder = pathlib.Path(sys.argv[1])
    members = [("const char*", "date"), ("const char*", "body")]
    members += [("double", name) for name in ("latitude_deg", "longitude_deg", "elevation_m")]
    members += [("int", "kind")]
    members += [("std::int64_t", name + "_ms") for name in ("c1", "c2", "greatest", "c3", "c4")]
    members += [("double", name) for name in (
        "magnitude", "c1_angle_deg", "c4_angle_deg", "c1_height_deg", "greatest_height_deg",
        "c4_height_deg")]
    text = HEAD + "#include <cstdint>\n\nnamespace solarchon::reference {\n\n"
    text += ("/// PyEphem's geocentric places, the rest worked out apart. Kind: 1 partial (or any "
             "transit that\n/// grazes), 2 the body wholly before the Sun, 3 the Sun hidden. Times "
             "in Unix ms; 0: none.\nstruct EclipseRow {\n")
    text += "".join(f"  {kind} {member};\n" for kind, member in members)
    text += "};\n\n// clang-format off\ninline constexpr EclipseRow kEclipseRows[] = {\n"
    text += "\n".join(eclipse_rows() + transit_rows())
    text += "\n};\n// clang-format on\n\n}  // namespace solarchon::reference\n"
    (folder / "eclipses.h").write_text(text)


main()
