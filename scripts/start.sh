#!/usr/bin/env bash
# Installs what is missing, builds what changed, starts database and application, and stops both on Ctrl-C or kill.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"

data=${FRESH_SPLICE_DATA:-$FRESH_SPLICE_HOME/.data}
options=()
for argument in "$@"; do
  case "$argument" in
    --fresh)
      if [ -d "$data" ]; then
        aside=$data-$(date +%Y%m%d-%H%M%S)
        mv "$data" "$aside"
        echo "The data so far are kept in $(basename "$aside")"
      fi ;;
    --demo) options+=(--demo) ;;
    *) echo "Use: ./fresh-splice demo [--fresh], or start [--fresh]" >&2; exit 2 ;;
  esac
done

install_for_application
build_application

port=${FRESH_SPLICE_PORT:-8040}
taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }
if taken "$port"; then
  for other in $(seq $((port + 1)) $((port + 40))); do
    if ! taken "$other"; then
      echo "Port $port is taken by another program; using $other"
      port=$other
      break
    fi
  done
fi

mkdir -p "$data"
exec 9>"$data/.lock"
if ! flock -n 9; then
  echo "Fresh Splice is running already with this data folder: stop it first, or set FRESH_SPLICE_DATA to another" >&2
  exit 1
fi

echo "Starting"
# the application ends with this script, whichever way it ends
app=$FRESH_SPLICE_HOME/server/target/application
# The second compiler waits for ten times as many calls as by itself: in a start it takes as much of the machine as all else
# together. What is drawn, read or worked out over and over reaches it within its first seconds all the same.
later=(-XX:Tier4InvocationThreshold=50000 -XX:Tier4MinInvocationThreshold=6000 -XX:Tier4CompileThreshold=150000
  -XX:Tier4BackEdgeThreshold=400000)
java -XX:SharedArchiveFile="$app/classes.jsa" -Xshare:auto -Xlog:cds=off -Xlog:cds+dynamic=off "${later[@]}" \
  -XX:+UseSerialGC -Xmx"${FRESH_SPLICE_MEMORY:-1500m}" -Djava.awt.headless=true -Dslf4j.internal.verbosity=ERROR \
  -Dspring.aot.enabled=true \
  -jar "$app/server-0.1.0.jar" --data="$data" --port="$port" "${options[@]}" 9>&- &
server=$!
trap 'kill "$server" 2>/dev/null' INT TERM HUP
status=0
while kill -0 "$server" 2>/dev/null; do
  wait "$server" && status=0 || status=$?
done
case "$status" in
  130|143) echo "Stopped"; exit 0 ;;
  *) exit "$status" ;;
esac
