<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input;
use App\Models\Review;
use App\Models\Stage;
use App\Models\User;
use Illuminate\Http\Request;

abstract class Controller
{
    protected function me(Request $request): User
    {
        return $request->user() ?? throw new \LogicException('This page is for people who are signed in.');
    }

    /** The stage that the address names, or the first. */
    protected function stage(Request $request, Review $review): Stage
    {
        return $review->stages->firstWhere('id', Input::text($request, 'stage')) ?? $review->firstStage();
    }
}
