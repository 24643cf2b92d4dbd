<?php

declare(strict_types=1);

namespace WaryHeron\Core\Scouting\Sharper;

use WaryHeron\Core\Scouting\Asked\AskedConcept;
use WaryHeron\Core\Scouting\Asked\ConceptRole;
use WaryHeron\Core\Scouting\Asked\ConceptSlot;
use WaryHeron\Core\Scouting\Asked\PlainQuestion;
use WaryHeron\Core\Scouting\Reading\ReadRecord;
use WaryHeron\Core\Text\Stem;
use WaryHeron\Core\Text\Words;

/** Finds in the papers that answer a question in which words it could be asked more sharply. */
final class Suggestions
{
    /** What one paper names may be its own affair. */
    private const LEAST_PAPERS = 2;

    private const OF_A_KIND = 2;

    private const PEOPLE = '/\b(?:(?:junior|senior|student|newly qualified|intensive care|emergency|theatre|paediatric|psychiatric|surgical|medical|rotating|permanent) )?(?:nurses|midwives|physicians|doctors|surgeons|trainees|residents|porters|paramedics|assistants|technicians|pharmacists|dispatchers|operators|students|women|men|children|older people|older adults)\b/iu';

    private const SETTINGS = '/\b(?:intensive care|emergency departments?|operating theatres?|surgical wards?|medical wards?|maternity|labour wards?|paediatric wards?|psychiatric hospitals?|nursing homes?|care homes?|general wards?|teaching hospitals?|community hospitals?|outpatient clinics?|first night|last night|after midnight|end of the shift|winter|weekends?|three months|one year|six months)\b/iu';

    private const AGAINST = '/\b(?:than (?:with|on|in|after)?|against|versus|compared (?:with|to)|as opposed to)\s+((?:(?:the|a|an|usual|dim|ordinary|customary|standard|no|placebo)\s+)?[\p{L}-]+(?:\s[\p{L}-]+)?)/u';

    private const SMALL = '/^(?:the|a|an|of|in|on|and|or|to|for|with|by|at|from|their|its|our|this|that|these|those|more|less|fewer|most|no|not|was|were|had|has|have|all|both|other|who|which|when|than|between|after|before|during|per|each|group|groups|one|two|any|whether|mean|self|rated|lower|higher|they|we|how|then|them|round|does|did|hours|staff|nurses|people|much|many|some|any|other|others|such|same|usual|after|it|his|her|each|every)$/';

    /**
     * @param  list<ReadRecord>  $records  that answer, best first
     * @return list<Suggestion> of different kinds, those named by most papers first within a kind
     */
    public static function of(PlainQuestion $question, array $records): array
    {
        $suggestions = [];
        foreach ([
            [ConceptRole::Outcome, self::outcomes($question, $records)],
            [ConceptRole::Population, self::narrower($question, self::matches(self::PEOPLE, $records))],
            [ConceptRole::Comparator, $question->has(ConceptRole::Comparator) ? [] : self::against($records)],
            [ConceptRole::Setting, self::matches(self::SETTINGS, $records)],
        ] as [$role, $found]) {
            $found = self::worthSaying($question, $found, count($records));
            foreach (array_slice($found, 0, self::OF_A_KIND, true) as $words => $papers) {
                $suggestions[] = new Suggestion($role, $words, self::worded($question, $role, $words), $papers);
            }
        }

        return $suggestions;
    }

    /**
     * What stands before the outcome's main word: "severe sleepiness" of sleepiness.
     *
     * @param  list<ReadRecord>  $records
     * @return array<string, int>
     */
    private static function outcomes(PlainQuestion $question, array $records): array
    {
        $asked = array_map(
            fn (AskedConcept $one): string => (string) strrchr(' '.mb_strtolower($one->text), ' '),
            $question->of(ConceptRole::Outcome),
        );
        $heads = array_map(trim(...), $asked);

        return self::counted($records, function (string $text) use ($heads): array {
            $words = Words::of($text);
            $found = [];
            foreach ($words as $i => $word) {
                $before = $words[$i - 1] ?? '';
                if (in_array($word, $heads, true) && self::narrows($before)) {
                    $found[] = "{$before} {$word}";
                }
            }

            return $found;
        });
    }

