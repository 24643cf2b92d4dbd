# Bad days, on a copy of their own: what people were told is kept is compared with what is there. Each prints JSON lines,
# the last of them its verdict, and ends with 1 where something was lost, doubled or stayed away.

DRILLS="kills | workers | jobs | queue | storage | logs | database-full | slow-disk | point-in-time | fuzz | $CLUSTER_DRILLS"

run_drill() {
    local name="${1:-}"
    [ $# -gt 0 ] && shift
    case "$name" in
        fuzz) need_cli_packages >&2; need_composer >&2; exec php -d pcov.enabled=0 -d memory_limit=1G bench/fuzzing.php "$@" ;;
        promotion | parts | cut-node | cut-store | slow-store | clock | memory) run_cluster_drill "$name" "$@"; return ;;
        kills | workers | jobs | queue | storage | logs | database-full | slow-disk | point-in-time) ;;
        *) fail "there is no drill “$name”." "./heron drill ${DRILLS// /}" ;;
    esac
    . "$ROOT/setup/bench.sh"
    {
        # a day so bad leaves settings and disks behind: each begins with a database of its own
        use_instance drill
        stop_servers
        stop_cluster
        rm -rf "$(cluster_dir)" "$(cluster_dir)".*
        prepare_bench drill
        start_servers
        start_worker
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
    } >&2
    "drill_${name//-/_}" "$@"
}

verdict() { printf '{"drill":"%s","good":%s,%s}\n' "$1" "$([ "$2" = 0 ] && echo true || echo false)" "$3"; return "$2"; }

# 50 people decide, in the background, for so many seconds; then $load is their process and $review where they do.
people_decide() {
    local made
    step "Making a review of $1 publications, shared out among 50 people" >&2
    made="$(owner_artisan heron:load "$1" 50)"
    review="$(printf '%s' "$made" | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    rm -f "$DIR/run/load-began"
    LOAD_MARK="$DIR/run/load-began" php -d pcov.enabled=0 bench/screening.php "$ADDRESS" "$review" 50 "$2" \
        "pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$APP_DATABASE;user=heron_owner" >"$DIR/run/load.json" &
    load=$!
    until [ -f "$DIR/run/load-began" ] || ! kill -0 "$load" 2>/dev/null; do sleep 0.2; done
}

# What they were told is compared with what is there, and every state with what its decisions make it.
compared() {
    local bad=0
    wait "$load" || bad=1
    cat "$DIR/run/load.json"
    artisan heron:check-states >&2 || bad=1
    verdict "$1" "$bad" "$2"
}

# One part of a copy, killed without time to tidy up; what nothing keeps alive is started again, as an init system would.
kill_part() {
    local pid=""
    case "$1" in
        fpm) kill_hard "$DIR/run/fpm.pid"; sleep 1; start_servers ;;
        fpm-child) pid="$(ps -o pid= --ppid "$(cat "$DIR/run/fpm.pid")" | shuf -n 1)" ;;
        nginx) kill_hard "$DIR/run/nginx.pid"; sleep 1; start_servers ;;
        nginx-child) pid="$(ps -o pid= --ppid "$(cat "$DIR/run/nginx.pid")" | shuf -n 1)" ;;
        workers) kill_hard "$DIR/run/worker.pid"; sleep 1; start_worker ;;
        worker) pid="$(worker_pids | shuf -n 1)" ;;
        backend) pid="$(sql -d "$APP_DATABASE" -c "SELECT pid FROM pg_stat_activity WHERE backend_type = 'client backend' AND pid <> pg_backend_pid() ORDER BY random() LIMIT 1" 2>/dev/null || true)" ;;
        database) kill_hard "$(cluster_dir)/postmaster.pid"; sleep 1; start_cluster ;;
    esac >&2 || step "$1 did not come back at once" >&2
    [ -z "$pid" ] || kill -9 $pid 2>/dev/null || true
}

worker_pids() { pgrep -f "artisan queue:work --queue=" -g "$(cat "$DIR/run/worker.pid")" 2>/dev/null || true; }

