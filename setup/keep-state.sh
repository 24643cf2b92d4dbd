# Keeps the demo as this release has it, cut down to a file that fits into the repository, for the test that brings data of
# before to the present: `bash setup/keep-state.sh NAME`, with a demo that was made anew and is running. Long texts are
# shortened and what is made from others is left out; every table keeps its rows.
set -euo pipefail
ROOT="$(cd "$(dirname "${BASH_SOURCE[0]}")/.." && pwd -P)"
cd "$ROOT"
for part in say packages users dependencies postgres servers instance; do . "$ROOT/setup/$part.sh"; done
use_instance demo
export PGPASSFILE="$DIR/secrets"
name="${1:?The name of the state, say 2026-11-28}"
dump() { "$PG_BIN/pg_dump" -h 127.0.0.1 -p "$PG_PORT" -U heron --no-owner --no-privileges "$@"; }

sql -d postgres -c 'DROP DATABASE IF EXISTS heron_kept' -c 'CREATE DATABASE heron_kept'
dump heron | sql -d heron_kept >/dev/null
sql -d heron_kept <<'SQL'
SET session_replication_role = replica; -- neither triggers nor references mind
UPDATE publications SET abstract = left(abstract, 60), words = to_tsvector('simple', left(title, 60));
UPDATE records SET reference = reference - 'abstract' - 'keywords' - 'note' - 'affiliations', source = left(source, 40);
UPDATE full_texts SET text = left(text, 200);
DELETE FROM paper_pages WHERE (full_text_id, number) NOT IN (SELECT full_text_id, number FROM paper_pages ORDER BY 1, 2 LIMIT 5);
UPDATE scouted_papers SET reference = reference - 'abstract' - 'keywords';
DELETE FROM review_words;
TRUNCATE cache, sessions, query_counts;
SQL
dump heron_kept | gzip -9n >"tests/Upgrade/$name.sql.gz"
sql -d postgres -c 'DROP DATABASE heron_kept'
ls -l "tests/Upgrade/$name.sql.gz"
