<?php

declare(strict_types=1);

namespace App\Queries\Report\Composed;

use App\Models\Report;
use App\Models\ReportClaim;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Report\Document\ClaimDirection;
use WaryHeron\Core\Report\Document\ClaimWords;
use WaryHeron\Core\Report\Document\Schema;

/** What the claims of a report rest on now, and which of them have to be looked at. */
final class ClaimChecks
{
    /** A decision tells of those too that are out, and what was scouted need not be in the library. */
    private const OF_ANY = [DecisionEvidence::KIND, ScoutedEvidence::KIND];

    /** @return array<string, array<string, mixed>> by claim: own, evidence with how each stands, by, problem in words */
    public static function of(Review $review, Report $report): array
    {
        /** @var Collection<int, ReportClaim> $claims */
        $claims = ReportClaim::query()
            ->where('review_id', $review->id)
            ->where('report_id', $report->id)
            ->with('user')
            ->orderBy('id')
            ->get();
        $now = (new ClaimEvidence($review))->now(array_merge([], ...$claims->map(fn (ReportClaim $one): array => $one->evidence)->all()));
        $included = CodingTable::reports($review)->pluck('id')->flip()->all();

        $words = ClaimWords::of(Schema::node($report->said));

        return $claims
            ->mapWithKeys(fn (ReportClaim $one): array => [$one->id => self::standing($one, $words[$one->id] ?? '', $now, $included)])
            ->all();
    }

    /**
     * @param  array<string, array<string, mixed>>  $now
     * @param  array<string, int>  $included
     * @return array<string, mixed>
     */
    private static function standing(ReportClaim $claim, string $words, array $now, array $included): array
    {
        $evidence = array_map(fn (array $one): array => [...$one, 'stands' => self::says($one, $now, $included)], $claim->evidence);
        $wrong = array_values(array_filter(array_column($evidence, 'stands')));
        $quotes = array_values(array_filter(array_column($evidence, 'quote')));
        $against = $claim->own ? '' : ClaimDirection::contradicted($words, $quotes);
        $unheld = $claim->own || $evidence === [] ? [] : ClaimWords::unheld($words, self::held($evidence));

        return [
            'id' => $claim->id,
            'own' => $claim->own,
            'evidence' => $evidence,
            'by' => $claim->user->name,
            'problem' => match (true) {
                $wrong !== [] => implode('; ', $wrong),
                $evidence === [] && ! $claim->own => 'rests on nothing yet',
                $unheld !== [] => 'says '.implode(', ', $unheld).', which stands in nothing that it rests on',
                $against !== '' => $against,
                default => '',
            },
        ];
    }

    /**
     * @param  list<array<string, mixed>>  $evidence
     * @return list<string> what it says, and how much it is
     */
    private static function held(array $evidence): array
    {
        $told = array_map(fn (array $one): string => "{$one['says']} {$one['quote']} {$one['study']}", $evidence);

        return [...$told, (string) count($evidence), (string) count(array_unique(array_column($evidence, 'publication')))];
    }

    /**
     * @param  array<string, mixed>  $kept
     * @param  array<string, array<string, mixed>>  $now
     * @param  array<string, int>  $included
     * @return string in words, what has become of it; empty where it stands as it was
     */
    private static function says(array $kept, array $now, array $included): string
    {
        $is = $now[ClaimEvidence::key($kept)] ?? null;

        return match (true) {
            ! in_array($kept['kind'], self::OF_ANY, true) && ! isset($included[$kept['publication']]) => "{$kept['study']} is not included any more",
            $is === null => "what {$kept['study']} rested on is gone",
            $is['says'] !== $kept['says'] => "{$kept['study']} says “{$is['says']}” now, not “{$kept['says']}”",
            default => '',
        };
    }
}
