<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadRuling;

/**
 * A proposed answer to an item of the codebook for one publication.
 *
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property string $code_id
 * @property string|int|float|list<string> $value
 * @property string $quote
 * @property ?int $page of the copy it was read from; null for the abstract
 * @property Confidence $confidence
 * @property string $reason
 * @property LeadRuling $ruling
 * @property ?string $ruled_by
 * @property ?Carbon $ruled_at
 * @property Carbon $created_at
 */
final class CodingLead extends Model
{
    protected $table = 'leads';

    public const UPDATED_AT = null;

    /**
     * A person answered.
     *
     * @param  string|int|float|list<string>|null  $value
     */
    public function ruled(User $by, string|int|float|array|null $value): void
    {
        $ruling = match ($value) {
            null => LeadRuling::Rejected,
            $this->value => LeadRuling::Accepted,
            default => LeadRuling::Corrected,
        };
        $this->newQuery()->where('review_id', $this->review_id)->whereKey($this->id)->update([
            'ruling' => $ruling,
            'ruled_by' => $by->id,
            'ruled_at' => now(),
        ]);
    }

    public function place(): string
    {
        return $this->page === null ? 'abstract' : "page {$this->page}";
    }

    protected function casts(): array
    {
        return [
            'value' => 'json',
            'confidence' => Confidence::class,
            'ruling' => LeadRuling::class,
            'ruled_at' => 'immutable_datetime',
        ];
    }
}
