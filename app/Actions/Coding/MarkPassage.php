<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Actions\Shared\WriteLog;
use App\Models\Passage;
use App\Models\Publication;
use App\Models\Review;
use App\Models\Theme;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Coding\Evidence;

/** Puts words of a paper under themes, existing ones or new ones. */
final readonly class MarkPassage
{
    public function __construct(private WriteLog $log, private PlaceEvidence $place, private ChangeThemes $themes)
    {
    }

    /** @param  list<non-empty-list<string>>  $paths  of themes, at least one */
    public function mark(User $by, Publication $publication, Evidence $piece, array $paths, string $memo = ''): Passage
    {
        $placed = $this->place->execute($publication->review_id, [$piece])[0];

        return DB::transaction(function () use ($by, $publication, $placed, $paths, $memo): Passage {
            $review = Review::query()->findOrFail($publication->review_id);
            $passage = Passage::query()->create([
                'review_id' => $review->id,
                'publication_id' => $publication->id,
                'evidence' => $placed->toArray(),
                'memo' => $memo,
                'user_id' => $by->id,
            ]);
            $names = $this->putUnder($by, $review, $passage, $paths);
            ($this->log)($review, $by, 'passage.marked', "Marked a passage of “{$publication->title}” as {$names}", $publication, [
                'quote' => $placed->selector->quote,
            ]);

            return $passage;
        });
    }

    /** @param  list<non-empty-list<string>>  $paths  instead of those before */
    public function change(User $by, Passage $passage, array $paths, string $memo): void
    {
        DB::transaction(function () use ($by, $passage, $paths, $memo): void {
            $review = Review::query()->findOrFail($passage->review_id);
            $passage->update(['memo' => $memo]);
            $passage->themes()->detach();
            $names = $this->putUnder($by, $review, $passage, $paths);
            ($this->log)($review, $by, 'passage.changed', "Put a passage under {$names}", $passage, ['memo' => $memo]);
        });
    }

    public function remove(User $by, Passage $passage): void
    {
        DB::transaction(function () use ($by, $passage): void {
            $passage->update(['removed_at' => now()]);
            ($this->log)($passage->review_id, $by, 'passage.removed', 'Took the mark off a passage', $passage, [
                'quote' => $passage->piece()->selector->quote,
            ]);
        });
    }

    /** @param  list<non-empty-list<string>>  $paths */
    private function putUnder(User $by, Review $review, Passage $passage, array $paths): string
    {
        $themes = array_map(fn (array $path): Theme => $this->themes->at($by, $review, $path), $paths);
        foreach ($themes as $theme) {
            $passage->themes()->syncWithoutDetaching([
                $theme->id => ['review_id' => $review->id, 'user_id' => $by->id, 'created_at' => now()],
            ]);
        }

        return implode(', ', array_map(fn (Theme $one): string => "“{$one->name}”", $themes));
    }
}
