<?php

declare(strict_types=1);

namespace App\Queries\Synthesis\Given;

/** The results of one study, and what a person needs to take more of them. */
final readonly class ResultSheet
{
    /**
     * @param  list<AskedOutcome>  $outcomes
     * @param  list<AskedComparison>  $comparisons
     * @param  list<AskedForm>  $forms
     * @param  list<AskedForm>  $designs
     * @param  list<ResultRow>  $rows
     * @param  list<OfferedRow>  $offers
     * @param  string  $url  where one is kept
     */
    public function __construct(
        public array $outcomes,
        public array $comparisons,
        public array $forms,
        public array $designs,
        public array $rows,
        public array $offers,
        public string $url,
    ) {
    }
}
