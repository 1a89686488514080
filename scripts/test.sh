#!/usr/bin/env bash
# Installs what is missing, builds everything, and runs every test.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"
install_for_tests
build_web
cd "$FRESH_SPLICE_HOME"
echo "Testing the front end"
(cd web && with_node npm run --silent check && with_node npm test --silent)
echo "Testing the rest"
PLAYWRIGHT_SKIP_BROWSER_DOWNLOAD=1 mvn -B -ntp -Dstyle.color=never verify "$@"
