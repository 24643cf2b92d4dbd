<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Asked;

/** A word or a fixed phrase of a concept with its kin. */
final readonly class ConceptSlot
{
    private const KIN = 0.9;

    /** Letters that a word has in common with others of its family, and that it may end otherwise in. */
    private const SHORTEST = 5;

    private const ENDING = 4;

    /** Of a single word without kin: by what words of its family begin; else empty. */
    public string $beginning;

    /** @var array<array-key, list<SlotPhrase>> by first word, so that a sentence is asked only for what it may hold */
    public array $phrases;

    /**
     * @param  list<string>  $own  stems as asked
     * @param  list<list<string>>  $kin  other phrases for it
     * @param  list<list<string>>  $contrary  phrases of which more is less of it
     * @param  float  $weight  1 for what the concept is about, less for what describes it
     * @param  list<string>  $words  how it is written, for a search
     */
    public function __construct(
        public array $own,
        public array $kin = [],
        public array $contrary = [],
        public float $weight = 1.0,
        public array $words = [],
    ) {
        $this->beginning = count($own) === 1 && $kin === [] && strlen($own[0]) >= self::SHORTEST
            ? substr($own[0], 0, max(self::SHORTEST, strlen($own[0]) - self::ENDING))
            : '';
        $phrases = [];
        foreach ($this->tried() as $phrase) {
            $phrases[$phrase->first][] = $phrase;
        }
        $this->phrases = $phrases;
    }

    /** @param  list<list<string>>  $phrases */
    public function with(array $phrases): self
    {
        return $phrases === []
            ? $this
            : new self($this->own, [...$this->kin, ...$phrases], $this->contrary, $this->weight, $this->words);
    }

    public function weighing(float $weight): self
    {
        return new self($this->own, $this->kin, $this->contrary, $weight, $this->words);
    }

    /**
     * Whether a sentence holds it in any of its words.
     *
     * @param  string  $stems  of the sentence, between blanks
     * @param  array<array-key, true>  $set  the same
     */
    public function isIn(string $stems, array $set): bool
    {
        foreach (array_intersect_key($this->phrases, $set) as $phrases) {
            foreach ($phrases as $phrase) {
                if (str_contains($stems, $phrase->needle)) {
                    return true;
                }
            }
        }

        return $this->beginning !== '' && str_contains($stems, " {$this->beginning}");
    }

    /** @param  list<string>  $phrase */
    private function isInside(array $phrase): bool
    {
        return count($phrase) > 1 && array_intersect($this->own, $phrase) !== [];
    }

    /**
     * In the order in which they are looked for: a contrary that holds the word itself ("short sleep" of "sleep")
     * before it.
     *
     * @return list<SlotPhrase>
     */
    private function tried(): array
    {
        $tried = [
            ...array_map(
                fn (array $one): array => [$one, self::KIN, true],
                array_filter($this->contrary, $this->isInside(...)),
            ),
            [$this->own, 1.0, false],
            ...array_map(fn (array $one): array => [$one, self::KIN, false], $this->kin),
            ...array_map(fn (array $one): array => [$one, self::KIN, true], $this->contrary),
        ];

        return array_map(
            fn (array $one, int $rank): SlotPhrase => SlotPhrase::of(
                $one[0],
                $rank,
                $one[1],
                $one[2],
                count($this->own) > 1,
            ),
            array_values($tried),
            array_keys(array_values($tried)),
        );
    }
}
