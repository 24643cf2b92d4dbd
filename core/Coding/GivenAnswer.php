<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding;

/** What a coder gives to an item, before the codebook has read its value. */
final readonly class GivenAnswer
{
    /**
     * @param  mixed  $value  for Code::read(); plays no part where the kind is not a value
     * @param  list<Evidence>  $evidence
     * @param  bool  $fromWhole  judged from the whole, so that no words are its evidence
     */
    public function __construct(
        public mixed $value,
        public AnswerKind $kind = AnswerKind::Value,
        public array $evidence = [],
        public string $note = '',
        public bool $fromWhole = false,
    ) {
    }

    /** @param  list<Evidence>  $evidence */
    public function resting(array $evidence): self
    {
        return new self($this->value, $this->kind, $evidence, $this->note, $this->fromWhole);
    }

    /**
     * As it is kept.
     *
     * @return array{value: string|int|float|list<string>|null, kind: AnswerKind, evidence: list<array<string, mixed>>, note: string, from_whole: bool}
     *
     * @throws InvalidAnswer
     */
    public function read(Code $code): array
    {
        return [
            'value' => $this->kind === AnswerKind::Value ? $code->read($this->value) : null,
            'kind' => $this->kind,
            'evidence' => array_map(fn (Evidence $one): array => $one->toArray(), $this->evidence),
            'note' => $this->note,
            'from_whole' => $this->fromWhole,
        ];
    }
}
