# Debian packages: what is looked for, and what brings it.

PG_BIN="${PG_BIN:-/usr/lib/postgresql/15/bin}"

missing_cli_packages() {
    php -r 'exit(extension_loaded("mbstring") ? 0 : 1);' || echo php8.2-mbstring
    php -r 'exit(extension_loaded("xml") ? 0 : 1);' || echo php8.2-xml
    php -r 'exit(extension_loaded("intl") ? 0 : 1);' || echo php8.2-intl
    php -r 'exit(extension_loaded("curl") ? 0 : 1);' || echo php8.2-curl
    php -r 'exit(extension_loaded("zip") ? 0 : 1);' || echo php8.2-zip
    php -r 'exit(extension_loaded("pdo_pgsql") ? 0 : 1);' || echo php8.2-pgsql
    [ -f /usr/share/php/EasyRdf/autoload.php ] || echo php-easyrdf
    [ -f /usr/share/php/ML/JsonLD/autoload.php ] || echo php-ml-json-ld
}

missing_server_packages() {
    [ -x /usr/sbin/php-fpm8.2 ] || echo php8.2-fpm
    [ -x /usr/sbin/nginx ] || echo nginx-light
    [ -x "$PG_BIN/postgres" ] || echo postgresql-15
    php -r 'exit(extension_loaded("Zend OPcache") ? 0 : 1);' || echo php8.2-opcache
    command -v pandoc >/dev/null || echo pandoc
    command -v weasyprint >/dev/null || echo weasyprint
    command -v pdftotext >/dev/null || echo poppler-utils
    command -v ocrmypdf >/dev/null || echo ocrmypdf
    [ -f /usr/share/tesseract-ocr/5/tessdata/eng.traineddata ] || echo tesseract-ocr tesseract-ocr-eng
    command -v rsvg-convert >/dev/null || echo librsvg2-bin
    [ -d /usr/share/fonts/truetype/liberation ] || [ -d /usr/share/fonts/truetype/liberation2 ] || echo fonts-liberation
    [ -f /usr/share/citation-style-language/styles/apa.csl ] || echo citation-style-language-styles
}

missing_feature_packages() {
    [ -x /usr/bin/redis-server ] || echo redis-server
}

missing_browser_packages() {
    [ -x /usr/bin/chromium-headless-shell ] || echo chromium-headless-shell
    [ -x /usr/bin/chromedriver ] || echo chromium-driver
    command -v yaz-client >/dev/null || echo yaz
}

# Debian starts what it installs. Here everything is started by its own copy, on ports of its own, or not at all.
without_starting() {
    local rule=/usr/sbin/policy-rc.d before
    if [ -e "$rule" ]; then "$@"; return; fi
    before="$(trap -p EXIT)"
    trap 'rm -f /usr/sbin/policy-rc.d' EXIT
    printf '#!/bin/sh\nexit 101\n' >"$rule"
    chmod 755 "$rule"
    "$@"
    rm -f "$rule"
    trap - EXIT
    eval "$before"
}

install_packages() {
    local packages=("$@")
    [ ${#packages[@]} -eq 0 ] && return 0
    local line="apt-get install -y --no-install-recommends ${packages[*]}"
    step "Installing from Debian: ${packages[*]}"
    if [ "$(id -u)" -eq 0 ]; then
        quietly "apt-get update" apt-get update -qq
        without_starting quietly "$line" env DEBIAN_FRONTEND=noninteractive $line
    elif sudo -n true 2>/dev/null; then
        quietly "apt-get update" sudo apt-get update -qq
        quietly "$line" sudo env DEBIAN_FRONTEND=noninteractive $line
    else
        fail "these Debian packages are missing: ${packages[*]}" "Run this once, as root, then the same command again:" "  apt-get update && $line"
    fi
}

need_tools() {
    command -v php >/dev/null || fail "there is no PHP." "apt-get install php8.2-cli"
    php -r 'exit(PHP_VERSION_ID >= 80200 ? 0 : 1);' || fail "PHP 8.2 is needed; this is $(php -r 'echo PHP_VERSION;')."
    command -v composer >/dev/null || fail "there is no Composer." "apt-get install composer"
}

need_node() {
    command -v node >/dev/null && command -v npm >/dev/null || fail "there is no Node.js with npm (20 or later)." "apt-get install nodejs npm"
}

need_cli_packages() {
    need_tools
    local missing
    mapfile -t missing < <(missing_cli_packages)
    install_packages "${missing[@]}"
}

need_all_packages() {
    need_tools
    need_node
    local missing
    mapfile -t missing < <(missing_cli_packages; missing_server_packages; case "${1:-}" in feature | browser) missing_feature_packages ;; esac; if [ "${1:-}" = browser ]; then missing_browser_packages; fi)
    install_packages "${missing[@]}"
}
