# An instance is a running copy with its own data below var/NAME: the demo, one for real work, or the one that tests use.

use_instance() {
    INSTANCE="$1"
    DIR="$ROOT/var/$INSTANCE"
    WEB_PORT=8080
    PG_PORT=54520
    STANDINS_PORT=8190
    APP_DATABASE=heron
    STANDINS_DATABASE=standins
    CORPUS_SIZE=14000
    WITH_STANDINS=yes
    ADDRESS=""
    if [ "$INSTANCE" = work ]; then WEB_PORT=8100 PG_PORT=54820 WITH_STANDINS=no; fi
    if [ "$INSTANCE" = test ]; then
        WEB_PORT=18080 PG_PORT=54620 STANDINS_PORT=18190 APP_DATABASE=heron_browser
        CLUSTER_EXTRA=$'fsync = off\nsynchronous_commit = off\nfull_page_writes = off\nautovacuum = off'
    fi
    if [ "$INSTANCE" = bench ] || [ "$INSTANCE" = drill ]; then WEB_PORT=28080 PG_PORT=54720 STANDINS_PORT=28190; fi
    # shellcheck source=/dev/null
    [ -f "$DIR/ports" ] && . "$DIR/ports"
    ADDRESS="${ADDRESS:-http://127.0.0.1:$WEB_PORT}"
    export HERON_INSTANCE_DIR="$DIR"
    export APP_CONFIG_CACHE="$DIR/cache/config.php" APP_ROUTES_CACHE="$DIR/cache/routes.php" APP_EVENTS_CACHE="$DIR/cache/events.php"
}

artisan() { as_web php -d pcov.enabled=0 -d memory_limit=512M artisan "$@"; }

# As the owner of the tables, for what changes them; the settings kept for the application name another role.
owner_artisan() {
    DB_USERNAME=heron_owner DB_PASSWORD="$(secret_of heron_owner)" DB_HOST=127.0.0.1 DB_PORT="$PG_PORT" \
        DB_DATABASE="$APP_DATABASE" DB_READ_DATABASE= DB_POOLED= APP_CONFIG_CACHE="$DIR/cache/none.php" artisan "$@"
}

make_instance() {
    mkdir -p "$DIR" 2>/dev/null && [ -w "$DIR" ] || fail "$DIR cannot be written by $(id -un)." "It may belong to another user, from an earlier start as root. Start as that user, or remove the folder."
    # held by whatever this start runs, even if the start itself is killed; what it leaves running lets go of it
    exec 9>"$DIR/lock"
    flock -w 60 9 || fail "another start of the same copy is under way." "Wait for it, then try again."
    mkdir -p "$DIR"/{run,cache} "$DIR"/storage/{app/files,framework/views,framework/cache,logs,uploads}
    # settings with the key, and what went wrong, are for nobody else on the machine
    chmod 750 "$DIR/cache" "$DIR/run" "$DIR/storage/logs" "$DIR/storage/app"
    if [ -f "$DIR/storage/logs/laravel.log" ]; then chmod 640 "$DIR/storage/logs/laravel.log"; fi
    if am_root; then chown -R "$(web_user):" "$DIR/storage" "$DIR/cache" "$DIR/run"; fi
}

# The address moves with the port, unless it is one of a name that something else answers for.
write_ports() {
    case "$ADDRESS" in http://127.0.0.1:*) ADDRESS="http://127.0.0.1:$WEB_PORT" ;; esac
    printf 'WEB_PORT=%s\nPG_PORT=%s\nSTANDINS_PORT=%s\nADDRESS=%q\n' "$WEB_PORT" "$PG_PORT" "$STANDINS_PORT" "$ADDRESS" >"$DIR/ports"
}

