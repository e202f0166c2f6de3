# Sourced by deploy/try: a bare Debian 12 in a folder, with this machine's registries, and systemd in it.

bare() {
    command -v debootstrap >/dev/null && command -v systemd-nspawn >/dev/null || { apt-get update -qq; apt-get install -y -qq --no-install-recommends debootstrap systemd-container >/dev/null; }
    mkdir -p "$1"
    if [ ! -f "$1/base/.ready" ]; then
        mirror=$(awk '/^URIs:/{print $2; exit}' /etc/apt/sources.list.d/debian.sources 2>/dev/null || true)
        [ -n "$mirror" ] || mirror=$(awk '/^deb /{for(i=2;i<=NF;i++) if($i ~ /:\/\//){print $i; exit}}' /etc/apt/sources.list)
        rm -rf "$1/base"
        debootstrap --variant=minbase --include=ca-certificates,systemd,systemd-sysv,dbus,procps bookworm "$1/base" "$mirror" >"$1/debootstrap.log" 2>&1 || { tail -n 5 "$1/debootstrap.log" >&2; return 1; }
        : >"$1/base/.ready"
    fi
    rm -rf --one-file-system "$1/sys"
    cp -a "$1/base" "$1/sys"
    # The registries, and whom to trust, as this machine has them.
    cp -a /etc/apt/. "$1/sys/etc/apt/"
    cp -aL /etc/resolv.conf /etc/hosts "$1/sys/etc/" 2>/dev/null || true
    cp -a /usr/share/keyrings/. "$1/sys/usr/share/keyrings/" 2>/dev/null || true
    mkdir -p "$1/sys/usr/local/share/ca-certificates"
    cp -a /usr/local/share/ca-certificates/. "$1/sys/usr/local/share/ca-certificates/" 2>/dev/null || true
    cp -a /etc/ssl/certs/. "$1/sys/etc/ssl/certs/" 2>/dev/null || true
    cp -an /usr/lib/apt/methods/. "$1/sys/usr/lib/apt/methods/" 2>/dev/null || true
    for f in .npmrc .config/composer .composer; do
        if [ -e "$HOME/$f" ]; then
            mkdir -p "$1/sys/root/$(dirname $f)"
            cp -a "$HOME/$f" "$1/sys/root/$(dirname $f)/"
        fi
    done
}

boot() {
    systemd-nspawn -q -D "$1/sys" --register=no --keep-unit --resolv-conf=off --console=pipe --boot </dev/null >"$1/boot.log" 2>&1 &
    nspawn=$!
    for _ in $(seq 100); do
        init=$(pgrep -P "$nspawn" | head -n 1 || true)
        if [ -n "$init" ] && inside "$1" systemctl is-system-running 2>/dev/null | grep -qE 'running|degraded'; then return 0; fi
        sleep 0.3
    done
    tail -n 5 "$1/boot.log" >&2
    return 1
}

# inside FOLDER COMMAND...: runs it there, as root.
inside() {
    trust=$(env | grep -E '^(NODE_EXTRA_CA_CERTS|SSL_CERT_FILE|CURL_CA_BUNDLE)=' | tr '\n' ' ')
    if command -v npm >/dev/null; then trust="$trust npm_config_registry=$(npm config get registry 2>/dev/null)"; fi
    # shellcheck disable=SC2086
    nsenter -t "$init" -m -u -i -p -r -w -- /usr/bin/env -i $trust HOME=/root PATH=/usr/local/sbin:/usr/local/bin:/usr/sbin:/usr/bin:/sbin:/bin LANG=C.UTF-8 DEBIAN_FRONTEND=noninteractive "${@:2}"
}

halt() {
    kill -TERM "$nspawn" 2>/dev/null || true
    for _ in $(seq 50); do
        kill -0 "$nspawn" 2>/dev/null || return 0
        sleep 0.2
    done
    kill -KILL "$nspawn" "$init" 2>/dev/null || true
}
