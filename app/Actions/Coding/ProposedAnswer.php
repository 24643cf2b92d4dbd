<?php

declare(strict_types=1);

namespace App\Actions\Coding;

use App\Models\CodebookItem;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Lead\Confidence;
use WaryHeron\Core\Coding\Lead\Lead;
use WaryHeron\Core\Coding\Lead\Passages;

/** What a paper seems to say of an item, and where. */
final readonly class ProposedAnswer
{
    /**
     * @param  string|int|float|list<string>|null  $value  null where it is not reported
     * @param  ?string  $copy  the full text that was read; null for an abstract
     */
    private function __construct(
        private AnswerKind $kind,
        public string|int|float|array|null $value,
        private string $quote,
        private ?int $page,
        private ?string $copy,
        private Confidence $confidence,
        private string $reason,
    ) {
    }

    /** @param  string|int|float|list<string>  $value  as the codebook takes it */
    public static function read(Lead $lead, string|int|float|array $value, ?string $copy): self
    {
        $page = $copy === null ? null : $lead->page;

        return new self(AnswerKind::Value, $value, $lead->quote, $page, $copy, $lead->confidence(), $lead->reason);
    }

    /** That the paper seems not to report it, with what was looked for. */
    public static function none(CodebookItem $code, Passages $passages, string $copy): self
    {
        $words = implode(', ', array_slice([$code->label, ...$code->synonyms], 0, 6));
        $reason = "Looked for {$words} in ".count($passages->all).' sentences and rows; none gives an answer.';

        return new self(AnswerKind::NotReported, null, '', null, $copy, Confidence::Check, $reason);
    }

    /** The same, with where it was read said before why. */
    public function foundIn(string $where): self
    {
        return new self(
            $this->kind,
            $this->value,
            $this->quote,
            $this->page,
            $this->copy,
            $this->confidence,
            $where.$this->reason,
        );
    }

    /** @return array<string, AnswerKind|Confidence|string|int|float|list<string>|null> of CodingLead */
    public function columns(): array
    {
        return [
            'kind' => $this->kind,
            'value' => $this->value,
            'quote' => $this->quote,
            'page' => $this->page,
            'full_text_id' => $this->copy,
            'confidence' => $this->confidence,
            'reason' => $this->reason,
        ];
    }
}
