#!/usr/bin/env bash
# A private MariaDB on loopback, in a folder of its own: never the system's instance or port 3306.
#   database.sh start|stop|status
# Ports of our own stand below 32768: a system lends those above to outgoing connections.
# DB_DIR, DB_PORT and DB_NAME choose another folder, port and database (the tests do). The folder holds the
# data, the socket and the password, which nobody else can read.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd)"
DIR="${DB_DIR:-$ROOT/.data/mariadb}"
PORT="${DB_PORT:-13480}"
NAME="${DB_NAME:-alfombra}"
ME="$(id -un)"

fail() { echo "$*" >&2; exit 1; }
mkdir -p "$DIR" || fail "The data folder $DIR cannot be made."
chmod 700 "$DIR"
DIR="$(cd "$DIR" && pwd)"
PIDF="$DIR/mariadbd.pid"
LOG="$DIR/error.log"
# The address of a socket may hold 107 bytes: all go to it from the folder that it stands in.
SOCK=database.sock
cd "$DIR"
admin() { mariadb-admin --no-defaults --socket="$SOCK" -u root --connect-timeout=2 "$@"; }
# A number in a file may by now be another process: it is ours when it works on this very folder.
ours() {
  local pid="$1"
  [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null || return 1
  if [ -r "/proc/$pid/cmdline" ]; then
    tr '\0' '\n' <"/proc/$pid/cmdline" | grep -qxF -- "--datadir=$DIR/data"
  else
    [ "$(admin --skip-column-names variables 2>/dev/null | awk '$2 == "pid_file" {print $4}')" = "$PIDF" ]
  fi
}
alive() { [ -f "$PIDF" ] && ours "$(cat "$PIDF" 2>/dev/null || true)"; }
port_in_use() { fail "Port $PORT for the private MariaDB is in use. Choose another: ALFOMBRA_DB_PORT=13481 npm start"; }
port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$PORT") 2>/dev/null; }

make_data() {
  [ -f "$DIR/data/.made" ] && return
  # Whoever made it last was ended in the middle; nothing was ever kept in it. It stays beside, all the same.
  [ -z "$(ls -A "$DIR/data" 2>/dev/null)" ] || mv "$DIR/data" "$DIR/data-unfinished-$(date +%s)"
  mkdir -p "$DIR/data"
  mariadb-install-db --no-defaults --user="$ME" --datadir="$DIR/data" \
    --auth-root-authentication-method=socket --auth-root-socket-user="$ME" \
    --skip-test-db --skip-name-resolve >"$DIR/install.log" 2>&1 \
    || fail "MariaDB could not set up $DIR/data; see $DIR/install.log"
  touch "$DIR/data/.made"
}

start() {
  command -v mariadbd >/dev/null || fail "MariaDB is not installed (Debian package mariadb-server)."
  if alive; then echo "MariaDB runs already on 127.0.0.1:$PORT"; return; fi
  port_taken && port_in_use
  make_data
  [ -s "$DIR/password" ] || (umask 077; od -An -N24 -tx1 /dev/urandom | tr -d ' \n' >"$DIR/password")
  rm -f "$PIDF" "$DIR/$SOCK"
  : >"$LOG"
  # In a session of its own: Ctrl-C must reach the server first, which then closes its connections.
  setsid nohup mariadbd --no-defaults --user="$ME" --datadir="$DIR/data" --socket="../$SOCK" \
    --pid-file="$PIDF" --port="$PORT" --bind-address=127.0.0.1 --skip-name-resolve \
    --character-set-server=utf8mb4 --collation-server=utf8mb4_unicode_ci \
    --innodb-buffer-pool-size=256M --innodb-lock-wait-timeout=10 \
    --log-error="$LOG" >/dev/null 2>&1 </dev/null &
  local child=$!
  for _ in $(seq 1 300); do
    if admin ping >/dev/null 2>&1; then break; fi
    if ! kill -0 "$child" 2>/dev/null && ! alive; then
      # Somebody's outgoing connection may hold the port, which nobody listens on.
      grep -q "Bind on TCP/IP port" "$LOG" && port_in_use
      fail "MariaDB does not start on the data folder $DIR/data, which may be broken; the last lines of $LOG say why: $(grep '\[ERROR\]' "$LOG" | grep -v 'Aborting$' | tail -n 1)"
    fi
    sleep 0.1
  done
  admin ping >/dev/null 2>&1 || fail "MariaDB did not answer within 30 s; see $LOG"
  mariadb --no-defaults --socket="$SOCK" -u root -e "
    CREATE DATABASE IF NOT EXISTS \`$NAME\` CHARACTER SET utf8mb4;
    CREATE USER IF NOT EXISTS 'alfombra'@'127.0.0.1';
    ALTER USER 'alfombra'@'127.0.0.1' IDENTIFIED BY '$(cat "$DIR/password")';
    GRANT ALL ON \`$NAME\`.* TO 'alfombra'@'127.0.0.1';"
  echo "MariaDB runs on 127.0.0.1:$PORT"
}

stop() {
  alive || return 0
  local pid; pid="$(cat "$PIDF")"
  admin shutdown >/dev/null 2>&1 || kill -TERM "$pid"
  for _ in $(seq 1 300); do ours "$pid" || return 0; sleep 0.1; done
  fail "MariaDB ($pid) did not stop."
}

case "${1:-}" in
  start) start ;;
  stop) stop ;;
  status) if alive; then echo running; else echo stopped; fi ;;
  *) echo "usage: database.sh start|stop|status" >&2; exit 2 ;;
esac
