# A PostgreSQL cluster of the instance's own, on loopback. Uses DIR and PG_PORT.

# PostgreSQL's user has to reach the data; below a closed folder they go to that user's home.
cluster_dir() {
    if ! am_root || as_postgres test -x "$DIR" 2>/dev/null; then
        echo "$DIR/pg"
    else
        echo "/var/lib/postgresql/wary-heron-$(printf '%s' "$DIR" | sha256sum | cut -c1-12)"
    fi
}

cluster_running() { as_postgres "$PG_BIN/pg_ctl" -D "$(cluster_dir)" status >/dev/null 2>&1; }

# A quarter of the memory that there is, in MB, from 128 to 4096: what PostgreSQL keeps of its tables at hand.
shared_memory() {
    local all limit
    all="$(awk '/^MemTotal:/ { print int($2 / 1024) }' /proc/meminfo)"
    limit="$(cat /sys/fs/cgroup/memory.max 2>/dev/null || true)"
    if [[ "$limit" =~ ^[0-9]+$ ]] && [ $((limit / 1048576)) -lt "$all" ]; then all=$((limit / 1048576)); fi
    all=$((all / 4))
    [ "$all" -lt 128 ] && all=128
    [ "$all" -gt 4096 ] && all=4096
    echo "$all"
}

start_cluster() {
    local data
    data="$(cluster_dir)"
    if [ ! -f "$data/heron.ready" ]; then
        step "Creating a PostgreSQL cluster"
        rm -rf "$data" # at most an attempt that was cut short: a whole one has its mark
        mkdir -p "$data"
        if am_root; then chown postgres: "$data"; fi
        quietly "initdb" as_postgres "$PG_BIN/initdb" -D "$data" -U heron --auth-local=trust --auth-host=trust -E UTF8 --locale=C.UTF-8 --no-sync
        cat >>"$data/postgresql.conf" <<CONF
listen_addresses = '127.0.0.1'
unix_socket_directories = ''
work_mem = 16MB
maintenance_work_mem = 128MB
random_page_cost = 1.1
jit = off
max_connections = 80
${CLUSTER_EXTRA:-}
CONF
        as_postgres touch "$data/heron.ready"
    fi
    if ! cluster_running; then
        PG_PORT="$(free_port "$PG_PORT")"
        step "Starting PostgreSQL on port $PG_PORT"
        quietly "PostgreSQL's start (its log: $data/server.log)" as_postgres "$PG_BIN/pg_ctl" -D "$data" -l "$data/server.log" -w -t 60 -o "-p $PG_PORT -c shared_buffers=$(shared_memory)MB" start 9>&-
    else
        PG_PORT="$(sed -n 4p "$data/postmaster.pid")"
    fi
}

stop_cluster() {
    cluster_running && as_postgres "$PG_BIN/pg_ctl" -D "$(cluster_dir)" -m fast -w stop >/dev/null || true
}

sql() { PGOPTIONS='--client-min-messages=warning' "$PG_BIN/psql" -h 127.0.0.1 -p "$PG_PORT" -U heron -v ON_ERROR_STOP=1 -qAt "$@"; }

need_database() {
    [ -n "$(sql -d postgres -c "SELECT 1 FROM pg_database WHERE datname = '$1'")" ] || sql -d postgres -c "CREATE DATABASE $1"
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The port asked for or, as nobody has to remember these, the next free one.
free_port() {
    local port="$1"
    while port_taken "$port"; do port=$((port + 1)); done
    echo "$port"
}
