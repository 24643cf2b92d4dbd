<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Actions\Coding\SaveAnswer;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Screening\RecordDecision;
use App\Files\In\FileName;
use App\Http\Controllers\Coding\FindsSlot;
use App\Http\Controllers\Controller;
use App\Http\Requests\Coding\AnswerRequest;
use App\Http\Requests\Screening\VerdictRequest;
use App\Models\CodebookItem;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Api\Listings;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use stdClass;
use WaryHeron\Core\Flow\SourceKind;

/** What programs do in a person's name: by the same actions as the person's own hands. */
final class WorkController extends Controller
{
    use FindsSlot;

    /** A file of references; it is read in the background, its standing is asked of the delivery. */
    public function deliver(Request $request, Review $review, StartDelivery $start): JsonResponse
    {
        $given = $request->validate(self::rules());
        $delivery = $start->ofFile(
            $this->me($request),
            $review,
            (string) $given['file']->getRealPath(),
            FileName::of($given['file']->getClientOriginalName()),
            $given['source_name'],
            CarbonImmutable::parse($given['searched_on']),
            $given['notes'] ?? '',
            $given['platform'] ?? '',
            sourceKind: $given['source_kind'] ?? SourceKind::Database->value,
        );

        return response()
            ->json($this->one($request, $review, 'deliveries', $delivery->id), 202)
            ->header('Location', route('api.one', [$review, 'deliveries', $delivery->id]));
    }

    /** @return array<string, list<string|object>> */
    private static function rules(): array
    {
        return [
            'file' => ['required', 'file', 'max:'.config('heron.largest_upload_mb') * 1024],
            'source_name' => ['required', 'string', 'max:120'],
            'source_kind' => ['nullable', Rule::enum(SourceKind::class)],
            'searched_on' => ['required', 'date', 'before_or_equal:tomorrow', 'after:1950-01-01'],
            'platform' => ['nullable', 'string', 'max:120'],
            'notes' => ['nullable', 'string', 'max:2000'],
        ];
    }

    public function decide(VerdictRequest $request, Review $review, Item $item, RecordDecision $record): JsonResponse
    {
        $decision = $request->keptBy($record, $this->me($request), $item->setRelation('review', $review));

        return $this->decided($request, $review, $decision);
    }

    public function takeBack(Request $request, Review $review, Item $item, RecordDecision $record): Response
    {
        $record->takeBack($this->me($request), $item);

        return response()->noContent();
    }

    public function answer(
        AnswerRequest $request,
        Review $review,
        Publication $publication,
        CodebookItem $code,
        SaveAnswer $save,
    ): JsonResponse|Response {
        $slot = $this->slot($request, $review, $publication, $code);
        $answer = $save->execute($this->me($request), $slot, $request->given(), $request->seen());

        return $answer === null
            ? response()->noContent()
            : response()->json($this->one($request, $review, 'answers', $answer->id));
    }

    private function decided(Request $request, Review $review, Decision $decision): JsonResponse
    {
        return response()->json([
            'decision' => $this->one($request, $review, 'decisions', $decision->id),
            'item' => $this->one($request, $review, 'items', $decision->item_id),
        ]);
    }

    private function one(Request $request, Review $review, string $listing, string $id): ?stdClass
    {
        return Listings::all()[$listing]->one($review, $this->me($request), $id);
    }
}
