#!/usr/bin/env bash
# Builds the web app into app/dist, unless the sources are the ones it was last built from.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
stamp="$(find app core package-lock.json scripts/finish-web.mjs scripts/web-fonts.mjs \
  \( -name node_modules -o -name dist -o -name .expo -o -name .tables -o -name tables -o -name fonts -o -name fonts.css -o -name '*.test.ts' -o -name '*.test.tsx' \) -prune -o -type f -print0 \
  | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-16)"
[ "$(cat app/dist/.stamp 2>/dev/null || true)" = "$stamp" ] && { echo "      web app is up to date"; exit 0; }
log="$ROOT/.web-build.log"
node scripts/web-fonts.mjs >"$log" 2>&1 || { echo "The fonts were not cut; see .web-build.log" >&2; exit 1; }
export EXPO_OFFLINE=1 EXPO_NO_TELEMETRY=1 CI=1
( cd app && node ../node_modules/expo/bin/cli export -p web --max-workers 2 ) >>"$log" 2>&1 &
build=$!
seconds=0
while kill -0 "$build" 2>/dev/null; do
  sleep 1; seconds=$((seconds + 1))
  [ $((seconds % 15)) = 0 ] && echo "      … bundling, ${seconds} s$(grep -aoE '[0-9]+(\.[0-9]+)?%' "$log" | tail -n 1 | sed 's/^/, /')"
done
wait "$build" || { echo "The web app did not build; the end of .web-build.log:" >&2; tail -n 20 "$log" >&2; exit 1; }
node scripts/finish-web.mjs >>"$log" 2>&1 || { echo "The built app was not finished; see .web-build.log" >&2; exit 1; }
echo "$stamp" >app/dist/.stamp
rm -f "$log"
echo "      built in ${seconds} s"
