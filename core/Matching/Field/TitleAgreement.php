<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How two titles agree. */
enum TitleAgreement: int
{
    /** A title is missing, or one is in another language. */
    case Unknown = 0;
    case Same = 1;

    /** The same but for spelling. */
    case Respelt = 2;

    /** One without its subtitle. */
    case WithoutSubtitle = 3;

    /** One is the other’s title in another language. */
    case Translated = 4;
    case WordsAdded = 5;

    /** Words differ that are no spelling mistake. */
    case WordsDiffer = 6;
    case Different = 7;

    /** Whether the two may be titles of one work. */
    public function isLike(): bool
    {
        return $this !== self::Unknown && $this->value <= self::Translated->value;
    }

    public function isSameButForSpelling(): bool
    {
        return $this === self::Same || $this === self::Respelt;
    }
}
