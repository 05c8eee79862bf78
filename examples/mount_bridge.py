#!/usr/bin/env python3
"""A bridge between Solarchon's line protocol (docs/devices.md) and a mount: put your mount's own
commands into `Mount`. As it stands it drives an imaginary one. Use: mount_bridge.py [--socket PATH]
"""
import argparse
import datetime
import json
import os
import pathlib
import socket


class Mount:
    """Your hardware. Angles in degrees, of date."""

    def __init__(self):
        self.right_ascension, self.declination = 0.0, 90.0
        self.tracking, self.duty, self.synchronised = "off", "standing", False

    def state(self):
        now = datetime.datetime.now(datetime.timezone.utc)
        return {"time_utc": now.strftime("%Y-%m-%dT%H:%M:%SZ"),
                "right_ascension_deg": self.right_ascension, "declination_deg": self.declination,
                "azimuth_deg": 0.0, "altitude_deg": 0.0, "tracking": self.tracking,
                "duty": self.duty, "synchronised": self.synchronised}

    def go(self, right_ascension_deg, declination_deg):
        self.right_ascension, self.declination = right_ascension_deg, declination_deg

    def synchronise(self, right_ascension_deg, declination_deg):
        self.go(right_ascension_deg, declination_deg)
        self.synchronised = True

    def track(self, rate):
        self.tracking = rate

    def stop(self):
        self.tracking, self.duty = "off", "standing"


def answer(mount, request):
    method, params = request["method"], request.get("params", {})
    if method == "hello":
        return {"protocol": 1, "name": "Example bridge",
                "can": ["mount.state", "mount.go", "mount.synchronise", "mount.track", "mount.stop"]}
    deeds = {"mount.state": mount.state, "mount.go": mount.go, "mount.track": mount.track,
             "mount.synchronise": mount.synchronise, "mount.stop": mount.stop}
    return deeds[method](**params) or {}


def reply_to(mount, line):
    try:
        request = json.loads(line)
    except ValueError:
        return {"id": None, "error": {"code": -32700, "message": "not JSON"}}
    if "id" not in request:
        return None
    try:
        return {"id": request["id"], "result": answer(mount, request)}
    except KeyError:
        error = {"code": -32601, "message": str(request.get("method"))}
    except TypeError as problem:
        error = {"code": -32602, "message": str(problem)}
    return {"id": request["id"], "error": error}


def main():
    runtime = os.environ.get("XDG_RUNTIME_DIR")
    folder = pathlib.Path(f"{runtime}/solarchon" if runtime else f"/tmp/solarchon-{os.getuid()}")
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--socket", type=pathlib.Path, default=folder / "mount")
    path = parser.parse_args().socket
    path.parent.mkdir(mode=0o700, exist_ok=True)
    path.unlink(missing_ok=True)
    os.umask(0o177)  # for you alone
    listener = socket.socket(socket.AF_UNIX)
    listener.bind(str(path))
    listener.listen()
    mount = Mount()
    while True:
        caller, _ = listener.accept()
        with caller, caller.makefile("rw", encoding="utf-8", newline="\n") as lines:
            for line in lines:
                if (reply := reply_to(mount, line)) is not None:
                    lines.write(json.dumps({"jsonrpc": "2.0", **reply}) + "\n")
                    lines.flush()


main()
