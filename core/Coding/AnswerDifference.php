<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** In what two coders' answers to one item differ. */
enum AnswerDifference: string
{
    case None = 'none';
    /** One found a value, the other found none to be had; or none was reported against not applicable. */
    case Kind = 'kind';
    /** Some of what one of them chose. */
    case SomeOptions = 'some-options';
    case Value = 'value';

    /**
     * @param  string|int|float|list<string>|null  $one
     * @param  string|int|float|list<string>|null  $other
     */
    public static function between(
        AnswerKind $kind,
        string|int|float|array|null $one,
        AnswerKind $otherKind,
        string|int|float|array|null $other,
    ): self {
        return match (true) {
            $kind !== $otherKind => self::Kind,
            // 12 and 12.0 are one number
            $one === $other, is_numeric($one) && is_numeric($other) && (float) $one === (float) $other => self::None,
            is_array($one) && is_array($other) && array_intersect($one, $other) !== [] => self::SomeOptions,
            default => self::Value,
        };
    }

    public function label(): string
    {
        return match ($this) {
            self::None => 'alike',
            self::Kind => 'a value or none to be had',
            self::SomeOptions => 'some of the options',
            self::Value => 'another value',
        };
    }
}
