<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Field\TitleText;
use WaryHeron\Core\Matching\Fingerprint;

/** What matching compares of a record, made of just what a test is about. */
final class Prints
{
    /** @param  array<string, mixed>  $of  what is other than nothing at all */
    public static function of(array $of, string $key = ''): Fingerprint
    {
        $authors = array_map(fn (string $name): array => [$name, $name, 'i'], $of['authors'] ?? []);

        return new Fingerprint(
            key: $key,
            title: TitleText::of($of['title'] ?? ''),
            otherTitles: $of['otherTitles'] ?? [],
            authors: $authors,
            authorCount: count($authors),
            cutShort: false,
            year: $of['year'] ?? null,
            journals: array_map(fn (string $name): array => [$name], $of['journals'] ?? []),
            volume: $of['volume'] ?? '',
            issue: $of['issue'] ?? '',
            pages: PageSpan::of($of['page'] ?? ''),
            doi: $of['doi'] ?? '',
            doiElsewhere: false,
            sentences: [],
            genre: '',
        );
    }
}
