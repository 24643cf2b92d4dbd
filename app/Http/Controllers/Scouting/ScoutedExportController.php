<?php

declare(strict_types=1);

namespace App\Http\Controllers\Scouting;

use App\Actions\Deliveries\StartDelivery;
use App\Actions\Searches\KeepKnownItems;
use App\Files\Out\RecordDownload;
use App\Files\Out\TableDownload;
use App\Files\TemporaryFolder;
use App\Http\Controllers\Controller;
use App\Http\Requests\Scouting\ScoutingRequest;
use App\Models\Review;
use App\Models\ScoutedPaper;
use App\Models\Scouting;
use App\Queries\Scouting\FoundPapers;
use App\Queries\Scouting\ScoutingRows;
use Illuminate\Http\RedirectResponse;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Reference;

/** What a question brought, taken elsewhere: as a file, as known items, as a delivery. */
final class ScoutedExportController extends Controller
{
    public function download(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        string $format,
    ): BinaryFileResponse {
        $papers = new FoundPapers($scouting, $request->terms($scouting));
        $name = Str::limit(Str::slug($scouting->question), 60, '');

        return in_array($format, ['csv', 'xlsx'], true)
            ? TableDownload::make($name, $format, ScoutingRows::of($scouting, $papers))
            : RecordDownload::make($name, $format, self::references($papers), []);
    }

    /** Those on the page. */
    public function known(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        KeepKnownItems $keep,
    ): RedirectResponse {
        $shown = (new FoundPapers($scouting, $request->terms($scouting)))->shown();
        $kept = $keep->add($this->me($request), $review, self::ris(self::each($shown)));

        return back()->with(
            'notice',
            $kept === 0
                ? 'All of them are known items already.'
                : number_format($kept).' '.Str::plural('known item', $kept).' added. Every strategy is checked against them.',
        );
    }

    /** Those on the page, as records of the review. */
    public function deliver(
        ScoutingRequest $request,
        Review $review,
        Scouting $scouting,
        StartDelivery $start,
    ): RedirectResponse {
        $papers = (new FoundPapers($scouting, $request->terms($scouting)))->shown();
        $new = $papers->filter(fn (ScoutedPaper $one): bool => $one->publication_id === null);
        if ($new->isEmpty()) {
            return back()->with('problem', 'All of them are in the library already.');
        }
        $folder = TemporaryFolder::make();
        try {
            file_put_contents($path = "{$folder}/scouting.ris", self::ris(self::each($new)));
            $about = "Found by the question: {$scouting->question}";
            $me = $this->me($request);
            $delivery = $start->ofFile($me, $review, $path, 'scouting.ris', 'Scouting', now(), $about, sourceKind: 'other');
        } finally {
            TemporaryFolder::remove($folder);
        }

        return redirect()->route('deliveries.show', [$review, $delivery]);
    }

    /** @return \Generator<int, Reference> */
    private static function references(FoundPapers $papers): \Generator
    {
        yield from self::each($papers->wanted());
    }

    /**
     * @param  iterable<ScoutedPaper>  $papers
     * @return \Generator<int, Reference>
     */
    private static function each(iterable $papers): \Generator
    {
        foreach ($papers as $paper) {
            yield $paper->reference();
        }
    }

    /** @param  iterable<Reference>  $references */
    private static function ris(iterable $references): string
    {
        return implode('', iterator_to_array(Formats::writers()['ris']->write($references), false));
    }
}
