<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Actions\Coding\ChangeCodebook;
use App\Actions\Coding\SetCodingTerms;
use App\Http\Controllers\Controller;
use App\Http\Input;
use App\Http\Requests\Coding\CodebookItemRequest;
use App\Models\CodebookItem;
use App\Models\Review;
use App\Queries\Coding\CodebookSets;
use App\Queries\Synthesis\Traced\WhereUsed;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;
use WaryHeron\Core\Coding\Book\BadBook;
use WaryHeron\Core\Coding\Book\BookCsv;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\Book\Entry;

/** What is asked of each study. */
final class CodebookController extends Controller
{
    private const IMPORTED = ['file' => ['nullable', 'file', 'max:1024'], 'from' => ['nullable', 'string', 'max:60']];

    public function show(Request $request, Review $review): View
    {
        return view('coding.codebook', [
            'review' => $review,
            'codes' => $review->codes()->whereNull('retired_at')->get(),
            'retired' => $review->codes()->whereNotNull('retired_at')->get(),
            'sets' => CodebookSets::titles(),
            'others' => CodebookSets::reviews($this->me($request), $review),
            'used' => WhereUsed::in($review),
        ]);
    }

    public function add(CodebookItemRequest $request, Review $review, ChangeCodebook $change): RedirectResponse
    {
        $change->add($this->me($request), $review, $request->entry());

        return redirect()->route('codebook', $review)->with('notice', 'Added to the codebook.');
    }

    public function change(
        CodebookItemRequest $request,
        Review $review,
        CodebookItem $code,
        ChangeCodebook $change,
    ): RedirectResponse {
        $touched = array_diff_key($change->touched($review, $code, $request->entry()), $request->becomes());
        if ($touched !== []) {
            return redirect()
                ->to(route('codebook', $review)."#item-{$code->id}")
                ->withInput()
                ->with('touched', ['code' => $code->id, 'options' => $touched]);
        }
        $change->change(
            $this->me($request),
            $review,
            $code,
            $request->entry(),
            $request->becomes(),
            Input::shown($request),
        );

        return redirect()->route('codebook', $review)->with('notice', 'The codebook is changed.');
    }

    public function move(Request $request, Review $review, CodebookItem $code, ChangeCodebook $change): RedirectResponse
    {
        Input::text($request, 'do') === 'retire'
            ? $change->retire($this->me($request), $review, $code)
            : $change->moveUp($this->me($request), $review, $code);

        return redirect()->to(route('codebook', $review)."#item-{$code->id}");
    }

    public function import(Request $request, Review $review, ChangeCodebook $change): RedirectResponse
    {
        $request->validate(self::IMPORTED);
        $file = $request->file('file');
        try {
            $entries = $file instanceof UploadedFile
                ? self::read((string) $file->get())
                : CodebookSets::entries($this->me($request), Input::text($request, 'from'));
        } catch (BadBook $bad) {
            return redirect()->route('codebook', $review)->with('problem', $bad->getMessage());
        }
        $change->addAll($this->me($request), $review, $entries);

        $added = count($entries).' items were added to the codebook.';

        return redirect()->route('codebook', $review)->with('notice', $added);
    }

    /**
     * @return list<Entry>
     *
     * @throws BadBook
     */
    private static function read(string $text): array
    {
        return preg_match('/^[\s\x{FEFF}]*[{\[]/u', mb_scrub(substr($text, 0, 100))) === 1
            ? BookJson::read($text)
            : BookCsv::read($text);
    }

    public function sheet(Review $review): View
    {
        return view('coding.sheet', [
            'review' => $review,
            'codes' => $review->codes()->whereNull('retired_at')->get(),
        ]);
    }

    public function export(Review $review, string $format): Response
    {
        $codes = $review->codes()->whereNull('retired_at')->get();
        $entries = array_values($codes->map(fn (CodebookItem $code) => $code->entry())->all());
        $name = Str::limit(Str::slug($review->title), 40, '')."-codebook.{$format}";

        return response($format === 'csv' ? BookCsv::write($entries) : BookJson::write($review->title, $entries), headers: [
            'Content-Type' => $format === 'csv' ? 'text/csv; charset=utf-8' : 'application/json',
            'Content-Disposition' => "attachment; filename=\"{$name}\"",
        ]);
    }

    public function terms(Request $request, Review $review, SetCodingTerms $set): RedirectResponse
    {
        $given = $request->validate([
            'coders' => ['required', 'in:1,2'],
        ]);
        $set->by($this->me($request), $review, (int) $given['coders']);

        return redirect()->route('codebook', $review)->with('notice', 'How studies are coded is changed.');
    }
}
