# How much of the core its tests hold fast: each small change of a folder's code has to be noticed by a test.

# ./heron mutate core/FOLDER[/FILE.php] [TESTS…]: prints the changes that no test noticed, and the score.
mutate() {
    local of="${1:-}" name tests=() said mutants="$ROOT/vendor/pestphp/pest-plugin-mutate/.temp/mutations"
    [[ "$of" == core/* && -e "$of" ]] || fail "that is nothing in core: “$of”." "./heron mutate core/Screening/Agreement tests/Core/AgreementTest.php"
    shift
    tests=("$@")
    [ ${#tests[@]} -gt 0 ] || tests=(tests/Core)
    need_cli_packages >&2
    need_composer >&2
    need_coverage >&2
    # without its folder each change counts as noticed, since no process can read it
    mkdir -p "$mutants"
    name="${of#core/}"
    name="WaryHeron\\Core\\${name%.php}"
    said="$(mktemp)"
    PHP_INI_SCAN_DIR=":$ROOT/var/coverage" php -d memory_limit=2G vendor/bin/pest "${tests[@]}" --colors=never --mutate \
        --covered-only --clear-cache "--class=${name//\//\\}" >"$said" 2>&1 || true
    sed 's/\x1b\[[0-9;]*m//g' "$said" | grep -E "^ +(RUN|⨯|t |Mutations:|Score:)|ERROR|INFO" || tail -n 20 "$said"
    rm -f "$said"
    [ -n "$(ls "$mutants")" ] || fail "no change was written, so that a score says nothing."
}

# Debian's pcov, unpacked for these runs only: installed, it would slow everything else.
need_coverage() {
    local at="$ROOT/var/coverage"
    [ -f "$at/pcov.ini" ] && return
    mkdir -p "$at"
    (cd "$at" && quietly "fetching php8.2-pcov" apt-get download php8.2-pcov && quietly "unpacking php8.2-pcov" dpkg -x php8.2-pcov_*.deb unpacked && rm -f ./*.deb)
    printf 'extension=%s\npcov.enabled=1\npcov.directory=%s/core\n' "$(find "$at/unpacked" -name pcov.so)" "$ROOT" >"$at/pcov.ini"
}
