<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Reading;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/** How much of each part of a question a sentence holds. */
final readonly class ConceptMatches
{
    /**
     * @param  array<string, ConceptMatch>  $best  by role
     * @param  list<ConceptMatch>  $all  of each concept of the question
     */
    private function __construct(private array $best, private ConceptMatch $none, public array $all)
    {
    }

    public static function of(PlainQuestion $question, RecordSentence $sentence): self
    {
        $best = $all = [];
        foreach ($question->concepts as $concept) {
            $all[] = $match = ConceptMatch::of($concept, $sentence);
            $role = $concept->role->value;
            if (! isset($best[$role]) || $match->share > $best[$role]->share) {
                $best[$role] = $match;
            }
        }
        $nothing = new AskedConcept(ConceptRole::Setting, '', []);

        return new self($best, ConceptMatch::of($nothing, $sentence), $all);
    }

    public function in(ConceptRole $role): ConceptMatch
    {
        return $this->best[$role->value] ?? $this->none;
    }

    public function share(ConceptRole $role): float
    {
        return $this->in($role)->share;
    }
}
