<?php

declare(strict_types=1);

namespace App\Queries\FullTexts;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\SectionKind;
use WaryHeron\Core\FullText\Reading\Word;

/** The words and blocks of a copy, as they were read from its PDF. */
final class PaperPages
{
    /** @return array<int, Page> by number */
    public static function of(string $reviewId, string $fullTextId): array
    {
        return self::some($reviewId, [$fullTextId], null)[$fullTextId] ?? [];
    }

    /**
     * @param  list<string>  $copies
     * @param  ?list<int>  $numbers  null for all
     * @return array<string, array<int, Page>> by copy, then number
     */
    public static function some(string $reviewId, array $copies, ?array $numbers): array
    {
        $rows = DB::table('paper_pages')
            ->where('review_id', $reviewId)
            ->whereIn('full_text_id', $copies)
            ->when($numbers !== null, fn (Builder $pages) => $pages->whereIn('number', $numbers ?? []))
            ->orderBy('number')
            ->get(['full_text_id', 'number', 'width', 'height', 'words']);
        $pages = [];
        foreach ($rows as $row) {
            $words = array_values(array_map(self::word(...), json_decode($row->words, true, 8, JSON_THROW_ON_ERROR)));
            $pages[$row->full_text_id][$row->number] = new Page(
                $row->number,
                (float) $row->width,
                (float) $row->height,
                $words,
            );
        }

        return $pages;
    }

    /** @param  array{string, float|int, float|int, float|int, float|int}  $kept */
    private static function word(array $kept): Word
    {
        return new Word($kept[0], (float) $kept[1], (float) $kept[2], (float) $kept[3], (float) $kept[4]);
    }

    /** A copy as text in reading order, without the sections that its headings make. */
    public static function paper(string $reviewId, string $fullTextId): Paper
    {
        $blocks = [];
        foreach (self::rows($reviewId, $fullTextId)->pluck('blocks', 'number') as $number => $json) {
            foreach (json_decode($json, true, 8, JSON_THROW_ON_ERROR) as $one) {
                $blocks[] = new Block(
                    BlockKind::from($one['kind']),
                    $one['text'],
                    (int) $number,
                    section: SectionKind::Other,
                    cells: $one['cells'] ?? [],
                );
            }
        }

        return new Paper($blocks);
    }

    public static function areRead(string $reviewId, string $fullTextId): bool
    {
        return self::rows($reviewId, $fullTextId)->exists();
    }

    private static function rows(string $reviewId, string $fullTextId): Builder
    {
        return DB::table('paper_pages')
            ->where('review_id', $reviewId)
            ->where('full_text_id', $fullTextId)
            ->orderBy('number');
    }
}
