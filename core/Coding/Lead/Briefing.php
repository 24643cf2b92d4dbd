<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

/** What one would tell a person who looks for an answer: how to answer, and other words for what is asked. */
final readonly class Briefing
{
    /**
     * @param  list<string>  $synonyms
     * @param  array<array-key, float>  $learned  weights of stems, as Learned gives them
     */
    public function __construct(public string $guidance = '', public array $synonyms = [], public array $learned = [])
    {
    }
}
