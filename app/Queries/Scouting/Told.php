<?php

declare(strict_types=1);

namespace App\Queries\Scouting;

use WaryHeron\Core\Scouting\Reading\StudyKind;

/** What studies of a kind say. */
final readonly class Told
{
    /**
     * @param  int  $of  how many there are
     * @param  array<string, int>  $says  how many say what, what most say first
     */
    public function __construct(public StudyKind $kind, public int $of, public array $says)
    {
    }

    /** Whether more than half say the same: what no more say is not said to be what they find. */
    public function leads(): bool
    {
        return 2 * max([0, ...$this->says]) > $this->of;
    }
}
