#!/usr/bin/env python3
"""Converts the World Magnetic Model coefficients of the npm package `geomagnetism`
(public-domain numbers, as JSON) into the two files that GeographicLib::MagneticModel reads.

Use: make_magnetic_model.py wmm-2025.json OUTDIR      (writes wmm2025.wmm and wmm2025.wmm.cof)
"""
import json
import pathlib
import struct
import sys


def triangle(values, order):
    """Coefficients (n, m), n <= order, reordered from rows of n to GeographicLib's columns of m."""
    def at(n, m):
        index = n * (n + 1) // 2 + m
        return float(values[index] or 0) if index < len(values) else 0.0
    return at, order


def block(g, h, order):
    cosine, _ = triangle(g, order)
    sine, _ = triangle(h, order)
    out = struct.pack("<ii", order, order)
    out += b"".join(struct.pack("<d", cosine(n, m)) for m in range(order + 1) for n in range(m, order + 1))
    out += b"".join(struct.pack("<d", sine(n, m)) for m in range(1, order + 1) for n in range(m, order + 1))
    return out


def main():
    model = json.loads(pathlib.Path(sys.argv[1]).read_text())
    out = pathlib.Path(sys.argv[2])
    order = model["n_max"]
    assert model["epoch"] == 2025 and order == 12
    (out / "wmm2025.wmm").write_text("""WMMF-1
# World Magnetic Model 2025, public domain (US and UK governments),
# converted from JSON by tools/make_magnetic_model.py.
Name            wmm2025
Description     World Magnetic Model 2025
ReleaseDate     2024-11-13
Radius          6371200
NumModels       1
Epoch           2025
DeltaEpoch      1
MinTime         2025
MaxTime         2030
MinHeight       -1000
MaxHeight       850000
Normalization   schmidt
ByteOrder       little
ID              WMM2025A
""")
    cof = b"WMM2025A"
    cof += block(model["main_field_coeff_g"], model["main_field_coeff_h"], order)
    cof += block(model["secular_var_coeff_g"], model["secular_var_coeff_h"], order)
    (out / "wmm2025.wmm.cof").write_bytes(cof)


main()
