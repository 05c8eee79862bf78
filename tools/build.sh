#!/usr/bin/env bash
# Builds a folder that cmake has prepared, and says how far it is: files built of all, and about how long
# still. Stopped, it goes on where it was.
# Use: build.sh BUILD_FOLDER [targets...]
set -euo pipefail
build=$1
shift
log=$build/build.log
# A terminal gets one line that is written over, anything else a line now and then.
live=0
[ -t 1 ] && live=1
began=$SECONDS
status=0
trap 'echo; echo "Stopped. Started again, it goes on where it was."; exit 130' INT
NINJA_STATUS='@%f %t ' ninja -C "$build" "$@" 2>&1 | tee "$log" | awk -v live="$live" '
  BEGIN { srand(); began = srand(); step = live ? 0 : 20; told = began }
  /^@[0-9]+ [0-9]+ / {
    done = substr($1, 2); all = $2
    if (first == "") first = done - 1
    srand(); now = srand(); gone = now - began
    if (now - told < step && done < all) next
    told = now
    left = done > first + 3 ? gone * (all - done) / (done - first) : 0
    say = sprintf("%d of %d files built", done, all)
    if (done < all && gone > 5 && left > 0)
      say = say sprintf(left < 90 ? ", about %d s to go" : ", about %d min to go", left < 90 ? left : left / 60 + 0.5)
    printf live ? "\r  %-60s" : "  %s\n", say
    fflush()
    next
  }
  /warning:|error:/ { if (live) print ""; print; fflush() }
  END { if (live && first != "") print "" }' || status=$?
if [ "$status" -ne 0 ]; then
  echo "The build failed; all that it said is in $log. Its last lines:"
  grep -v '^@' "$log" | tail -n 30
  exit "$status"
fi
echo "  Built in $((SECONDS - began)) s."
