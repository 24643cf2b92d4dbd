<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** The condition of an item: asked only where another item has one of these answers. */
final readonly class AskedWhen
{
    /** @param  non-empty-list<string>  $answers */
    public function __construct(public string $item, public array $answers)
    {
    }

    /** @param  string|int|float|list<string|int|float>|null  $value  of the other item; null where it has none */
    public function holds(string|int|float|array|null $value): bool
    {
        foreach (is_array($value) ? $value : [(string) $value] as $one) {
            $said = (string) $one;
            foreach ($this->answers as $answer) {
                // a narrower option is one of its broader one
                if ($said === $answer || str_starts_with($said, $answer.Code::NARROWER)) {
                    return true;
                }
            }
        }

        return false;
    }
}
