<?php

declare(strict_types=1);

namespace WaryHeron\Core\Screening\Lead;

use WaryHeron\Core\Text\StructuredAbstract;

/**
 * Finds the sentences of a title and abstract that state the design, the number of people and the setting.
 *
 * Each kind has patterns from the plain to the doubtful; the first that matches anywhere wins, and its place tells
 * the confidence. What is announced, quoted from others or counted of something else than people is a reason for
 * doubt, so it comes after.
 */
final class TextLeads
{
    private const PEOPLE = '(?:participants|patients|people|persons|nurses|midwives|doctors|physicians|residents|staff|workers|volunteers|adults|women|men|children|infants|students|pharmacists|teams|employees|respondents)';

    private const NUMBER = '(?:\d{1,3}(?:,\d{3})+|\d{2,6}|(?:twenty|thirty|forty|fifty|sixty|seventy|eighty|ninety)(?:-\p{L}+)?|(?:one|two|three|four|five|six|seven|eight|nine)? ?hundred)';

    /** @return array<string, list<LeadPattern>> by what they are about */
    private static function patterns(): array
    {
        [$people, $number] = [self::PEOPLE, self::NUMBER];

        return [
            'Design' => [
                new LeadPattern(
                    '/\b(?:were|was|be(?:en)?|we) (?:\p{L}+ ){0,2}randomi[sz]ed|\brandomly (?:allocated|assigned|divided)|\brandomi[sz]ed (?:controlled |crossover |clinical )?(?:trial|study)|in random order|allocated by (?:computer|chance|lot)/ui',
                    'firm',
                    'It says how people came into the groups.',
                ),
                new LeadPattern(
                    '/\b(?:crossover|cluster[- ]randomi[sz]ed|stepped[- ]wedge|parallel[- ]group|before[- ]and[- ]after|controlled before|cross-sectional|case[- ]control|(?:prospective |retrospective )?cohort|interrupted time series|focus groups?|interview(?:s|ed)|systematic review|meta-analysis)\b/ui',
                    'firm',
                    'It names a design.',
                ),
                new LeadPattern(
                    '/\b(?:trial|survey|questionnaire|register-based|own controls|protocol|case report|compared? with)\b/ui',
                    'fair',
                    'It speaks of a kind of study.',
                ),
            ],
            'Number of people' => [
                new LeadPattern(
                    "/\\b{$number} (?:[\\p{L}-]+ ){0,4}{$people}\\b|\\bn ?= ?\\d{2,}/ui",
                    'fair',
                    'It gives a number of people.',
                ),
                new LeadPattern(
                    "/\\b(?:total of|sample of|included|enrolled|recruited|analysed) {$number}\\b/ui",
                    'check',
                    'It gives a number; of what is for you to see.',
                ),
            ],
            'Setting' => [
                new LeadPattern(
                    '/\b(?:at|in|from) (?:[\p{L}\d-]+ ){0,4}(?:hospitals?|wards?|clinics?|intensive care units?|emergency departments?|nursing homes?|ambulance services?|laborator(?:y|ies)|schools?|centres|sites)\b/ui',
                    'fair',
                    'It says where.',
                ),
                new LeadPattern('/\b(?:hospital|ward|clinic|care unit|laboratory|factory|home)\b/ui', 'check', 'It names a place.'),
            ],
        ];
    }

    /** @return list<TextLead> at most one of each kind, in this order: design, number of people, setting */
    public static function of(string $title, string $abstract): array
    {
        $leads = [];
        $sentences = [...self::sentences($abstract), $title];
        foreach (self::patterns() as $about => $patterns) {
            foreach ($patterns as $one) {
                foreach ($sentences as $sentence) {
                    if (preg_match($one->pattern, $sentence) === 1) {
                        $leads[] = new TextLead($about, $sentence, $one->confidence, $one->because);

                        continue 3;
                    }
                }
            }
        }

        return $leads;
    }

    /**
     * The sentence that most of a list's words stand in.
     *
     * @param  callable(string): int  $count  how many of the words a sentence holds
     */
    public static function richest(string $about, string $title, string $abstract, callable $count): ?TextLead
    {
        $best = null;
        $most = 0;
        foreach ([...self::sentences($abstract), $title] as $sentence) {
            $n = $count($sentence);
            if ($n > $most) {
                [$best, $most] = [$sentence, $n];
            }
        }

        return $best === null
            ? null
            : new TextLead(
                $about,
                $best,
                $most > 2 ? 'fair' : 'check',
                $most === 1 ? 'One of its words stands there.' : "{$most} of its words stand there.",
            );
    }

    /**
     * @return list<string> without the labels of structured abstracts; a dot within a number or after a short form does
     *     not end a sentence
     */
    public static function sentences(string $text): array
    {
        $sentences = [];
        foreach (StructuredAbstract::parts($text) as $part) {
            foreach (
                preg_split(
                    '/(?<=[.!?])(?<!\bvs\.|\be\.g\.|\bi\.e\.|\bcf\.|\bno\.|\b\p{Lu}\.)\s+(?=[\p{Lu}\d“"(])/u',
                    $part->text,
                ) ?:
                [] as $sentence
            ) {
                $sentence = trim($sentence);
                if ($sentence !== '') {
                    $sentences[] = $sentence;
                }
            }
        }

        return $sentences;
    }
}