# ./heron drill kills [TIMES] [PUBLICATIONS]
drill_kills() {
    local times="${1:-60}" parts=(fpm fpm-child nginx nginx-child workers worker backend database) part i
    declare -A killed=()
    people_decide "${2:-20000}" $((times * 4 + 10))
    for i in $(seq "$times"); do
        kill -0 "$load" 2>/dev/null || break
        part="${parts[RANDOM % ${#parts[@]}]}"
        kill_part "$part"
        killed[$part]=$((${killed[$part]:-0} + 1))
        sleep 2
        sql -d postgres -c 'SELECT 1' >/dev/null 2>&1 || (start_cluster) >&2 || true
    done
    compared kills "\"killed\":{$(for part in "${!killed[@]}"; do printf '"%s":%s,' "$part" "${killed[$part]}"; done | sed 's/,$//')}"
}

# ./heron drill workers [TIMES]: workers are killed while they read files, compare and write an archive.
drill_workers() {
    local review i bad=0 told
    review="$(artisan heron:busy)"
    for i in $(seq "${1:-30}"); do
        sleep "0.$((RANDOM % 9 + 1))"
        kill_part worker
    done
    all_over "$review"
    told="$(artisan heron:busy "$review")" || bad=1
    echo "$told"
    verdict workers "$bad" "\"killed\":${1:-30}"
}

