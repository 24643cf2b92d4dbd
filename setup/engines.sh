# The engines of a copy on several machines, each from Debian, all on loopback of this one: what each is told, and how
# it is started. Uses ENGINES, the folder of all of them, and HERE, their ports. Written anew at each start.

# name port, in the order of starting
ports_of_engines() {
    cat <<'PORTS'
ETCD 56379
ETCD_PEERS 56380
PG1 56432
PG2 56433
PATRONI1 56008
PATRONI2 56009
READ_WRITE 56500
READ_ONLY 56501
WEB 56080
WEB1 56081
WEB2 56082
POOL 56600
REDIS1 56701
REDIS2 56702
SENTINEL1 56711
SENTINEL2 56712
SENTINEL3 56713
STORE 56800
STORE_CONTAINERS 56801
STORE_ACCOUNTS 56802
STORE_OBJECTS 56803
MEMCACHED 56811
STANDINS 56190
PORTS
}

engine_packages() {
    [ -x /usr/bin/etcd ] || echo etcd-server etcd-client
    [ -x /usr/bin/patroni ] || echo patroni python3-etcd
    [ -x /usr/sbin/pgbouncer ] || echo pgbouncer
    [ -x /usr/sbin/haproxy ] || echo haproxy
    [ -x /usr/bin/redis-server ] || echo redis-server
    [ -x /usr/bin/memcached ] || echo memcached
    [ -x /usr/bin/swift-proxy-server ] || echo swift-proxy
    [ -x /usr/bin/swift-account-server ] || echo swift-account
    [ -x /usr/bin/swift-container-server ] || echo swift-container
    [ -x /usr/bin/swift-object-server ] || echo swift-object
}

# Runs an engine as its own user, in a folder of its own, until it is told to stop.
engine() {
    local name="$1" user="$2"
    shift 2
    if engine_alive "$name"; then return 0; fi
    (
        cd "$ENGINES/$name" || exit
        exec setsid setpriv --reuid="$user" --regid="$(id -gn "$user")" --init-groups \
            env HOME="$ENGINES/$name" PATH="$PG_BIN:/usr/sbin:/usr/bin:/bin" "$@" </dev/null >>"$ENGINES/log/$name.log" 2>&1 9>&-
    ) &
    echo $! >"$ENGINES/run/$name.pid"
    disown
}

# The folder it runs in tells whose it is, or its command: Redis gives itself another name, and Swift goes to the root.
engine_alive() {
    local pid
    pid="$(cat "$ENGINES/run/$1.pid" 2>/dev/null || true)"
    [ -n "$pid" ] && kill -0 "$pid" 2>/dev/null &&
        [[ "$(readlink "/proc/$pid/cwd" 2>/dev/null) $(tr '\0' ' ' <"/proc/$pid/cmdline" 2>/dev/null)" == *"$ENGINES"* ]]
}

engine_folder() { install -d -o "$2" -g "$(id -gn "$2")" -m "${3:-700}" "$ENGINES/$1"; }

# A file of settings that only its user may read.
engine_file() {
    local path="$ENGINES/$1" user="$2"
    cat >"$path.new"
    chown "$user:" "$path.new"
    chmod "${3:-600}" "$path.new"
    mv "$path.new" "$path"
}

write_engines() {
    local i
    install -d -m 755 "$ENGINES" "$ENGINES/run" "$ENGINES/log"
    for i in etcd patroni1 patroni2 pgbouncer; do engine_folder "$i" postgres; done
    engine_folder haproxy haproxy
    for i in redis1 redis2 sentinel1 sentinel2 sentinel3; do engine_folder "$i" redis; done
    engine_folder memcached memcache
    for i in swift swift/srv swift/srv/d1; do engine_folder "$i" swift 755; done
    for i in accounts containers objects store; do engine_folder "$i" swift; done
    write_patroni 1
    write_patroni 2
    write_haproxy
    write_pgbouncer
    write_redis
    write_swift
}

write_patroni() {
    local i="$1" port="PG$1" api="PATRONI$1"
    engine_file "patroni$i/patroni.yml" postgres <<YML
scope: heron
name: pg$i
restapi: {listen: '127.0.0.1:${HERE[$api]}', connect_address: '127.0.0.1:${HERE[$api]}'}
etcd3: {hosts: ['127.0.0.1:${HERE[ETCD]}']}
bootstrap:
  dcs:
    ttl: 15
    loop_wait: 3
    retry_timeout: 4
    primary_start_timeout: 0
    failsafe_mode: true
    # what people were told is kept is kept twice; where only one is left, it goes on alone
    synchronous_mode: true
    postgresql:
      use_pg_rewind: true
      use_slots: true
      parameters:
        max_connections: 80
        shared_buffers: 256MB
        work_mem: 16MB
        maintenance_work_mem: 128MB
        random_page_cost: 1.1
        jit: 'off'
        wal_log_hints: 'on'
        max_wal_senders: 6
        wal_keep_size: 256MB
        hot_standby_feedback: 'on'
  initdb: [{encoding: UTF8}, {locale: C.UTF-8}, data-checksums, {auth-host: scram-sha-256}, {auth-local: reject}]
postgresql:
  pg_hba: ['host replication repl 127.0.0.1/32 scram-sha-256', 'host all all 127.0.0.1/32 scram-sha-256']
  listen: 127.0.0.1:${HERE[$port]}
  connect_address: 127.0.0.1:${HERE[$port]}
  data_dir: $ENGINES/patroni$i/data
  bin_dir: $PG_BIN
  pgpass: $ENGINES/patroni$i/pgpass
  authentication:
    superuser: {username: heron, password: '$(secret_of heron)'}
    replication: {username: repl, password: '$(secret_of repl)'}
    rewind: {username: rewinder, password: '$(secret_of rewinder)'}
  parameters: {unix_socket_directories: ''}
YML
}

