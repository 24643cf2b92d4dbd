<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Library\ChooseValues;
use App\Actions\Library\SeparateRecord;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Library\ByHandRequest;
use App\Http\Requests\Library\MendedValueRequest;
use App\Models\Publication;
use App\Models\Record;
use App\Models\Review;
use App\Queries\FullTexts\Retrievals;
use App\Queries\FullTexts\SoughtText;
use App\Queries\Library\PublicationHistory;
use App\Queries\Library\ShownValues;
use App\Queries\Screening\OpenItems;
use App\Queries\Synthesis\Traced\WhereUsed;
use App\Sources\FullTextLocker;
use App\Sources\SourceFailed;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Format\Ris\RisWriter;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Text\StructuredAbstract;

/** One publication: what is shown of it, what is mended by hand, and what is added by hand. */
final class PublicationController extends Controller
{
    public function show(Request $request, Review $review, Publication $publication): View
    {
        $items = $publication
            ->items()
            ->with(['criterion', 'stage'])
            ->get();
        $records = $publication->records()->with('delivery')->get();

        return view('library.publication', [
            'review' => $review,
            'publication' => $publication,
            'items' => $items,
            'records' => $records,
            'references' => $records->mapWithKeys(
                fn (Record $record): array => [$record->id => Reference::fromArray($record->reference)],
            ),
            'shown' => ShownValues::of($publication),
            'history' => PublicationHistory::of($publication, $this->me($request)),
            'abstract' => StructuredAbstract::parts($publication->abstract),
            'retrieval' => self::retrieval($review, $publication),
            'uses' => WhereUsed::in($review)->study($publication),
            'sides' => OpenItems::sidesOf($review, $this->me($request), array_values($items->pluck('id')->all())),
        ]);
    }

    /** As the list of sought full texts has it. */
    private static function retrieval(Review $review, Publication $publication): ?SoughtText
    {
        return Retrievals::stage($review) === null ? null : Retrievals::of($review, [$publication->id])[0] ?? null;
    }

    public function mend(
        MendedValueRequest $request,
        Review $review,
        Publication $publication,
        ChooseValues $choose,
    ): RedirectResponse {
        $choose->execute($this->me($request), $publication, [$request->field() => $request->value()]);

        return redirect()
            ->route('publications.show', [$review, $publication])
            ->with('notice', 'Shown so from now on. The records stay as they were delivered.');
    }

    /** Fills the form for adding by hand with what the locker knows of a DOI; nothing is added yet. */
    public function describe(Request $request, Review $review, FullTextLocker $locker): RedirectResponse
    {
        $doi = Doi::normalised(Input::text($request, 'doi'));
        $back = redirect()->route('library', $review);
        if ($doi === null) {
            return $back->withInput()->withErrors(['doi' => 'This is no DOI: it starts with 10. and has a slash.']);
        }
        try {
            $found = $locker->description($doi);
        } catch (SourceFailed $failed) {
            return $back->withInput()->withErrors(['doi' => $failed->getMessage()]);
        }

        return $back
            ->withInput([...self::fields($found), 'doi' => $doi, 'why' => Input::text($request, 'why')])
            ->with('described', true);
    }

    /** @return array<string, string> of the form by hand */
    private static function fields(Reference $found): array
    {
        return [
            'title' => $found->title,
            'authors' => implode('; ', array_map(fn (Name $name): string => $name->inverts(), $found->authors)),
            'year' => (string) $found->year,
            'journal' => $found->journal,
            'abstract' => $found->abstract,
        ];
    }

    public function add(ByHandRequest $request, Review $review, StartDelivery $start): RedirectResponse
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        try {
            file_put_contents($path, implode('', [...(new RisWriter())->write([$request->reference()])]));
            $delivery = $start->ofFile(
                $this->me($request),
                $review,
                $path,
                'by-hand.ris',
                'Added by hand',
                CarbonImmutable::now(),
                $request->validated('why'),
                sourceKind: 'other',
            );
        } finally {
            unlink($path);
        }

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    public function separate(
        Request $request,
        Review $review,
        Record $record,
        SeparateRecord $separate,
    ): RedirectResponse {
        $publication = $separate->execute($this->me($request), $record);

        return redirect()
            ->route('publications.show', [$review, $publication])
            ->with('notice', 'The record has a publication of its own now.');
    }

    public function rejoin(Request $request, Review $review, Record $record, SeparateRecord $separate): RedirectResponse
    {
        $publication = $separate->undo($this->me($request), $record);

        return redirect()
            ->route('publications.show', [$review, $publication])
            ->with('notice', 'The record is back where it was.');
    }
}
