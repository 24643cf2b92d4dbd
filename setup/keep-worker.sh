# Keeps one queue worker running until the process group is told to stop.
trap 'exit 0' TERM INT
while :; do
    php -d pcov.enabled=0 -d memory_limit=1G artisan queue:work --sleep=0.3 --tries=20 --timeout=50 --max-time=3600 &
    wait $! || true
    sleep 0.3
done
