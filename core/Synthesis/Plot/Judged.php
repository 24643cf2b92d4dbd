<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

/** Judgements of studies in one regard, such as a domain of the risk of bias, on a scale from the best to the worst. */
final readonly class Judged
{
    /**
     * @param  list<string>  $scale  from the best to the worst
     * @param  array<string, string>  $by  by study; those that are not judged are missing
     */
    public function __construct(public string $name, public array $scale, public array $by)
    {
    }

    /** How far down the scale a study is, 0 best to 1 worst; null where it is not judged on it. */
    public function level(string $study): ?float
    {
        $at = array_search($this->by[$study] ?? null, $this->scale, true);

        return $at === false ? null : $at / max(1, count($this->scale) - 1);
    }

    /** @return array<string, int> studies by judgement, those that nobody has last and without a name */
    public function counts(): array
    {
        return array_map(
            fn (string $judgement): int => count(array_keys($this->by, $judgement, true)),
            array_combine($this->scale, $this->scale),
        );
    }
}
