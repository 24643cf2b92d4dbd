<?php

declare(strict_types=1);

namespace App\Queries\Library;

use App\Http\Input;
use App\Models\Criterion;
use App\Models\Delivery;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Screening\Agreement;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Search\Query\ParsedQuery;
use WaryHeron\Core\Search\Query\Parser;
use WaryHeron\Core\Search\Sql\CannotAnswer;
use WaryHeron\Core\Search\Sql\PostgresPrinter;
use WaryHeron\Core\Search\Sql\SqlCondition;
use WaryHeron\Core\Search\Sql\TableLayout;

/** The filters of the library as the address gives them, each with its words and its condition. */
final readonly class LibraryFilters
{
    /** What a filter may be called in an address. */
    public const KEYS = [
        'q',
        'state',
        'stage',
        'reason',
        'answer',
        'judged',
        'coded',
        'delivery',
        'source',
        'from',
        'to',
        'type',
        'language',
        'tag',
        'duplicates',
        'no_abstract',
        'removed',
    ];

    /** So many conditions on what the team did are answered at once; each is a look into another table. */
    private const MOST_RELATED = 60;

    /**
     * @param  list<array{key: string, words: string, apply: \Closure(Builder): mixed}>  $steps
     * @param  list<string>  $ticked
     */
    private function __construct(
        private Review $review,
        public array $steps,
        public string $text,
        public ?ParsedQuery $query,
        public string $problem,
        public bool $removed,
        private array $ticked,
        private bool $all,
    ) {
    }

    /**
     * @param  ?list<string>  $only  the filters that are heard here
     * @param  string  $stageKey  the name in the address of the stage at which something stands
     */
    public static function from(
        Request $request,
        Review $review,
        User $user,
        ?array $only = null,
        string $stageKey = 'stage',
    ): self {
        $steps = [];
        $query = null;
        $problem = '';
        $text = mb_substr(Input::text($request, 'q'), 0, 5000);
        if ($text !== '') {
            $query = Parser::parse($text);
            if ($query->isComplete()) {
                try {
                    $condition = self::condition($query, $review, $user);
                    $steps[] = [
                        'key' => 'q',
                        'words' => "match {$text}",
                        'apply' => fn (Builder $b) => $b->whereRaw($condition->text, $condition->bindings),
                    ];
                } catch (CannotAnswer $cannot) {
                    $problem = $cannot->getMessage();
                }
            } else {
                $problem = $query->problems[0]->message();
            }
        }
        if ($removed = $request->boolean('removed')) {
            array_unshift($steps, [
                'key' => 'removed',
                'words' => 'removed from the review',
                'apply' => fn (Builder $b) => $b->whereNotNull('publications.removed_at'),
            ]);
        }
        $states = [
            'included' => [ItemState::Included],
            'excluded' => [ItemState::Excluded],
            'disagreement' => [ItemState::Disagreement],
            'waiting' => [ItemState::Waiting],
            'awaited' => [ItemState::Awaited],
            'undecided' => [ItemState::Waiting, ItemState::Awaited],
            'pending' => [ItemState::Waiting, ItemState::Awaited, ItemState::Disagreement],
        ];
        $stateWords = [
            'included' => 'included',
            'excluded' => 'excluded',
            'disagreement' => 'in disagreement',
            'waiting' => 'not open yet',
            'awaited' => 'not yet come to it',
            'undecided' => 'with decisions missing',
            'pending' => 'without a final decision',
        ];
        $state = Input::text($request, 'state');
        $stage = $review->stages->firstWhere('id', Input::text($request, $stageKey)) ?? $review->firstStage();
        $at =
            $review->stages->count() > 1 && (isset($states[$state]) || self::id($request, 'reason') !== null)
                ? ' at “'.mb_strtolower($stage->name).'”'
                : '';
        if (isset($states[$state])) {
            $steps[] = [
                'key' => 'state',
                'words' => $stateWords[$state].$at,
                'apply' => fn (Builder $b) => self::whereItem(
                    $b,
                    $stage,
                    fn (Builder $i) => $i->whereIn(
                        'items.state',
                        array_map(fn (ItemState $s): string => $s->value, $states[$state]),
                    ),
                ),
            ];
        }
        if (
            ! isset($states[$state]) &&
            $stage->id !== $review->firstStage()->id &&
            self::id($request, 'reason') === null
        ) {
            $steps[] = [
                'key' => 'stage',
                'words' => 'that came to “'.mb_strtolower($stage->name).'”',
                'apply' => fn (Builder $b) => self::whereItem(
                    $b,
                    $stage,
                    fn (Builder $i) => $i->whereNotIn('items.state', [
                        ItemState::Folded->value,
                        ItemState::Removed->value,
                    ]),
                ),
            ];
        }
        $criterion =
            self::id($request, 'reason') === null
                ? null
                : Criterion::query()->where('review_id', $review->id)->find(self::id($request, 'reason'));
        if ($criterion !== null) {
            $steps[] = [
                'key' => 'reason',
                'words' => "excluded: {$criterion->reason}",
                'apply' => fn (Builder $b) => self::whereItem(
                    $b,
                    $stage,
                    fn (Builder $i) => $i
                        ->where('items.state', ItemState::Excluded->value)
                        ->where('items.criterion_id', $criterion->id),
                ),
            ];
        }
        [$asked, $answer] = [...explode(':', Input::text($request, 'answer'), 2), ''];
        $answered = in_array($answer, ['yes', 'no', 'unclear'], true)
            ? Criterion::query()->where('review_id', $review->id)->where('id', $asked)->first()
            : null;
        if ($answered !== null) {
            $steps[] = [
                'key' => 'answer',
                'words' => "answered {$answer} to “{$answered->question}”",
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn (Builder $d) => Visibility::decisions(
                        $d
                            ->selectRaw('1')
                            ->from('decisions')
                            ->join('items', 'items.id', '=', 'decisions.item_id')
                            ->whereColumn('items.review_id', 'publications.review_id')
                            ->whereColumn('items.publication_id', 'publications.id')
                            ->where('items.stage_id', $stage->id)
                            ->whereNull('decisions.superseded_at')
                            ->whereNotNull('decisions.verdict')
                            ->where("decisions.answers->{$answered->id}", $answer),
                        $user,
                    ),
                ),
            ];
        }
        foreach (self::judged($request, $review) as $i => [$person, $verdict]) {
            $steps[] = [
                'key' => 'judged',
                'words' => ($i === 0 ? 'open, judged ' : 'and ')."{$verdict} by {$person->name}",
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn (Builder $d) => Agreement::beforeOpening(
                        $d
                            ->selectRaw('1')
                            ->from('decisions')
                            ->join('items', 'items.id', '=', 'decisions.item_id')
                            ->whereColumn('items.review_id', 'publications.review_id')
                            ->whereColumn('items.publication_id', 'publications.id')
                            ->where('items.stage_id', $stage->id)
                            ->whereNotNull('items.opened_at')
                            ->where('decisions.user_id', $person->id)
                            ->where('decisions.verdict', $verdict)
                            ->whereRaw('NOT '.Visibility::NAMES_HIDDEN, [$user->id]),
                    ),
                ),
            ];
        }
        if ($request->boolean('coded')) {
            $steps[] = [
                'key' => 'coded',
                'words' => 'with coded answers',
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn ($a) => $a
                        ->selectRaw('1')
                        ->from('answers')
                        ->whereColumn('answers.review_id', 'publications.review_id')
                        ->whereColumn('answers.publication_id', 'publications.id')
                        ->whereNull('answers.superseded_at')
                        ->whereNotNull('answers.value'),
                ),
            ];
        }
        $delivery =
            self::id($request, 'delivery') === null
                ? null
                : Delivery::query()->where('review_id', $review->id)->find(self::id($request, 'delivery'));
        if ($delivery !== null) {
            $steps[] = [
                'key' => 'delivery',
                'words' => 'from '.($delivery->file_name ?? $delivery->source_name),
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn ($r) => $r
                        ->selectRaw('1')
                        ->from('records')
                        ->whereColumn('records.review_id', 'publications.review_id')
                        ->whereColumn('records.publication_id', 'publications.id')
                        ->where('records.delivery_id', $delivery->id),
                ),
            ];
        }
        [$from, $to] = [(int) Input::text($request, 'from'), (int) Input::text($request, 'to')];
        if ($from > 0 || $to > 0) {
            $words =
                $from > 0 && $to > 0
                    ? ($from === $to
                        ? "of {$from}"
                        : "of {$from} to {$to}")
                    : ($from > 0
                        ? "of {$from} or later"
                        : "of {$to} or before");
            $steps[] = [
                'key' => 'from',
                'words' => $words,
                'apply' => fn (Builder $b) => $b->whereRaw('coalesce(publications.year, 0) BETWEEN ? AND ?', [
                    $from > 0 ? min($from, 9999) : 1,
                    $to > 0 ? min($to, 9999) : 9999,
                ]),
            ];
        }
        foreach (['type' => 'of the type', 'language' => 'in'] as $field => $words) {
            $value = mb_substr(Input::text($request, $field), 0, 80);
            if ($value !== '') {
                $steps[] = [
                    'key' => $field,
                    'words' => "{$words} {$value}",
                    'apply' => fn (Builder $b) => $b->where("publications.{$field}", $value),
                ];
            }
        }
        $source = mb_substr(Input::text($request, 'source'), 0, 120);
        if ($source !== '') {
            $steps[] = [
                'key' => 'source',
                'words' => "from {$source}",
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn ($r) => $r
                        ->selectRaw('1')
                        ->from('records')
                        ->join('deliveries', 'deliveries.id', '=', 'records.delivery_id')
                        ->whereColumn('records.review_id', 'publications.review_id')
                        ->whereColumn('records.publication_id', 'publications.id')
                        ->where('deliveries.source_name', $source),
                ),
            ];
        }
        $tag = mb_substr(Input::text($request, 'tag'), 0, 60);
        if ($tag !== '') {
            $steps[] = [
                'key' => 'tag',
                'words' => "tagged “{$tag}”",
                'apply' => fn (Builder $b) => $b->whereExists(
                    fn ($t) => $t
                        ->selectRaw('1')
                        ->from('publication_tags')
                        ->whereColumn('publication_tags.review_id', 'publications.review_id')
                        ->whereColumn('publication_tags.publication_id', 'publications.id')
                        ->where('publication_tags.tag', $tag),
                ),
            ];
        }
        if ($request->boolean('duplicates')) {
            $steps[] = [
                'key' => 'duplicates',
                'words' => 'delivered more than once',
                'apply' => fn (Builder $b) => $b->where('publications.records_count', '>', 1),
            ];
        }
        if ($request->boolean('no_abstract')) {
            $steps[] = [
                'key' => 'no_abstract',
                'words' => 'without an abstract',
                'apply' => fn (Builder $b) => $b->where('publications.abstract', ''),
            ];
        }

        $steps = array_values(
            array_filter($steps, fn (array $step): bool => $only === null || in_array($step['key'], $only, true)),
        );

        return new self(
            $review,
            $steps,
            $text,
            $query?->isComplete() === true && $problem === '' ? $query : null,
            $problem,
            $removed,
            array_values(array_filter((array) $request->input('ids'), is_string(...))),
            $request->filled('all'),
        );
    }

    /** The review's publications, before any filter: those removed are left out, unless they are asked for. */
    public function all(): Builder
    {
        return DB::table('publications')
            ->where('publications.review_id', $this->review->id)
            ->whereNull('publications.merged_into')
            ->when(! $this->removed, fn (Builder $all) => $all->whereNull('publications.removed_at'));
    }

    /** The publications that the filters leave. */
    public function publications(): Builder
    {
        return $this->narrow($this->all());
    }

    /** Applies every filter to a query that has publications in it. */
    public function narrow(Builder $query): Builder
    {
        foreach ($this->steps as $step) {
            $step['apply']($query);
        }

        return $query;
    }

    /** Whether anything is ticked: if nothing is, that never means everything. */
    public function hasChosen(): bool
    {
        return $this->all || $this->ticked !== [];
    }

    /** The publications ticked on the page, or all that the filters leave where that is ticked. */
    public function chosen(): Builder
    {
        return $this->all ? $this->publications() : $this->all()->whereIn('publications.id', $this->ticked);
    }

    /** @return list<array{User, string}> people and what they judged, from "person:verdict,person:verdict" */
    private static function judged(Request $request, Review $review): array
    {
        $judged = [];
        foreach (array_slice(explode(',', Input::text($request, 'judged')), 0, 9) as $one) {
            if (
                preg_match('/^([0-9a-z]{26}):(include|exclude|unsure)$/', $one, $m) === 1 &&
                ($person = User::query()
                    ->whereKey($m[1])
                    ->whereHas('memberships', fn ($in) => $in->where('review_id', $review->id))
                    ->first()) !== null
            ) {
                $judged[] = [$person, $m[2]];
            }
        }

        return $judged;
    }

    private static function id(Request $request, string $key): ?string
    {
        $id = Input::text($request, $key);

        return preg_match('/^[0-9a-hjkmnp-tv-z]{26}$/i', $id) === 1 ? strtolower($id) : null;
    }

    private static function condition(ParsedQuery $query, Review $review, User $user): SqlCondition
    {
        $condition = (new PostgresPrinter(
            new TableLayout(
                words: 'publications.words',
                journalWords: null,
                exact: ['doi' => 'publications.doi'],
                limits: [
                    'year' => 'publications.year',
                    'language' => 'lower(publications.language)',
                    'type' => 'publications.type',
                ],
                titleWords: 'publications.title_words',
                authorsAlone: 'publications.author_words',
                related: TeamFields::of($review, $user),
                wordList: new ReviewWords($review->id),
            ),
        ))->condition($query->root);
        if (substr_count($condition->text, 'EXISTS') > self::MOST_RELATED) {
            throw new CannotAnswer(
                'At most '.self::MOST_RELATED.' notes, tags and decisions can be asked for at once. Ask for fewer.',
            );
        }

        return $condition;
    }

    private static function whereItem(Builder $builder, Stage $stage, \Closure $condition): Builder
    {
        return $builder->whereExists(
            fn ($item) => $condition(
                $item
                    ->selectRaw('1')
                    ->from('items')
                    ->whereColumn('items.review_id', 'publications.review_id')
                    ->whereColumn('items.publication_id', 'publications.id')
                    ->where('items.stage_id', $stage->id),
            ),
        );
    }
}
