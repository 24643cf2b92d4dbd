<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Criterion;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Ranking;
use App\Models\Review;
use App\Models\Stage;
use App\Models\TalkMessage;
use App\Models\User;
use App\Queries\FullTexts\Retrievals;
use App\Queries\Library\LibraryFilters;
use App\Queries\Library\Tags;
use App\Queries\Shared\Tallies;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Lead\TextLead;
use WaryHeron\Core\Screening\Lead\TextLeads;
use WaryHeron\Core\Screening\Ranking\JudgedText;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;
use WaryHeron\Core\Screening\Ranking\WordWeight;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Search\Text\Segment;
use WaryHeron\Core\Text\AbstractPart;
use WaryHeron\Core\Text\StructuredAbstract;

/** What the Reading Desk needs: items for one person with their own decision, and nobody else's. */
final class Desk
{
    private const AHEAD = 5;

    private const BEHIND = 3;

    private ?Marks $marked = null;

    private readonly Review $review;

    public function __construct(
        private readonly Stage $stage,
        private readonly User $user,
        private readonly ?LibraryFilters $filters = null,
    ) {
        $this->review = $stage->review;
    }

    /** The stage that a person is led to: the first at which something waits for them. */
    public static function stageFor(Review $review, User $user): Stage
    {
        $tallies = Tallies::ofStages($review);

        return $review->stages->first(
            fn (Stage $stage): bool => $tallies[$stage->id]->in(ItemState::Waiting) > 0 &&
                ScreenerCounts::of($user, $stage, $tallies[$stage->id])->left > 0,
        ) ?? $review->firstStage();
    }

    /** @return list<array<string, mixed>> items without a decision of mine that have not opened, in reading order */
    public function ahead(int $after = 0, int $most = self::AHEAD): array
    {
        $ids = $this->stage->ranked ? $this->ranked($after, $most) : [];
        $left = $most - count($ids);
        if ($left > 0) {
            $from = $this->stage->ranked ? max(0, $after - Ranking::UNRANKED) : $after;
            $ids = [...$ids, ...$this->unranked($from, $left)];
        }
        $items = $ids === [] ? [] : $this->items($this->base()->whereIn('items.id', $ids));
        $places = array_flip($ids);
        usort($items, fn (array $a, array $b): int => $places[$a['id']] <=> $places[$b['id']]);

        return $items;
    }

    /** @return list<string> of those that wait, in the order of the stage or of one's shares */
    private function unranked(int $from, int $most): array
    {
        $isShared = $this->stage->work === 'shares';
        $waiting = $this->waiting()
            ->where('items.position', '>', $from)
            ->when($isShared, fn (Builder $shares) => $shares->where('assignments.position', '>', $from))
            ->when($this->stage->ranked, fn (Builder $unranked) => $unranked->whereNotExists(fn (Builder $rank) => $rank
                ->selectRaw('1')
                ->from('item_ranks')
                ->whereColumn('item_ranks.review_id', 'items.review_id')
                ->whereColumn('item_ranks.item_id', 'items.id')))
            ->orderBy($isShared ? 'assignments.position' : 'items.position')
            ->limit($most);

        return array_values($waiting->pluck('items.id')->all());
    }

    /** @return list<string> items that have a rank, in its order */
    private function ranked(int $after, int $most): array
    {
        return $after >= Ranking::UNRANKED
            ? []
            : array_values(
                $this->waiting()
                    ->join(
                        'item_ranks',
                        fn ($rank) => $rank
                            ->on('item_ranks.review_id', '=', 'items.review_id')
                            ->on('item_ranks.item_id', '=', 'items.id'),
                    )
                    ->where('item_ranks.stage_id', $this->stage->id)
                    ->where('item_ranks.rank', '>', $after)
                    ->orderBy('item_ranks.rank')
                    ->limit($most)
                    ->pluck('items.id')
                    ->all(),
            );
    }

