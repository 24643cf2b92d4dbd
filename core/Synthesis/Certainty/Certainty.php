<?php

declare(strict_types=1);

namespace WaryHeron\Core\Synthesis\Certainty;

/** A judgement of people on how sure a pooled effect is: where it starts, and each step with its reason. */
final readonly class Certainty
{
    public const MOST_STEPS = 2;

    /**
     * @param  CertaintyLevel  $start  high for trials, low for studies that only observe
     * @param  array<string, array{steps: int, why: string}>  $reasons  by domain, those with one or two steps
     */
    public function __construct(public CertaintyLevel $start, public array $reasons = [])
    {
    }

    public function level(): CertaintyLevel
    {
        $moved = 0;
        foreach ($this->reasons as $domain => ['steps' => $steps]) {
            $moved += CertaintyDomain::from($domain)->sign() * $steps;
        }

        return $this->start->moved($moved);
    }

    /** @return list<string> in words: “imprecision, two steps down: few events” */
    public function told(): array
    {
        $told = [];
        foreach ($this->reasons as $name => ['steps' => $steps, 'why' => $why]) {
            $domain = CertaintyDomain::from($name);
            $told[] = $domain->label().', '.($steps > 1 ? 'two steps ' : 'one step ').($domain->sign() > 0 ? 'up' : 'down').
                ($why === '' ? '' : ": {$why}");
        }

        return $told;
    }

    /** @return array<string, int|array<string, array<string, int|string>>> */
    public function toArray(): array
    {
        return ['start' => $this->start->value, 'reasons' => $this->reasons];
    }

    /**
     * @param  array<array-key, mixed>  $kept  as toArray() gave it, or a form did; what does not fit is left out
     */
    public static function fromArray(array $kept): self
    {
        $start = $kept['start'] ?? null;
        $level = is_numeric($start) ? CertaintyLevel::tryFrom((int) $start) : null;
        $given = is_array($kept['reasons'] ?? null) ? $kept['reasons'] : [];
        $reasons = [];
        foreach (CertaintyDomain::cases() as $domain) {
            $one = is_array($given[$domain->value] ?? null) ? $given[$domain->value] : [];
            $steps = is_numeric($one['steps'] ?? null) ? (int) $one['steps'] : 0;
            if ($steps >= 1 && $steps <= self::MOST_STEPS) {
                $why = is_string($one['why'] ?? null) ? trim($one['why']) : '';
                $reasons[$domain->value] = ['steps' => $steps, 'why' => $why];
            }
        }

        return new self($level ?? CertaintyLevel::High, $reasons);
    }
}
