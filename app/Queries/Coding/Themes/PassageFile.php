<?php

declare(strict_types=1);

namespace App\Queries\Coding\Themes;

use App\Models\Passage;
use App\Models\Review;
use App\Models\Theme;

/** All passages as a file: rows for a spreadsheet, or annotations of the W3C Web Annotation Data Model. */
final class PassageFile
{
    /** @return \Generator<int, list<string|int|null>> */
    public static function rows(Review $review): \Generator
    {
        yield ['theme', 'quote', 'place', 'memo', 'marked by', 'on', 'study', 'year', 'title', 'before', 'after'];
        $tree = ThemeTree::of($review);
        foreach (self::all($review) as $passage) {
            $at = $passage->piece();
            foreach ($passage->themes as $theme) {
                yield [
                    $tree->pathOf($theme->id),
                    $at->selector->quote,
                    $at->whereabouts(),
                    $passage->memo,
                    $passage->user->name,
                    $passage->created_at->format('Y-m-d'),
                    $passage->publication->called(),
                    $passage->publication->year,
                    $passage->publication->title,
                    $at->selector->prefix,
                    $at->selector->suffix,
                ];
            }
        }
    }

    /** As JSON-LD, an annotation collection. */
    public static function annotations(Review $review): string
    {
        $tree = ThemeTree::of($review);
        $items = [];
        foreach (self::all($review) as $passage) {
            $items[] = self::annotation($review, $passage, $tree);
        }
        $collection = [
            '@context' => 'http://www.w3.org/ns/anno.jsonld',
            'type' => 'AnnotationCollection',
            'label' => $review->title,
            'total' => count($items),
            'first' => ['type' => 'AnnotationPage', 'startIndex' => 0, 'items' => $items],
        ];

        return json_encode(
            $collection,
            JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
        );
    }

    private static function annotation(Review $review, Passage $passage, ThemeTree $tree): object
    {
        $source = $passage->evidence['copy'] ?? '';
        $target = $passage->piece()->toTarget(
            is_string($source) && $source !== ''
                ? route('full-texts.file', [$review, $source])
                : route('publications.show', [$review, $passage->publication_id]),
        );

        return (object) [
            'id' => "urn:wary-heron:passage:{$passage->id}",
            'type' => 'Annotation',
            'motivation' => 'classifying',
            'creator' => ['type' => 'Person', 'name' => $passage->user->name],
            'created' => $passage->created_at->toIso8601ZuluString(),
            'body' => [
                ...$passage->themes->map(fn (Theme $theme): array => [
                    'type' => 'TextualBody',
                    'purpose' => 'tagging',
                    'value' => $tree->pathOf($theme->id),
                ]),
                ...$passage->memo === ''
                    ? []
                    : [['type' => 'TextualBody', 'purpose' => 'commenting', 'value' => $passage->memo]],
            ],
            'target' => $target,
        ];
    }

    /** @return iterable<Passage> */
    private static function all(Review $review): iterable
    {
        return Passage::query()
            ->where('review_id', $review->id)
            ->whereNull('removed_at')
            ->with(['user', 'publication', 'themes'])
            ->orderBy('id')
            ->lazyById(500);
    }
}
