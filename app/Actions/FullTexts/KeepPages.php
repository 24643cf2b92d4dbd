<?php

declare(strict_types=1);

namespace App\Actions\FullTexts;

use App\Files\In\PdfPaper;
use App\Files\In\UnreadablePdf;
use App\Files\StoredCopy;
use App\Models\FullText;
use Illuminate\Support\Facades\DB;
use WaryHeron\Core\FullText\Reading\Block;
use WaryHeron\Core\FullText\Reading\BlockKind;
use WaryHeron\Core\FullText\Reading\Page;
use WaryHeron\Core\FullText\Reading\Paper;
use WaryHeron\Core\FullText\Reading\Word;

/**
 * Reads the words of a copy with their places, and what they make in reading order, and keeps both. Done again, it
 * replaces what was read before. Never in a request: PDFs come from anywhere.
 */
final class KeepPages
{
    /** A page of more words is no page of a paper. */
    private const WORDS = 20_000;

    public function execute(FullText $copy): void
    {
        $copy->whileLocked(function () use ($copy): void {
            DB::table('paper_pages')->where('review_id', $copy->review_id)->where('full_text_id', $copy->id)->delete();
            try {
                $paper = Paper::ofPages($this->keeping($copy, PdfPaper::pages(StoredCopy::path($copy->path()))));
            } catch (UnreadablePdf) {
                return; // reading its text has said why already
            }
            $this->keepBlocks($copy, $paper->blocks);
        });
    }

    /**
     * Keeps each page as it passes, so that a long paper is never held whole with all its boxes.
     *
     * @param  iterable<Page>  $pages
     * @return \Generator<int, Page>
     */
    private function keeping(FullText $copy, iterable $pages): \Generator
    {
        foreach ($pages as $page) {
            $words = array_slice($page->words, 0, self::WORDS);
            DB::table('paper_pages')->insert([
                'review_id' => $copy->review_id,
                'full_text_id' => $copy->id,
                'number' => $page->number,
                'width' => max(1.0, $page->width),
                'height' => max(1.0, $page->height),
                'words' => json_encode(array_map(self::word(...), $words), JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            ]);
            yield new Page($page->number, $page->width, $page->height, $words);
        }
    }

    /** @return list<string|float> */
    private static function word(Word $word): array
    {
        return [
            $word->text,
            round($word->left, 2),
            round($word->top, 2),
            round($word->right, 2),
            round($word->bottom, 2),
        ];
    }

    /** @param  list<Block>  $blocks */
    private function keepBlocks(FullText $copy, array $blocks): void
    {
        $pages = [];
        foreach ($blocks as $block) {
            $pages[$block->page][] = [
                'kind' => $block->kind->value,
                'text' => $block->text,
                ...($block->kind === BlockKind::Row ? ['cells' => $block->cells] : []),
            ];
        }
        foreach ($pages as $number => $on) {
            DB::update(
                'UPDATE paper_pages SET blocks = ?, found_by = words_of(?)
                    WHERE review_id = ? AND full_text_id = ? AND number = ?',
                [
                    json_encode($on, JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
                    implode(' ', array_column($on, 'text')),
                    $copy->review_id,
                    $copy->id,
                    $number,
                ],
            );
        }
    }
}
