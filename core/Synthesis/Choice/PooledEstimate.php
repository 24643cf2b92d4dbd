<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Choice;

use WaryHeron\Core\Synthesis\Distribution\PointEstimate;
use WaryHeron\Core\Synthesis\Effect\Measure;
use WaryHeron\Core\Synthesis\Effect\TwoByTwo;
use WaryHeron\Core\Synthesis\Pool\Estimate;
use WaryHeron\Core\Synthesis\Pool\MantelHaenszel;
use WaryHeron\Core\Synthesis\Pool\Model;
use WaryHeron\Core\Synthesis\Pool\RandomEffects;
use WaryHeron\Core\Synthesis\Pool\Study;
use WaryHeron\Core\Synthesis\Pool\Weighted;

/** Studies pooled by the one model and interval that an analysis asks for. */
final readonly class PooledEstimate
{
    /**
     * @param  ?float  $estimate  on the scale of the analysis; null where nothing could be pooled
     * @param  array<array-key, float>  $weights  in percent, by study
     * @param  ?array{float, float}  $prediction
     */
    private function __construct(
        public int $k,
        public ?float $estimate,
        public ?float $low,
        public ?float $high,
        public ?float $p,
        public array $weights = [],
        public ?float $tau2 = null,
        public ?array $prediction = null,
    ) {
    }

    /**
     * @param  list<Study>  $studies
     * @param  array<string, TwoByTwo>  $tables  of those that are of events, by study
     */
    public static function of(Measure $measure, array $studies, array $tables, PooledBy $by, IntervalBy $interval): self
    {
        if ($studies === []) {
            return new self(0, null, null, null, null);
        }

        return match ($by) {
            // the common effect of Peto's odds ratios, whose variances are 1 / V, is their sum
            PooledBy::Common, PooledBy::Peto => self::common($studies),
            PooledBy::MantelHaenszel => self::mantelHaenszel($measure, $studies, $tables),
            PooledBy::Restricted => self::random($studies, Model::RestrictedMaximumLikelihood, $interval),
            PooledBy::PauleMandel => self::random($studies, Model::PauleMandel, $interval),
            PooledBy::DerSimonianLaird => self::random($studies, Model::DerSimonianLaird, $interval),
        };
    }

    /** Null where nothing could be pooled. */
    public function interval(): ?PointEstimate
    {
        return $this->estimate === null || $this->low === null || $this->high === null
            ? null
            : new PointEstimate($this->estimate, $this->low, $this->high);
    }

    /** Whether the interval leaves out that nothing differs: −1 where it lies below, 1 above, 0 where it holds it. */
    public function side(float $nothing): int
    {
        return match (true) {
            $this->high !== null && $this->high < $nothing => -1,
            $this->low !== null && $this->low > $nothing => 1,
            default => 0,
        };
    }

    /** @param  non-empty-list<Study>  $studies */
    private static function common(array $studies): self
    {
        $weighted = Weighted::of($studies);

        return self::plain(count($studies), $weighted->estimate(), self::byStudy($weighted->percent()));
    }

    /**
     * @param  list<Study>  $studies
     * @param  array<string, TwoByTwo>  $tables
     */
    private static function mantelHaenszel(Measure $measure, array $studies, array $tables): self
    {
        // a study that gives no table cannot be pooled from tables
        $of = array_intersect_key($tables, array_flip(array_map(fn (Study $one): string => $one->name, $studies)));
        $pooled = MantelHaenszel::of($measure, $of);

        return self::plain(count($of), $pooled->estimate, self::byStudy($pooled->percent()));
    }

    /** @param  array<array-key, float>  $weights */
    private static function plain(int $k, Estimate $estimate, array $weights): self
    {
        $interval = $estimate->interval();

        return new self($k, $estimate->value, $interval->low, $interval->high, $estimate->p(), $weights);
    }

    /** @param  non-empty-list<Study>  $studies */
    private static function random(array $studies, Model $model, IntervalBy $interval): self
    {
        $pooled = new RandomEffects($studies, $model->tau2($studies));
        $estimate = $pooled->estimate();
        [$limits, $p] = [$estimate->interval(), $estimate->p()];
        if ($interval !== IntervalBy::Normal && count($studies) > 1) {
            $byT = $pooled->byT($interval === IntervalBy::HartungKnappTruncated);
            [$limits, $p] = [$byT, $byT->p];
        }
        $prediction = $pooled->prediction();
        $isPredicted = $prediction->low !== null && $prediction->high !== null;

        return new self(
            count($studies),
            $estimate->value,
            $limits->low,
            $limits->high,
            $p,
            self::byStudy($pooled->weights()),
            $pooled->tau2,
            $isPredicted ? [$prediction->low, $prediction->high] : null,
        );
    }

    /** @return array<array-key, float> */
    private static function byStudy(object $percent): array
    {
        $weights = [];
        foreach (get_object_vars($percent) as $study => $weight) {
            $weights[$study] = is_float($weight) ? $weight : 0.0;
        }

        return $weights;
    }
}
