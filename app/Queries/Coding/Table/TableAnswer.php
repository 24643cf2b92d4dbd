<?php

declare(strict_types=1);

namespace App\Queries\Coding\Table;

use stdClass;
use WaryHeron\Core\Coding\AnswerKind;
use WaryHeron\Core\Coding\Code;
use WaryHeron\Core\Coding\Evidence;

/** An answer that counts, as a table of thousands needs it: read as it is, without a model each. */
final readonly class TableAnswer
{
    /** @param  string|int|float|list<string>|null  $value */
    private function __construct(
        public AnswerKind $kind,
        public string|int|float|array|null $value,
        public bool $isShown,
        private stdClass $row,
    ) {
    }

    public static function of(stdClass $row): self
    {
        return new self(
            AnswerKind::from($row->kind),
            $row->value === null ? null : json_decode($row->value, true, 4, JSON_THROW_ON_ERROR),
            $row->is_shown,
            $row,
        );
    }

    public function words(Code $code): string
    {
        return $this->kind === AnswerKind::Value ? $code->show($this->value) : $this->kind->label();
    }

    /** As a cell of a file: a number as a number, the unit in the head of its column. */
    public function plain(): string|int|float
    {
        return match (true) {
            $this->kind !== AnswerKind::Value => $this->kind->label(),
            is_array($this->value) => implode('; ', $this->value),
            default => $this->value ?? '',
        };
    }

    /** @return list<Evidence> where they were asked for */
    public function pieces(): array
    {
        $kept = json_decode($this->row->evidence ?? '[]', true, 16, JSON_THROW_ON_ERROR);

        return array_map(Evidence::fromArray(...), array_values($kept));
    }

    public function note(): string
    {
        return $this->row->note ?? '';
    }

    public function coder(): string
    {
        return $this->row->coder ?? '';
    }
}
