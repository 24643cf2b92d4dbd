<?php

declare(strict_types=1);

namespace WaryHeron\Standins\Corpus;

use WaryHeron\Core\Text\Words;

/**
 * Gives a study its headings, as one database's indexers would: those of its subject, and those whose names stand in
 * its text. The most specific headings are given, never what is above them; some records are not indexed yet.
 */
final readonly class Indexer
{
    /** @var array<string, list<array{list<string>, int}>> names by their first word, longer ones first */
    private array $phrases;

    public function __construct(private Thesaurus $thesaurus, private string $seed, private float $unindexed)
    {
        $phrases = [];
        foreach ($thesaurus->names() as $name => $number) {
            $words = Words::of($name);
            if ($words !== [] && (count($words) > 1 || strlen($words[0]) > 4)) {
                $phrases[$words[0]][] = [$words, $number];
            }
        }
        foreach ($phrases as &$list) {
            usort($list, fn (array $a, array $b): int => count($b[0]) <=> count($a[0]));
        }
        $this->phrases = $phrases;
    }

    /** @return array{list<int>, list<int>} the headings, and the major ones among them */
    public function headings(Study $study): array
    {
        $chance = new Chance("{$this->seed}/headings/{$study->number}");
        if ($chance->is($this->unindexed)) {
            return [[], []];
        }
        $major = $this->of($study->central);
        $given = [...$major, ...$this->of($study->ideas)];
        foreach ($this->within($study->title) as $number) {
            $chance->is(0.85) && ($given[] = $number);
        }
        foreach ($this->within($study->abstract) as $number) {
            $chance->is(0.3) && ($given[] = $number);
        }
        $given = $this->mostSpecific(array_values(array_unique($given)));
        $given = array_slice($given, 0, 14);

        return [$given, array_values(array_intersect($given, $major))];
    }

    /**
     * @param  list<string>  $ideas
     * @return list<int>
     */
    private function of(array $ideas): array
    {
        return array_values(array_unique(array_filter(array_map($this->thesaurus->named(...), $ideas), is_int(...))));
    }

    /** @return list<int> headings named in the text */
    private function within(string $text): array
    {
        $words = Words::of($text);
        $found = [];
        foreach ($words as $at => $word) {
            foreach ($this->phrases[$word] ?? [] as [$phrase, $number]) {
                if (array_slice($words, $at, count($phrase)) === $phrase) {
                    $found[$number] = true;
                    break;
                }
            }
        }

        return array_keys($found);
    }

    /**
     * @param  list<int>  $numbers
     * @return list<int>
     */
    private function mostSpecific(array $numbers): array
    {
        $above = [];
        foreach ($numbers as $number) {
            $above = [...$above, ...array_diff($this->thesaurus->closure([$number]), [$number])];
        }

        return array_values(array_diff($numbers, $above));
    }
}
