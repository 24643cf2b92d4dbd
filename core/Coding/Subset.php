<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/**
 * The studies that the in-depth pass goes to: those for which a rule of mapping answers holds, and a list. Where the
 * list does not follow the rule by itself, what the rule would change is told first.
 */
final readonly class Subset
{
    /** On the list since the rule held for it, put there by hand, or left out by hand. */
    public const RULE = 'rule';

    public const HAND = 'hand';

    public const OUT = 'out';

    /**
     * @param  list<AskedWhen>  $rule  all of which have to hold
     * @param  bool  $follows  studies join and leave by the rule as they are coded
     * @param  array<string, string>  $listed  by study, one of the above
     */
    public function __construct(public array $rule, public bool $follows, public array $listed = [])
    {
    }

    /** @param  array<string, string|int|float|list<string|int|float>|null>  $values  of the study's answers, by item */
    public function has(string $study, array $values): bool
    {
        return match ($this->listed[$study] ?? null) {
            self::HAND => true,
            self::OUT => false,
            self::RULE => ! $this->follows || $this->matches($values),
            default => $this->follows && $this->matches($values),
        };
    }

    /**
     * What the rule would change of a list that does not follow it.
     *
     * @param  array<string, array<string, string|int|float|list<string|int|float>|null>>  $studies  answers of each
     */
    public function changes(array $studies): SubsetChanges
    {
        $join = $leave = [];
        foreach ($this->follows ? [] : $studies as $study => $values) {
            $listed = $this->listed[$study] ?? null;
            if ($listed === null && $this->matches($values)) {
                $join[] = (string) $study;
            } elseif ($listed === self::RULE && ! $this->matches($values)) {
                $leave[] = (string) $study;
            }
        }

        return new SubsetChanges($join, $leave);
    }

    /** @param  array<string, string|int|float|list<string|int|float>|null>  $values */
    public function matches(array $values): bool
    {
        foreach ($this->rule as $when) {
            if (! $when->holds($values[$when->item] ?? null)) {
                return false;
            }
        }

        return $this->rule !== [];
    }
}
