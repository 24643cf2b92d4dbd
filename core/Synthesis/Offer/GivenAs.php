<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Offer;

/** What the numbers in a cell of one line are, as its words or those of its table say. */
final readonly class GivenAs
{
    private const SD = '\b(?:SDs?|s\.d\.|standard deviations?)\b';

    private const SE = '\b(?:SEs?|SEM|standard errors?)\b';

    private function __construct(
        private bool $isSd,
        private bool $isSe,
        private bool $isMean,
        private bool $isMedian,
        private bool $isRange,
        private bool $isInterval,
        private bool $isSpreadAlone,
    ) {
    }

    public static function of(TableLine $line): self
    {
        $isMean = $line->gives('\bmeans?\b');
        $isSd = $line->gives(self::SD);
        $isSe = $line->gives(self::SE);

        return new self(
            $isSd,
            $isSe && ! $line->gives('±\s*(?:SD|standard deviation)'),
            $isMean,
            $line->gives('\bmedian|IQR|quartile'),
            $line->gives('\brange\b|\bmin\w*\b.{1,6}\bmax') && ! $line->gives('IQR|quartile'),
            $line->gives('\bCI\b|confidence') || ($isMean && ! $isSd && ! $isSe),
            $line->says(self::SD.'|'.self::SE) && ! $line->says('\bmean\b'),
        );
    }

    /** @return list<string> what one number with two others behind it gives; nothing where that is not told */
    public function three(string $cell): array
    {
        $isInterval = $this->isInterval || preg_match('/% ?CI\b/iu', $cell) === 1;

        return match (true) {
            // the least and the greatest around a mean say nothing of its spread
            $this->isRange => $this->isMedian ? ['median', 'min', 'max'] : [],
            $this->isMedian => ['median', 'q1', 'q3'],
            $isInterval => ['m', 'low', 'high'],
            default => [],
        };
    }

    /** @return list<string> what a number with its spread gives */
    public function two(): array
    {
        return match (true) {
            // how wide the quartiles are apart is no SD, and where they lie it does not say
            $this->isMedian && ! $this->isMean && ! $this->isSd && ! $this->isSe => [],
            $this->isSe && $this->isSd => [],
            default => ['m', $this->isSe ? 'se' : 'sd'],
        };
    }

    /** @return list<string> what a number by itself gives: the spread of the line before, where its own words say so */
    public function one(): array
    {
        return match (true) {
            $this->isSpreadAlone => [$this->isSe ? 'se' : 'sd'],
            default => [$this->isMedian && ! $this->isMean ? 'median' : 'm'],
        };
    }
}
