# What the product needs from Debian, installed when it is missing; says what and why before it does.

as_root() {
  if [ "$(id -u)" = 0 ]; then
    "$@"
  elif command -v sudo >/dev/null; then
    sudo "$@"
  else
    echo "This needs root or sudo, and there is neither: $*" >&2
    return 1
  fi
}

# The packages of those named that are installed, a line each.
installed_of() {
  dpkg-query -W -f '${Package} ${Status}\n' "$@" 2>/dev/null | sed -n 's/ install ok installed$//p' || true
}

# install_missing "why" package...
install_missing() {
  local why=$1 missing=() package installed
  shift
  installed=$(installed_of "$@")
  for package in "$@"; do
    grep -qx "$package" <<<"$installed" || missing+=("$package")
  done
  [ ${#missing[@]} -gt 0 ] || return 0
  if ! command -v apt-get >/dev/null; then
    echo "Missing: ${missing[*]} ($why). This system has no apt-get: install them by its own means and start again." >&2
    return 1
  fi
  echo "Installing ${missing[*]}: $why"
  [ -n "${FRESH_SPLICE_APT_UPDATED:-}" ] || as_root apt-get update -qq
  export FRESH_SPLICE_APT_UPDATED=1
  if ! as_root env DEBIAN_FRONTEND=noninteractive apt-get install -y -qq --no-install-recommends "${missing[@]}" \
      >"${TMPDIR:-/tmp}/fresh-splice-apt.$$" 2>&1; then
    tail -n 5 "${TMPDIR:-/tmp}/fresh-splice-apt.$$" >&2
    echo "Debian's packages could not be installed: look at the lines above, then start again." >&2
    return 1
  fi
  rm -f "${TMPDIR:-/tmp}/fresh-splice-apt.$$"
}

# Java's own note of its version is read where it has one: asking the compiler takes longer than all other checks.
java_major() {
  local release
  release=$(dirname "$(dirname "$(readlink -f "$(command -v javac || true)")")")/release
  if [ -f "$release" ]; then
    sed -n 's/^JAVA_VERSION="\([0-9]*\).*/\1/p' "$release"
  else
    javac -version 2>&1 | sed -n 's/^javac \([0-9]*\).*/\1/p'
  fi
}

install_java() {
  local major
  major=$(java_major || true)
  [ "${major:-0}" -ge 17 ] || install_missing "Java 17 runs and builds the application" openjdk-17-jdk-headless
  command -v mvn >/dev/null || install_missing "Maven builds the application" maven
}

install_for_command_line() {
  install_java
}

install_node() {
  command -v npm >/dev/null || install_missing "Node and npm build the front end" nodejs npm
}

# What draws: all that the application needs but its database.
install_for_worker() {
  install_java
  install_node
  command -v ffmpeg >/dev/null || install_missing "ffmpeg reads pictures and sound and writes movies" ffmpeg
  install_missing "Mesa draws pictures without a screen, with letters for burn-ins" libegl1 libgl1-mesa-dri fontconfig fonts-dejavu-core
}

install_for_application() {
  [ -x /usr/sbin/mariadbd ] || install_missing "MariaDB keeps the projects" mariadb-server
  install_for_worker
}

install_for_tests() {
  install_for_application
  [ -x /usr/bin/chromium-headless-shell ] || install_missing "Chromium without a screen drives the interface in the tests" chromium-headless-shell
}
