# nginx, php-fpm and the queue workers of one instance. Uses DIR, WEB_PORT, ADDRESS, STANDINS_PORT, APP_DATABASE, STANDINS_DATABASE.

# Whether the process in a pid file is there and ours: after a restart of the machine the number may be somebody else's.
alive() { [ -s "$1" ] && kill -0 "$(cat "$1")" 2>/dev/null && tr '\0' ' ' <"/proc/$(cat "$1")/cmdline" 2>/dev/null | grep -qF "$ROOT"; }

# The name in the address that people open, without scheme and port.
host_of() { local host="${1#*://}"; host="${host%%/*}"; echo "${host%%:*}"; }

write_server_config() {
    local run="$DIR/run" user pools=(app) host
    [ "$WITH_STANDINS" = no ] || pools+=(standins)
    host="$(host_of "$ADDRESS")"
    user="$(web_user)"
    mkdir -p "$run"
    {
        echo "[global]"
        echo "daemonize = yes"
        echo "pid = $run/fpm.pid"
        echo "error_log = $run/fpm.log"
        for pool in "${pools[@]}"; do
            echo "[$pool]"
            if am_root; then printf 'user = %s\ngroup = %s\nlisten.owner = %s\n' "$user" "$user" "$user"; fi
            echo "listen = $run/$pool.sock"
            echo "pm = static"
            echo "pm.max_children = $([ "$pool" = app ] && echo "${APP_CHILDREN:-6}" || echo 2)"
            echo "pm.max_requests = 5000"
            echo "catch_workers_output = yes"
            echo "php_admin_value[opcache.validate_timestamps] = 0"
            echo "php_admin_value[opcache.memory_consumption] = 192"
            echo "php_admin_value[pcov.enabled] = 0"
            echo "php_admin_value[memory_limit] = 256M"
            echo "php_admin_value[upload_max_filesize] = 200M"
            echo "php_admin_value[post_max_size] = 210M"
            echo "php_admin_value[upload_tmp_dir] = $DIR/storage/uploads"
            echo "env[HERON_INSTANCE_DIR] = $DIR"
            echo "env[APP_CONFIG_CACHE] = $DIR/cache/config.php"
            echo "env[APP_ROUTES_CACHE] = $DIR/cache/routes.php"
            echo "env[APP_EVENTS_CACHE] = $DIR/cache/events.php"
            echo "env[STANDINS_DSN] = \"pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$STANDINS_DATABASE\""
            echo "env[STANDINS_USER] = standins"
            echo "env[STANDINS_PASSWORD] = \"$(secret_of standins)\""
        done
    } >"$run/fpm.conf.new"
    chmod 600 "$run/fpm.conf.new"
    mv "$run/fpm.conf.new" "$run/fpm.conf"
    cat >"$run/nginx.conf" <<CONF
$(if am_root; then echo "user $user;"; fi)
worker_processes 2;
pid $run/nginx.pid;
error_log $run/nginx-error.log;
events { worker_connections 512; }
http {
    include /etc/nginx/mime.types;
    types { text/javascript mjs; }
    access_log off;
    server_tokens off;
    client_max_body_size 210m;
    gzip on;
    gzip_types text/css text/javascript application/javascript application/json image/svg+xml;
    client_body_temp_path $run/tmp-body;
    proxy_temp_path $run/tmp-proxy;
    fastcgi_temp_path $run/tmp-fastcgi;
    uwsgi_temp_path $run/tmp-uwsgi;
    scgi_temp_path $run/tmp-scgi;
    # by no other name: a page elsewhere that points its name at this machine learns nothing
    server { listen 127.0.0.1:$WEB_PORT default_server; server_name _; return 444; }
$([ "$host" = localhost ] || echo "    server { listen 127.0.0.1:$WEB_PORT; server_name localhost; return 301 $ADDRESS\$request_uri; }")
    server {
        listen 127.0.0.1:$WEB_PORT;
        server_name $host;
        root $ROOT/public;
        error_page 502 504 /unavailable.html;
        location /build/assets/ { expires 1y; add_header Cache-Control "public, immutable"; add_header X-Content-Type-Options nosniff; try_files \$uri =404; }
        location = /favicon.ico { return 302 /heron.svg; }
        location / {
            add_header X-Content-Type-Options nosniff;
            add_header Content-Security-Policy "default-src 'none'; style-src 'self'; img-src 'self'; frame-ancestors 'none'";
            try_files \$uri /index.php?\$query_string;
        }
        location = /index.php {
            include /etc/nginx/fastcgi_params;
            fastcgi_param HTTP_HOST \$http_host;
            fastcgi_param REQUEST_ID \$request_id;
            fastcgi_param REQUEST_BEGAN \$msec; # before it waits for a free process
            fastcgi_param SCRIPT_FILENAME \$document_root/index.php;
            fastcgi_buffers 16 32k;
            fastcgi_buffer_size 64k;
            fastcgi_pass unix:$run/app.sock;
        }
        location ~ \.php$ { return 404; }
    }
$(if [ "$WITH_STANDINS" != no ]; then cat <<STANDINS
    server {
        listen 127.0.0.1:$STANDINS_PORT;
        location / {
            include /etc/nginx/fastcgi_params;
            fastcgi_param SCRIPT_FILENAME $ROOT/standins/public/index.php;
            fastcgi_buffers 16 64k;
            fastcgi_buffer_size 64k;
            fastcgi_pass unix:$run/standins.sock;
        }
    }
STANDINS
fi)
}
CONF
}

