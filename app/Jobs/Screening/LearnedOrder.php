<?php

declare(strict_types=1);

namespace App\Jobs\Screening;

use WaryHeron\Core\Screening\Ranking\RankingQuality;
use WaryHeron\Core\Screening\Ranking\RelevanceModel;

/** What an order of reading goes by, and how well that did where it was tried. */
final readonly class LearnedOrder
{
    /**
     * @param  ?RelevanceModel  $model  null where the order learns nothing
     * @param  ?RankingQuality  $tried  null where too little was there to try it on
     * @param  int  $judged  publications it was learned from
     */
    public function __construct(
        public int $seed,
        public ?RelevanceModel $model = null,
        private ?RankingQuality $tried = null,
        public int $judged = 0,
        public int $included = 0,
    ) {
    }

    /** @return ?array<string, int|float|null> as it is kept */
    public function quality(): ?array
    {
        return $this->tried === null
            ? null
            : [
                'tried' => $this->tried->all,
                'wss95' => $this->tried->wss95(),
                'k95' => $this->tried->k95(),
                'recall10' => $this->tried->recallAt((int) ceil($this->tried->all / 10)),
                'precision' => $this->tried->averagePrecision(),
            ];
    }
}
