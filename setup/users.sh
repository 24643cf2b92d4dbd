# Who runs what. As root, PostgreSQL runs as postgres and the web side as www-data; otherwise everything as oneself.

am_root() { [ "$(id -u)" -eq 0 ]; }

# www-data has to be able to read the checkout; below a folder closed to others the web side runs as root instead.
web_user() {
    if ! am_root; then
        id -un
    elif setpriv --reuid=www-data --regid=www-data --init-groups test -r "$ROOT/public/index.php" 2>/dev/null; then
        echo www-data
    else
        echo root
    fi
}

as_web() {
    if am_root && [ "$(web_user)" != root ]; then
        setpriv --reuid=www-data --regid=www-data --init-groups env HOME=/tmp "$@"
    else
        "$@"
    fi
}

as_postgres() {
    if am_root; then
        (cd / && setpriv --reuid=postgres --regid=postgres --init-groups env HOME=/tmp "$@")
    else
        "$@"
    fi
}
