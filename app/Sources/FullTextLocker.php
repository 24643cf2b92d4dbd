<?php

declare(strict_types=1);

namespace App\Sources;

use Illuminate\Http\Client\ConnectionException;
use Illuminate\Support\Facades\Http;

/** Resolves DOIs to copies, where the locker has one. */
final class FullTextLocker
{
    private const LARGEST = 60 * 1024 * 1024;

    /**
     * @return string the PDF
     *
     * @throws SourceFailed If there is none, or what came is none.
     */
    public function pdf(string $doi): string
    {
        try {
            $answer = Http::timeout(30)->connectTimeout(4)->get(config('heron.locker').'/'.implode('/', array_map(rawurlencode(...), explode('/', $doi))));
        } catch (ConnectionException) {
            throw SourceFailed::unreachable('The full-text locker');
        }
        if ($answer->status() === 403 || $answer->status() === 404) {
            throw SourceFailed::noCopy(mb_substr(trim(strip_tags($answer->body())), 0, 200));
        }
        if ($answer->failed()) {
            throw SourceFailed::status('The full-text locker', $answer->status());
        }
        if (! str_starts_with($answer->body(), '%PDF-') || strlen($answer->body()) > self::LARGEST) {
            throw SourceFailed::unreadable('The full-text locker', 'it is no PDF');
        }

        return $answer->body();
    }
}
