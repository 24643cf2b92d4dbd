<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

/** What a claim rests on, each piece with how it stands now, and what has to be looked at. */
final readonly class ClaimStanding
{
    /**
     * @param  bool  $own  the authors' own
     * @param  list<StandingPiece>  $evidence
     * @param  string  $by  who said so
     * @param  string  $problem  in words; empty where there is none
     */
    public function __construct(
        public string $id,
        public bool $own,
        public array $evidence,
        public string $by = '',
        public string $problem = '',
    ) {
    }

    /** @param  array{id: string, own: bool, evidence: list<array<string, string>>}  $kept  with a version of the report */
    public static function ofKept(array $kept): self
    {
        return new self($kept['id'], $kept['own'], array_map(
            fn (array $one): StandingPiece => new StandingPiece(HeldPiece::fromArray($one), $one['stands'] ?? ''),
            $kept['evidence'],
        ));
    }
}
