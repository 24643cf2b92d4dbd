<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Answer;

use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Text\Stem;

/** Whether a sentence speaks of the opposite of what is asked about: of dark corridors, asked of bright ones. */
final readonly class Opposites
{
    private const PAIRS = 'bright/dark|bright/dim|long/short|high/low|forward/backward|forwards/backward|early/late|warm/cold'.
        '|loud/quiet|large/small|fixed/rotating|single/shared|private/shared|soft/hard|fast/slow|open/closed|full/part';

    /**
     * @param  array<string, string>  $pairs  a stem of the question => the stem of its opposite
     * @param  list<string>  $own  the stems of what is asked about
     */
    private function __construct(private array $pairs, private array $own)
    {
    }

    public static function of(PlainQuestion $question): self
    {
        $own = [];
        foreach ($question->of(ConceptRole::Exposure) as $concept) {
            foreach ($concept->slots as $slot) {
                $own = [...$own, ...$slot->own];
            }
        }
        $pairs = [];
        foreach (explode('|', self::PAIRS) as $pair) {
            [$one, $other] = array_map(Stem::of(...), explode('/', $pair));
            $pairs += array_intersect_key([$one => $other, $other => $one], array_flip($own));
        }

        return new self($pairs, array_values(array_diff($own, array_keys($pairs))));
    }

    public function areNamed(string $text): bool
    {
        $stems = Stem::all($text);
        foreach ($this->pairs as $own => $opposite) {
            foreach (in_array($own, $stems, true) ? [] : array_keys($stems, $opposite, true) as $at) {
                // "low workload", but not the low back of those whose workload is high
                if (array_intersect(array_slice($stems, $at + 1, 2), $this->own) !== []) {
                    return true;
                }
            }
        }

        return false;
    }
}
