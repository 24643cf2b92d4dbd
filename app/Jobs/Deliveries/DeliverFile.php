<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Actions\Deliveries\TakeInRecords;
use App\Database\Plans;
use App\Files\In\ReferenceFile;
use App\Files\StoredFile;
use App\Models\Delivery;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

/** Reads a delivered file and takes its records in. */
final class DeliverFile extends DeliverySlice
{
    private const BATCH = 500;

    public function handle(TakeInRecords $takeIn): void
    {
        $delivery = $this->begin();
        if ($delivery === null) {
            return;
        }
        try {
            $finished = $this->work($delivery, $takeIn);
        } catch (UnusableFile $unusable) {
            // the same file, mended, has another hash; this one need not stand in the way
            $delivery->update(['file_hash' => null]);
            $this->end($delivery, 'failed', $unusable->getMessage());

            return;
        }
        $delivery->refresh();
        if ($finished === null) {
            $this->cancelled($delivery);
        } elseif ($finished) {
            $delivery->update(['expected' => $delivery->position]);
            $this->end($delivery, 'done', $this->outcome($delivery));
        } else {
            $this->goOn($delivery);
        }
        Plans::knowTables();
    }

    /** @return ?bool true at the end of the file, false where another slice has to follow, null when cancelled */
    private function work(Delivery $delivery, TakeInRecords $takeIn): ?bool
    {
        $file = StoredFile::of($delivery);
        $deadline = $this->deadline();
        $batch = [];
        $skipped = 0;
        foreach ($file->records() as $one) {
            if ($skipped < $delivery->position && $batch === []) {
                $skipped++;

                continue;
            }
            $batch[] = $one;
            if (count($batch) === self::BATCH) {
                $delivery = $this->take($delivery, $takeIn, $batch, $file);
                $skipped = $delivery->position;
                $batch = [];
                if ($this->isCancelled($delivery)) {
                    return null;
                }
                if (microtime(true) > $deadline) {
                    return false;
                }
            }
        }
        if ($batch !== []) {
            $this->take($delivery, $takeIn, $batch, $file);
        }

        return true;
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
