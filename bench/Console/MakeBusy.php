<?php

declare(strict_types=1);

namespace Bench\Console;

use App\Actions\Archive\AskForFile;
use App\Actions\Deliveries\StartDelivery;
use App\Actions\Matching\StartMatching;
use App\Files\MadeKind;
use App\Models\Review;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskState;
use Bench\LargeReview;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;

/** Gives the workers of a copy much to do, and says afterwards whether all of it is there once; for drills only. */
final class MakeBusy extends Command
{
    protected $signature = 'heron:busy {review? : says what became of it} {--files=6} {--records=3000}';

    protected $description = 'Start deliveries, a comparison, an order and files at once; with a review: compare what is there with what was asked';

    public function handle(LargeReview $large, StartDelivery $deliver, StartMatching $match, AskForFile $files): int
    {
        $id = $this->argument('review');
        if (is_string($id)) {
            return $this->told(Review::query()->findOrFail($id));
        }
        [$lead, $reviewer] = array_map(fn (string $name): User => User::query()->create([
            'name' => $name,
            'email' => mb_strtolower($name).'@heron.example',
            'password' => Hash::make('a long password'),
        ]), ['Busy', 'Busier']);
        $review = $large->review($lead, $reviewer, 'Much to do');
        for ($i = 1; $i <= (int) $this->option('files'); $i++) {
            $path = (string) tempnam(sys_get_temp_dir(), 'busy');
            $large->writeFile($path, (int) $this->option('records') + $i);
            $deliver->ofFile($lead, $review, $path, "busy {$i}.ris", "Source {$i}", now(), '');
            unlink($path);
        }
        if ((int) $this->option('files') === 0) {
            $this->line($review->id);

            return self::SUCCESS;
        }
        $match->execute($lead, $review);
        $files->execute($lead, $review, MadeKind::Archive);
        $this->line($review->id);

        return self::SUCCESS;
    }

    private function told(Review $review): int
    {
        $files = (int) $this->option('files');
        $wanted = $files * (int) $this->option('records') + intdiv($files * ($files + 1), 2);
        $deliveries = $review->deliveries()->get();
        $tasks = Task::query()->where('review_id', $review->id)->get();
        $told = [
            'records_asked' => $wanted,
            'records_there' => $review->records()->count(),
            'records_twice' => (int) DB::table('records')
                ->where('review_id', $review->id)
                ->selectRaw('count(*) - count(DISTINCT (delivery_id, position)) AS n')
                ->value('n'),
            'kept_as_told' => (int) $deliveries->sum('kept'),
            'without_publication' => $review->records()->whereNull('publication_id')->count(),
            'under_way' => $tasks->filter(fn (Task $one): bool => $one->state->isUnderWay())->count(),
            'done' => $tasks->where('state', TaskState::Done)->count(),
            'failed' => $tasks->where('state', TaskState::Failed)->map(fn (Task $one): string => "{$one->title}: {$one->message}")->values()->all(),
        ];
        $this->line(json_encode($told, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES));
        $isWhole = $told['records_there'] === $told['kept_as_told'] && $told['records_twice'] === 0 && $told['without_publication'] === 0;

        return $isWhole && $told['under_way'] === 0 && ($told['failed'] !== [] || $told['records_there'] === $wanted)
            ? self::SUCCESS
            : self::FAILURE;
    }
}
