<?php

declare(strict_types=1);

namespace App\Http\Controllers\FullTexts;

use App\Actions\FullTexts\AddFullText;
use App\Actions\FullTexts\AssignFullText;
use App\Actions\FullTexts\BringFromShelf;
use App\Actions\FullTexts\ReplaceCopy;
use App\Actions\FullTexts\StartPictures;
use App\Files\StoredAnswer;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\FullText;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CopyEvidence;
use App\Queries\Coding\RestingPiece;
use App\Queries\FullTexts\Retrievals;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;

/** PDFs: brought, shown, and assigned to what they are copies of. */
final class FullTextController extends Controller
{
    private const LARGEST = [
        'file.max' => 'A PDF may have 100 MB at most.',
        'file.*' => 'The file did not arrive. A PDF may have 100 MB at most.',
    ];

    /** One file a request, so that each has its own answer. */
    public function store(Request $request, Review $review, AddFullText $add): JsonResponse
    {
        $largest = 'max:'.intdiv(AddFullText::LARGEST, 1024);
        $given = $request->validate(
            ['file' => ['required', 'file', $largest], 'publication' => ['nullable', 'string']],
            self::LARGEST,
        );
        $of = isset($given['publication'])
            ? Publication::query()->where('review_id', $review->id)->whereKey($given['publication'])->firstOrFail()
            : null;
        $file = $given['file'];
        $made = $add->execute($this->me($request), $review, $file->getRealPath(), $file->getClientOriginalName(), $of);

        return $this->standing($review, $made->refresh());
    }

    /** What has become of a file that was brought. */
    public function standing(Review $review, FullText $fullText): JsonResponse
    {
        $made = $fullText;

        return response()->json([
            'id' => $made->id,
            'how' => self::how($made),
            'name' => $made->name,
            'reading' => $made->state === 'reading',
            'trouble' => $made->trouble(),
            'pictures' => $made->mayReadPictures(),
            'assigned' => $made->publication_id !== null,
            'title' => $made->publication->title ?? '',
            ...(array) $this->list($review, $made->publication_id),
        ]);
    }

    /** What a page's list of the sought shows otherwise from now on. */
    private function list(Review $review, ?string $publication): object
    {
        return (object) [
            'rows' => $publication === null ? [] : Retrievals::of($review, [$publication]),
            'counts' => Retrievals::counts($review),
            'unassigned' => Retrievals::unassigned($review)->count(),
        ];
    }

    private static function how(FullText $made): string
    {
        return match ($made->matched_by) {
            'doi' => 'by its DOI',
            'title' => 'by its title',
            default => '',
        };
    }

    /**
     * What others wrote is never shown as a page of ours: the viewer reads it as data, and by itself it is a download.
     */
    public function show(Request $request, Review $review, FullText $fullText): Response
    {
        $stored = Input::text($request, 'as') === 'brought' ? $fullText->brought() : $fullText->path();

        // of an archive without full texts the file is nowhere
        return StoredAnswer::of($request, $stored, $fullText->headers());
    }

    public function unassigned(Request $request, Review $review): View
    {
        $waiting = fn () => Retrievals::unassigned($review);
        $files = $waiting()->with('user')->orderBy('created_at')->orderBy('id')->limit(50)->get();
        $words = mb_substr(Input::text($request, 'words'), 0, 200);

        return view('full-texts.unassigned', [
            'review' => $review,
            'files' => $files,
            'words' => $words,
            'asking' => Input::text($request, 'file'),
            'all' => $waiting()->count(),
            'pictured' => $waiting()->where('state', 'scan')->whereNull('pictures_read_at')->count(),
            'titles' => self::offered($review, array_values($files->all())),
            'found' => $words === '' ? [] : Retrievals::rows($review, Retrievals::found($review, ['words' => $words])),
        ]);
    }

