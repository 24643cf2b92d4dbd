<?php

declare(strict_types=1);

namespace App\Files\In;

use WaryHeron\Core\Bibliography\Format\UnreadableRecord;
use WaryHeron\Core\Bibliography\Format\UnusableFile;
use WaryHeron\Core\Bibliography\Reference;

/** The records of a delivered file in their order, some at a time. */
final class DeliveredRecords
{
    private int $position = 0;

    /** @var \Generator<int, Reference|UnreadableRecord> */
    private readonly \Generator $records;

    public function __construct(public readonly ReferenceFile $file)
    {
        $this->records = $file->records();
    }

    /** How many were taken or passed over. */
    public function position(): int
    {
        return $this->position;
    }

    /** @throws UnusableFile */
    public function passTo(int $position): void
    {
        for (; $this->position < $position && $this->records->valid(); $this->records->next()) {
            $this->position++;
        }
    }

    /**
     * @return list<Reference|UnreadableRecord> fewer than $most at the end of the file only
     *
     * @throws UnusableFile
     */
    public function next(int $most): array
    {
        for ($taken = []; count($taken) < $most && $this->records->valid(); $this->records->next()) {
            $taken[] = $this->records->current();
        }
        $this->position += count($taken);

        return $taken;
    }
}