# ./heron drill jobs [TIMES] [KIND...]: in the demo, each kind of background work is done once, and then from where it was
# with its workers killed in its first part, in its second and so on: the same has to be there.
drill_jobs() {
    local times="${1:-4}" kinds kind i took want got bad=0 lost=() killed=0
    shift || true
    kinds=("$@")
    [ ${#kinds[@]} -gt 0 ] || kinds=(file search round comparison joining order locker pdf leads report supplements papers further draft)
    {
        build_corpora
        stop_servers
        start_servers
        wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
        quietly "making the demo" artisan heron:demo
        owner_sql -c ANALYZE
        sql -d postgres -c "ALTER DATABASE $APP_DATABASE RENAME TO as_it_was"
    } >&2
    for kind in "${kinds[@]}"; do
        step "$kind" >&2
        work_once "$kind" -
        took="$work_took" want="$work_left"
        for i in $(seq "$times"); do
            work_once "$kind" "$(echo "$took * ($i - 0.5) / $times" | bc -l)"
            killed=$((killed + 1))
            got="$work_left"
            [ "$got" = "$want" ] || { bad=1; lost+=("$kind $i"); printf '%s\n%s\n' "$want" "$got" >&2; }
        done
        printf '{"work":"%s","seconds":%.1f,"killed":%s}\n' "$kind" "$took" "$times"
    done
    verdict jobs "$bad" "\"killed\":$killed,\"other than undisturbed\":[$(printf '"%s",' ${lost[@]+"${lost[@]}"} | sed 's/"",//; s/,$//')]"
}

# One piece of work from where the demo was, its workers killed after so many seconds, or never with -.
work_once() {
    local began review
    {
        stop_one "$DIR/run/worker.pid" -
        sql -d postgres -c "DROP DATABASE IF EXISTS $APP_DATABASE WITH (FORCE)" -c "CREATE DATABASE $APP_DATABASE TEMPLATE as_it_was"
        need_database "$APP_DATABASE"
        review="$(artisan heron:work "$1")"
        began="$(date +%s.%N)"
        start_worker
        if [ "$2" != - ]; then
            sleep "$2"
            kill -9 $(worker_pids) 2>/dev/null || true
            # what a killed worker held is taken up after a minute, which is not waited for
            sql -d "$APP_DATABASE" -c "UPDATE jobs SET reserved_at = reserved_at - 60 WHERE reserved_at IS NOT NULL"
        fi
        all_over "$review"
        # papers are read without a task of their own
        until_none jobs
    } >&2
    work_took="$(echo "$(date +%s.%N) - $began" | bc)"
    work_left="$(artisan heron:work)"
}

# ./heron drill queue [TIMES]: the queue is emptied while there is much to do, and made again from what the tasks kept.
drill_queue() {
    local review bad=0 told i
    review="$(artisan heron:busy)"
    for i in $(seq "${1:-1}"); do
        sleep 2
        kill_part workers
        owner_sql -c 'DELETE FROM jobs'
        artisan heron:queue-again >&2
    done
    all_over "$review"
    told="$(artisan heron:busy "$review")" || bad=1
    echo "$told"
    [[ "$told" == *'"failed":[]'* ]] || bad=1
    verdict queue "$bad" "\"emptied\":${1:-1}"
}

# Waits until nothing of a review is under way, for four minutes at most.
all_over() { until_none "tasks WHERE review_id = '$1' AND state IN ('queued', 'running')"; }

until_none() {
    for _ in $(seq 600); do
        [ "$(sql -d "$APP_DATABASE" -c "SELECT count(*) FROM $1")" = 0 ] && return 0
        sleep 0.3
    done
}

need_mounts() { am_root && mount -t tmpfs -o size=1m tmpfs "$DIR/run/tried" 2>/dev/null && umount "$DIR/run/tried" || fail "this drill puts a small disk below the copy, for which it has to be root and may mount."; }

small_disk() {
    mkdir -p "$DIR/run/tried" "$2"
    need_mounts
    mount -t tmpfs -o "size=$1,mode=0777" tmpfs "$2"
    small="$2"
    trap 'umount -l "$small" 2>/dev/null; stop_servers; stop_cluster' EXIT
}

# ./heron drill storage: PDFs are brought until the disk is full; each that was taken is there whole, and there is a way on.
drill_storage() {
    local bad=0
    review="$(artisan heron:busy --files=0)"
    small_disk 24m "$DIR/storage/app"
    BENCH_EMAIL=busy@heron.example php -d pcov.enabled=0 bench/filling.php "http://127.0.0.1:$WEB_PORT" "$review" 40 "mount -o remount,size=200m '$small'" || bad=1
    verdict storage "$bad" '"disk":"24 MiB"'
}

# ./heron drill logs: no room to write what happened keeps nobody from working.
drill_logs() {
    people_decide 20000 20
    small_disk 64k "$DIR/storage/logs"
    head -c 100000 /dev/zero >"$small/full" 2>/dev/null || true
    compared logs '"disk":"full for the logs"'
}

# ./heron drill database-full: the database has no room for its log, stops, and is given room again.
drill_database_full() {
    local data wal
    data="$(cluster_dir)"
    {
        sql -d postgres -c "ALTER SYSTEM SET max_wal_size = '64MB'" -c "ALTER SYSTEM SET min_wal_size = '32MB'" -c 'SELECT pg_reload_conf()'
        sql -d postgres -c 'CHECKPOINT' -c 'SELECT pg_switch_wal()' -c 'CHECKPOINT'
        stop_servers
        stop_cluster
    } >&2
    small_disk 512m "$data.wal"
    chown postgres: "$small" 2>/dev/null || true
    wal="$small/pg_wal"
    as_postgres cp -a "$data/pg_wal" "$wal"
    as_postgres rm -rf "$data/pg_wal"
    as_postgres ln -s "$wal" "$data/pg_wal"
    { start_cluster; start_servers; start_worker; } >&2
    people_decide 20000 40
    sleep 8
    step "The disk of the database is full" >&2
    dd if=/dev/zero of="$small/filler" bs=1M 2>/dev/null || true
    sleep 12
    rm -f "$small/filler"
    step "There is room again" >&2
    { cluster_running || start_cluster; } >&2
    compared database-full '"disk":"full for 12 s"'
}

# ./heron drill slow-disk [MILLISECONDS]: each writing that the database waits for takes so much longer, and each page read
# from the disk 5 ms.
drill_slow_disk() {
    local late="${1:-250}" server held pid brake
    command -v strace >/dev/null || install_packages strace >&2
    people_decide 20000 50
    sleep 8
    server="$(head -n 1 "$(cluster_dir)/postmaster.pid")"
    held=()
    for pid in "$server" $(pgrep -P "$server"); do held+=(-p "$pid"); done
    step "Each writing of the database takes $late ms longer" >&2
    strace -f -qq -o /dev/null -e trace=fdatasync,fsync,pread64 -e "inject=fdatasync,fsync:delay_enter=${late}ms" \
        -e inject=pread64:delay_enter=5ms "${held[@]}" >&2 &
    brake=$!
    sleep 25
    kill "$brake"
    wait "$brake" || true
    step "The disk is as before" >&2
    compared slow-disk "\"each_writing_ms\":$late"
}

backrest() { as_postgres pgbackrest --config="$repo/backrest.conf" --stanza=drill "$@"; }

# ./heron drill point-in-time: a backup and the log of the database, restored to a second, compared with what there was then.
drill_point_in_time() {
    local data bad=0 second then kept found later
    command -v pgbackrest >/dev/null || install_packages pgbackrest >&2
    data="$(cluster_dir)"
    there="$data.restored"
    repo="$data.repo"
    mkdir -p "$repo"
    if am_root; then chown postgres: "$repo"; fi
    cat >"$repo/backrest.conf" <<CONF
[global]
repo1-path=$repo
repo1-retention-full=2
log-level-file=off
lock-path=$repo/lock
start-fast=y
[drill]
pg1-path=$data
pg1-port=$PG_PORT
pg1-user=heron
pg1-socket-path=$repo
CONF
    chmod 644 "$repo/backrest.conf"
    trap 'stop_restored "$there"; rm -rf "$there" "$repo"; stop_servers; stop_cluster' EXIT
    {
        sql -d postgres -c "ALTER SYSTEM SET archive_mode = on" -c "ALTER SYSTEM SET archive_command = 'pgbackrest --config=$repo/backrest.conf --stanza=drill archive-push %p'" \
            -c "ALTER SYSTEM SET unix_socket_directories = '$repo'" -c "ALTER SYSTEM SET archive_timeout = 5"
        as_postgres sed -i '1i local all heron trust' "$data/pg_hba.conf"
        stop_servers
        stop_cluster
        start_cluster
        start_servers
        start_worker
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
        step "Backing up"
        backrest --log-level-console=warn stanza-create
        backrest --log-level-console=warn backup --type=full
    } >&2
    people_decide 20000 30
    sleep 15
    second="$(sql -d postgres -c "SELECT date_trunc('second', now())")"
    # what is written down with a time just before it may be kept just after it
    then="SELECT count(*), coalesce(md5(string_agg(id, '' ORDER BY id)), '') FROM decisions WHERE created_at < timestamptz '$second' - interval '2 seconds'"
    sleep 3
    kept="$(sql -d "$APP_DATABASE" -c "$then")"
    compared point-in-time-load '"while":"the log is archived"' || bad=1
    { sql -d postgres -c 'SELECT pg_switch_wal()'; sleep 6; } >&2
    step "Restoring to $second" >&2
    install -d -m 700 "$there"
    if am_root; then chown postgres: "$there"; fi
    backrest --log-level-console=warn --pg1-path="$there" --type=time --target="$second" --target-action=promote restore >&2 || bad=1
    as_postgres "$PG_BIN/pg_ctl" -D "$there" -l "$there/server.log" -w -t 60 -o "-p $((PG_PORT + 7)) -c archive_mode=off" start >&2 || bad=1
    for _ in $(seq 120); do # it answers before it has read its log to the end
        [ "$(PG_PORT=$((PG_PORT + 7)) sql -d postgres -c 'SELECT pg_is_in_recovery()' 2>/dev/null)" = f ] && break
        sleep 0.5
    done
    found="$(PG_PORT=$((PG_PORT + 7)) sql -d "$APP_DATABASE" -c "$then")"
    later="$(PG_PORT=$((PG_PORT + 7)) sql -d "$APP_DATABASE" -c "SELECT count(*) FROM decisions WHERE created_at > '$second'")"
    [ "$kept" = "$found" ] && [ "$later" = 0 ] || bad=1
    verdict point-in-time "$bad" "\"second\":\"$second\",\"decisions_then\":\"${kept%%|*}\",\"decisions_restored\":\"${found%%|*}\",\"of_later\":${later:-null}"
}

stop_restored() { as_postgres "$PG_BIN/pg_ctl" -D "$1" -m immediate stop >/dev/null 2>&1 || true; }
