<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Bibliography\Doi;
use WaryHeron\Core\Bibliography\Reference;
use WaryHeron\Core\Text\Words;

/**
 * What makes two records certainly one publication: the same DOI, or the same title, year and first author.
 *
 * Two different DOIs speak against the second key, whatever else is alike.
 */
final readonly class ExactKeys
{
    private function __construct(public ?string $doi, public ?string $work)
    {
    }

    public static function of(Reference $reference): self
    {
        $title = implode(' ', Words::of($reference->fullTitle()));
        $author = implode('', Words::of($reference->authors[0]->family ?? ''));
        $work =
            $title === '' || $author === '' || $reference->year === null
                ? null
                : md5("{$title}|{$reference->year}|{$author}");

        return new self(Doi::normalised($reference->doi), $work);
    }
}
