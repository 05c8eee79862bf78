#!/usr/bin/env bash
# Installs the Debian packages of packages.txt that are missing. Needs root or sudo only then.
set -euo pipefail
top=$(cd "$(dirname "$0")/.." && pwd)
mapfile -t wanted < <(grep -v '^#' "$top/packages.txt")
installed=$(dpkg-query -W -f='${Package} ${Status}\n' "${wanted[@]}" 2>/dev/null | awk '$NF == "installed" { print $1 }' || true)
mapfile -t missing < <(comm -23 <(printf '%s\n' "${wanted[@]}" | sort) <(sort <<< "$installed"))
[ "${#missing[@]}" -eq 0 ] && exit 0
echo "Installing ${#missing[@]} packages with apt, some minutes: ${missing[*]}"
as_root=()
[ "$(id -u)" -eq 0 ] || as_root=(sudo)
"${as_root[@]}" apt-get update -q
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"
