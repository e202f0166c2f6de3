# Sourced by bin/test --on=postgres: Debian's Redis in a folder of its own, reached by a socket there, gone when the tests are.

# redis_begin FOLDER: begins a server there that keeps nothing, and tells by the environment how it is reached.
redis_begin() {
    mkdir -p "$1"
    redis-server --port 0 --unixsocket "$1/redis.sock" --save '' --appendonly no --dir "$1" --pidfile "$1/redis.pid" --daemonize yes >"$1/log" 2>&1 || { tail -n 5 "$1/log" >&2; return 1; }
    for _ in $(seq 50); do
        if [ -S "$1/redis.sock" ]; then break; fi
        sleep 0.1
    done
    export NEAT_EDGE_TESTS_REDIS=1 REDIS_HOST="$1/redis.sock" REDIS_PORT=0
}

redis_end() {
    [ ! -f "$1/redis.pid" ] || kill "$(cat "$1/redis.pid")" 2>/dev/null || true
}
