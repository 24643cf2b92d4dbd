<?php

declare(strict_types=1);

namespace App\Http\Requests\Screening;

use App\Http\Input;
use App\Models\Review;
use Illuminate\Http\Request;
use Random\Randomizer;

/** How a share-out is to be made, as the form gives it. */
final class ShareOutTerms
{
    /** Seeds that one can read out and type in again. */
    private const LARGEST_SEED = 999_999;

    /**
     * @return array{pool: string, sample: ?int, percent: ?float, decisions: int, quotas: array<string, ?int>,
     *     weights?: array<string, float>, mode: string, seed: int}
     */
    public static function from(Request $request, Review $review, int $decisions): array
    {
        $whole = fn (string $key): ?int => preg_match('/^\d{1,9}$/', Input::text($request, $key)) === 1
            ? (int) Input::text($request, $key)
            : null;
        $among = fn (string $key, array $allowed): string => in_array(Input::text($request, $key), $allowed, true)
            ? Input::text($request, $key)
            : $allowed[0];
        $each = self::perPerson($request, $review);
        $percent = str_replace(',', '.', Input::text($request, 'percent'));

        return [
            'pool' => $among('pool', ['free', 'undecided', 'half']),
            'sample' => $whole('sample'),
            'percent' => is_numeric($percent) && $percent > 0 && $percent <= 100 ? (float) $percent : null,
            'decisions' => min(9, max(1, $whole('decisions') ?? $decisions)),
            'quotas' => $each->quotas,
            'weights' => $each->weights,
            'mode' => $among('mode', ['mixed', 'groups', 'everyone']),
            'seed' => $whole('seed') ?? (new Randomizer())->getInt(1, self::LARGEST_SEED),
        ];
    }

    /**
     * What each takes: so many, so many times what others do (“1.5 x”), or as they come.
     */
    private static function perPerson(Request $request, Review $review): PersonQuotas
    {
        $people = $review->memberships()->pluck('user_id')->all();
        $quotas = $weights = [];
        foreach ((array) $request->input('people') as $id) {
            if (is_string($id) && in_array($id, $people, true)) {
                $quota = $request->input("quota.{$id}");
                $quota = is_string($quota) ? trim($quota) : '';
                $quotas[$id] = preg_match('/^\d{1,9}$/', $quota) === 1 ? (int) $quota : null;
                $weights[$id] = self::times($quota);
            }
        }

        return new PersonQuotas($quotas, array_filter($weights, fn (float $weight): bool => $weight > 0));
    }

    private static function times(string $quota): float
    {
        $isSaid = preg_match('/^(\d{1,2}(?:[.,]\d)?)\s*[x×]$/iu', $quota, $times) === 1;

        return $isSaid ? (float) str_replace(',', '.', $times[1]) : 0.0;
    }
}
