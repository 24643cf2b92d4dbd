<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Files\Out\TableDownload;
use App\Files\Out\TextDownload;
use App\Http\Controllers\Controller;
use App\Http\DocumentLimit;
use App\Http\Requests\Coding\TableRequest;
use App\Models\CodebookItem;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Coding\CodingDesk;
use App\Queries\Coding\CodingShares;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Leads;
use App\Queries\Coding\Reconcile\Reconciling;
use App\Queries\Coding\Table\TableRows;
use App\Queries\Coding\Table\TableStudies;
use App\Queries\Shared\TableRecipes;
use App\Queries\Synthesis\CodedTwice;
use Illuminate\Contracts\View\View;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\Response;

/** The studies against the codebook. */
final class CodingController extends Controller
{
    public function index(TableRequest $request, Review $review): View
    {
        return view('coding.table', [
            'review' => $review,
            'table' => CodingTable::of($review, $request->terms($review)),
            'recipes' => TableRecipes::of($review, TableRecipes::CODING),
            'recipeFields' => TableRecipes::codingFields($review),
            'sharers' => CodingShares::standing($review),
            'record' => Leads::record($review),
            'differing' => Reconciling::in($review)->openCount(),
            'numbersDiffering' => $review->coded_by === 1 ? 0 : count(CodedTwice::in($review)->open()),
            'mayEdit' => Gate::allows('code', $review) && $review->coded_by === 1,
        ]);
    }

    /** One cell in full, to be read and changed where it stands. */
    public function cell(Request $request, Review $review, Publication $publication, CodebookItem $code): JsonResponse
    {
        abort_unless($publication->review_id === $review->id && $code->review_id === $review->id, 404);

        return response()->json(['slots' => (new CodingDesk($review, $publication))->of($this->me($request), $code)]);
    }

    public function export(TableRequest $request, Review $review, string $format): Response
    {
        $terms = $request->terms($review);
        $parts = $request->parts();
        $rows = new TableRows($review, $terms, $parts);
        if ($format !== 'docx') {
            return TableDownload::make("{$review->title} coding", $format, $rows->all());
        }
        $count = (new TableStudies($review, $terms))->count() * $terms->shown()->count();
        DocumentLimit::check($count, 'answers', 'studies or items');

        return TextDownload::docx(
            "{$review->title} coding",
            view('coding.table-print', ['review' => $review, 'rows' => $rows->all(), 'parts' => $parts])->render(),
        );
    }
}
