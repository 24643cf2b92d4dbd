<?php

declare(strict_types=1);

namespace WaryHeron\Core\Coding\Lead;

use WaryHeron\Core\FullText\Reading\SectionKind;

/** What looks like an answer and is none: other people's studies, plans, rules of entry. */
final class Traps
{
    private const CITED = '/\bet al\b|\band colleagues\b|\b(?:earlier|previous|prior|former|recent|another|other|one|a) (?:\w+ )?(?:study|studies|trial|trials|survey|surveys|review|work|report|cohort|meta-analys\w+)\b|\[\d{1,3}(?:[,–-]\s?\d{1,3})*\]|\((?:19|20)\d\d\)|\b(?:has|have) (?:shown|found|reported)\b|\bin the literature\b/iu';

    private const PLANNED = '/\b(?:planned|plan to|needed|required|to detect|power|would (?:be|give|need)|will (?:be|take|receive|enrol)|aim(?:ed)? to|intend\w*|target|anticipat\w+|expect\w+|sample size|assum\w+|calculat\w+ that|at least \d+ (?:participants|patients|people))\b/iu';

    private const ENTRY = '/\b(?:eligib\w+|inclusion criteri\w+|exclu\w+|were included if|criteria|qualif\w+|at least|or (?:older|over|above|more|younger)|between \d+ and \d+ years|aged? (?:\d+ (?:to|and|[–-])|over|under|at least|from))\b/iu';

    public static function isCited(Passage $passage): bool
    {
        $elsewhere = in_array(
            $passage->section,
            [SectionKind::Introduction, SectionKind::Discussion, SectionKind::References],
            true,
        );

        return $passage->section === SectionKind::References || (preg_match(self::CITED, $passage->text) === 1 && $elsewhere);
    }

    public static function isPlanned(string $text): bool
    {
        return preg_match(self::PLANNED, $text) === 1;
    }

    public static function isEntry(string $text): bool
    {
        return preg_match(self::ENTRY, $text) === 1;
    }

    /** How much a section's word counts for what was done and found. */
    public static function trust(SectionKind $section): float
    {
        return match ($section) {
            SectionKind::Results => 0.5,
            SectionKind::Abstract, SectionKind::Title => 0.4,
            SectionKind::Methods => 0.2,
            SectionKind::Introduction, SectionKind::Discussion => -0.8,
            SectionKind::References => -5.0,
            default => 0.0,
        };
    }
}
