<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\SaveAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Coding\AnswerRequest;
use App\Jobs\FullTexts\ReadPages;
use App\Models\CodebookItem;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CodedReports;
use App\Queries\Coding\CodingDesk;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Desk\DeskPlace;
use App\Queries\Coding\Desk\ShownAnswer;
use App\Queries\Coding\EvidenceView;
use App\Queries\Coding\StudyCoding;
use App\Queries\Coding\StudyParts;
use App\Queries\FullTexts\PaperPages;
use App\Queries\FullTexts\WordsFound;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\Gate;
use stdClass;
use WaryHeron\Core\Coding\InvalidAnswer;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Selector\Selector;
use WaryHeron\Core\Text\StructuredAbstract;

/** One study: the paper beside the items of the codebook. */
final class CodingDeskController extends Controller
{
    use FindsSlot;

    /** The page, or what is on it, for a page that has to look again. */
    public function show(Request $request, Review $review, Publication $publication): View|JsonResponse
    {
        $desk = (new CodingDesk($review, $publication))->data($this->me($request));
        if ($request->wantsJson()) {
            return response()->json($desk);
        }
        $place = $this->place($request, $review, $publication);

        return view('coding.desk', [
            'review' => $review,
            'publication' => $publication,
            'abstract' => StructuredAbstract::parts($publication->abstract),
            'included' => $place->at !== null,
            'instead' => CodedReports::instead($review, $publication),
            'number' => $place->at === null ? null : $place->at + 1,
            'count' => $place->count,
            'parts' => StudyParts::lists($review, $publication),
            'groups' => StudyParts::groups($review),
            'desk' => [
                ...get_object_vars($desk),
                'mayCode' => $place->at !== null && Gate::allows('code', $review),
                'user' => $this->me($request)->id,
                ...self::addresses($review, $publication),
                'previous' => self::address($review, $place->before),
                'next' => self::address($review, $place->after),
            ],
        ]);
    }

    /** @return array<string, ?string> */
    private static function addresses(Review $review, Publication $publication): array
    {
        return [
            'publication' => $publication->id,
            'here' => self::address($review, $publication->id),
            'passages' => route('passages.of', [$review, $publication], false),
            'results' => route('results', [$review, $publication], false),
        ];
    }

    /** Where a study stands on the way of this person. */
    private function place(Request $request, Review $review, Publication $publication): DeskPlace
    {
        $studies = $this->way($request, $review, $publication);
        $at = $studies->search(fn ($one): bool => $one->id === $publication->id);
        $beside = fn (int $step): ?string => $at === false ? null : $studies->get($at + $step)?->id;

        return new DeskPlace($at === false ? null : $at, $studies->count(), $beside(-1), $beside(1));
    }

    /**
     * The studies that one goes through: one's own share where this is one of it, else all.
     *
     * @return Collection<int, stdClass>
     */
    private function way(Request $request, Review $review, Publication $publication): Collection
    {
        $mine = CodingTable::included($review, $this->me($request));

        return $mine->contains('id', $publication->id) ? $mine : CodingTable::included($review);
    }

    private static function address(Review $review, ?string $publication): string
    {
        return $publication === null ? '' : route('coding.show', [$review, $publication], false);
    }

    public function answer(
        AnswerRequest $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        SaveAnswer $save,
    ): JsonResponse {
        $slot = $this->slot($request, $review, $publication, $code);
        try {
            $answer = $save->execute($this->me($request), $slot, $request->given(), $request->seen());
        } catch (InvalidAnswer $invalid) {
            return response()->json(['message' => $invalid->getMessage()], 422);
        }

        return response()->json([
            ...get_object_vars(ShownAnswer::of($answer, $code->code(), EvidenceView::of($review, $publication))),
            'standings' => StudyCoding::of($review, $publication, $this->me($request))->standings(),
        ]);
    }

    /** What a copy says, in reading order; where its pages have not been read yet, they are read now. */
    public function paper(Review $review, FullText $fullText): JsonResponse
    {
        $blocks = PaperPages::paper($review->id, $fullText->id)->blocks;
        if ($blocks === [] && ! PaperPages::areRead($review->id, $fullText->id)) {
            ReadPages::dispatch($fullText->id);
        }

        return response()->json(['blocks' => array_map(fn (Block $one): object => (object) [
            'kind' => $one->kind,
            'text' => $one->text,
            ...$one->kind === BlockKind::Row ? ['cells' => $one->cells] : [],
            'page' => $one->page,
        ], $blocks)]);
    }

    public function find(Request $request, Review $review, FullText $fullText): JsonResponse
    {
        $found = WordsFound::in($review->id, $fullText->id, Input::text($request, 'q'));

        return response()->json([
            'found' => array_map(fn (Selector $one): array => ['page' => $one->page, 'boxes' => $one->boxes], $found),
        ]);
    }
}
