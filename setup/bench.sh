# Benchmarks on a copy of their own, set up as for real use. Results are JSON lines.

run_bench() {
    local name="${1:-}"
    [ $# -gt 0 ] && shift
    case "$name" in pages | library | deliver | screening | search | vocabulary | match | convert | ranking | texts | leads | scouting | judged | printed | synthesis | report | archive | cluster | replica) ;; *) fail "there is no benchmark “$name”." "./heron bench pages|library|deliver|screening|search|vocabulary|match|convert|ranking|texts|leads|scouting|judged|printed|synthesis|report|archive|cluster|replica [SIZE]" ;; esac
    case "$name" in cluster | replica) "bench_$name" "$@"; return ;; esac
    case "$name" in match | convert | ranking | texts | leads | scouting) # these need no database
        { need_cli_packages; need_composer; } >&2
        "bench_$name" "$@"
        return ;;
    esac
    prepare_bench >&2
    "bench_$name" "$@"
}

# The benchmarks' own copy, or another name's, empty.
prepare_bench() {
    need_space
    need_all_packages
    use_instance "${1:-bench}"
    need_composer
    need_assets
    make_instance
    trap 'stop_servers; stop_cluster' EXIT
    start_cluster
    WEB_PORT="$(free_port "$WEB_PORT")"
    STANDINS_PORT="$(free_port "$STANDINS_PORT")"
    write_ports
    write_env
    need_database "$APP_DATABASE"
    refresh_caches
    quietly "emptying the benchmark's database" owner_artisan migrate:fresh --force
}

# Starts the copy with one large review, whose id is then in $review.
large_review() {
    start_servers
    wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
    quietly "adding people" artisan heron:person Lead lead@heron.example "--password=a long password"
    quietly "adding people" artisan heron:person Reviewer reviewer@heron.example "--password=a long password"
    step "Making a review of $1 records"
    review="$(owner_artisan heron:large "$1" --lead=lead@heron.example --reviewer=reviewer@heron.example)"
}

# ./heron bench screening [PUBLICATIONS] [SECONDS] [PEOPLE]: people deciding at once, then the same with everything killed
# under them.
bench_screening() {
    local review made dsn="pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$APP_DATABASE;user=heron_owner" seconds="${2:-60}"
    local people="${3:-50}"
    {
        start_servers
        start_worker
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
        step "Making a review of ${1:-100000} publications, shared out among $people people"
    } >&2
    made="$(owner_artisan heron:load "${1:-100000}" "$people")"
    echo "$made"
    review="$(printf '%s' "$made" | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    php -d pcov.enabled=0 bench/screening.php "http://127.0.0.1:$WEB_PORT" "$review" "$people" "$seconds" "$dsn"
    php -d pcov.enabled=0 bench/screening.php "http://127.0.0.1:$WEB_PORT" "$review" "$people" "$((seconds / 2))" "$dsn" bare
    artisan heron:check-states
    step "The same, while php-fpm, the worker and PostgreSQL are killed one after the other" >&2
    rm -f "$DIR/run/load-began"
    LOAD_MARK="$DIR/run/load-began" php -d pcov.enabled=0 bench/screening.php "http://127.0.0.1:$WEB_PORT" "$review" "$people" "$seconds" "$dsn" &
    local load=$!
    until [ -f "$DIR/run/load-began" ] || ! kill -0 "$load" 2>/dev/null; do sleep 0.2; done
    sleep $((seconds / 4))
    kill_hard "$DIR/run/fpm.pid"
    start_servers >&2
    sleep $((seconds / 4))
    kill_hard "$DIR/run/worker.pid"
    start_worker >&2
    sleep $((seconds / 8))
    kill_hard "$(cluster_dir)/postmaster.pid"
    sleep 2
    start_cluster >&2
    wait "$load"
    artisan heron:check-states
}

# ./heron bench cluster [PUBLICATIONS] [SECONDS]: 50 and 200 people deciding, at one web node and at two.
bench_cluster() {
    local made people nodes
    empty_engines >&2
    step "Making a review of ${1:-100000} publications, shared out among 200 people" >&2
    made="$(owner_artisan heron:load "${1:-100000}" 200)"
    echo "$made"
    review="$(printf '%s' "$made" | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    for nodes in 2 1; do
        if [ "$nodes" = 1 ]; then (use_node 2; stop_one "$DIR/run/nginx.pid"; stop_one "$DIR/run/fpm.pid"); sleep 4; fi
        for people in 50 200; do
            printf '{"nodes":%s}\n' "$nodes"
            php -d pcov.enabled=0 bench/screening.php "$ADDRESS" "$review" "$people" "${2:-40}" \
                "pgsql:host=127.0.0.1;port=$PG_PORT;dbname=heron;user=heron_owner" || true
        done
    done
    artisan heron:check-states
}

# A cluster that holds nothing, until the end of the benchmark.
empty_engines() {
    use_cluster
    cluster_up
    trap 'use_cluster; cluster_down' EXIT
    wait_for_replica
    quietly "emptying the database" owner_artisan migrate:fresh --force
    quietly "emptying Redis" artisan cache:clear
}

# What the replica takes off the primary: pages of the library, with the time that each of the two was busy meanwhile.
bench_replica() {
    local review
    empty_engines >&2
    step "Making a review of ${1:-100000} publications" >&2
    review="$(owner_artisan heron:load "${1:-100000}" 3 | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    owner_sql -c ANALYZE >&2
    step "Waiting for the replica to have all of it" >&2
    sleep 20
    busy_databases before
    BENCH_EMAIL=screener1@heron.example php -d pcov.enabled=0 bench/library.php "$ADDRESS" "$review" 4 | tail -n 1
    busy_databases after
}

