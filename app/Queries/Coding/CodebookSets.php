<?php

declare(strict_types=1);

namespace App\Queries\Coding;

use App\Models\CodebookItem;
use App\Models\Review;
use App\Models\User;
use WaryHeron\Core\Coding\Book\BadBook;
use WaryHeron\Core\Coding\Book\BookJson;
use WaryHeron\Core\Coding\Book\Entry;

/** Codebooks to start from: ready-made sets, and those of a person's other reviews. */
final class CodebookSets
{
    /** @return array<string, string> titles by name */
    public static function titles(): array
    {
        $titles = [];
        foreach (glob(resource_path('codebooks/*.json')) ?: [] as $path) {
            $titles[basename($path, '.json')] = json_decode((string) file_get_contents($path))->title;
        }

        return $titles;
    }

    /** @return array<string, string> titles by id, of reviews that have a codebook */
    public static function reviews(User $user, Review $but): array
    {
        return Review::query()
            ->whereKeyNot($but->id)
            ->whereHas('memberships', fn ($members) => $members->where('user_id', $user->id))
            ->whereHas('codes', fn ($codes) => $codes->whereNull('retired_at'))
            ->orderBy('title')
            ->pluck('title', 'id')
            ->all();
    }

    /**
     * @param  string  $from  the name of a set, or the id of a review of theirs
     * @return list<Entry>
     *
     * @throws BadBook If there is no such.
     */
    public static function entries(User $user, string $from): array
    {
        if (isset(self::titles()[$from])) {
            return BookJson::read((string) file_get_contents(resource_path("codebooks/{$from}.json")));
        }
        $review = Review::query()
            ->whereKey($from)
            ->whereHas('memberships', fn ($members) => $members->where('user_id', $user->id))
            ->first();
        $codes = $review?->codes()->whereNull('retired_at')->get() ?? [];
        if (count($codes) === 0) {
            throw BadBook::noItems();
        }

        return array_map(fn (CodebookItem $code): Entry => $code->entry(), array_values($codes->all()));
    }
}
