#!/usr/bin/env bash
# Measures, and prints a table with ratios and the machine.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
install_for_application
cd "$FRESH_SPLICE_HOME"
mvn -q -B -Dstyle.color=never -pl bench,cli -am package -DskipTests
exec java -XX:+UseSerialGC -Xmx3g -Djava.awt.headless=true -cp 'bench/target/bench-0.1.0.jar:bench/target/lib/*' freshsplice.bench.Bench "$@"
