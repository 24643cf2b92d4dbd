<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Library\TagPublications;
use App\Actions\Screening\ClaimItems;
use App\Actions\Screening\PostToTalk;
use App\Actions\Screening\RecordDecision;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Screening\VerdictRequest;
use App\Models\Delivery;
use App\Models\Item;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use App\Queries\Library\LibraryChoices;
use App\Queries\Library\LibraryFilters;
use App\Queries\Library\Tags;
use App\Queries\Screening\Desk;
use App\Queries\Screening\MyDecisions;
use App\Queries\Screening\Reading\DeskItem;
use App\Queries\Screening\Reading\DeskStart;
use App\Queries\Screening\Reading\Standing;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use WaryHeron\Core\Screening\StagePurpose;
use WaryHeron\Core\Screening\Verdict;

final class DeskController extends Controller
{
    /**
     * Items ahead of the one at hand: more than ten, to go on with while a connection is lost; a list shows more of
     * them at once.
     */
    private const AHEAD = 16;

    /** So many are at hand, in all that is not a common queue: a good hour's work, should the line be lost. */
    private const AT_HAND = 100;

    /** So many come when the page asks for more. */
    private const MANY = 40;

    /** Milliseconds, more or less, until a page that was just opened asks for more. */
    private const FIRST_PAUSE = 3000;

    private const LISTED = 30;

    /** From a common queue one takes no more than one will soon judge. */
    private const CLAIMED = 5;

    /** What narrows the reading list down, by the names that the library uses too. */
    private const FILTERS = ['q', 'tag', 'source', 'delivery', 'from', 'to', 'type', 'language', 'no_abstract'];

    public function show(Request $request, Review $review, ClaimItems $claim, ?Item $item = null): View
    {
        $me = $this->me($request);
        $stage = $item === null ? $this->stage($request, $review) : $review->stageOf($item);
        $listed = $request->query('layout') === 'list';
        $most = $this->most($request, $stage);
        $claim->execute($me, $stage, $most);
        $filters = $this->filters($request, $review);
        $desk = new Desk($stage, $me, $filters);
        $items = self::from($desk, $item, $most);
        $kept = array_filter($request->only(self::FILTERS), is_string(...));
        $address = ['stage' => $stage->id, ...$kept];

        $begun = self::begun($desk, $stage, $me);

        return view('screening.desk', [
            ...compact('review', 'stage', 'listed', 'kept'),
            'criteria' => $begun->criteria,
            'empty' => $items === [],
            'counts' => $begun->counts,
            'steps' => $desk->steps(),
            'problem' => $filters->line->problem,
            'choices' => LibraryChoices::of($review),
            'deliveries' => self::deliveries($review),
            'inFull' => $begun->inFull,
            'desk' => [
                'items' => $items,
                'listed' => $listed,
                'address' => http_build_query($address + ($listed ? ['layout' => 'list'] : [])),
                ...get_object_vars($begun),
            ],
        ]);
    }

    /** @return Collection<int, Delivery> to filter by */
    private static function deliveries(Review $review): Collection
    {
        return $review
            ->deliveries()
            ->whereNull('withdrawn_at')
            ->orderBy('id')
            ->get(['id', 'source_name', 'file_name']);
    }

    /** @return list<DeskItem> the item that was asked for, and what comes after it or is left before it */
    private static function from(Desk $desk, ?Item $item, int $most): array
    {
        $current = $item === null ? null : $desk->item($item->id);
        if ($current === null) {
            return $desk->ahead(0, $most);
        }
        $ahead = $desk->ahead($current->position, $most);
        if ($ahead === []) {
            $left = $desk->ahead(0, $most);
            $ahead = array_filter($left, fn (DeskItem $one): bool => $one->id !== $current->id);
        }

        return [$current, ...array_values($ahead)];
    }

    private static function begun(Desk $desk, Stage $stage, User $me): DeskStart
    {
        return new DeskStart(
            $desk->behind(),
            $desk->counts(),
            $desk->criteria(),
            inFull: $stage->purpose === StagePurpose::FullText,
            // people who sat down together do not all ask for more in the same second
            low: $stage->work === 'queue' ? 2 : self::AT_HAND + (crc32($me->id) % self::MANY),
            many: self::MANY,
            pause: self::FIRST_PAUSE,
            marks: $desk->marks(),
            marksKey: "heron-marks-{$stage->review_id}",
            urls: self::addresses($stage),
            queue: "heron-desk-{$stage->review_id}-{$me->id}",
        );
    }

