# A PostgreSQL cluster of the instance's own, on loopback. Uses DIR and PG_PORT.
#
# Four roles, each with a secret of its own: heron keeps house in the cluster and is used here alone; heron_owner owns the
# tables and migrates them; heron_app is what the application signs in as, which owns nothing; standins has its own database.

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

SECRETS_OF=(heron heron_owner heron_app standins)

secret_of() { sed -n "s/^127\.0\.0\.1:\*:\*:$1://p" "$DIR/secrets"; }

# In the form of PostgreSQL's password file, for whoever starts the copy and nobody else.
make_secrets() {
    local role
    (umask 077 && touch "$DIR/secrets")
    for role in "${SECRETS_OF[@]}"; do
        [ -n "$(secret_of "$role")" ] || echo "127.0.0.1:*:*:$role:$(php -r 'echo bin2hex(random_bytes(24));')" >>"$DIR/secrets"
    done
    export PGPASSFILE="$DIR/secrets"
}

# Passwords for all, with the server stopped: nobody is let in without one even for a moment. A cluster from before had none.
close_cluster() {
    local data="$1" stamp
    stamp="$(stamp_of "$DIR/secrets")"
    if [ -f "$data/heron.closed" ] && [ "$(as_postgres cat "$data/heron.closed")" = "$stamp" ]; then return 0; fi
    stop_cluster
    as_postgres tee "$data/pg_hba.conf" >/dev/null <<'HBA'
# from this machine, with a password, and from nowhere else
host all all 127.0.0.1/32 scram-sha-256
HBA
    {
        for role in "${SECRETS_OF[@]:1}"; do
            echo "DO 'BEGIN CREATE ROLE $role; EXCEPTION WHEN duplicate_object THEN NULL; END'"
            echo "ALTER ROLE $role LOGIN NOSUPERUSER NOCREATEDB NOCREATEROLE PASSWORD '$(secret_of "$role")'"
        done
        echo "ALTER ROLE heron PASSWORD '$(secret_of heron)'"
        echo "GRANT heron_app TO heron_owner"
    } | quietly "giving PostgreSQL's roles their passwords" as_postgres "$PG_BIN/postgres" --single -D "$data" postgres
    echo "$stamp" | as_postgres tee "$data/heron.closed" >/dev/null
}

start_cluster() {
    local data
    data="$(cluster_dir)"
    make_secrets
    if [ ! -f "$data/heron.ready" ]; then
        step "Creating a PostgreSQL cluster"
        rm -rf "$data" # at most an attempt that was cut short: a whole one has its mark
        mkdir -p "$data"
        if am_root; then chown postgres: "$data"; fi
        quietly "initdb" as_postgres "$PG_BIN/initdb" -D "$data" -U heron --auth=reject -E UTF8 --locale=C.UTF-8 --no-sync
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
    close_cluster "$data"
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

owner_sql() { PGOPTIONS='--client-min-messages=error' "$PG_BIN/psql" -h 127.0.0.1 -p "$PG_PORT" -U heron_owner -d "$APP_DATABASE" -v ON_ERROR_STOP=1 -qAt "$@"; }

# A database with all that is in it belongs to one role; nobody else gets in but who is let in.
need_database() {
    local name="$1" owner="${2:-heron_owner}" guest="${3:-heron_app}"
    [ -n "$(sql -d postgres -c "SELECT 1 FROM pg_database WHERE datname = '$name'")" ] || sql -d postgres -c "CREATE DATABASE $name"
    sql -d postgres <<SQL
ALTER DATABASE $name OWNER TO $owner;
ALTER DATABASE $name ALLOW_CONNECTIONS true; -- nobody is let in while it is copied, which may have been cut short
REVOKE ALL ON DATABASE $name FROM PUBLIC;
GRANT CONNECT, TEMPORARY ON DATABASE $name TO $guest;
SQL
    sql -d "$name" -v owner="$owner" -f "$ROOT/setup/hand-over.sql"
}

port_taken() { (exec 3<>"/dev/tcp/127.0.0.1/$1") 2>/dev/null; }

# The port asked for or, as nobody has to remember these, the next free one.
free_port() {
    local port="$1"
    while port_taken "$port"; do port=$((port + 1)); done
    echo "$port"
}
