# Keeps a queue worker for each kind of work running until the process group is told to stop: quick work (mail, notices),
# files that were brought, questions to databases elsewhere, and long computations. None of these waits for another.
trap 'exit 0' TERM INT
keep() {
    while :; do
        php -d pcov.enabled=0 -d memory_limit=1G artisan queue:work --queue="$1" --sleep=0.3 --tries=20 --timeout=50 --max-time=3600 &
        wait $! || true
        sleep 0.3
    done
}
for queue in default files sources long; do keep "$queue" & done
wait