    /**
     * @return ?array{score: ?float, drawn: bool, check: bool, words: list<WordWeight>, judged: int} why an item stands
     *     where it does; null where it has no rank
     */
    public function why(string $id): ?array
    {
        $rank = DB::table('item_ranks')->where('review_id', $this->review->id)->where('item_id', $id)->first();
        if ($rank === null) {
            return null;
        }
        $ranking = ReadingProgress::ranking($this->stage);
        $judged = $ranking?->model === null ? null : $this->judged(RelevanceModel::fromArray($ranking->model), $id);

        return [
            'score' => $judged?->score,
            'drawn' => (bool) $rank->drawn,
            'check' => $rank->rank < Ranking::RANKED,
            'words' => $judged->words ?? [],
            'judged' => $ranking->judged ?? 0,
        ];
    }

    /** By the words that the stage shows. */
    private function judged(RelevanceModel $model, string $id): ?JudgedText
    {
        $text = DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id')
            ->where('items.review_id', $this->review->id)
            ->where('items.id', $id)
            ->first(['title', 'abstract']);
        $abstract = $this->stage->purpose === StagePurpose::Titles ? '' : $text->abstract ?? '';

        return $text === null ? null : $model->judged(RelevanceModel::text($text->title, $abstract));
    }

    /**
     * @return list<array{id: string, title: string, mine: array<string, mixed>}> what I judged last, the oldest of them
     *     first; titles only
     */
    public function behind(): array
    {
        $rows = $this->base()
            ->whereNotNull('decisions.verdict')
            ->orderByDesc('decisions.created_at')
            ->limit(self::BEHIND)
            ->get()
            ->all();

        return array_map(
            fn (stdClass $row): array => ['id' => $row->id, 'title' => $row->title, 'mine' => $this->mine($row)],
            array_reverse(array_values($rows)),
        );
    }

    /**
     * @return array{open: bool, mine: array{id: string, verdict: ?string, criterion: ?string, note: string,
     *     answers: array<string, string>}} how an item stands for whoever decided so
     */
    public static function standing(Decision $decision): array
    {
        $verdict = $decision->verdict?->value;

        return [
            'open' => $decision->item->state->isOpen(),
            'mine' => [
                'id' => $verdict === null ? '' : $decision->id,
                'verdict' => $verdict,
                'criterion' => $decision->criterion_id,
                'note' => $verdict === null ? '' : $decision->note,
                'answers' => $decision->answers,
            ],
        ];
    }

    /** @return ?array<string, mixed> one item, open to me or not yet judged by me */
    public function item(string $id): ?array
    {
        $item = $this->items($this->base()->where('items.id', $id))[0] ?? null;

        return $item === null || ! $item['open']
            ? $item
            : [...$item, 'talk' => $this->talkOf(Item::query()->where('review_id', $this->review->id)->findOrFail($id))];
    }

    /** @return array{left: int, done: int} */
    public function counts(): array
    {
        $counts = ScreenerCounts::of($this->user, $this->stage);

        return ['left' => $counts->left, 'done' => $counts->done];
    }

    /** @return list<array{id: string, question: string, reason: string}> */
    public function criteria(): array
    {
        return array_values(
            $this->stage
                ->criteriaInUse()
                ->map(fn (Criterion $c): array => ['id' => $c->id, 'question' => $c->question, 'reason' => $c->reason])
                ->all(),
        );
    }

    /**
     * @return list<array{key: ?string, words: string, count: int}> what the reading list holds, step by step, each with
     *     what is left
     */
    public function steps(): array
    {
        $counts = $this->counts();
        $steps = [];
        $steps[] = $this->stage->work === 'shares'
            ? ['key' => null, 'words' => 'in my shares', 'count' => $this->shared()]
            : ['key' => null, 'words' => 'at this stage', 'count' => Tallies::of($this->review, $this->stage)->all()];
        $steps[] = ['key' => null, 'words' => 'not judged by me, not open', 'count' => $counts['left']];
        if ($this->filters?->isAny() === true) {
            $left = (new self($this->stage, $this->user))
                ->waiting()
                ->join('publications', 'publications.id', '=', 'items.publication_id')
                ->whereColumn('publications.review_id', 'items.review_id');
            foreach ($this->filters->filters as $filter) {
                $filter->apply($left);
                $steps[] = ['key' => $filter->key(), 'words' => $filter->words(), 'count' => (clone $left)->count()];
            }
        }

        return $steps;
    }

    private function shared(): int
    {
        return DB::table('assignments')
            ->where('review_id', $this->review->id)
            ->where('stage_id', $this->stage->id)
            ->where('user_id', $this->user->id)
            ->count();
    }

