# An instance is a running copy with its own data below var/NAME: the demo, or the one that tests use.

use_instance() {
    INSTANCE="$1"
    DIR="$ROOT/var/$INSTANCE"
    WEB_PORT=8080
    PG_PORT=54520
    STANDINS_PORT=8190
    APP_DATABASE=heron
    STANDINS_DATABASE=standins
    CORPUS_SIZE=14000
    if [ "$INSTANCE" = test ]; then
        WEB_PORT=18080 PG_PORT=54620 STANDINS_PORT=18190 APP_DATABASE=heron_browser
        CLUSTER_EXTRA=$'fsync = off\nsynchronous_commit = off\nfull_page_writes = off\nautovacuum = off'
    fi
    if [ "$INSTANCE" = bench ]; then WEB_PORT=28080 PG_PORT=54720 STANDINS_PORT=28190; fi
    # shellcheck source=/dev/null
    [ -f "$DIR/ports" ] && . "$DIR/ports"
    export HERON_INSTANCE_DIR="$DIR"
    export APP_CONFIG_CACHE="$DIR/cache/config.php" APP_ROUTES_CACHE="$DIR/cache/routes.php" APP_EVENTS_CACHE="$DIR/cache/events.php"
}

artisan() { as_web php -d pcov.enabled=0 -d memory_limit=512M artisan "$@"; }

make_instance() {
    mkdir -p "$DIR" 2>/dev/null && [ -w "$DIR" ] || fail "$DIR cannot be written by $(id -un)." "It may belong to another user, from an earlier start as root. Start as that user, or remove the folder."
    # held by whatever this start runs, even if the start itself is killed; what it leaves running lets go of it
    exec 9>"$DIR/lock"
    flock -w 60 9 || fail "another start of the same copy is under way." "Wait for it, then try again."
    mkdir -p "$DIR"/{run,cache} "$DIR"/storage/{app/files,framework/views,framework/cache,logs,uploads}
    if am_root; then chown -R "$(web_user):" "$DIR/storage" "$DIR/cache" "$DIR/run"; fi
}

write_ports() { printf 'WEB_PORT=%s\nPG_PORT=%s\nSTANDINS_PORT=%s\n' "$WEB_PORT" "$PG_PORT" "$STANDINS_PORT" >"$DIR/ports"; }

