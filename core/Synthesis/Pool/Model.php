<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Pool;

/** How the variance between studies is estimated. */
enum Model: string
{
    case DerSimonianLaird = 'DL';
    case PauleMandel = 'PM';
    case RestrictedMaximumLikelihood = 'REML';

    /**
     * @param  non-empty-list<Study>  $studies
     * @return ?float null where there is one study only
     */
    public function tau2(array $studies): ?float
    {
        return count($studies) < 2
            ? null
            : match ($this) {
                self::DerSimonianLaird => TauSquared::derSimonianLaird($studies),
                self::PauleMandel => TauSquared::pauleMandel($studies),
                self::RestrictedMaximumLikelihood => TauSquared::restrictedMaximumLikelihood($studies),
            };
    }
}
