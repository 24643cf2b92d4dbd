<?php

declare(strict_types=1);

namespace App\Http\Controllers\Report;

use App\Actions\Report\GiveReadingLink;
use App\Actions\Report\HearReader;
use App\Http\Controllers\Controller;
use App\Models\ReaderComment;
use App\Models\ReadingLink;
use App\Models\ReportVersion;
use App\Models\Review;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The addresses by which outsiders read the report. */
final class ReadingLinkController extends Controller
{
    /** Comments at once; those that wait come first. */
    private const SHOWN = 200;

    public function index(Review $review): View
    {
        return view('report.links', [
            'review' => $review,
            'links' => ReadingLink::query()->where('review_id', $review->id)->orderByDesc('id')->get(),
            'comments' => ReaderComment::query()
                ->where('review_id', $review->id)
                ->with('version:id,name')
                ->orderByRaw('done_at IS NOT NULL')
                ->orderByDesc('id')
                ->limit(self::SHOWN)
                ->get(),
            'version' => ReportVersion::query()->where('review_id', $review->id)->latest('id')->first(['id', 'name', 'created_at']),
        ]);
    }

    public function store(Request $request, Review $review, GiveReadingLink $give): RedirectResponse
    {
        $wishes = array_keys(GiveReadingLink::WISHES);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:200'],
            'password' => ['nullable', 'string', 'min:8', 'max:200'],
            'days' => ['nullable', 'integer', 'between:1,3650'],
            ...array_fill_keys($wishes, ['nullable', 'boolean']),
        ]);
        $wished = array_values(array_filter($wishes, fn (string $one): bool => (bool) ($given[$one] ?? false)));
        $until = isset($given['days']) ? CarbonImmutable::now()->addDays((int) $given['days']) : null;
        [$name, $password] = [trim($given['name']), $given['password'] ?? null];
        $token = $give->execute($this->me($request), $review, $name, $password, $until, $wished);

        return redirect()->route('report.links', $review)->with('address', route('reading', $token));
    }

    public function seenTo(Request $request, Review $review, ReaderComment $readerComment, HearReader $hear): RedirectResponse
    {
        $hear->seenTo($this->me($request), $readerComment);

        return redirect()->to(route('report.links', $review).'#comments')->with('notice', 'Seen to.');
    }

    public function revoke(Request $request, Review $review, ReadingLink $link, GiveReadingLink $give): RedirectResponse
    {
        $give->revoke($this->me($request), $review, $link);

        return redirect()->route('report.links', $review)->with('notice', 'The address leads nowhere any more.');
    }
}
