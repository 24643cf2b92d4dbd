<?php

declare(strict_types=1);

namespace App\Http\Controllers\Api;

use App\Http\Controllers\Controller;
use App\Models\Report;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Api\Listings;
use App\Queries\Report\Composed\LiveNumbers;
use App\Queries\Shared\Tallies;
use App\View\Api\OpenApi;
use Illuminate\Http\JsonResponse;
use WaryHeron\Core\Screening\ItemState;

/** A review as a whole, for programs. */
final class ReviewApiController extends Controller
{
    /** What there is, described; the only address that needs no token. */
    public function description(): JsonResponse
    {
        return response()->json(
            new OpenApi(),
            200,
            [],
            JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE,
        );
    }

    /** @return array<string, int> */
    private static function counts(Tallies $of): array
    {
        $states = ItemState::cases();

        return ['items' => $of->all(), ...array_combine(array_column($states, 'value'), array_map($of->in(...), $states))];
    }

    public function show(Review $review): JsonResponse
    {
        $tallies = Tallies::ofStages($review);

        return response()->json([
            'id' => $review->id,
            'title' => $review->title,
            'question' => $review->question,
            'closed_at' => $review->closed_at?->utc()->format('Y-m-d\TH:i:s.v\Z'),
            'stages' => $review->stages->map(
                fn (Stage $one): array => [...$one->only('id', 'name'), ...self::counts($tallies[$one->id])],
            )->values()->all(),
            'lists' => array_map(
                fn (string $name): string => route('api.list', [$review, $name]),
                array_keys(Listings::all()),
            ),
        ]);
    }

    /** Every number of the flow and of the report, as it is now: one source for all that shows them. */
    public function numbers(Review $review): JsonResponse
    {
        return response()->json(['data' => LiveNumbers::of($review)]);
    }

    /** The report as it is written: checked ProseMirror JSON. */
    public function report(Review $review): JsonResponse
    {
        $report = Report::of($review)->first() ?? abort(404, 'The report has not been begun.');

        return response()->json(['document' => $report->said, 'style' => $report->style]);
    }
}
