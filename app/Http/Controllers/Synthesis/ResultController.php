<?php

declare(strict_types=1);

namespace App\Http\Controllers\Synthesis;

use App\Actions\Synthesis\SaveResult;
use App\Http\Controllers\Controller;
use App\Http\Requests\Synthesis\ResultRequest;
use App\Models\Publication;
use App\Models\Review;
use App\Queries\Synthesis\StudyResults;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The results of one study, taken at the Coding Desk. */
final class ResultController extends Controller
{
    public function index(Request $request, Review $review, Publication $publication): JsonResponse
    {
        return response()->json((new StudyResults($review, $publication, $this->me($request)))->data());
    }

    public function save(
        ResultRequest $request,
        Review $review,
        Publication $publication,
        string $row,
        SaveResult $save,
    ): JsonResponse {
        $outcome = $request->outcome($review);
        $result = $save->execute(
            $this->me($request),
            $publication,
            strtolower($row),
            $request->values($review),
            $request->evidence(),
            $request->seen(),
        );

        return response()->json((new StudyResults($review, $publication, $this->me($request)))->row($result, $outcome));
    }
}
