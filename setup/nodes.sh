# A copy on several machines, tried on this one: two web nodes without anything of their own behind one balancer, the
# database with a replica, Redis with sentinels, a store for files. A drill to learn and to measure on, not a way to run
# Wary Heron for people; docs/scaling.md says what of it a real one takes over.

CLUSTER_PARTS="web1 web2 fpm1 fpm2 nginx1 nginx2 workers1 workers2 primary replica pg1 pg2 patroni1 patroni2 pool balancer redis1 redis2 sentinel1 store objects etcd"

run_cluster() {
    local command="${1:-}"
    [ $# -gt 0 ] && shift
    case "$command" in
        up) use_cluster; cluster_up "$@" ;;
        down) use_cluster; cluster_down ;;
        status) use_cluster; cluster_status ;;
        kill) use_cluster; cluster_kill "${1:-}" ;;
        *) fail "cluster does not know “$command”." "./heron cluster up [--fresh] | down | status | kill PART" "Parts: $CLUSTER_PARTS" ;;
    esac
}

use_cluster() {
    am_root || fail "the cluster runs each engine as a user of its own, for which it has to be started as root."
    SECRETS_OF=(heron heron_owner heron_app standins repl rewinder redis store swift)
    ENGINES="$ROOT/var/nodes"
    as_postgres test -x "$ROOT/var" 2>/dev/null || ENGINES="/var/lib/wary-heron-nodes-$(printf '%s' "$ROOT" | sha256sum | cut -c1-12)"
    declare -gA HERE=()
    local name port
    while read -r name port; do HERE[$name]="$port"; done < <(ports_of_engines)
    use_node 1
}

# The first or the second web node; what is done to the database goes to the primary, past the pool.
use_node() {
    local port="WEB$1"
    use_instance "node$1"
    WEB_PORT="${HERE[$port]}" PG_PORT="${HERE[READ_WRITE]}" STANDINS_PORT="${HERE[STANDINS]}"
    WITH_STANDINS="$([ "$1" = 1 ] && echo yes || echo no)"
    ADDRESS="http://127.0.0.1:${HERE[WEB]}"
    APP_CHILDREN="${CLUSTER_CHILDREN:-4}"
    export PGPASSFILE="$DIR/secrets"
}

cluster_up() {
    local i
    case "${1:-}" in "" | --fresh) ;; *) fail "cluster up does not know “$1”." "./heron cluster up [--fresh]" ;; esac
    need_space
    need_all_packages
    local missing
    mapfile -t missing < <(engine_packages)
    # shellcheck disable=SC2068
    install_packages ${missing[@]}
    need_composer
    need_assets
    if [ "${1:-}" = --fresh ]; then
        cluster_down >/dev/null
        rm -rf "$ENGINES" "$ROOT/var/node1" "$ROOT/var/node2"
    fi
    make_instance
    make_secrets
    write_engines
    step "Starting etcd, PostgreSQL with its replica, PgBouncer, HAProxy, Redis with sentinels, and the store"
    start_engines
    wait_for_primary
    cluster_roles
    need_database heron
    make_bucket
    write_node 1
    (use_node 2; make_instance; cp -p "$ROOT/var/node1/secrets" "$DIR/secrets"; sed '/^APP_KEY=/!d' "$ROOT/var/node1/.env" >"$DIR/.env"; write_node 2 127.0.0.2)
    CORPUS_SIZE=1500
    build_corpora
    step "Starting two web nodes, each with its workers"
    for i in 1 2; do (use_node "$i"; refresh_caches; start_servers; start_worker); done
    wait_for "$ADDRESS/up" "the application behind the balancer"
    quietly "bringing the thesauri in" artisan heron:thesauri
    printf '\nReady: %s (nodes at %s and %s)\n' "$ADDRESS" "${HERE[WEB1]}" "${HERE[WEB2]}"
}

wait_for_primary() {
    for _ in $(seq 600); do
        [ "$(sql -d postgres -c 'SELECT pg_is_in_recovery()' 2>/dev/null)" = f ] && return 0
        sleep 0.1
    done
    fail "no database became the primary." "Look at the end of $ENGINES/log/patroni1.log and patroni2.log"
}

wait_for_replica() {
    for _ in $(seq 300); do
        [ "$(sql -d postgres -c "SELECT count(*) FROM pg_stat_replication WHERE state = 'streaming' AND sync_state = 'sync'" 2>/dev/null)" = 1 ] && return 0
        sleep 0.2
    done
    fail "no replica follows the primary." "Look at the end of $ENGINES/log/patroni1.log and patroni2.log"
}

