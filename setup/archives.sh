# Whole reviews as files. The application may run as another user: what it writes and reads passes through a folder of its
# own.

of_instance() {
    use_instance "${HERON_OF:-work}"
    [ -d "$DIR" ] || use_instance demo
    [ -d "$DIR" ] || fail "there is no copy yet." "./heron up"
    start_cluster >/dev/null
    use_standins
}

pass_in() {
    [ -r "$1" ] || fail "$1 cannot be read."
    passed="$DIR/storage/archive.$$.zip"
    cp "$1" "$passed"
    am_root && chmod 644 "$passed"
    trap 'rm -f "$passed"' EXIT
}

write_archive() {
    [ $# -ge 2 ] || fail "say which review, and where to write." "./heron archive REVIEW FILE [--without-full-texts]"
    of_instance
    local file="$2"
    passed="$DIR/storage/archive.$$.zip"
    trap 'rm -f "$passed"' EXIT
    artisan heron:archive "$1" "$passed" "${@:3}" && cat "$passed" >"$file"
}

bring_in_archive() {
    [ $# -ge 1 ] || fail "say which file." "./heron bring-in FILE --lead=ADDRESS"
    of_instance
    pass_in "$1"
    artisan heron:bring-in "$passed" "${@:2}"
}

delete_review() {
    [ $# -eq 2 ] || fail "say which review, and its archive." "./heron delete REVIEW FILE"
    of_instance
    pass_in "$2"
    owner_artisan heron:delete "$1" "$passed"
}
