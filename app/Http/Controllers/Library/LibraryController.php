<?php

declare(strict_types=1);

namespace App\Http\Controllers\Library;

use App\Actions\Library\RemovePublications;
use App\Actions\Library\TagPublications;
use App\Actions\Shared\Refused;
use App\Files\Out\RecordDownload;
use App\Files\Out\ReferenceList;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Models\Review;
use App\Queries\Library\Library;
use App\Queries\Library\LibraryChoices;
use App\Queries\Library\LibraryFilters;
use App\Queries\Library\LibraryReferences;
use App\Queries\Shared\Tallies;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Screening\ItemState;
use WaryHeron\Core\Search\Text\Highlighter;

final class LibraryController extends Controller
{
    private const CHOSEN = [
        'ids' => ['nullable', 'array', 'max:50'],
        'ids.*' => ['string', 'size:26'],
        'all' => ['nullable', 'integer', 'min:0'],
    ];

    public const COLUMNS = ['author', 'year', 'records', 'doi', 'type', 'language', 'tags'];

    private const UNREASONED = ['reason.required' => 'Give the reason; the flow diagram will tell it.'];

    public function index(Request $request, Review $review): View
    {
        $filters = LibraryFilters::from(Input::asked($request), $review, $this->me($request));
        $cursor = Input::text($request, 'at');
        $library = Library::page(
            $review,
            $filters,
            Input::text($request, 'sort'),
            $request->boolean('desc'),
            $cursor === '' ? null : $cursor,
        );

        return view('library.index', [
            'review' => $review,
            'library' => $library,
            'filters' => $filters,
            'highlighter' => $filters->line->query === null ? null : new Highlighter($filters->line->query->root),
            'columns' => $this->columns($request, $review),
            'mayTag' => Gate::allows('tag', $review),
            'chosen' => (array) $request->old('ids', []),
            'choices' => LibraryChoices::of($review),
            'reasons' => LibraryChoices::removals($review),
            'recipes' => $review->recipes()->where('table_of', 'library')->orderBy('name')->get(),
            'styles' => ReferenceList::styles(),
            'deliveries' => LibraryChoices::deliveries($review),
            'kept' => array_filter($request->only([...LibraryFilters::KEYS, 'sort', 'desc']), is_string(...)),
            'removed' => $library->total === 0 ? Tallies::of($review)->in(ItemState::Removed) : 0,
        ]);
    }

    public function export(Request $request, Review $review, string $format): Response
    {
        $filters = LibraryFilters::from(Input::asked($request), $review, $this->me($request));
        $name = Str::limit(Str::slug($review->title), 40, '').'-library';
        $references = LibraryReferences::of($review, $filters);

        return $format === 'references'
            ? $this->list($request, "{$name}-references", $references)
            : RecordDownload::make($name, $format, $references, []);
    }

    /** @param  \Generator<string, Reference>  $references */
    private function list(Request $request, string $name, \Generator $references): Response
    {
        $given = $request->validate([
            'style' => ['required', 'string', 'in:'.implode(',', array_keys(ReferenceList::styles()))],
            'as' => ['required', 'in:docx,plain,html'],
        ]);
        $ending = ['docx' => 'docx', 'plain' => 'txt', 'html' => 'html'][$given['as']];
        $some = (fn () => (yield from $this->most($references, ReferenceList::MOST)))();

        return TextDownload::made($name, $ending, ReferenceList::of($some, $given['style'], $given['as']));
    }

    public function tag(Request $request, Review $review, TagPublications $tag): RedirectResponse
    {
        $given = $request->validate(
            [
                'label' => ['required', 'string', 'max:60', 'regex:/\S/'],
                'on' => ['required', 'in:0,1'],
                ...self::CHOSEN,
            ],
            ['label.required' => 'Name the tag.'],
        );
        $count = $tag->execute(
            $this->me($request),
            $review,
            $this->chosen($request, $review)->chosen(),
            trim($given['label']),
            $given['on'] === '1',
        );

        return back()->with(
            'notice',
            number_format($count).
                ($count === 1 ? ' publication has ' : ' publications have ').
                ($given['on'] === '1' ? 'been tagged.' : 'lost the tag.'),
        );
    }

