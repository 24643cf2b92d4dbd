<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\AuthorAgreement;
use WaryHeron\Core\Matching\Field\DoiAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\JournalAgreement;
use WaryHeron\Core\Matching\Field\PagesAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;

/** What a comparison says of two records, in the words in which the rules speak. */
final readonly class Evidence
{
    public TitleAgreement $title;

    public AuthorAgreement $authors;

    public YearAgreement $year;

    public JournalAgreement $journal;

    public VolumeAgreement $volume;

    public IssueAgreement $issue;

    public PagesAgreement $pages;

    public DoiAgreement $doi;

    /** @param  bool  $recurrent  the title is borne by several publications, so that it must be the place that tells */
    public function __construct(private Comparison $comparison, public bool $recurrent = false)
    {
        $this->title = $comparison->title();
        $this->authors = $comparison->authors();
        $this->year = $comparison->year();
        $this->journal = $comparison->journal();
        $this->volume = $comparison->volume();
        $this->issue = $comparison->issue();
        $this->pages = $comparison->pages();
        $this->doi = $comparison->doi();
    }

    public function has(Conflict $conflict): bool
    {
        return $this->comparison->has($conflict);
    }

    /** The one thing that speaks against them, if it is one. */
    public function onlyConflict(): ?Conflict
    {
        $conflicts = Conflict::in($this->comparison->conflicts());

        return count($conflicts) === 1 ? $conflicts[0] : null;
    }

    public function isSameDoi(): bool
    {
        return $this->doi === DoiAgreement::Same;
    }

    public function isSamePage(): bool
    {
        return $this->pages === PagesAgreement::Same;
    }

    public function isSameVolume(): bool
    {
        return $this->volume === VolumeAgreement::Same || $this->volume === VolumeAgreement::Exchanged;
    }

    /** The page of one volume, in what is not another journal. */
    public function isSamePlace(): bool
    {
        return $this->isSamePage() && $this->isSameVolume() && $this->journal !== JournalAgreement::Different;
    }

    /** The titles may be of one work; where several works bear them, people or place have to speak for it too. */
    public function isLikeTitle(): bool
    {
        if (! $this->title->isLike()) {
            return false;
        }
        $isSameFirst = $this->authors->value <= AuthorAgreement::FirstSame->value;

        return ! $this->recurrent ||
            $isSameFirst ||
            ($this->isSameDoi() && ($this->isSamePage() || $this->isSameVolume()));
    }

    /** Something besides people and title says that they are one. */
    public function isConfirmed(): bool
    {
        $isSameJournal = $this->journal === JournalAgreement::Same || $this->journal === JournalAgreement::OneHoldsOther;

        return $this->isSameDoi() ||
            $this->isSamePlace() ||
            ($this->isSamePage() && $isSameJournal && $this->isLikeTitle());
    }

    /** The titles say that they are one or, where there is none, both DOI and place do. */
    public function isKnown(): bool
    {
        return $this->isLikeTitle() ||
            ($this->title === TitleAgreement::Unknown && $this->isSamePlace() && $this->isSameDoi());
    }

    /** Both came from one issue, with the same people, and nothing of the titles differs but spelling. */
    public function isSameInOneIssue(): bool
    {
        return $this->isSameVolume() &&
            $this->issue === IssueAgreement::Same &&
            $this->journal === JournalAgreement::Same &&
            $this->authors === AuthorAgreement::Same &&
            $this->year === YearAgreement::Same &&
            $this->title->value <= TitleAgreement::Respelt->value;
    }

    /**
     * Whether one number alone stands against all the rest: a second DOI, a page or a volume mistyped. People have to
     * see it; it is as often two papers of one series.
     */
    public function hasOneSlip(): bool
    {
        if ($this->recurrent || ! $this->isSameBesidesNumbers()) {
            return false;
        }
        $isNearPage = $this->isSamePage() || $this->pages === PagesAgreement::NearlySame;
        $isSameVolume = $this->volume === VolumeAgreement::Same;
        $isSameIssue = $this->issue === IssueAgreement::Same;
        $isSameYear = $this->year === YearAgreement::Same;

        return match ($this->onlyConflict()) {
            Conflict::Doi => $isSameYear && ($isNearPage || ($isSameVolume && $isSameIssue)),
            Conflict::Pages => $isSameYear && $isSameVolume,
            Conflict::Volume => $this->year !== YearAgreement::YearsApart &&
                ($isNearPage || ($this->volume === VolumeAgreement::NearlySame && $isSameIssue)),
            default => false,
        };
    }

    private function isSameBesidesNumbers(): bool
    {
        return $this->title === TitleAgreement::Same &&
            $this->authors === AuthorAgreement::Same &&
            $this->journal !== JournalAgreement::Different &&
            $this->issue !== IssueAgreement::Different;
    }
}