# How long each database of the cluster has been busy with the application, in ms, and how many rows it gave.
busy_databases() {
    local port role
    sleep 2 # sessions tell their counts when they rest
    for port in "${HERE[PG1]}" "${HERE[PG2]}"; do
        role="$(PG_PORT="$port" owner_sql -c "SELECT CASE WHEN pg_is_in_recovery() THEN 'replica' ELSE 'primary' END")"
        PG_PORT="$port" owner_sql -c "SELECT json_build_object('when', '$1', 'what', '$role', 'busy_ms', round(active_time), 'rows', tup_returned, 'fetched', tup_fetched, 'blocks', blks_hit + blks_read) FROM pg_stat_database WHERE datname = current_database()"
    done
}

# A process and all below it, with no time to tidy up.
kill_hard() {
    local pid
    pid="$(as_postgres head -1 "$1" 2>/dev/null || head -1 "$1")"
    step "kill -9 $pid ($(ps -o comm= -p "$pid")) and its children" >&2
    kill -9 "$pid" $(ps -o pid= --ppid "$pid") 2>/dev/null || true
    if [ "$1" = "$DIR/run/worker.pid" ]; then kill -9 -- "-$pid" 2>/dev/null || true; fi
    for _ in $(seq 100); do # until nobody takes it for alive any more
        sleep 0.2
        kill -0 "$pid" 2>/dev/null || break
    done
}

bench_match() { php -d pcov.enabled=0 bench/matching.php "${1:-100000}"; }

bench_texts() { php -d pcov.enabled=0 -d memory_limit=512M bench/papers.php texts "${1:-100}"; }

bench_leads() { php -d pcov.enabled=0 -d memory_limit=512M bench/papers.php leads "${1:-100}"; }

bench_scouting() { php -d pcov.enabled=0 bench/scouting.php "$@"; }

# 60 judged questions over invented studies, beside the full-text ranking of PostgreSQL.
bench_judged() {
    PGPASSFILE="$DIR/secrets" php -d pcov.enabled=0 -d memory_limit=1G bench/scouting-judged.php \
        "pgsql:host=127.0.0.1;port=$PG_PORT;dbname=$APP_DATABASE;user=heron_owner" "$@"
}

# Made-up works in the styles of journals: printed by pandoc, read back.
bench_printed() {
    command -v pandoc >/dev/null || install_packages pandoc >&2
    local styles=/usr/share/citation-style-language/styles
    [ -d "$styles" ] || install_packages citation-style-language-styles >&2
    php -d pcov.enabled=0 bench/printed.php "$styles" "$@"
}

bench_ranking() { php -d pcov.enabled=0 bench/ranking.php "$@"; }

bench_convert() {
    command -v ris2xml >/dev/null || install_packages bibutils >&2
    php -d pcov.enabled=0 bench/converting.php "${1:-100000}"
}

# Publications made by the database from 6,000 delivered ones: it is the reading that is timed, not the delivery.
bench_library() {
    local review
    {
        start_servers
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
        step "Making a review of ${1:-100000} publications"
    } >&2
    review="$(owner_artisan heron:load "${1:-100000}" 3 | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    BENCH_EMAIL=screener1@heron.example php -d pcov.enabled=0 bench/library.php "http://127.0.0.1:$WEB_PORT" "$review" 12
}

# A whole review as a file and back; publications made by the database, 200 papers of random bytes.
bench_archive() {
    local review
    step "Making a review of ${1:-100000} publications" >&2
    review="$(owner_artisan heron:load "${1:-100000}" 3 | sed -n 's/.*"review":"\([0-9a-z]*\)".*/\1/p')"
    owner_sql -c ANALYZE >&2
    owner_artisan heron:bench-archive "$review" "${@:2}"
}

# Maps and tables of coded studies, and pooling.
bench_synthesis() {
    {
        quietly "adding people" owner_artisan heron:person Lead lead@heron.example "--password=a long password"
        quietly "adding people" owner_artisan heron:person Reviewer reviewer@heron.example "--password=a long password"
    } >&2
    owner_artisan heron:bench-synthesis "${1:-5000}"
}

# The demo's report, made long.
bench_report() {
    local made
    {
        build_corpora
        start_servers
        wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
        quietly "making the demo" artisan heron:demo
        start_worker
        owner_sql -c ANALYZE
    } >&2
    made="$(owner_artisan heron:long-report "$@")"
    BENCH_EMAIL=ines.okafor@heron.example BENCH_PASSWORD=night-shift-demo \
        php -d pcov.enabled=0 bench/report.php "http://127.0.0.1:$WEB_PORT" "${made% *}" 15 "${made#* }"
}

bench_deliver() { owner_artisan heron:bench-deliver "${1:-50000}"; }

bench_pages() {
    local review
    large_review "${1:-117000}" >&2
    php -d pcov.enabled=0 bench/pages.php "http://127.0.0.1:$WEB_PORT" "$review" 60
}

# The board over Alder at two sizes, the second ten times the first; with 0 for the second at one.
bench_search() {
    local size
    for size in "${1:-100000}" "${2:-1000000}"; do
        [ "$size" -gt 0 ] || continue
        {
            step "Making $size records (a million takes about a quarter of an hour)"
            need_database "$STANDINS_DATABASE" standins standins
            use_standins
            php -d pcov.enabled=0 -d memory_limit=512M standins/build.php "$size" alder
            start_servers
            wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
            quietly "emptying the benchmark's database" owner_artisan migrate:fresh --force
            quietly "bringing the thesauri in" artisan heron:thesauri
        } >&2
        owner_artisan heron:bench-search "$size"
    done
}

bench_vocabulary() { php -d pcov.enabled=0 -d memory_limit=2G bench/vocabulary.php "${1:-50000}"; }
