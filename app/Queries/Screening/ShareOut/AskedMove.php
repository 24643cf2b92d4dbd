<?php

declare(strict_types=1);

namespace App\Queries\Screening\ShareOut;

use App\Models\ShareOut;
use App\Models\User;

/** What handing on somebody's share, or taking back a share-out, would do. */
final readonly class AskedMove
{
    /**
     * @param  ?User  $hand  whose share would be handed on
     * @param  list<string>  $to  people who would take it
     * @param  ?ShareOut  $back  what would be taken back
     * @param  array<string, int>  $people  judgements by person
     */
    private function __construct(
        public ?User $hand,
        public array $to,
        public ?ShareOut $back,
        public array $people,
        public string $problem = '',
    ) {
    }

    /** @param  array<string, int>  $people  who would lose how many */
    public static function back(ShareOut $back, array $people): self
    {
        return new self(null, [], $back, $people);
    }

    /**
     * @param  list<string>  $to
     * @param  array<string, int>  $people  who would get how many
     */
    public static function on(User $from, array $to, array $people): self
    {
        return new self($from, $to, null, $people);
    }

    /** @param  list<string>  $to */
    public static function refused(User $from, array $to, string $problem): self
    {
        return new self($from, $to, null, [], $problem);
    }
}
