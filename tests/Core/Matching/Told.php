<?php

namespace Tests\Core\Matching;

use WaryHeron\Core\Matching\Comparison;
use WaryHeron\Core\Matching\Conflict;
use WaryHeron\Core\Matching\MatchField;

/** Comparisons as lines tell them: how fields agree, and after | what else speaks against the two. */
final class Told
{
    /** @return array{Comparison, bool} the comparison that a line of rules.txt tells, and whether its title is recurrent */
    public static function evidence(string $line): array
    {
        [$agreements, $others, $recurrent] = [...array_map(trim(...), explode('|', $line)), '', ''];
        if ($others === 'recurrent') {
            [$others, $recurrent] = ['', $others];
        }
        $levels = array_fill(0, 9, 0);
        $conflicts = 0;
        foreach (explode(', ', $agreements) as $told) {
            [$field, $agreement] = explode(' ', $told);
            $field = MatchField::from($field);
            $enum = 'WaryHeron\Core\Matching\Field\\'.rtrim(ucfirst($field->value), 's').'Agreement';
            $enum = enum_exists($enum) ? $enum : 'WaryHeron\Core\Matching\Field\\'.ucfirst($field->value).'Agreement';
            $levels[$field->place()] = constant("{$enum}::{$agreement}")->value;
            $conflicts |= match ("{$field->value} {$agreement}") {
                'doi Different' => Conflict::Doi->value,
                'pages Different' => Conflict::Pages->value,
                'volume NearlySame', 'volume Different' => Conflict::Volume->value,
                'year YearsApart' => Conflict::Year->value,
                'title WordsDiffer' => Conflict::Words->value,
                default => 0,
            };
        }
        foreach ($others === '' ? [] : explode(' ', $others) as $name) {
            $conflicts |= constant(Conflict::class."::{$name}")->value;
        }

        return [Comparison::ofLevels($levels, $conflicts), $recurrent === 'recurrent'];
    }
}
