<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** What speaks against two records being one publication, whatever else is alike. */
enum Conflict: int
{
    case Doi = 1;
    case Pages = 2;
    case Volume = 4;
    case Year = 8;
    case Kind = 16;
    case Part = 32;
    case Mark = 64;
    case Words = 128;
    case Genre = 256;

    public function words(): string
    {
        return match ($this) {
            self::Doi => 'Their DOIs are different.',
            self::Pages => 'They stand on different pages.',
            self::Volume => 'They stand in different volumes.',
            self::Year => 'They appeared years apart.',
            self::Kind => 'One is a notice, a comment or a reply, the other is not.',
            self::Part => 'They are different parts, reports or years of a series.',
            self::Mark => 'Only one is called a part, a protocol, an update or the report of a year.',
            self::Words => 'A word differs that is no spelling mistake.',
            self::Genre => 'One is a conference abstract, a dataset or a preprint, the other is not.',
        };
    }

    /** @return list<self> */
    public static function in(int $bits): array
    {
        return array_values(array_filter(self::cases(), fn (self $one): bool => ($bits & $one->value) !== 0));
    }
}