cluster_roles() {
    local role
    for role in heron_owner heron_app standins; do
        sql -d postgres -c "DO 'BEGIN CREATE ROLE $role; EXCEPTION WHEN duplicate_object THEN NULL; END'" \
            -c "ALTER ROLE $role LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD '$(secret_of "$role")'"
    done
    sql -d postgres -c 'GRANT heron_app TO heron_owner'
}

make_bucket() {
    STORE_SECRET="$(secret_of store)" quietly "making the store's bucket" php setup/bucket.php "http://127.0.0.1:${HERE[STORE]}"
}

# The second node reaches the database by another address, so that its line can be cut alone.
# What a node is told beside what every copy is told: this is all the difference there is.
write_node() {
    local sentinels="127.0.0.1:${HERE[SENTINEL1]},127.0.0.1:${HERE[SENTINEL2]},127.0.0.1:${HERE[SENTINEL3]}"
    cat >"$DIR/settings" <<ENV
DB_HOST=${2:-127.0.0.1}
DB_PORT=${HERE[POOL]}
DB_DATABASE=heron
DB_PAGES_DATABASE=heron_pages
DB_READ_DATABASE=heron_replica
DB_POOLED=true
STANDINS_URL=http://127.0.0.1:${HERE[STANDINS]}
CACHE_STORE=redis
SESSION_DRIVER=redis
REDIS_SENTINELS=$sentinels
REDIS_PASSWORD=$(secret_of redis)
FILESYSTEM_DISK=s3
AWS_ACCESS_KEY_ID=drill:app
AWS_SECRET_ACCESS_KEY=$(secret_of store)
AWS_DEFAULT_REGION=eu-drill-1
AWS_BUCKET=heron
AWS_ENDPOINT=http://127.0.0.1:${HERE[STORE]}
HERON_PROXIES=127.0.0.1
${CLUSTER_SETTINGS:-}
ENV
    write_env
}

cluster_down() {
    local i
    for i in 1 2; do (use_node "$i"; [ ! -d "$DIR" ] || stop_servers); done
    stop_engines
    echo "Stopped."
}

cluster_status() {
    local i name state=0
    report() { printf '  %-12s %s\n' "$1" "$2"; }
    for name in "${ALL_ENGINES[@]}"; do
        if engine_alive "$name"; then report "$name" "running"; else report "$name" "stopped"; state=1; fi
    done
    report "primary" "$(leader || echo none)"
    for i in 1 2; do
        use_node "$i"
        for name in nginx fpm worker; do
            if alive "$DIR/run/$name.pid"; then report "$name$i" "running"; else report "$name$i" "stopped"; state=1; fi
        done
    done
    return $state
}

# Which of the two databases is the primary now: 1 or 2.
leader() {
    local i port
    for i in 1 2; do
        port="PG$i"
        [ "$(PG_PORT="${HERE[$port]}" PGCONNECT_TIMEOUT=2 sql -d postgres -c 'SELECT pg_is_in_recovery()' 2>/dev/null)" = f ] && { echo "$i"; return 0; }
    done
    return 1
}

# Without time to tidy up. `./heron cluster up` starts again what is not there.
cluster_kill() {
    local part="$1" i="${1: -1}"
    case "$part" in
        web[12]) cluster_kill "nginx$i"; cluster_kill "fpm$i" ;;
        nginx[12] | fpm[12]) kill_group "$ROOT/var/node$i/run/${part%?}.pid" ;;
        workers[12]) kill_group "$ROOT/var/node$i/run/worker.pid" ;;
        primary) cluster_kill "pg$(leader)" ;;
        replica) cluster_kill "pg$((3 - $(leader)))" ;;
        pg[12]) kill_engine "patroni$i"; kill_database "$i" ;;
        patroni[12] | redis[12] | sentinel[123] | store | objects | etcd) kill_engine "$part" ;;
        pool) kill_engine pgbouncer ;;
        balancer) kill_engine haproxy ;;
        *) fail "there is no part “$part”." "Parts: $CLUSTER_PARTS" ;;
    esac
}

# Each of them leads a group of processes of its own; one that has just been told to read its settings anew has more.
kill_group() {
    local pid
    pid="$(cat "$1" 2>/dev/null)" || return 0
    kill -9 "-$pid" 2>/dev/null || kill -9 "$pid" 2>/dev/null || true
}

kill_engine() { kill_group "$ENGINES/run/$1.pid"; }

kill_database() {
    local pid
    pid="$(head -1 "$ENGINES/patroni$1/data/postmaster.pid" 2>/dev/null)" && kill -9 "$pid" 2>/dev/null || true
}
