<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

/** What a team decides about matching. */
final readonly class MatchSettings
{
    public const PRESETS = ['cautious' => [18.0, 5.0], 'balanced' => [10.0, 5.0], 'keen' => [7.0, 3.0]];

    /**
     * @param  float  $certain  bits from which two records are joined without asking
     * @param  float  $ask  bits from which a person is asked
     * @param  array<string, float>  $emphasis  by field: 0 it does not count, 1 as learned, 2 twice
     */
    public function __construct(public float $certain = 10.0, public float $ask = 5.0, public array $emphasis = [])
    {
        if ($certain < $ask) {
            throw new \InvalidArgumentException(
                'What is joined without asking must be more certain than what people are asked about.',
            );
        }
        foreach ($emphasis as $field => $factor) {
            if (MatchField::tryFrom($field) === null || $factor < 0 || $factor > 3) {
                throw new \InvalidArgumentException("“{$field}” cannot count {$factor} times.");
            }
        }
    }

    public static function preset(string $name): self
    {
        return new self(...self::PRESETS[$name]);
    }

    public function emphasis(MatchField $field): float
    {
        return $this->emphasis[$field->value] ?? 1.0;
    }

    /** @return array<string, float|array<string, float>> */
    public function toArray(): array
    {
        return ['certain' => $this->certain, 'ask' => $this->ask, 'emphasis' => $this->emphasis];
    }
}
