<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Files\StoredCopy;
use App\Jobs\FullTexts\ReadFullText;
use App\Models\FullText;
use Illuminate\Support\Facades\Storage;

/** Keeps the copy in which the pictures of the pages have their words, beside the file as it was brought. */
final readonly class KeepPictures
{
    /** Where the copy lies while pages are read. */
    public static function underWay(FullText $file): string
    {
        return FullText::pathOf("{$file->id}.reading");
    }

    /** @return bool whether any words were found */
    public function execute(FullText $file): bool
    {
        $path = StoredCopy::path(self::underWay($file));
        $hash = (string) hash_file('sha256', $path);
        if ($hash === $file->hash) {
            $this->giveUp($file);

            return false;
        }
        StoredCopy::keep($path, FullText::pathOf($hash));
        FullText::query()->whereKey($file->id)->update([
            'read_hash' => $hash,
            'read_bytes' => (int) filesize($path),
            'pictures_read_at' => now(),
        ]);
        Storage::delete(self::underWay($file));
        // what it is a copy of is found out as for any other file
        ReadFullText::dispatch($file->id);

        return true;
    }

    /** The file is as it was. */
    public function giveUp(FullText $file): void
    {
        Storage::delete(self::underWay($file));
        FullText::query()
            ->whereKey($file->id)
            ->where('state', 'reading')
            ->update(
                ['state' => preg_match('/\S/u', $file->text) === 1 ? 'read' : 'scan', 'pictures_read_at' => now()],
            );
    }
}
