#!/usr/bin/env bash
# Runs clang-tidy over core/, cli/, standins/, words/ and app/.
#   tidy.sh         joined sources (a room at a time, five times as fast) that hold a file which changed since
#                   the last commit that passed ./check, or one that includes such a header
#   tidy.sh --all   every file by itself
# What passed is remembered by the hash of its preprocessed text.
set -euo pipefail
cd "$(dirname "$0")/.."
preset=tidy base=
if [ "${1:-}" = --all ]; then
  preset=tidy-each
else
  base=$(tools/passed.sh base)
fi
build=build/$preset  # prepared, not built; without headers that are compiled ahead
mkdir -p "$build"
cmake --preset "$preset" > "$build/prepare.log" 2>&1 || { tail -n 20 "$build/prepare.log"; exit 1; }
cache=${XDG_CACHE_HOME:-$HOME/.cache}/solarchon-tidy
mkdir -p "$cache"
rules=$(cat .clang-tidy <(clang-tidy --version) | sha256sum | cut -c1-16)
export build cache rules

tidy_one() {
  local unit=$1 command key said
  command=$(python3 tools/tidy_units.py --command "$build" "$unit")
  key=$rules-$(eval "clang++-14 -E -P $command $(printf %q "$unit")" 2>/dev/null | sha256sum | cut -c1-32)
  [ -e "$cache/$key" ] && return 0
  said=$(mktemp)
  if clang-tidy --quiet -p "$build" --checks=-bugprone-suspicious-include,-bugprone-forward-declaration-namespace \
       --header-filter='/(core|cli|standins|words|app)/.*\.(h|cpp)$' "$unit" > "$said" 2>&1; then
    touch "$cache/$key"
    rm -f "$said"
  else
    grep -v 'warnings\? generated' "$said" || true
    echo "clang-tidy: $unit"
    rm -f "$said"
    return 1
  fi
}
export -f tidy_one
units=$(python3 tools/tidy_units.py "$build" ${base:+--since "$base"})
echo "${base:+since ${base:0:10}: }$(grep -c . <<< "$units" || true) units"
[ -z "$units" ] || xargs -P "$(nproc)" -I{} bash -c 'tidy_one {}' <<< "$units"
echo "clang-tidy: clean"
