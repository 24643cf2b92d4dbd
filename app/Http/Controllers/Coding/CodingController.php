<?php

declare(strict_types=1);

namespace App\Http\Controllers\Coding;

use App\Http\Controllers\Controller;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use App\Queries\Coding\Leads;
use Illuminate\Contracts\View\View;

/** The studies against the codebook. */
final class CodingController extends Controller
{
    public function index(Review $review): View
    {
        return view('coding.table', [
            'review' => $review,
            'table' => CodingTable::of($review),
            'leads' => Leads::waiting($review),
            'record' => Leads::record($review),
        ]);
    }
}
