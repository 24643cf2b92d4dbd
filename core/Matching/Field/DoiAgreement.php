<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/** How two DOIs agree. */
enum DoiAgreement: int
{
    case Unknown = 0;
    case Same = 1;

    /** One is cut short, or a sign differs. */
    case NearlySame = 2;
    case Different = 3;

    /** What follows a DOI to name a supplement, a version or a figure of what it names: no part cut off. */
    private const ADDED = '/^[.\/-]?(?:s|suppl|v|t|fig)\d*/';

    public static function between(Fingerprint $a, Fingerprint $b): self
    {
        return match (true) {
            $a->doi === '', $b->doi === '' => self::Unknown,
            $a->doi === $b->doi => self::Same,
            $a->doiElsewhere, $b->doiElsewhere => self::Unknown,
            self::isNear($a->doi, $b->doi) => self::NearlySame,
            default => self::Different,
        };
    }

    private static function isNear(string $a, string $b): bool
    {
        [$short, $long] = strlen($a) <= strlen($b) ? [$a, $b] : [$b, $a];
        $isCut =
            strlen($short) >= 12 &&
            str_starts_with($long, $short) &&
            preg_match(self::ADDED, substr($long, strlen($short))) !== 1;

        return $isCut || (strlen($short) >= 14 && levenshtein($short, $long) <= 1);
    }
}
