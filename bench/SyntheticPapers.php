<?php

declare(strict_types=1);

namespace Bench;

use Random\Engine\Mt19937;
use Random\Randomizer;
use WaryHeron\Standins\Locker\PlainPdf;

/** Papers of made-up trials as PDF files, the same for the same seed: sections, facts and much prose around them. */
final class SyntheticPapers
{
    private const PROSE = [
        'Nurses who work at night sleep less by day than they would like to.',
        'The wards differed in size, in their windows and in the hours at which light came in.',
        'What was measured in the first week was not always found again in the last.',
        'Diaries were collected on Mondays and read by two people who did not know the group.',
        'Some lamps were moved from one desk to another, which nobody had foreseen.',
        'Earlier work by Holt and Abendroth (2011) had 46 technicians with a mean age of 31 years.',
        'The reasons for this are not known, and we do not wish to guess at them here.',
        'Errors were counted from the ward book, and those that reached a patient were marked.',
    ];

    public static function pdf(int $number, int $pages): string
    {
        $random = new Randomizer(new Mt19937($number));
        $people = $random->getInt(40, 400);
        $paragraphs = [
            [16, "Bed lamps on {$number} wards: a randomised trial"],
            [12, 'Abstract'],
            [11, "Nurses were randomly assigned to bed lamps or usual light. In all, {$people} nurses were randomised."],
            [12, 'Methods'],
            [11, 'The trial took place in a hospital in Norway. The lamps were used for six weeks. The primary outcome was hours of sleep.'],
            [12, 'Results'],
            [11, ($people - 6)." nurses were included in the analysis. Their mean age was 38.{$random->getInt(0, 9)} years and {$random->getInt(40, 95)}% were women."],
            [11, 'Sleep was 0.8 hours longer with lamps (mean difference 0.8 hours, 95% CI 0.2 to 1.4; p = 0.012).'],
        ];
        // some forty lines make a page
        for ($i = 0; $i < $pages * 9; $i++) {
            $prose = array_map(fn (int $key): string => self::PROSE[$key], $random->pickArrayKeys(self::PROSE, 4));
            $paragraphs[] = [11, implode(' ', $prose)];
        }
        $paragraphs[] = [12, 'Funding'];
        $paragraphs[] = [11, 'The work was funded by the Ward Light Foundation. The authors have no competing interests.'];

        return PlainPdf::of($paragraphs);
    }
}
