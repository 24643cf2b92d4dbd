<?php

declare(strict_types=1);

namespace App\Queries\Screening;

use App\Models\Item;
use App\Models\Ranking;
use App\Models\Review;
use App\Models\Stage;
use App\Models\TalkMessage;
use App\Models\User;
use App\Queries\Library\LibraryFilters;
use App\Queries\Screening\Reading\AskedCriterion;
use App\Queries\Screening\Reading\DeskItem;
use App\Queries\Screening\Reading\DeskItems;
use App\Queries\Screening\Reading\JudgedItem;
use App\Queries\Screening\Reading\MyVerdict;
use App\Queries\Screening\Reading\PlaceInOrder;
use App\Queries\Screening\Reading\ReadingList;
use App\Queries\Screening\Reading\ReadingStep;
use App\Queries\Screening\Reading\TalkLine;
use App\Queries\Shared\Tallies;
use App\Queries\Shared\Visibility;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use stdClass;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Screening\Ranking\JudgedText;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;
use WaryHeron\Core\Screening\StagePurpose;

/** What the Reading Desk needs: items for one person with their own decision, and nobody else's. */
final class Desk
{
    private const AHEAD = 5;

    private const BEHIND = 3;

    private ?Marks $marks = null;

    private readonly Review $review;

    private readonly ReadingList $list;

    public function __construct(
        private readonly Stage $stage,
        private readonly User $user,
        ?LibraryFilters $filters = null,
    ) {
        $this->review = $stage->review;
        $this->list = new ReadingList($stage, $user, $filters);
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

    /** @return list<DeskItem> items without a decision of mine that have not opened, in reading order */
    public function ahead(int $after = 0, int $most = self::AHEAD): array
    {
        $ids = $this->list->after($after, $most);
        $items = $ids === [] ? [] : $this->items($this->base()->whereIn('items.id', $ids));
        $places = array_flip($ids);
        usort($items, fn (DeskItem $a, DeskItem $b): int => $places[$a->id] <=> $places[$b->id]);

        return $items;
    }

    /** Null where the item has no rank. */
    public function why(string $id): ?PlaceInOrder
    {
        $rank = DB::table('item_ranks')->where('review_id', $this->review->id)->where('item_id', $id)->first();
        if ($rank === null) {
            return null;
        }
        $ranking = ReadingProgress::ranking($this->stage);
        $judged = $ranking?->model === null ? null : $this->judged(RelevanceModel::fromArray($ranking->model), $id);

        return new PlaceInOrder(
            score: $judged?->score,
            drawn: (bool) $rank->drawn,
            check: $rank->rank < Ranking::RANKED,
            words: $judged->words ?? [],
            judged: $ranking->judged ?? 0,
        );
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

    /** @return list<JudgedItem> what I judged last, the oldest of them first */
    public function behind(): array
    {
        $rows = $this->base()
            ->whereNotNull('decisions.verdict')
            ->orderByDesc('decisions.created_at')
            ->orderByDesc('decisions.id') // several in one second
            ->limit(self::BEHIND)
            ->get()
            ->all();

        return array_map(
            fn (stdClass $row): JudgedItem => new JudgedItem($row->id, $row->title, MyVerdict::ofRow($row)),
            array_reverse(array_values($rows)),
        );
    }

    /** One item, open to me or not yet judged by me. */
    public function item(string $id): ?DeskItem
    {
        $item = $this->items($this->base()->where('items.id', $id))[0] ?? null;

        return $item?->open === true
            ? $item->withTalk($this->talkOf(Item::query()->where('review_id', $this->review->id)->findOrFail($id)))
            : $item;
    }

    public function counts(): ScreenerCounts
    {
        return ScreenerCounts::of($this->user, $this->stage);
    }

    /** @return list<AskedCriterion> */
    public function criteria(): array
    {
        return AskedCriterion::ofStage($this->stage);
    }

    /** @return list<ReadingStep> what the reading list holds, step by step, each with what is left */
    public function steps(): array
    {
        return $this->list->steps($this->counts()->left);
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

    /** @return list<DeskItem> */
    private function items(Builder $query): array
    {
        return (new DeskItems($this->stage, $this->marked()))->of(array_values($query->get()->all()));
    }

    /** @return list<MarkedList> what is marked, for the legend */
    public function marks(): array
    {
        return $this->marked()->lists;
    }

    private function marked(): Marks
    {
        return $this->marks ??= Marks::of($this->review);
    }

    /** @return list<TalkLine> empty while the item is blinded */
    public function talkOf(Item $item): array
    {
        $nameless = Visibility::hidesNames($item, $this->user);

        return array_values(
            OpenItems::talk($item)
                ->map(fn (TalkMessage $one): TalkLine => new TalkLine(
                    $one->id,
                    $nameless && $one->user_id !== $this->user->id ? Visibility::NAMELESS : $one->user->name,
                    $one->created_at->format('j M Y, H:i'),
                    $one->body,
                ))
                ->all(),
        );
    }
}
