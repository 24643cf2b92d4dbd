<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;
use App\Files\StoredCopy;
use App\Models\Answer;
use App\Models\CodebookItem;
use App\Models\CodingLead;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\Corrections;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\InvalidAnswer;
use WaryHeron\Core\Coding\Lead\AskedItem;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\LeadFinder;
use WaryHeron\Core\Coding\Lead\LeadPass;
use WaryHeron\Core\Coding\Lead\LeadRuling;
use WaryHeron\Core\Coding\Lead\Passages;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;

/**
 * Reads one paper and proposes an answer to each item of the codebook that has none. What a person ruled on is left as
 * it is; what still waits is replaced. Never in a request: PDFs come from anywhere.
 */
final readonly class ProposeAnswers
{
    public function __construct(private LeadFinder $finder)
    {
    }

    /**
     * @param  ?string  $only  the item that is looked for; null for all
     * @return int how many answers are proposed
     */
    public function execute(
        Review $review,
        Publication $publication,
        ?string $only = null,
        LeadPass $pass = LeadPass::Deep,
    ): int {
        $open = $this->open($review, $publication, $only);
        if ($open === []) {
            return 0;
        }
        $rows = [];
        foreach ($this->papers($publication) as [$report, $paper, $copy]) {
            $left = array_filter($open, fn (CodebookItem $one): bool => ($rows[$one->id]['value'] ?? null) === null);
            foreach ($this->found($review, $left, $pass->of($paper), $copy, $pass) as $code => $row) {
                $reason = $report->id === $publication->id
                    ? $row['reason']
                    : "In {$report->called()}, another report: {$row['reason']}";
                $isBetter = ! isset($rows[$code]) || $row['value'] !== null;
                $rows[$code] = $isBetter ? [...$row, 'reason' => $reason] : $rows[$code];
            }
        }
        $of = ['review_id' => $review->id, 'publication_id' => $publication->id];
        $this->keep(
            $review,
            $publication,
            array_map(fn (array $row): array => [...$of, ...$row], array_values($rows)),
            $only,
        );

        return count($rows);
    }

    /**
     * @param  array<CodebookItem>  $open
     * @return array<string, array<string, mixed>> what a paper says, by item
     */
    private function found(Review $review, array $open, Paper $paper, ?string $copy, LeadPass $pass): array
    {
        $passages = Passages::of($paper);
        // the beginning of a paper leaves out too much for its silence to say something
        $whole = $pass === LeadPass::Deep ? $copy : null;
        $corrections = Corrections::of($review);
        $items = array_filter(array_map(
            fn (CodebookItem $code): ?AskedItem => $code->asked($corrections->learned($code->id)),
            array_values($open),
        ));
        $leads = $this->finder->leads(array_values($items), $passages);
        $isAsked = array_flip(array_column($items, 'id'));
        $rows = [];
        foreach ($open as $code) {
            $row = isset($isAsked[$code->id])
                ? $this->row($code, $passages, [$copy, $whole], $leads[$code->id] ?? null)
                : null;
            if ($row !== null) {
                $rows[$code->id] = $row;
            }
        }

        return $rows;
    }

    /** @return array<CodebookItem> without answer, and without a lead that somebody ruled on */
    private function open(Review $review, Publication $publication, ?string $only): array
    {
        // where two code apart, the other one has use for a lead until both have answered
        $answered = Answer::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('hand', '')
            ->whereNull('superseded_at')
            ->where(fn ($said) => $said->whereNotNull('value')->orWhere('kind', '<>', AnswerKind::Value))
            ->pluck('code_id');
        $ruled = CodingLead::query()
            ->where('review_id', $review->id)
            ->where('publication_id', $publication->id)
            ->where('ruling', '<>', LeadRuling::Waiting)
            ->pluck('code_id');

        $closed = $answered->merge($ruled)->all();
        $codes = $review->codes()->whereNull('retired_at')->when($only, fn ($codes) => $codes->whereKey($only))->get();

        return $codes->reject(fn (CodebookItem $code): bool => in_array($code->id, $closed, true))->all();
    }

    /**
     * Of the report its first copy that gives text, else title and abstract; then such copies of other reports of its
     * study.
     *
     * @return \Generator<int, array{Publication, Paper, ?string}> with the copy that was read
     */
    private function papers(Publication $publication): \Generator
    {
        yield $this->copy($publication) ?? [$publication, self::abstract($publication), null];
        $others = $publication->study_id === null
            ? []
            : Publication::query()
                ->where('review_id', $publication->review_id)
                ->where('study_id', $publication->study_id)
                ->whereNull('merged_into')
                ->whereKeyNot($publication->id)
                ->orderByRaw('year NULLS LAST')
                ->orderBy('id')
                ->get();
        foreach ($others as $other) {
            $copy = $this->copy($other);
            if ($copy !== null) {
                yield $copy;
            }
        }
    }

    /** @return ?array{Publication, Paper, string} */
    private function copy(Publication $publication): ?array
    {
        $copies = FullText::query()
            ->where('review_id', $publication->review_id)
            ->where('publication_id', $publication->id)
            ->where('state', 'read')
            ->whereNull('taken_out_at')
            ->orderBy('id')
            ->get();
        foreach ($copies as $copy) {
            try {
                $paper = PdfPaper::read(StoredCopy::path($copy->path()));
            } catch (UnreadablePdf) {
                continue;
            }
            if ($paper->blocks !== []) {
                return [$publication, $paper, $copy->id];
            }
        }

        return null;
    }

    private static function abstract(Publication $publication): Paper
    {
        $blocks = [new Block(BlockKind::Heading, $publication->title, 1, $publication->title)];
        foreach (preg_split('/\R+/u', $publication->abstract, -1, PREG_SPLIT_NO_EMPTY) ?: [] as $text) {
            $blocks[] = new Block(BlockKind::Paragraph, $text, 1, 'Abstract', SectionKind::Abstract);
        }

        return new Paper($blocks);
    }

    /**
     * @param  array{?string, ?string}  $copies  the copy that was read; the same where it was read as a whole
     * @return ?array<string, mixed>
     */
    private function row(CodebookItem $code, Passages $passages, array $copies, ?Lead $lead): ?array
    {
        [$copy, $whole] = $copies;
        $value = $lead === null ? null : $this->value($code, $lead);
        if ($lead === null || $value === null) {
            // an abstract leaves out too much for its silence to say something
            return $whole === null ? null : $this->nothing($code, $passages, $whole);
        }

        return [
            'code_id' => $code->id,
            'kind' => AnswerKind::Value,
            'value' => $value,
            'quote' => $lead->quote,
            'page' => $copy === null ? null : $lead->page,
            'full_text_id' => $copy,
            'confidence' => $lead->confidence(),
            'reason' => $lead->reason,
        ];
    }

    /** @return array<string, mixed> that the paper seems not to report it, with what was looked for */
    private function nothing(CodebookItem $code, Passages $passages, string $copy): array
    {
        $words = implode(', ', array_slice([$code->label, ...$code->synonyms], 0, 6));

        return [
            'code_id' => $code->id,
            'kind' => AnswerKind::NotReported,
            'value' => null,
            'quote' => '',
            'page' => null,
            'full_text_id' => $copy,
            'confidence' => Confidence::Check,
            'reason' => "Looked for {$words} in ".count($passages->all).' sentences and rows; none gives an answer.',
        ];
    }

    /**
     * What the codebook takes as an answer; null where it would not.
     *
     * @return string|int|float|list<string>|null
     */
    private function value(CodebookItem $code, Lead $lead): string|int|float|array|null
    {
        try {
            return $code->code()->read($lead->value);
        } catch (InvalidAnswer) {
            return null;
        }
    }

    /** @param  list<array<string, mixed>>  $rows */
    private function keep(Review $review, Publication $publication, array $rows, ?string $only): void
    {
        DB::transaction(function () use ($review, $publication, $rows, $only): void {
            // read twice at once, the later reading stays
            Publication::query()->whereKey($publication->id)->lockForUpdate()->first();
            CodingLead::query()
                ->where('review_id', $review->id)
                ->where('publication_id', $publication->id)
                ->where('ruling', LeadRuling::Waiting)
                ->when($only, fn ($waiting) => $waiting->where('code_id', $only))
                ->delete();
            // what was answered or ruled on while the paper was read needs no lead
            $open = array_column($this->open($review, $publication, $only), 'id');
            foreach ($rows as $row) {
                if (in_array($row['code_id'], $open, true)) {
                    CodingLead::query()->create([...$row, 'ruling' => LeadRuling::Waiting]);
                }
            }
        });
    }
}
