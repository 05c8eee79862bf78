#!/usr/bin/env bash
# The last commit that passed ./check, from which clang-tidy looks at what changed.
#   passed.sh base      its hash: the nearest to HEAD of those that this machine saw pass and the one that
#                       tools/last-passed names; nothing where none is an ancestor
#   passed.sh note      HEAD passed on this machine (nothing is noted of a tree with changes)
#   passed.sh publish   writes the base into tools/last-passed, for machines that never saw a commit pass
set -euo pipefail
cd "$(dirname "$0")/.."
seen=${XDG_CACHE_HOME:-$HOME/.cache}/solarchon-passed

base() {
  local best='' fewest='' commit count
  for commit in $(cat "$seen" tools/last-passed 2>/dev/null | sort -u); do
    git merge-base --is-ancestor "$commit" HEAD 2>/dev/null || continue
    count=$(git rev-list --count "$commit..HEAD")
    if [ -z "$fewest" ] || [ "$count" -lt "$fewest" ]; then
      best=$commit fewest=$count
    fi
  done
  echo "$best"
}

case "${1:-}" in
  base) base ;;
  note)
    if [ -z "$(git status --porcelain)" ]; then
      mkdir -p "$(dirname "$seen")"
      git rev-parse HEAD >> "$seen"
    fi ;;
  publish) base > tools/last-passed ;;
  *) echo "passed.sh: base, note or publish" >&2; exit 2 ;;
esac
