<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Agreement;

/** Agreement of any number of raters, per pair and overall. What is not defined is null. */
final readonly class AgreementReport
{
    /**
     * @param  int  $complete  items that all raters rated
     * @param  list<RaterPair>  $pairs
     */
    private function __construct(
        public int $records,
        public int $raters,
        public int $complete,
        public FleissKappa $fleiss,
        public GwetAc1 $gwet,
        public KrippendorffAlpha $krippendorff,
        public array $pairs,
    ) {
    }

    public static function of(Ratings $ratings): self
    {
        $raters = $ratings->raters;
        $pairs = [];
        foreach ($raters as $i => $first) {
            foreach (array_slice($raters, $i + 1) as $second) {
                $pairs[] = new RaterPair($first, $second, new TwoRaters($ratings->table($first, $second)));
            }
        }
        $complete = count($raters) < 2 ? [] : $ratings->counts(count($raters));
        $fleiss = FleissKappa::of($complete, count($raters));

        return new self(
            count($ratings->byItem),
            count($raters),
            count($complete),
            $fleiss,
            GwetAc1::of($fleiss->observed, $fleiss->observed === null ? [] : Ratings::shares($complete)),
            KrippendorffAlpha::of($ratings->counts(2)),
            $pairs,
        );
    }

    /** @return array<string, mixed> as the command prints it */
    public function toArray(): array
    {
        return [
            'records' => $this->records,
            'raters' => $this->raters,
            'two_raters' => $this->raters === 2 ? $this->pairs[0]->of->toArray() : null,
            'complete_records' => $this->complete,
            'fleiss' => $this->fleiss->toArray(),
            'gwet_ac1' => $this->gwet->toArray(),
            'krippendorff' => $this->krippendorff->toArray(),
            'pairs' => array_map(fn (RaterPair $one): array => $one->toArray(), $this->pairs),
        ];
    }
}
