#!/usr/bin/env python3
"""Which units of a build folder clang-tidy has to look at, and how they are compiled.

tools/tidy_units.py BUILD                  every unit: a source, or several that are joined
tools/tidy_units.py BUILD --since COMMIT   those with a file that changed since a commit (in the work tree
                                           too), or that includes a header which did, through others too
tools/tidy_units.py --command BUILD UNIT   the options that one is compiled with
"""
import argparse
import json
import os
import pathlib
import re
import shlex
import subprocess

TOP = pathlib.Path(__file__).resolve().parent.parent
ROOMS = ("core/", "cli/", "standins/", "words/", "app/")
INCLUDE = re.compile(r'^\s*#\s*include\s*"([^"]+)"', re.MULTILINE)


def git(*words):
    return subprocess.run(["git", *words], cwd=TOP, text=True, stdout=subprocess.PIPE, check=True).stdout.splitlines()


def tree():
    """Every header and source that git knows or would take in."""
    listed = git("ls-files", "--cached", "--others", "--exclude-standard", "*.h", "*.cpp")
    return [name for name in listed if (TOP / name).exists()]


def included(name, known):
    """The project's own files that one includes."""
    for text in INCLUDE.findall((TOP / name).read_text(encoding="utf-8")):
        room = text.split("/")[1] if text.startswith("solarchon/") else ""
        for place in (f"{os.path.dirname(name)}/{text}", text, f"core/{room}/include/{text}", f"{room}/include/{text}"):
            if place in known:
                yield place
                break


def touched(since, known):
    """Files that changed since a commit, with all that include them."""
    changed = set(git("diff", "--name-only", since)) | set(git("ls-files", "--others", "--exclude-standard"))
    if ".clang-tidy" in changed:
        return set(known)
    users = {}
    for name in known:
        for place in included(name, known):
            users.setdefault(place, set()).add(name)
    found, open_ = set(), [name for name in changed if name in known]
    while open_:
        name = open_.pop()
        if name not in found:
            found.add(name)
            open_.extend(users.get(name, ()))
    return found


def entries(build):
    """Units of ours by their file: sources, and what CMake joined of them."""
    found = {}
    for entry in json.loads((TOP / build / "compile_commands.json").read_text()):
        name = os.path.relpath(entry["file"], TOP)
        if name.startswith(ROOMS) or "/Unity/" in name:
            found[name] = entry["command"]
    return found


def sources_of(unit):
    if "/Unity/" not in unit:
        return {unit}
    listed = re.findall(r'#include "([^"]+)"', (TOP / unit).read_text())
    return {os.path.relpath(one, TOP) for one in listed}


def command_of(build, unit):
    words = shlex.split(entries(build)[unit])
    return shlex.join(word for i, word in enumerate(words)
                      if word.startswith(("-I", "-D", "-std")) or word == "-isystem"
                      or (i and words[i - 1] == "-isystem"))


def main():
    parser = argparse.ArgumentParser()
    parser.add_argument("build", nargs="?")
    parser.add_argument("--since")
    parser.add_argument("--command", nargs=2, metavar=("BUILD", "UNIT"))
    options = parser.parse_args()
    if options.command:
        print(command_of(*options.command))
        return
    units = entries(options.build)
    if options.since:
        chosen = touched(options.since, set(tree()))
        units = [unit for unit in units if sources_of(unit) & chosen]
    print("\n".join(sorted(units)))


if __name__ == "__main__":
    main()
