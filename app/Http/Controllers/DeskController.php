<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Screening\RecordDecision;
use App\Http\Requests\VerdictRequest;
use App\Models\Decision;
use App\Models\Item;
use App\Models\Review;
use App\Queries\Desk;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

final class DeskController extends Controller
{
    public function show(Request $request, Review $review, ?Item $item = null): View
    {
        $desk = new Desk($review, $this->me($request));
        $current = $item === null ? null : $desk->item($item->id);
        $ahead = $desk->ahead((int) ($current['position'] ?? 0));
        if ($ahead === [] && $current !== null) {
            $ahead = array_values(array_filter($desk->ahead(), fn (array $one): bool => $one['id'] !== $current['id']));
        }
        $items = $current === null ? $ahead : [$current, ...$ahead];

        return view('screening.desk', [
            'review' => $review, 'criteria' => $criteria = $desk->criteria(), 'empty' => $items === [], 'counts' => $counts = $desk->counts(),
            'desk' => [
                'items' => $items, 'behind' => $desk->behind(), 'counts' => $counts, 'criteria' => $criteria,
                'urls' => ['desk' => route('desk', $review, false), 'item' => route('desk.item', [$review, 'ITEM'], false), 'decide' => route('desk.decide', [$review, 'ITEM'], false), 'ahead' => route('desk.ahead', $review, false)],
                'queue' => "heron-desk-{$review->id}-{$this->me($request)->id}",
            ],
        ]);
    }

    public function ahead(Request $request, Review $review): JsonResponse
    {
        $desk = new Desk($review, $this->me($request));
        $after = $request->integer('after');

        return response()->json(['items' => $desk->ahead($after), 'counts' => $desk->counts()]);
    }

    public function item(Request $request, Review $review, Item $item): JsonResponse
    {
        return response()->json(['item' => (new Desk($review, $this->me($request)))->item($item->id)]);
    }

    public function decide(VerdictRequest $request, Review $review, Item $item, RecordDecision $record): JsonResponse
    {
        $decision = $record->execute($this->me($request), $item, $request->verdict(), $request->criterion(), $request->note(), $request->has('seen') ? $request->string('seen')->value() : null, $request->input('key'));

        return $this->after($request, $review, $decision);
    }

    public function takeBack(Request $request, Review $review, Item $item, RecordDecision $record): JsonResponse
    {
        return $this->after($request, $review, $record->takeBack($this->me($request), $item));
    }

    private function after(Request $request, Review $review, Decision $decision): JsonResponse
    {
        $desk = new Desk($review, $this->me($request));
        $seen = $request->input('after');

        return response()->json(['item' => Desk::standing($decision), 'counts' => $desk->counts()] + (is_numeric($seen) ? ['items' => $desk->ahead((int) $seen, 1)] : []));
    }
}