    public function remove(Request $request, Review $review, RemovePublications $remove): RedirectResponse
    {
        $rules = ['reason' => ['required', 'string', 'max:200', 'regex:/\S/'], ...self::CHOSEN];
        $reason = trim($request->validate($rules, self::UNREASONED)['reason']);
        $filters = $this->chosen($request, $review);
        if (! $request->boolean('sure')) {
            return $this->askFirst($request, $review, 'remove', $filters->chosen()->count(), $reason);
        }
        $chosen = $this->asShown($request, $filters)->chosen();
        $count = $remove->execute($this->me($request), $review, $chosen, $reason);
        $are = number_format($count).($count === 1 ? ' publication is' : ' publications are');

        return redirect()
            ->route('library', [$review, 'removed' => 1])
            ->with('notice', "{$are} out of the review. Everything is kept; bring back here what should not be out.");
    }

    public function restore(Request $request, Review $review, RemovePublications $remove): RedirectResponse
    {
        $request->validate(self::CHOSEN);
        $request->merge(['removed' => '1']);
        $filters = $this->chosen($request, $review);
        if (! $request->boolean('sure')) {
            return $this->askFirst($request, $review, 'restore', $filters->chosen()->count(), '');
        }
        $count = $remove->undo($this->me($request), $review, $this->asShown($request, $filters)->chosen());

        return redirect()
            ->route('library', $review)
            ->with(
                'notice',
                number_format($count).
                    ($count === 1 ? ' publication is' : ' publications are').
                    ' back, with all decisions.',
            );
    }

    /** Names the number and asks once, with what was ticked and typed kept. */
    private function askFirst(
        Request $request,
        Review $review,
        string $what,
        int $count,
        string $reason,
    ): RedirectResponse {
        $kept = array_filter((array) $request->query(), is_string(...));
        $all = $request->filled('all') ? $count : null;

        return redirect()
            ->to(route('library', [$review, ...$kept]).'#asking')
            ->withInput()
            ->with('asking', [
                'what' => $what,
                'count' => $count,
                'ids' => $all === null ? array_values((array) $request->input('ids')) : [],
                'all' => $all,
                'reason' => $reason,
            ]);
    }

    /** @throws Refused If nothing is ticked. */
    private function chosen(Request $request, Review $review): LibraryFilters
    {
        $filters = LibraryFilters::from(Input::asked($request), $review, $this->me($request));

        return $filters->hasChosen()
            ? $filters
            : throw new Refused(
                'Nothing is ticked, so nothing was done. Tick publications in the list, or the box for all that are shown.',
            );
    }

    /** @throws Refused If all that is shown is no longer as many as was said. */
    private function asShown(Request $request, LibraryFilters $filters): LibraryFilters
    {
        $said = $request->integer('all');
        if ($request->filled('all') && ($count = $filters->chosen()->count()) !== $said) {
            throw new Refused(
                'Meanwhile '.
                    number_format($count).
                    ' are shown instead of '.
                    number_format($said).
                    ', so nothing was done. Look again.',
            );
        }

        return $filters;
    }

    /**
     * @template T
     *
     * @param  \Generator<string, T>  $of
     * @return \Generator<int, T>
     */
    private function most(\Generator $of, int $most): \Generator
    {
        $count = 0;
        foreach ($of as $one) {
            if ($count++ === $most) {
                return;
            }
            yield $one;
        }
    }

    /** @return list<string> columns chosen, kept for this person and review */
    private function columns(Request $request, Review $review): array
    {
        $key = "library.columns.{$review->id}";
        if ($request->has('columns')) {
            $request
                ->session()
                ->put(
                    $key,
                    array_values(
                        array_intersect(
                            self::COLUMNS,
                            array_filter((array) $request->query('columns'), is_string(...)),
                        ),
                    ),
                );
        }

        return $request->session()->get($key, ['author', 'year', 'records']);
    }
}
