<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Deliveries\TakeInRecords;
use App\Database\Plans;
use App\Files\In\DeliveredRecords;
use App\Files\In\ReferenceFile;
use App\Files\In\UnfinishedFiles;
use App\Models\Delivery;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

/** Reads a delivered file and takes its records in. */
final class DeliverFile extends DeliverySlice
{
    private const BATCH = 500;

    public function handle(TakeInRecords $takeIn, UnfinishedFiles $files): void
    {
        $delivery = $this->begin();
        if ($delivery === null) {
            return;
        }
        try {
            $records = $files->at($delivery);
            $finished = $this->work($delivery, $takeIn, $records);
        } catch (UnusableFile $unusable) {
            // the same file, mended, has another hash; this one need not stand in the way
            $delivery->update(['file_hash' => null]);
            $this->end($delivery, 'failed', $unusable->getMessage());

            return;
        }
        $delivery->refresh();
        $finished === false && $files->keep($delivery, $records);
        $this->after($delivery, $finished);
        Plans::knowTables();
    }

    private function after(Delivery $delivery, ?bool $finished): void
    {
        if ($finished === null) {
            $this->cancelled($delivery);
        } elseif ($finished) {
            $delivery->update(['expected' => $delivery->position]);
            $this->end($delivery, 'done', $this->outcome($delivery));
        } else {
            $this->goOn($delivery);
        }
    }

    /** @return ?bool true at the end of the file, false where another slice has to follow, null when cancelled */
    private function work(Delivery $delivery, TakeInRecords $takeIn, DeliveredRecords $records): ?bool
    {
        for ($deadline = $this->deadline(); microtime(true) <= $deadline;) {
            $batch = $records->next(self::BATCH);
            if ($batch !== []) {
                $delivery = $this->take($delivery, $takeIn, $batch, $records->file);
                // where somebody else took some in meanwhile
                $records->passTo($delivery->position);
            }
            if (count($batch) < self::BATCH) {
                return true;
            }
            if ($this->isCancelled($delivery)) {
                return null;
            }
        }

        return false;
    }

    /**
     * @param  list<\WaryHeron\Core\Bibliography\Reference|\WaryHeron\Core\Bibliography\Format\UnreadableRecord>  $batch
     */
    private function take(Delivery $delivery, TakeInRecords $takeIn, array $batch, ReferenceFile $file): Delivery
    {
        $delivery = $takeIn->execute($delivery->id, $delivery->position, $batch);
        // how many records there will be is known from how far the file has been read
        $this->progress(
            $delivery,
            $file->read === null
                ? null
                : (int) round($delivery->position * max(1.0, (float) $delivery->file_size / max(1, $file->read))),
        );
        if ($file->reading->remarks() !== $delivery->remarks) {
            $delivery->update(['remarks' => mb_substr($file->reading->remarks(), 0, 250)]);
        }

        return $delivery;
    }
}
