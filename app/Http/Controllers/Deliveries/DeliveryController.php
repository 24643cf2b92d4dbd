<?php

declare(strict_types=1);

namespace App\Http\Controllers\Deliveries;

use App\Actions\Deliveries\MendRejection;
use App\Actions\Deliveries\ReadInEncoding;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Deliveries\TellSourceKind;
use App\Actions\Deliveries\WithdrawDelivery;
use App\Actions\Shared\Refused;
use App\Files\In\FileName;
use App\Files\In\TablePreview;
use App\Files\In\Unpacking;
use App\Files\TemporaryFolder;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Deliveries\FilesRequest;
use App\Models\Delivery;
use App\Models\Rejection;
use App\Models\Review;
use App\Queries\Deliveries\DeliverySheet;
use App\Queries\Deliveries\OtherLetters;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\StreamedResponse;
use WaryHeron\Core\Bibliography\Format\Table\Columns;
use WaryHeron\Core\Bibliography\Format\TextEncoding;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Flow\SourceKind;

final class DeliveryController extends Controller
{
    private const REJECTED_ON_A_PAGE = 100;

    public function index(Review $review): View
    {
        return view('deliveries.index', [
            'review' => $review,
            'deliveries' => $review->deliveries()->with('creator', 'task')->orderByDesc('created_at')->get(),
        ]);
    }

    public function store(FilesRequest $request, Review $review, StartDelivery $start): RedirectResponse
    {
        [$started, $problems] = [[], []];
        $folder = TemporaryFolder::make();
        try {
            foreach ($request->uploads() as $i => $file) {
                $name = FileName::of($file->getClientOriginalName());
                try {
                    foreach (Unpacking::of((string) $file->getRealPath(), $name, $folder) as $part) {
                        $name = FileName::of($part->name);
                        $started[] = $this->start($start, $request, $review, $part->path, $name, $i);
                    }
                } catch (Refused|UnusableFile $problem) {
                    $problems[] = self::problem($problem, $name, $review);
                }
            }
        } finally {
            TemporaryFolder::remove($folder);
        }
        $to = count($started) === 1 && $problems === []
            ? redirect()->route('deliveries.show', [$review, $started[0]])
            : redirect()->route('deliveries', $review);

        return $to->with('problems', $problems);
    }

    private function start(
        StartDelivery $start,
        FilesRequest $request,
        Review $review,
        string $path,
        string $name,
        int|string $file,
    ): Delivery {
        return $start->ofFile(
            $this->me($request),
            $review,
            $path,
            $name,
            $request->sourceOf($file),
            $request->searchedOn(),
            $request->said('notes'),
            $request->said('platform'),
            sourceKind: $request->kindOf($file),
        );
    }

    /** @return array<string, string> text, and the url and words of a link */
    private static function problem(Refused|UnusableFile $problem, string $name, Review $review): array
    {
        $text = "{$name}: {$problem->getMessage()}";
        if ($problem instanceof UnusableFile) {
            return [
                'text' => "{$text} Nothing of it was kept.",
                'url' => route('deliveries', $review),
                'link' => 'Try another file',
            ];
        }
        $earlier = $problem->context['delivery'] ?? null;

        return $earlier === null
            ? ['text' => $text, 'url' => route('deliveries', $review), 'link' => 'The deliveries']
            : ['text' => $text, 'url' => route('deliveries.show', [$review, $earlier]), 'link' => 'See that delivery'];
    }

    public function show(Review $review, Delivery $delivery): View
    {
        if ($delivery->state === 'mapping') {
            return view('deliveries.columns', [
                'review' => $review,
                'delivery' => $delivery,
                'preview' => TablePreview::fromArray(
                    $delivery->preview ?? throw new \LogicException('A table that waits has been looked at.'),
                ),
            ]);
        }

        return view('deliveries.show', [
            'review' => $review,
            'delivery' => $delivery->load('creator', 'task', 'run.strategy'),
            'rejections' => $delivery
                ->rejections()
                ->orderByRaw('mended_at IS NOT NULL')
                ->orderBy('position')
                ->simplePaginate(self::REJECTED_ON_A_PAGE, page: Input::page(request()))
                ->fragment('rejected'),
            'sheet' => DeliverySheet::of($delivery),
            'letters' => OtherLetters::of($delivery),
        ]);
    }

