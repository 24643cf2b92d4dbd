<?php

declare(strict_types=1);

namespace App\Actions\Matching;

use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Database\Locks;
use App\Models\Join;
use App\Models\Publication;
use App\Models\Record;
use App\Models\Review;
use App\Models\Ruling;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Keeps a person's ruling on a group at the Pairing Desk, does what follows from it, and takes it back. */
final readonly class RuleOnGroup
{
    public function __construct(private KeepRulings $rulings, private JoinPublications $join, private WriteLog $log)
    {
    }

    /**
     * @param  list<list<string>>  $parts  publications: each part is one publication, different parts are different
     *     ones
     * @return string the stroke, by which it is undone
     *
     * @throws Refused If one of them is no longer there.
     */
    public function execute(User $by, Review $review, array $parts): string
    {
        return DB::transaction(function () use ($by, $review, $parts): string {
            $records = $this->records($review, array_merge(...$parts));
            $of = fn (array $publications): array => array_merge(
                ...array_map(fn (string $id): array => $records[$id], $publications),
            );
            $stroke = strtolower((string) Str::ulid());
            $this->rulings->execute($by, $review->id, array_map($of, $parts), 'different', $stroke);
            foreach ($parts as $part) {
                foreach (array_slice($part, 1) as $publication) {
                    [$one, $other] = [$records[$part[0]][0], $records[$publication][0]];
                    $this->rulings->keep($by, $review->id, $one, $other, 'same', $stroke);
                }
                if (count($part) > 1) {
                    $this->join->execute($by, $review->id, $part, $stroke);
                }
            }
            $one = 'Ruled '.count($parts[0]).' publications to be one';
            $words = count($parts) === 1 ? $one : 'Ruled publications to be different';
            ($this->log)($review, $by, 'pairing.ruled', $words, null, ['stroke' => $stroke, 'parts' => $parts]);

            return $stroke;
        });
    }

    /** @param  list<string>  $publications */
    public function later(User $by, Review $review, array $publications): string
    {
        return DB::transaction(function () use ($by, $review, $publications): string {
            $records = $this->records($review, $publications);

            return $this->rulings->execute(
                $by,
                $review->id,
                array_map(fn (string $id): array => $records[$id], $publications),
                'later',
            );
        });
    }

    /** @throws Refused If it is somebody else's, or undone. */
    public function undo(User $by, Review $review, string $stroke): void
    {
        DB::transaction(function () use ($by, $review, $stroke): void {
            $rulings = Ruling::query()
                ->where('review_id', $review->id)
                ->where('stroke', $stroke)
                ->where('user_id', $by->id)
                ->whereNull('superseded_at');
            if (! (clone $rulings)->exists()) {
                throw new Refused('There is nothing of yours left to undo there.');
            }
            foreach (self::joinsOf($review, $stroke) as $join) {
                $this->join->undo($by, $join);
            }
            $rulings->update(['superseded_at' => now()]);
            ($this->log)($review, $by, 'pairing.undone', 'Took a ruling back', null, ['stroke' => $stroke]);
        });
    }

    /** @return list<Join> the last one first */
    private static function joinsOf(Review $review, string $stroke): array
    {
        $joins = Join::query()->where('review_id', $review->id)->where('stroke', $stroke)->whereNull('undone_at');

        return array_values($joins->orderByDesc('id')->get()->all());
    }

    /**
     * @param  list<string>  $publications
     * @return array<string, non-empty-list<string>> record ids by publication
     */
    private function records(Review $review, array $publications): array
    {
        Locks::recordsOf($review->id);
        $records = [];
        $all = Record::query()->where('review_id', $review->id)->whereIn('publication_id', $publications);
        foreach ($all->orderBy('id')->get(['id', 'publication_id']) as $record) {
            $records[(string) $record->publication_id][] = $record->id;
        }
        $many = count(array_unique($publications));
        $isWhole = $many === count($publications) && $many === self::there($review, $publications);
        if (! $isWhole || $many !== count($records) || $many < 2) {
            throw new Refused('Somebody has ruled on this group meanwhile. What stands now is shown.');
        }

        return $records;
    }

    /**
     * @param  list<string>  $publications
     * @return int how many of them stand by themselves
     */
    private static function there(Review $review, array $publications): int
    {
        return Publication::query()
            ->where('review_id', $review->id)
            ->whereIn('id', $publications)
            ->whereNull('merged_into')
            ->whereNull('removed_at')
            ->count();
    }
}
