#!/usr/bin/env bash
# A clear word on a Node that is too old or a setting that makes no sense, before anything is installed.
set -euo pipefail
fail() { echo "$*" >&2; exit 1; }
command -v node >/dev/null || fail "Node is missing. Alfombra runs on Node 20.19, 22 or 24."
version="$(node -p process.versions.node)"
IFS=. read -r major minor _ <<<"$version"
if [ "$major" -lt 20 ] || { [ "$major" = 20 ] && [ "$minor" -lt 19 ]; }; then
  fail "This is Node $version. Alfombra runs on Node 20.19, 22 or 24 (with nvm: nvm install)."
fi
port() {
  local value="${!1:-}"
  [ -z "$value" ] && return 0
  [[ "$value" =~ ^[0-9]+$ ]] && [ "$value" -ge 1 ] && [ "$value" -le 65535 ] \
    || fail "$1=$value is no port: a whole number from 1 to 65535."
}
port ALFOMBRA_PORT
port ALFOMBRA_DB_PORT
case "${ALFOMBRA_LOG:-warn}" in
  silent | error | warn | info | debug) ;;
  *) fail "ALFOMBRA_LOG=$ALFOMBRA_LOG is none of: silent, error, warn, info, debug." ;;
esac
case "${ALFOMBRA_SECURE_COOKIE:-no}" in
  yes | no) ;;
  *) fail "ALFOMBRA_SECURE_COOKIE=$ALFOMBRA_SECURE_COOKIE is neither yes nor no." ;;
esac
