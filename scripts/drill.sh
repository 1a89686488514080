#!/usr/bin/env bash
# Random weeks of two or three people on the real server, until so many minutes are over: what must hold is looked at after every step.
# Use: drill MINUTES [--seed N] [--no-renders]. The last line says how many weeks and steps; the exit code is 0 only without a finding.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"
usage() {
  echo "Use: ./fresh-splice drill MINUTES [--seed N] [--no-renders]" >&2
  exit 2
}
minutes=${1:-}
[[ $minutes =~ ^[0-9]+(\.[0-9]+)?$ ]] || usage
shift
options=()
while [ $# -gt 0 ]; do
  case "$1" in
    --seed) [[ ${2:-} =~ ^[0-9]+$ ]] || usage; options+=("-Ddrill.seed=$2"); shift 2 ;;
    --no-renders) options+=(-Ddrill.noRenders=true); shift ;;
    *) usage ;;
  esac
done
install_for_application
build_web
cd "$FRESH_SPLICE_HOME"
said=$(mktemp)
trap 'rm -f "$said"' EXIT
result=0
mvn -q -B -Dstyle.color=never -pl server -am test -Dtest=DrillTest -Dsurefire.failIfNoSpecifiedTests=false \
  "-Ddrill.minutes=$minutes" "${options[@]}" 2>&1 | tee "$said" || result=1
# Maven may set codes of colour before it
grep -o 'Drill: [0-9].*' "$said" | tail -n 1 || echo "Drill: it did not come to its end"
exit "$result"
