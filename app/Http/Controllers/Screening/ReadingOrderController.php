<?php

declare(strict_types=1);

namespace App\Http\Controllers\Screening;

use App\Actions\Screening\OrderReading;
use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Models\Stage;
use App\Queries\Screening\ReadingProgress;
use App\Queries\Shared\Tallies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use WaryHeron\Core\Screening\Ranking\ReadingOrder;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;

/** In which order what is left is read, how the reading goes, and how much has been found so far. */
final class ReadingOrderController extends Controller
{
    public function show(Request $request, Review $review): View
    {
        $stage = $this->stage($request, $review);
        $ranking = ReadingProgress::ranking($stage);
        $check = ReadingProgress::lastCheck($stage);

        return view('screening.order', [
            'review' => $review,
            'stage' => $stage,
            'tallies' => Tallies::of($review, $stage),
            'curve' => ReadingProgress::curve($stage),
            'ranking' => $ranking,
            'words' => $ranking?->model === null ? null : RelevanceModel::fromArray($ranking->model)->words(),
            'check' => $check,
            'found' => $check === null ? null : ReadingProgress::check($check),
        ]);
    }

    public function order(Request $request, Review $review, Stage $stage, OrderReading $order): RedirectResponse
    {
        $given = $request->validate([
            'reading_order' => ['required', Rule::enum(ReadingOrder::class)],
            'random_percent' => ['required', 'integer', 'between:0,50'],
        ]);
        $order->execute(
            $this->me($request),
            $stage,
            ReadingOrder::from($given['reading_order']),
            (int) $given['random_percent'],
        );

        return redirect()
            ->route('reading-order', [$review, 'stage' => $stage->id])
            ->with(
                'notice',
                $given['reading_order'] === 'delivery'
                    ? 'What is left is read in order of delivery.'
                    : 'What is left is being put in order. Go on reading meanwhile.',
            );
    }

    public function drawCheck(Request $request, Review $review, Stage $stage, OrderReading $order): RedirectResponse
    {
        $given = $request->validate([
            'size' => ['required', 'integer', 'between:10,5000'],
            'seed' => ['nullable', 'integer', 'between:0,2147483647'],
        ]);
        $check = $order->drawCheck(
            $this->me($request),
            $stage,
            (int) $given['size'],
            (int) ($given['seed'] ?? random_int(1, 999999)),
        );

        return redirect()
            ->route('reading-order', [$review, 'stage' => $stage->id])
            ->with(
                'notice',
                number_format(count($check->items)).' publications were drawn. They are read before everything else.',
            );
    }
}
