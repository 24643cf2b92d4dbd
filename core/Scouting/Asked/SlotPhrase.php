<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A phrase by which a part of a concept may be told. */
final readonly class SlotPhrase
{
    /**
     * @param  int  $rank  those of lower rank are preferred
     * @param  string  $needle  its stems between blanks
     * @param  float  $strength  1 as asked, less for its kin
     * @param  bool  $isContrary  of which more is less of the concept
     * @param  bool  $isTelling  several words that stand for several: mostly for the whole concept
     */
    private function __construct(
        public int $rank,
        public string $first,
        public string $needle,
        public float $strength,
        public bool $isContrary,
        public bool $isTelling,
    ) {
    }

    /** @param  list<string>  $stems */
    public static function of(array $stems, int $rank, float $strength, bool $isContrary, bool $isOfSeveral): self
    {
        return new self(
            $rank,
            $stems[0] ?? '',
            ' '.implode(' ', $stems).' ',
            $strength,
            $isContrary,
            $isOfSeveral && $strength < 1.0 && count($stems) > 1,
        );
    }
}
