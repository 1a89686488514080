#!/usr/bin/env bash
# Lets this machine draw renders for a server elsewhere, until it is stopped.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"

usage() {
  echo "Use: ./fresh-splice worker --server http://HOST:PORT --key FILE [--name NAME] [--keep FOLDER]" >&2
  exit 2
}

options=(--worker)
while [ $# -gt 0 ]; do
  case "$1" in
    --server|--key|--name|--keep) [ $# -gt 1 ] || usage; options+=("$1=$2"); shift 2 ;;
    *) usage ;;
  esac
done
[ ${#options[@]} -gt 2 ] || usage

install_for_worker
build_application

app=$FRESH_SPLICE_HOME/server/target/application
exec java -Xshare:auto -XX:+UseSerialGC -Xmx"${FRESH_SPLICE_MEMORY:-1500m}" -Djava.awt.headless=true -jar "$app/server-0.1.0.jar" "${options[@]}"
