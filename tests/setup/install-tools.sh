#!/usr/bin/env bash
# Installs from Debian's packages what the tests need and this machine lacks: a browser, an independent circuit simulator,
# and a reader of PDFs.
set -euo pipefail
missing=()
[ -x /usr/bin/chromium-headless-shell ] || missing+=(chromium-headless-shell)
command -v ngspice >/dev/null || missing+=(ngspice)
command -v pdftotext >/dev/null || missing+=(poppler-utils)
[ "${#missing[@]}" -eq 0 ] && exit 0
echo "Installing ${missing[*]} from Debian's packages ..."
root=()
[ "$(id -u)" -eq 0 ] || root=(sudo)
"${root[@]}" apt-get update -qq
DEBIAN_FRONTEND=noninteractive "${root[@]}" apt-get install -y -qq --no-install-recommends "${missing[@]}" >/dev/null
