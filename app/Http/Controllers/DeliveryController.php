<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Records\StartDelivery;
use App\Actions\Refused;
use App\Models\Delivery;
use App\Models\Review;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\UploadedFile;

final class DeliveryController extends Controller
{
    public function index(Review $review): View
    {
        return view('records.deliveries', ['review' => $review, 'deliveries' => $review->deliveries()->with('creator', 'task')->orderByDesc('created_at')->get()]);
    }

    public function store(Request $request, Review $review, StartDelivery $start): RedirectResponse
    {
        $given = $request->validate([
            'files' => ['required', 'array', 'max:20'], 'files.*' => ['file', 'max:'.config('heron.largest_upload_mb') * 1024],
            'source_name' => ['required', 'string', 'max:120'], 'searched_on' => ['required', 'date', 'before_or_equal:tomorrow', 'after:1950-01-01'], 'notes' => ['nullable', 'string', 'max:2000'],
        ], ['files.required' => 'Choose a file, or drop one here.', 'files.*.max' => 'A file may have '.config('heron.largest_upload_mb').' MB at most.']);
        $started = [];
        $problems = [];
        foreach ($given['files'] as $file) {
            try {
                $started[] = $start->ofFile($this->me($request), $review, $file->getRealPath(), $this->nameOf($file), $given['source_name'], CarbonImmutable::parse($given['searched_on']), $given['notes'] ?? '');
            } catch (Refused $refused) {
                $problems[] = ['text' => "{$this->nameOf($file)}: {$refused->getMessage()}", 'url' => route('deliveries.show', [$review, $refused->context['delivery']]), 'link' => 'See that delivery'];
            }
        }
        $to = count($started) === 1 && $problems === [] ? redirect()->route('deliveries.show', [$review, $started[0]]) : redirect()->route('deliveries', $review);

        return $to->with('problems', $problems);
    }

    public function show(Review $review, Delivery $delivery): View
    {
        return view('records.delivery', ['review' => $review, 'delivery' => $delivery->load('creator', 'task', 'run.strategy'), 'rejections' => $delivery->rejections()->limit(200)->get()]);
    }

    public function goOn(Request $request, Review $review, Delivery $delivery, StartDelivery $start): RedirectResponse
    {
        $start->goOn($this->me($request), $delivery);

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    /** A file's name is somebody else's text: its last part, without control signs. */
    private function nameOf(UploadedFile $file): string
    {
        $name = preg_replace('/[\p{C}]+/u', '', basename(str_replace('\\', '/', mb_scrub($file->getClientOriginalName(), 'UTF-8')))) ?? '';

        return $name === '' ? 'unnamed file' : mb_substr($name, 0, 150);
    }
}
