#!/usr/bin/env bash
# Runs every test, and says how much of each package they pass through, programs of their own left out. Takes as long as the tests: by
# hand, not in the suite.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
. "$FRESH_SPLICE_HOME/scripts/build.sh"
install_for_tests
cd "$FRESH_SPLICE_HOME"
mvn -q -B -Dstyle.color=never -Pcoverage package
echo "Lines that no test passes through, by package (all of it: */target/site/jacoco/index.html):"
awk -F, 'FNR > 1 {missed[$2] += $8; all[$2] += $8 + $9} END {for (p in all) printf "%6d of %6d  %5.1f %%  %s\n", missed[p], all[p], 100 * missed[p] / all[p], p}' \
  ./*/target/site/jacoco/jacoco.csv | sort -rn
