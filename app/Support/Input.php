<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Http\Request;

/** Reads one text from an address or a form; what is no text is as if it were not there. */
final class Input
{
    public static function text(Request $request, string $key): string
    {
        $given = $request->input($key);

        return is_string($given) ? trim($given) : '';
    }
}
