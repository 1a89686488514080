# Builds the front end and the application where sources are newer than what was built.

# The folder of a Node that bundler and tests run on: they want 22.12 or newer, and Debian 12 has 18.
node_bin() {
  local version
  version=$(node -p 'process.versions.node.split(".").map(Number).reduce((a, n, i) => a + n * [1e6, 1e3, 1][i], 0)' 2>/dev/null || echo 0)
  if [ "$version" -ge 22012000 ]; then
    dirname "$(command -v node)"
  else
    echo "$FRESH_SPLICE_HOME/.cache/node/node_modules/node/bin"
  fi
}

# npm's own package "node" brings one. It comes before all other packages and not among them: npm leaves out native
# parts whose "engines" the Node it runs on does not meet, and the bundler is such a part.
install_node_of_npm() {
  local own=$FRESH_SPLICE_HOME/.cache/node wanted=$FRESH_SPLICE_HOME/scripts/node
  [ "$(node_bin)" = "$own/node_modules/node/bin" ] || return 0
  if [ -x "$own/node_modules/node/bin/node" ] && cmp -s "$wanted/package-lock.json" "$own/package-lock.json"; then
    return 0
  fi
  echo "Installing a newer Node for the front end's build"
  mkdir -p "$own"
  cp "$wanted/package.json" "$wanted/package-lock.json" "$own/"
  (cd "$own" && npm ci --no-audit --no-fund --loglevel=error)
  # its install script is what unpacks the program; some npm versions leave scripts out
  if [ ! -x "$own/node_modules/node/bin/node" ]; then
    (cd "$own/node_modules/node" && node installArchSpecificPackage.js >/dev/null)
  fi
}

with_node() {
  PATH="$(node_bin):$PATH" "$@"
}

# Whoever comes while somebody builds it waits, and finds it built.
build_web() {
  mkdir -p "$FRESH_SPLICE_HOME/.cache"
  (flock 8; build_web_alone) 8>"$FRESH_SPLICE_HOME/.cache/web.lock"
}

build_web_alone() {
  local web=$FRESH_SPLICE_HOME/web
  if [ ! -d "$web/node_modules" ] || [ "$web/package-lock.json" -nt "$web/node_modules/.package-lock.json" ]; then
    install_node_of_npm
    echo "Installing the front end's packages"
    (cd "$web" && with_node npm ci --no-audit --no-fund --loglevel=error)
  fi
  if [ ! -f "$web/dist/index.html" ] || [ -n "$(find "$web/src" "$web/index.html" "$web/public" "$web/vite.config.ts" \
      "$web/package-lock.json" "$FRESH_SPLICE_HOME/docs/openapi.json" -newer "$web/dist/index.html" -print -quit)" ]; then
    install_node_of_npm
    echo "Building the front end"
    local said
    if ! said=$(cd "$web" && with_node npm run --silent build 2>&1); then
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
  if [ ! -f "$jar" ] || [ -n "$(find "$FRESH_SPLICE_HOME"/{core,exchange,render,worker,demo,server}/src/main "$FRESH_SPLICE_HOME/web/dist" \
      "$FRESH_SPLICE_HOME"/pom.xml "$FRESH_SPLICE_HOME"/*/pom.xml -type f -newer "$jar" -print -quit)" ]; then
    echo "Building the application"
    (cd "$FRESH_SPLICE_HOME" && mvn -q -B -Dstyle.color=never -pl server -am package -DskipTests)
  fi
  "$FRESH_SPLICE_HOME/scripts/lay-out.sh"
}
