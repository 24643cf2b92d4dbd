<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * How two records agree: a level for each field, and what speaks against them. Held as one number, for there are many.
 */
final readonly class Comparison
{
    private const BITS = 3;

    /** Above the levels of all fields. */
    private const CONFLICTS = 27;

    public function __construct(public int $code)
    {
    }

    /** @param  list<int>  $levels in the order of MatchField */
    public static function of(array $levels, int $conflicts): self
    {
        $code = 0;
        foreach ($levels as $place => $level) {
            $code |= $level << ($place * self::BITS);
        }

        return new self($code | ($conflicts << self::CONFLICTS));
    }

    /** From 1, the best; 0 where the two cannot be compared. */
    public function level(MatchField $field): int
    {
        return ($this->code >> ($field->place() * self::BITS)) & 7;
    }

    /** @return list<int> in the order of MatchField */
    public function levels(): array
    {
        $levels = [];
        for ($place = 0; $place < 9; $place++) {
            $levels[] = ($this->code >> ($place * self::BITS)) & 7;
        }

        return $levels;
    }

    /** The number of the pattern of levels, without the conflicts. */
    public function pattern(): int
    {
        return $this->code & ((1 << self::CONFLICTS) - 1);
    }

    /** Whether the two must not stand in one group, however alike others make them. */
    public function contradicts(): bool
    {
        if ($this->has(Conflict::Kind) || $this->has(Conflict::Part)) {
            return true;
        }
        $doi = $this->level(MatchField::Doi);

        return $doi === 3 ||
            ($doi !== 1 &&
                ($this->has(Conflict::Pages) ||
                    $this->has(Conflict::Words) ||
                    $this->has(Conflict::Year) ||
                    ($this->level(MatchField::Volume) === 4 && $this->level(MatchField::Pages) !== 1)));
    }

    /** The same with this field not compared. */
    public function without(MatchField $field): self
    {
        return new self($this->code & ~(7 << ($field->place() * self::BITS)));
    }

    public function conflicts(): int
    {
        return $this->code >> self::CONFLICTS;
    }

    public function has(Conflict $conflict): bool
    {
        return ($this->conflicts() & $conflict->value) !== 0;
    }
}
