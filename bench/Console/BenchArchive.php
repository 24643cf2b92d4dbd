<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Archive\BringInArchive;
use App\Actions\Archive\DeleteReview;
use App\Actions\Archive\WriteArchive;
use App\Models\FullText;
use App\Models\Review;
use App\Models\User;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use Illuminate\Support\Str;

/** Times the archive of a large review with its papers: written, deleted, brought back, and written again. */
final class BenchArchive extends Command
{
    protected $signature = 'heron:bench-archive {review} {--papers=200} {--kilobytes=500}';

    protected $description = 'Measure how long a whole review takes as a file, and how much memory';

    public function handle(WriteArchive $write, DeleteReview $delete, BringInArchive $bring): int
    {
        $id = $this->argument('review');
        $review = Review::query()->findOrFail(is_string($id) ? $id : '');
        $lead = User::query()->findOrFail($review->created_by);
        $this->addPapers($review, $lead);
        $path = (string) tempnam(sys_get_temp_dir(), 'heron');
        $this->told('written', fn () => $write->execute(null, $review, $path, true, fn () => null), $path);
        $this->told('deleted', fn () => $delete->execute($review, $path), $path);
        $this->told('brought in', fn () => $bring->execute($lead, $path, true, fn () => null), $path);
        $again = "{$path}.again";
        $this->told('written again', fn () => $write->execute(null, $review, $again, true, fn () => null), $again);
        array_map(unlink(...), [$path, $again]);

        return self::SUCCESS;
    }

    private function addPapers(Review $review, User $lead): void
    {
        $publications = DB::table('publications')->where('review_id', $review->id)->limit((int) $this->option('papers'))->pluck('id');
        foreach ($publications as $n => $publication) {
            // as papers are: hardly to be packed any further
            $bytes = '%PDF-1.7 '.random_bytes(max(1, 1024 * (int) $this->option('kilobytes')));
            $hash = hash('sha256', $bytes);
            Storage::put(FullText::pathOf($hash), $bytes);
            DB::table('full_texts')->insert([
                'id' => strtolower((string) Str::ulid()),
                'review_id' => $review->id,
                'publication_id' => $publication,
                'hash' => $hash,
                'name' => "paper {$n}.pdf",
                'bytes' => strlen($bytes),
                'origin' => 'added',
                'user_id' => $lead->id,
            ]);
        }
    }

    /** @param  \Closure(): mixed  $do */
    private function told(string $what, \Closure $do, string $path): void
    {
        gc_collect_cycles();
        memory_reset_peak_usage();
        $begun = microtime(true);
        $do();
        $this->line((string) json_encode([
            'what' => $what,
            'seconds' => round(microtime(true) - $begun, 1),
            'peak_MiB' => round(memory_get_peak_usage() / 1_048_576),
            'file_MB' => round((int) filesize($path) / 1e6),
        ]));
    }
}
