<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Check;

use WaryHeron\Core\Vocabulary\Offer;

/** A thesaurus, as far as a check asks it. */
interface Thesaurus
{
    public function title(): string;

    /** @return list<string> headings below this one, at any depth */
    public function narrower(string $label): array;

    /** @return list<string> headings above this one, on any way up, and itself */
    public function above(string $label): array;

    /** The heading that bears this name, or has it as another name. */
    public function named(string $typed): ?Offer;
}