    private function base(): Builder
    {
        return DB::table('items')
            ->join('publications', 'publications.id', '=', 'items.publication_id')
            ->whereColumn('publications.review_id', 'items.review_id')
            ->leftJoin('decisions', fn ($mine) => $mine
                ->on('decisions.item_id', '=', 'items.id')
                ->on('decisions.review_id', '=', 'items.review_id')
                ->where('decisions.user_id', $this->user->id)
                ->whereNull('decisions.superseded_at'))
            ->where('items.review_id', $this->review->id)
            ->where('items.stage_id', $this->stage->id)
            ->select(['items.id', 'items.position', 'items.opened_at', 'items.publication_id', 'title', 'authors'])
            ->addSelect(['journal', 'year', 'place', 'doi', 'abstract', 'language', 'records_count'])
            ->addSelect(['decisions.id as decision_id', 'decisions.verdict', 'decisions.criterion_id'])
            ->addSelect(['decisions.note', 'decisions.answers'])
            ->when($this->stage->ranked, fn (Builder $items) => $items
                ->leftJoin('item_ranks', fn ($rank) => $rank
                    ->on('item_ranks.review_id', '=', 'items.review_id')
                    ->on('item_ranks.item_id', '=', 'items.id'))
                ->addSelect('item_ranks.rank'));
    }

    /**
     * Items that wait for my judgement, by themselves: they are found in order, and what is shown of them is read
     * afterwards.
     */
    private function waiting(): Builder
    {
        $items = $this->mineToDo();
        $items
            ->where('items.state', ItemState::Waiting->value)
            ->whereNotExists(
                fn (Builder $mine) => $mine
                    ->selectRaw('1')
                    ->from('decisions')
                    ->whereColumn('decisions.review_id', 'items.review_id')
                    ->whereColumn('decisions.item_id', 'items.id')
                    ->where('decisions.user_id', $this->user->id)
                    ->whereNull('decisions.superseded_at')
                    ->whereNotNull('decisions.verdict'),
            );
        if ($this->filters?->isAny() === true) {
            $this->filters->narrow(
                $items
                    ->join('publications', 'publications.id', '=', 'items.publication_id')
                    ->whereColumn('publications.review_id', 'items.review_id'),
            );
        }

        return $items;
    }

    /** What the way of working gives this person, whether done or not. */
    private function mineToDo(): Builder
    {
        return match ($this->stage->work) {
            'shares' => Shares::undone($this->stage)
                ->join('items', 'items.id', '=', 'assignments.item_id')
                ->whereColumn('items.review_id', 'assignments.review_id')
                ->where('assignments.user_id', $this->user->id),
            'queue' => DB::table('item_claims')
                ->join('items', 'items.id', '=', 'item_claims.item_id')
                ->whereColumn('items.review_id', 'item_claims.review_id')
                ->where('item_claims.review_id', $this->review->id)
                ->where('item_claims.stage_id', $this->stage->id)
                ->where('item_claims.user_id', $this->user->id)
                ->where('item_claims.until', '>', now()),
            default => DB::table('items')
                ->where('items.review_id', $this->review->id)
                ->where('items.stage_id', $this->stage->id),
        };
    }

    /** @return list<array<string, mixed>> */
    private function items(Builder $query): array
    {
        $rows = array_values($query->get()->all());
        $publications = array_column($rows, 'publication_id');
        $sources = $this->sources($publications);
        $tags = Tags::of($this->review, $publications);
        $inFull = $this->stage->purpose === StagePurpose::FullText;
        $copies = $inFull ? Retrievals::copies($this->review, $publications) : [];

        return array_map(
            fn (stdClass $row): array => [
                ...$this->shown($row),
                'sources' => $sources[$row->publication_id] ?? [],
                'tags' => $tags[$row->publication_id] ?? [],
                'copies' => $copies[$row->publication_id] ?? [],
            ],
            $rows,
        );
    }

