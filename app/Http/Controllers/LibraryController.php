<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Records\SeparateRecord;
use App\Models\Item;
use App\Models\Publication;
use App\Models\Record;
use App\Models\Review;
use App\Queries\Library;
use App\Queries\LibraryFilters;
use App\Queries\OpenItems;
use App\Support\Input;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Search\Text\Highlighter;
use WaryHeron\Core\Search\Text\StructuredAbstract;

final class LibraryController extends Controller
{
    public function index(Request $request, Review $review): View
    {
        $filters = LibraryFilters::from($request, $review);
        $cursor = Input::text($request, 'at');
        $library = Library::page($review, $filters, Input::text($request, 'sort'), $request->boolean('desc'), $cursor === '' ? null : $cursor);

        return view('records.library', [
            'review' => $review, 'library' => $library, 'filters' => $filters, 'highlighter' => $filters->query === null ? null : new Highlighter($filters->query->root),
            'deliveries' => $review->deliveries()->orderBy('created_at')->get(['id', 'source_name', 'file_name']),
            'kept' => array_filter($request->only(['q', 'state', 'reason', 'coded', 'delivery', 'duplicates', 'no_abstract', 'sort', 'desc']), is_string(...)),
        ]);
    }

    public function show(Request $request, Review $review, Publication $publication): View
    {
        $item = Item::query()->where('review_id', $review->id)->where('publication_id', $publication->id)->with('criterion')->first();
        $records = $publication->records()->with('delivery')->get();

        return view('records.publication', [
            'review' => $review, 'publication' => $publication, 'item' => $item, 'records' => $records,
            'references' => $records->mapWithKeys(fn (Record $record): array => [$record->id => Reference::fromArray($record->reference)]),
            'abstract' => StructuredAbstract::parts($publication->abstract),
            'sides' => $item === null ? [] : OpenItems::sidesOf($review, $this->me($request), [$item->id])[$item->id] ?? [],
        ]);
    }

    public function separate(Request $request, Review $review, Record $record, SeparateRecord $separate): RedirectResponse
    {
        $publication = $separate->execute($this->me($request), $record);

        return redirect()->route('publications.show', [$review, $publication])->with('notice', 'The record has a publication of its own now.');
    }

    public function rejoin(Request $request, Review $review, Record $record, SeparateRecord $separate): RedirectResponse
    {
        $publication = $separate->undo($this->me($request), $record);

        return redirect()->route('publications.show', [$review, $publication])->with('notice', 'The record is back where it was.');
    }
}
