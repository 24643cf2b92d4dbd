<?php

declare(strict_types=1);

namespace App\Http\Controllers\Team;

use App\Http\Controllers\Controller;
use App\Models\Letter;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;

final class PostRoomController extends Controller
{
    public function index(Request $request): View
    {
        $letters = Letter::query()->orderByDesc('id')->limit(100);
        if (config('heron.demo') !== true) {
            $letters->whereRaw('lower(recipient) = ?', [mb_strtolower($this->me($request)->email)]);
        }

        return view('team.post-room', ['letters' => $letters->get()]);
    }

    public function show(Letter $letter): View
    {
        return view('team.letter', ['letter' => $letter]);
    }
}
