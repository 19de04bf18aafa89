#!/usr/bin/env bash
# Installs the Debian packages whose programs, or files by their path, are missing: need.sh PROGRAM:PACKAGE ...
set -euo pipefail
missing=()
for pair in "$@"; do
  program=${pair%%:*} package=${pair#*:}
  [[ $program == /* && -e $program ]] || PATH=$PATH:/usr/sbin command -v "$program" >/dev/null || missing+=("$package")
done
[ ${#missing[@]} -eq 0 ] && exit 0
as_root=()
if [ "$(id -u)" -ne 0 ]; then
  command -v sudo >/dev/null || { echo "Please install ${missing[*]} (apt-get install), then run this again." >&2; exit 1; }
  as_root=(sudo)
fi
echo "Installing ${missing[*]} ..."
"${as_root[@]}" apt-get update -qq
DEBIAN_FRONTEND=noninteractive "${as_root[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