write_env() {
    local key
    key="$(sed -n 's/^APP_KEY=//p' "$DIR/.env" 2>/dev/null || true)"
    [ -n "$key" ] || key="base64:$(php -r 'echo base64_encode(random_bytes(32));')"
    (umask 027 && : >"$DIR/.env.new")
    cat >"$DIR/.env.new" <<ENV
APP_ENV=$([ "$INSTANCE" = work ] && echo production || echo local)
APP_KEY=$key
APP_DEBUG=${HERON_DEBUG:-false}
APP_URL=$ADDRESS
HERON_DEMO=$([ "$INSTANCE" = work ] && echo false || echo true)
DB_HOST=127.0.0.1
DB_PORT=$PG_PORT
DB_DATABASE=$APP_DATABASE
DB_USERNAME=heron_app
DB_PASSWORD=$(secret_of heron_app)
$([ "$WITH_STANDINS" = no ] || printf '%s\n' "STANDINS_URL=http://127.0.0.1:$STANDINS_PORT" \
    "HERON_OIDC_ISSUER=http://127.0.0.1:$STANDINS_PORT/institution" HERON_OIDC_CLIENT=wary-heron HERON_OIDC_SECRET=of-the-demo \
    'HERON_OIDC_NAME="Brindle Vale University"')
ENV
    # what whoever runs it has set: how mail is sent, which databases there are
    if [ -f "$DIR/settings" ]; then cat "$DIR/settings" >>"$DIR/.env.new"; fi
    if ! cmp -s "$DIR/.env.new" "$DIR/.env"; then mv "$DIR/.env.new" "$DIR/.env"; rm -f "$DIR"/cache/*.php; else rm "$DIR/.env.new"; fi
    chmod 640 "$DIR/.env"
    if am_root; then chown "root:$(id -gn "$(web_user)")" "$DIR/.env"; fi
}

# How the stand-ins reach their database.
use_standins() {
    export STANDINS_DSN="pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$STANDINS_DATABASE" STANDINS_USER=standins STANDINS_PASSWORD
    STANDINS_PASSWORD="$(secret_of standins)"
}

build_corpora() {
    need_database "$STANDINS_DATABASE" standins standins
    (use_standins && \
        quietly "making the stand-ins' records" php -d pcov.enabled=0 -d memory_limit=512M standins/build.php "$CORPUS_SIZE")
}

# Code that is newer than what the caches and running servers were made from.
code_changed() {
    [ ! -f "$DIR/cache/made" ] || [ -n "$(find app bench core config routes resources database standins bootstrap/app.php bootstrap/cache composer.json -newer "$DIR/cache/made" -type f -print -quit)" ] || [ ! -f "$DIR/cache/config.php" ]
}

refresh_caches() {
    if code_changed; then
        step "Preparing configuration, routes and views"
        stop_one "$DIR/run/worker.pid" - # what it holds is the code and the secrets of before
        touch "$DIR/cache/made.new"
        rm -f "$DIR"/cache/*.php "$DIR"/storage/framework/views/*.php
        quietly "migrating the database" owner_artisan migrate --force
        quietly "caching configuration, routes and views" artisan optimize
        quietly "forgetting figures that the code of before had kept" artisan cache:clear
        mv "$DIR/cache/made.new" "$DIR/cache/made"
    fi
}

instance_up() {
    local fresh=no yes=no asked_port="" which=demo asked_address=""
    for option in "$@"; do
        case "$option" in
            --for-work) which=work ;;
            --address=*) asked_address="${option#--address=}" ;;
            --port=*) asked_port="${option#--port=}" ;;
            --fresh) fresh=yes ;;
            --yes) yes=yes ;;
            *) fail "up does not know “$option”." "./heron up [--port=8080] [--fresh [--yes]], or ./heron up --for-work [--port=8100] [--address=https://…]" ;;
        esac
    done
    if [ -n "$asked_port" ] && { [[ ! "$asked_port" =~ ^[0-9]{1,5}$ ]] || [ "$asked_port" -lt 1 ] || [ "$asked_port" -gt 65535 ]; }; then
        fail "“$asked_port” is no port." "A port is a number from 1 to 65535, above 1023 unless you are root."
    fi
    if [ "$which" = work ] && [ "$fresh" = yes ]; then
        fail "--fresh goes with the demo only: it throws everything away."
    fi
    if [ -n "$asked_address" ] && { [ "$which" = demo ] || [[ ! "$asked_address" =~ ^https?://[a-z0-9.-]+(:[0-9]+)?$ ]]; }; then
        fail "“$asked_address” cannot be the address." "It goes with --for-work and is a name as people open it, say https://reviews.example.org, without a slash at the end."
    fi
    echo "Wary Heron"
    need_space
    need_all_packages
    use_instance "$which"
    if am_root && [ "$(web_user)" = root ]; then
        [ "$which" = demo ] || fail "www-data cannot read $ROOT, and with real work nothing that answers people runs as root." "Put the checkout where www-data may read it, say below /srv, or start as a user of its own."
        step "www-data cannot read $ROOT: the demo's web side runs as root. Do not do real work with it."
    fi
    make_instance
    local old_port="$WEB_PORT"
    if [ -n "$asked_address" ]; then ADDRESS="$asked_address"; fi
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
    [ "$WITH_STANDINS" = no ] || build_corpora
    refresh_caches
    if [ "$which" = work ]; then
        step "Starting the web server, php-fpm and the workers"
        start_servers
        quietly "bringing the thesauri in" artisan heron:thesauri
        start_worker
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
        work_is_ready
        return 0
    fi
    step "Starting the web server, php-fpm, the stand-ins and the workers"
    start_servers
    wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
    if [ ! -f "$DIR/seeded" ]; then
        step "Making the demo"
        quietly "emptying the database" owner_artisan migrate:fresh --force
        quietly "making the demo" artisan heron:demo
        owner_sql -c ANALYZE # all of it is new to the planner
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

work_is_ready() {
    cat <<TEXT

Ready for work: $ADDRESS (this machine answers on 127.0.0.1:$WEB_PORT)

  The first person:   ./heron person "Full Name" name@example.org
  Settings, read at each start: $DIR/settings
    MAIL_HOST, MAIL_PORT, MAIL_USERNAME, MAIL_PASSWORD, MAIL_FROM_ADDRESS   without these, nobody gets mail
    HERON_SOURCES       a JSON file of the databases to search, as docs/operating.md describes
  Stop it with ./heron down
TEXT
    grep -q '^MAIL_HOST=' "$DIR/.env" || printf '\n  No mail is sent yet: MAIL_HOST is not set.\n'
}

instance_down() {
    local stopped=no
    for which in demo work; do
        use_instance "$which"
        if [ ! -d "$DIR" ]; then continue; fi
        stop_servers
        stop_cluster
        stopped=yes
    done
    if [ "$stopped" = yes ]; then echo "Stopped."; else echo "Nothing was started here."; fi
}

instance_status() {
    local state=0
    use_instance work
    if [ -d "$DIR" ]; then
        echo "For work"
        one_status || state=1
        echo "Demo"
    fi
    use_instance demo
    one_status || state=1
    return $state
}

one_status() {
    local state=0
    report() { printf '  %-12s %s\n' "$1" "$2"; }
    if [ ! -d "$DIR" ]; then echo "Not set up yet: ./heron up"; return 1; fi
    if alive "$DIR/run/nginx.pid"; then report "web" "running at http://127.0.0.1:$WEB_PORT"; else report "web" "stopped"; state=1; fi
    if alive "$DIR/run/fpm.pid"; then report "php-fpm" "running"; else report "php-fpm" "stopped"; state=1; fi
    if alive "$DIR/run/worker.pid"; then report "worker" "running"; else report "worker" "stopped"; state=1; fi
    if cluster_running; then report "PostgreSQL" "running on port $PG_PORT"; else report "PostgreSQL" "stopped"; state=1; fi
    if [ "$WITH_STANDINS" = no ]; then return $state; fi
    if alive "$DIR/run/nginx.pid" && port_taken "$STANDINS_PORT"; then report "stand-ins" "running at http://127.0.0.1:$STANDINS_PORT/alder"; else report "stand-ins" "stopped"; state=1; fi
    return $state
}
