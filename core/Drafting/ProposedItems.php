<?php

declare(strict_types=1);

namespace WaryHeron\Core\Drafting;

use WaryHeron\Core\Coding\Lead\Asked\ItemType;
use WaryHeron\Core\Scouting\Asked\QuestionKind;

/** What people code for a question of a kind. */
final class ProposedItems
{
    private const DESIGNS = ['Randomised trial, parallel groups', 'Cluster randomised trial', 'Crossover trial', 'Cohort study',
        'Case-control study', 'Cross-sectional study', 'Before-after study', 'Qualitative study', 'Other'];

    /** @return list<ProposedItem> in the order in which a table of studies shows them */
    public static function of(QuestionKind $kind): array
    {
        $all = self::all();
        $names = match ($kind) {
            QuestionKind::Effect, QuestionKind::Comparison => ['country', 'setting', 'design', 'participants_enrolled',
                'intervention', 'comparator', 'follow_up', 'primary_outcome', 'funding'],
            QuestionKind::Prognosis => ['country', 'setting', 'design', 'participants_enrolled', 'mean_age', 'follow_up',
                'primary_outcome', 'funding'],
            QuestionKind::Prevalence => [
                'country',
                'setting',
                'design',
                'participants_enrolled',
                'mean_age',
                'funding',
            ],
            QuestionKind::Instrument => ['country', 'setting', 'participants_enrolled', 'primary_outcome', 'funding'],
            QuestionKind::Meaning => ['country', 'setting', 'design', 'participants_enrolled', 'funding'],
        };

        return array_map(fn (string $name): ProposedItem => $all[$name], $names);
    }

    /** @return array<string, ProposedItem> */
    private static function all(): array
    {
        $items = [...self::ofStudy(), ...self::ofPeople(), ...self::ofWhatWasDone(), ...self::ofOutcomes()];

        return array_combine(array_map(fn (ProposedItem $one): string => $one->name, $items), $items);
    }

    /** @return list<ProposedItem> */
    private static function ofStudy(): array
    {
        return [
            new ProposedItem(
                'country',
                'Country',
                ItemType::Country,
                'Where the study took place, not where its authors work.',
            ),
            new ProposedItem(
                'setting',
                'Setting',
                ItemType::Text,
                'In what kind of place the people were met, in the words of the paper.',
                synonyms: ['recruited from', 'conducted in', 'took place in'],
            ),
            new ProposedItem(
                'design',
                'Study design',
                ItemType::Choice,
                'What the authors did, whatever they call it. A cluster or a crossover goes before a plain trial.',
                self::DESIGNS,
            ),
        ];
    }

    /** @return list<ProposedItem> */
    private static function ofPeople(): array
    {
        return [
            new ProposedItem(
                'participants_enrolled',
                'People who took part',
                ItemType::Number,
                'All who were enrolled, of all groups together; not those who were invited or analysed.',
            ),
            new ProposedItem(
                'mean_age',
                'Mean age',
                ItemType::Number,
                'Of all who took part, in years.',
                unit: 'years',
                synonyms: ['mean age'],
            ),
        ];
    }

    /** @return list<ProposedItem> */
    private static function ofWhatWasDone(): array
    {
        return [
            new ProposedItem(
                'intervention',
                'What was done or met with',
                ItemType::Text,
                'As it was given or lived: what, how much, when.',
                synonyms: ['intervention', 'received', 'exposure'],
            ),
            new ProposedItem(
                'comparator',
                'Compared with',
                ItemType::Text,
                'What the others had: usual practice, another dose, nothing.',
                synonyms: ['control', 'comparison', 'usual practice'],
            ),
        ];
    }

    /** @return list<ProposedItem> */
    private static function ofOutcomes(): array
    {
        return [
            new ProposedItem(
                'follow_up',
                'Followed for',
                ItemType::Duration,
                'From the beginning to the last measurement.',
                synonyms: ['follow-up', 'duration'],
            ),
            new ProposedItem(
                'primary_outcome',
                'Main outcome',
                ItemType::Text,
                'What the authors say they mainly measured, and by what.',
            ),
            new ProposedItem(
                'funding',
                'Funding',
                ItemType::Text,
                'Who paid; “none” where the paper says so.',
                synonyms: ['funded by', 'grant'],
            ),
        ];
    }
}
