#!/usr/bin/env bash
# Installs what is missing and nothing else.
#   install.sh npm | apt PACKAGE COMMAND
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
fail() { echo "$*" >&2; exit 1; }

need_space() {
  local free; free="$(df -Pk "$ROOT" | awk 'NR==2 {print $4}')"
  [ "$free" -ge "$1" ] || fail "Not enough room: $((free / 1024)) MB are free here, $(($1 / 1024)) MB are needed."
}

case "${1:-}" in
  npm)
    stamp="$(sha256sum package-lock.json package.json core/package.json server/package.json app/package.json | sha256sum | cut -c1-16)"
    [ "$(cat node_modules/.alfombra-stamp 2>/dev/null || true)" = "$stamp" ] && exit 0
    need_space 1600000
    npm ci --no-audit --no-fund --loglevel=error >.npm-install.log 2>&1 \
      || fail "npm ci failed: $(grep -m 2 '^npm error' .npm-install.log | sed 's/^npm error //' | tr '\n' ' ')(the whole story: .npm-install.log)"
    rm -f .npm-install.log
    echo "$stamp" >node_modules/.alfombra-stamp
    ;;
  apt)
    package="$2"; command="$3"
    command -v "$command" >/dev/null && exit 0
    [ "$(id -u)" = 0 ] || fail "$package is missing and only root can install it. Run: sudo apt-get install -y --no-install-recommends $package"
    command -v apt-get >/dev/null || fail "$package is missing and this is no Debian machine. Install it by hand."
    need_space 600000
    export DEBIAN_FRONTEND=noninteractive
    log="$(mktemp)"
    { apt-get update && apt-get install -y --no-install-recommends "$package"; } >"$log" 2>&1 \
      || fail "apt-get could not install $package: $(grep -E '^(E|Err):?' "$log" | tail -n 1)"
    rm -f "$log"
    ;;
  *) echo "usage: install.sh npm | apt PACKAGE COMMAND" >&2; exit 2 ;;
esac
