<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Team\CreateReview;
use App\Models\Review;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

final class ReviewController extends Controller
{
    public function create(): View
    {
        return view('reviews.create');
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

    public function show(Review $review): RedirectResponse
    {
        return redirect()->route('question', $review);
    }
}
