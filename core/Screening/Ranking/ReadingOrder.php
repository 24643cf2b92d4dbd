<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * In which order what is left is read. A share of random picks keeps the model from seeing only what it likes already.
 */
enum ReadingOrder: string
{
    case Delivery = 'delivery';
    case Likely = 'likely';
    case Uncertain = 'uncertain';
    case Random = 'random';

    public function label(): string
    {
        return match ($this) {
            self::Delivery => 'in order of delivery',
            self::Likely => 'the likeliest first',
            self::Uncertain => 'the most uncertain first',
            self::Random => 'in random order',
        };
    }

    public function learns(): bool
    {
        return $this === self::Likely || $this === self::Uncertain;
    }

    /**
     * @param  array<string, float>  $scores  between 0 and 1, by item, in order of delivery
     * @param  int  $randomPercent  of the places, spread evenly, that go to an item drawn from all that are left
     * @return list<ToRead> in the order to be read, those drawn at random among them
     */
    public function arrange(array $scores, int $randomPercent, int $seed): array
    {
        $chance = new Randomizer(new Mt19937($seed));
        $items = array_map(strval(...), array_keys($scores));
        if ($this === self::Delivery) {
            return array_map(fn (string $one): ToRead => new ToRead($one, false), $items);
        }
        $drawn = $chance->shuffleArray($items);
        if ($this === self::Random) {
            return array_map(fn (string $one): ToRead => new ToRead($one, true), $drawn);
        }
        $keys =
            $this === self::Likely
                ? array_map(fn (float $p): float => -$p, $scores)
                : array_map(fn (float $p): float => abs($p - 0.5), $scores);
        asort($keys); // stable: of equal ones the earlier delivered is first
        $ranked = array_map(strval(...), array_keys($keys));
        $order = [];
        $taken = [];
        [$r, $d, $n] = [0, 0, count($items)];
        for ($place = 1; $place <= $n; $place++) {
            $random = intdiv($place * $randomPercent, 100) > intdiv(($place - 1) * $randomPercent, 100);
            if ($random) {
                while (isset($taken[$drawn[$d]])) {
                    $d++;
                }
                $one = $drawn[$d];
            } else {
                while (isset($taken[$ranked[$r]])) {
                    $r++;
                }
                $one = $ranked[$r];
            }
            $taken[$one] = true;
            $order[] = new ToRead($one, $random);
        }

        return $order;
    }
}
