<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Models\User;
use App\Queries\Coding\Table\Cell;
use App\Queries\Coding\Table\TableAnswer;
use App\Queries\Coding\Table\TableStudies;
use App\Queries\Coding\Table\TableTerms;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\AskedItems;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/** A page of the included publications against the items of the codebook, with the answers that count. */
final readonly class CodingTable
{
    public const LENGTH = 100;

    private const WORDS = 60;

    /**
     * @param  int  $reported  included reports of all studies; 0 where some of them are asked for
     * @param  Collection<int, stdClass>  $publications
     * @param  array<string, array<string, TableAnswer>>  $answers  by publication, then code, of all items
     * @param  array<string, array<string, list<stdClass>>>  $leads  by publication, then code
     * @param  array<string, array<string, true>>  $differing  by publication, then code
     * @param  AskedItems  $askedItems  of all items
     * @param  array<string, Code>  $shown  the items shown, read from their models once and not for each cell
     */
    private function __construct(
        public TableTerms $terms,
        public int $count,
        public int $reported,
        public Collection $publications,
        private array $answers,
        private array $leads,
        private array $differing,
        private AskedItems $askedItems,
        private array $shown,
    ) {
    }

    public static function of(Review $review, TableTerms $terms): self
    {
        $studies = new TableStudies($review, $terms);
        $page = $studies->page(self::LENGTH);
        $ids = array_values($page->pluck('id')->all());
        $entries = array_values($terms->codes->map(fn (CodebookItem $code) => $code->entry())->all());

        return new self(
            $terms,
            $studies->count(),
            $terms->isAll() ? TableStudies::reportsOf($review, $terms) : 0,
            $page,
            self::answersOf($review, $ids),
            self::leadsOf($review, $ids),
            $review->coded_by === 1 ? [] : self::differingOf($review, $ids),
            new AskedItems($entries, $review->depth()),
            $terms->shown()->map(fn (CodebookItem $code): Code => $code->code())->all(),
        );
    }

    /** @return Collection<int, stdClass> all of them, in the order of the library */
    public static function included(Review $review, ?User $sharedWith = null): Collection
    {
        return (new TableStudies($review, new TableTerms(new Collection(), whose: $sharedWith?->id)))->all();
    }

    /** @return Collection<int, stdClass> every included report, whether or not its study is coded with it */
    public static function reports(Review $review): Collection
    {
        return (new TableStudies($review, new TableTerms(new Collection()), everyReport: true))->all();
    }

    /** @return list<Cell> of the items shown */
    public function cells(string $publication): array
    {
        $asked = $this->asked($publication);
        $cells = [];
        foreach ($this->shown as $id => $code) {
            $cells[] = $this->cell($publication, $id, $code, isset($asked[$id]));
        }

        return $cells;
    }

    /** In words: how many of the items that are asked have answers. */
    public function answered(string $publication): string
    {
        $asked = $this->asked($publication);

        return count(array_intersect_key($asked, $this->answers[$publication] ?? [])).' of '.count($asked);
    }

    public function pages(): int
    {
        return max(1, (int) ceil($this->count / self::LENGTH));
    }

    /**
     * @param  list<string>  $publications
     * @param  bool  $inFull  with evidence, note and who gave it
     * @return array<string, array<string, TableAnswer>> by publication, then code
     */
    public static function answersOf(Review $review, array $publications, bool $inFull = false): array
    {
        $names = StudyParts::names($review, $publications);
        $answers = [];
        foreach (self::answerRows($review, $publications, $inFull)->cursor() as $row) {
            $answers[$row->publication_id][$row->code_id] = TableAnswer::of($row, $names);
        }

        return $answers;
    }

    /** @param  list<string>  $publications */
    private static function answerRows(Review $review, array $publications, bool $inFull): Builder
    {
        $rows = DB::table('standing_answers AS a')
            ->where('a.review_id', $review->id)
            ->whereIn('a.publication_id', $publications)
            ->select(['a.publication_id', 'a.code_id', 'a.kind', 'a.value', 'a.parts'])
            ->selectRaw("(a.from_whole OR a.evidence <> '[]') AS is_shown");

        return $inFull
            ? $rows->join('users', 'users.id', '=', 'a.user_id')->addSelect(['a.evidence', 'a.note', 'users.name AS coder'])
            : $rows;
    }

    /** @return array<string, true> the items that are asked of a publication */
    private function asked(string $publication): array
    {
        return $this->askedItems->of(
            array_map(fn (TableAnswer $one): mixed => $one->value, $this->answers[$publication] ?? []),
            $publication,
        );
    }

    private function cell(string $publication, string $id, Code $code, bool $isAsked): Cell
    {
        $answer = $this->answers[$publication][$id] ?? null;
        if ($answer !== null) {
            $isBare = ! $answer->isShown && $answer->kind === AnswerKind::Value;

            return new Cell(self::short($answer->words($code)), $isBare ? 'no evidence' : '', 'cell-answer');
        }
        if (isset($this->differing[$publication][$id])) {
            return new Cell('', 'differs', 'cell-differs');
        }
        $leads = $this->leads[$publication][$id] ?? [];
        if ($leads === []) {
            return $isAsked ? Cell::nothing() : Cell::notAsked();
        }
        $says = array_map(fn (stdClass $one): string => self::proposed($one, $code), $leads);
        $surest = array_map(Confidence::from(...), array_column($leads, 'confidence'));

        return new Cell(self::short(implode("\n", $says)), Confidence::least(...$surest)->value, 'cell-lead');
    }

    private static function proposed(stdClass $lead, Code $code): string
    {
        $says = $lead->kind === AnswerKind::Value->value
            ? $code->show(json_decode($lead->value, true, 4, JSON_THROW_ON_ERROR))
            : AnswerKind::from($lead->kind)->label();

        return $lead->part === null ? $says : "{$lead->part}: {$says}";
    }

    private static function short(string $words): string
    {
        // most are so short that nobody has to measure them
        return strlen($words) <= self::WORDS ? $words : Str::limit($words, self::WORDS);
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, array<string, list<stdClass>>> by publication, then code; of each part one
     */
    private static function leadsOf(Review $review, array $publications): array
    {
        $rows = DB::table('leads')
            ->leftJoin('study_parts AS part', fn ($join) => $join
                ->on('part.review_id', '=', 'leads.review_id')
                ->on('part.id', '=', 'leads.part_id'))
            ->where('leads.review_id', $review->id)
            ->whereIn('leads.publication_id', $publications)
            ->where('leads.ruling', LeadRuling::Waiting->value)
            ->orderBy('part.position')
            ->select(['leads.publication_id', 'leads.code_id', 'leads.kind', 'leads.value', 'leads.confidence', 'part.name AS part']);
        $leads = [];
        foreach ($rows->cursor() as $row) {
            $leads[$row->publication_id][$row->code_id][] = $row;
        }

        return $leads;
    }

    /**
     * What two coders have both answered, and differently.
     *
     * @param  list<string>  $publications
     * @return array<string, array<string, true>>
     */
    private static function differingOf(Review $review, array $publications): array
    {
        $rows = DB::table('answers')
            ->where('review_id', $review->id)
            ->whereIn('publication_id', $publications)
            ->where('hand', '<>', '')
            ->whereNull('superseded_at')
            ->whereRaw("(value IS NOT NULL OR kind <> 'value')")
            ->groupBy('publication_id', 'code_id', 'part_id')
            ->havingRaw('count(DISTINCT (kind, value)) > 1')
            ->get(['publication_id', 'code_id']);
        $differing = [];
        foreach ($rows as $row) {
            $differing[$row->publication_id][$row->code_id] = true;
        }

        return $differing;
    }
}
