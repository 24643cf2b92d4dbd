<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Actions\Team\CloseReview;
use App\Actions\Team\CopyReview;
use App\Actions\Team\CreateReview;
use App\Http\Controllers\Controller;
use App\Models\Review;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class ReviewController extends Controller
{
    public function create(): View
    {
        return view('team.new-review');
    }

    public function store(Request $request, CreateReview $create): RedirectResponse
    {
        $given = $request->validate([
            'title' => ['required', 'string', 'max:200'],
            'question' => ['nullable', 'string', 'max:2000'],
        ]);

        return redirect()->route(
            'question',
            $create->execute($this->me($request), $given['title'], $given['question'] ?? ''),
        );
    }

    public function copy(Request $request, Review $review, CopyReview $copy): RedirectResponse
    {
        $given = $request->validate(['title' => ['required', 'string', 'max:200']]);

        return redirect()->route('question', $copy->execute($this->me($request), $review, trim($given['title'])));
    }

    public function close(Request $request, Review $review, CloseReview $close): RedirectResponse
    {
        $given = $request->validate(['closed' => ['required', 'boolean']]);
        $close->execute($this->me($request), $review, (bool) $given['closed']);

        return redirect()->to(route('report', $review).'#whole');
    }

    public function show(Review $review): RedirectResponse
    {
        return redirect()->route('question', $review);
    }
}
