#!/usr/bin/env bash
# Makes the Debian package of a build and looks it over.
# Use: package.sh BUILD_FOLDER; the package goes to build/package/.
set -euo pipefail
cd "$(dirname "$0")/.."
out=$PWD/build/package
rm -rf "$out"
(cd "$1" && cpack -B "$out" > cpack.log 2>&1) || { tail -n 20 "$1/cpack.log"; exit 1; }
rm -rf "$out/_CPack_Packages"
deb=$(ls "$out"/*.deb)
dpkg-deb --info "$deb" | grep -E '^ (Package|Version|Depends)'
lintian --fail-on error "$deb"
echo "Package: $deb"
echo "Install it with: sudo apt install $deb"
