#!/usr/bin/env bash
# Installs from Debian's packages what the tests need and this machine lacks: a browser and an independent circuit simulator.
set -euo pipefail
missing=()
[ -x /usr/bin/chromium ] || missing+=(chromium)
command -v ngspice >/dev/null || missing+=(ngspice)
[ "${#missing[@]}" -eq 0 ] && exit 0
echo "Installing ${missing[*]} from Debian's packages ..."
root=()
[ "$(id -u)" -eq 0 ] || root=(sudo)
"${root[@]}" apt-get update -qq
DEBIAN_FRONTEND=noninteractive "${root[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
