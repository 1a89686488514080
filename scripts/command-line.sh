# The command line: core and exchange only, built when its sources are newer than its jar.

command_line_is_stale() {
  local jar=$FRESH_SPLICE_HOME/cli/target/cli-0.1.0.jar
  [ ! -f "$jar" ] || [ ! -d "$FRESH_SPLICE_HOME/cli/target/lib" ] || [ -n "$(find "$FRESH_SPLICE_HOME"/core/src/main \
    "$FRESH_SPLICE_HOME"/exchange/src/main "$FRESH_SPLICE_HOME"/cli/src/main -name '*.java' -newer "$jar" -print -quit)" ]
}

run_command_line() {
  if command_line_is_stale; then
    . "$FRESH_SPLICE_HOME/scripts/install.sh"
    install_for_command_line >&2
    echo "Building the command line (first use, or its sources changed)" >&2
    (cd "$FRESH_SPLICE_HOME" && mvn -q -B -Dstyle.color=never -pl cli -am package -DskipTests >&2)
    # its own classes may not have changed, only those that it uses
    touch "$FRESH_SPLICE_HOME/cli/target/cli-0.1.0.jar"
  fi
  exec java -XX:TieredStopAtLevel=1 -XX:+UseParallelGC -Xshare:auto -Xss4m -Dfile.encoding=UTF-8 \
    -cp "$FRESH_SPLICE_HOME/cli/target/cli-0.1.0.jar:$FRESH_SPLICE_HOME/cli/target/lib/*" freshsplice.cli.Main "$@"
}
