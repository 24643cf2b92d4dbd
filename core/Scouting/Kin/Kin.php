<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Kin;

/** What families say of a phrase. */
final readonly class Kin
{
    /**
     * @param  list<list<string>>  $same  stems of each phrase that means as much
     * @param  list<list<string>>  $contrary  stems of each phrase of which more is less of it
     * @param  list<string>  $words  how both are written
     */
    public function __construct(public array $same, public array $contrary, public array $words)
    {
    }
}
