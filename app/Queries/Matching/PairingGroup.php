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
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Text\Difference;
use WaryHeron\Core\Text\DifferentPiece;

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
     * @param  list<PairingColumn>  $columns
     * @param  list<PairingRow>  $rows  without fields that none has
     * @param  list<PairEvidence>  $pairs
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

    public static function of(Matching $matching, WaitingGroup $group): self
    {
        $publications = array_values(Publication::query()
            ->where('review_id', $matching->review_id)
            ->whereIn('id', $group->publications)
            ->with(['records.delivery', 'item'])
            ->orderBy('id')
            ->get()
            ->all());
        $columns = $letterOf = [];
        foreach ($publications as $i => $publication) {
            $columns[] = self::column($publication, self::letter($i));
            $letterOf += array_fill_keys($publication->records->modelKeys(), self::letter($i));
        }

        return new self(
            $group->key,
            $columns,
            self::rows($publications),
            PairEvidence::among($matching, $letterOf),
            self::warning($publications),
            $group->later,
        );
    }

    private static function letter(int $place): string
    {
        return chr(65 + ($place % 26));
    }

    private static function column(Publication $publication, string $letter): PairingColumn
    {
        $record = fn (Record $record): PairedRecord => new PairedRecord(
            $record->id,
            $record->delivery->source_name,
            $record->delivery_id,
        );
        $state = $publication->item->state->value ?? 'waiting';

        $records = array_values($publication->records->map($record)->all());

        return new PairingColumn($publication->id, $letter, $state, $records);
    }

    /**
     * @param  array<Publication>  $publications
     * @return list<PairingRow>
     */
    private static function rows(array $publications): array
    {
        $values = array_map(
            fn (Publication $one): array => self::values(
                KeptReference::of($one) ?? new Reference(PublicationType::Other, $one->title),
            ),
            array_values($publications),
        );
        $rows = [];
        foreach (self::SHOWN as $key => $label) {
            $texts = array_column($values, $key);
            if (implode('', $texts) !== '') {
                $same = count(array_unique($texts)) === 1;
                $rows[] = new PairingRow($label, $key, $same, self::cells($texts));
            }
        }

        return $rows;
    }

    /**
     * @param  list<string>  $texts
     * @return list<list<DifferentPiece>> each against the first, and that against the next that is given
     */
    private static function cells(array $texts): array
    {
        $given = array_values(array_filter($texts, fn (string $text): bool => $text !== ''));
        $cells = [];
        foreach ($texts as $i => $text) {
            $other = $i === 0 ? $given[1] ?? $text : $texts[0];
            $cells[] = Difference::of($text, $other === '' ? $text : $other);
        }

        return $cells;
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
     * What joining does to decisions; of items that are still blinded nothing is given away.
     *
     * @param  array<Publication>  $publications
     */
    private static function warning(array $publications): string
    {
        $decided = self::decided(array_column($publications, 'id'));
        if ($decided < 2) {
            return '';
        }
        $open = array_filter(
            array_map(fn (Publication $p): ?ItemState => $p->item?->state, $publications),
            fn (?ItemState $state): bool => $state?->isOpen() === true,
        );
        $differ = in_array(ItemState::Included, $open, true) && in_array(ItemState::Excluded, $open, true);
        $so = $differ
            ? 'One is included and one excluded: joined, they become a disagreement, with all decisions kept.'
            : 'Joined, all their decisions are kept; where they differ, it becomes a disagreement.';
        $many = $decided === count($publications) ? 'each' : number_format($decided);

        return "People have decided on {$many} of these. {$so}";
    }

    /** @param  list<string>  $publications */
    private static function decided(array $publications): int
    {
        return DB::table('items')
            ->join(
                'decisions',
                fn ($join) => $join
                    ->on('decisions.item_id', '=', 'items.id')
                    ->on('decisions.review_id', '=', 'items.review_id'),
            )
            ->whereIn('items.publication_id', $publications)
            ->whereNull('decisions.superseded_at')
            ->whereNotNull('decisions.verdict')
            ->distinct()
            ->count('items.publication_id');
    }
}
