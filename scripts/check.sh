#!/usr/bin/env bash
# Types, lint (with the import floors), circles, what nobody uses, and formatting. What has not changed since the
# last time is not judged again; a clean clone judges everything.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
kept=.data/check
mkdir -p "$kept"
types() {
  for project in core server app .; do
    npx --no -- tsc --noEmit --incremental --tsBuildInfoFile "$kept/$(basename "$project" | tr -c 'a-z\n' r).tsbuildinfo" -p "$project"
  done
  npx --no -- prettier --check --log-level warn --cache --cache-location "$kept/prettier" .
  for part in core server app; do
    npx --no -- dpdm --no-warning --no-tree --no-progress --exit-code circular:1 \
      --tsconfig "$part/tsconfig.json" "$part/src/**/*.ts" "$part/src/**/*.tsx" >"$kept/circles" 2>&1 \
      || { grep -E '^ +[0-9]+\)' "$kept/circles" >&2; return 1; }
  done
  npx --no -- knip --no-progress
  node scripts/security-rows.mjs
}
types &
typing=$!
lint=0
npx --no -- eslint . --max-warnings 0 --cache --cache-strategy content --cache-location "$kept/eslint" || lint=$?
node scripts/floors.mjs || lint=$?
wait "$typing"
[ "$lint" = 0 ]
echo "checks: types, lint, circles, unused parts and format are clean"
