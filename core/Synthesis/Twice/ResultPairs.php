<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Twice;

/**
 * Which result of one coder is which of the other's. Rows have no name that both would know, so they are told by what they
 * are of: first those alike in everything, then by time and scale, then whatever is of the same outcome and comparison.
 */
final class ResultPairs
{
    /**
     * @param  list<CodedResult>  $one
     * @param  list<CodedResult>  $other
     * @return list<ResultPair> each result in one pair; those of the first coder in their order, then what is left of the other
     */
    public static function of(array $one, array $other): array
    {
        $pairs = [];
        $rules = [
            fn (CodedResult $a, CodedResult $b): bool => $a->differsFrom($b) === ResultDifference::None,
            fn (CodedResult $a, CodedResult $b): bool => $a->place === $b->place && $a->form === $b->form,
            fn (CodedResult $a, CodedResult $b): bool => $a->place === $b->place,
            fn (CodedResult $a, CodedResult $b): bool => $a->form === $b->form && $a->fields($b) === [],
            fn (): bool => true,
        ];
        foreach ($rules as $isSame) {
            foreach ($one as $i => $a) {
                foreach ($other as $j => $b) {
                    if ($a->of === $b->of && $isSame($a, $b)) {
                        $pairs[$i] = new ResultPair($a, $b);
                        unset($one[$i], $other[$j]);
                        break;
                    }
                }
            }
        }
        foreach ($one as $i => $a) {
            $pairs[$i] = new ResultPair($a, null);
        }
        ksort($pairs);

        return [...array_values($pairs), ...array_map(fn (CodedResult $b): ResultPair => new ResultPair(null, $b), array_values($other))];
    }
}
