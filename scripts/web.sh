#!/usr/bin/env bash
# Builds the front end where its sources are newer than what was built: Maven's server takes it in.
set -euo pipefail
FRESH_SPLICE_HOME=$(cd "$(dirname "$(readlink -f "${BASH_SOURCE[0]}")")/.." && pwd)
. "$FRESH_SPLICE_HOME/scripts/build.sh"
build_web
