<?php

declare(strict_types=1);

namespace App\Actions\Synthesis;

use App\Actions\Coding\CodedPublications;
use App\Actions\Coding\PlaceEvidence;
use App\Actions\Shared\Refused;
use App\Actions\Shared\WriteLog;
use App\Models\Publication;
use App\Models\Result;
use App\Models\ReviewOutcome;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Evidence;

/** Keeps a result of a study in place of the one that stood in its row. Nothing is lost: what was before is history. */
final readonly class SaveResult
{
    public function __construct(
        private WriteLog $log,
        private PlaceEvidence $evidence,
        private CountAgreedResults $agreed,
    ) {
    }

    /**
     * @param  array<string, mixed>  $values  of Result, but for who and where
     * @param  array<string, list<Evidence>>  $evidence  by field
     * @param  ?string  $seen  the version that the page showed, '' for none, null where it does not say
     *
     * @throws Refused If the publication is not included, or somebody has changed the row meanwhile.
     */
    public function execute(
        User $by,
        Publication $publication,
        string $row,
        array $values,
        array $evidence,
        ?string $seen = null,
    ): Result {
        $placed = array_map(fn (array $pieces): array => $this->placed($publication, $pieces), array_filter($evidence));

        return DB::transaction(function () use ($by, $publication, $row, $values, $placed, $seen): Result {
            $review = CodedPublications::reviewOf(
                $publication,
                'This publication is not included, so its results are not taken. Those it has are kept.',
            );
            $current = self::current($publication->review_id, $row);
            $hand = $review->handOf($by);
            self::refuseOther($by, $current, $publication, $hand, $seen);
            $current?->update(['superseded_at' => now()]);
            $result = Result::query()->create([
                ...$values,
                'review_id' => $publication->review_id,
                'row_id' => $row,
                'publication_id' => $publication->id,
                'evidence' => $placed,
                'user_id' => $by->id,
                'hand' => $hand,
            ]);
            $this->agreed->execute($by, $review, $publication);
            $this->write($by, $publication, $result, $current);

            return $result;
        });
    }

    /**
     * @param  list<Evidence>  $pieces
     * @return list<array<string, mixed>>
     */
    private function placed(Publication $publication, array $pieces): array
    {
        $found = $this->evidence->execute($publication->review_id, $pieces);

        return array_map(fn (Evidence $one): array => $one->toArray(), array_values($found));
    }

    private static function refuseOther(User $by, ?Result $current, Publication $of, string $hand, ?string $seen): void
    {
        if ($current !== null && ($current->publication_id !== $of->id || $current->hand !== $hand)) {
            throw new Refused('This row is of another publication, or of another coder.');
        }
        if ($seen !== null && $seen !== ($current->id ?? '')) {
            throw Refused::overtaken($by, $current?->user, 'changed this row', 'What stands now is shown.');
        }
    }

    private static function current(string $review, string $row): ?Result
    {
        return Result::query()
            ->where('review_id', $review)
            ->where('row_id', $row)
            ->whereNull('superseded_at')
            ->with('user')
            ->lockForUpdate()
            ->first();
    }

    private function write(User $by, Publication $publication, Result $result, ?Result $before): void
    {
        $outcome = ReviewOutcome::query()->whereKey($result->outcome_id)->value('name');
        [$action, $did] = match (true) {
            $result->withdrawn => ['result.withdrawn', 'Withdrew a result'],
            $before === null => ['result.added', 'Took a result'],
            default => ['result.changed', 'Changed a result'],
        };
        $words = "{$did} of “{$outcome}” from “{$publication->title}”";
        // what one coder took is nobody else’s to see
        $about = $result->hand !== ''
            ? []
            : ['form' => $result->form->value, 'before' => $before?->given, 'after' => $result->given];
        ($this->log)($publication->review_id, $by, $action, $words, $publication, $about);
    }
}
