<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Plot;

use WaryHeron\Core\Synthesis\Distribution\PointEstimate;

/** One line of a forest plot: a study, a pooled estimate, the head of a subgroup, or words. */
final readonly class ForestLine
{
    public const STUDY = 'study';

    public const POOLED = 'pooled';

    public const HEAD = 'head';

    public const WORDS = 'words';

    /**
     * @param  list<string>  $columns  data beside the label
     * @param  ?array{float, float}  $prediction  where a new study may fall
     * @param  float  $weight  in percent
     * @param  string  $key  that a page knows it by; empty for none
     * @param  ?float  $judged  0 best to 1 worst; null where it is not judged
     */
    private function __construct(
        public string $kind,
        public string $label,
        public array $columns = [],
        public ?PointEstimate $interval = null,
        public string $shown = '',
        public float $weight = 0.0,
        public ?array $prediction = null,
        public string $key = '',
        public ?float $judged = null,
    ) {
    }

    /** The same with how it was judged, 0 best to 1 worst. */
    public function judged(?float $level): self
    {
        return new self(
            $this->kind,
            $this->label,
            $this->columns,
            $this->interval,
            $this->shown,
            $this->weight,
            $this->prediction,
            $this->key,
            $level,
        );
    }

    /** @param  list<string>  $columns */
    public static function study(string $label, array $columns, ?PointEstimate $interval, string $shown, float $weight, string $key = ''): self
    {
        return new self(self::STUDY, $label, $columns, $interval, $shown, $weight, key: $key);
    }

    /** @param  ?array{float, float}  $prediction */
    public static function pooled(string $label, ?PointEstimate $interval, string $shown, ?array $prediction = null): self
    {
        return new self(self::POOLED, $label, interval: $interval, shown: $shown, prediction: $prediction);
    }

    public static function head(string $label): self
    {
        return new self(self::HEAD, $label);
    }

    public static function words(string $label): self
    {
        return new self(self::WORDS, $label);
    }
}
