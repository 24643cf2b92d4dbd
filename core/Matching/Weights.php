<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/**
 * What each level of agreement weighs, in bits: log2 of how much likelier it is among records of one publication than
 * of two (Fellegi & Sunter 1969, J Am Stat Assoc 64:1183).
 */
final readonly class Weights
{
    /**
     * @param  array<string, array<int, array{float, float}>>  $chances  m and u by field and level
     * @param  float  $prior  log2 of the odds that a compared pair is one publication
     */
    public function __construct(public array $chances, public float $prior)
    {
    }

    /** Before a review's own pairs are heard. */
    public static function starting(): self
    {
        $chances = [];
        foreach (MatchField::cases() as $field) {
            foreach ($field->levels() as $level => [, $m, $u]) {
                $chances[$field->value][$level] = [$m, $u];
            }
        }

        return new self($chances, -2.0);
    }

    /** Bits for (above 0) or against (below 0); 0 where nothing could be compared. */
    public function of(MatchField $field, int $level): float
    {
        if ($level === 0) {
            return 0.0;
        }
        [$m, $u] = $this->chances[$field->value][$level];

        return log($m / $u, 2);
    }

    /** @return list<array<int, float>> weights by place of the field and level */
    public function table(): array
    {
        $table = [];
        foreach (MatchField::cases() as $field) {
            $row = [0 => 0.0];
            foreach (array_keys($this->chances[$field->value]) as $level) {
                $row[$level] = $this->of($field, $level);
            }
            $table[] = $row;
        }

        return $table;
    }
}
