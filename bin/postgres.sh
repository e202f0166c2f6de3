# Sourced by bin/test --on=postgres: Debian's PostgreSQL in a folder of its own, reached by a socket there, gone when the tests are.
pg=/usr/lib/postgresql/15/bin

# postgres_begin FOLDER: begins a server there with an empty database, and tells by the environment how it is reached.
postgres_begin() {
    at=$1
    mkdir -p "$at"
    # The server refuses to be root.
    if [ "$(id -u)" = 0 ]; then chown postgres "$at"; pg_as="runuser -u postgres --"; else pg_as=""; fi
    $pg_as "$pg/initdb" -D "$at/data" -A trust -U edge -E UTF8 --locale=C.UTF-8 --no-sync >"$at/log" 2>&1 || { tail -n 5 "$at/log" >&2; return 1; }
    $pg_as "$pg/pg_ctl" -D "$at/data" -l "$at/server.log" -w -o "-k $at -c listen_addresses='' -c fsync=off -c synchronous_commit=off -c full_page_writes=off" start >>"$at/log" 2>&1 || { tail -n 5 "$at/log" "$at/server.log" >&2; return 1; }
    $pg_as "$pg/createdb" -h "$at" -U edge edge
    export NEAT_EDGE_TESTS_ON=pgsql DB_HOST="$at" DB_DATABASE=edge DB_USERNAME=edge
}

postgres_end() {
    $pg_as "$pg/pg_ctl" -D "$1/data" -m immediate stop >/dev/null 2>&1 || true
    rm -rf "$1"
}
