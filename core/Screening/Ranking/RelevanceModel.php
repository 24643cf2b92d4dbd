<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Ranking;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * How likely a text is to be included, learned from texts that have been judged. It orders what is read; it decides
 * nothing.
 */
final readonly class RelevanceModel
{
    private const FOLDS = 5;

    /**
     * @param  array<int, float>  $weights
     * @param  list<string>  $words
     */
    private function __construct(
        private TextVectors $vectors,
        private array $weights,
        private float $constant,
        private array $words,
    ) {
    }

    /** What is learned from and scored of a publication: a title tells more than any sentence, so it counts twice. */
    public static function text(string $title, string $abstract): string
    {
        return "{$title} {$title} {$abstract}";
    }

    /**
     * @param  list<string>  $texts
     * @param  list<bool>  $included
     *
     * @throws NothingToLearn If only one kind is there.
     */
    public static function learn(array $texts, array $included, int $seed): self
    {
        $vectors = TextVectors::learn($texts);
        $fit = LogisticRegression::fit(
            array_map($vectors->of(...), $texts),
            $included,
            new Randomizer(new Mt19937($seed)),
        );

        return new self($vectors, $fit->weights, $fit->constant, $vectors->words());
    }

    /**
     * Between 0 and 1; 0.5 is where the model cannot tell. Classes weigh alike in it, so it is no share of what will be
     * included.
     */
    public function score(string $text): float
    {
        $sum = $this->constant;
        foreach ($this->vectors->of($text) as $place => $x) {
            $sum += ($this->weights[$place] ?? 0.0) * $x;
        }

        return 1 / (1 + exp(-$sum));
    }

    /**
     * @return array<string, float|list<string>|list<float>> what was learned,
     *     to be kept
     */
    public function toArray(): array
    {
        return [
            ...$this->vectors->toArray(),
            'weights' => array_map(fn (int $place): float => $this->weights[$place] ?? 0.0, array_keys($this->words)),
            'constant' => $this->constant,
        ];
    }

    /** @param  array{words: list<string>, rarity: list<float>, weights: list<float>, constant: float}  $kept */
    public static function fromArray(array $kept): self
    {
        return new self(TextVectors::fromArray($kept), $kept['weights'], $kept['constant'], $kept['words']);
    }

    /** The score with the words of the text that weigh most, for or against. */
    public function judged(string $text, int $most = 6): JudgedText
    {
        $parts = [];
        $sum = $this->constant;
        foreach ($this->vectors->of($text) as $place => $x) {
            $sum += $parts[$place] = ($this->weights[$place] ?? 0.0) * $x;
        }
        uasort($parts, fn (float $a, float $b): int => abs($b) <=> abs($a));
        $top = array_slice($parts, 0, $most, true);

        return new JudgedText(1 / (1 + exp(-$sum)), $this->told($top));
    }

    public function words(int $most = 15): TellingWords
    {
        $weights = $this->weights;
        arsort($weights);
        $for = array_filter(array_slice($weights, 0, $most, true), fn (float $weight): bool => $weight > 0);
        $against = array_filter(array_slice($weights, -$most, null, true), fn (float $weight): bool => $weight < 0);

        return new TellingWords($this->told($for), $this->told(array_reverse($against, true)));
    }

    /**
     * @param  array<int, float>  $weights  by place of the word
     * @return list<WordWeight>
     */
    private function told(array $weights): array
    {
        $told = [];
        foreach ($weights as $place => $weight) {
            $told[] = new WordWeight($this->words[$place], round($weight, 3));
        }

        return $told;
    }

    /**
     * How well texts are ordered that the model has not seen: each fifth by what was learned from the other four.
     *
     * @param  list<string>  $texts
     * @param  list<bool>  $included
     * @return ?RankingQuality null where a fifth would have nothing to learn from
     */
    public static function tried(array $texts, array $included, int $seed): ?RankingQuality
    {
        $relevant = array_keys(array_filter($included));
        $others = array_keys(array_filter($included, fn (bool $one): bool => ! $one));
        if (min(count($relevant), count($others)) < self::FOLDS) {
            return null;
        }
        $chance = new Randomizer(new Mt19937($seed));
        $fold = [];
        foreach ([...$chance->shuffleArray($relevant), ...$chance->shuffleArray($others)] as $at => $i) {
            $fold[$i] = $at % self::FOLDS;
        }
        $scores = [];
        for ($left = 0; $left < self::FOLDS; $left++) {
            $learned = array_values(array_filter(array_keys($texts), fn (int $i): bool => $fold[$i] !== $left));
            $model = self::learn(
                array_map(fn (int $i): string => $texts[$i], $learned),
                array_map(fn (int $i): bool => $included[$i], $learned),
                $seed,
            );
            foreach ($texts as $i => $text) {
                if ($fold[$i] === $left) {
                    $scores[$i] = $model->score($text);
                }
            }
        }
        ksort($scores);
        arsort($scores);

        return RankingQuality::of(array_map(fn (int $i): bool => $included[$i], array_keys($scores)));
    }
}
