#!/usr/bin/env bash
# Changes the core's rules one by one and says which changes no test notices. Takes minutes: by hand, not in the suite.
# Use: ./fresh-splice mutate [package of the core, such as time; changes; master.edit]
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
install_for_application
cd "$FRESH_SPLICE_HOME"
for package in "${@:-time}"; do
  mvn -q -B -Dstyle.color=never -pl core test-compile org.pitest:pitest-maven:mutationCoverage \
    "-DtargetClasses=freshsplice.core.$package.*" "-DtargetTests=freshsplice.core.*"
  echo "What no test of $package notices (all of it: core/target/pit-reports/index.html):"
  awk -F, '$6 == "SURVIVED" || $6 == "NO_COVERAGE" {sub(/.*mutators\./, "", $3); print "  " $1 ":" $5 "  " $3 "  " $6}' core/target/pit-reports/mutations.csv
done