write_env() {
    local key
    key="$(sed -n 's/^APP_KEY=//p' "$DIR/.env" 2>/dev/null || true)"
    [ -n "$key" ] || key="base64:$(php -r 'echo base64_encode(random_bytes(32));')"
    cat >"$DIR/.env.new" <<ENV
APP_ENV=local
APP_KEY=$key
APP_DEBUG=${HERON_DEBUG:-false}
APP_URL=http://127.0.0.1:$WEB_PORT
HERON_DEMO=true
DB_HOST=127.0.0.1
DB_PORT=$PG_PORT
DB_DATABASE=$APP_DATABASE
DB_USERNAME=heron
STANDINS_URL=http://127.0.0.1:$STANDINS_PORT
ENV
    if ! cmp -s "$DIR/.env.new" "$DIR/.env"; then mv "$DIR/.env.new" "$DIR/.env"; rm -f "$DIR"/cache/*.php; else rm "$DIR/.env.new"; fi
    chmod 640 "$DIR/.env"
    if am_root; then chown "root:$(id -gn "$(web_user)")" "$DIR/.env"; fi
}

build_corpora() {
    need_database "$STANDINS_DATABASE"
    STANDINS_DSN="pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$STANDINS_DATABASE" STANDINS_USER=heron \
        quietly "making the stand-ins' records" php -d pcov.enabled=0 -d memory_limit=512M standins/build.php "$CORPUS_SIZE"
}

# Code that is newer than what the caches and running servers were made from.
code_changed() {
    [ ! -f "$DIR/cache/made" ] || [ -n "$(find app core config routes resources database standins bootstrap/app.php bootstrap/cache composer.json -newer "$DIR/cache/made" -type f -print -quit)" ] || [ ! -f "$DIR/cache/config.php" ]
}

refresh_caches() {
    if code_changed; then
        step "Preparing configuration, routes and views"
        touch "$DIR/cache/made.new"
        rm -f "$DIR"/cache/*.php "$DIR"/storage/framework/views/*.php
        quietly "migrating the database" artisan migrate --force
        quietly "caching configuration, routes and views" artisan optimize
        mv "$DIR/cache/made.new" "$DIR/cache/made"
    fi
}

instance_up() {
    local fresh=no yes=no asked_port=""
    for option in "$@"; do
        case "$option" in
            --port=*) asked_port="${option#--port=}" ;;
            --fresh) fresh=yes ;;
            --yes) yes=yes ;;
            *) fail "up does not know “$option”." "./heron up [--port=8080] [--fresh [--yes]]" ;;
        esac
    done
    if [ -n "$asked_port" ] && { [[ ! "$asked_port" =~ ^[0-9]{1,5}$ ]] || [ "$asked_port" -lt 1 ] || [ "$asked_port" -gt 65535 ]; }; then
        fail "“$asked_port” is no port." "A port is a number from 1 to 65535, above 1023 unless you are root."
    fi
    echo "Wary Heron"
    need_space
    need_all_packages
    use_instance demo
    make_instance
    local old_port="$WEB_PORT"
    WEB_PORT="${asked_port:-$WEB_PORT}"
    if [ "$fresh" = yes ]; then
        if [ "$yes" != yes ]; then
            [ -t 0 ] || fail "--fresh throws the demo's data away and asks first; there is nobody to ask." "Add --yes if that is meant."
            read -r -p "This throws away everything in the demo and builds it anew. Go on? (yes/no) " answer
            [ "$answer" = yes ] || { echo "Nothing was changed."; exit 0; }
        fi
        rm -f "$DIR/seeded"
    fi
    if { [ "$WEB_PORT" != "$old_port" ] || ! alive "$DIR/run/nginx.pid"; } && port_taken "$WEB_PORT"; then
        fail "port $WEB_PORT is taken by another program." "Choose another one: ./heron up --port=$(free_port $((WEB_PORT + 1)))" "What was running before goes on."
    fi
    if [ "$WEB_PORT" != "$old_port" ]; then stop_one "$DIR/run/nginx.pid"; fi
    need_composer
    need_assets
    start_cluster
    alive "$DIR/run/nginx.pid" || STANDINS_PORT="$(free_port "$STANDINS_PORT")"
    write_ports
    write_env
    need_database "$APP_DATABASE"
    build_corpora
    refresh_caches
    step "Starting the web server, php-fpm, the stand-ins and the worker"
    start_servers
    wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
    if [ ! -f "$DIR/seeded" ]; then
        step "Making the demo"
        quietly "making the demo" artisan heron:demo --fresh
        touch "$DIR/seeded"
    fi
    # where a database publishes other headings than before; without an answer what is here stays
    quietly "bringing the thesauri in" artisan heron:thesauri
    start_worker
    wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
    cat <<TEXT

Ready: http://127.0.0.1:$WEB_PORT

  Sign in with one of these, password "night-shift-demo":
    ines.okafor@heron.example      review lead
    mirela.haas@heron.example      information specialist
    tunde.adeyinka@heron.example   reviewer
    karin.sollander@heron.example  reviewer
    ruth.lindqvist@heron.example   observer

  Mail it sends is shown at http://127.0.0.1:$WEB_PORT/post-room
  Stop it with ./heron down
TEXT
}

instance_down() {
    use_instance demo
    if [ ! -d "$DIR" ]; then echo "Nothing was started here."; return 0; fi
    stop_servers
    stop_cluster
    echo "Stopped."
}

instance_status() {
    use_instance demo
    local state=0
    report() { printf '  %-12s %s\n' "$1" "$2"; }
    if [ ! -d "$DIR" ]; then echo "Not set up yet: ./heron up"; return 1; fi
    if alive "$DIR/run/nginx.pid"; then report "web" "running at http://127.0.0.1:$WEB_PORT"; else report "web" "stopped"; state=1; fi
    if alive "$DIR/run/fpm.pid"; then report "php-fpm" "running"; else report "php-fpm" "stopped"; state=1; fi
    if alive "$DIR/run/worker.pid"; then report "worker" "running"; else report "worker" "stopped"; state=1; fi
    if cluster_running; then report "PostgreSQL" "running on port $PG_PORT"; else report "PostgreSQL" "stopped"; state=1; fi
    if alive "$DIR/run/nginx.pid" && port_taken "$STANDINS_PORT"; then report "stand-ins" "running at http://127.0.0.1:$STANDINS_PORT/alder"; else report "stand-ins" "stopped"; state=1; fi
    return $state
}
