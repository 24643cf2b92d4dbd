<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

/** What the table says of one item of one study. */
final readonly class Cell
{
    /** @param  string  $mark  a short word that makes it stand out: no evidence, differs, how sure a lead is; else empty */
    public function __construct(public string $words, public string $mark, public string $look)
    {
    }

    public static function nothing(): self
    {
        return new self('–', '', 'cell-open');
    }

    public static function notAsked(): self
    {
        return new self('', '', 'cell-not-asked');
    }
}
