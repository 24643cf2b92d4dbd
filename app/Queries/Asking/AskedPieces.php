<?php

declare(strict_types=1);

namespace App\Queries\Asking;

use App\Models\Report;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Report\Claims\ClaimEvidence;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Asking\Piece;
use WaryHeron\Core\Asking\PieceKind;
use WaryHeron\Core\Asking\PlainAsk;
use WaryHeron\Core\Coding\Lead\Sentences;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Report\Document\Schema;

/** What a review holds that may answer a plain question, as pieces to be ranked, each with where it stands. */
final class AskedPieces
{
    /** Where one can ask, in words. */
    public const SCOPES = [
        'coded' => 'answers, results, passages and decisions',
        'texts' => 'full texts of included studies',
        'abstracts' => 'abstracts of the library',
        'report' => 'the report',
    ];

    private const MOST_PAGES = 80;

    private const MOST_ABSTRACTS = 150;

    private const MOST_RANKED = 3000;

    /** A sentence is no longer. */
    private const LONGEST = 600;

    /** @var array<string, ShownPiece> what is shown of a piece, by its id */
    private array $shown = [];

    /** @var array<string, int> how much was looked at, by scope */
    private array $looked = [];

    /** @param  ?list<string>  $onlyOf  publications */
    public function __construct(private readonly Review $review, private readonly PlainAsk $ask, private readonly ?array $onlyOf)
    {
    }

    /**
     * @param  list<string>  $scopes
     * @return list<Piece>
     */
    public function in(array $scopes): array
    {
        $pieces = [];
        foreach ($scopes as $scope) {
            $found = match ($scope) {
                'coded' => $this->coded(),
                'texts' => $this->texts(),
                'abstracts' => $this->abstracts(),
                'report' => $this->report(),
                default => [],
            };
            $this->looked[$scope] = count($found);
            $pieces = [...$pieces, ...$found];
        }

        return $pieces;
    }

    /** @return array<string, int> */
    public function looked(): array
    {
        return $this->looked;
    }

    public function shown(Piece $piece): ShownPiece
    {
        return $this->shown[$piece->id];
    }

    /** @return list<Piece> what people took from papers */
    private function coded(): array
    {
        $pieces = [];
        foreach ((new ClaimEvidence($this->review))->all() as $one) {
            if ($this->onlyOf !== null && ! in_array($one->publication, $this->onlyOf, true)) {
                continue;
            }
            [$label, $says] = str_contains($one->says, ': ') ? explode(': ', $one->says, 2) : ['', $one->says];
            $id = $one->key();
            $where = [$one->study, $one->where, $one->url, $one->publication];
            $this->shown[$id] = new ShownPiece($one->kind, $one->says, $one->quote, ...[...$where, $one->ref()]);
            $pieces[] = new Piece(PieceKind::from($one->kind), $id, trim("{$says} {$one->quote}"), $label, $one->study);
        }

        return $pieces;
    }

    /** @return list<Piece> sentences of the pages that hold most of what is asked */
    private function texts(): array
    {

        $pieces = [];
        foreach ($this->holding($this->pages(), 'paper_pages.found_by', 'id', self::MOST_PAGES) as $page) {
            foreach (json_decode($page->blocks, true, 16, JSON_THROW_ON_ERROR) as $block) {
                $heading = ($block['kind'] ?? '') === 'heading' ? (string) $block['text'] : ($heading ?? '');
                foreach (($block['kind'] ?? '') === 'heading' ? [] : Sentences::of((string) $block['text']) as $sentence) {
                    $pieces[] = $this->sentence(PieceKind::Text, $page, $sentence, $heading, (int) $page->number);
                }
            }
        }

        return $pieces;
    }

    /** Of the papers whose codings are asked, each page as it was read. */
    private function pages(): Builder
    {
        return DB::table('paper_pages')
            ->join('full_texts', fn ($join) => $join
                ->on('full_texts.review_id', '=', 'paper_pages.review_id')
                ->on('full_texts.id', '=', 'paper_pages.full_text_id'))
            ->join('publications', 'publications.id', '=', 'full_texts.publication_id')
            ->whereColumn('publications.review_id', 'full_texts.review_id')
            ->where('paper_pages.review_id', $this->review->id)
            ->whereNull('full_texts.taken_out_at')
            ->whereIn('full_texts.publication_id', CodedReports::of($this->review)->select('publication_id'))
            ->when($this->onlyOf !== null, fn (Builder $some) => $some->whereIn('full_texts.publication_id', $this->onlyOf ?? []))
            ->selectRaw("paper_pages.full_text_id || ' ' || paper_pages.number AS id")
            ->addSelect(['paper_pages.number', 'blocks', 'full_texts.publication_id', 'publications.first_author', 'year']);
    }

