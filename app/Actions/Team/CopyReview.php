<?php

declare(strict_types=1);

namespace App\Actions\Team;

use App\Access\Role;
use App\Actions\Shared\WriteLog;
use App\Database\ArchivedTable;
use App\Database\ArchivedTables;
use App\Models\Review;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use stdClass;

/** Starts a review that is set up as another is, with nothing in it: how it asks, judges, codes and compares. */
final readonly class CopyReview
{
    /** What a review is set up with, so that a row comes after those that it names. */
    private const TABLES = ['concepts', 'criteria', 'stages', 'codes', 'arms', 'outcomes', 'comparisons', 'mark_lists', 'team_dialects'];

    /** What has happened to it there, has not happened here. */
    private const AS_NEW = [
        'criteria' => ['version' => 1, 'reworded_at' => null, 'older_left_at' => null],
        'stages' => ['closed_at' => null, 'closed_by' => null, 'ranked' => false, 'target' => null],
    ];

    public function __construct(private WriteLog $log)
    {
    }

    public function execute(User $by, Review $from, string $title): Review
    {
        return DB::transaction(function () use ($by, $from, $title): Review {
            $review = Review::query()->create([
                ...$from->only(['question', 'frame', 'match_settings', 'coded_by']),
                ...['title' => $title, 'created_by' => $by->id],
            ]);
            $review->memberships()->create(['user_id' => $by->id, 'role' => Role::Lead]);
            $tables = collect(ArchivedTables::all())->keyBy('name');
            $ids = [$from->id => $review->id];
            foreach (self::TABLES as $name) {
                $this->copy($tables[$name], $from, $by, $ids);
            }
            $words = "Started the review “{$title}”, set up as “{$from->title}”";
            ($this->log)($review, $by, 'review.created', $words, $review);

            return $review;
        });
    }

    /** @param  array<string, string>  $ids  of here by those of there; grows */
    private function copy(ArchivedTable $table, Review $from, User $by, array &$ids): void
    {
        $isRetired = in_array('retired_at', $table->columns, true) ? 'AND retired_at IS NULL' : '';
        $rows = array_map(
            fn (stdClass $one): array => json_decode($one->line, true),
            DB::select("SELECT to_jsonb(t)::text AS line FROM \"{$table->name}\" t WHERE review_id = ? {$isRetired} ORDER BY id", [$from->id]),
        );
        foreach ($rows as $row) {
            $ids[(string) $row['id']] = strtolower((string) Str::ulid());
        }
        $new = array_map(function (array $row) use ($table, $by): array {
            $people = array_fill_keys($table->people, $by->id);

            return [...$row, ...$people, ...self::AS_NEW[$table->name] ?? [], 'created_at' => now()->toIso8601String()];
        }, $rows);
        $lines = strtr(json_encode($new, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES), $ids);
        DB::insert($table->insertion($table->columns), [$lines]);
    }
}
