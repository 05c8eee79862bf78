#!/usr/bin/env bash
# Runs clang-tidy over every source file of core/, cli/, standins/, words/ and app/. A file that passed is
# remembered by the hash of its preprocessed text, so that only what changed is looked at again.
# Use: tidy.sh BUILD_FOLDER (with compile_commands.json)
set -euo pipefail
cd "$(dirname "$0")/.."
build=$1
cache=${XDG_CACHE_HOME:-$HOME/.cache}/solarchon-tidy
mkdir -p "$cache"
export build cache
rules=$(cat .clang-tidy <(clang-tidy --version) | sha256sum | cut -c1-16)
export rules

tidy_one() {
  local file=$1 command key
  command=$(python3 - "$build" "$file" <<'PY'
import json, os, shlex, sys
for entry in json.load(open(os.path.join(sys.argv[1], "compile_commands.json"))):
    if os.path.samefile(entry["file"], sys.argv[2]):
        words = shlex.split(entry["command"])
        keep = [w for i, w in enumerate(words) if w.startswith(("-I", "-D", "-std"))
                or w == "-isystem" or (i and words[i - 1] == "-isystem")]
        print(shlex.join(keep))
        break
PY
)
  [ -n "$command" ] || return 0
  key=$rules-$(eval "clang++-14 -E -P $command $(printf %q "$file")" 2>/dev/null | sha256sum | cut -c1-32)
  [ -e "$cache/$key" ] && return 0
  if clang-tidy --quiet -p "$build" "$file" 2> >(grep -v 'warnings\? generated' >&2); then
    touch "$cache/$key"
  else
    echo "clang-tidy: $file" >&2
    return 1
  fi
}
export -f tidy_one
git ls-files 'core/*.cpp' 'cli/*.cpp' 'standins/*.cpp' 'words/*.cpp' 'app/*.cpp' |
  xargs -P "$(nproc)" -I{} bash -c 'tidy_one {}'
echo "clang-tidy: clean"
