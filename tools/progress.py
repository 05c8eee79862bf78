#!/usr/bin/env python3
"""Passes on what a build says, as how far it is: files built of all, and about how long still.

Reads ninja's lines, each with `@DONE ALL ` in front (NINJA_STATUS). A terminal gets one line that is
written over, anything else a line every 20 s. Warnings and errors are passed on as they are.
"""
import re
import sys
import time

STEP_S = 20.0
LEAST_S, LEAST_FILES = 5.0, 4  # before which nothing is foretold


def left_words(seconds):
    return f"about {seconds:.0f} s to go" if seconds < 90 else f"about {seconds / 60:.0f} min to go"


def main():
    live = sys.stdout.isatty()
    began = told = time.monotonic()
    first = None
    for line in sys.stdin:
        match = re.match(r"@(\d+) (\d+) ", line)
        if not match:
            if re.search(r"warning:|error:", line):
                print(("\n" if live else "") + line, end="", flush=True)
            continue
        done, every = int(match[1]), int(match[2])
        first = done - 1 if first is None else first
        now = time.monotonic()
        if not live and now - told < STEP_S and done < every:
            continue
        told = now
        words = f"{done} of {every} files built"
        if done < every and now - began > LEAST_S and done - first > LEAST_FILES:
            words += ", " + left_words((now - began) * (every - done) / (done - first))
        print(f"\r  {words:<60}" if live else f"  {words}", end="" if live else "\n", flush=True)
    if live and first is not None:
        print()


if __name__ == "__main__":
    try:
        main()
    except KeyboardInterrupt:  # build.sh says it
        pass
