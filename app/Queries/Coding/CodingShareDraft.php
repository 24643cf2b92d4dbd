<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Collection;
use WaryHeron\Core\Screening\ShareOut\CannotShare;
use WaryHeron\Core\Screening\ShareOut\Plan;
use WaryHeron\Core\Screening\ShareOut\Quotas;
use WaryHeron\Core\Screening\ShareOut\ShareOut;

/** A share-out of studies to coders as it would be made now. Nothing is changed by it. */
final readonly class CodingShareDraft
{
    /** @param  list<string>  $studies  that are shared out */
    private function __construct(public array $studies, public ?Plan $plan, public string $problem = '')
    {
    }

    /** @param  array<string, float>  $weights  above nought, by coder */
    public static function of(Review $review, array $weights, int $seed): self
    {
        $shared = CodingShares::byStudy($review);
        $each = $review->coded_by;
        $studies = array_values(array_filter(
            CodedReports::ids($review),
            fn (string $study): bool => count($shared[$study] ?? []) < $each,
        ));
        /** @var Collection<int, User> $people */
        $people = CodingShares::coders($review)->whereIn('id', array_keys($weights));
        $weights = array_intersect_key($weights, $people->keyBy('id')->all());
        $taken = CodingShares::own($review, $people, $studies);
        try {
            return new self($studies, self::plan($studies, $weights, $each, $seed, [$shared, $taken]));
        } catch (CannotShare $cannot) {
            return new self($studies, null, $cannot->getMessage());
        }
    }

    /**
     * What has nobody gets as many as it needs; what has one of two already gets one other.
     *
     * @param  list<string>  $studies
     * @param  array<string, float>  $weights
     * @param  array{array<string, list<string>>, array<string, list<string>>}  $barred  those who have a study, and who wrote it
     *
     * @throws CannotShare
     */
    private static function plan(array $studies, array $weights, int $each, int $seed, array $barred): Plan
    {
        $shared = $barred[0];
        if ($studies === []) {
            throw new CannotShare('Every study has its coders already.');
        }
        $people = [];
        foreach ([$each, 1] as $lacking) {
            $some = array_values(array_filter(
                $studies,
                fn (string $one): bool => ! isset($people[$one]) && $each - count($shared[$one] ?? []) === $lacking,
            ));
            if ($some !== []) {
                $people += self::round($some, $weights, $lacking, $seed, $barred);
            }
        }

        return new Plan($people);
    }

    /**
     * Those who lack equally many coders, shared out among all.
     *
     * @param  non-empty-list<string>  $some
     * @param  array<string, float>  $weights
     * @param  array{array<string, list<string>>, array<string, list<string>>}  $barred
     * @return array<string, list<string>> people by study
     */
    private static function round(array $some, array $weights, int $lacking, int $seed, array $barred): array
    {
        [$shared, $own] = $barred;
        $taken = array_map(
            fn (string $one): array => array_values(array_unique([...$shared[$one] ?? [], ...$own[$one] ?? []])),
            array_combine($some, $some),
        );
        $most = array_map(
            fn (int $n): int => count($some) - $n,
            array_count_values(array_merge([], ...array_values($taken))),
        );
        $quotas = Quotas::of(
            count($some),
            $lacking,
            array_fill_keys(array_keys($weights), null),
            $weights,
            $most,
        );

        return ShareOut::plan($some, $quotas, $seed, $taken)->people;
    }
}
