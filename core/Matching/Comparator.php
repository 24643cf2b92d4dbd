<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\AbstractAgreement;
use WaryHeron\Core\Matching\Field\AuthorComparator;
use WaryHeron\Core\Matching\Field\DoiAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\JournalComparator;
use WaryHeron\Core\Matching\Field\PagesAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\TitleComparator;
use WaryHeron\Core\Matching\Field\TitleText;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;

/** Compares two fingerprints field by field, in grades. */
final readonly class Comparator
{
    public function __construct(
        private TitleComparator $titles = new TitleComparator(),
        private AuthorComparator $authors = new AuthorComparator(),
        private JournalComparator $journals = new JournalComparator(),
    ) {
    }

    public function compare(Fingerprint $a, Fingerprint $b): Comparison
    {
        $sameDoi = $a->doi !== '' && $a->doi === $b->doi;
        $year = YearAgreement::between($a->year, $b->year);
        if (! $sameDoi && $year === YearAgreement::YearsApart && $a->title->text !== $b->title->text) {
            // years apart they are never joined; an equal title is still worth knowing
            return Comparison::of([TitleAgreement::Different], []);
        }
        $title = $this->titles->compare($a, $b);
        $samePage = $a->pages->first !== null && $a->pages->first === $b->pages->first;
        if ($title->value >= TitleAgreement::WordsDiffer->value && ! $sameDoi && ! $samePage) {
            // nothing else could make them one
            return Comparison::of([$title], $title === TitleAgreement::WordsDiffer ? [Conflict::Words] : []);
        }

        return $this->inFull($a, $b, $title, $year);
    }

    private function inFull(Fingerprint $a, Fingerprint $b, TitleAgreement $title, YearAgreement $year): Comparison
    {
        $volume = VolumeAgreement::between($a, $b);
        $issue = $volume === VolumeAgreement::Exchanged ? IssueAgreement::Unknown : IssueAgreement::between($a, $b);
        $pages = PagesAgreement::between($a->pages, $b->pages);
        $doi = DoiAgreement::between($a, $b);
        $conflicts = [
            $doi === DoiAgreement::Different ? Conflict::Doi : null,
            $pages === PagesAgreement::Different ? Conflict::Pages : null,
            $volume->value >= VolumeAgreement::NearlySame->value ? Conflict::Volume : null,
            $year === YearAgreement::YearsApart ? Conflict::Year : null,
            $title === TitleAgreement::WordsDiffer ? Conflict::Words : null,
            self::kinds($a, $b),
            self::marks($a->title, $b->title),
        ];

        return Comparison::of(
            [
                $title,
                $this->authors->compare($a, $b),
                $year,
                $this->journals->compare($a, $b),
                $volume,
                $issue,
                $pages,
                $doi,
                AbstractAgreement::between($a->sentences, $b->sentences),
            ],
            $conflicts,
        );
    }

    private static function kinds(Fingerprint $a, Fingerprint $b): ?Conflict
    {
        return match (true) {
            self::kind($a) !== self::kind($b) => Conflict::Kind,
            $a->genre !== $b->genre && $a->genre !== '' && $b->genre !== '' => Conflict::Genre,
            default => null,
        };
    }

    /** A correction and a retraction are told apart by few sources. */
    private static function kind(Fingerprint $print): string
    {
        return match ($print->title->kind) {
            'correction', 'retraction' => 'notice',
            '' => $print->genre === 'notice' ? 'notice' : '',
            default => $print->title->kind,
        };
    }

    private static function marks(TitleText $a, TitleText $b): ?Conflict
    {
        if ($a->marks === $b->marks && $a->years === $b->years) {
            return null;
        }
        $contradict = fn (string $one, string $other): bool => $one !== '' && $other !== '' && $one !== $other;

        return $contradict($a->marks, $b->marks) || $contradict($a->years, $b->years) ? Conflict::Part : Conflict::Mark;
    }
}
