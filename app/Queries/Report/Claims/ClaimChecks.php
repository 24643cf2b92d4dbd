<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use App\Models\Report;
use App\Models\ReportClaim;
use App\Models\Review;
use App\Queries\Coding\CodingTable;
use Illuminate\Database\Eloquent\Collection;
use WaryHeron\Core\Report\Document\ClaimDirection;
use WaryHeron\Core\Report\Document\ClaimWords;
use WaryHeron\Core\Report\Document\Schema;

/** What the claims of a report rest on now, and which of them have to be looked at. */
final readonly class ClaimChecks
{
    /** A decision tells of those too that are out, and what was scouted need not be in the library. */
    private const OF_ANY = [DecisionEvidence::KIND, ScoutedEvidence::KIND];

    /**
     * @param  array<string, string>  $words  of each claim
     * @param  array<string, HeldPiece>  $now  what stands now, by key
     * @param  array<string, int>  $included  reports
     */
    private function __construct(private array $words, private array $now, private array $included)
    {
    }

    /** @return array<string, ClaimStanding> by claim */
    public static function of(Review $review, Report $report): array
    {
        $claims = self::claims($review, $report);
        $kept = array_merge([], ...$claims->map(fn (ReportClaim $one): array => HeldPiece::of($one))->all());
        $checks = new self(
            ClaimWords::of(Schema::node($report->said)),
            (new ClaimEvidence($review))->now(array_map(fn (HeldPiece $one): PieceRef => $one->ref(), $kept)),
            CodingTable::reports($review)->pluck('id')->flip()->all(),
        );

        return $claims->mapWithKeys(fn (ReportClaim $one): array => [$one->id => $checks->standing($one)])->all();
    }

    /** @return Collection<int, ReportClaim> */
    private static function claims(Review $review, Report $report): Collection
    {
        return ReportClaim::query()
            ->where('review_id', $review->id)
            ->where('report_id', $report->id)
            ->with('user')
            ->orderBy('id')
            ->get();
    }

    private function standing(ReportClaim $claim): ClaimStanding
    {
        $evidence = array_map(
            fn (HeldPiece $one): StandingPiece => new StandingPiece($one, $this->says($one)),
            HeldPiece::of($claim),
        );

        return new ClaimStanding(
            $claim->id,
            $claim->own,
            $evidence,
            $claim->user->name,
            $this->problem($claim, array_values(array_filter(array_column($evidence, 'stands')))),
        );
    }

    /** @param  list<string>  $wrong  what has become of its evidence */
    private function problem(ReportClaim $claim, array $wrong): string
    {
        $pieces = HeldPiece::of($claim);
        if ($wrong !== [] || $claim->own) {
            return implode('; ', $wrong);
        }
        if ($pieces === []) {
            return 'rests on nothing yet';
        }
        $words = $this->words[$claim->id] ?? '';
        $unheld = ClaimWords::unheld($words, self::held($pieces));

        return $unheld !== []
            ? 'says '.implode(', ', $unheld).', which stands in nothing that it rests on'
            : ClaimDirection::contradicted($words, array_values(array_filter(array_column($pieces, 'quote'))));
    }

    /**
     * @param  list<HeldPiece>  $pieces
     * @return list<string> what they say, and how many they are
     */
    private static function held(array $pieces): array
    {
        $told = array_map(fn (HeldPiece $one): string => $one->words(), $pieces);

        return [...$told, (string) count($pieces), (string) count(array_unique(array_column($pieces, 'publication')))];
    }

    /** In words, what has become of it; empty where it stands as it was. */
    private function says(HeldPiece $kept): string
    {
        $is = $this->now[$kept->key()] ?? null;

        return match (true) {
            ! in_array($kept->kind, self::OF_ANY, true) && ! isset($this->included[$kept->publication]) => "{$kept->study} is not included any more",
            $is === null => "what {$kept->study} rested on is gone",
            $is->says !== $kept->says => "{$kept->study} says “{$is->says}” now, not “{$kept->says}”",
            default => '',
        };
    }
}
