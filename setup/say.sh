# Progress lines and clear failures.

step() { printf '  · %s\n' "$*"; }

done_step() { printf '    %s\n' "$*"; }

fail() {
    printf '\nCannot go on: %s\n' "$1" >&2
    shift
    for line in "$@"; do printf '  %s\n' "$line" >&2; done
    exit 2
}

# Runs a command quietly; shows the end of what it said only if it fails.
quietly() {
    local what="$1" log
    shift
    log="$(mktemp)"
    if ! "$@" >"$log" 2>&1; then
        tail -n 25 "$log" >&2
        rm -f "$log"
        fail "$what failed (its last words stand above)." "What was done before stays as it is; run the command again when the cause is mended."
    fi
    rm -f "$log"
}

need_space() {
    local free
    free="$(df -Pk "$ROOT" | awk 'NR==2 {print $4}')"
    [ "$free" -ge $((800 * 1024)) ] || fail "the disk holding $ROOT has $((free / 1024)) MB left; setting up takes about 800 MB." "Free some space and run the command again; nothing was changed."
}
