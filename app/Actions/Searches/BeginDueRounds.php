<?php

declare(strict_types=1);

namespace App\Actions\Searches;

use App\Actions\Shared\Refused;
use App\Models\StandingSearch;
use App\Queries\Shared\CopyHealth;
use App\Tasks\Sometimes;
use Illuminate\Support\Facades\DB;

/** Begins the rounds that are due. Workers ask it whenever they look for work; it looks itself once a minute. */
final class BeginDueRounds
{
    use Sometimes;

    private const SECONDS = 60.0;

    public function __construct(private readonly SetStandingSearch $standing)
    {
    }

    public function sometimes(): void
    {
        if (self::isTime(self::SECONDS)) {
            CopyHealth::beat();
            $this->execute();
        }
    }

    /** @return int how many were begun */
    public function execute(): int
    {
        $begun = 0;
        foreach ($this->due() as $id) {
            $begun += $this->begin($id) ? 1 : 0;
        }

        return $begun;
    }

    /** @return list<string> */
    private function due(): array
    {
        return array_values(DB::table('standing_searches')
            ->join('reviews', 'reviews.id', '=', 'standing_searches.review_id')
            ->whereNull('ended_at')
            ->whereNull('reviews.closed_at')
            ->where('next_at', '<=', now())
            ->orderBy('next_at')
            ->pluck('standing_searches.id')
            ->all());
    }

    /** Each once, however many workers ask at the same time. */
    private function begin(string $id): bool
    {
        return DB::transaction(function () use ($id): bool {
            $due = StandingSearch::query()->whereKey($id)->where('next_at', '<=', now());
            $due->lock('FOR UPDATE SKIP LOCKED');
            $standing = $due->first();
            if ($standing === null) {
                return false;
            }
            $standing->update(['next_at' => $standing->every->next($standing->next_at, now()->toImmutable())]);
            try {
                $this->standing->begin($standing);
            } catch (Refused) {
                // the round before is still under way; the next time is soon enough
                return false;
            }

            return true;
        });
    }
}
