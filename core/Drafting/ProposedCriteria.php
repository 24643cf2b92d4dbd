<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;

/** The criteria that the parts of a question come to. */
final class ProposedCriteria
{
    /** @return list<AskedCriterion> in the order in which people ask them */
    public static function of(PlainQuestion $question): array
    {
        $words = [];
        foreach ($question->concepts as $concept) {
            $kind = self::kind($concept);
            // alternatives are one criterion; each place and time is its own
            $words[$kind->value][$kind === CriterionKind::Named ? $concept->text : ''][] = $concept->text;
        }
        $criteria = [];
        foreach (CriterionKind::cases() as $kind) {
            foreach ($words[$kind->value] ?? [] as $alternatives) {
                $criteria[] = new AskedCriterion($kind, implode(' or ', array_unique($alternatives)));
            }
        }

        return [...$criteria, new AskedCriterion(CriterionKind::OwnFindings)];
    }

    private static function kind(AskedConcept $concept): CriterionKind
    {
        return match ($concept->role) {
            ConceptRole::Population => CriterionKind::People,
            // one and what it is set against need not be studied both
            ConceptRole::Exposure, ConceptRole::Comparator => CriterionKind::About,
            ConceptRole::Outcome => CriterionKind::Outcome,
            ConceptRole::Setting => CriterionKind::Named,
        };
    }
}
