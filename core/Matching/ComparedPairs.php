<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\AuthorAgreement;
use WaryHeron\Core\Matching\Field\DoiAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\JournalAgreement;
use WaryHeron\Core\Matching\Field\PagesAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;

/**
 * Every pair that was compared: how often each pattern came, and those of which more may become. What only all of them
 * together can say is known once they are counted: which titles several publications bear, and which DOIs name a whole
 * supplement or book.
 *
 * @internal
 */
final class ComparedPairs
{
    /** Fewer are a heading such as "Letter to the editor". */
    private const WORDS_OF_A_TITLE = 5;

    /** @var list<array{int, int, int}> places of both and the comparison's code */
    private array $pairs = [];

    /** @var array<int, int> how often each pattern came */
    private array $patterns = [];

    /** @var array<string, true> titles that stand at two places for certain */
    private array $recurrent = [];

    /** @var array<string, true> DOIs of different things */
    private array $sharedDois = [];

    /** @var array<string, float> log2 of how many records there are to one that bears the title */
    private array $rarity = [];

    /** @param  list<Fingerprint>  $prints */
    public function __construct(private readonly array $prints)
    {
    }

    public function add(int $a, int $b, Comparison $comparison): void
    {
        if (self::shareDoiOnly($comparison)) {
            $this->sharedDois[$this->prints[$a]->doi] = true;
        }
        if ($comparison->title()->isLike()) {
            $this->pairs[] = [$a, $b, $comparison->code];
            if (self::standApart($comparison)) {
                $this->recurrent[$this->prints[$a]->title->text] = true;
                $this->recurrent[$this->prints[$b]->title->text] = true;
            }

            return;
        }
        $this->count($comparison);
        if (self::mayBeMore($comparison)) {
            $this->pairs[] = [$a, $b, $comparison->code];
        }
    }

    /** To be called when all are added. */
    public function close(): void
    {
        foreach ($this->prints as $print) {
            // a heading rather than a title: others bear it, whether they are in this review or not
            if (substr_count($print->title->text, ' ') < self::WORDS_OF_A_TITLE - 1) {
                $this->recurrent[$print->title->text] = true;
            }
        }
        $this->rarity = $this->rarities();
        foreach ($this->pairs as $i => [$a, $b, $code]) {
            $comparison = new Comparison($code);
            if (isset($this->sharedDois[$this->prints[$a]->doi]) && $comparison->doi() === DoiAgreement::Same) {
                // the DOI of a whole supplement or book does not tell its parts apart
                $comparison = $comparison->without(MatchField::Doi);
                $this->pairs[$i][2] = $comparison->code;
            }
            if ($comparison->title()->isLike()) {
                // what several publications bear must not teach that titles tell little
                $this->count($this->rarity($a, $b) === null ? $comparison : $comparison->without(MatchField::Title));
            }
        }
    }

    /** @return array<int, int> how often each pattern came */
    public function patterns(): array
    {
        return $this->patterns;
    }

    /** @return \Generator<array{int, int, Comparison}> places of both, and how they agree */
    public function pairs(): \Generator
    {
        foreach ($this->pairs as [$a, $b, $code]) {
            yield [$a, $b, new Comparison($code)];
        }
    }

    /** Of a title that several publications bear: log2 of how many records there are to one that bears it. */
    public function rarity(int $a, int $b): ?float
    {
        $ofA = $this->rarity[$this->prints[$a]->title->text] ?? null;
        $ofB = $this->rarity[$this->prints[$b]->title->text] ?? null;

        return $ofA === null || $ofB === null ? $ofA ?? $ofB : min($ofA, $ofB);
    }

    private function count(Comparison $comparison): void
    {
        $this->patterns[$comparison->pattern()] = ($this->patterns[$comparison->pattern()] ?? 0) + 1;
    }

    /** @return array<string, float> by title */
    private function rarities(): array
    {
        $bearing = [];
        foreach ($this->prints as $print) {
            if (isset($this->recurrent[$print->title->text])) {
                $bearing[$print->title->text] = ($bearing[$print->title->text] ?? 0) + 1;
            }
        }

        return array_map(fn (int $count): float => log(count($this->prints) / $count, 2), $bearing);
    }

    /** One DOI for two titles by other people or on other pages. */
    private static function shareDoiOnly(Comparison $comparison): bool
    {
        return $comparison->doi() === DoiAgreement::Same &&
            $comparison->title() === TitleAgreement::Different &&
            ($comparison->authors()->value >= AuthorAgreement::SomeSame->value || $comparison->has(Conflict::Pages));
    }

    /** Whether two of unlike titles may be found to be one all the same. */
    private static function mayBeMore(Comparison $comparison): bool
    {
        return $comparison->doi() === DoiAgreement::Same ||
            $comparison->pages() === PagesAgreement::Same ||
            $comparison->title() === TitleAgreement::WordsAdded ||
            $comparison->title() === TitleAgreement::WordsDiffer;
    }

    /** The same title at two places for certain: several publications bear it. */
    private static function standApart(Comparison $comparison): bool
    {
        if (! $comparison->title()->isSameButForSpelling() || $comparison->doi() === DoiAgreement::Same) {
            return false;
        }
        $isElsewhere =
            $comparison->journal() === JournalAgreement::Different ||
            $comparison->year() === YearAgreement::YearsApart ||
            $comparison->issue() === IssueAgreement::Different;
        $against = array_filter(
            [Conflict::Doi, Conflict::Pages, Conflict::Volume],
            fn (Conflict $conflict): bool => $comparison->has($conflict),
        );

        return count($against) + ($isElsewhere ? 1 : 0) >= 2;
    }
}
