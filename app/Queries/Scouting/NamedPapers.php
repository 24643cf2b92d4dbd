<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use App\Models\ScoutedPaper;
use Illuminate\Support\Collection;
use WaryHeron\Core\Scouting\Named\NamedThing;
use WaryHeron\Core\Scouting\Reading\RecordSentence;

/** A thing with the papers that name it. */
final readonly class NamedPapers
{
    private const EXCERPTS = 3;

    /** @param  Collection<int, ScoutedPaper>  $papers  that name it, by year */
    public function __construct(public NamedThing $thing, public Collection $papers)
    {
    }

    /** @return array<int, int> papers by year, the first year first; those without one are left out */
    public function byYear(): array
    {
        /** @var array<int, int> */
        $years = $this->papers->countBy(fn (ScoutedPaper $one): int => $one->reference()->year ?? 0)->forget(0)->all();
        ksort($years);

        return $years;
    }

    /** @return array<string, list<string>> other ways it is written, by why they are taken for the same */
    public function joins(): array
    {
        $joins = [];
        foreach ($this->thing->variants as $i => $variant) {
            $joins[$this->thing->joined[$i]][] = $variant;
        }

        return $joins;
    }

    /** @return list<PaperSentence> sentences that name it, each of another paper */
    public function excerpts(): array
    {
        $excerpts = [];
        foreach ($this->papers as $paper) {
            $text = count($excerpts) < self::EXCERPTS ? $this->naming($paper) : null;
            if ($text !== null) {
                $excerpts[] = new PaperSentence($paper, $text);
            }
        }

        return $excerpts;
    }

    /** Its first sentence that names it, by any of its names. */
    private function naming(ScoutedPaper $paper): ?string
    {
        $names = array_map(mb_strtolower(...), [$this->thing->name, ...$this->thing->variants]);
        $sentences = array_map(fn (RecordSentence $one): string => $one->text, $paper->record()->sentences);
        foreach ([...$sentences, $paper->reference()->fullTitle()] as $sentence) {
            foreach ($names as $name) {
                if (str_contains(mb_strtolower($sentence), $name)) {
                    return $sentence;
                }
            }
        }

        return null;
    }
}
