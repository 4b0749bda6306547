#!/usr/bin/env bash
# `npm start [-- --reset-demo [--yes]]`: installs what is missing, builds, starts a private MariaDB, serves,
# and starts server or database again when one of them ends by itself.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
cd "$ROOT"
source scripts/lock.sh
reset=(); sure=""
for argument in "$@"; do
  case "$argument" in
    --reset-demo) reset=(--reset-demo) ;;
    --yes) sure=yes ;;
    *) echo "Unknown option $argument (there are --reset-demo and --yes)." >&2; exit 2 ;;
  esac
done
if [ ${#reset[@]} -gt 0 ] && [ -z "$sure" ]; then
  [ -t 0 ] || { echo "--reset-demo throws away what was entered in the demo company; say so with --yes." >&2; exit 2; }
  read -r -p "What was entered in the demo company is thrown away; other companies stay. Type yes: " answer
  [ "$answer" = yes ] || { echo "Nothing was done."; exit 0; }
fi
bash scripts/settings.sh
PORT="${ALFOMBRA_PORT:-8480}"
export ALFOMBRA_DATA="${ALFOMBRA_DATA:-$ROOT/.data}"
export DB_PORT="${ALFOMBRA_DB_PORT:-13480}" DB_DIR="$ALFOMBRA_DATA/mariadb"
take_lock "$ALFOMBRA_DATA" || exit 1
trap leave_lock EXIT
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
watcher=""; server=""; stopping=""
end() {
  [ -z "$watcher" ] || kill "$watcher" 2>/dev/null || true
  bash scripts/database.sh stop
  leave_lock
}
trap end EXIT
# The server gets Ctrl-C too and closes first; this shell only has to outlive it.
forward() { stopping=yes; [ -z "$server" ] || kill -TERM "$server" 2>/dev/null || true; }
trap forward INT TERM

# A database that has ended, also for want of room on the disk, is started again as long as it takes.
watch_database() {
  trap - EXIT; trap 'exit 0' INT TERM
  local since; since="$(began $$)"
  # It ends with who started it, also when that one was killed.
  while sleep 2 && [ "$(began $$)" = "$since" ]; do
    [ "$(bash scripts/database.sh status)" = running ] && continue
    echo "The database has ended; it is started again."
    bash scripts/database.sh start >/dev/null || sleep 5
  done
}
watch_database &
watcher=$!

step 5 "server"
export ALFOMBRA_WEB="$ROOT/app/dist" ALFOMBRA_DB_PORT="$DB_PORT"
ALFOMBRA_DB_PASSWORD="$(cat "$DB_DIR/password")"; export ALFOMBRA_DB_PASSWORD
# 78: what it was told makes no sense, and would make none the next time.
HOPELESS=78
crashes=0
while :; do
  began_at=$SECONDS
  node --import tsx server/src/main.ts ${reset[@]+"${reset[@]}"} &
  server=$!
  status=0
  wait "$server" || status=$?
  # A trapped signal ends the first wait early; wait until the server is really gone.
  while kill -0 "$server" 2>/dev/null; do wait "$server" || status=$?; done
  reset=()
  [ -z "$stopping" ] || break
  if [ "$status" = 0 ] || [ "$status" = "$HOPELESS" ]; then break; fi
  [ $((SECONDS - began_at)) -lt 60 ] && crashes=$((crashes + 1)) || crashes=1
  if [ "$crashes" -ge 6 ]; then echo "The server ends again and again; it is left." >&2; break; fi
  echo "The server has ended ($status); it is started again."
  sleep "$crashes"
done
if [ -n "$stopping" ] || [ "$status" -gt 128 ]; then status=0; fi
exit "$status"
