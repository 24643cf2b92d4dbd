<?php

declare(strict_types=1);

namespace App\Http;

use App\Actions\Shared\Shown;
use App\Queries\Shared\Asked;
use Illuminate\Http\Request;

/** Reads one text from an address or a form; what is no text is as if it were not there. */
final class Input
{
    public static function text(Request $request, string $key): string
    {
        $given = $request->input($key);

        return is_string($given) ? trim(str_replace("\0", '', mb_scrub($given, 'UTF-8'))) : '';
    }

    /** What a form says that it showed of what it changes. */
    public static function shown(Request $request): Shown
    {
        $stamp = self::text($request, 'shown');

        return new Shown($stamp === '' ? null : $stamp);
    }

    /** All texts of an address or a form by their names, and what is ticked. */
    public static function asked(Request $request): Asked
    {
        $names = array_map(strval(...), array_keys(array_filter($request->all(), is_string(...))));
        $texts = array_combine($names, array_map(fn (string $name): string => self::text($request, $name), $names));

        return new Asked($texts, array_values(array_filter((array) $request->input('ids'), is_string(...))));
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
