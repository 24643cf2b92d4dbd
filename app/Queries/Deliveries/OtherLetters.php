<?php

declare(strict_types=1);

namespace App\Queries\Deliveries;

use App\Models\Delivery;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Format\LegacyEncoding;
use WaryHeron\Core\Bibliography\Format\Reading;

/** How words of a delivered text would read in other encodings than the one in which it was read. */
final readonly class OtherLetters
{
    /** Texts that say nothing of their encoding themselves. */
    private const FORMATS = ['bibtex', 'csv', 'nbib', 'ris'];

    private const RECORDS = 20;

    private const WORDS = 4;

    private const READINGS = 10;

    /**
     * @param  string  $read  the encoding in which it was read
     * @param  string  $words  of its titles, as they came
     * @param  array<string, string>  $readings  the same by other encodings
     */
    private function __construct(public string $read, public string $words, public array $readings)
    {
    }

    /** Null where its letters are not in doubt, or nothing can be read again. */
    public static function of(Delivery $delivery): ?self
    {
        $isKept = $delivery->kind === 'file' && $delivery->file_hash !== null && $delivery->withdrawn_at === null;
        $isText = in_array($delivery->format, self::FORMATS, true);
        $read = Reading::doubtful($delivery->remarks);
        if (! $isKept || ! $isText || $read === null || $delivery->isUnderWay()) {
            return null;
        }
        $words = self::words($delivery);
        $readings = $words === '' ? [] : LegacyEncoding::readings($words, $read);

        return $readings === [] ? null : new self($read, $words, array_slice($readings, 0, self::READINGS));
    }

    private static function words(Delivery $delivery): string
    {
        $titles = DB::table('records')
            ->where('review_id', $delivery->review_id)
            ->where('delivery_id', $delivery->id)
            ->whereRaw("reference->>'title' ~ '[^\x01-\x7F]'")
            ->limit(self::RECORDS)
            ->selectRaw("reference->>'title' AS title")
            ->get()
            ->implode('title', ' ');
        // what stands for a letter may be no letter as it was read: “Œwiat³o”
        $words = preg_split('/[\s\x00-\x26\x28-\x40\x5B-\x60\x7B-\x7F]+/u', $titles) ?: [];
        $telling = preg_grep('/[^\x00-\x7F\P{L}]/u', $words) ?: [];

        return implode(' ', array_slice(array_unique($telling), 0, self::WORDS));
    }
}
