<?php

declare(strict_types=1);

namespace App\Queries\Report\Claims;

use App\Models\ReportClaim;

/** A piece of evidence that a claim may rest on: its words, its place and its study, as it was when it was told. */
final readonly class HeldPiece
{
    /**
     * @param  string  $publication  the paper's id where it is in no library
     * @param  string  $study  how it is called
     * @param  string  $quote  words of the paper; empty where there are none
     */
    public function __construct(
        public string $kind,
        public string $id,
        public string $publication,
        public string $study,
        public string $says,
        public string $quote,
        public string $where,
        public string $url,
    ) {
    }

    /** @param  array<string, string>  $kept  as it is kept in JSON */
    public static function fromArray(array $kept): self
    {
        $text = fn (string $key): string => $kept[$key] ?? '';

        return new self(
            $text('kind'),
            $text('id'),
            $text('publication'),
            $text('study'),
            $text('says'),
            $text('quote'),
            $text('where'),
            $text('url'),
        );
    }

    /** @return list<self> what a claim was said to rest on */
    public static function of(ReportClaim $claim): array
    {
        return array_map(self::fromArray(...), $claim->evidence);
    }

    public function ref(): PieceRef
    {
        return new PieceRef($this->kind, $this->id);
    }

    public function key(): string
    {
        return $this->ref()->key();
    }

    public function words(): string
    {
        return "{$this->says} {$this->quote} {$this->study}";
    }

    /** Whether all of these stand in it, whatever their case. */
    public function hasAll(string ...$stems): bool
    {
        $words = mb_strtolower($this->words());

        return array_filter($stems, fn (string $stem): bool => ! str_contains($words, $stem)) === [];
    }
}
