#!/usr/bin/env bash
# Installs what is missing, builds everything, and runs every test.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"
install_for_tests
cd "$FRESH_SPLICE_HOME"
echo "Building and testing the front end and the rest, side by side"
mkdir -p target
front=target/front-end-tests.txt
test_front_end() {
  # it fills what the rest leaves: that goes one step after another for long, and takes longer altogether
  renice -n 10 "$BASHPID" >/dev/null
  build_web
  install_node_of_npm
  cd web
  with_node npm run --silent check
  with_node npm test --silent
}
# a shell of its own: in a condition it would not stop at what fails
(set -e; test_front_end) >"$front" 2>&1 &
front_end=$!
trap 'kill "$front_end" 2>/dev/null || true' EXIT
rest=0
# the server's module waits for the front end's build (scripts/web.sh)
PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 mvn -B -ntp -T 2 -Dstyle.color=never verify "$@" || rest=$?
front_code=0
wait "$front_end" || front_code=$?
echo "The front end:"
cat "$front"
[ "$front_code" -eq 0 ] || echo "The front end's tests failed: see above"
[ "$rest" -eq 0 ] || echo "Other tests failed: see above what the front end says"
[ "$front_code" -eq 0 ] && [ "$rest" -eq 0 ]
