<?php

declare(strict_types=1);

namespace App\Files\In;

use App\Files\StoredFile;
use App\Models\Delivery;
use WaryHeron\Core\Bibliography\Format\UnusableFile;

/**
 * Files that this process reads in slices, kept open in between: who has to come to its place from the beginning reads
 * a large file as often as it has slices. Another process, or this one after a new start, does just that.
 */
final class UnfinishedFiles
{
    /** So many stay open; a worker has little more in turn, and each holds a piece of its file. */
    private const MOST = 4;

    /** @var array<string, DeliveredRecords> */
    private array $open = [];

    /** @throws UnusableFile */
    public function at(Delivery $delivery): DeliveredRecords
    {
        $key = self::key($delivery);
        $open = $this->open[$key] ?? null;
        unset($this->open[$key]);
        if ($open === null || $open->position() > $delivery->position) {
            $open = new DeliveredRecords(StoredFile::of($delivery));
        }
        $open->passTo($delivery->position);

        return $open;
    }

    public function keep(Delivery $delivery, DeliveredRecords $records): void
    {
        $this->open[self::key($delivery)] = $records;
        $this->open = array_slice($this->open, -self::MOST);
    }

    /** A file that is to be read in another way is another. */
    private static function key(Delivery $delivery): string
    {
        return json_encode(
            [$delivery->id, $delivery->file_hash, $delivery->format, $delivery->reading],
            JSON_THROW_ON_ERROR,
        );
    }
}
