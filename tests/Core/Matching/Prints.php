<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Bibliography\Name;
use WaryHeron\Core\Bibliography\PublicationType;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Matching\Field\PageSpan;
use WaryHeron\Core\Matching\Field\TitleText;
use WaryHeron\Core\Matching\Fingerprint;

/** Records, and what matching compares of them, made of just what a test is about. */
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

    /**
     * An article like any other, with some of its fields told in another way.
     *
     * @param  array<string, mixed>  $changes
     */
    public static function article(array $changes = []): Reference
    {
        return new Reference(
            ...$changes + [
                'type' => PublicationType::Article,
                'title' => 'Effects of bright-light exposure on alertness in night nurses: a randomised trial',
                'authors' => [new Name('Okafor', 'Ines N.'), new Name('van de Laar', 'Joost'), new Name('Sørensen', 'Åge')],
                'year' => 2017,
                'journal' => 'Annals of Nocturnal Medicine',
                'volume' => '12',
                'issue' => '3',
                'firstPage' => '426',
                'lastPage' => '433',
                'doi' => '10.71111/anm.12.3.426',
            ],
        );
    }
}
