<?php

declare(strict_types=1);

namespace App\Actions\Deliveries;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Files\In\TextStream;
use App\Jobs\Deliveries\ReadRejectedAgain;
use App\Models\Delivery;
use App\Models\Rejection;
use App\Models\Task;
use App\Models\User;
use App\Tasks\TaskState;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Format\Csv\CsvReader;
use WaryHeron\Core\Bibliography\Format\Formats;
use WaryHeron\Core\Bibliography\Format\ReferenceReader;
use WaryHeron\Core\Bibliography\Format\Table\Columns;
use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** Takes in a record that could not be read, from its text as a person has mended it. */
final readonly class MendRejection
{
    public function __construct(private TakeInRecords $takeIn, private WriteLog $log)
    {
    }

    /** @throws Refused If it still cannot be read; the message says why. */
    public function execute(User $by, Rejection $rejection, string $text): void
    {
        $reference = $this->read($rejection, $text);
        DB::transaction(function () use ($by, $rejection, $reference): void {
            $this->take($by, $rejection, $reference);
            ($this->log)(
                $rejection->review_id,
                $by,
                'rejection.mended',
                "Mended a rejected record: “{$reference->suppliedTitle()}”",
                $rejection,
                ['delivery' => $rejection->delivery_id, 'line' => $rejection->line],
            );
        });
    }

    /** Whether it could be read as it stands; said once for all of them in the Log. */
    public function asItStands(User $by, Rejection $rejection): bool
    {
        try {
            $reference = $this->read($rejection, $rejection->text);
            DB::transaction(fn () => $this->take($by, $rejection, $reference));

            return true;
        } catch (Refused) {
            return false;
        }
    }

    public function logAll(User $by, Delivery $delivery, int $taken): void
    {
        $words =
            'Read the rejected records from '.
            $delivery->source_name.
            ' again and took '.
            number_format($taken).
            ' in';
        ($this->log)($delivery->review_id, $by, 'rejection.read-again', $words, $delivery, ['taken' => $taken]);
    }

    /** Has all of them tried in the background. */
    public function later(User $by, Delivery $delivery): void
    {
        DB::transaction(function () use ($by, $delivery): void {
            $task = Task::query()->create([
                'review_id' => $delivery->review_id,
                'user_id' => $by->id,
                'kind' => 'rejected',
                'title' => "Reading the rejected records from {$delivery->source_name} again",
                'state' => TaskState::Queued,
                'total' => $delivery->rejections()->whereNull('mended_at')->count(),
                'url' => route('deliveries.show', [$delivery->review_id, $delivery], false),
            ]);
            ReadRejectedAgain::dispatch($task->id, $delivery->id);
        });
    }

    /** @throws Refused If somebody was faster. */
    private function take(User $by, Rejection $rejection, Reference $reference): void
    {
        $rejection = $rejection->locked();
        if ($rejection->mended_at !== null) {
            throw new Refused('Somebody has mended this record already.');
        }
        $this->takeIn->mended($rejection->delivery_id, $rejection->position, $reference);
        $rejection->update(['mended_at' => now(), 'mended_by' => $by->id]);
    }

    private function read(Rejection $rejection, string $text): Reference
    {
        $delivery = $rejection->delivery;
        $reader = self::reader($delivery);
        try {
            $read = iterator_to_array($reader->read(TextStream::of($text)), false);
        } catch (UnusableFile $unusable) {
            throw new Refused($unusable->getMessage());
        }
        foreach ($read as $one) {
            if ($one instanceof UnreadableRecord) {
                throw new Refused("Line {$one->line} of it: {$one->message}");
            }
        }
        $one = $read[0] ?? null;
        if (count($read) === 1 && $one instanceof Reference) {
            return $one;
        }
        $what = $read === [] ? 'no record' : number_format(count($read)).' records';
        throw new Refused("This is {$what}; it has to be one.");
    }

    /** Of the delivery's format; a table's rejected row stands below its headings, with commas. */
    private static function reader(Delivery $delivery): ReferenceReader
    {
        $columns = $delivery->reading['columns'] ?? null;

        return match ($delivery->format) {
            'csv', 'xlsx' => new CsvReader(',', $columns === null ? null : new Columns($columns)),
            '' => Formats::readers()['ris'],
            default => Formats::readers()[$delivery->format],
        };
    }
}
