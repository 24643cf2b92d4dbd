<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\Request;

abstract class Controller
{
    protected function me(Request $request): User
    {
        return $request->user() ?? throw new \LogicException('This page is for people who are signed in.');
    }
}
