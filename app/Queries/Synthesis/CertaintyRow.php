<?php

declare(strict_types=1);

namespace App\Queries\Synthesis;

use App\Models\JudgedCertainty;
use App\Models\KeptAnalysis;
use WaryHeron\Core\Synthesis\Certainty\AbsoluteEffect;
use WaryHeron\Core\Synthesis\Certainty\CertaintyDomain;
use WaryHeron\Core\Synthesis\Choice\PooledEstimate;

/** An analysis in the table of certainty: its figures, and what people said of them. */
final readonly class CertaintyRow
{
    public PooledEstimate $all;

    public function __construct(
        public KeptAnalysis $kept,
        public PooledAnalysis $pooled,
        public ?JudgedCertainty $judged,
    ) {
        $this->all = $pooled->pooled();
    }

    /** As it is shown, with its interval. */
    public function effect(): string
    {
        [$measure, $all] = [$this->pooled->terms->measure, $this->all];

        return Shown::pooled($measure, $all, $this->pooled->size());
    }

    /** “58 fewer per 1,000 (78 fewer to 32 fewer)”; empty where no risk was given or the measure is of no event. */
    public function absolute(): string
    {
        $baseline = $this->judged->baseline ?? null;
        if ($baseline === null) {
            return '';
        }
        $told = [];
        foreach ([$this->all->estimate, $this->all->low, $this->all->high] as $one) {
            $shown = $this->pooled->terms->measure->shown($one, $this->pooled->size());
            $effect = $shown === null ? null : AbsoluteEffect::of($this->pooled->terms->measure, $shown, $baseline / 1000);
            if ($effect === null) {
                return '';
            }
            $told[] = AbsoluteEffect::told($effect->perThousand());
        }

        return "{$told[0]} per 1,000 ({$told[1]} to {$told[2]})";
    }

    private function holdsNothing(): string
    {
        $nothing = $this->pooled->nothing();
        $holds = $nothing !== null && $this->all->side($nothing) === 0 ? 'holds' : 'does not hold';

        return $nothing === null ? '' : "; the interval {$holds} “no difference”";
    }

    /** What the figures have to say to a domain; people judge. */
    public function fact(CertaintyDomain $domain): string
    {
        $spread = $this->pooled->heterogeneity()->toArray();

        return match ($domain) {
            CertaintyDomain::Inconsistency => $spread['I2'] === null ? '' : 'I² '.Shown::number($spread['I2'], 0).' %, p '.Shown::p($spread['p']),
            CertaintyDomain::Imprecision => number_format($this->pooled->people()).' people'.$this->holdsNothing(),
            CertaintyDomain::PublicationBias => $this->egger(),
            CertaintyDomain::LargeEffect => $this->effect(),
            default => '',
        };
    }

    private function egger(): string
    {
        $p = $this->pooled->egger()->p;

        return $p === null ? '' : 'Egger p '.Shown::p($p);
    }
}
