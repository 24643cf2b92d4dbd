<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Validation\ValidationException;

/** How much a document for word processors may hold: it is made in the request. */
final class DocumentLimit
{
    /**
     * @param  string  $of  what is counted
     * @param  string  $fewer  what to show fewer of
     *
     * @throws ValidationException If there are more.
     */
    public static function check(int $count, string $of, string $fewer): void
    {
        $most = (int) config('heron.document_answers');
        if ($count > $most) {
            throw ValidationException::withMessages([
                'document' => 'A document holds up to '.number_format($most)." {$of}. Show fewer {$fewer}, or take XLSX.",
            ]);
        }
    }
}
