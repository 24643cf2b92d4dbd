# Bad days of a copy on several machines: parts are lost, lines cut, clocks differ. As the other drills, each compares what
# people were told is kept with what is there.

CLUSTER_DRILLS="promotion | parts | cut-node | cut-store | slow-store | clock | memory"

run_cluster_drill() {
    local name="$1"
    shift
    . "$ROOT/setup/bench.sh"
    {
        use_cluster
        cluster_up
        trap 'use_cluster; lines_whole; cluster_down' EXIT
        for node in 1 2; do (use_node "$node"; stop_one "$DIR/run/worker.pid" -); done
        wait_for_replica
        quietly "emptying the database" owner_artisan migrate:fresh --force
        quietly "emptying Redis" artisan cache:clear
        for node in 1 2; do (use_node "$node"; start_worker); done
    } >&2
    "drill_${name//-/_}" "$@"
}

# As an init system would: what is not there is started again.
mend_cluster() {
    local node
    start_engines
    for node in 1 2; do (use_node "$node"; start_servers; start_worker); done
} >&2

# ./heron drill promotion [TIMES]: the primary is lost, the replica takes its place, and the lost one follows it.
drill_promotion() {
    local times="${1:-5}" i
    people_decide 20000 $((times * 40 + 10))
    for i in $(seq "$times"); do
        sleep 10
        step "The primary, pg$(leader), is lost" >&2
        cluster_kill primary >&2
        sleep 15
        mend_cluster
        wait_for_replica >&2
    done
    compared promotion "\"promotions\":$times"
}

# ./heron drill parts [TIMES]: one part after the other, by chance, is killed under people.
drill_parts() {
    local times="${1:-20}" parts=(web1 web2 fpm1 nginx2 workers1 workers2 replica pool balancer redis1 redis2 sentinel1 store objects etcd) part i
    declare -A killed=()
    people_decide 20000 $((times * 8 + 10))
    for i in $(seq "$times"); do
        kill -0 "$load" 2>/dev/null || break
        part="${parts[RANDOM % ${#parts[@]}]}"
        step "$part is lost" >&2
        cluster_kill "$part" >&2
        killed[$part]=$((${killed[$part]:-0} + 1))
        sleep 4
        mend_cluster
        sleep 3
    done
    compared parts "\"killed\":{$(for part in "${!killed[@]}"; do printf '"%s":%s,' "$part" "${killed[$part]}"; done | sed 's/,$//')}"
}

need_cuts() {
    command -v nft >/dev/null || install_packages nftables >&2
    nft add table inet heron_drill 2>/dev/null || fail "this drill cuts lines by rules of the kernel's packet filter, which may not be set here."
    nft add chain inet heron_drill cut '{ type filter hook output priority 0; }'
}

# Packets of a line are dropped without a word, as a pulled plug drops them: both ways.
cut_line() {
    nft add rule inet heron_drill cut "$1 tcp dport $2 drop"
    nft add rule inet heron_drill cut "${1/daddr/saddr} tcp sport $2 drop"
}

lines_whole() { nft delete table inet heron_drill 2>/dev/null || true; }

# ./heron drill cut-node [SECONDS]: the second node loses its line to the database.
drill_cut_node() {
    local seconds="${1:-20}"
    need_cuts
    people_decide 20000 $((seconds * 2 + 30))
    sleep 10
    step "The line of node 2 to the database is cut for $seconds s" >&2
    cut_line "ip daddr 127.0.0.2" "${HERE[POOL]}"
    sleep "$seconds"
    lines_whole
    compared cut-node "\"cut_seconds\":$seconds"
}

# What the workers of the cluster have to do meanwhile, and what came of it.
workers_meanwhile() {
    local name="$1" said="$2" bad=0 told review
    shift 2
    review="$(artisan heron:busy)"
    "$@" >&2
    all_over "$review"
    told="$(artisan heron:busy "$review")" || bad=1
    echo "$told"
    verdict "$name" "$bad" "$said"
}

# ./heron drill cut-store [SECONDS]: nobody reaches the store while six files are read from it.
drill_cut_store() {
    local seconds="${1:-20}"
    need_cuts
    workers_meanwhile cut-store "\"cut_seconds\":$seconds" cut_the_store "$seconds"
}

cut_the_store() {
    sleep 1
    cut_line "ip daddr 127.0.0.1" "${HERE[STORE]}"
    sleep "$1"
    lines_whole
}

# ./heron drill slow-store: what keeps the objects is held up for most of each second.
drill_slow_store() {
    local pid
    pid="$(cat "$ENGINES/run/objects.pid")"
    (while kill -0 "$pid" 2>/dev/null; do
        pkill -STOP -g "$pid"
        sleep 0.7
        pkill -CONT -g "$pid"
        sleep 0.3
    done) &
    local brake=$!
    workers_meanwhile slow-store '"held_up":"700 ms of each second"' true
    kill "$brake" 2>/dev/null || true
    pkill -CONT -g "$pid" || true
}

# ./heron drill clock: the clock of the second node is two minutes ahead.
drill_clock() {
    local library
    command -v faketime >/dev/null || install_packages faketime >&2
    library="$(dpkg -L libfaketime | grep '/libfaketime\.so\.1$')"
    (
        use_node 2
        stop_servers
        write_server_config
        echo 'clear_env = no' >>"$DIR/run/fpm.conf" # the library asks its environment again and again
        # what waits for a moment waits as long as ever: only what time it is differs
        LD_PRELOAD="$library" FAKETIME=+2m FAKETIME_DONT_FAKE_MONOTONIC=1 /usr/sbin/php-fpm8.2 -y "$DIR/run/fpm.conf" 9>&-
        /usr/sbin/nginx -c "$DIR/run/nginx.conf" -e "$DIR/run/nginx-error.log" 9>&-
        start_worker
    ) >&2
    people_decide 20000 40
    wait "$load" || true
    printf '{"decided_in_the_future":%s}\n' "$(sql -d heron -c 'SELECT count(*) FROM decisions WHERE created_at > now()')"
    compared clock '"ahead_seconds":120'
}

# ./heron drill memory [MB]: the workers of the first node have less memory than they need; those of the second have enough.
drill_memory() {
    local group=/sys/fs/cgroup/memory/heron-drill killed
    mkdir -p "$group" 2>/dev/null && echo "$((${1:-90} * 1048576))" >"$group/memory.limit_in_bytes" 2>/dev/null ||
        fail "this drill gives workers little memory by a control group, which may not be made here."
    (use_node 1; for pid in $(pgrep -g "$(cat "$DIR/run/worker.pid")"); do echo "$pid" >"$group/cgroup.procs"; done)
    workers_meanwhile memory "\"limit_mb\":${1:-90}" true || killed=$?
    echo "{\"killed_for_want_of_memory\":$(sed -n 's/^oom_kill //p' "$group/memory.oom_control")}"
    return "${killed:-0}"
}
