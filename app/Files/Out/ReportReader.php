<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Support\Facades\Process;

/** Reads and makes the documents of reports by the script that is built of the editor's own parts, run with node. */
final class ReportReader
{
    private const SECONDS = 20;

    /** Half a gigabyte of what it keeps, twenty seconds of one core. */
    private const LIMITS = ['prlimit', '--cpu=20', '--core=0', '--fsize=0'];

    /**
     * @param  string  $base  base64, as all updates are
     * @param  list<string>  $updates
     * @return array{json: array<string, mixed>, state: string, left: list<string>} what it says, one update that makes
     *     all of it, and why updates were left out: one that is none, or one that misses another
     *
     * @throws BrokenReport If the base cannot be read.
     */
    public static function read(string $base, array $updates): array
    {
        /** @var array{json: array<string, mixed>, state: string, left: list<string>} $read */
        $read = self::ask(['do' => 'read', 'base' => $base, 'updates' => $updates]);

        return $read;
    }

    /**
     * @param  array<string, mixed>  $json
     * @return string a new document that says it
     */
    public static function make(array $json): string
    {
        return (string) self::ask(['do' => 'make', 'json' => $json])['state'];
    }

    /**
     * @return list<array{type: string, runs: list<array{client: int, text: string}>}> its paragraphs, each as what was
     *     written with one client after another
     *
     * @throws BrokenReport
     */
    public static function written(string $base): array
    {
        /** @var list<array{type: string, runs: list<array{client: int, text: string}>}> $blocks */
        $blocks = self::ask(['do' => 'written', 'base' => $base])['blocks'];

        return $blocks;
    }

    /**
     * @param  array<string, mixed>  $what
     * @return array<string, mixed>
     *
     * @throws BrokenReport
     */
    private static function ask(array $what): array
    {
        $done = Process::timeout(self::SECONDS)
            ->input(json_encode($what, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE))
            ->run([...self::LIMITS, 'node', '--max-old-space-size=512', base_path('var/build/report-reader.mjs')]);
        $said = $done->successful() ? json_decode($done->output(), true) : null;
        if (! is_array($said)) {
            throw new BrokenReport(trim($done->errorOutput()) ?: 'it could not be read');
        }

        return $said;
    }
}
