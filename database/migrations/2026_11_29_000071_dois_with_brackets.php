<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Doi;

/**
 * DOIs that hold angle brackets were cut off before them, so that all articles of an issue had the same one. What was
 * delivered is kept with each record, and the whole DOI with it.
 */
return new class extends Migration
{
    public function up(): void
    {
        DB::statement('ALTER TABLE records DISABLE TRIGGER kept_as_delivered');
        $cut = DB::table('records')
            ->whereRaw("doi_key IS NOT NULL AND doi_key NOT LIKE '%<%'")
            ->whereRaw('source ~* ?', ['10\.\d{4,9}/[^\s"<>]+(<|&lt;|%3c)\S{1,60}(>|&gt;|%3e)\d\.\d'])
            ->select('id', 'review_id', 'publication_id', 'source')
            ->selectRaw("reference ->> 'doi' AS doi");
        foreach ($cut->lazyById(500) as $record) {
            $whole = self::whole($record->doi, $record->source);
            if ($whole === null) {
                continue;
            }
            DB::table('records')->where('review_id', $record->review_id)->where('id', $record->id)->update([
                'reference' => DB::raw("jsonb_set(reference, '{doi}', to_jsonb(".DB::getPdo()->quote($whole).'::text))'),
                'doi_key' => $whole,
            ]);
            DB::table('publications')
                ->where('review_id', $record->review_id)
                ->where('id', $record->publication_id)
                ->where('doi', $record->doi)
                ->update(['doi' => $whole]);
        }
        DB::statement('ALTER TABLE records ENABLE TRIGGER kept_as_delivered');
    }

    public function down(): void
    {
        // what is whole stays whole
    }

    private static function whole(string $cut, string $source): ?string
    {
        foreach ([$source, html_entity_decode($source, ENT_QUOTES | ENT_XML1), rawurldecode($source)] as $text) {
            foreach (Doi::all($text) as $doi) {
                if ($doi !== $cut && str_starts_with($doi, "{$cut}<") && strlen($doi) <= 255) {
                    return $doi;
                }
            }
        }

        return null;
    }
};
