# A whole copy as one file, and back; what a copy is well or ill of.

BACKUP_VERSION=1

# Counts of all tables, for comparing what was written with what came back.
row_counts() {
    owner_sql_of "$1" -F ' ' <<'SQL'
SELECT format('SELECT %L, count(*) FROM %I', table_name, table_name) FROM information_schema.tables
WHERE table_schema = 'public' AND table_type = 'BASE TABLE' AND table_name NOT IN ('sessions', 'cache', 'cache_locks', 'jobs') ORDER BY table_name \gexec
SQL
}

owner_sql_of() {
    local database="$1"
    shift
    APP_DATABASE="$database" owner_sql "$@"
}

write_backup() {
    [ $# -eq 1 ] || fail "say where to write." "./heron backup FILE"
    backup_file="$1"
    of_instance
    export PGPASSFILE="$DIR/secrets"
    folder="$(mktemp -d "$DIR/backup.XXXXXX")"
    trap 'rm -rf "$folder" "$backup_file.part"' EXIT
    step "Writing the database"
    row_counts "$APP_DATABASE" >"$folder/rows"
    quietly "pg_dump" "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$PG_PORT" -U heron_owner -d "$APP_DATABASE" -Fc --no-owner --no-privileges -f "$folder/database.dump"
    # files are only added to while this runs, so that whatever the database names is there
    step "Writing the files"
    (cd "$DIR/storage/app" && find . -type f ! -name '*.part' -print0 | LC_ALL=C sort -z | xargs -0 -r sha256sum) >"$folder/files"
    sed -n 's/^APP_KEY=/APP_KEY=/p' "$DIR/.env" >"$folder/key"
    printf 'version=%s\nwritten=%s\ncode=%s\n' "$BACKUP_VERSION" "$(date -u +%FT%TZ)" "$(git -C "$ROOT" rev-parse --short HEAD 2>/dev/null || echo unknown)" >"$folder/about"
    (cd "$folder" && sha256sum about database.dump files key rows >sums)
    (umask 077 && tar -cf "$backup_file.part" -C "$folder" sums about rows files key database.dump -C "$DIR/storage" app) || fail "the file could not be written." "Is there room on the disk of $backup_file?"
    mv "$backup_file.part" "$backup_file"
    touch "$DIR/backed-up"
    echo "Written: $backup_file, $(du -h "$backup_file" | cut -f1). It holds the key that letters are encrypted with: keep it where nobody else reads it."
}

# Everything is looked at before anything is changed; what was here is kept beside, under another name.
restore_backup() {
    local file="" yes=no option now
    for option in "$@"; do
        case "$option" in --yes) yes=yes ;; *) file="$option" ;; esac
    done
    [ -n "$file" ] || fail "say which file." "./heron restore FILE [--yes]"
    [ -r "$file" ] || fail "$file cannot be read."
    of_instance
    export PGPASSFILE="$DIR/secrets"
    if [ "$yes" != yes ]; then
        [ -t 0 ] || fail "restoring puts the file in the place of what is here and asks first; there is nobody to ask." "Add --yes if that is meant."
        read -r -p "This puts $file in the place of everything in the copy “$INSTANCE”. What is here is kept beside. Go on? (yes/no) " answer
        [ "$answer" = yes ] || { echo "Nothing was changed."; exit 0; }
    fi
    folder="$(mktemp -d "$DIR/restore.XXXXXX")"
    trap 'rm -rf "$folder"' EXIT
    step "Looking at the file"
    tar -xf "$file" -C "$folder" 2>/dev/null || fail "$file is no whole backup: it cannot be unpacked." "Nothing was changed."
    look_at_backup "$folder"
    step "Bringing the database back"
    sql -d postgres -c "DROP DATABASE IF EXISTS ${APP_DATABASE}_coming WITH (FORCE)"
    need_database "${APP_DATABASE}_coming"
    quietly "pg_restore" "$PG_BIN/pg_restore" -h 127.0.0.1 -p "$PG_PORT" -U heron_owner -d "${APP_DATABASE}_coming" --no-owner --no-privileges --exit-on-error "$folder/database.dump"
    row_counts "${APP_DATABASE}_coming" | cmp -s - "$folder/rows" || fail "what came back is not what was written: the tables have other numbers of rows." "What was here goes on as it was."
    step "Putting it in the place of what is here"
    stop_servers
    now="$(date -u +%Y%m%d%H%M%S)"
    sql -d postgres <<SQL
SELECT pg_terminate_backend(pid) FROM pg_stat_activity WHERE datname IN ('$APP_DATABASE', '${APP_DATABASE}_coming');
ALTER DATABASE $APP_DATABASE RENAME TO ${APP_DATABASE}_before_$now;
ALTER DATABASE ${APP_DATABASE}_coming RENAME TO $APP_DATABASE;
SQL
    mv "$DIR/storage/app" "$DIR/storage/app.before-$now"
    mv "$folder/app" "$DIR/storage/app"
    if am_root; then chown -R "$(web_user):" "$DIR/storage/app"; fi
    if [ -s "$folder/key" ]; then
        sed -i '/^APP_KEY=/d' "$DIR/.env"
        cat "$folder/key" >>"$DIR/.env"
    fi
    rm -f "$DIR/cache/made" "$DIR"/cache/*.php
    touch "$DIR/seeded"
    need_database "$APP_DATABASE"
    refresh_caches
    start_servers
    start_worker
    wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
    echo "Back as of $(sed -n 's/^written=//p' "$folder/about"). What was here before is kept as the database ${APP_DATABASE}_before_$now and the folder $DIR/storage/app.before-$now."
}

look_at_backup() {
    local folder="$1" part
    for part in sums about rows files key database.dump app; do
        [ -e "$folder/$part" ] || fail "the file is no backup of this program: it has no “$part”." "Nothing was changed."
    done
    [ "$(sed -n 's/^version=//p' "$folder/about")" = "$BACKUP_VERSION" ] || fail "the file is of a form that this release does not read." "Nothing was changed."
    (cd "$folder" && sha256sum --quiet --status -c sums) || fail "the file is damaged: a part of it is not as it was written." "Nothing was changed."
    (cd "$folder/app" && sha256sum --quiet --status -c ../files) || fail "the file is damaged: some of its files are missing or not as they were written." "Nothing was changed."
}

examine() {
    of_instance
    local state=0
    artisan heron:doctor --free="$(df -Pm "$DIR" | awk 'NR==2 {print $4}')" --backup="$(stat -c %Y "$DIR/backed-up" 2>/dev/null || echo 0)" || state=1
    one_status || state=1
    return $state
}