# OPTIONS and not GET: Patroni's log fills with the connections that are cut after its answer.
write_haproxy() {
    engine_file haproxy/haproxy.cfg haproxy <<CFG
defaults
  mode tcp
  timeout connect 2s
  timeout client 30m
  timeout server 30m
  timeout check 2s
frontend read_write
  bind 127.0.0.1:${HERE[READ_WRITE]}
  default_backend primary
frontend read_only
  bind 127.0.0.1:${HERE[READ_ONLY]}
  use_backend replicas if { nbsrv(replicas) gt 0 }
  default_backend primary
backend primary
  option httpchk OPTIONS /primary
  http-check expect status 200
  default-server inter 1s fastinter 500ms fall 2 rise 1 on-marked-down shutdown-sessions
  server pg1 127.0.0.1:${HERE[PG1]} check port ${HERE[PATRONI1]}
  server pg2 127.0.0.1:${HERE[PG2]} check port ${HERE[PATRONI2]}
backend replicas
  balance roundrobin
  option httpchk OPTIONS /replica?lag=16MB
  http-check expect status 200
  default-server inter 1s fastinter 500ms fall 2 rise 1 on-marked-down shutdown-sessions
  server pg1 127.0.0.1:${HERE[PG1]} check port ${HERE[PATRONI1]}
  server pg2 127.0.0.1:${HERE[PG2]} check port ${HERE[PATRONI2]}
frontend web
  mode http
  bind 127.0.0.1:${HERE[WEB]}
  default_backend nodes
backend nodes
  mode http
  balance leastconn
  option forwardfor
  timeout server 60s
  # one that is busy answers late, and is not taken out for it
  timeout check 10s
  option httpchk
  http-check send meth GET uri /up ver HTTP/1.1 hdr Host 127.0.0.1:${HERE[WEB]}
  http-check expect status 200
  option redispatch
  retries 2
  retry-on conn-failure empty-response
  default-server inter 1s fall 2 rise 1
  server web1 127.0.0.1:${HERE[WEB1]} check
  server web2 127.0.0.1:${HERE[WEB2]} check
CFG
}

# Pages have a limit of time; workers do not.
write_pgbouncer() {
    local page="connect_query='SET statement_timeout = 10000'"
    printf '"heron_app" "%s"\n' "$(secret_of heron_app)" | engine_file pgbouncer/users postgres
    engine_file pgbouncer/pgbouncer.ini postgres <<INI
[databases]
heron = host=127.0.0.1 port=${HERE[READ_WRITE]} dbname=heron pool_size=12
heron_pages = host=127.0.0.1 port=${HERE[READ_WRITE]} dbname=heron pool_size=10 $page
heron_replica = host=127.0.0.1 port=${HERE[READ_ONLY]} dbname=heron pool_size=8 $page
[pgbouncer]
listen_addr = 127.0.0.1,127.0.0.2
listen_port = ${HERE[POOL]}
unix_socket_dir =
auth_type = scram-sha-256
auth_file = $ENGINES/pgbouncer/users
pool_mode = transaction
max_client_conn = 400
server_fast_close = 1
server_login_retry = 1
query_wait_timeout = 20
ignore_startup_parameters = extra_float_digits
INI
}

# Redis and its sentinels write what they learn into their settings, so that these are written once.
write_redis() {
    local i secret
    secret="$(secret_of redis)"
    for i in 1 2; do
        [ ! -f "$ENGINES/redis$i/redis.conf" ] || continue
        local port="REDIS$i"
        engine_file "redis$i/redis.conf" redis <<CONF
bind 127.0.0.1
port ${HERE[$port]}
dir $ENGINES/redis$i
requirepass $secret
masterauth $secret
appendonly yes
maxmemory-policy noeviction
$([ "$i" = 1 ] || echo "replicaof 127.0.0.1 ${HERE[REDIS1]}")
CONF
    done
    for i in 1 2 3; do
        [ ! -f "$ENGINES/sentinel$i/sentinel.conf" ] || continue
        local port="SENTINEL$i"
        engine_file "sentinel$i/sentinel.conf" redis <<CONF
bind 127.0.0.1
port ${HERE[$port]}
dir $ENGINES/sentinel$i
sentinel monitor heron 127.0.0.1 ${HERE[REDIS1]} 2
sentinel auth-pass heron $secret
sentinel down-after-milliseconds heron 3000
sentinel failover-timeout heron 10000
CONF
    done
}

