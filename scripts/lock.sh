# Sourced. One start at a time works on a data folder: `take_lock FOLDER`, `leave_lock`.
# The lock names host, process and the moment that process began: a number alone may be another's by now.
LOCK=""
began() { awk '{sub(/^.*\) /, ""); print $20}' "/proc/$1/stat" 2>/dev/null || echo unknown; }
take_lock() {
  mkdir -p "$1"
  LOCK="$1/start.lock"
  local mine; mine="$(hostname) $$ $(began $$)"
  for _ in 1 2 3; do
    if (set -o noclobber; echo "$mine" >"$LOCK") 2>/dev/null; then return 0; fi
    local host pid since
    read -r host pid since <"$LOCK" 2>/dev/null || continue
    if [ "$host" != "$(hostname)" ]; then
      echo "$host works on $1 (process $pid). When it is gone for good, remove $LOCK." >&2
    elif kill -0 "$pid" 2>/dev/null && [ "$(began "$pid")" = "$since" ]; then
      echo "Alfombra runs from $1 already (process $pid). A second one needs a folder and ports of its own:" >&2
      echo "  ALFOMBRA_DATA=/another/folder ALFOMBRA_PORT=8481 ALFOMBRA_DB_PORT=13481 npm start" >&2
    else
      rm -f "$LOCK"
      continue
    fi
    LOCK=""
    return 1
  done
  LOCK=""
  echo "The lock in $1 cannot be taken." >&2
  return 1
}
leave_lock() { [ -z "$LOCK" ] || rm -f "$LOCK"; LOCK=""; }
