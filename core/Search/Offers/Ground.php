<?php

declare(strict_types=1);

namespace WaryHeron\Core\Search\Offers;

/** Why a term is offered for a concept, the strongest first. */
enum Ground: int
{
    case HeadingOfBranch = 0;
    case NameInBranch = 1;
    case PhraseOfTitle = 2;
    case Heading = 3;
    case WordOfTitle = 4;

    public function words(): string
    {
        return match ($this) {
            self::HeadingOfBranch => 'a heading it carries, of the branch of this concept',
            self::NameInBranch => 'named in it; of the branch of this concept',
            self::PhraseOfTitle => 'in its title, and of no other concept',
            self::Heading => 'a heading it carries',
            self::WordOfTitle => 'a word of its title, and of no other concept',
        };
    }
}
