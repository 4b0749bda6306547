#!/usr/bin/env bash
# `npm start [-- --reset-demo]`: installs what is missing, builds, starts a private MariaDB, serves.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
for argument in "$@"; do
  [ "$argument" = "--reset-demo" ] || { echo "Unknown option $argument (there is --reset-demo)." >&2; exit 2; }
done
bash scripts/settings.sh
PORT="${ALFOMBRA_PORT:-8480}"
export DB_PORT="${ALFOMBRA_DB_PORT:-33480}"
if (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; then
  echo "Port $PORT is in use. Stop what uses it, or choose another: ALFOMBRA_PORT=8481 npm start" >&2
  exit 1
fi
step() { echo "[$1/5] $2"; }

step 1 "npm packages (the first time about a minute)"
bash scripts/install.sh npm
step 2 "MariaDB from Debian's packages"
bash scripts/install.sh apt mariadb-server mariadbd
step 3 "web app (the first time two to four minutes)"
bash scripts/build-web.sh
step 4 "database"
bash scripts/database.sh start | sed 's/^/      /'
stop_database() { bash scripts/database.sh stop; }
trap stop_database EXIT
# The server gets Ctrl-C too and closes first; this shell only has to outlive it.
trap : INT TERM
step 5 "server"
export ALFOMBRA_WEB="$ROOT/app/dist" ALFOMBRA_DB_PORT="$DB_PORT"
node --import tsx server/src/main.ts "$@" &
server=$!
forward() { kill -TERM "$server" 2>/dev/null || true; }
trap forward INT TERM
status=0
wait "$server" || status=$?
# A trapped signal ends the first wait early; wait until the server is really gone.
while kill -0 "$server" 2>/dev/null; do wait "$server" || status=$?; done
[ "$status" -gt 128 ] && status=0
exit "$status"
