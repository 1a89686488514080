#!/usr/bin/env bash
# Whether the first command works on a machine that has nothing: a bare Debian 12 in a folder of its own, a clone of the last
# commit in it, and the demo must come up there and answer. Where no such folder can be made it says so and ends well: only a
# demo that does not come up is a failure.
set -euo pipefail

home=$(cd "$(dirname "$(readlink -f "${BASH_SOURCE[0]}")")/.." && pwd)
port=${FRESH_SPLICE_PORT:-8951}
patience=2400

not_here() {
  echo "No bare Debian can be made here ($1), so a fresh machine was not tried"
  exit 0
}

[ "$(id -u)" = 0 ] || not_here "it takes root"
command -v unshare >/dev/null || not_here "unshare is missing"
if ! command -v debootstrap >/dev/null; then
  { apt-get update -qq && apt-get install -y -qq --no-install-recommends debootstrap; } >/dev/null 2>&1 \
    || not_here "debootstrap cannot be installed"
fi

root=$(mktemp -d "${TMPDIR:-/tmp}/fresh-machine-XXXXXX")
# a file system's root can be passed by everybody
chmod 755 "$root"
demo=
clean_up() {
  [ -z "$demo" ] || kill -KILL -- "-$demo" 2>/dev/null || true
  rm -rf --one-file-system "$root"
}
trap clean_up EXIT

# what this machine knows of mirrors and certificates, the bare one needs as well; its packages it must find by itself
archive=$(grep -hE '^URIs' /etc/apt/sources.list.d/*.sources 2>/dev/null | head -n 1 | awk '{print $2}' || true)
echo "Making a bare Debian"
debootstrap --variant=minbase --include=ca-certificates,git bookworm "$root" ${archive:+"$archive"} >"$root.log" 2>&1 \
  || { tail -n 3 "$root.log"; not_here "debootstrap failed"; }
rm -f "$root.log"
share() {
  [ ! -e "$1" ] || { mkdir -p "$root$(dirname "$2")"; cp -rL "$1" "$root$2"; }
}
if [ -n "$archive" ]; then
  rm -f "$root/etc/apt/sources.list"
  for list in /etc/apt/sources.list.d/*.sources; do
    ! grep -q "$archive" "$list" || share "$list" "/etc/apt/sources.list.d/$(basename "$list")"
  done
fi
for settings in /etc/apt/apt.conf.d/*; do
  ! grep -qi 'proxy\|acquire' "$settings" || share "$settings" "$settings"
done
share /usr/share/keyrings/debian-archive-keyring.gpg /usr/share/keyrings/debian-archive-keyring.gpg
share /usr/local/share/ca-certificates /usr/local/share/ca-certificates
share /etc/ssl/certs/ca-certificates.crt /etc/ssl/certs/ca-certificates.crt
chroot "$root" update-ca-certificates >/dev/null 2>&1 || true
share /etc/npmrc /etc/npmrc
share "$HOME/.npmrc" /root/.npmrc
share "$HOME/.m2/settings.xml" /root/.m2/settings.xml
share /etc/resolv.conf /etc/resolv.conf
share /etc/hosts /etc/hosts
git clone -q "$home" "$root/root/project"

echo "Starting the demo in it"
export root port
registry=$(npm config get registry 2>/dev/null || true)
export registry
setsid unshare --mount --propagation private sh -c '
  mount --bind "$root" "$root"
  for m in proc dev sys; do mount --rbind "/$m" "$root/$m"; done
  exec env -i PATH=/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin HOME=/root LANG=C.UTF-8 TERM=dumb \
    SSL_CERT_FILE=/etc/ssl/certs/ca-certificates.crt NODE_EXTRA_CA_CERTS=/etc/ssl/certs/ca-certificates.crt \
    ${registry:+npm_config_registry="$registry"} FRESH_SPLICE_PORT="$port" \
    chroot "$root" sh -c "cd /root/project && exec ./fresh-splice demo"' &
demo=$!

answers() {
  exec 3<>"/dev/tcp/127.0.0.1/$port" || return 1
  printf 'GET /api/projects HTTP/1.1\r\nHost: localhost:%s\r\nConnection: close\r\n\r\n' "$port" >&3
  grep -q 'Low Water' <&3
} 2>/dev/null

began=$SECONDS
until (answers); do
  if ! kill -0 "$demo" 2>/dev/null; then
    demo=
    echo "On a fresh machine the demo ended before it answered: the lines above say why" >&2
    exit 1
  fi
  if [ $((SECONDS - began)) -gt "$patience" ]; then
    echo "On a fresh machine the demo did not answer within $((patience / 60)) minutes" >&2
    exit 1
  fi
  sleep 2
done
echo "On a fresh machine the demo came up in $((SECONDS - began)) s"
kill -INT -- "-$demo"
for _ in $(seq 30); do
  kill -0 "$demo" 2>/dev/null || { demo=; break; }
  sleep 1
done
