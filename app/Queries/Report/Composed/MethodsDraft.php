<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\KeptAnalysis;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Report\FlowQuery;
use Carbon\CarbonImmutable;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Report\Document\Node;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\StagePurpose;

/**
 * Methods as far as the review's own facts tell them, to be put into the report and to be changed by people. Numbers in
 * them stay live. What nobody did is not claimed.
 */
final readonly class MethodsDraft
{
    /** What the Log calls a change of how the review is done. */
    private const CHANGES = ['criterion.added', 'criterion.reworded', 'criterion.retired', 'stage.added', 'stage.changed', 'stage.removed', 'coding.by'];

    private const MOST_CHANGES = 20;

    private const NUMBERS = ['one', 'two', 'three', 'four', 'five'];

    private function __construct(private Review $review, private NumberedWords $numbers)
    {
    }

    /** @return array<string, list<Node>> paragraphs by section of the template */
    public static function of(Review $review, NumberedWords $numbers): array
    {
        $draft = new self($review, $numbers);
        $stages = $review->stages->filter(fn (Stage $one): bool => $one->purpose !== StagePurpose::Subset);

        return array_filter(array_map(
            fn (array $paragraphs): array => array_values(array_filter($paragraphs)),
            [
                'searched' => [$draft->searches(), $draft->matching()],
                'chose' => [...array_map($draft->stage(...), $stages->values()->all()), $draft->changes()],
                'read' => [$draft->coding(), $draft->pooling()],
                'selected' => [$draft->selected()],
                'declared' => [$draft->registered()],
            ],
        ));
    }

    private function searches(): ?Node
    {
        $sources = FlowQuery::sources($this->review)->where('kept', '>', 0)->map(function (stdClass $one): string {
            $day = $one->searched_on === null ? '' : ' on '.CarbonImmutable::parse($one->searched_on)->format('j F Y');

            return "{$one->source_name}{$day}";
        });

        return $sources->isEmpty() ? null : $this->paragraph(
            "We searched {$this->list($sources->unique())}. The searches brought ",
            ['records'],
            ' records.',
        );
    }

    private function matching(): ?Node
    {
        return in_array($this->numbers->shown('duplicates'), ['0', '–'], true) ? null : $this->paragraph(
            'Records of the same publication were found by comparing identifiers, titles, authors, years and pages; what was '.
                'certain was joined by machine, the rest by people. So ',
            ['duplicates'],
            ' records were removed as duplicates, and ',
            ['screened'],
            ' publications were screened.',
        );
    }

    private function stage(Stage $stage): ?Node
    {
        $people = DB::table('decisions')
            ->where('review_id', $this->review->id)
            ->where('stage_id', $stage->id)
            ->distinct()
            ->count('user_id');
        if ($people === 0) {
            return null;
        }
        $by = $stage->required_decisions === 1
            ? 'one person'
            : (self::NUMBERS[$stage->required_decisions - 1] ?? (string) $stage->required_decisions).' people, who did not know of each other’s decisions,';
        $name = mb_strtolower($stage->name);

        $told = "At the stage “{$name}”, each publication was judged by {$by} of {$people} who took part.";
        $settled = " Disagreements were settled {$this->settled($stage)}.";
        $key = "stage {$stage->id} agreed";

        return in_array($this->numbers->shown($key), ['', '–'], true)
            ? $this->paragraph($told.$settled)
            : $this->paragraph("{$told} Before they talked, they agreed on ", [$key], ' of those that all had judged.'.$settled);
    }

    /** What was changed after the first decision, with its day. */
    private function changes(): ?Node
    {
        $first = DB::table('decisions')->where('review_id', $this->review->id)->min('created_at');
        $changes = $first === null ? new Collection() : $this->changesSince((string) $first);

        return $changes->isEmpty() ? null : $this->paragraph('After the first decisions we '.$changes->join('; we ').'.');
    }

    /** @return Collection<int, string> */
    private function changesSince(string $first): Collection
    {
        return DB::table('log_entries')
            ->where('review_id', $this->review->id)
            ->whereIn('action', self::CHANGES)
            ->where('created_at', '>', $first)
            ->orderBy('id')
            ->limit(self::MOST_CHANGES)
            ->get(['summary', 'created_at'])
            ->map(fn (stdClass $one): string => mb_strtolower(mb_substr($one->summary, 0, 1)).mb_substr($one->summary, 1)
                .' ('.CarbonImmutable::parse($one->created_at)->format('j F Y').')');
    }

    private function settled(Stage $stage): string
    {
        return match ($stage->settled_by) {
            Settler::Third => 'by a third person',
            Settler::Adjudicator => 'by an adjudicator who did not see whose decisions they were',
            Settler::Pair => 'between them',
        };
    }

    private function coding(): ?Node
    {
        $items = $this->review->codes()->whereNull('retired_at')->count();

        return $items === 0 ? null : $this->paragraph(
            "From each included study {$items} items of a codebook were answered, each with the words of the paper that it rests on, by ".
                ($this->review->coded_by === 2 ? 'two people apart, who then reconciled their answers.' : 'one person.'),
        );
    }

    private function pooling(): ?Node
    {
        $kept = KeptAnalysis::of($this->review)->get();
        $how = $kept->map(function (KeptAnalysis $one): string {
            $terms = $one->asked();
            $interval = $terms->by->isRandom() ? ", intervals by {$terms->interval->label()}" : '';

            return "{$one->title} as {$terms->measure->label()} with {$terms->by->label()}{$interval}";
        });

        return $how->isEmpty() ? null : $this->paragraph("We pooled {$this->list($how)}.");
    }

    private function selected(): Node
    {
        return $this->numbers->has('assessed')
            ? $this->paragraph(
                'Of ',
                ['screened'],
                ' publications, ',
                ['excluded'],
                ' were excluded by title and abstract; ',
                ['assessed'],
                ' reports were read in full, and ',
                ['studies'],
                ' studies are included.',
            )
            : $this->paragraph('Of ', ['screened'], ' publications, ', ['studies'], ' studies are included.');
    }

    private function registered(): ?Node
    {
        $said = array_filter([
            $this->review->registration === '' ? '' : "The review is registered: {$this->review->registration}.",
            $this->review->protocol === '' ? '' : "Its protocol is at {$this->review->protocol}.",
        ]);

        return $said === [] ? null : $this->paragraph(implode(' ', $said));
    }

    /** @param  string|list<string>  ...$pieces  words, or the key of a number */
    private function paragraph(string|array ...$pieces): Node
    {
        return $this->numbers->paragraph(...$pieces);
    }

    /** @param  Collection<int, string>  $names */
    private function list(Collection $names): string
    {
        return $names->join(', ', ' and ');
    }
}
