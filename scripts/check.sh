#!/usr/bin/env bash
# Types, lint (with the import floors) and formatting; types beside the lint, which takes longest.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
types() {
  for project in core server app .; do npx --no -- tsc --noEmit -p "$project"; done
  npx --no -- prettier --check --log-level warn .
}
types &
typing=$!
lint=0
npx --no -- eslint . --max-warnings 0 || lint=$?
wait "$typing"
[ "$lint" = 0 ]
echo "checks: types, lint and format are clean"
