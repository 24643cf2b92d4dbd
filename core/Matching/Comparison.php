<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\AbstractAgreement;
use WaryHeron\Core\Matching\Field\AuthorAgreement;
use WaryHeron\Core\Matching\Field\DoiAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\JournalAgreement;
use WaryHeron\Core\Matching\Field\PagesAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;

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

    /**
     * @param  list<TitleAgreement|AuthorAgreement|YearAgreement|JournalAgreement|VolumeAgreement|IssueAgreement|PagesAgreement|DoiAgreement|AbstractAgreement>  $agreements
     *     in the order of MatchField; what is left out could not be compared
     * @param  list<?Conflict>  $conflicts
     */
    public static function of(array $agreements, array $conflicts): self
    {
        $code = 0;
        foreach ($agreements as $place => $agreement) {
            $code |= $agreement->value << ($place * self::BITS);
        }
        foreach ($conflicts as $conflict) {
            $code |= ($conflict->value ?? 0) << self::CONFLICTS;
        }

        return new self($code);
    }

    /** @param  list<int>  $levels  in the order of MatchField */
    public static function ofLevels(array $levels, int $conflicts = 0): self
    {
        $code = $conflicts << self::CONFLICTS;
        foreach ($levels as $place => $level) {
            $code |= $level << ($place * self::BITS);
        }

        return new self($code);
    }

    /** From 1, the best; 0 where the two cannot be compared. */
    public function level(MatchField $field): int
    {
        return ($this->code >> ($field->place() * self::BITS)) & 7;
    }

    public function title(): TitleAgreement
    {
        return TitleAgreement::from($this->code & 7);
    }

    public function authors(): AuthorAgreement
    {
        return AuthorAgreement::from(($this->code >> (1 * self::BITS)) & 7);
    }

    public function year(): YearAgreement
    {
        return YearAgreement::from(($this->code >> (2 * self::BITS)) & 7);
    }

    public function journal(): JournalAgreement
    {
        return JournalAgreement::from(($this->code >> (3 * self::BITS)) & 7);
    }

    public function volume(): VolumeAgreement
    {
        return VolumeAgreement::from(($this->code >> (4 * self::BITS)) & 7);
    }

    public function issue(): IssueAgreement
    {
        return IssueAgreement::from(($this->code >> (5 * self::BITS)) & 7);
    }

    public function pages(): PagesAgreement
    {
        return PagesAgreement::from(($this->code >> (6 * self::BITS)) & 7);
    }

    public function doi(): DoiAgreement
    {
        return DoiAgreement::from(($this->code >> (7 * self::BITS)) & 7);
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
        $doi = $this->doi();
        $isOtherVolume = $this->volume() === VolumeAgreement::Different && $this->pages() !== PagesAgreement::Same;
        $isElsewhere =
            $this->has(Conflict::Pages) || $this->has(Conflict::Words) || $this->has(Conflict::Year) || $isOtherVolume;

        return $doi === DoiAgreement::Different || ($doi !== DoiAgreement::Same && $isElsewhere);
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
