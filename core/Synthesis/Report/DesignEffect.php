<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Report;

/** By how much less is known where whole wards were allocated: 1 + (m − 1) ICC (Donner & Klar 2000). */
final class DesignEffect
{
    public const SOURCE = 'Donner & Klar 2000';

    /** Null of another design, and where what it needs is missing or cannot be. */
    public static function of(StudyDesign $design, Numbers $numbers): ?float
    {
        [$icc, $cluster] = $numbers->all('icc', 'cluster');
        $isKnown = $icc !== null && $cluster !== null && $cluster >= 1 && $icc >= 0 && $icc <= 1;

        return $design === StudyDesign::Cluster && $isKnown ? 1 + ($cluster - 1) * $icc : null;
    }
}
