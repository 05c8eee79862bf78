#!/usr/bin/env bash
# Builds a folder that cmake has prepared, and says how far it is: files built of all, and about how long
# still. Stopped, it goes on where it was.
# Use: build.sh BUILD_FOLDER [targets...]
set -euo pipefail
build=$1
shift
cd "$(dirname "$0")/.."
log=$build/build.log
began=$SECONDS
status=0
trap 'echo; echo "Stopped. Started again, it goes on where it was."; exit 130' INT
NINJA_STATUS='@%f %t ' ninja -C "$build" "$@" 2>&1 | tee "$log" | python3 tools/progress.py || status=$?
if [ "$status" -ne 0 ]; then
  echo "The build failed; all that it said is in $log. Its last lines:"
  grep -v '^@' "$log" | tail -n 30
  exit "$status"
fi
echo "  Built in $((SECONDS - began)) s."
