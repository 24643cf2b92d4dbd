<?php

declare(strict_types=1);

namespace App\Queries\Screening\Reading;

use App\Models\Ranking;
use App\Models\Stage;
use App\Queries\FullTexts\HeldCopy;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Library\Tags;
use App\Queries\Screening\MarkedList;
use App\Queries\Screening\Marks;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\Lead\TextLead;
use WaryHeron\Core\Screening\Lead\TextLeads;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Search\Text\Segment;
use WaryHeron\Core\Text\AbstractPart;
use WaryHeron\Core\Text\StructuredAbstract;

/** Makes what is read at the desk of rows of items: marked words, leads, sources, tags and copies. */
final readonly class DeskItems
{
    /** Authors who are named before the rest are counted. */
    private const NAMED = 5;

    public function __construct(private Stage $stage, private Marks $marks)
    {
    }

    /**
     * @param  list<stdClass>  $rows
     * @return list<DeskItem>
     */
    public function of(array $rows): array
    {
        $review = $this->stage->review;
        $publications = array_column($rows, 'publication_id');
        $sources = $this->sources($publications);
        $tags = Tags::of($review, $publications);
        $inFull = $this->stage->purpose === StagePurpose::FullText;
        $copies = $inFull ? Retrievals::copies($review, $publications) : [];

        return array_map(fn (stdClass $row): DeskItem => $this->item(
            $row,
            $this->stage->purpose === StagePurpose::Titles ? '' : $row->abstract,
            $sources[$row->publication_id] ?? [],
            $tags[$row->publication_id] ?? [],
            $copies[$row->publication_id] ?? [],
        ), $rows);
    }

    /**
     * @param  list<string>  $sources
     * @param  list<string>  $tags
     * @param  list<HeldCopy>  $copies
     */
    private function item(stdClass $row, string $abstract, array $sources, array $tags, array $copies): DeskItem
    {
        $meta = [self::shortened($row->authors), $row->journal, (string) $row->year, $row->place];

        return new DeskItem(
            id: $row->id,
            position: $this->stage->ranked ? $row->rank ?? Ranking::UNRANKED + $row->position : $row->position,
            open: $row->opened_at !== null,
            title: $row->title,
            titleParts: $this->marks->highlighter->segments($row->title),
            meta: implode(' · ', array_filter($meta)),
            doi: $row->doi,
            language: $row->language,
            abstract: $this->passages($abstract),
            leads: $this->leads($row->title, $abstract),
            records: $row->records_count,
            publication: route('publications.show', [$this->stage->review, $row->publication_id], false),
            mine: MyVerdict::ofRow($row),
            sources: $sources,
            tags: $tags,
            copies: $copies,
        );
    }

    /** @return list<Passage> */
    private function passages(string $abstract): array
    {
        return array_map(
            fn (AbstractPart $part): Passage => new Passage($part->label, $this->marks->highlighter->segments($part->text)),
            StructuredAbstract::parts($abstract),
        );
    }

    /** @return list<StatedLead> */
    private function leads(string $title, string $abstract): array
    {
        $leads = array_map(StatedLead::of(...), TextLeads::of($title, $abstract));
        foreach ($this->marks->lists as $list) {
            $lead = $list->kind === MarkedList::CONCEPT ? null : $this->richest($list, $title, $abstract);
            if ($lead !== null) {
                $leads[] = StatedLead::of($lead, $list->criterion);
            }
        }

        return $leads;
    }

    private function richest(MarkedList $list, string $title, string $abstract): ?TextLead
    {
        $isMarked = fn (Segment $part): bool => in_array($list->key, $part->lists, true);
        $marked = fn (string $sentence): int => count(
            array_filter($this->marks->highlighter->segments($sentence), $isMarked),
        );

        return TextLeads::richest($list->name, $title, $abstract, $marked);
    }

    private static function shortened(string $authors): string
    {
        $names = explode('; ', $authors);

        return count($names) > self::NAMED + 1
            ? implode(', ', array_slice($names, 0, self::NAMED)).' and '.(count($names) - self::NAMED).' more'
            : implode(', ', $names);
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, list<string>>
     */
    private function sources(array $publications): array
    {
        $sources = [];
        foreach (
            DB::table('records')
                ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
                ->where('records.review_id', $this->stage->review_id)
                ->whereIn('records.publication_id', $publications)
                ->orderBy('records.id')
                ->get(['publication_id', 'source_name', 'file_name']) as $record
        ) {
            $sources[$record->publication_id][] =
                $record->source_name.($record->file_name === null ? '' : ", {$record->file_name}");
        }

        return array_map(fn (array $of): array => array_values(array_unique($of)), $sources);
    }
}
