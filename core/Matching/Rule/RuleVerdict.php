<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Rule;

use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\Evidence;
use WaryHeron\Core\Matching\Field\AuthorAgreement;
use WaryHeron\Core\Matching\Field\IssueAgreement;
use WaryHeron\Core\Matching\Field\TitleAgreement;
use WaryHeron\Core\Matching\Field\VolumeAgreement;
use WaryHeron\Core\Matching\Field\YearAgreement;
use WaryHeron\Core\Matching\MatchVerdict;

/** What each rule says of evidence. */
final class RuleVerdict
{
    /** Null where the rule has nothing to say of it. */
    public static function of(MatchRule $rule, Evidence $e): ?MatchVerdict
    {
        return match ($rule) {
            MatchRule::DifferentPart => $e->has(Conflict::Part) ? MatchVerdict::Apart : null,
            MatchRule::DifferentKind => $e->has(Conflict::Kind) ? self::differentKind($e) : null,
            MatchRule::WordsDiffer => $e->has(Conflict::Words) ? self::wordsDiffer($e) : null,
            MatchRule::TwoDois => $e->has(Conflict::Doi) ? self::twoDois($e) : null,
            MatchRule::TwoPlaces => $e->has(Conflict::Pages) || $e->has(Conflict::Year) ? self::twoPlaces($e) : null,
            MatchRule::TwoVolumes => $e->has(Conflict::Volume) ? self::twoVolumes($e) : null,
            MatchRule::OneIsMarked => self::isMarkedAlone($e) ? MatchVerdict::Apart : null,
            MatchRule::RecurrentTitle => $e->recurrent && ! $e->isConfirmed() ? self::recurrentTitle($e) : null,
            MatchRule::DifferentTitle => self::isDifferentTitle($e) ? MatchVerdict::Apart : null,
            MatchRule::DifferentPeople => self::isDifferentPeople($e) ? MatchVerdict::Apart : null,
            MatchRule::Same => self::isSame($e) ? MatchVerdict::Certain : null,
            MatchRule::Unconfirmed => self::isUnconfirmed($e) ? MatchVerdict::Likely : null,
            MatchRule::Otherwise => MatchVerdict::Doubtful,
        };
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
