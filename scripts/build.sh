# Builds the front end and the application where sources are newer than what was built.

node_bin() {
  # Vite wants Node 20.19 or newer; npm's own package "node" brings one where Debian's is older
  local own=$FRESH_SPLICE_HOME/web/node_modules/node/bin
  local version
  version=$(node -p 'process.versions.node.split(".").map(Number).reduce((a, n, i) => a + n * [1e6, 1e3, 1][i], 0)' 2>/dev/null || echo 0)
  if [ "$version" -ge 20019000 ]; then
    dirname "$(command -v node)"
  else
    echo "$own"
  fi
}

build_web() {
  local web=$FRESH_SPLICE_HOME/web
  if [ ! -d "$web/node_modules" ] || [ "$web/package-lock.json" -nt "$web/node_modules/.package-lock.json" ]; then
    echo "Installing the front end's packages"
    (cd "$web" && npm ci --no-audit --no-fund --loglevel=error)
    # its install script is what unpacks the program; some npm versions leave scripts out
    if [ ! -x "$web/node_modules/node/bin/node" ]; then
      (cd "$web/node_modules/node" && node installArchSpecificPackage.js >/dev/null 2>&1) || true
    fi
  fi
  if [ ! -f "$web/dist/index.html" ] || [ -n "$(find "$web/src" "$web/index.html" "$web/public" "$web/vite.config.ts" \
      "$web/package-lock.json" -newer "$web/dist/index.html" -print -quit)" ]; then
    echo "Building the front end"
    local said
    if ! said=$(cd "$web" && PATH="$(node_bin):$PATH" npm run --silent build 2>&1); then
      echo "$said" >&2
      echo "The front end could not be built: the lines above say why" >&2
      return 1
    fi
    touch "$web/dist/index.html"
  fi
}

build_application() {
  build_web
  local jar=$FRESH_SPLICE_HOME/server/target/server-0.1.0.jar
  if [ ! -f "$jar" ] || [ -n "$(find "$FRESH_SPLICE_HOME"/{core,exchange,render,demo,server}/src/main "$FRESH_SPLICE_HOME/web/dist" \
      "$FRESH_SPLICE_HOME"/pom.xml "$FRESH_SPLICE_HOME"/*/pom.xml -type f -newer "$jar" -print -quit)" ]; then
    echo "Building the application"
    (cd "$FRESH_SPLICE_HOME" && mvn -q -B -Dstyle.color=never -pl server -am package -DskipTests)
  fi
}
