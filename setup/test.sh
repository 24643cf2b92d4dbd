# The whole suite, or a part of it, on a cluster of its own.

run_tests() {
    local part=all filters=() browser=browser
    for option in "$@"; do
        case "$option" in
            --core | --feature | --browser | --quick) part="${option#--}" ;;
            -*) filters+=("$option") ;;
            *) filters+=("--filter=$option") ;;
        esac
    done
    case "$part" in core | feature | quick) browser="" ;; esac
    need_space
    need_all_packages "${browser:-feature}"
    need_composer
    local suites=(Core Feature Browser)
    case "$part" in
        core) suites=(Core) ;;
        feature) suites=(Feature) ;;
        browser) suites=(Browser) ;;
        quick) suites=(Core Feature) ;;
    esac
    spent "setting up"
    # what reads the code takes what the tests leave of the processor, and is heard at the end
    local reading="" read_says
    if [ "$part" = all ]; then
        read_says="$(mktemp)"
        (renice -n 19 "$BASHPID" >/dev/null 2>&1; read_the_code) >"$read_says" 2>&1 &
        reading=$!
    fi
    # the core needs neither database nor network, so that it is tried while the rest is started, and the features
    local beside="" told
    if [ ${#suites[@]} -gt 1 ] && [ "${suites[0]}" = Core ] && [ ${#filters[@]} -eq 0 ]; then
        told="$(mktemp)"
        run_suite Core >"$told" 2>&1 &
        beside=$!
        suites=("${suites[@]:1}")
    fi
    case "$part" in
        all | quick)
            need_node_packages
            step "Rules of the pages (node)"
            node --test --test-reporter=dot tests/js/
            echo
            ;;
    esac
    use_instance test
    if [ "$part" != core ]; then
        need_assets
        make_instance
        CORPUS_SIZE=1500
        trap 'stop_servers; stop_cluster' EXIT
        start_cluster
        WEB_PORT="$(free_port "$WEB_PORT")"
        STANDINS_PORT="$(free_port "$STANDINS_PORT")"
        write_ports
        for database in heron_test heron_test2 heron_test3 heron_upgrade heron_browser_making "$APP_DATABASE"; do need_database "$database"; done
        build_corpora
        write_env
    fi
    if [ -n "$browser" ]; then
        rm -f "$DIR/cache/made"
        refresh_caches
        start_servers
        start_worker
        wait_for "http://127.0.0.1:$STANDINS_PORT/up" "the stand-ins"
        wait_for "http://127.0.0.1:$WEB_PORT/up" "the application"
    fi
    spent "starting what is tested"
    unset APP_CONFIG_CACHE APP_ROUTES_CACHE APP_EVENTS_CACHE # those are for the running copy; the tests have their own settings
    # the tests make and empty tables, so they are their owner; the running copy that browser tests use is not
    if [ "$part" != core ]; then
        export DB_HOST=127.0.0.1 DB_PORT="$PG_PORT" DB_USERNAME=heron_owner DB_PASSWORD
        DB_PASSWORD="$(secret_of heron_owner)"
        use_standins
    fi
    export HERON_TEST_URL="http://127.0.0.1:$WEB_PORT" HERON_STANDINS_URL="http://127.0.0.1:$STANDINS_PORT"
    local failed=0
    if [ ${#filters[@]} -gt 0 ]; then
        run_filtered || failed=1
        suites=()
    fi
    for suite in "${suites[@]}"; do
        if [ "$suite" = Browser ]; then run_journeys || failed=1; else run_suite "$suite" || failed=1; fi
        if [ -n "$beside" ]; then
            wait "$beside" || failed=1
            beside=""
            cat "$told"
            rm -f "$told"
            suite="Core and $suite"
        fi
        spent "$suite"
    done
    if [ -n "$reading" ]; then
        wait "$reading" || failed=1
        cat "$read_says"
        rm -f "$read_says"
        spent "reading the code, beside all that"
    fi
    step "Where the time went"
    printf '%s' "$SPENT"
    return $failed
}

# What the filters name in each suite: helpers of tests are functions, and two suites may each have one of a name.
run_filtered() {
    local failed=0 found="" told
    told="$(mktemp)"
    for suite in "${suites[@]}"; do
        run_suite "$suite" "${filters[@]}" | tee "$told" || failed=1
        grep -q "No tests found" "$told" || found=yes
        spent "$suite"
    done
    rm -f "$told"
    if [ -z "$found" ]; then
        echo "No test is called like that." >&2
        failed=1
    fi
    return $failed
}

# The features in three parts, each with a database and files of its own, since most of them wait for the database.
FIRST_PART="Archive Coding FullTexts Scouting Shared Synthesis Team"
SECOND_PART="Api Asking Deliveries Drafting Library Matching Question Searches"
run_parts() {
    local first=() second=() third=(tests/Standins) failed=0 folder part told=() beside=()
    for folder in tests/Feature/*/; do
        folder="${folder%/}"
        case " $FIRST_PART | $SECOND_PART " in
            *" ${folder##*/} "*"|"*) first+=("$folder") ;;
            *"|"*" ${folder##*/} "*) second+=("$folder") ;;
            *) third+=("$folder") ;;
        esac
    done
    for part in 2 3; do
        told[part]="$(mktemp)"
        if [ "$part" = 2 ]; then set -- "${second[@]}"; else set -- "${third[@]}"; fi
        TEST_TOKEN="$part" run_suite Feature "$@" >"${told[part]}" 2>&1 &
        beside[part]=$!
    done
    run_suite Feature "${first[@]}" || failed=1
    for part in 2 3; do
        wait "${beside[part]}" || failed=1
        cat "${told[part]}"
        rm -f "${told[part]}"
    done
    return $failed
}

