<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Deliveries\StartDelivery;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\User;
use Bench\LargeReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/**
 * Times the delivery of a large RIS file, and beside it COPY of the rows that came of it into like tables with like
 * indexes.
 */
final class BenchDeliver extends Command
{
    protected $signature = 'heron:bench-deliver {records=50000}';

    protected $description = 'Measure how fast a file is delivered';

    public function handle(LargeReview $large, StartDelivery $start): int
    {
        $records = (int) $this->argument('records');
        $people = array_map(
            fn (string $name): User => User::query()->create([
                'name' => $name,
                'email' => uniqid("{$name}-").'@heron.example',
                'password' => 'a long password',
            ]),
            ['Lead', 'Reviewer'],
        );
        $review = $large->review($people[0], $people[1], 'Bench');
        $path = tempnam(sys_get_temp_dir(), 'bench');
        $large->writeFile($path, $records);
        Queue::fake();
        $delivery = $start->ofFile($people[0], $review, $path, 'bench.ris', 'Bench', now(), '');
        $began = microtime(true);
        DeliverySlice::runHere($delivery);
        $seconds = microtime(true) - $began;
        $peak = $this->peakMiB();
        $megabytes = filesize($path) / 1_048_576;
        unlink($path);
        $plain = $this->plainCopy($review->id);
        $this->line(
            json_encode(
                [
                    'what' => 'deliver',
                    'size' => $records,
                    'file_mib' => round($megabytes, 1),
                    'kept' => $delivery->kept,
                    'publications' => $delivery->new,
                    'seconds' => round($seconds, 2),
                    'records_per_second' => (int) round($records / $seconds),
                    'peak_mib' => $peak,
                    'plain' => 'COPY of the same rows into like tables',
                    'plain_seconds' => round($plain, 2),
                    'ratio' => round($seconds / $plain, 2),
                ],
                JSON_THROW_ON_ERROR,
            ),
        );

        return self::SUCCESS;
    }

    private function plainCopy(string $review): float
    {
        $seconds = 0.0;
        $pdo = DB::connection()->getPdo();
        foreach (['publications', 'items', 'records'] as $table) {
            // some columns are the database's to give
            $names = implode(
                ', ',
                array_diff(
                    DB::getSchemaBuilder()->getColumnListing($table),
                    ['items' => ['position'], 'publications' => ['title_words', 'author_words']][$table] ?? [],
                ),
            );
            DB::statement("CREATE TABLE bench_rows AS SELECT {$names} FROM {$table} WHERE review_id = '{$review}'");
            $rows = tempnam(sys_get_temp_dir(), 'bench');
            $pdo->pgsqlCopyToFile('bench_rows', $rows);
            DB::statement("CREATE TABLE bench_like (LIKE {$table} INCLUDING ALL)");
            foreach (self::chunks($rows) as $chunk) {
                $began = microtime(true);
                $pdo->pgsqlCopyFromArray('bench_like', $chunk, "\t", '\\\\N', $names);
                $seconds += microtime(true) - $began;
            }
            unlink($rows);
            DB::statement('DROP TABLE bench_like, bench_rows');
        }

        return $seconds;
    }

    /** @return \Generator<int, list<string>> */
    private static function chunks(string $path): \Generator
    {
        $file = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
        for ($rows = []; ($row = fgets($file)) !== false;) {
            $rows[] = $row;
            if (count($rows) === 5000) {
                yield $rows;
                $rows = [];
            }
        }
        if ($rows !== []) {
            yield $rows;
        }
        fclose($file);
    }

    private function peakMiB(): float
    {
        preg_match('/VmHWM:\s+(\d+) kB/', (string) file_get_contents('/proc/self/status'), $peak);

        return round((int) ($peak[1] ?? 0) / 1024, 1);
    }
}
