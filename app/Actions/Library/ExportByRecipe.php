<?php

declare(strict_types=1);

namespace App\Actions\Library;

use App\Actions\Shared\RecipeCell;
use App\Actions\Shared\RecipeMemory;
use App\Actions\Shared\WriteLog;
use App\Models\ExportRecipe;
use App\Models\Review;
use App\Models\User;
use App\Queries\Library\RecipeFacts;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\Reference;

/**
 * Makes the rows of an export recipe, all or only those that changed since it was last used, and remembers what went
 * out.
 */
final readonly class ExportByRecipe
{
    /** What a column can hold. The id stays the same for good, so that importing twice makes no duplicates. */
    public const FIELDS = [
        'id' => 'stable id',
        'change' => 'new, changed, outside the recipe’s filter, or gone from the review',
        'title' => 'title',
        'authors' => 'authors',
        'first_author' => 'first author',
        'year' => 'year',
        'journal' => 'journal',
        'volume' => 'volume',
        'issue' => 'issue',
        'pages' => 'pages',
        'doi' => 'DOI',
        'abstract' => 'abstract',
        'keywords' => 'keywords',
        'type' => 'type',
        'language' => 'language',
        'url' => 'link',
        'publisher' => 'publisher',
        'issn' => 'ISSN',
        'accession' => 'accession number',
        'editors' => 'editors',
        'series' => 'series',
        'edition' => 'edition',
        'isbn' => 'ISBN',
        'tags' => 'tags',
        'status' => 'where it stands',
        'reason' => 'why it was excluded',
        'delivered' => 'when it first came',
    ];

    /** Fields that are no plain text, and what they are unless a recipe says otherwise. */
    private const KINDS = ['year' => 'number', 'delivered' => 'date', 'url' => 'link', 'doi' => 'link'];

    private const PART = 500;

    public function __construct(private WriteLog $log)
    {
    }

    /**
     * @param  iterable<string, Reference>  $references  by publication
     * @return \Generator<int, list<string|int|float|\DateTimeImmutable|null>> the headings, then rows
     */
    public function rows(User $by, Review $review, ExportRecipe $recipe, iterable $references, bool $onlyChanged): \Generator
    {
        yield array_column($recipe->columns, 'heading');
        $before = RecipeMemory::of($recipe);
        $now = [];
        foreach ($this->parts($references) as $part) {
            $facts = RecipeFacts::of($review, array_map(strval(...), array_keys($part)));
            foreach ($part as $id => $reference) {
                $values = [...$this->values($reference), ...$facts[$id]];
                // what goes out by this recipe, so that a column that is not in it changes nothing
                $now[$id] = RecipeMemory::hash($this->row($recipe, $values));
                $change = RecipeMemory::change($before[$id] ?? null, $now[$id]);
                if (! $onlyChanged || $change !== '') {
                    yield $this->row($recipe, ['change' => $change] + $values);
                }
            }
        }
        $left = array_map(strval(...), array_keys(array_diff_key($before, $now)));
        $here = $onlyChanged ? $this->alive($review, $left) : [];
        foreach ($onlyChanged ? $left : [] as $id) {
            yield $this->row($recipe, ['id' => $id, 'change' => isset($here[$id]) ? 'outside' : 'gone']);
        }
        $this->remember($by, $recipe, $now);
    }

    /**
     * @param  iterable<string, Reference>  $references
     * @return \Generator<int, array<string, Reference>>
     */
    private function parts(iterable $references): \Generator
    {
        $part = [];
        foreach ($references as $id => $reference) {
            $part[$id] = $reference;
            if (count($part) === self::PART) {
                yield $part;
                $part = [];
            }
        }
        if ($part !== []) {
            yield $part;
        }
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, int> those that are in the review
     */
    private function alive(Review $review, array $ids): array
    {
        $alive = [];
        foreach (array_chunk($ids, 5000) as $part) {
            array_push(
                $alive,
                ...DB::table('publications')
                    ->where('review_id', $review->id)
                    ->whereIn('id', $part)
                    ->whereNull('merged_into')
                    ->whereNull('removed_at')
                    ->pluck('id')
                    ->all(),
            );
        }

        return array_flip($alive);
    }

    /** @param  list<Name>  $names */
    private static function names(array $names): string
    {
        return implode('; ', array_map(fn (Name $name): string => $name->inverts(), $names));
    }

    /** @return array<string, string|int|null> */
    private function values(Reference $r): array
    {
        return [
            'id' => $r->id,
            'title' => $r->fullTitle(),
            'authors' => self::names($r->authors),
            'editors' => self::names($r->editors),
            'series' => $r->series,
            'edition' => $r->edition,
            'isbn' => $r->isbn,
            'first_author' => $r->authors[0]->family ?? '',
            'year' => $r->year,
            'journal' => $r->containerTitle(),
            'volume' => $r->volume,
            'issue' => $r->issue,
            'pages' => $r->pages(),
            'doi' => $r->doi,
            'abstract' => $r->abstract,
            'keywords' => implode('; ', $r->keywords),
            'type' => $r->type->value,
            'language' => $r->language,
            'url' => $r->urls[0] ?? '',
            'publisher' => $r->publisher,
            'issn' => $r->issn,
            'accession' => $r->accession,
        ];
    }

    /**
     * @param  array<string, string|int|null>  $values
     * @return list<string|int|float|\DateTimeImmutable|null>
     */
    private function row(ExportRecipe $recipe, array $values): array
    {
        return array_map(
            fn (array $column): string|int|float|\DateTimeImmutable => RecipeCell::of(
                $column['field'],
                ($column['kind'] ?? '') ?: self::KINDS[$column['field']] ?? 'text',
                $values[$column['field']] ?? '',
            ),
            $recipe->columns,
        );
    }

    /** @param  array<string, string>  $hashes */
    private function remember(User $by, ExportRecipe $recipe, array $hashes): void
    {
        DB::transaction(function () use ($by, $recipe, $hashes): void {
            ($this->log)($recipe->review_id, $by, 'recipe.used', "Exported by the recipe {$recipe->name}", $recipe, [
                'publications' => count($hashes),
            ]);
            // what is not in it any more is told once
            DB::table('recipe_exports')->where('recipe_id', $recipe->id)->delete();
            RecipeMemory::keep($recipe, $hashes);
        });
    }
}
