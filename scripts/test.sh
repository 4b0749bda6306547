#!/usr/bin/env bash
# `npm test`: installs what is missing, checks, runs every suite, ends with `N passed, N failed`.
set -uo pipefail
cd "$(dirname "${BASH_SOURCE[0]}")/.."
out="$(mktemp -d)"
trap 'rm -rf "$out"' EXIT
step() { echo "== $1"; }

step "install"
bash scripts/settings.sh || { echo "0 passed, 1 failed"; exit 1; }
bash scripts/install.sh npm && bash scripts/install.sh apt mariadb-server mariadbd \
  && bash scripts/install.sh apt chromium chromium || { echo "0 passed, 1 failed"; exit 1; }
step "check"
bash scripts/check.sh; echo $? >"$out/check"
step "unit and server tests"
npx --no -- jest --ci --maxWorkers=2 --json --outputFile="$out/jest.json" --silent=false 2>&1 | grep -vE '^\s*(at |npm warn)' | tail -n 60
step "web app"
bash scripts/build-web.sh; echo $? >"$out/build"
step "the story in the browser"
if [ "$(cat "$out/build")" = 0 ]; then
  node --import tsx --test --test-reporter=tap --test-concurrency=1 e2e/*.test.ts >"$out/e2e.tap" 2>"$out/e2e.err"
  # A failure is told whole: which wait, which locator, which line.
  awk '/^ *(not ok|ok)|^# /; /error:/ {left = 12} left-- > 0' "$out/e2e.tap" | head -n 300
  tail -n 20 "$out/e2e.err"
fi
node scripts/sum-tests.mjs "$out"
