<?php

declare(strict_types=1);

namespace App\Models;

use Carbon\CarbonImmutable as Carbon;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Evidence;
use WaryHeron\Core\Coding\GivenAnswer;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\LeadRuling;
use WaryHeron\Core\FullText\Selector\Selector;

/**
 * A proposed answer to an item of the codebook for one publication.
 *
 * @property string $id
 * @property string $review_id
 * @property string $publication_id
 * @property string $code_id
 * @property ?string $part_id of the study; null for it as a whole
 * @property AnswerKind $kind
 * @property string|int|float|list<string>|null $value null where the kind is not a value
 * @property string $quote
 * @property ?int $page of the copy it was read from; null for the abstract
 * @property ?string $full_text_id the copy it was read from; null for the abstract
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

    /** As the table has it, for a lead that has just been made. */
    protected $attributes = ['kind' => 'value'];

    /** A person answered; null where they turned it down. */
    public function ruled(User $by, ?Answer $answer): void
    {
        $ruling = match (true) {
            $answer === null => LeadRuling::Rejected,
            $answer->kind === $this->kind && $answer->value === $this->value => LeadRuling::Accepted,
            default => LeadRuling::Corrected,
        };
        $this->newQuery()->where('review_id', $this->review_id)->whereKey($this->id)->update([
            'ruling' => $ruling,
            'ruled_by' => $by->id,
            'ruled_at' => now(),
        ]);
    }

    public function shown(Code $code): string
    {
        return $this->kind === AnswerKind::Value ? $code->show($this->value) : $this->kind->label();
    }

    public function given(): GivenAnswer
    {
        return new GivenAnswer($this->value, $this->kind, $this->quote === '' ? [] : [$this->evidence()]);
    }

    /** What it rests on, with the place that is known of it. */
    public function evidence(): Evidence
    {
        $selector = new Selector($this->quote, '', '', $this->page ?? 0, -1, -1, []);

        return new Evidence($selector, $this->page === null ? null : $this->full_text_id);
    }

    public function place(): string
    {
        return $this->page === null ? 'abstract' : "page {$this->page}";
    }

    protected function casts(): array
    {
        return [
            'kind' => AnswerKind::class,
            'value' => 'json',
            'confidence' => Confidence::class,
            'ruling' => LeadRuling::class,
            'ruled_at' => 'immutable_datetime',
        ];
    }
}