    /**
     * @param  list<FullText>  $files
     * @return Collection<string, Publication> those that they may be copies of
     */
    private static function offered(Review $review, array $files): Collection
    {
        $offered = fn (FullText $file): array => array_column($file->offers, 'publication');
        $ids = array_merge([], ...array_map($offered, $files));

        return Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $ids)
            ->get(['id', 'title', 'authors', 'year', 'journal'])
            ->keyBy('id');
    }

    /** Has the words in the pictures of its pages read. */
    public function pictures(Request $request, Review $review, FullText $fullText, StartPictures $start): RedirectResponse
    {
        $start->execute($this->me($request), $review, $fullText);

        return back()->with('notice', "The pictures of “{$fullText->name}” are being read. It takes some seconds a page.");
    }

    /** The same of all that wait and hold pictures only. */
    public function allPictures(Request $request, Review $review, StartPictures $start): RedirectResponse
    {
        $started = 0;
        foreach (Retrievals::unassigned($review)->where('state', 'scan')->whereNull('pictures_read_at')->limit(50)->get() as $file) {
            $start->execute($this->me($request), $review, $file);
            $started++;
        }

        return back()->with('notice', "The pictures of {$started} ".Str::plural('file', $started).' are being read, one after the other.');
    }

    public function assign(
        Request $request,
        Review $review,
        FullText $fullText,
        AssignFullText $assign,
    ): RedirectResponse {
        $given = $request->validate(['publication' => ['required', 'string']]);
        $publication = Publication::query()
            ->with('review.stages')
            ->where('review_id', $review->id)
            ->whereNull('merged_into')
            ->whereKey($given['publication'])
            ->firstOrFail();
        $assign->execute($this->me($request), $fullText, $publication);

        return redirect()
            ->route('full-texts.unassigned', $review)
            ->with('notice', "“{$fullText->name}” is a copy of “{$publication->title}”.");
    }

    public function takeOff(Request $request, Review $review, FullText $fullText, AssignFullText $assign): JsonResponse
    {
        $publication = (string) $fullText->publication_id;
        $assign->takeOff($this->me($request), $fullText);

        return response()->json([
            'rows' => Retrievals::rows($review, Retrievals::sought($review)->where('publications.id', $publication)),
            'counts' => Retrievals::counts($review),
            'unassigned' => Retrievals::unassigned($review)->count(),
        ]);
    }

    /** What this person brought to other reviews, of what is sought here. */
    public function fromShelf(Request $request, Review $review, BringFromShelf $bring): RedirectResponse
    {
        $brought = $bring->execute($this->me($request), $review);
        $words = number_format($brought->came).' '.Str::plural('PDF', $brought->came).' came from your shelf.';

        return $brought->refused === []
            ? back()->with('notice', $words)
            : back()->with('problem', $words.' '.implode(' ', array_slice($brought->refused, 0, 3)));
    }

    /** It is better than the other copies of its publication, whose evidence is shown in it from now on. */
    public function better(Request $request, Review $review, FullText $fullText, ReplaceCopy $replace): JsonResponse
    {
        $pieces = [];
        foreach (self::othersOfSame($fullText) as $one) {
            $replace->execute($this->me($request), $one, $fullText);
            array_push($pieces, ...CopyEvidence::of($review, $one, $this->me($request)));
        }

        return response()->json([
            ...(array) $this->list($review, $fullText->publication_id),
            'said' => 'It is the better copy. '.self::foundAgain($pieces),
        ]);
    }

    /** @param  list<RestingPiece>  $pieces */
    private static function foundAgain(array $pieces): string
    {
        $all = count($pieces);
        $found = count(array_filter($pieces, fn (RestingPiece $piece): bool => $piece->now !== null));

        return $all === 0
            ? 'No evidence was taken from the others.'
            : "{$found} of {$all} pieces of evidence were found again in it; all are kept.";
    }

    /** @return Collection<int, FullText> the copies of the same publication that stand */
    private static function othersOfSame(FullText $fullText): Collection
    {
        return FullText::query()
            ->where('review_id', $fullText->review_id)
            ->where('publication_id', $fullText->publication_id ?? '')
            ->whereNull('taken_out_at')
            ->whereNull('replaced_by')
            ->whereKeyNot($fullText->id)
            ->get();
    }

    /** What rests on a copy, and where that is in the one that replaced it. */
    public function evidence(Request $request, Review $review, FullText $fullText): View
    {
        $fullText->load('publication');

        return view('full-texts.evidence', [
            'review' => $review,
            'file' => $fullText,
            'better' => $fullText->replaced_by === null ? null : FullText::query()->find($fullText->replaced_by),
            'pieces' => CopyEvidence::of($review, $fullText, $this->me($request)),
        ]);
    }

    /** The older copy is used again. */
    public function useAgain(Request $request, Review $review, FullText $fullText, ReplaceCopy $replace): RedirectResponse
    {
        $replace->undo($this->me($request), $fullText);

        return redirect()->route('full-texts.evidence', [$review, $fullText])->with('notice', 'Evidence is shown in this copy again.');
    }

    public function takeOut(
        Request $request,
        Review $review,
        FullText $fullText,
        AssignFullText $assign,
    ): RedirectResponse {
        $assign->takeOut($this->me($request), $fullText);

        return redirect()
            ->route('full-texts.unassigned', $review)
            ->with('notice', "“{$fullText->name}” was removed.");
    }
}
