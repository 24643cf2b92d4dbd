<?php

declare(strict_types=1);

namespace Tests\Core\Scouting;

use WaryHeron\Core\Scouting\Reading\ReadRecord;

/** Questions with records that people have judged: 3 answers, 2 with reservations, 1 touches, 0 only shares words. */
final class Judged
{
    /**
     * @param  array<string, array{grade: int, sentence: string|null, also: list<string>, direction: string|null, design: string}>  $labels
     * @param  list<ReadRecord>  $records
     * @param  list<array{name: string, ids: list<string>}>  $named
     */
    private function __construct(
        public readonly string $question,
        public readonly array $labels,
        public readonly array $records,
        public readonly array $named,
    ) {
    }

    public static function read(string $name): self
    {
        $told = json_decode((string) file_get_contents(__DIR__."/judged/{$name}.json"), true, flags: JSON_THROW_ON_ERROR);
        preg_match_all('/^ID  - (\S+).*?^TI  - (.*?)$.*?^AU  - ([^,\n]*).*?^AB  - (.*?)$/ms', (string) file_get_contents(__DIR__."/judged/{$name}.ris"), $found, PREG_SET_ORDER);

        return new self(
            $told['question'],
            $told['records'],
            array_map(fn (array $one): ReadRecord => ReadRecord::of($one[1], $one[2], $one[4], $one[3]), $found),
            $told['named'] ?? [],
        );
    }

    /**
     * Normalised discounted cumulative gain of the first ten (Järvelin & Kekäläinen 2002, ACM Trans Inf Syst 20:422).
     *
     * @param  list<string>  $ranked  identifiers, best first
     */
    public function ndcg(array $ranked): float
    {
        $grades = array_map(fn (string $id): int => $this->labels[$id]['grade'], $ranked);
        $best = array_column($this->labels, 'grade');
        rsort($best);

        return self::gain($grades) / self::gain($best);
    }

    public function isRightSentence(string $id, string $sentence): bool
    {
        $label = $this->labels[$id];

        return in_array($sentence, [$label['sentence'], ...$label['also']], true);
    }

    /** @param  list<int>  $grades */
    private static function gain(array $grades): float
    {
        $gain = 0.0;
        foreach (array_slice($grades, 0, 10) as $i => $grade) {
            $gain += (2 ** $grade - 1) / log($i + 2, 2);
        }

        return $gain;
    }
}
