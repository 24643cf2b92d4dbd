<?php

declare(strict_types=1);

namespace App\Jobs\Deliveries;

use App\Files\In\RememberedReading;
use App\Files\In\TablePreview;
use App\Files\StoredFile;
use App\Tasks\TaskRun;
use App\Tasks\TaskState;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

/**
 * Reads the first rows of a delivered table, for somebody to say what its columns hold, unless that is known of its
 * source.
 */
final class LookAtTable extends DeliverySlice
{
    public function handle(): void
    {
        $delivery = $this->begin();
        if ($delivery === null || $delivery->state !== 'looking') {
            return;
        }
        try {
            $asked = array_intersect_key($delivery->reading, ['delimiter' => '', 'encoding' => '']);
            $remembered =
                $asked === []
                    ? RememberedReading::of(
                        $delivery->review,
                        $delivery->source_name,
                        StoredFile::of($delivery)->path,
                        $delivery->format,
                    )
                    : null;
            $preview = $remembered === null ? TablePreview::of($delivery, $asked) : null;
        } catch (UnusableFile $unusable) {
            $delivery->update(['file_hash' => null]);
            $this->end($delivery, 'failed', $unusable->getMessage());

            return;
        }
        if ($preview === null) {
            $delivery->update(['state' => 'queued', 'reading' => $remembered]);
            $this->goOn($delivery);

            return;
        }
        $delivery->update(['state' => 'mapping', 'preview' => $preview->toArray()]);
        TaskRun::end((string) $delivery->task_id, TaskState::Done, 'Say what its columns hold; nothing has been taken in yet.');
    }
}
