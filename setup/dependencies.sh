# Composer and npm packages and the built assets; each is done again only when what it is made from has changed.

stamp_of() { cat "$@" 2>/dev/null | sha256sum | cut -c1-32; }

is_stamped() { [ -f "$ROOT/var/stamps/$1" ] && [ "$(cat "$ROOT/var/stamps/$1")" = "$2" ]; }

stamp() { mkdir -p "$ROOT/var/stamps" && echo "$2" >"$ROOT/var/stamps/$1"; }

composer_install() {
    env COMPOSER="$1" COMPOSER_ALLOW_SUPERUSER=1 COMPOSER_IGNORE_PLATFORM_REQ=php+ HERON_INSTANCE_DIR= \
        composer install --no-interaction --no-progress --quiet
}

# The list of classes by file is made once; a class that moved or went needs it made again.
need_class_list() {
    local now
    now="$( (find app bench core standins database tests -name '*.php' 2>/dev/null || true) | LC_ALL=C sort | sha256sum | cut -c1-32)"
    if is_stamped classes "$now"; then return 0; fi
    quietly "listing the classes" env COMPOSER_ALLOW_SUPERUSER=1 HERON_INSTANCE_DIR= composer dump-autoload --quiet
    stamp classes "$now"
}

need_composer() {
    local now
    now="$(stamp_of composer.json shims/composer.json pins/composer.json pins/dev/composer.json)"
    if [ -f vendor/autoload.php ] && [ -f vendor/bin/pest ] && is_stamped composer "$now"; then
        need_class_list
        return 0
    fi
    step "Installing the PHP packages"
    # the spreadsheet library's last release that installs here says PHP 8.1, and runs on 8.2
    rm -f bootstrap/cache/packages.php bootstrap/cache/services.php
    if ! composer_install composer.json >/dev/null 2>&1; then
        done_step "The registry does not offer every version that pins/ names; asking for what it has"
        php -r '$c = json_decode(file_get_contents("composer.json"), true);
            unset($c["require"]["wary-heron/pins"], $c["require-dev"]["wary-heron/pins-dev"]);
            file_put_contents("composer.unpinned.json", json_encode($c, JSON_UNESCAPED_SLASHES));'
        quietly "composer install" composer_install composer.unpinned.json
        rm -f composer.unpinned.json
    fi
    chmod -R a+rX vendor # some archives unpack with files that only their owner may read
    php -d pcov.enabled=0 artisan --version >/dev/null # writes the list of services while this user may
    chmod a+r bootstrap/cache/*.php
    stamp composer "$now"
    need_class_list
}

need_node_packages() {
    local lock
    lock="$(stamp_of package-lock.json)"
    if [ ! -d node_modules/vite ] || ! is_stamped npm "$lock"; then
        step "Installing the front-end packages"
        quietly "npm ci" npm ci --no-audit --no-fund --loglevel=error
        stamp npm "$lock"
    fi
}

need_assets() {
    local sources
    need_node_packages
    sources="$(find resources vite.config.js vite.reader.config.js package.json package-lock.json -type f -print0 | sort -z | xargs -0 sha256sum | sha256sum | cut -c1-32)"
    if [ ! -f public/build/manifest.json ] || [ ! -f var/build/report-reader.mjs ] || ! is_stamped assets "$sources"; then
        step "Building styles and scripts"
        quietly "npm run build" npm run build
        chmod -R a+rX public/build var/build
        stamp assets "$sources"
    fi
}
