<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Models\Ruling;
use App\Models\User;
use Illuminate\Support\Str;

/**
 * Keeps what a person said of pairs of records. A new word on a pair takes the place of the old one, which stays in the
 * history.
 */
final readonly class KeepRulings
{
    /**
     * Rules that records of different parts are of different publications.
     *
     * @param  list<list<string>>  $parts  record ids
     * @return string the stroke, by which all of it is undone
     */
    public function execute(
        User $by,
        string $reviewId,
        array $parts,
        string $ruling = 'different',
        ?string $stroke = null,
    ): string {
        $stroke ??= strtolower((string) Str::ulid());
        foreach ($parts as $i => $part) {
            foreach (array_slice($parts, $i + 1) as $other) {
                foreach ($part as $a) {
                    foreach ($other as $b) {
                        $this->keep($by, $reviewId, $a, $b, $ruling, $stroke);
                    }
                }
            }
        }

        return $stroke;
    }

    /**
     * @param  list<string>  $ones
     * @param  list<string>  $others
     */
    public function forget(string $reviewId, array $ones, array $others): void
    {
        Ruling::query()
            ->where('review_id', $reviewId)
            ->whereNull('superseded_at')
            ->where(
                fn ($any) => $any
                    ->where(fn ($q) => $q->whereIn('record_a', $ones)->whereIn('record_b', $others))
                    ->orWhere(fn ($q) => $q->whereIn('record_a', $others)->whereIn('record_b', $ones)),
            )
            ->update(['superseded_at' => now()]);
    }

    public function keep(User $by, string $reviewId, string $a, string $b, string $ruling, string $stroke): void
    {
        if ($a === $b) {
            return;
        }
        [$a, $b] = [min($a, $b), max($a, $b)];
        Ruling::query()
            ->where('review_id', $reviewId)
            ->where('record_a', $a)
            ->where('record_b', $b)
            ->whereNull('superseded_at')
            ->update(['superseded_at' => now()]);
        Ruling::query()->create([
            'review_id' => $reviewId,
            'record_a' => $a,
            'record_b' => $b,
            'ruling' => $ruling,
            'user_id' => $by->id,
            'stroke' => $stroke,
        ]);
    }
}
