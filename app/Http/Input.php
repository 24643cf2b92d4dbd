<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Http\Request;

/** Reads one text from an address or a form; what is no text is as if it were not there. */
final class Input
{
    public static function text(Request $request, string $key): string
    {
        $given = $request->input($key);

        return is_string($given) ? trim(str_replace("\0", '', mb_scrub($given, 'UTF-8'))) : '';
    }

    /** A whole number between 1 and a bound; what is none, or beyond, is the least or the most. */
    public static function whole(Request $request, string $key, int $otherwise, int $most): int
    {
        $given = self::text($request, $key);

        return preg_match('/^\d{1,18}$/', $given) === 1 ? max(1, min($most, (int) $given)) : $otherwise;
    }

    public static function page(Request $request): int
    {
        return self::whole($request, 'page', 1, 100_000);
    }
}
