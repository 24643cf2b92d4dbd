<?php

declare(strict_types=1);

namespace App\Actions\Drafting;

use App\Models\Draft;
use App\Queries\Drafting\DraftStanding;
use App\Sources\Sources;
use Carbon\CarbonInterface;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Drafting\Text\Composition;
use WaryHeron\Core\Drafting\Text\Paragraph;
use WaryHeron\Core\Drafting\Text\Piece;
use WaryHeron\Core\Drafting\Text\Section;

/** Writes the report of a draft anew. A section that says something else than before keeps what it said. */
final readonly class ComposeDraft
{
    public function __construct(private Sources $sources)
    {
    }

    /** @return list<string> titles of sections that say something else than before */
    public function execute(Draft $draft): array
    {
        $sections = (new Composition((new DraftStanding($draft, $this->sources))->facts()))->sections();

        return $draft->whileLocked(function () use ($draft, $sections): array {
            $before = $draft->rows('draft_sections')->pluck('body', 'key');
            $changed = $rows = [];
            foreach ($sections as $i => $section) {
                $body = self::body($section);
                $was = $before->get($section->key);
                // the database keeps the parts of a paragraph in an order of its own
                if ($was === null || json_decode($was, true) != $body) {
                    $changed[] = $was === null ? null : $section->title;
                    $rows[] = ['position' => $i, ...self::row($draft, $section, $body), 'before' => $was];
                }
            }
            $values = ['position', 'title', 'place', 'body', 'before', 'changed_at'];
            DB::table('draft_sections')->upsert($rows, ['review_id', 'draft_id', 'key'], $values);

            return array_values(array_filter($changed));
        });
    }

    /**
     * @param  array<mixed>  $body
     * @return array<string, string|int|CarbonInterface>
     */
    private static function row(Draft $draft, Section $section, array $body): array
    {
        return [
            'review_id' => $draft->review_id,
            'draft_id' => $draft->id,
            'key' => $section->key,
            'title' => $section->title,
            'place' => $section->place,
            'body' => json_encode($body, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'changed_at' => now(),
        ];
    }

    /** @return list<array<string, bool|list<array<string, string|list<string>>>>> */
    private static function body(Section $section): array
    {
        return array_map(fn (Paragraph $one): array => [
            'heading' => $one->isHeading,
            'pieces' => array_map(fn (Piece $piece): array => $piece->toArray(), $one->pieces),
        ], $section->paragraphs);
    }
}
