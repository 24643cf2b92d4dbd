<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Files\In\ReferenceFile;
use App\Files\In\RememberedReading;
use App\Files\Store;
use App\Jobs\Deliveries\DeliverySlice;
use App\Models\Delivery;
use App\Models\FullText;
use App\Models\Review;
use App\Models\Run;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use Carbon\CarbonInterface;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Flow\SourceKind;

/** Makes the delivery and hands the work to the queue. */
final readonly class StartDelivery
{
    public function __construct(private WriteLog $log)
    {
    }

    /**
     * A table waits for somebody to say what its columns hold, unless that is given or remembered of its source.
     *
     * @param  ?array{columns?: array<int, string>, delimiter?: string, encoding?: string}  $reading
     *
     * @throws Refused If this very file was delivered before; the context names that delivery. Or if it is more than
     *     the review may keep.
     * @throws UnusableFile If it is of no known format.
     */
    public function ofFile(
        User $by,
        Review $review,
        string $path,
        string $fileName,
        string $source,
        CarbonInterface $searchedOn,
        string $notes,
        string $platform = '',
        ?array $reading = null,
        string $sourceKind = 'database',
    ): Delivery {
        $hash = hash_file('sha256', $path) ?: throw new \RuntimeException("Cannot read {$path}.");
        $this->refuseTwice($review, $hash);
        Store::refuseBeyond($review, (int) filesize($path), $fileName);
        $format = ReferenceFile::formatOf($path);
        self::keep($path, "deliveries/{$hash}");
        $values = [
            'kind' => 'file',
            'source_name' => $source,
            'searched_on' => $searchedOn,
            'notes' => $notes,
            'file_name' => $fileName,
            'file_hash' => $hash,
            'file_size' => (int) filesize($path),
            'source_kind' => $sourceKind,
            'platform' => $platform,
            'format' => $format,
            'reading' => $reading ?? [],
        ];
        $isLookedAt = in_array($format, ['csv', 'xlsx'], true) && $reading === null;

        return $this->once($by, $review, $values, "Reading {$fileName}", $isLookedAt ? 'looking' : 'queued');
    }

    /**
     * The list of references of a paper, as text of the lines that are printed there.
     *
     * @throws Refused If it was delivered before, or is more than the review may keep.
     */
    public function ofReferences(User $by, FullText $copy, string $source, string $list): Delivery
    {
        $hash = hash('sha256', $list);
        $name = "References of {$copy->publication?->called()}.txt";
        $this->refuseTwice($copy->review, $hash);
        Store::refuseBeyond($copy->review, strlen($list), $name);
        Storage::put("deliveries/{$hash}", $list);
        $file = ['file_name' => $name, 'file_hash' => $hash, 'file_size' => strlen($list), 'format' => 'printed'];

        return $this->once($by, $copy->review, [
            'kind' => 'file',
            'source_name' => $source,
            'source_kind' => SourceKind::Citation->value,
            'searched_on' => now(),
            'notes' => "Taken from the full text of “{$copy->publication?->title}”.",
            ...$file,
            'full_text_id' => $copy->id,
        ], "Reading {$name}");
    }

    /**
     * Starts the delivery of a file that was not delivered before, also where two deliver it in the same moment.
     *
     * @param  array<string, mixed>  $values
     */
    private function once(User $by, Review $review, array $values, string $title, string $state = 'queued'): Delivery
    {
        try {
            return DB::transaction(fn (): Delivery => $this->start($by, $review, $values, $title, $state));
        } catch (UniqueConstraintViolationException) {
            $this->refuseTwice($review, $values['file_hash']);
            throw new \LogicException('The file was neither new nor known.');
        }
    }

    private static function keep(string $path, string $stored): void
    {
        if (! Storage::exists($stored)) {
            $stream = fopen($path, 'rb') ?: throw new \RuntimeException("Cannot read {$path}.");
            Storage::writeStream($stored, $stream);
            fclose($stream);
        }
    }

    /** @param  bool  $onlyNew  leaves out what was fetched from this source before */
    public function ofRun(User $by, Run $run, bool $onlyNew = false): Delivery
    {
        return DB::transaction(function () use ($by, $run, $onlyNew): Delivery {
            // runs are only added to, so they are locked by name and not by row
            Locks::fetchOf($run->id);
            self::refuseFetched($run);

            return $this->start(
                $by,
                $run->review,
                [
                    'kind' => 'fetch',
                    'source_name' => $run->source_title,
                    'source_key' => $run->source,
                    'source_kind' => config("heron.sources.{$run->source}.kind", 'database'),
                    'searched_on' => $run->ran_at,
                    'run_id' => $run->id,
                    'only_new' => $onlyNew,
                    'query_sent' => $run->query_sent,
                    'expected' => $run->total,
                ],
                'Fetching '.($onlyNew ? 'what is new of ' : '').number_format($run->total)." records from {$run->source_title}",
            );
        });
    }

    private static function refuseFetched(Run $run): void
    {
        $there = [...Delivery::UNDER_WAY, 'done', 'stopped', 'failed'];
        $earlier = $run->deliveries()->whereIn('state', $there)->first();
        if ($earlier === null) {
            return;
        }
        $words = match (true) {
            $earlier->isUnderWay() => 'These records are being fetched already.',
            $earlier->state === 'done' => 'The records of this run have been fetched.',
            default => 'This fetch was begun before; go on with it from where it stopped.',
        };
        throw new Refused($words, ['delivery' => $earlier->id]);
    }

    /**
     * Begins to read a table, now that it is said what its columns hold, and remembers that for its source.
     *
     * @param  array{columns?: array<int, string>, delimiter?: string, encoding?: string}  $reading
     */
    public function readTable(User $by, Delivery $delivery, array $reading): void
    {
        DB::transaction(function () use ($by, $delivery, $reading): void {
            $delivery = $delivery->locked();
            if ($delivery->state !== 'mapping') {
                throw new Refused('This table is being read already.');
            }
            $delivery->update(['reading' => $reading]);
            RememberedReading::keep($delivery, $reading);
            ($this->log)(
                $delivery->review_id,
                $by,
                'delivery.columns',
                "Said what the columns of {$delivery->file_name} hold",
                $delivery,
                $reading,
            );
            $this->queue($delivery);
        });
    }

    /**
     * Has the first rows of a table read once more, as another delimiter or encoding would show them.
     *
     * @param  array{delimiter?: string, encoding?: string}  $asked
     */
    public function lookAgain(Delivery $delivery, array $asked): void
    {
        DB::transaction(function () use ($delivery, $asked): void {
            $delivery = $delivery->locked();
            if ($delivery->state !== 'mapping') {
                throw new Refused('This table is being read already.');
            }
            $delivery->update(['reading' => $asked]);
            $this->queue($delivery, 'looking');
        });
    }

    /** Goes on with a delivery that stopped on the way. */
    public function goOn(User $by, Delivery $delivery): void
    {
        DB::transaction(function () use ($by, $delivery): void {
            $delivery = $delivery->locked();
            if (! in_array($delivery->state, ['stopped', 'failed'], true)) {
                throw new Refused('This delivery is not stopped.');
            }
            ($this->log)(
                $delivery->review_id,
                $by,
                'delivery.resumed',
                "Went on with the delivery from {$delivery->source_name}",
                $delivery,
            );
            $this->queue($delivery);
        });
    }

    /** Hands a delivery that waits or stopped to the queue, its task shown again from here on. */
    private function queue(Delivery $delivery, string $state = 'queued'): void
    {
        $delivery->update(['state' => $state, 'failure' => '']);
        Task::query()
            ->whereKey($delivery->task_id)
            ->update([
                'state' => TaskState::Queued,
                'cancel_requested_at' => null,
                'finished_at' => null,
                'seen_at' => null,
                'message' => '',
                'in_hand' => null,
                'deaths' => 0,
            ]);
        dispatch(DeliverySlice::for($delivery));
    }

    /** @param  array<string, mixed>  $values */
    private function start(User $by, Review $review, array $values, string $title, string $state = 'queued'): Delivery
    {
        $task = TaskRun::queue($review, $by->id, 'delivery', $title, '', $values['expected'] ?? null);
        $of = ['state' => $state, 'task_id' => $task->id, 'created_by' => $by->id];
        $delivery = $review->deliveries()->create([...$values, ...$of]);
        $task->update(['url' => route('deliveries.show', [$review, $delivery], false)]);
        $words = "Began a delivery from {$values['source_name']}";
        ($this->log)($review, $by, 'delivery.started', $words, $delivery, array_filter($values, is_scalar(...)));
        dispatch(DeliverySlice::for($delivery));

        return $delivery;
    }

    private function refuseTwice(Review $review, string $hash): void
    {
        $earlier = $review->deliveries()->where('file_hash', $hash)->whereNull('withdrawn_at')->first();
        if ($earlier !== null) {
            throw new Refused(
                "This file was delivered on {$earlier->created_at->format(
                    'j M Y',
                )} as “{$earlier->file_name}” from {$earlier->source_name}. Nothing was added.",
                ['delivery' => $earlier->id],
            );
        }
    }
}
