<?php

declare(strict_types=1);

namespace WaryHeron\Core\FullText;

use WaryHeron\Core\Text\Words;

/**
 * Leads to reports that may tell of one study, with what speaks for it. People link them; nothing is linked by itself.
 *
 * What is looked at follows the Cochrane Handbook's list for linking reports (trial registration numbers, author
 * names, numbers of participants, place and time): a shared registration number is firm; several shared authors with
 * either a shared number of people or most words of the title are fair; shared authors and half of the title's words
 * are to be checked.
 */
final class SameStudy
{
    private const REGISTRATION = '/\b[A-Z]{2,8}[- ]?(?:\d{5,}|\d{4}[-\/]\d{2,})(?:[-\/]\d{2,})*\b/';

    private const PEOPLE = '/(?<![\d,.])(\d{2,3}(?:,\d{3})?|\d{4,6}) (?:\p{L}+ ){0,3}(?:nurses|doctors|physicians|pharmacists|clinicians|crews|employees|staff|participants|people|patients|workers|residents|midwives|teams|adults|volunteers|persons|women|men)\b/u';

    private const YEARS_APART = 6;

    private const LEAST_AUTHORS = 2;

    private const MOST_WORDS_SHARED = 0.7;

    private const WORDS_SHARED = 0.5;

    /**
     * @param  list<ReportOfStudy>  $reports
     * @return list<SameStudyLead> firm ones first
     */
    public static function leads(array $reports): array
    {
        $leads = [];
        foreach (self::pairs($reports) as $pair) {
            $leads[] = self::compare($pair->one, $pair->other);
        }
        $leads = array_values(array_filter($leads));
        $order = ['firm' => 0, 'fair' => 1, 'check' => 2];
        $place = fn (SameStudyLead $one): array => [$order[$one->confidence], $one->one, $one->other];
        usort($leads, fn (SameStudyLead $a, SameStudyLead $b): int => $place($a) <=> $place($b));

        return $leads;
    }

    private static function compare(ReportOfStudy $one, ReportOfStudy $other): ?SameStudyLead
    {
        $numbers = array_values(array_intersect(self::registrations($one), self::registrations($other)));
        if ($numbers !== []) {
            $because = ["Both name the registration {$numbers[0]}."];

            return new SameStudyLead($one->id, $other->id, 'firm', $because);
        }
        $authors = array_values(array_intersect(self::names($one), self::names($other)));
        if (count($authors) < self::LEAST_AUTHORS || abs($one->year - $other->year) > self::YEARS_APART) {
            return null;
        }
        $shared = self::sharedWords($one->title, $other->title);
        $people = array_values(array_intersect(self::people($one), self::people($other)));
        $confidence = match (true) {
            $people !== [] || $shared >= self::MOST_WORDS_SHARED => 'fair',
            $shared >= self::WORDS_SHARED => 'check',
            default => null,
        };
        $words = round($shared * 100).'% of the words of the shorter title are in both.';

        return $confidence === null ? null : new SameStudyLead($one->id, $other->id, $confidence, [
            count($authors).' authors are the same.',
            ...$people === [] ? [] : ["Both speak of {$people[0]} people."],
            ...$shared >= self::WORDS_SHARED ? [$words] : [],
        ]);
    }

    /** Of the shorter title, between 0 and 1. */
    private static function sharedWords(string $one, string $other): float
    {
        [$a, $b] = [array_unique(Words::of($one)), array_unique(Words::of($other))];

        return count(array_intersect($a, $b)) / max(1, min(count($a), count($b)));
    }

    /**
     * Pairs that share an author or a registration, so that not everything is compared with everything.
     *
     * @param  list<ReportOfStudy>  $reports
     * @return iterable<ReportPair>
     */
    private static function pairs(array $reports): iterable
    {
        $by = [];
        foreach ($reports as $i => $report) {
            foreach (array_unique([...self::names($report), ...self::registrations($report)]) as $key) {
                $by[$key][] = $i;
            }
        }
        $seen = [];
        foreach ($by as $group) {
            foreach ($group as $at => $i) {
                foreach (array_slice($group, $at + 1) as $j) {
                    if (! isset($seen["{$i} {$j}"])) {
                        $seen["{$i} {$j}"] = true;
                        yield new ReportPair($reports[$i], $reports[$j]);
                    }
                }
            }
        }
    }

    /** @return list<string> family name and first initial, since given names are cut short here and there */
    private static function names(ReportOfStudy $report): array
    {
        return array_values(
            array_unique(
                array_map(function (string $author): string {
                    // "Family, Given" or "Family GI"
                    preg_match('/^(.+?)(?:,\s*|\s+(?=[\p{Lu}.\- ]{1,6}$))(.*)$/u', trim($author), $parts);

                    return implode(' ', Words::of($parts[1] ?? $author)).
                        ' '.
                        mb_substr(implode('', Words::of($parts[2] ?? '')), 0, 1);
                }, $report->authors),
            ),
        );
    }

    /** @return list<string> */
    private static function registrations(ReportOfStudy $report): array
    {
        preg_match_all(self::REGISTRATION, "{$report->title} {$report->abstract}", $found);

        return array_values(array_unique(array_map(fn (string $one): string => str_replace(' ', '', $one), $found[0])));
    }

    /** @return list<string> */
    private static function people(ReportOfStudy $report): array
    {
        preg_match_all(self::PEOPLE, $report->abstract, $found);

        return array_values(array_unique($found[1]));
    }
}
