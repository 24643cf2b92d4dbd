<?php

declare(strict_types=1);

namespace App\Http\Requests\Screening;

/** What each person takes: so many, null for as they come; and how many times what others do. */
final readonly class PersonQuotas
{
    /**
     * @param  array<string, ?int>  $quotas
     * @param  array<string, float>  $weights
     */
    public function __construct(
        public array $quotas,
        public array $weights,
    ) {
    }
}
