<?php

namespace Tests\Feature\Archive;

use App\Actions\Archive\BringInArchive;
use App\Actions\Archive\DeleteReview;
use App\Actions\Archive\WriteArchive;
use App\Actions\Report\OpenReport;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Tests\Feature\Synthesis\AtSynthesis;
use ZipArchive;

/** Archives of reviews, written, changed, and brought in again. */
final class AtArchive
{
    /** A review with something in most of its tables. */
    public static function review(): AtSynthesis
    {
        $at = AtSynthesis::with('Aster', 'Birk');
        $at->counts('Aster', 7, 86, 15, 85, ['evidence' => ['e1' => [['quote' => '7 of 86 „made" one'."\n"]]]]);
        $at->counts('Birk', 4, 40, 9, 41);
        $at->analysis();
        app(OpenReport::class)->execute($at->world->people['lead'], $at->world->review);

        return $at;
    }

    /** @return array{array<string, User>, string} the people, and an archive of a review that is not here any more */
    public static function ofGone(): array
    {
        $at = self::review();
        $path = self::write($at->world->review);
        self::delete($at->world->review, $path);

        return [$at->world->people, $path];
    }

    public static function write(Review $review, bool $hasFullTexts = true): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'archive');
        app(WriteArchive::class)->execute(null, $review, $path, $hasFullTexts, fn () => null);

        return $path;
    }

    /** As whoever owns the tables. */
    public static function delete(Review $review, string $archive): void
    {
        $role = DB::scalar('SELECT current_user');
        DB::statement('RESET ROLE');
        try {
            app(DeleteReview::class)->execute($review, $archive);
        } finally {
            DB::statement("SET LOCAL ROLE \"{$role}\"");
        }
    }

    public static function bring(User $by, string $path, bool $isTrusted = true): Review
    {
        return app(BringInArchive::class)->execute($by, $path, $isTrusted, fn () => null);
    }

    /** @return array<string, string> contents by name */
    public static function contents(string $path): array
    {
        $zip = new ZipArchive();
        $zip->open($path);
        $contents = [];
        for ($i = 0; $i < $zip->numFiles; $i++) {
            $contents[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
        }

        return $contents;
    }

    /** @return list<string> files of two archives of one review that say something else, but for that they were written */
    public static function differing(string $first, string $second): array
    {
        [$one, $other] = array_map(self::lasting(...), [$first, $second]);

        return array_values(array_filter(
            array_unique([...array_keys($one), ...array_keys($other)]),
            fn (string $name): bool => ($one[$name] ?? null) !== ($other[$name] ?? null),
        ));
    }

    /** @return array<string, string> */
    private static function lasting(string $path): array
    {
        $contents = self::contents($path);
        unset($contents['manifest.json']);
        foreach (['data/log_entries.jsonl', 'open/log.csv'] as $log) {
            $lines = array_filter(explode("\n", $contents[$log]), fn (string $line): bool => ! str_contains($line, 'archive.'));
            $contents[$log] = implode("\n", $lines);
        }

        return $contents;
    }

    /**
     * The archive with some of its files changed, and a manifest that says so.
     *
     * @param  array<string, \Closure(string): string>  $changes
     */
    public static function changed(string $path, array $changes, bool $isManifestTrue = true): string
    {
        $contents = self::contents($path);
        $manifest = json_decode($contents['manifest.json'], true);
        foreach ($changes as $name => $change) {
            $contents[$name] = $change($contents[$name] ?? '');
        }
        foreach ($isManifestTrue ? $manifest['files'] : [] as $i => $file) {
            $now = $contents[$file['name']];
            $manifest['files'][$i] = [...$file, 'bytes' => strlen($now), 'sha256' => hash('sha256', $now)];
            if (isset($file['rows'])) {
                $manifest['files'][$i]['rows'] = substr_count($now, "\n");
            }
        }
        isset($changes['manifest.json']) || ($contents['manifest.json'] = json_encode($manifest));
        $other = (string) tempnam(sys_get_temp_dir(), 'archive');
        $zip = new ZipArchive();
        $zip->open($other, ZipArchive::OVERWRITE);
        foreach ($contents as $name => $content) {
            $zip->addFromString($name, $content);
        }
        $zip->close();

        return $other;
    }
}
