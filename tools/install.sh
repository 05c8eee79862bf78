#!/usr/bin/env bash
# Installs the Debian packages of packages.txt that are missing. Needs root or sudo only then.
set -euo pipefail
top=$(cd "$(dirname "$0")/.." && pwd)
missing=()
while read -r package; do
  dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing+=("$package")
done < <(grep -v '^#' "$top/packages.txt")
[ "${#missing[@]}" -eq 0 ] && exit 0
echo "Installing ${#missing[@]} packages: ${missing[*]}"
as_root=()
[ "$(id -u)" -eq 0 ] || as_root=(sudo)
"${as_root[@]}" apt-get update -q
"${as_root[@]}" env DEBIAN_FRONTEND=noninteractive apt-get install -y -q --no-install-recommends "${missing[@]}"
