<?php

declare(strict_types=1);

namespace WaryHeron\Core\Matching\Field;

/** How two abstracts agree, by the sentences they share. */
enum AbstractAgreement: int
{
    /** Fewer than two sentences. */
    case Unknown = 0;
    case Same = 1;
    case PartlySame = 2;
    case Different = 3;

    /**
     * @param  list<int>  $a  hashes of its sentences
     * @param  list<int>  $b
     */
    public static function between(array $a, array $b): self
    {
        $few = min(count($a), count($b));
        if ($few < 2) {
            return self::Unknown;
        }
        $share = count(array_intersect($a, $b)) / $few;

        return $share >= 0.6 ? self::Same : ($share >= 0.25 ? self::PartlySame : self::Different);
    }
}