    private static function narrows(string $word): bool
    {
        return mb_strlen($word) > 3
            && preg_match(self::SMALL, $word) !== 1
            && preg_match('/(?:ed|ly)$/', $word) !== 1;
    }

    /**
     * Those who belong to the people asked about, and are not all of them.
     *
     * @param  array<string, int>  $found
     * @return array<string, int>
     */
    private static function narrower(PlainQuestion $question, array $found): array
    {
        $slots = array_merge(
            ...array_map(fn (AskedConcept $one): array => $one->slots, $question->of(ConceptRole::Population))
        );
        $kin = array_map(
            fn (array $phrase): string => $phrase[count($phrase) - 1],
            array_merge(...array_map(fn (ConceptSlot $slot): array => $slot->kin, $slots)),
        );

        return $slots === [] ? $found : array_filter(
            $found,
            fn (string $words): bool => in_array(Stem::of((string) preg_replace('/^.* /u', '', $words)), $kin, true),
            ARRAY_FILTER_USE_KEY,
        );
    }

    /**
     * @param  list<ReadRecord>  $records
     * @return array<string, int>
     */
    private static function matches(string $pattern, array $records): array
    {
        return self::counted($records, function (string $text) use ($pattern): array {
            preg_match_all($pattern, $text, $found);

            return array_map(mb_strtolower(...), $found[0]);
        });
    }

    /**
     * @param  list<ReadRecord>  $records
     * @return array<string, int>
     */
    private static function against(array $records): array
    {
        return self::counted($records, function (string $text): array {
            preg_match_all(self::AGAINST, $text, $found);
            $words = array_map(
                fn (string $one): string => trim((string) preg_replace('/^(?:the|a|an) /', '', mb_strtolower($one))),
                $found[1],
            );

            return array_filter($words, self::isThing(...));
        });
    }

    /** Two words of which neither is a small one. */
    private static function isThing(string $words): bool
    {
        $parts = explode(' ', $words);

        return count($parts) === 2 &&
            array_filter($parts, fn (string $one): bool => preg_match(self::SMALL, $one) === 1) === [];
    }

    /**
     * @param  list<ReadRecord>  $records
     * @param  callable(string): array<string>  $find
     * @return array<string, int> papers by what they name, most first
     */
    private static function counted(array $records, callable $find): array
    {
        $papers = [];
        foreach ($records as $record) {
            $text = implode(
                ' ',
                [$record->title->text.'.', ...array_map(fn ($one): string => $one->text, $record->sentences)],
            );
            foreach (array_unique($find($text)) as $words) {
                $papers[$words] = ($papers[$words] ?? 0) + 1;
            }
        }
        ksort($papers);
        arsort($papers);

        return $papers;
    }

    /**
     * Neither what the question says already nor what every paper has.
     *
     * @param  array<string, int>  $found
     * @return array<string, int>
     */
    private static function worthSaying(PlainQuestion $question, array $found, int $records): array
    {
        $asked = ' '.implode(' ', Stem::all($question->text)).' ';

        return array_filter(
            $found,
            fn (int $papers, string $words): bool => $papers >= self::LEAST_PAPERS && $papers < $records &&
                ! str_contains($asked, ' '.implode(' ', Stem::all($words)).' '),
            ARRAY_FILTER_USE_BOTH,
        );
    }

    private static function worded(PlainQuestion $question, ConceptRole $role, string $words): string
    {
        $told = $question->of($role)[0]->text ?? '';
        $bare = rtrim($question->text, ' ?.');
        if ($told !== '' && $role !== ConceptRole::Setting && mb_stripos($bare, $told) !== false) {
            $at = (int) mb_stripos($bare, $told);

            return mb_substr($bare, 0, $at).$words.mb_substr($bare, $at + mb_strlen($told)).'?';
        }

        return $bare.match ($role) {
            ConceptRole::Population => " among {$words}?",
            ConceptRole::Comparator => " compared with {$words}?",
            ConceptRole::Setting => " ({$words})?",
            default => " on {$words}?",
        };
    }
}
