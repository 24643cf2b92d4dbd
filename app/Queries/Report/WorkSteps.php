<?php

declare(strict_types=1);

namespace App\Queries\Report;

use App\Models\Review;
use App\Models\Stage;
use App\Queries\Screening\PersonProgress;
use App\Queries\Screening\Progress;
use App\Queries\Shared\Tallies;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;
use WaryHeron\Core\Flow\Work\WorkFact;
use WaryHeron\Core\Flow\Work\WorkStep;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Settler;
use WaryHeron\Core\Screening\StagePurpose;

/** How a review is done, step by step, as far as it is: by which rules, by whom. What people decided is not told of them. */
final readonly class WorkSteps
{
    private const MOST_PEOPLE = 8;

    private function __construct(private Review $review)
    {
    }

    /** @return non-empty-list<WorkStep> in people's own words where they have some */
    public static function of(Review $review): array
    {
        $work = new self($review);
        $steps = [
            $work->question(),
            $work->searches(),
            $work->matching(),
            // what stands beside the line comes before it: people find out first how alike they judge
            ...$review->stages->sortBy(fn (Stage $one): bool => $one->purpose->isOnTheLine())->map($work->stage(...))->values()->all(),
            $work->coding(),
            $work->synthesis(),
        ];

        return array_map(
            fn (WorkStep $step): WorkStep => $step->called($review->work_captions[$step->key] ?? ''),
            $steps,
        );
    }

    private function question(): WorkStep
    {
        $people = DB::table('memberships')
            ->join('users', 'users.id', '=', 'memberships.user_id')
            ->where('review_id', $this->review->id)
            ->orderBy('users.name')
            ->get(['users.name', 'memberships.role']);

        return new WorkStep('question', 'Question', [], $this->named(array_values($people->map(
            fn (stdClass $one): string => "{$one->name}, ".str_replace('-', ' ', $one->role),
        )->all())), [
            $this->fact(
                'criterion',
                $this->count('criteria', ['retired_at' => null]),
                'Criteria that are asked now.',
                route('question', $this->review),
                'criteria',
            ),
        ]);
    }

    private function searches(): WorkStep
    {
        $sources = FlowQuery::sources($this->review)->where('kept', '>', 0)->pluck('source_name')->unique();
        $standing = $this->count('standing_searches', ['ended_at' => null]);

        return new WorkStep('searches', 'Searches', array_values(array_filter([
            $sources->isEmpty() ? '' : 'In '.$sources->join(', ', ' and '),
            $standing === 0 ? '' : 'Run again by themselves: '.$standing.' '.Str::plural('strategy', $standing),
        ])), [], [
            $this->fact(
                'strategy',
                $this->count('strategies', ['archived_at' => null]),
                'Strategies that are not put away.',
                route('searches', $this->review),
            ),
            $this->fact(
                'run',
                $this->count('runs', []),
                'Times that one was sent to a database.',
                route('searches', $this->review),
            ),
            $this->fact(
                'record',
                $this->count('records', ['withdrawn_at' => null]),
                'Records that were delivered and not withdrawn.',
                route('deliveries', $this->review),
            ),
        ]);
    }

    private function matching(): WorkStep
    {
        $flow = FlowQuery::of($this->review);

        return new WorkStep('matching', 'Duplicates', [
            'What is certain is joined by machine, the rest is asked of people',
        ], [], [
            $this->fact(
                'joined by machine',
                $flow->duplicatesByMachine(),
                'Records joined without a person’s asking.',
                route('matching.joined', $this->review),
                'joined by machine',
            ),
            $this->fact(
                'joined by people',
                $flow->facts->joinedByPeople,
                'Records that people joined.',
                route('matching.joined', $this->review),
                'joined by people',
            ),
            $this->fact(
                'publication',
                $flow->facts->publications,
                'Publications that the records come to.',
                route('library', $this->review),
            ),
        ]);
    }

    private function stage(Stage $stage): WorkStep
    {
        $tallies = Tallies::of($this->review, $stage);
        $progress = Progress::of($stage, $tallies);
        $people = $progress->people
            ->filter(fn (PersonProgress $one): bool => $one->done + $one->left > 0)
            ->map(fn (PersonProgress $one): string => "{$one->name}, ".number_format($one->done).
                ($one->left > 0 ? ' done, '.number_format($one->left).' left' : ' done'));
        $in = fn (ItemState ...$states): int => $tallies->in(...$states);
        $link = fn (string $state): string => route(
            'library',
            [$this->review, 'stage' => $stage->id, 'state' => $state],
        );

        return new WorkStep("stage {$stage->id}", $stage->name, self::rules($stage), $this->named(array_values($people->all())), [
            $this->fact(
                'item',
                $tallies->all(),
                'Publications at this stage.',
                route('screening', [$this->review, 'stage' => $stage->id]),
            ),
            $this->fact(
                'not decided yet',
                $in(ItemState::Waiting, ItemState::Awaited),
                'Those whose decisions are not all in, or whose text is still sought.',
                $link('pending'),
                'not decided yet',
            ),
            $this->fact(
                'disagreed on',
                $in(ItemState::Disagreement),
                'Those that people disagree on.',
                $link('disagreement'),
                'disagreed on',
            ),
            $this->fact(
                'included',
                $in(ItemState::Included),
                'Those that this stage included.',
                $link('included'),
                'included',
            ),
            $this->fact(
                'excluded',
                $in(ItemState::Excluded),
                'Those that this stage excluded.',
                $link('excluded'),
                'excluded',
            ),
        ]);
    }

    /** @return list<string> */
    private static function rules(Stage $stage): array
    {
        return array_values(array_filter([
            $stage->required_decisions === 1 ? 'One person judges each' : "{$stage->required_decisions} people judge each, blinded",
            match ($stage->work) {
                'shares' => 'Everybody has a share',
                'queue' => 'From a common queue',
                default => 'Whoever comes takes what waits',
            },
            $stage->unsure_includes ? 'Unsure counts as include' : '',
            $stage->reason_required ? 'An exclusion names its reason' : '',
            $stage->required_decisions < 2 ? '' : match ($stage->settled_by) {
                Settler::Third => 'A third person settles',
                Settler::Adjudicator => 'An adjudicator settles',
                default => 'They settle by agreement',
            },
            $stage->names_hidden ? 'Names are hidden from whoever settles' : '',
            $stage->ranked && $stage->purpose->isOnTheLine() ? 'Read in a learned order' : '',
            $stage->purpose === StagePurpose::Calibration ? 'Everybody judges all of it, to find out how alike they judge' : '',
            $stage->closed_at !== null ? 'Closed' : '',
        ]));
    }

    private function coding(): WorkStep
    {
        $coders = DB::table('answers')
            ->join('users', 'users.id', '=', 'answers.user_id')
            ->where('answers.review_id', $this->review->id)
            ->whereNull('superseded_at')
            ->groupBy('users.name')
            ->orderBy('users.name')
            ->selectRaw('users.name, count(DISTINCT publication_id) AS studies')
            ->get()
            ->map(
                fn (stdClass $one): string => "{$one->name}, {$one->studies} ".Str::plural(
                    'study',
                    (int) $one->studies,
                ),
            );
        $items = DB::table('codes')->where('review_id', $this->review->id)->whereNull('retired_at')->count();

        return new WorkStep('coding', 'Coding', [], $this->named(array_values($coders->all())), [
            $this->fact(
                'item of the codebook',
                $items,
                'Items that are asked now.',
                route('codebook', $this->review),
                'items of the codebook',
            ),
            $this->fact(
                'included report',
                FlowQuery::of($this->review)->included(),
                'Reports that the last stage included.',
                route('coding', $this->review),
            ),
            $this->fact(
                'coded in full',
                FlowQuery::of($this->review)->facts->coded,
                'Studies of which every required item is answered.',
                route('coding', $this->review),
                'coded in full',
            ),
        ]);
    }

    private function synthesis(): WorkStep
    {
        $studies = DB::table('standing_results')->where('review_id', $this->review->id)->distinct()->count('publication_id');

        return new WorkStep('synthesis', 'Synthesis', [], [], [
            $this->fact(
                'outcome',
                $this->count('outcomes', ['retired_at' => null]),
                'Outcomes that results are taken of.',
                route('outcomes', $this->review),
            ),
            $this->fact(
                'with results',
                $studies,
                'Studies that report one of them.',
                route('outcomes', $this->review),
                'with results',
            ),
            $this->fact(
                'analysis',
                $this->count('analyses', ['retired_at' => null]),
                'Analyses that are kept.',
                route('analyses', $this->review),
                'analyses',
            ),
        ]);
    }

    /**
     * @param  list<string>  $people
     * @return list<string> the first of them, and how many more
     */
    private function named(array $people): array
    {
        $more = count($people) - self::MOST_PEOPLE;

        return $more > 0 ? [...array_slice($people, 0, self::MOST_PEOPLE), "and {$more} more"] : $people;
    }

    private function fact(
        string $one,
        int $n,
        string $definition,
        string $link,
        string $many = '',
    ): WorkFact {
        return new WorkFact($n === 1 ? $one : ($many === '' ? Str::plural($one) : $many), $n, $definition, $link);
    }

    /** @param  array<string, null>  $where */
    private function count(string $table, array $where): int
    {
        return DB::table($table)->where('review_id', $this->review->id)->where($where)->count();
    }
}
