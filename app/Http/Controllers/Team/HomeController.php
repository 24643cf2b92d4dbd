<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Http\Controllers\Controller;
use App\Queries\Team\HomeReview;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class HomeController extends Controller
{
    public function __invoke(Request $request): View
    {
        return view('team.home', ['reviews' => HomeReview::allOf($this->me($request))]);
    }
}
