#!/usr/bin/env bash
# Reads damaged files of each format, and says which were neither read nor refused in a sentence.
set -euo pipefail
. "$FRESH_SPLICE_HOME/scripts/install.sh"
install_for_application
cd "$FRESH_SPLICE_HOME"
mvn -q -B -Dstyle.color=never -pl bench -am package -DskipTests
exec java -XX:+UseSerialGC -Xmx1g -Dlog4j2.loggerContextFactory=org.apache.logging.log4j.simple.SimpleLoggerContextFactory \
  -Dlog4j2.simplelogLevel=OFF -cp 'bench/target/bench-0.1.0.jar:bench/target/lib/*' freshsplice.bench.Fuzz "$@"
