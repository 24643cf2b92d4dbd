<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\ExportRecipe;
use Illuminate\Support\Facades\DB;

/** What went out by a recipe, so that a row is told new, changed or the same the next time. */
final class RecipeMemory
{
    private const PART = 2000;

    /** @return array<string, string> what each row was, by its key */
    public static function of(ExportRecipe $recipe): array
    {
        /** @var array<string, string> */
        return DB::table('recipe_exports')->where('recipe_id', $recipe->id)->pluck('hash', 'row_key')->all();
    }

    /** @param  list<mixed>  $row */
    public static function hash(array $row): string
    {
        return md5(json_encode($row, JSON_THROW_ON_ERROR | JSON_INVALID_UTF8_SUBSTITUTE));
    }

    /** What a row is beside what went out before: new, changed, or '' for the same. */
    public static function change(?string $before, string $now): string
    {
        return $before === null ? 'new' : ($before === $now ? '' : 'changed');
    }

    /** @param  array<array-key, string>  $hashes  by key; those of other rows are kept */
    public static function keep(ExportRecipe $recipe, array $hashes): void
    {
        foreach (array_chunk($hashes, self::PART, true) as $part) {
            DB::table('recipe_exports')->upsert(
                array_map(
                    fn (string $key, string $hash): array => [
                        'review_id' => $recipe->review_id,
                        'recipe_id' => $recipe->id,
                        'row_key' => $key,
                        'hash' => $hash,
                        'exported_at' => now(),
                    ],
                    array_map(strval(...), array_keys($part)),
                    array_values($part),
                ),
                ['recipe_id', 'row_key', 'review_id'],
                ['hash', 'exported_at'],
            );
        }
    }
}
