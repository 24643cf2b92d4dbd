<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** A proposed answer with what it rests on. */
final readonly class Lead
{
    /**
     * @param  string  $quote  words of the paper as they stand there
     * @param  float  $score  how much speaks for it; what is compared is of one item
     * @param  string  $reason  in words
     */
    public function __construct(
        public string $value,
        public string $unit,
        public string $quote,
        public int $page,
        public float $score,
        public string $reason,
    ) {
    }

    public static function from(Passage $passage, string $value, float $score, string $reason, string $unit = ''): self
    {
        return new self($value, $unit, $passage->text, $passage->page, $score, $reason);
    }

    public function confidence(): Confidence
    {
        return match (true) {
            $this->score >= 3.0 => Confidence::Firm,
            $this->score >= 2.0 => Confidence::Fair,
            default => Confidence::Check,
        };
    }

    public function quoting(string $quote): self
    {
        return new self($this->value, $this->unit, $quote, $this->page, $this->score, $this->reason);
    }

    public function weighed(float $more, string $why): self
    {
        $reason = trim("{$this->reason}; {$why}", '; ');

        return new self($this->value, $this->unit, $this->quote, $this->page, $this->score + $more, $reason);
    }
}
