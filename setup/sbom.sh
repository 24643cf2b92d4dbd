# What the application is made of, and what is publicly known against it.

# Debian's packages that it calls at run time.
RUNTIME_PACKAGES=(php8.2-cli php8.2-fpm php8.2-pgsql php8.2-mbstring php8.2-xml php8.2-intl php8.2-curl php8.2-zip php8.2-opcache
    php-easyrdf php-ml-json-ld nginx-light postgresql-15 pandoc weasyprint poppler-utils ocrmypdf tesseract-ocr librsvg2-bin
    fonts-liberation citation-style-language-styles)

write_sbom() {
    need_composer >&2
    php setup/sbom.php "${RUNTIME_PACKAGES[@]}"
    step "What the registries know against these versions" >&2
    audited composer env COMPOSER_ALLOW_SUPERUSER=1 composer audit --no-interaction
    audited npm npm audit --audit-level=low
    if command -v debsecan >/dev/null; then audited Debian debsecan --suite bookworm --only-fixed; fi
}

# Says what an audit found, or that it could not be asked; a mirror need not carry advisories.
audited() {
    local who=$1 found
    shift
    if found="$(timeout 60 "$@" 2>&1)"; then
        done_step "$who: nothing known"
    else
        done_step "$who: $(printf '%s' "$found" | tail -n 3 | tr '\n' ' ' | cut -c1-300)"
    fi >&2
}