    /** @return array<string, string> */
    private static function addresses(Stage $stage): array
    {
        $review = $stage->review_id;

        return [
            'tag' => route('desk.tag', [$review, 'ITEM'], false),
            'talk' => route('desk.talk', [$review, 'ITEM'], false),
            'desk' => route('desk', $review, false),
            'item' => route('desk.item', [$review, 'ITEM'], false),
            'decide' => route('desk.decide', [$review, 'ITEM'], false),
            'why' => $stage->ranked ? route('desk.why', [$review, 'ITEM'], false) : '',
            'ahead' => route('desk.ahead', $review, false),
        ];
    }

    public function ahead(Request $request, Review $review, ClaimItems $claim): JsonResponse
    {
        $stage = $this->stage($request, $review);
        $most =
            $stage->work === 'queue' ? self::CLAIMED : min(self::MANY, max(1, $request->integer('many', self::AHEAD)));
        $claim->execute($this->me($request), $stage, $most);
        $desk = $this->desk($request, $stage);

        return response()->json([
            'items' => $desk->ahead($request->integer('after'), $most),
            'counts' => $desk->counts(),
            'pause' => $this->pause($request),
        ]);
    }

    /** What I decided last, by how I decided. */
    public function mine(Request $request, Review $review): View
    {
        $stage = $this->stage($request, $review);
        $verdict = Verdict::tryFrom(Input::text($request, 'verdict'));
        $mine = new MyDecisions($this->me($request), $stage);

        return view('screening.mine', [
            'review' => $review,
            'stage' => $stage,
            'verdict' => $verdict === null ? '' : $verdict->value,
            'counts' => $mine->counts(),
            'decisions' => $mine->last($verdict),
        ]);
    }

    public function item(Request $request, Review $review, Item $item): JsonResponse
    {
        return response()->json(['item' => (new Desk($review->stageOf($item), $this->me($request)))->item($item->id)]);
    }

    public function why(Request $request, Review $review, Item $item): JsonResponse
    {
        return response()->json(['why' => (new Desk($review->stageOf($item), $this->me($request)))->why($item->id)]);
    }

    /** Tags are the team's, not a decision: they are seen by everybody at once. */
    public function tag(Request $request, Review $review, Item $item, TagPublications $tag): JsonResponse
    {
        $given = $request->validate([
            'tag' => ['required', 'string', 'max:60', 'regex:/\S/'],
            'on' => ['required', 'boolean'],
        ]);
        $tag->execute(
            $this->me($request),
            $review,
            $review->publications()->whereKey($item->publication_id)->toBase(),
            trim($given['tag']),
            $request->boolean('on'),
        );

        return response()->json(['tags' => Tags::of($review, [$item->publication_id])[$item->publication_id] ?? []]);
    }

    public function talk(Request $request, Review $review, Item $item, PostToTalk $post): JsonResponse
    {
        $post->execute(
            $this->me($request),
            $item->setRelation('review', $review),
            trim($request->validate(['body' => ['required', 'string', 'max:4000', 'regex:/\S/']])['body']),
        );

        return response()->json(['talk' => (new Desk($review->stageOf($item), $this->me($request)))->talkOf($item)]);
    }

    public function decide(VerdictRequest $request, Review $review, Item $item, RecordDecision $record): JsonResponse
    {
        $decision = $request->keptBy($record, $this->me($request), $item->setRelation('review', $review));

        return response()->json(['item' => Standing::after($decision)]);
    }

    public function takeBack(Request $request, Review $review, Item $item, RecordDecision $record): JsonResponse
    {
        return response()->json(['item' => Standing::after($record->takeBack($this->me($request), $item))]);
    }

    /**
     * Milliseconds until a page should ask for more of what it does not need yet: ten times what this took, so that
     * decisions go first when many ask.
     */
    private function pause(Request $request): int
    {
        $began = (float) ($request->server('REQUEST_BEGAN') ?? $request->server('REQUEST_TIME_FLOAT'));

        return (int) min(10_000, max(500, 10_000 * (microtime(true) - $began)));
    }

    private function most(Request $request, Stage $stage): int
    {
        return match (true) {
            $stage->work === 'queue' => self::CLAIMED,
            $request->query('layout') === 'list' => self::LISTED,
            default => self::AHEAD,
        };
    }

    private function desk(Request $request, Stage $stage): Desk
    {
        return new Desk($stage, $this->me($request), $this->filters($request, $stage->review));
    }

    private function filters(Request $request, Review $review): LibraryFilters
    {
        return LibraryFilters::from(Input::asked($request), $review, $this->me($request), self::FILTERS);
    }

    protected function stage(Request $request, Review $review): Stage
    {
        return Input::text($request, 'stage') !== ''
            ? parent::stage($request, $review)
            : Desk::stageFor($review, $this->me($request));
    }
}