write_swift() {
    local etc="$ENGINES/swift" part port
    engine_file swift/swift.conf swift <<CONF
[swift-hash]
swift_hash_path_suffix = $(secret_of swift)
swift_hash_path_prefix = heron
[storage-policy:0]
name = one
default = yes
CONF
    for part in account container object; do
        port="STORE_${part^^}S"
        [ -f "$etc/$part.ring.gz" ] || {
            as_swift swift-ring-builder "$etc/$part.builder" create 6 1 1
            as_swift swift-ring-builder "$etc/$part.builder" add "r1z1-127.0.0.1:${HERE[$port]}/d1" 1
            as_swift swift-ring-builder "$etc/$part.builder" rebalance
        } >/dev/null
        engine_file "${part}s/$part.conf" swift <<CONF
[DEFAULT]
bind_ip = 127.0.0.1
bind_port = ${HERE[$port]}
workers = 1
user = swift
swift_dir = $etc
devices = $etc/srv
mount_check = false
disable_fallocate = true
log_level = ERROR
[pipeline:main]
pipeline = $part-server
[app:$part-server]
use = egg:swift#$part
CONF
    done
    engine_file store/proxy.conf swift <<CONF
[DEFAULT]
bind_ip = 127.0.0.1
bind_port = ${HERE[STORE]}
workers = 2
user = swift
swift_dir = $etc
log_level = ERROR
[pipeline:main]
pipeline = catch_errors gatekeeper healthcheck proxy-logging cache listing_formats bulk s3api tempauth copy slo dlo versioned_writes symlink proxy-logging proxy-server
[app:proxy-server]
use = egg:swift#proxy
account_autocreate = true
[filter:s3api]
use = egg:swift#s3api
location = eu-drill-1
[filter:tempauth]
use = egg:swift#tempauth
user_drill_app = $(secret_of store) .admin
[filter:cache]
use = egg:swift#memcache
memcache_servers = 127.0.0.1:${HERE[MEMCACHED]}
$(for part in catch_errors gatekeeper healthcheck listing_formats bulk copy slo dlo versioned_writes symlink; do
        printf '[filter:%s]\nuse = egg:swift#%s\n' "$part" "$part"
    done)
[filter:proxy-logging]
use = egg:swift#proxy_logging
CONF
}

as_swift() { setpriv --reuid=swift --regid=swift --init-groups env HOME=/tmp "$@"; }

# Each waits for what it needs, so that all may be started at once.
start_engines() {
    local i
    local at="http://127.0.0.1:${HERE[ETCD]}" peers="http://127.0.0.1:${HERE[ETCD_PEERS]}"
    engine etcd postgres etcd --name e1 --data-dir "$ENGINES/etcd/data" --listen-client-urls "$at" --advertise-client-urls "$at" \
        --listen-peer-urls "$peers" --initial-advertise-peer-urls "$peers" --initial-cluster "e1=$peers" --logger zap --log-level warn
    for i in 1 2; do engine "patroni$i" postgres patroni "$ENGINES/patroni$i/patroni.yml"; done
    engine haproxy haproxy haproxy -f "$ENGINES/haproxy/haproxy.cfg" -db
    engine pgbouncer postgres pgbouncer "$ENGINES/pgbouncer/pgbouncer.ini"
    for i in 1 2; do engine "redis$i" redis redis-server "$ENGINES/redis$i/redis.conf"; done
    for i in 1 2 3; do engine "sentinel$i" redis redis-server "$ENGINES/sentinel$i/sentinel.conf" --sentinel; done
    engine memcached memcache memcached -l 127.0.0.1 -p "${HERE[MEMCACHED]}" -m 32
    engine accounts swift swift-account-server "$ENGINES/accounts/account.conf"
    engine containers swift swift-container-server "$ENGINES/containers/container.conf"
    engine objects swift swift-object-server "$ENGINES/objects/object.conf"
    engine store swift swift-proxy-server "$ENGINES/store/proxy.conf"
}

ALL_ENGINES=(haproxy pgbouncer sentinel1 sentinel2 sentinel3 redis1 redis2 store objects containers accounts memcached patroni1 patroni2 etcd)

stop_engines() {
    local name pid
    for name in "${ALL_ENGINES[@]}"; do
        if engine_alive "$name"; then
            pid="$(cat "$ENGINES/run/$name.pid")"
            kill -CONT "$pid" 2>/dev/null || true
            kill -TERM "$pid" 2>/dev/null || true
            for _ in $(seq 150); do kill -0 "$pid" 2>/dev/null || break; sleep 0.1; done
            kill -KILL "-$pid" 2>/dev/null || true
        fi
        rm -f "$ENGINES/run/$name.pid"
    done
}
