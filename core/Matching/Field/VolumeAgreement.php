<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/** How two volumes agree. */
enum VolumeAgreement: int
{
    case Unknown = 0;
    case Same = 1;

    /** Volume and issue changed places. */
    case Exchanged = 2;

    /** One digit differs. */
    case NearlySame = 3;
    case Different = 4;

    public static function between(Fingerprint $a, Fingerprint $b): self
    {
        return match (true) {
            $a->volume === '', $b->volume === '' => self::Unknown,
            $a->volume === $b->volume => self::Same,
            self::areExchanged($a, $b) => self::Exchanged,
            self::isNear($a->volume, $b->volume) => self::NearlySame,
            default => self::Different,
        };
    }

    private static function areExchanged(Fingerprint $a, Fingerprint $b): bool
    {
        return ($a->volume === $b->issue && ($b->volume === $a->issue || $a->issue === '')) ||
            ($b->volume === $a->issue && $b->issue === '');
    }

    private static function isNear(string $a, string $b): bool
    {
        return strlen($a) === strlen($b) && strlen($a) > 1 && (levenshtein($a, $b) === 1 || strrev($a) === $b);
    }
}
