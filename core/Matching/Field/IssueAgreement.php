<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

use WaryHeron\Core\Matching\Fingerprint;

/** How two issues agree. */
enum IssueAgreement: int
{
    case Unknown = 0;
    case Same = 1;
    case Different = 2;

    public static function between(Fingerprint $a, Fingerprint $b): self
    {
        return match (true) {
            $a->issue === '', $b->issue === '' => self::Unknown,
            $a->issue === $b->issue => self::Same,
            default => self::Different,
        };
    }
}
