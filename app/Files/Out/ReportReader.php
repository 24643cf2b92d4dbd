<?php

declare(strict_types=1);

namespace App\Files\Out;

use Illuminate\Support\Facades\Process;
use WaryHeron\Core\Report\Document\Node;

/** Reads and makes the documents of reports by the script that is built of the editor's own parts, run with node. */
final class ReportReader
{
    private const SECONDS = 20;

    /** Half a gigabyte of what it keeps, twenty seconds of one core. */
    private const LIMITS = ['prlimit', '--cpu=20', '--core=0', '--fsize=0'];

    /**
     * @param  string  $base  base64, as all updates are
     * @param  list<string>  $updates
     *
     * @throws BrokenReport If the base cannot be read.
     */
    public static function read(string $base, array $updates): ReadDocument
    {
        $read = self::ask(['do' => 'read', 'base' => $base, 'updates' => $updates]);

        return new ReadDocument($read['json'], $read['state'], $read['left']);
    }

    /**
     * @param  array<string, mixed>|Node  $json
     * @return string a new document that says it
     */
    public static function make(array|Node $json): string
    {
        return (string) self::ask(['do' => 'make', 'json' => $json])['state'];
    }

    /**
     * @return list<WrittenParagraph>
     *
     * @throws BrokenReport
     */
    public static function written(string $base): array
    {
        /** @var list<array{type: string, runs: list<array{client: ?int, text: string}>}> $blocks */
        $blocks = self::ask(['do' => 'written', 'base' => $base])['blocks'];

        return array_map(fn (array $of): WrittenParagraph => new WrittenParagraph($of['type'], array_map(
            fn (array $run): WrittenRun => new WrittenRun($run['client'], $run['text']),
            $of['runs'],
        )), $blocks);
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
