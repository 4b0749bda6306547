#!/usr/bin/env bash
# `npm run dev`: the server and the page, both reloading when a source changes. The page is at ALFOMBRA_PORT;
# Metro behind it, at the next port, turns sources into scripts.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
source scripts/lock.sh
bash scripts/settings.sh
bash scripts/install.sh npm
bash scripts/install.sh apt mariadb-server mariadbd
export ALFOMBRA_PORT="${ALFOMBRA_PORT:-8480}"
export ALFOMBRA_DATA="${ALFOMBRA_DATA:-$ROOT/.data}"
export DB_PORT="${ALFOMBRA_DB_PORT:-13480}" DB_DIR="$ALFOMBRA_DATA/mariadb"
take_lock "$ALFOMBRA_DATA" || exit 1
trap leave_lock EXIT
METRO_PORT=$((ALFOMBRA_PORT + 1))
for port in "$ALFOMBRA_PORT" "$METRO_PORT"; do
  if (exec 3<>"/dev/tcp/127.0.0.1/$port") 2>/dev/null; then
    echo "Port $port is in use. Choose another: ALFOMBRA_PORT=8490 npm run dev" >&2
    exit 1
  fi
done
node scripts/web-fonts.mjs >/dev/null
bash scripts/database.sh start
children=()
end() {
  trap '' INT TERM EXIT
  kill "${children[@]}" 2>/dev/null || true
  wait "${children[@]}" 2>/dev/null || true
  bash scripts/database.sh stop
  leave_lock
}
trap end INT TERM EXIT
( cd app && EXPO_OFFLINE=1 EXPO_NO_TELEMETRY=1 exec node ../node_modules/expo/bin/cli start --port "$METRO_PORT" ) &
children+=($!)
# Who opens the page before Metro listens would see an error and nothing that takes it away.
until (exec 3<>"/dev/tcp/127.0.0.1/$METRO_PORT") 2>/dev/null; do
  kill -0 "${children[0]}" 2>/dev/null || { echo "Metro did not start." >&2; exit 1; }
  sleep 0.5
done
ALFOMBRA_DB_PORT="$DB_PORT" ALFOMBRA_DB_PASSWORD="$(cat "$DB_DIR/password")" ALFOMBRA_WEB_PROXY="http://localhost:$METRO_PORT" \
  node --watch --import tsx server/src/main.ts "$@" &
children+=($!)
wait -n "${children[@]}"