    /** The columns of a table, as another delimiter or encoding would show them. */
    public function columns(
        Request $request,
        Review $review,
        Delivery $delivery,
        StartDelivery $start,
    ): RedirectResponse {
        $given = $request->validate([
            'delimiter' => ['nullable', 'string', 'in:'.implode(',', array_keys(TablePreview::DELIMITERS))],
            'encoding' => ['nullable', 'string', Rule::in(TextEncoding::known())],
        ]);

        $start->lookAgain($delivery, array_filter($given));

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    public function read(Request $request, Review $review, Delivery $delivery, StartDelivery $start): RedirectResponse
    {
        $given = $request->validate(self::reading());
        $columns = array_filter($given['columns'], is_string(...));
        if (! in_array('title', $columns, true)) {
            return back()->withErrors([
                'columns' => 'Say which column is the title; without it no record can be told.',
            ]);
        }
        $reading = [
            'columns' => $columns,
            'delimiter' => TablePreview::delimiter($given['delimiter'] ?? ''),
            'encoding' => $given['encoding'] ?? null,
        ];
        $known = array_filter($reading, fn ($value): bool => $value !== null);
        $start->readTable($this->me($request), $delivery, $known);

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    /** @return array<string, list<string|object>> of how a table is to be read */
    private static function reading(): array
    {
        return [
            'delimiter' => ['nullable', 'string', 'in:'.implode(',', array_keys(TablePreview::DELIMITERS))],
            'encoding' => ['nullable', 'string', Rule::in(TextEncoding::known())],
            'columns' => ['required', 'array', 'max:500'],
            'columns.*' => ['nullable', 'string', 'in:'.implode(',', array_keys(Columns::FIELDS))],
        ];
    }

    public function mend(
        Request $request,
        Review $review,
        Delivery $delivery,
        Rejection $rejection,
        MendRejection $mend,
    ): RedirectResponse {
        $given = $request->validate(['text' => ['required', 'string', 'max:200000']]);
        try {
            $mend->execute($this->me($request), $rejection, $given['text']);
        } catch (Refused $refused) {
            return redirect()
                ->to(route('deliveries.show', [$review, $delivery]).'#rejected')
                ->withInput()
                ->withErrors(["mend.{$rejection->id}" => $refused->getMessage()]);
        }

        return redirect()
            ->to(route('deliveries.show', [$review, $delivery]).'#rejected')
            ->with('notice', 'The record has been taken in.');
    }

    public function readAgain(
        Request $request,
        Review $review,
        Delivery $delivery,
        MendRejection $mend,
    ): RedirectResponse {
        $mend->later($this->me($request), $delivery);

        return redirect()
            ->to(route('deliveries.show', [$review, $delivery]).'#rejected')
            ->with('notice', 'All of them are being read again as they stand; the line above tells how it goes.');
    }

    /** As they were delivered, one below the other, to be mended elsewhere and delivered anew. */
    public function rejected(Review $review, Delivery $delivery): StreamedResponse
    {
        $texts = $delivery->rejections()->whereNull('mended_at')->orderBy('position');

        return response()->streamDownload(
            function () use ($texts): void {
                foreach ($texts->lazyById(200, 'position') as $rejection) {
                    echo rtrim($rejection->text), "\n\n";
                }
            },
            'rejected.txt',
            ['Content-Type' => 'text/plain; charset=utf-8'],
        );
    }

    public function kind(Request $request, Review $review, Delivery $delivery, TellSourceKind $tell): RedirectResponse
    {
        $given = $request->validate(['source_kind' => ['required', Rule::enum(SourceKind::class)]]);
        $tell->execute($this->me($request), $delivery, SourceKind::from($given['source_kind']));

        return redirect()
            ->route('deliveries.show', [$review, $delivery])
            ->with('notice', 'Counted so in the flow from now on.');
    }

    public function withdraw(
        Request $request,
        Review $review,
        Delivery $delivery,
        WithdrawDelivery $withdraw,
    ): RedirectResponse {
        $done = $withdraw->execute($this->me($request), $delivery);

        return redirect()
            ->route('deliveries.show', [$review, $delivery])
            ->with(
                'notice',
                number_format($done->gone).
                    ' publications have left the review.'.
                    ($done->kept > 0
                        ? ' Records of those that people have decided on stay: '.number_format($done->kept).'.'
                        : ''),
            );
    }

    public function letters(
        Request $request,
        Review $review,
        Delivery $delivery,
        ReadInEncoding $read,
    ): RedirectResponse {
        $given = $request->validate(['encoding' => ['required', 'string', Rule::in(TextEncoding::known())]]);
        $again = $read->execute($this->me($request), $delivery, $given['encoding']);

        return redirect()
            ->route('deliveries.show', [$review, $again])
            ->with('notice', "The file is being read again as {$given['encoding']}.");
    }

    public function goOn(Request $request, Review $review, Delivery $delivery, StartDelivery $start): RedirectResponse
    {
        $start->goOn($this->me($request), $delivery);

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }
}
