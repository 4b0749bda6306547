#!/usr/bin/env bash
# A private MariaDB on loopback, in a folder of its own: never the system's instance or port 3306.
#   database.sh start|stop|status
# DB_DIR, DB_PORT and DB_NAME choose another folder, port and database (the tests do).
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
DIR="${DB_DIR:-$ROOT/.data/mariadb}"
PORT="${DB_PORT:-33480}"
NAME="${DB_NAME:-alfombra}"
# A unix socket path may hold 107 bytes, so it stands in the temp folder and not under the project.
SOCK="${TMPDIR:-/tmp}/alfombra-db-$PORT.sock"
PIDF="$DIR/mariadbd.pid"
LOG="$DIR/error.log"
ME="$(id -un)"

fail() { echo "$*" >&2; exit 1; }
admin() { mariadb-admin --no-defaults --socket="$SOCK" -u root --connect-timeout=2 "$@"; }
alive() { [ -f "$PIDF" ] && kill -0 "$(cat "$PIDF")" 2>/dev/null; }
port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; }

start() {
  command -v mariadbd >/dev/null || fail "MariaDB is not installed (Debian package mariadb-server)."
  if alive; then echo "MariaDB runs already on 127.0.0.1:$PORT"; return; fi
  port_taken && fail "Port $PORT for the private MariaDB is in use. Choose another: ALFOMBRA_DB_PORT=33481 npm start"
  mkdir -p "$DIR/data" || fail "The data folder $DIR cannot be made."
  if [ ! -f "$DIR/data/.made" ]; then
    if [ -n "$(ls -A "$DIR/data")" ]; then
      fail "The data folder $DIR/data is not a finished MariaDB folder. Move it away and start again."
    fi
    mariadb-install-db --no-defaults --user="$ME" --datadir="$DIR/data" \
      --auth-root-authentication-method=socket --auth-root-socket-user="$ME" \
      --skip-test-db --skip-name-resolve >"$DIR/install.log" 2>&1 \
      || fail "MariaDB could not set up $DIR/data; see $DIR/install.log"
    touch "$DIR/data/.made"
  fi
  : >"$LOG"
  # In a session of its own: Ctrl-C must reach the server first, which then closes its connections.
  setsid nohup mariadbd --no-defaults --user="$ME" --datadir="$DIR/data" --socket="$SOCK" \
    --pid-file="$PIDF" --port="$PORT" --bind-address=127.0.0.1 --skip-name-resolve \
    --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
    --innodb-buffer-pool-size=128M --log-error="$LOG" >/dev/null 2>&1 </dev/null &
  local child=$!
  for _ in $(seq 1 300); do
    if admin ping >/dev/null 2>&1; then break; fi
    if ! kill -0 "$child" 2>/dev/null && ! alive; then
      fail "MariaDB does not start on the data folder $DIR/data, which may be broken; the last lines of $LOG say why: $(grep -i 'error' "$LOG" | tail -n 1)"
    fi
    sleep 0.1
  done
  admin ping >/dev/null 2>&1 || fail "MariaDB did not answer within 30 s; see $LOG"
  mariadb --no-defaults --socket="$SOCK" -u root -e "
    CREATE DATABASE IF NOT EXISTS \`$NAME\` CHARACTER SET utf8mb4;
    CREATE USER IF NOT EXISTS 'alfombra'@'127.0.0.1' IDENTIFIED BY 'alfombra';
    GRANT ALL ON \`$NAME\`.* TO 'alfombra'@'127.0.0.1';"
  echo "MariaDB runs on 127.0.0.1:$PORT"
}

stop() {
  alive || return 0
  local pid; pid="$(cat "$PIDF")"
  admin shutdown >/dev/null 2>&1 || kill -TERM "$pid"
  for _ in $(seq 1 300); do kill -0 "$pid" 2>/dev/null || return 0; sleep 0.1; done
  fail "MariaDB ($pid) did not stop."
}

case "${1:-}" in
  start) start ;;
  stop) stop ;;
  status) if alive; then echo running; else echo stopped; fi ;;
  *) echo "usage: database.sh start|stop|status" >&2; exit 2 ;;
esac
