#!/usr/bin/env bash
# Types, lint (with the import floors) and formatting.
set -euo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
for workspace in core server app; do npx --no -- tsc --noEmit -p "$workspace"; done
npx --no -- tsc --noEmit -p .
npx --no -- eslint . --max-warnings 0
npx --no -- prettier --check --log-level warn .
echo "checks: types, lint and format are clean"
