<?php

declare(strict_types=1);

namespace App\Actions\Shared;

use App\Models\ExportRecipe;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Gives the rows of a table by a recipe: its columns in its order, all rows or those that changed since it was last
 * used. The first column of a table is the key by which a row is known again.
 */
final readonly class TableByRecipe
{
    /** A column besides those of the table: whether a row is new or changed. */
    public const CHANGE = 'change';

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  iterable<list<string|int|float|null>>  $table  its headings, then its rows
     * @param  string  $scope  of which table of its kind; rows of others with the same key are others
     * @return \Generator<int, list<string|int|float|\DateTimeImmutable|null>> the headings, then rows
     */
    public function rows(User $by, ExportRecipe $recipe, iterable $table, string $scope, bool $onlyChanged): \Generator
    {
        yield array_column($recipe->columns, 'heading');
        $before = RecipeMemory::of($recipe);
        $places = null;
        $now = [];
        foreach ($table as $row) {
            if ($places === null) {
                $places = array_flip(array_map(strval(...), $row));

                continue;
            }
            $key = md5("{$scope}/{$row[0]}");
            $cells = self::cells($recipe, $places, $row);
            $now[$key] = RecipeMemory::hash($cells);
            $change = RecipeMemory::change($before[$key] ?? null, $now[$key]);
            if (! $onlyChanged || $change !== '') {
                yield self::cells($recipe, $places, $row, $change);
            }
        }
        DB::transaction(function () use ($by, $recipe, $now): void {
            $words = "Exported by the recipe {$recipe->name}";
            ($this->log)($recipe->review_id, $by, 'recipe.used', $words, $recipe, ['rows' => count($now)]);
            RecipeMemory::keep($recipe, $now);
        });
    }

    /**
     * @param  array<string, int>  $places  of the table's columns, by heading
     * @param  list<string|int|float|null>  $row
     * @return list<string|int|float|\DateTimeImmutable>
     */
    private static function cells(ExportRecipe $recipe, array $places, array $row, string $change = ''): array
    {
        return array_map(
            fn (array $column): string|int|float|\DateTimeImmutable => RecipeCell::of(
                $column['field'],
                $column['kind'] ?? '',
                $column['field'] === self::CHANGE ? $change : $row[$places[$column['field']] ?? -1] ?? null,
            ),
            $recipe->columns,
        );
    }
}
