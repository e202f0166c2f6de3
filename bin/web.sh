# Sourced by bin/start: the page by nginx and php-fpm, Debian's, with settings of its own under storage/web. No root, no service of the system.

# web_settings PORT: writes what both are told, and names the folder.
web_settings() {
    web="$root/storage/web/$1"
    mkdir -p "$web"
    # A socket's name may have 107 letters.
    socket="$web/php.sock"
    if [ ${#socket} -gt 100 ]; then socket=$(mktemp -d)/php.sock; fi
    rm -f "$socket"
    as=""
    if [ "$(id -u)" = 0 ]; then as="user root;"; fi
    cat >"$web/fpm.conf" <<CONF
[global]
pid = $web/fpm.pid
error_log = $root/storage/logs/php-fpm.log
log_limit = 8192
daemonize = no
[web]
$([ "$(id -u)" = 0 ] && printf 'user = root\ngroup = root')
listen = $socket
listen.backlog = 1024
pm = static
pm.max_children = ${NEAT_EDGE_WEB_WORKERS:-8}
; A worker that has grown is begun anew, between two requests.
pm.max_requests = 2000
catch_workers_output = yes
decorate_workers_output = no
; As it was told to bin/start.
clear_env = no
CONF
    cat >"$web/nginx.conf" <<CONF
daemon off;
$as
worker_processes 2;
pid $web/nginx.pid;
error_log $root/storage/logs/nginx.log warn;
events { worker_connections 512; }
http {
    include /etc/nginx/mime.types;
    default_type application/octet-stream;
    access_log off;
    server_tokens off;
    sendfile on;
    client_body_temp_path $web/body;
    fastcgi_temp_path $web/fastcgi;
    proxy_temp_path $web/proxy;
    uwsgi_temp_path $web/uwsgi;
    scgi_temp_path $web/scgi;
    client_max_body_size 240m;
    gzip on;
    gzip_vary on;
    gzip_comp_level 4;
    gzip_min_length 600;
    gzip_types application/json text/css text/javascript application/javascript image/svg+xml application/manifest+json font/ttf;
    server {
        listen ${NEAT_EDGE_LISTEN:-127.0.0.1}:$1;
        root $root/public;
        # Only what is meant to be fetched is: no script, no file with a dot before it.
        location ~ (^|/)\. { return 404; }
        location ~* ^/[^?]*\.(js|css|svg|png|woff2?|ico|json|txt)\$ {
            try_files \$uri @application;
            add_header X-Content-Type-Options nosniff;
            add_header Referrer-Policy no-referrer;
            add_header Content-Security-Policy "default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'";
            # What is built is named by its content and never changes.
            add_header Cache-Control \$kept;
        }
        location / { try_files /none @application; }
        location @application {
            include /etc/nginx/fastcgi_params;
            # With its port, which Debian's own setting leaves out: pages name their files by it, and changes are held to come from it.
            fastcgi_param HTTP_HOST \$http_host;
            fastcgi_param SCRIPT_FILENAME $root/public/index.php;
            fastcgi_param SCRIPT_NAME /index.php;
            # A request computes for so long as its CPU time lets it; the clock ends none.
            fastcgi_read_timeout 1h;
            fastcgi_send_timeout 1h;
            fastcgi_buffers 64 16k;
            fastcgi_pass unix:$socket;
        }
    }
    map \$uri \$kept {
        default no-cache;
        ~^/build/assets/ "public, max-age=31536000, immutable";
    }
}
CONF
}

# A shell takes a group that it began in the background for its own: another one sees it as it is.
endall() { bash -c 'kill -TERM -- "-$1" 2>/dev/null' _ "$1" || true; }

# serve COMMAND...: runs a server that has workers of its own, in a group of its own: whoever of it dies first, its workers are replaced by it; when it dies itself, they end with it and all begins anew.
serve() {
    set +m
    master=""
    trap 'trap "" TERM INT HUP; [ -z "$master" ] || endall "$master"' EXIT
    trap 'exit 143' TERM INT HUP
    while :; do
        setsid "$@" </dev/null >>storage/logs/web.log 2>&1 &
        master=$!
        { wait "$master" || true; } 2>/dev/null
        endall "$master"
        sleep 0.3
    done
}
