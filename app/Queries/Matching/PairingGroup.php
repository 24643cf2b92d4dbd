<?php

declare(strict_types=1);

namespace App\Queries\Matching;

use App\Models\Matching;
use App\Models\Publication;
use App\Models\Record;
use App\Queries\Library\KeptReference;
use App\Queries\Screening\Desk;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Difference;
use WaryHeron\Core\Matching\Judge;
use WaryHeron\Core\Matching\MatchField;
use WaryHeron\Core\Screening\ItemState;

/** One group at the Pairing Desk: its publications side by side, and what speaks for and against each pair. */
final readonly class PairingGroup
{
    private const SHOWN = [
        'title' => 'Title',
        'authors' => 'Authors',
        'year' => 'Year',
        'journal' => 'Journal',
        'place' => 'Volume, issue, pages',
        'edition' => 'Edition',
        'isbn' => 'ISBN',
        'doi' => 'DOI',
        'type' => 'Type',
        'language' => 'Language',
        'abstract' => 'Abstract',
    ];

    /**
     * @param  list<array{id: string, letter: string, records: list<array{id: string, source: string,
     *     delivery: string}>, state: string}>  $columns
     * @param  list<array{label: string, key: string, same: bool, cells: list<list<array{string, bool}>>}>  $rows
     * @param  list<array{letters: string, score: float, chance: float, parts: list<array{field: string, level: string,
     *     bits: float}>, against: list<string>}>  $pairs
     */
    private function __construct(
        public string $key,
        public array $columns,
        public array $rows,
        public array $pairs,
        public string $warning,
        public bool $later,
    ) {
    }

    /** @param  array{key: string, publications: list<string>, score: float, later: bool}  $group */
    public static function of(Matching $matching, array $group): self
    {
        $publications = Publication::query()
            ->where('review_id', $matching->review_id)
            ->whereIn('id', $group['publications'])
            ->with(['records.delivery', 'item'])
            ->orderBy('id')
            ->get();
        $columns = $values = $letterOf = [];
        foreach ($publications->values() as $i => $publication) {
            $letter = chr(65 + ($i % 26));
            foreach ($publication->records as $record) {
                $letterOf[$record->id] = $letter;
            }
            $columns[] = [
                'id' => $publication->id,
                'letter' => $letter,
                'state' => $publication->item->state->value ?? 'waiting',
                'records' => array_values(
                    $publication->records
                        ->map(
                            fn (Record $record): array => [
                                'id' => $record->id,
                                'source' => $record->delivery->source_name,
                                'delivery' => $record->delivery_id,
                            ],
                        )
                        ->all(),
                ),
            ];
            $values[] = self::values(
                KeptReference::of($publication) ?? new Reference(PublicationType::Other, $publication->title),
            );
        }
        $rows = [];
        foreach (self::SHOWN as $key => $label) {
            $texts = array_column($values, $key);
            if (implode('', $texts) === '') {
                continue;
            }
            $given = array_values(array_filter($texts, fn (string $text): bool => $text !== ''));
            $rows[] = [
                'label' => $label,
                'key' => $key,
                'same' => count(array_unique($texts)) === 1,
                'cells' => array_map(
                    fn (string $text, int $i): array => Difference::of(
                        $text,
                        $i === 0 ? $given[1] ?? $text : ($texts[0] !== '' ? $texts[0] : $text),
                    ),
                    $texts,
                    array_keys($texts),
                ),
            ];
        }

        return new self(
            $group['key'],
            $columns,
            $rows,
            self::pairs($matching, $letterOf),
            self::warning(array_values($publications->all())),
            $group['later'],
        );
    }

    /** @return array<string, string> */
    private static function values(Reference $r): array
    {
        return [
            'title' => $r->fullTitle(),
            'authors' => implode(
                '; ',
                array_map(fn (Name $name): string => $name->inverts(), $r->authors !== [] ? $r->authors : $r->editors),
            ),
            'year' => (string) $r->year,
            'journal' => $r->containerTitle(),
            'edition' => $r->edition,
            'isbn' => $r->isbn,
            'place' => $r->place(),
            'doi' => $r->doi,
            'type' => $r->type === PublicationType::Article ? 'article' : $r->type->value,
            'language' => $r->language,
            'abstract' => $r->abstract,
        ];
    }

    /**
     * @param  array<string, string>  $letterOf
     * @return list<array{letters: string, score: float, chance: float, parts: list<array{field: string, level: string,
     *     bits: float}>, against: list<string>}>
     */
    private static function pairs(Matching $matching, array $letterOf): array
    {
        $judge = $matching->judge($matching->review->matchSettings());
        $best = [];
        foreach (
            DB::table('match_pairs')
                ->where('review_id', $matching->review_id)
                ->where('matching_id', $matching->id)
                ->whereIn('record_a', array_keys($letterOf))
                ->whereIn('record_b', array_keys($letterOf))
                ->orderByDesc('score')
                ->get() as $pair
        ) {
            $letters = [$letterOf[$pair->record_a], $letterOf[$pair->record_b]];
            sort($letters);
            $key = implode(' and ', $letters);
            if ($letters[0] === $letters[1] || isset($best[$key])) {
                continue;
            }
            $comparison = new Comparison((int) $pair->code);
            $parts = [];
            foreach (
                $judge->parts($comparison, $pair->rarity === null ? null : (float) $pair->rarity) as $field => $bits
            ) {
                $parts[] = [
                    'field' => $field,
                    'level' => MatchField::from($field)->levels()[$comparison->level(MatchField::from($field))][0],
                    'bits' => round($bits, 1),
                ];
            }
            $against = array_map(
                fn (Conflict $conflict): string => $conflict->words(),
                Conflict::in($comparison->conflicts()),
            );
            if ($pair->rarity !== null) {
                $against[] = 'Several publications of this review bear this title, so it tells little.';
            }
            $best[$key] = [
                'letters' => $key,
                'score' => round((float) $pair->score, 1),
                'chance' => Judge::chance((float) $pair->score),
                'parts' => $parts,
                'against' => $against,
            ];
        }
        ksort($best);

        return array_values($best);
    }

    /**
     * What joining does to decisions; of items that are still blinded nothing is given away.
     *
     * @param  list<Publication>  $publications
     */
    private static function warning(array $publications): string
    {
        $ids = array_map(fn (Publication $publication): string => $publication->id, $publications);
        $decided = DB::table('items')
            ->join(
                'decisions',
                fn ($join) => $join
                    ->on('decisions.item_id', '=', 'items.id')
                    ->on('decisions.review_id', '=', 'items.review_id'),
            )
            ->whereIn('items.publication_id', $ids)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->distinct()
            ->count('items.publication_id');
        if ($decided < 2) {
            return '';
        }
        $open = array_values(
            array_unique(
                array_filter(
                    array_map(
                        fn (Publication $p): ?string => $p->item?->state->isOpen() === true
                            ? $p->item->state->value
                            : null,
                        $publications,
                    ),
                ),
            ),
        );
        $differ = count(array_intersect([ItemState::Included->value, ItemState::Excluded->value], $open)) === 2;

        return 'People have decided on '.
            ($decided === count($publications) ? 'each' : number_format($decided)).
            ' of these. '.
            ($differ
                ? 'One is included and one excluded: joined, they become a disagreement, with all decisions kept.'
                : 'Joined, all their decisions are kept; where they differ, it becomes a disagreement.');
    }
}