start_servers() {
    local run="$DIR/run" flags=(-d "opcache.preload=$ROOT/setup/preload.php")
    write_server_config
    if ! alive "$run/fpm.pid"; then
        # PHP loads nothing ahead as root
        if am_root && [ "$(web_user)" = root ]; then flags=(-R); elif am_root; then flags+=(-d "opcache.preload_user=$(web_user)"); fi
        quietly "php-fpm's start" /usr/sbin/php-fpm8.2 "${flags[@]}" -y "$run/fpm.conf" 9>&-
    else
        kill -USR2 "$(cat "$run/fpm.pid")"
    fi
    if ! alive "$run/nginx.pid"; then
        quietly "nginx's start" /usr/sbin/nginx -c "$run/nginx.conf" -e "$run/nginx-error.log" 9>&-
    else
        kill -HUP "$(cat "$run/nginx.pid")"
    fi
}

# The workers are kept alive by small loops in a process group of their own.
start_worker() {
    local run="$DIR/run"
    if alive "$run/worker.pid"; then return 0; fi
    local command=(bash "$ROOT/setup/keep-worker.sh")
    if am_root && [ "$(web_user)" != root ]; then
        command=(setpriv --reuid=www-data --regid=www-data --init-groups env HOME=/tmp "${command[@]}")
    fi
    setsid "${command[@]}" </dev/null >>"$run/worker.log" 2>&1 9>&- &
    echo $! >"$run/worker.pid"
}

stop_one() {
    local pid
    if alive "$1"; then
        pid="$(cat "$1")"
        kill -TERM ${2:-}"$pid" 2>/dev/null || true
        for _ in $(seq 60); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
        kill -0 "$pid" 2>/dev/null && kill -KILL ${2:-}"$pid" 2>/dev/null || true
    fi
    rm -f "$1"
}

stop_servers() {
    stop_one "$DIR/run/worker.pid" -
    stop_one "$DIR/run/nginx.pid"
    stop_one "$DIR/run/fpm.pid"
}

wait_for() {
    local url="$1" what="$2"
    for _ in $(seq 100); do
        if php -r 'exit(@file_get_contents($argv[1], false, stream_context_create(["http" => ["timeout" => 5]])) === false ? 1 : 0);' "$url" 2>/dev/null; then return 0; fi
        sleep 0.1
    done
    fail "$what does not answer at $url." "Look at the end of these files: $DIR/run/*.log, $DIR/storage/logs/laravel.log"
}