    /** @return list<Piece> */
    private function abstracts(): array
    {
        $publications = DB::table('publications')
            ->where('review_id', $this->review->id)
            ->whereNull('merged_into')
            ->whereNull('removed_at')
            ->when($this->onlyOf !== null, fn (Builder $some) => $some->whereIn('id', $this->onlyOf ?? []))
            ->select(['id AS publication_id', 'title', 'abstract', 'first_author', 'year']);
        $pieces = [];
        foreach ($this->holding($publications, 'publications.words', 'publication_id', self::MOST_ABSTRACTS) as $one) {
            foreach (Sentences::of((string) $one->abstract) as $sentence) {
                $pieces[] = $this->sentence(PieceKind::Abstract, $one, $sentence, (string) $one->title, null);
            }
        }

        return $pieces;
    }

    /** @return list<Piece> sentences that people wrote */
    private function report(): array
    {
        $report = Report::of($this->review)->first();
        $pieces = [];
        $heading = '';
        foreach ($report === null ? [] : Schema::node($report->said)->content as $n => $node) {
            if ($node->type === Node::HEADING) {
                $heading = $node->words();

                continue;
            }
            foreach (Sentences::of($node->words()) as $i => $sentence) {
                $id = "report {$n} {$i}";
                $this->shown[$id] = $this->ofReport($sentence, $heading);
                $pieces[] = new Piece(PieceKind::Report, $id, $sentence, '', $heading);
            }
        }

        return $pieces;
    }

    private function ofReport(string $sentence, string $heading): ShownPiece
    {
        return new ShownPiece('report', '', $sentence, '', $heading, route('report.text', $this->review, false), '');
    }

    /**
     * What is shown of a sentence of a paper.
     *
     * @param  ?int  $page  of its full text; null where it stands in the abstract
     */
    public static function ofPaper(string $reviewId, string $publication, string $study, string $sentence, ?int $page): ShownPiece
    {
        return new ShownPiece(
            ($page === null ? PieceKind::Abstract : PieceKind::Text)->value,
            '',
            $sentence,
            $study,
            $page === null ? 'abstract' : "page {$page}",
            $page === null
                ? route('publications.show', [$reviewId, $publication], false)
                : route('coding.show', [$reviewId, $publication], false)."?page={$page}",
            $publication,
        );
    }

    private function sentence(PieceKind $kind, stdClass $of, string $sentence, string $beside, ?int $page): Piece
    {
        $sentence = mb_substr($sentence, 0, self::LONGEST);
        $id = "{$kind->value} {$of->publication_id} {$page} ".count($this->shown);
        $study = trim("{$of->first_author} {$of->year}");
        $this->shown[$id] = self::ofPaper($this->review->id, $of->publication_id, $study, $sentence, $page);

        return new Piece($kind, $id, $sentence, '', $beside);
    }

    /**
     * Rows whose words hold what is asked, those that hold most of it first. Of a large library only so many that hold a
     * part are put in order: what holds all of it is looked for before.
     *
     * @param  string  $words  the column of words
     * @return Collection<int, stdClass>
     */
    private function holding(Builder $rows, string $words, string $order, int $most): Collection
    {
        $found = new Collection();
        foreach ($this->wanted() as $query) {
            $some = $rows->clone()
                ->whereRaw("{$words} @@ to_tsquery('simple', ?)", [$query])
                ->selectRaw("{$words} AS words")
                ->limit(self::MOST_RANKED);
            $found = $found->merge(
                DB::query()->fromSub($some, 'some')
                    ->orderByRaw("ts_rank(words, to_tsquery('simple', ?)) DESC, {$order}", [$query])
                    ->limit($most - $found->count())
                    ->get(),
            )->unique($order)->values();
            if ($found->count() >= $most) {
                break;
            }
        }

        return $found;
    }

    /** @return list<string> for the index of words: something of each term, then anything */
    private function wanted(): array
    {
        $whole = implode(' & ', array_map(
            fn (array $phrases): string => '('.implode(' | ', array_map(self::phrase(...), $phrases)).')',
            $this->ask->terms,
        ));
        $part = implode(' | ', array_map(fn (string $stem): string => self::phrase([$stem]), $this->ask->stems()));

        return array_values(array_unique([$whole, $part]));
    }

    /**
     * Words as they begin.
     *
     * @param  list<string>  $stems
     */
    private static function phrase(array $stems): string
    {
        $begins = array_map(function (string $stem): string {
            $stem = mb_strlen($stem) > 3 && str_ends_with($stem, 'i') ? mb_substr($stem, 0, -1) : $stem;

            return "'".str_replace(["'", '\\'], '', $stem)."':*";
        }, $stems);

        return implode(' & ', $begins);
    }
}
