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
  local archive=$FRESH_SPLICE_HOME/cli/target/classes.jsa
  [ "$archive.tried" -nt "$FRESH_SPLICE_HOME/cli/target/cli-0.1.0.jar" ] || make_class_archive "$archive"
  run_java -XX:SharedArchiveFile="$archive" "$@"
}

# Most of a short reading is the machine's own start: with an archive of the classes that a reading loads it takes half of it.
make_class_archive() {
  local example=$FRESH_SPLICE_HOME/cli/target/example.edl
  printf 'TITLE: EXAMPLE\nFCM: NON-DROP FRAME\n001  A V C 00:00:00:00 00:00:01:00 01:00:00:00 01:00:01:00\n' > "$example"
  # in a process of its own: this one goes on with what was asked for
  (run_java -XX:ArchiveClassesAtExit="$1.$$" read "$example" >/dev/null 2>&1) || true
  # whole or not at all: another reading may begin meanwhile
  if [ -s "$1.$$" ]; then mv -f "$1.$$" "$1"; fi
  # once for a jar, whether it could be made or not
  touch "$1.tried"
}

# $1 is an option for the machine, the rest what was asked for
run_java() {
  local option=$1
  shift
  exec java "$option" -Xlog:cds=off -Xlog:cds+dynamic=off -XX:TieredStopAtLevel=1 -XX:+UseParallelGC -Xshare:auto -Xss4m -Dfile.encoding=UTF-8 \
    -cp "$FRESH_SPLICE_HOME/cli/target/cli-0.1.0.jar:$FRESH_SPLICE_HOME/cli/target/lib/*" freshsplice.cli.Main "$@"
}
