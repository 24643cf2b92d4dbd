<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching;

use WaryHeron\Core\Matching\Field\AuthorAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;

/**
 * What two records can be at most, whatever they weigh: what contradicts is no question of weight. The first rule that
 * has something to say decides, in this order; the last always has.
 */
enum MatchRule
{
    case DifferentPart;
    case DifferentKind;
    case WordsDiffer;
    case TwoDois;
    case TwoPlaces;
    case TwoVolumes;
    case OneIsMarked;
    case RecurrentTitle;
    case DifferentTitle;
    case DifferentPeople;
    case Same;
    case Unconfirmed;
    case Otherwise;

    /** The rule in a sentence. */
    public function sentence(): string
    {
        return match ($this) {
            self::DifferentPart => 'Different parts, reports or years of a series are never one publication.',
            self::DifferentKind => 'A notice, comment or reply is not what it is about; only where DOI or place are the same and the title is alike, a person is asked.',
            self::WordsDiffer => 'Where a word differs that is no spelling mistake, only the same DOI or place makes us ask.',
            self::TwoDois => 'Two DOIs are two publications, unless they stand at one place with a like title; one odd number among sameness is asked about.',
            self::TwoPlaces => 'Different pages or years are two publications, unless DOI and title say otherwise.',
            self::TwoVolumes => 'Different volumes are two publications, unless the DOI is the same or one digit alone differs.',
            self::OneIsMarked => 'Where only one is called a part, protocol, update, abstract or preprint, DOI or place have to say that they are one.',
            self::RecurrentTitle => 'A title that several publications bear says nothing by itself: DOI, place or all else of one issue has to.',
            self::DifferentTitle => 'With different titles they are two: abstracts of a meeting share a page, and parts of a book a DOI.',
            self::DifferentPeople => 'With none of the people in common they are two, unless DOI or place are the same.',
            self::Same => 'A like title with the same DOI or place, or the same title with nothing against it, is one publication.',
            self::Unconfirmed => 'Where either the title or the place speaks for it, but not both, a person is asked.',
            self::Otherwise => 'Where nothing speaks clearly, a person is asked.',
        };
    }

    /** What follows for such evidence; null where the rule has nothing to say of it. */
    public function verdict(Evidence $e): ?MatchVerdict
    {
        return match ($this) {
            self::DifferentPart => $e->has(Conflict::Part) ? MatchVerdict::Apart : null,
            self::DifferentKind => $e->has(Conflict::Kind) ? self::differentKind($e) : null,
            self::WordsDiffer => $e->has(Conflict::Words) ? self::wordsDiffer($e) : null,
            self::TwoDois => $e->has(Conflict::Doi) ? self::twoDois($e) : null,
            self::TwoPlaces => $e->has(Conflict::Pages) || $e->has(Conflict::Year) ? self::twoPlaces($e) : null,
            self::TwoVolumes => $e->has(Conflict::Volume) ? self::twoVolumes($e) : null,
            self::OneIsMarked => self::isMarkedAlone($e) ? MatchVerdict::Apart : null,
            self::RecurrentTitle => $e->recurrent && ! $e->isConfirmed() ? self::recurrentTitle($e) : null,
            self::DifferentTitle => self::isDifferentTitle($e) ? MatchVerdict::Apart : null,
            self::DifferentPeople => self::isDifferentPeople($e) ? MatchVerdict::Apart : null,
            self::Same => self::isSame($e) ? MatchVerdict::Certain : null,
            self::Unconfirmed => self::isUnconfirmed($e) ? MatchVerdict::Likely : null,
            self::Otherwise => MatchVerdict::Doubtful,
        };
    }

    /** The rule that decides. */
    public static function deciding(Evidence $evidence): self
    {
        foreach (self::cases() as $rule) {
            if ($rule->verdict($evidence) !== null) {
                return $rule;
            }
        }

        return self::Otherwise;
    }

    private static function differentKind(Evidence $e): MatchVerdict
    {
        $isOneAllTheSame =
            ($e->isSameDoi() || $e->isSamePlace()) &&
            ! $e->has(Conflict::Pages) &&
            ! $e->has(Conflict::Doi) &&
            $e->isLikeTitle();

        return $isOneAllTheSame ? MatchVerdict::Doubtful : MatchVerdict::Apart;
    }

    private static function wordsDiffer(Evidence $e): MatchVerdict
    {
        $isOneAllTheSame =
            ($e->isSameDoi() && ! $e->has(Conflict::Pages)) || ($e->isSamePlace() && ! $e->has(Conflict::Doi));

        return $isOneAllTheSame ? MatchVerdict::Doubtful : MatchVerdict::Apart;
    }

    private static function twoDois(Evidence $e): MatchVerdict
    {
        $isOneAllTheSame = $e->isSamePlace() && $e->isLikeTitle() && $e->year !== YearAgreement::YearsApart;

        return $isOneAllTheSame ? MatchVerdict::Likely : self::apartBut($e);
    }

    private static function twoPlaces(Evidence $e): MatchVerdict
    {
        return $e->isSameDoi() && $e->isLikeTitle() && ! $e->recurrent ? MatchVerdict::Likely : self::apartBut($e);
    }

    private static function twoVolumes(Evidence $e): ?MatchVerdict
    {
        $isOneDigit =
            $e->isSamePage() &&
            $e->isLikeTitle() &&
            $e->volume === VolumeAgreement::NearlySame &&
            $e->year->value <= YearAgreement::Same->value;

        return $e->isSameDoi() || $isOneDigit ? null : self::apartBut($e);
    }

    /** Apart; but one number alone against all the rest is looked at. */
    private static function apartBut(Evidence $e): MatchVerdict
    {
        return $e->hasOneSlip() ? MatchVerdict::Doubtful : MatchVerdict::Apart;
    }

    private static function isMarkedAlone(Evidence $e): bool
    {
        return ($e->has(Conflict::Mark) || $e->has(Conflict::Genre)) && ! $e->isConfirmed();
    }

    private static function recurrentTitle(Evidence $e): MatchVerdict
    {
        return $e->isSameInOneIssue() ? MatchVerdict::Certain : MatchVerdict::Apart;
    }

    private static function isDifferentTitle(Evidence $e): bool
    {
        return $e->title === TitleAgreement::Different &&
            ! ($e->isSameDoi() && $e->isSamePlace() && $e->authors === AuthorAgreement::Same);
    }

    private static function isDifferentPeople(Evidence $e): bool
    {
        return $e->authors === AuthorAgreement::NoneSame && ! $e->isSameDoi() && ! $e->isSamePlace();
    }

    private static function isSame(Evidence $e): bool
    {
        $isUndisputed = $e->title->isSameButForSpelling() && $e->issue !== IssueAgreement::Different;

        return $e->isKnown() && ($e->isConfirmed() || $isUndisputed);
    }

    private static function isUnconfirmed(Evidence $e): bool
    {
        return $e->isKnown() || ($e->isConfirmed() && $e->title !== TitleAgreement::Different);
    }
}
