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
    /**
     * @param  string|int|float|list<string|int|float>|null  $value
     * @param  array<string, string>  $parts  names of the parts of its study that it is answered of, where it is
     */
    private function __construct(
        public AnswerKind $kind,
        public string|int|float|array|null $value,
        public bool $isShown,
        private stdClass $row,
        private array $parts = [],
    ) {
    }

    /** @param  array<string, string>  $names  of parts of studies, in their order */
    public static function of(stdClass $row, array $names = []): self
    {
        return new self(
            AnswerKind::from($row->kind),
            $row->value === null ? null : json_decode($row->value, true, 4, JSON_THROW_ON_ERROR),
            $row->is_shown,
            $row,
            ($row->parts ?? null) === null ? [] : $names,
        );
    }

    public function words(Code $code): string
    {
        if ($this->parts !== []) {
            $shown = fn (AnswerKind $kind, mixed $value): string => $kind === AnswerKind::Value ? $code->show($value) : $kind->label();

            return $this->partByPart($shown);
        }

        return $this->kind === AnswerKind::Value ? $code->show($this->value) : $this->kind->label();
    }

    /** @param  \Closure(AnswerKind, string|int|float|list<string|int|float>|null): string  $shown */
    private function partByPart(\Closure $shown): string
    {
        $of = json_decode($this->row->parts, true, 16, JSON_THROW_ON_ERROR);
        $words = [];
        foreach (array_intersect_key($this->parts, $of) as $part => $name) {
            $words[] = "{$name}: ".$shown(AnswerKind::from($of[$part]['kind']), $of[$part]['value']);
        }

        return implode("\n", $words);
    }

    /** As a cell of a file: a number as a number, the unit in the head of its column. */
    public function plain(): string|int|float
    {
        $plain = fn (AnswerKind $kind, mixed $value): string => $kind === AnswerKind::Value
            ? implode('; ', array_map(strval(...), (array) $value))
            : $kind->label();

        return match (true) {
            $this->parts !== [] => $this->partByPart($plain),
            $this->kind !== AnswerKind::Value => $this->kind->label(),
            is_array($this->value) => implode('; ', array_map(strval(...), $this->value)),
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
