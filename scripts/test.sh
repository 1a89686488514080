#!/usr/bin/env bash
# Installs what is missing, builds everything, and runs every test.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"
install_for_tests
install_node_of_npm
build_web
cd "$FRESH_SPLICE_HOME"
echo "Testing the front end and the rest, side by side"
mkdir -p target
front=target/front-end-tests.txt
(cd web && with_node npm run --silent check && with_node npm test --silent) >"$front" 2>&1 &
front_end=$!
trap 'kill "$front_end" 2>/dev/null || true' EXIT
rest=0
PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 mvn -B -ntp -T 2 -Dstyle.color=never verify "$@" || rest=$?
front_code=0
wait "$front_end" || front_code=$?
echo "The front end:"
cat "$front"
[ "$front_code" -eq 0 ] || echo "The front end's tests failed: see above"
[ "$rest" -eq 0 ] || echo "Other tests failed: see above what the front end says"
[ "$front_code" -eq 0 ] && [ "$rest" -eq 0 ]