    /** @return array<string, mixed> */
    private function shown(stdClass $row): array
    {
        if ($this->stage->purpose === StagePurpose::Titles) {
            $row->abstract = '';
        }
        $meta = [$this->shortened($row->authors), $row->journal, (string) $row->year, $row->place];

        return [
            'id' => $row->id,
            'position' => $this->stage->ranked ? $row->rank ?? Ranking::UNRANKED + $row->position : $row->position,
            'open' => $row->opened_at !== null,
            'title' => $row->title,
            'titleParts' => $this->marked()->highlighter->segments($row->title),
            'meta' => implode(' · ', array_filter($meta)),
            'doi' => $row->doi,
            'language' => $row->language,
            'abstract' => $this->abstract($row->abstract),
            'leads' => $this->leads($row),
            'talk' => [],
            'records' => $row->records_count,
            'publication' => route('publications.show', [$this->review, $row->publication_id], false),
            'mine' => $this->mine($row),
        ];
    }

    /** @return list<array{label: string, parts: list<Segment>}> */
    private function abstract(string $text): array
    {
        return array_map(
            fn (AbstractPart $part): array => [
                'label' => $part->label,
                'parts' => $this->marked()->highlighter->segments($part->text),
            ],
            StructuredAbstract::parts($text),
        );
    }

    /** @return array{id: string, verdict: ?string, criterion: ?string, note: string, answers: array<string, string>} */
    private function mine(stdClass $row): array
    {
        return [
            'id' => $row->verdict === null ? '' : $row->decision_id,
            'verdict' => $row->verdict,
            'criterion' => $row->criterion_id,
            'note' => $row->verdict === null ? '' : $row->note,
            'answers' => $row->answers === null ? [] : json_decode($row->answers, true),
        ];
    }

    private function shortened(string $authors): string
    {
        $names = explode('; ', $authors);

        return count($names) > 6
            ? implode(', ', array_slice($names, 0, 5)).' and '.(count($names) - 5).' more'
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
                ->where('records.review_id', $this->review->id)
                ->whereIn('records.publication_id', $publications)
                ->orderBy('records.id')
                ->get(['publication_id', 'source_name', 'file_name']) as $record
        ) {
            $sources[$record->publication_id][] =
                $record->source_name.($record->file_name === null ? '' : ", {$record->file_name}");
        }

        return array_map(fn (array $of): array => array_values(array_unique($of)), $sources);
    }

    /**
     * @return list<array{key: string, name: string, kind: string, style: string, criterion: ?string}> what is marked,
     *     for the legend
     */
    public function marks(): array
    {
        return $this->marked()->lists;
    }

    private function marked(): Marks
    {
        return $this->marked ??= Marks::of($this->review);
    }

    /**
     * @return list<array{about: string, sentence: string, confidence: string, because: string, criterion: ?string}>
     *     sentences that state what a criterion asks about
     */
    private function leads(stdClass $row): array
    {
        $told = fn (TextLead $lead, ?string $criterion): array => [
            'about' => $lead->about,
            'sentence' => $lead->sentence,
            'confidence' => $lead->confidence,
            'because' => $lead->because,
            'criterion' => $criterion,
        ];
        $leads = array_map(fn (TextLead $lead): array => $told($lead, null), TextLeads::of($row->title, $row->abstract));
        foreach ($this->marked()->lists as $list) {
            $lead = $list['kind'] === 'concept' ? null : $this->richest($list, $row);
            if ($lead !== null) {
                $leads[] = $told($lead, $list['criterion']);
            }
        }

        return $leads;
    }

    /** @param  array<string, mixed>  $list  of words */
    private function richest(array $list, stdClass $row): ?TextLead
    {
        $isMarked = fn (Segment $part): bool => in_array($list['key'], $part->lists, true);
        $marked = fn (string $sentence): int => count(
            array_filter($this->marked()->highlighter->segments($sentence), $isMarked),
        );

        return TextLeads::richest($list['name'], $row->title, $row->abstract, $marked);
    }

    /** @return list<array{id: string, by: string, at: string, body: string}> empty while the item is blinded */
    public function talkOf(Item $item): array
    {
        $nameless = Visibility::hidesNames($item, $this->user);

        return array_values(
            OpenItems::talk($item)
                ->map(
                    fn (TalkMessage $one): array => [
                        'id' => $one->id,
                        'by' => $nameless && $one->user_id !== $this->user->id ? Visibility::NAMELESS : $one->user->name,
                        'at' => $one->created_at->format('j M Y, H:i'),
                        'body' => $one->body,
                    ],
                )
                ->all(),
        );
    }
}
