<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

use WaryHeron\Core\Text\Words;

/**
 * Texts as sparse vectors: sublinear term frequency times smoothed inverse document frequency, of length one
 * (Manning, Raghavan & Schütze 2008, chapter 6).
 *
 * Words are learned from the judged texts only: a word that none of them holds cannot weigh anything.
 */
final readonly class TextVectors
{
    /** A word in a single judged text tells more of that text than of what is relevant. */
    private const LEAST_TEXTS = 2;

    private const LONGEST = 40;

    /**
     * @param  array<string, int>  $places  by word
     * @param  list<float>  $rarity  by place
     */
    private function __construct(private array $places, private array $rarity)
    {
    }

    /** @param  iterable<string>  $texts */
    public static function learn(iterable $texts): self
    {
        $in = [];
        $all = 0;
        foreach ($texts as $text) {
            $all++;
            foreach (array_keys(self::counted($text)) as $word) {
                $in[$word] = ($in[$word] ?? 0) + 1;
            }
        }
        $kept = array_filter($in, fn (int $n): bool => $n >= self::LEAST_TEXTS);
        ksort($kept, SORT_STRING);
        $places = array_flip(array_map(strval(...), array_keys($kept)));

        return new self($places, array_map(fn (int $n): float => log((1 + $all) / (1 + $n)) + 1, array_values($kept)));
    }

    /** @return array<string, list<string>|list<float>> */
    public function toArray(): array
    {
        return ['words' => $this->words(), 'rarity' => $this->rarity];
    }

    /** @param  array{words: list<string>, rarity: list<float>, ...}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(array_flip($kept['words']), $kept['rarity']);
    }

    /** @return array<int, float> weight by place */
    public function of(string $text): array
    {
        $vector = [];
        $square = 0.0;
        foreach (self::counted($text) as $word => $n) {
            $place = $this->places[$word] ?? null;
            if ($place !== null) {
                $vector[$place] = $weight = (1 + log($n)) * $this->rarity[$place];
                $square += $weight * $weight;
            }
        }
        if ($square > 0) {
            $length = sqrt($square);
            foreach ($vector as $place => $weight) {
                $vector[$place] = $weight / $length;
            }
        }

        return $vector;
    }

    /** @return list<string> by place */
    public function words(): array
    {
        return array_map(strval(...), array_keys($this->places));
    }

    /** @return array<string, int> */
    private static function counted(string $text): array
    {
        $counts = array_count_values(Words::of($text));
        foreach ($counts as $word => $n) {
            // numbers by themselves and single letters are chance; what is longer than any word is rubbish
            if (strlen((string) $word) < 2 || strlen((string) $word) > self::LONGEST || ctype_digit((string) $word)) {
                unset($counts[$word]);
            }
        }

        return $counts;
    }
}
