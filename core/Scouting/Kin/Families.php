<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Kin;

/** What means nearly the same as what: the common families, and the headings of the thesauri that are loaded. */
final class Families
{
    /** @var array<string, list<array{Family, int}>>  by phrase: the families and whether it is of the contrary (-1) */
    private array $holding = [];

    /** @var array<string, true> */
    private array $common = [];

    private int $longest = 1;

    /** @param  list<Family>  $more */
    public function __construct(array $more = [])
    {
        foreach (CommonFamilies::all() as $family) {
            $this->add($family);
        }
        $this->common = array_fill_keys(array_keys($this->holding), true);
        foreach ($more as $family) {
            $this->add($family);
        }
    }

    private function add(Family $family): void
    {
        foreach ([[$family->same, 1], [$family->contrary, -1]] as [$phrases, $sign]) {
            foreach ($phrases as $phrase) {
                $this->holding[implode(' ', $phrase)][] = [$family, $sign];
                $this->longest = max($this->longest, count($phrase));
            }
        }
    }

    /**
     * Whether the common families know it, thesauri apart.
     *
     * @param  list<string>  $phrase  stems
     */
    public function isCommon(array $phrase): bool
    {
        return isset($this->common[implode(' ', $phrase)]);
    }

    public function longest(): int
    {
        return $this->longest;
    }

    /**
     * @param  list<string>  $phrase  stems
     * @return ?Kin  null: no family knows it
     */
    public function of(array $phrase): ?Kin
    {
        $held = $this->holding[implode(' ', $phrase)] ?? [];
        if ($held === []) {
            return null;
        }
        $same = $contrary = $words = [];
        foreach ($held as [$family, $sign]) {
            array_push($words, ...$family->words);
            array_push($same, ...($sign > 0 ? $family->same : $family->contrary));
            array_push($contrary, ...($sign > 0 ? $family->contrary : $family->same));
        }

        return new Kin($same, $contrary, $words);
    }
}
