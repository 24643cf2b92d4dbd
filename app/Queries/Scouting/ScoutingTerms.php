<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use WaryHeron\Core\Scouting\Answer\Direction;
use WaryHeron\Core\Scouting\Reading\StudyKind;

/** Which papers of a question a person wants to see, and in which order. */
final readonly class ScoutingTerms
{
    /** At first, and at each step further. */
    public const STEP = 10;

    /**
     * @param  ?Direction  $direction  only those that point this way
     * @param  ?StudyKind  $kind  only those of this kind
     * @param  string  $by  likeliest, newest, or a further question whose answers give the order
     * @param  string  $says  only those whose answer to that question holds this
     */
    public function __construct(
        public int $shown = self::STEP,
        public ?Direction $direction = null,
        public ?StudyKind $kind = null,
        public string $by = '',
        public string $says = '',
    ) {
    }

    /**
     * As an address has them, with something else.
     *
     * @param  array<string, string|int|null>  $other
     * @return array<string, string|int>
     */
    public function with(array $other): array
    {
        return array_filter(
            [
                'shown' => $this->shown === self::STEP ? null : $this->shown,
                'direction' => $this->direction?->value,
                'kind' => $this->kind?->value,
                'by' => $this->by,
                'says' => $this->says,
                ...$other,
            ],
            fn (string|int|null $one): bool => $one !== null && $one !== '',
        );
    }
}