# Journeys wait for pages and lines more than for the processor. Meanwhile the demo is made that most of them begin with,
# and looked at from within; those that begin without it go first.
run_journeys() {
    local failed=0 told looking first=(Backup Records WebServer WholePath Together SruPeers Strategy) files=() name
    sql -d postgres -c "DROP DATABASE IF EXISTS heron_browser_demo WITH (FORCE)"
    told="$(mktemp)"
    run_suite Browser tests/Browser/DemoTest.php >"$told" 2>&1 &
    looking=$!
    for name in "${first[@]}"; do files+=("tests/Browser/${name}Test.php"); done
    for name in tests/Browser/*Test.php; do
        case " ${files[*]} tests/Browser/DemoTest.php " in *" $name "*) ;; *) files+=("$name") ;; esac
    done
    HERON_DEMO_IS_BEING_MADE=yes run_suite Browser "${files[@]}" || failed=1
    wait "$looking" || failed=1
    cat "$told"
    rm -f "$told"
    return $failed
}

# How wide the screen is would be asked of a program for each line that is written, and to start one from a process of
# half a gigabyte takes longer than most tests.
export COLUMNS="${COLUMNS:-120}" LINES="${LINES:-40}"

run_suite() {
    local suite=$1
    shift
    if [ "$suite" = Feature ] && [ $# -eq 0 ]; then
        run_parts
        return
    fi
    step "Pest: $suite"
    case "${1:-}" in tests/*) ;; *) set -- --testsuite="$suite" "$@" ;; esac
    php -d pcov.enabled=0 -d memory_limit=1G vendor/bin/pest --colors=never "$@"
}

read_the_code() {
    step "Pint"
    php -d pcov.enabled=0 vendor/bin/pint --test --quiet || { php -d pcov.enabled=0 vendor/bin/pint --test; return 1; }
    step "PHPStan"
    local config
    for config in phpstan.neon setup/phpstan/core.neon; do
        php -d pcov.enabled=0 vendor/bin/phpstan analyse --configuration="$config" --no-progress --memory-limit=1G || return 1
    done
}

SPENT=""
LAST_SPENT=0
# Books the seconds since the last call under a name.
spent() {
    SPENT+="$(printf '%6d s  %s' "$((SECONDS - LAST_SPENT))" "$1")"$'\n'
    LAST_SPENT=$SECONDS
}
