<?php

declare(strict_types=1);

namespace WaryHeron\Core\Question;

/**
 * How a question is taken apart: for effects (PICO; Richardson et al. 1995, ACP J Club 123:A12), for exposures (PEO),
 * for scoping (PCC; Peters et al. 2020, JBI Evid Synth 18:2119), for experience (SPIDER; Cooke et al. 2012, Qual Health
 * Res 22:1435), or as the team likes.
 */
enum ConceptFrame: string
{
    case Pico = 'pico';
    case Peo = 'peo';
    case Pcc = 'pcc';
    case Spider = 'spider';
    case Own = 'own';

    public function label(): string
    {
        return match ($this) {
            self::Pico => 'PICO: population, intervention, comparison, outcome',
            self::Peo => 'PEO: population, exposure, outcome',
            self::Pcc => 'PCC: population, concept, context',
            self::Spider => 'SPIDER: sample, phenomenon, design, evaluation, kind of research',
            self::Own => 'Concepts of our own',
        };
    }

    /** @return list<ConceptPart> in the frame's order; none where the team names its own */
    public function parts(): array
    {
        $population = new ConceptPart('population', 'Population', 'people');
        $outcome = new ConceptPart('outcome', 'Outcome', 'what is measured');

        return match ($this) {
            self::Pico => [
                $population,
                new ConceptPart('intervention', 'Intervention', 'what is done'),
                new ConceptPart('comparison', 'Comparison', 'what it is compared with', isForSearch: false),
                $outcome,
            ],
            self::Peo => [$population, new ConceptPart('exposure', 'Exposure', 'what they are exposed to'), $outcome],
            self::Pcc => [
                $population,
                new ConceptPart('concept', 'Concept', 'what it is about'),
                new ConceptPart('context', 'Context', 'where and under what circumstances'),
            ],
            self::Spider => [
                new ConceptPart('sample', 'Sample', 'people'),
                new ConceptPart('phenomenon', 'Phenomenon of interest', 'what they live through'),
                new ConceptPart('design', 'Design', 'how they were asked', isForSearch: false),
                new ConceptPart('evaluation', 'Evaluation', 'what they say of it'),
                new ConceptPart('research', 'Kind of research', 'qualitative, quantitative or mixed', isForSearch: false),
            ],
            self::Own => [],
        };
    }

    /** @return list<string> keys of the parts of all frames, each once */
    public static function keys(): array
    {
        $parts = array_merge(...array_map(fn (self $frame): array => $frame->parts(), self::cases()));

        return array_values(array_unique(array_map(fn (ConceptPart $part): string => $part->key, $parts)));
    }
}
